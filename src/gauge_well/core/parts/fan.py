"""A fan: its size, its curve, its shroud, what drives it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, table
from gauge_well.core.typing import Value

FAN_KINDS: Mapping[str, str] = {
    "puller": "electric, pulling",
    "pusher": "electric, pushing",
    "belt": "driven by the engine",
    "none": "no fan",
}

CLUTCHES: Mapping[str, str] = {"none": "none: always with the engine", "viscous": "viscous, comes in hot"}

SHROUDS: Mapping[str, str] = {"full": "full shroud", "flaps": "full shroud with flaps", "none": "no shroud"}

RATINGS: Mapping[str, str] = {"advertised": "advertised", "rig": "measured on a rig"}


# Drives that take current.
ELECTRIC = ("puller", "pusher")


@dataclass(frozen=True)
class FanFacts:
    """Fan, its curve and what drives it. SI."""

    drive: str | None = choice("Fan", FAN_KINDS, needed=True, group="Fan")
    diameter: Value | None = quantity(
        "Fan diameter",
        "length",
        0.12,
        1.2,
        needed=True,
        group="Fan",
        count_field="count",
        when=("drive", (*ELECTRIC, "belt")),
    )
    count: Value = quantity("How many", "count", 1, 6, group="Fan", spread="exact", when=("drive", ELECTRIC))
    flow: Value | None = quantity(
        "Free air, each",
        "air_flow",
        0.02,
        8.0,
        group="Fan",
        help="With nothing in front of it.",
        count_field="count",
        when=("drive", (*ELECTRIC, "belt")),
    )
    rating: str = choice("That figure is", RATINGS, group="Fan", when=("drive", (*ELECTRIC, "belt")))
    pressure: Value | None = quantity(
        "Shut-off pressure",
        "pressure_small",
        20.0,
        2000.0,
        group="Fan",
        when=("drive", (*ELECTRIC, "belt")),
    )
    table: tuple[tuple[float, ...], ...] | None = table(
        "Fan's curve, each",
        (("flow", "air_flow"), ("pressure", "pressure_small")),
        group="Fan",
        help="From shut off to free air, one point a line: `0 m3/s, 260 Pa`. In place of the two figures.",
        when=("drive", (*ELECTRIC, "belt")),
    )
    power: Value | None = quantity(
        "Draws, each",
        "power",
        5.0,
        20e3,
        group="Fan",
        help="On its plate: volts times amps.",
        when=("drive", ELECTRIC),
    )
    speed: Value | None = quantity(
        "Those figures at",
        "speed_rpm",
        200.0,
        6000.0,
        group="Fan",
        spread="exact",
        help="Of a fan the engine drives.",
        when=("drive", ("belt",)),
    )
    ratio: Value | None = quantity(
        "Fan turns over crank turns",
        "ratio",
        0.3,
        4.0,
        group="Fan",
        help="Crank pulley over fan pulley, diameters.",
        when=("drive", ("belt",)),
    )
    clutch: str | None = choice("Clutch", CLUTCHES, group="Fan", when=("drive", ("belt",)))
    clutch_limit: Value | None = quantity(
        "Clutch holds it to", "speed_rpm", 500.0, 6000.0, group="Fan", when=("drive", ("belt",))
    )
    depth: Value | None = quantity("Fan depth", "length", 0.01, 0.5, group="Fan", when=("drive", (*ELECTRIC, "belt")))
    shroud: str = choice("Shroud", SHROUDS, group="Fan", when=("drive", (*ELECTRIC, "belt")))


WAYS: Mapping[str, Way] = {
    "diameter": Way("hand", "Tip to tip across the blades."),
    "flow": Way("running", "A vane meter behind the fan at nine places, times the area."),
    "pressure": Way("hand", "Board over the face, a water tube behind it, fan on."),
    "power": Way("running", "A clamp meter on its lead: amps x volts."),
    "ratio": Way("stand", "Calliper both pulleys: crank over fan."),
    "clutch_limit": Way("running", "A strobe or an optical counter on a blade, engine hot and fast."),
    "depth": Way("hand", "Frame to the motor's end."),
}

FAN = Kind("fan", "Fan", FanFacts, WAYS)
