"""A pulley in a belt's way: where it lies, which side of the belt it feels, what it takes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class What:
    """Something a belt turns.

    ``most``: fastest it may turn [rev/min]; ``wrap`` wished [deg]; what spins with it: ``rotor`` [kg] and the radius at which
    that counts [m] (all common practice).
    """

    label: str
    most: float
    wrap: float
    rotor: float = 0.3
    radius: float = 0.025


WHATS: Mapping[str, What] = {
    "crank": What("crank", 25000.0, 120.0),
    "alternator": What("alternator", 18000.0, 120.0, 2.5, 0.035),
    "water_pump": What("water pump", 7500.0, 90.0, 0.6, 0.03),
    "steering": What("steering pump", 7000.0, 90.0, 0.5, 0.025),
    "aircon": What("air-conditioning compressor", 9000.0, 120.0, 2.0, 0.035),
    "fan": What("fan", 5000.0, 100.0, 1.5, 0.12),
    "blower": What("supercharger", 16000.0, 150.0, 3.0, 0.04),
    "other": What("other accessory", 9000.0, 90.0, 1.0, 0.03),
    "idler": What("idler", 12000.0, 30.0),
    "tensioner": What("tensioner", 12000.0, 60.0),
}
FREE = ("idler", "tensioner")
SIDES: Mapping[str, str] = {"grooved": "its grooved side", "back": "its back"}
BELTS: Mapping[str, str] = {"first": "the belt", "second": "the second belt", "third": "the third belt"}
OFF_CRANK = ("what", tuple(k for k in WHATS if k != "crank"))
DRIVEN = ("what", tuple(k for k in WHATS if k not in ("crank", *FREE)))
ARM = ("what", ("tensioner",))


@dataclass(frozen=True)
class PulleyFacts:
    """Centre by two tapes from the crank's, diameter, side, power; a tensioner's arm. SI; seen from the front."""

    what: str | None = choice("Pulley of", {k: v.label for k, v in WHATS.items()}, needed=True, group="Pulley")
    right: Value | None = quantity(
        "Right of the crank", "length", -2.0, 2.0, needed=True, group="Pulley", when=OFF_CRANK,
        help="Seen from the front; left negative.",
    )  # fmt: skip
    up: Value | None = quantity(
        "Over the crank", "length", -2.0, 2.0, needed=True, group="Pulley", when=OFF_CRANK, help="Under it negative."
    )
    diameter: Value | None = quantity(
        "Diameter", "length", 0.03, 0.6, needed=True, group="Pulley", spread="gauge",
        help="Grooved: over the tips of its ribs, a vee pulley over its rim. Flat: outside.",
    )  # fmt: skip
    side: str = choice("The belt runs on it with", SIDES, group="Pulley")
    on: str = choice("Runs on", BELTS, group="Pulley")
    power: Value | None = quantity("Takes at rated speed", "power", 0.0, 200e3, group="Pulley", when=DRIVEN)
    most: Value = quantity("May turn", "speed_rpm", 1000.0, 60e3, group="Pulley", spread="exact", when=OFF_CRANK)
    bracket: Value | None = quantity(
        "Its bracket bears, at the pulley", "force", 10.0, 50e3, group="Pulley", when=DRIVEN,
        help="Of a maker's, as it was; of one's own by Mounts' working of a bracket so far out.",
    )  # fmt: skip
    rotor: Value = quantity("What spins with it weighs", "mass", 0.02, 60.0, group="Pulley", when=DRIVEN)
    offset: Value | None = quantity(
        "Ahead of the crank's line", "size", -0.1, 0.1, group="Pulley", spread="gauge", when=OFF_CRANK
    )
    pivot_right: Value | None = quantity(
        "Arm's pivot, right of the crank", "length", -2.0, 2.0, group="Pulley", when=ARM
    )
    pivot_up: Value | None = quantity("Arm's pivot, over the crank", "length", -2.0, 2.0, group="Pulley", when=ARM)
    spring: Value | None = quantity("Arm's spring", "torque", 0.5, 200.0, group="Pulley", when=ARM)
    travel: Value = quantity("Arm swings, stop to stop", "angle", 0.02, 2.0, group="Pulley", when=ARM)


FROM = "Two tapes from the crank's centre: across and up, a straight edge on the crank's face."
WAYS: Mapping[str, Way] = {
    "right": Way("above", FROM),
    "up": Way("above", FROM),
    "diameter": Way("hand", "Calliper over the ribs, or over the flat."),
    "side": Way("above", "Its ribs or its smooth back lie on the pulley."),
    "power": Way("papers", "Its maker's sheet; an alternator's amps x 14 / 0.55."),
    "most": Way("papers", "Its maker's sheet."),
    "bracket": Way("papers", "By the working of a bracket under Mounts, its arm out to the pulley."),
    "rotor": Way("papers", "Its maker's sheet, or a guess by its size."),
    "offset": Way("above", "A straight edge on the crank pulley's face, a rule to this one's."),
    "pivot_right": Way("above", FROM),
    "pivot_up": Way("above", FROM),
    "spring": Way("hand", "A torque wrench on its square, half way through its travel."),
    "travel": Way("hand", "An inclinometer on the arm, stop to stop."),
}

PULLEY = Kind("pulley", "Pulley", PulleyFacts, WAYS)
