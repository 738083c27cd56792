"""What the wanted power asks of the core and the fan, whether or not one is fitted."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from gauge_well.core.facts import need, need_number
from gauge_well.core.geometry.stack import CORE_TO_FAN, MOVING_PARTS
from gauge_well.core.media import coolant
from gauge_well.core.roots import where_falling
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need, over_duties
from gauge_well.core.systems.cooling.circuit import growth
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import DROP_RATED, HOSE_SPEED, heat_made, plant_of, prepare
from gauge_well.core.typing import likely

DEPTHS = (0.016, 0.026, 0.040, 0.056)  # m, standard cores
ASPECT = 1.5
FACES = np.geomspace(0.02, 4.0, 15)
FAN_SPEED = 2.8  # m/s on the face, what a full set of fans moves free
FAN_PRESSURE = 200.0
USUAL_FAN_DEPTH = 0.065


def reference_depth(facts: CoolingFacts, room: float | None) -> float:
    """Depth the core is sought at: the fitted one, else the thickest standard one that goes in
    (26 mm when the room is not known)."""
    if facts.core_depth is not None:
        return likely(facts.core_depth)
    if room is None:
        return 0.026
    left = room - USUAL_FAN_DEPTH - CORE_TO_FAN - MOVING_PARTS
    return max([d for d in DEPTHS if d <= left], default=DEPTHS[0])


def needs(context: Context, facts: CoolingFacts) -> list[Need]:
    """Core face at the depth there is, fan flow, coolant flow, cap.

    The face is found by running the whole model over a row of faces, each with fans to match in a
    full shroud, and interpolating where the fullest duty just fits.
    """
    room = context.installation.depth_available
    depth = reference_depth(facts, None if room is None else likely(room))
    faces = FACES[:, None, None]
    trial = replace(
        facts,
        core_width=np.sqrt(faces * ASPECT),
        core_height=np.sqrt(faces / ASPECT),
        core_depth=depth,
        core_rows=facts.core_rows if facts.core_depth is not None else (2.0 if depth > 0.045 else 1.0),
    )
    if facts.fan_kind != "none":
        trial = replace(
            trial,
            fan_kind="puller",
            fan_count=1.0,
            fan_diameter=0.8 * np.sqrt(faces),
            fan_flow=FAN_SPEED * faces,
            fan_pressure=FAN_PRESSURE,
            fan_rating="rig",
            fan_table=None,
            fan_stages="together",
            shroud="full",
        )
    plant = plant_of(context, trial)
    solved = prepare(context, plant, only_on=True)
    heat = heat_made(solved, context, context.mean)
    fill = np.where(solved.capacity > 0.0, heat / np.maximum(solved.capacity, 1e-9), 99.0)
    fill = np.broadcast_to(fill, (FACES.size, len(context.duties.cases), fill.shape[-1]))
    most = fill.max(axis=1)
    face = np.exp(where_falling(np.log(FACES), np.log(np.maximum(most, 1e-9)), 0.0))
    face = np.where(most[-1] > 1.0, np.inf, face)
    enough = int(np.argmax(most[:, 0] <= 1.0)) if np.isfinite(face[0]) else FACES.size // 2
    duty = context.duties.cases[int(np.argmax(fill[enough, :, 0]))]
    found: list[Need] = []
    if np.isinf(face[0]):
        found.append(
            Need(
                "core_fan",
                "core_face",
                face,
                "area",
                Sentence(
                    "No core of {depth} carries {duty} with that air: its limit is the air, not the core.",
                    {"depth": (depth, "length"), "duty": duty.name.lower()},
                ),
            )
        )
    else:
        width = float(np.sqrt(face[0] * ASPECT))
        found.append(
            Need(
                "core_fan",
                "core_face",
                face,
                "area",
                Sentence(
                    "A {depth} core of {face}, for instance {width} × {height}; {duty} decides.",
                    {
                        "depth": (depth, "length"),
                        "face": (likely(face), "area"),
                        "width": (width, "size"),
                        "height": (likely(face) / width, "size"),
                        "duty": duty.name.lower(),
                    },
                ),
            )
        )
        if facts.fan_kind != "none":
            found.append(
                Need(
                    "core_fan",
                    "fan_free_air",
                    FAN_SPEED * face,
                    "air_flow",
                    Sentence(
                        "Fans moving {flow} free on a rig, {pressure} shut off, in a full shroud.",
                        {"flow": (FAN_SPEED * likely(face), "air_flow"), "pressure": (FAN_PRESSURE, "pressure_small")},
                    ),
                )
            )
    boiling, limit, glycol = plant.boiling, plant.limit, plant.glycol
    warm = coolant.properties(over_duties(limit) - DROP_RATED, glycol)
    rated = over_duties(context.mean.rated_coolant / (DROP_RATED * warm.density * warm.heat_capacity))
    found.append(
        Need(
            "pump",
            "coolant_volume_flow",
            rated,
            "flow",
            Sentence(
                "A coolant pump moving {flow} at {rpm}.",
                {"flow": (likely(rated), "flow"), "rpm": (likely(context.engine.rated_speed), "speed_rpm")},
            ),
        )
    )
    bore = np.sqrt(4.0 * rated / (HOSE_SPEED * np.pi))
    found.append(
        Need(
            "hose",
            "hose_bore",
            bore,
            "size",
            Sentence("Hoses of {bore} bore or more for that flow.", {"bore": (likely(bore), "size")}),
        )
    )
    room = growth(need(facts.coolant_volume, "cooling.coolant_volume"), limit, glycol)
    found.append(
        Need(
            "header",
            "expansion_volume",
            room,
            "volume",
            Sentence(
                "A header or overflow with {room} of room over its cold level.", {"room": (likely(room), "volume")}
            ),
        )
    )
    own = need_number(context.engine.facts.coolant_limit, "engine.coolant_limit")
    lowest = limit.min(axis=(0, 1))
    if likely(lowest) < own - 0.1:
        found.append(
            Need(
                "cap",
                "coolant_limit",
                lowest,
                "temperature",
                Sentence(
                    "Boiling, at {boil}, sets the coolant's limit at {limit}; the engine would allow {own}. "
                    "A higher cap buys that.",
                    {
                        "boil": (float(boiling[..., 0].min()), "temperature"),
                        "limit": (likely(lowest), "temperature"),
                        "own": (own, "temperature"),
                    },
                ),
            )
        )
    return found
