"""What is stated of the coolers that stand in front of the core."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.facts import YES_NO, Way, choice, quantity
from gauge_well.core.typing import Value

CONDENSER_DEPTH, GAP = 0.020, 0.010


@dataclass(frozen=True)
class FrontFacts:
    """Condenser, charge cooler and oil cooler ahead of the core, and the gaps. SI."""

    condenser: str | None = choice("Condenser in front", YES_NO, group="In front")
    condenser_depth: Value | None = quantity(
        "Condenser depth", "length", 0.008, 0.1, group="In front", when=("condenser", ("yes",))
    )
    charge_front: str | None = choice("Charge cooler in front", YES_NO, group="In front")
    charge_width: Value | None = quantity(
        "Charge cooler width",
        "length",
        0.05,
        3.0,
        part="charge_cooler",
        group="In front",
        help="Finned part only.",
        when=("charge_front", ("yes",)),
    )
    charge_height: Value | None = quantity(
        "Charge cooler height",
        "length",
        0.03,
        2.5,
        part="charge_cooler",
        group="In front",
        when=("charge_front", ("yes",)),
    )
    charge_depth: Value | None = quantity(
        "Charge cooler depth",
        "length",
        0.015,
        0.3,
        part="charge_cooler",
        group="In front",
        when=("charge_front", ("yes",)),
    )
    oil_front: str | None = choice("Oil cooler in front", YES_NO, group="In front")
    oil_width: Value | None = quantity(
        "Oil cooler width",
        "length",
        0.05,
        2.0,
        part="oil_cooler",
        group="In front",
        help="Finned part only.",
        when=("oil_front", ("yes",)),
    )
    oil_height: Value | None = quantity(
        "Oil cooler height", "length", 0.03, 2.0, part="oil_cooler", group="In front", when=("oil_front", ("yes",))
    )
    oil_depth: Value | None = quantity(
        "Oil cooler depth", "length", 0.015, 0.2, part="oil_cooler", group="In front", when=("oil_front", ("yes",))
    )
    front_gap: Value | None = quantity("Gap between cores", "length", 0.0, 0.3, group="In front")


WAYS: Mapping[str, Way] = {
    "condenser_depth": Way("hand", "Calliper or a ruler through the edge: finned part only."),
    "charge_width": Way("hand", "Tape across the finned part, not the tanks."),
    "charge_height": Way("hand", "Tape up the finned part."),
    "charge_depth": Way("hand", "Calliper or a ruler through the edge."),
    "oil_width": Way("hand", "Tape across the finned part, not the tanks."),
    "oil_height": Way("hand", "Tape up the finned part."),
    "oil_depth": Way("hand", "Calliper or a ruler through the edge."),
    "front_gap": Way("above", "Stacked drill shanks between the cores."),
}


def missing(facts: FrontFacts) -> tuple[str, ...]:
    """Sizes that a cooler said to stand in front still lacks."""
    names = [
        f"{which}_{size}"
        for which in ("charge", "oil")
        if getattr(facts, f"{which}_front") == "yes"
        for size in ("width", "height", "depth")
    ]
    return tuple(name for name in names if getattr(facts, name) is None)


def fill_front(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]], rule: Callable[..., None]) -> None:
    """Nothing in front unless stated, but the condenser of air conditioning that a duty runs; usual gaps."""
    cooled = any(
        name.endswith(".air_conditioning") and value == "yes" for name, value in context.get("duties", {}).items()
    )
    if cooled:
        rule("condenser", "yes", "a duty runs the air conditioning: its condenser stands before the core")
    else:
        rule("condenser", "no", "none stated")
    rule("condenser_depth", CONDENSER_DEPTH, "a usual condenser")
    rule("charge_front", "no", "none stated")
    rule("oil_front", "no", "none stated")
    rule("front_gap", GAP, "usual")
