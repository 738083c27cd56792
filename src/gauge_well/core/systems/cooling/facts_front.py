"""What is stated of the coolers that stand in front of the core."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import YES_NO, Way, choice, fact, quantity, role
from gauge_well.core.parts.core import CORE, CoreFacts
from gauge_well.core.typing import Value

SIZES = ("width", "height", "depth")


@dataclass(frozen=True)
class FrontFacts:
    """Condenser, charge cooler and oil cooler ahead of the core, and the gaps. SI."""

    condenser_front: str = choice("Condenser in front", YES_NO, group="In front", also=ASHORE)
    condenser: CoreFacts = role(
        CORE,
        "Condenser",
        row="core_fan",
        group="In front",
        asks=("depth",),
        labels={"depth": "Condenser depth"},
        limits={"depth": (0.008, 0.1)},
        when=("condenser_front", ("yes",)),
        needs=(),
        also=ASHORE,
    )
    charge_front: str = choice("Charge cooler in front", YES_NO, group="In front", also=ASHORE)
    charge_cooler: CoreFacts = role(
        CORE,
        "Charge cooler",
        row="core_fan",
        group="In front",
        asks=SIZES,
        labels={size: f"Charge cooler {size}" for size in SIZES},
        limits={"width": (0.05, 3.0), "height": (0.03, 2.5), "depth": (0.015, 0.3)},
        when=("charge_front", ("yes",)),
        also=ASHORE,
    )
    oil_front: str = choice("Oil cooler in front", YES_NO, group="In front", also=ASHORE)
    oil_cooler: CoreFacts = role(
        CORE,
        "Oil cooler",
        row="core_fan",
        group="In front",
        asks=SIZES,
        labels={size: f"Oil cooler {size}" for size in SIZES},
        limits={"width": (0.05, 2.0), "height": (0.03, 2.0), "depth": (0.015, 0.2)},
        when=("oil_front", ("yes",)),
        also=ASHORE,
    )
    front_gap: Value = quantity("Gap between cores", "length", 0.0, 0.3, group="In front", also=ASHORE)


WAYS: Mapping[str, Way] = {
    "charge_cooler.height": Way("hand", "Tape up the finned part."),
    "charge_cooler.depth": Way("hand", "Calliper or a ruler through the edge."),
    "oil_cooler.height": Way("hand", "Tape up the finned part."),
    "oil_cooler.depth": Way("hand", "Calliper or a ruler through the edge."),
    "front_gap": Way("above", "Stacked drill shanks between the cores."),
}


def missing(facts: FrontFacts) -> tuple[str, ...]:
    """Sizes that a cooler said to stand in front still lacks."""
    names = [
        f"{which}_cooler.{size}"
        for which in ("charge", "oil")
        if fact(facts, f"{which}_front") == "yes"
        for size in SIZES
    ]
    return tuple(name for name in names if fact(facts, name) is None)
