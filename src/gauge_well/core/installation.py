"""Where things lie: one block that every system reads."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from math import pi
from typing import Any

import numpy as np

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import Rule, Way, choice, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class Lie:
    """How an engine lies in a kind of machine.

    Parameters
    ----------
    label : str
    yaw : float
        How far it is turned [rad] where nobody says.
    ahead : bool
        The panel lies ahead of the engine, the wall (bulkhead) behind; else the other way about.
    panel : bool
        Its pulley faces the panel, else the wall.
    has : set of str
        What usually stands round it.
    boat : bool
        It floats: a hull in place of the ground, beds in place of rails.
    """

    label: str
    yaw: float
    ahead: bool
    panel: bool
    has: frozenset[str]
    boat: bool = False


def _things(words: str) -> frozenset[str]:
    return frozenset(words.split())


LIES: Mapping[str, Lie] = {
    "front_long": Lie(
        "front, lengthwise", 0.0, True, True, _things("wings bonnet bulkhead tunnel stack member steering")
    ),
    "front_trans": Lie(
        "front, transverse", pi / 2, True, True, _things("wings bonnet bulkhead tunnel stack member steering")
    ),
    "rear": Lie("rear, pulley to the rear", pi, False, True, _things("wings bonnet bulkhead tunnel member")),
    "mid": Lie("mid, pulley to the bulkhead", 0.0, False, False, _things("wings bonnet bulkhead member")),
    "boat": Lie("boat, on beds", 0.0, False, False, _things("bonnet bulkhead"), boat=True),
    "aircraft": Lie("aircraft, propeller ahead", pi, True, False, _things("bonnet bulkhead")),
    "tractor": Lie("tractor or frame", 0.0, True, True, _things("bonnet bulkhead tunnel stack member steering")),
}


@dataclass(frozen=True)
class InstallationFacts:
    """Room and heights; SI."""

    depth_available: Value | None = quantity(
        "Room ahead of the pulley",
        "length",
        0.0,
        3.0,
        group="Room",
        help="From where the foremost cooler or core stands to the first moving thing; from the core's own face where the "
        "room ahead of it is given apart.",
        also=ASHORE,
    )
    depth_ahead: Value | None = quantity(
        "Room ahead of the core",
        "length",
        0.0,
        3.0,
        group="Room",
        help="For condenser, coolers and a pushing fan; where it is counted apart.",
        also=ASHORE,
    )
    opening_width: Value | None = quantity("Opening width", "length", 0.05, 4.0, group="Room", also=ASHORE)
    opening_height: Value | None = quantity("Opening height", "length", 0.05, 3.0, group="Room", also=ASHORE)
    lie: str = choice("Engine lies", {k: v.label for k, v in LIES.items()}, group="Lie")
    engine_yaw: Value | None = quantity(
        "Engine turned", "angle", -3.2, 3.2, group="Lie", help="0 lengthwise, 90 transverse, 180 rear-facing."
    )
    engine_pitch: Value | None = quantity(
        "Tilted back, front up",
        "angle",
        -0.6,
        0.6,
        group="Lie",
        help="`4 deg back` or `4 deg forward`, by the engine's own front.",
    )
    engine_roll: Value | None = quantity(
        "Tilted right, left side up",
        "angle",
        -1.2,
        1.2,
        group="Lie",
        help="`12 deg right` or `12 deg left`, seen from the flywheel.",
    )
    pan_ground: Value | None = quantity(
        "Pan over the ground",
        "height",
        -0.2,
        2.0,
        group="Under the pan",
        help="Lowest point, loaded, wheels on the ground.",
    )
    ground_needed: Value | None = quantity(
        "Clearance wanted", "height", 0.01, 1.0, group="Under the pan", spread="exact"
    )
    pan_crossmember: Value | None = quantity(
        "Pan to crossmember", "height", -0.2, 1.0, group="Under the pan", also=ASHORE
    )
    pan_steering: Value | None = quantity("Pan to steering", "height", -0.2, 1.0, group="Under the pan", also=ASHORE)
    exhaust_ground: Value | None = quantity(
        "Exhaust over the ground", "height", -0.2, 2.0, group="Round the exhaust", also=ASHORE
    )
    exhaust_loom: Value | None = quantity("Exhaust to loom and hoses", "height", 0.0, 2.0, group="Round the exhaust")
    exhaust_fuel: Value | None = quantity("Exhaust to fuel parts", "height", 0.0, 2.0, group="Round the exhaust")


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "depth_available": Way(
        "above", "Front of the foremost cooler's seat to the nearest pulley or belt, square across."
    ),
    "depth_ahead": Way("above", "Front panel or grille to the core's front face, square across."),
    "opening_width": Way("above", "Inside the frame, at its narrowest."),
    "opening_height": Way("above", "Inside the frame, at its lowest."),
    "engine_pitch": Way("stand", "An inclinometer on the carburettor or intake flange, as installed."),
    "engine_roll": Way("stand", "An inclinometer across the rocker cover's rail, as installed."),
    "engine_yaw": Way("above", "A straight edge along the crank's axis against the frame."),
    "pan_ground": Way("under", "Floor to the pan's lowest point, loaded, wheels down."),
    "pan_crossmember": Way("under", "Feelers or stacked drill shanks at the tightest place."),
    "pan_steering": Way("under", "At the tightest place, wheels turned from lock to lock."),
    "exhaust_ground": Way("under", "Floor to the exhaust's lowest point, loaded."),
    "exhaust_loom": Way("under", "At the tightest place."),
    "exhaust_fuel": Way("under", "At the tightest place."),
}


# Ground clearance wanted by kind of machine [m] (common practice).
GROUND = {"off_road": 0.20, "truck": 0.18, "tractor": 0.30, "hillclimb": 0.06, "aircraft": 0.20}
GROUND_USUAL = 0.12


def _lie_by_rule(machine: Mapping[str, Any], yaw: float | None) -> str:
    """How engines lie in such a machine, by how this one is turned where that is stated."""
    kind = machine.get("kind")
    if kind in ("boat", "tractor", "aircraft"):
        return str(kind)
    usual = "mid" if kind == "hillclimb" else "front_long"
    if yaw is None:
        return usual
    return "front_trans" if abs(np.sin(yaw)) > 0.7 else "rear" if np.cos(yaw) < -0.7 else usual


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """How the engine lies and the clearance wanted; room itself is measured, never supplied."""
    rules: dict[str, Rule] = {}
    kind = context.get("machine", {}).get("kind")
    lie = given.get("lie") or _lie_by_rule(context.get("machine", {}), given.get("engine_yaw"))
    if given.get("lie") is None:
        rules["lie"] = Rule(lie, "usual for the machine")
    if given.get("engine_yaw") is None:
        # That it lies so is what the choice says; what it is off by is for the tape.
        rules["engine_yaw"] = Rule(LIES[lie].yaw, f"as engines lie: {LIES[lie].label}", exact=True)
    for name, value, note in (
        ("engine_pitch", 0.0, "level"),
        ("engine_roll", 0.0, "upright"),
        ("ground_needed", GROUND.get(str(kind), GROUND_USUAL), "usual for the machine"),
    ):
        if given.get(name) is None:
            rules[name] = Rule(value, note)
    return rules
