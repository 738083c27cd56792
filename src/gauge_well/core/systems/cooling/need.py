"""What the wanted power asks of the core and the fan, whether or not one is fitted."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

import numpy as np

from gauge_well.core.duty.model import REPEATS, SWALLOWED
from gauge_well.core.geometry.stack import CORE_TO_FAN, MOVING_PARTS
from gauge_well.core.media import coolant
from gauge_well.core.roots import where_falling
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import HOSES, core_at_least, fans_at_least
from gauge_well.core.systems.base import Context, Need, Shopping
from gauge_well.core.systems.cooling.circuit import growth
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import HOSE_SPEED, RECIRCULATION_SPEED, Cooling, heat_made, plant_of, prepare
from gauge_well.core.typing import Array, Value, as_array, likely, likely_or_none, over_duties

DEPTHS = (0.016, 0.026, 0.040, 0.056)  # m, standard cores
ASPECT = 1.5
FACES = np.geomspace(0.02, 4.0, 15)
FAN_SPEED = 2.8  # m/s on the face, what a full set of fans moves free
FAN_PRESSURE = 200.0
USUAL_FAN_DEPTH = 0.065


FAN_SHARES = np.geomspace(0.04, 4.0, 15)  # of the flow that matches the face
# m2 of core that goes behind the usual nose of a machine; others stand where it can (common practice).
NOSES: Mapping[str, float] = {"road_car": 0.45, "hillclimb": 0.45, "off_road": 0.50, "van": 0.60, "truck": 0.80}
LARGEST = 1.3
WORSE = 1.05  # of the face, from which the fan that is fitted is said to ask for more
DROP_NEED = 10.0  # K over the core at rated power that a pump is asked for; the default of one that is there is 7


def _with_face(facts: CoolingFacts, faces: Value, depth: float) -> CoolingFacts:
    """The same with a core of that face [m2]."""
    core = replace(
        facts.core,
        width=np.sqrt(as_array(faces) * ASPECT),
        height=np.sqrt(as_array(faces) / ASPECT),
        depth=depth,
        rows=facts.core.rows if facts.core.depth is not None else (2.0 if depth > 0.045 else 1.0),
    )
    return replace(facts, core=core)


def _with_fan(facts: CoolingFacts, faces: Value, flow: Value) -> CoolingFacts:
    """The same with fans that move ``flow`` [m3/s] free in a full shroud."""
    fan = replace(
        facts.fan,
        drive="puller",
        count=1.0,
        diameter=0.8 * np.sqrt(as_array(faces)),
        flow=flow,
        pressure=FAN_PRESSURE,
        rating="rig",
        table=None,
        shroud="full",
    )
    return replace(facts, fan=fan, fan_stages="together")


def _fills(context: Context, solved: Cooling) -> tuple[Array, Array]:
    """Fill of every duty (trial, duty, sample): as it is asked, and coming back again and again."""
    heat = heat_made(context, solved, context.mean)
    own = np.where(solved.capacity > 0.0, heat / np.maximum(solved.capacity, 1e-9), 99.0)
    lasting = np.maximum(solved.conductance * (solved.plant.limit - solved.sink), 1e-9)
    short = context.duties.column("duration") <= SWALLOWED
    repeated = np.where(short, heat / REPEATS / lasting, 0.0)
    shape = np.broadcast_shapes(own.shape, repeated.shape)
    wide = (np.shape(own)[0], len(context.duties.cases), shape[-1])
    return np.broadcast_to(own, wide), np.broadcast_to(repeated, wide)


def _with_own_fan(context: Context, trial: CoolingFacts) -> Array:
    """Face with the fan that is fitted [m2]; infinite where that fan strangles any."""
    fills = _fills(context, prepare(context, plant_of(context, trial), only_on=True))
    return _crossing(FACES, np.maximum(*fills).max(axis=1))


def _crossing(sizes: Array, most: Array) -> Array:
    """Size (sample) at which the fullest fill falls to 1; infinite where none does."""
    found = np.exp(where_falling(np.log(sizes), np.log(np.maximum(most, 1e-9)), 0.0))
    return np.where(most[-1] > 1.0, np.inf, found)


def _face(
    context: Context, face: Array, depth: float, fills: tuple[Array, Array], beside: float | None, cooled: bool
) -> Need:
    """The face with the duty that decides, how often a short one is asked for, and the face with the fan there is."""
    cases = context.duties.cases
    at = int(np.argmin(np.abs(np.log(FACES) - np.log(face[0]))))
    both = np.maximum(*fills)[at, :, 0]
    worst = int(np.argmax(both))
    duty, width = cases[worst], float(np.sqrt(face[0] * ASPECT))
    values: dict[str, tuple[float, str] | str] = {
        "depth": (depth, "length"),
        "face": (likely(face), "area"),
        "width": (width, "size"),
        "height": (likely(face) / width, "size"),
        "duty": duty.name.lower(),
        "long": (duty.duration, "time"),
        "every": (REPEATS * duty.duration, "time"),
    }
    words = "A {depth} core of {face}, for instance {width} × {height}; {duty} decides"
    short = bool(duty.duration <= SWALLOWED)
    if fills[1][at, worst, 0] >= fills[0][at, worst, 0]:
        words += ": one of {long} the metal swallows, one every {every} is asked for"
    if beside is not None and beside > WORSE * likely(face):
        values["own"] = (beside, "area")
        words += "; with the fan that is fitted " + ("{own}" if np.isfinite(beside) else "no face serves")
    if at == 0:
        words = "Any core serves: the least that was tried, {face}, does"
    return Need(
        "core_fan", "core_face", face, "area", Sentence(words + ".", values), shop=_core(context, values, short, cooled)
    )


def _core(context: Context, values: Mapping[str, tuple[float, str] | str], short: bool, cooled: bool) -> Shopping:
    """The core as it is bought; over what such a machine's nose takes none is. ``short``: a short duty decides;
    ``cooled``: a fan is wanted."""
    face = values["face"][0]
    nose = NOSES.get(context.machine.kind or "", LARGEST)
    found = core_at_least(float(face)) if float(face) <= nose else None
    words = "{width} × {height}"
    slots: dict[str, tuple[float, str] | str] = {}
    if found is not None:
        slots = {"width": (found[0], "size"), "height": (found[1], "size")}
    elif short:
        words = "no core does this: shorten the pull, or let it cool between"
    else:
        words = "no core does this: move the charge cooler and condenser, or two cores"
    return Shopping(
        "Core",
        Sentence("a {face} core" + (" and its fan" if cooled else ""), {"face": values["face"]}),
        Sentence("{depth} deep" + ("; for a short pull, every {every}" if short else ""), values),
        Sentence(words, slots),
        None if found is None else found[0] * found[1],
        "cooling.core.width",
    )


def _fan(context: Context, facts: CoolingFacts, face: Array, depth: float) -> Need:
    """Fan flow by the duty that uses the fan, on the core that is fitted or on the face asked for."""
    width, height = facts.core.width, facts.core.height
    if width is not None and height is not None and facts.core.depth is not None:
        size, core = likely(width) * likely(height), facts
    else:
        size = likely(face)
        core = _with_face(facts, size, depth)
    flows = FAN_SPEED * size * FAN_SHARES
    trial = _with_fan(core, size, flows[:, None, None])
    solved = prepare(context, plant_of(context, trial), only_on=True)
    fill = np.maximum(*_fills(context, solved))
    # What stands or creeps lives by its fan; at speed the wind does it.
    uses = np.array([likely(case.air_speed) < RECIRCULATION_SPEED for case in context.duties.cases])
    most = np.where(uses[None, :, None], fill, 0.0).max(axis=1)
    wanted = _crossing(flows, most)
    part, name = "core_fan", "fan_free_air"
    if not bool(uses.any()) or likely(most[0]) <= 1.0:
        words = "No duty asked wants a fan: any that keeps it cool standing will do."
        return Need(part, name, np.asarray([np.inf]), "air_flow", Sentence(words))
    # What doubt says of the face it says of the fan that serves it.
    by_face = wanted if wanted.size == face.size else np.where(np.isfinite(wanted), wanted, np.inf)
    worst = context.duties.cases[int(np.argmax(np.where(uses, fill[:, :, 0].min(axis=0), 0.0)))]
    values: dict[str, tuple[float, str] | str] = {
        "flow": (likely(wanted), "air_flow"),
        "pressure": (FAN_PRESSURE, "pressure_small"),
        "duty": worst.name.lower(),
    }
    words = "Fans moving {flow} free on a rig, {pressure} shut off, in a full shroud; {duty} decides."
    if np.isinf(likely(wanted)):
        words = "No fan that fits such a core carries {duty}: more core, or more of the car's own wind."
        return Need(part, name, by_face, "air_flow", Sentence(words, values))
    return Need(part, name, by_face, "air_flow", Sentence(words, values), shop=_fans(likely(wanted)))


def _fans(flow: float) -> Shopping:
    found = fans_at_least(flow)
    words = "a fan the engine drives"
    slots: dict[str, tuple[float, str] | str] = {}
    if found is not None:
        count, diameter, each = found
        words = "{d}, {each}" if count == 1 else "two of {d}, {each} each"
        slots = {"d": (diameter, "size"), "each": (each, "air_flow")}
    size = None if found is None else found[0] * found[2]
    rig = Sentence("free on a rig, full shroud")
    return Shopping("Fan", Sentence(""), rig, Sentence(words, slots), size, "cooling.fan.diameter")


def reference_depth(facts: CoolingFacts, room: float | None) -> float:
    """Depth the core is sought at: the fitted one, else the thickest standard one that goes in
    (26 mm when the room is not known)."""
    if facts.core.depth is not None:
        return likely(facts.core.depth)
    if room is None:
        return 0.026
    left = room - USUAL_FAN_DEPTH - CORE_TO_FAN - MOVING_PARTS
    return max([d for d in DEPTHS if d <= left], default=DEPTHS[0])


def needs(context: Context, facts: CoolingFacts) -> list[Need]:
    """Core face at the depth there is, fan flow, coolant flow, cap.

    The face is found by running the whole model over a row of faces, each with fans to match in a full shroud, and
    interpolating where the fullest duty just fits; likewise with the fan that is fitted, which is said beside it. A short
    duty that the metal swallows is asked for once every six times its length. The fan is found on the core that is
    fitted, or on that face.
    """
    room = context.room("depth_available")
    depth = reference_depth(facts, likely_or_none(room))
    faces = FACES[:, None, None]
    trial = _with_face(facts, faces, depth)
    fitted = facts.fan.drive not in (None, "none") and facts.fan.diameter is not None
    with_own = trial if fitted else None
    if facts.fan.drive != "none":
        trial = _with_fan(trial, faces, FAN_SPEED * faces)
    plant = plant_of(context, trial)
    fill, repeated = _fills(context, prepare(context, plant, only_on=True))
    most = np.maximum(fill, repeated).max(axis=1)
    found: list[Need] = []
    face = _crossing(FACES, most)
    beside = None if with_own is None else likely(_with_own_fan(context, with_own))
    if np.isinf(face[0]):
        duty = context.duties.cases[int(np.argmax(fill[-1, :, 0]))]
        words = "No core of {depth} carries {duty} with that air: its limit is the air, not the core."
        values: dict[str, tuple[float, str] | str] = {"depth": (depth, "length"), "duty": duty.name.lower()}
        none = Shopping(
            "Core",
            Sentence("more air than reaches a core"),
            Sentence("{depth} deep; {duty} decides", values),
            Sentence("no core does this: more air to it, or less asked of it"),
            None,
            "cooling.core.width",
        )
        found.append(Need("core_fan", "core_face", face, "area", Sentence(words, values), shop=none))
    else:
        fan = [] if facts.fan.drive == "none" else [_fan(context, facts, face, depth)]
        cooled = any(item.shop is not None for item in fan)
        found += [_face(context, face, depth, (fill, repeated), beside, cooled), *fan]
    boiling, limit, glycol = plant.boiling, plant.limit, plant.glycol
    warm = coolant.properties(over_duties(limit) - DROP_NEED, glycol)
    rated = over_duties(context.mean.rated_coolant / (DROP_NEED * warm.density * warm.heat_capacity))
    found.append(
        Need(
            "pump",
            "coolant_volume_flow",
            rated,
            "flow",
            Sentence(
                "A coolant pump moving {flow} at {rpm}: {drop} over the core at rated power.",
                {
                    "flow": (likely(rated), "flow"),
                    "rpm": (likely(context.engine.rated_speed), "speed_rpm"),
                    "drop": (DROP_NEED, "temperature_difference"),
                },
            ),
        )
    )
    least = likely(np.sqrt(4.0 * rated / (HOSE_SPEED * np.pi)))
    bore = next((b for b in HOSES if b >= least), HOSES[-1])
    words = "Hoses of {bore} bore for that flow, the next sold over {v}."
    values = {"bore": (bore, "size"), "v": (HOSE_SPEED, "speed_m_s")}
    found.append(Need("hose", "hose_bore", bore, "size", Sentence(words, values)))
    room = growth(facts.coolant_volume, limit, glycol)
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
    own = likely(context.engine.facts.coolant_limit)
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
