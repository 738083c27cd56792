"""What is stated of what protects engine and people: lean guard, cut-offs, gaps, stop device, water, bowl."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Way, choice, quantity
from gauge_well.core.systems.fuel.facts_supply import ELECTRIC
from gauge_well.core.typing import Value

GUARDS: Mapping[str, str] = {
    "none": "none",
    "lamp": "lamp or buzzer",
    "cuts": "cuts boost or ignition",
}
MECHANICAL = ("injection", ("mechanical",))
BOWL = ("injection", ("carburettor",))


@dataclass(frozen=True)
class Stop:
    """A way of stopping a diesel: whether it stops by itself when power fails."""

    label: str
    safe: bool


STOPS: Mapping[str, Stop] = {
    "cable": Stop("cable pulled by hand", False),
    "run": Stop("solenoid held on to run", True),
    "stop": Stop("solenoid powered to stop", False),
}


@dataclass(frozen=True)
class GuardFacts:
    """Guards, gaps and bowl; SI."""

    lean_guard: str | None = choice(
        "Falling rail pressure", GUARDS, group="Guards", when=("injection", ("port", "direct"))
    )
    lean_limit: Value = quantity(
        "Leaner at full load by at most",
        "share",
        0.01,
        0.25,
        group="Guards",
        help="Than the mixture it is set up with.",
        spread="exact",
        when=("injection", ("port", "direct")),
    )
    cut_stopped: str | None = choice("Pump stops with the engine", YES_NO, group="Guards", when=ELECTRIC)
    cut_oil: str | None = choice("Pump stops on lost oil pressure", YES_NO, group="Guards", when=ELECTRIC)
    cut_impact: str | None = choice("Pump stops on impact", YES_NO, group="Guards", when=ELECTRIC)
    battery_gap: Value | None = quantity("Battery to fuel parts", "height", 0.0, 5.0, group="Guards")
    stop_device: str | None = choice(
        "Stopped by", {k: v.label for k, v in STOPS.items()}, group="Diesel", when=MECHANICAL
    )
    water_bowl: str | None = choice(
        "Water bowl", YES_NO, group="Diesel", when=("injection", ("mechanical", "common_rail"))
    )
    bowl_volume: Value | None = quantity("Bowls hold, together", "volume", 5e-6, 2e-3, group="Carburettor", when=BOWL)
    needle_bore: Value = quantity(
        "Float valve's seat",
        "length",
        5e-4,
        8e-3,
        group="Carburettor",
        help="All of them as one bore.",
        spread="gauge",
        when=BOWL,
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "battery_gap": Way("above", "From the battery's nearest terminal to the nearest fuel part."),
    "bowl_volume": Way("hand", "Fill the bowl to its level from a measuring glass."),
    "needle_bore": Way("hand", "Drill shank that just enters the seat; stamped on many."),
}
