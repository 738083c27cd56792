"""A bilge pump and its hose."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.flow.pipe import pressure_drop
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.seawater import DENSITY, VISCOSITY
from gauge_well.core.roots import find_root
from gauge_well.core.typing import Array, Value, as_array

SWITCHES: Mapping[str, str] = {
    "automatic": "automatic, by a float",
    "hand_switch": "electric, switched by hand",
    "engine": "the engine's own raw-water pump, by a valve",
    "hand": "worked by hand",
}
HEAD = 3.5  # m at which a usual small one moves nothing (common practice)
FITTINGS = 6.0  # K of its valve, bends and skin fitting (common practice)
CORRUGATED = 4e-4  # m of the usual ribbed hose, smoothed (common practice)


@dataclass(frozen=True)
class BilgePumpFacts:
    """What it moves free and how high, its hose. SI."""

    worked: str = choice("Bilge pump is", SWITCHES, group="Bilge")
    flow: Value | None = quantity(
        "It moves, free", "flow", 5e-5, 0.1, needed=True, group="Bilge", help="Its name usually: at no lift."
    )
    head: Value = quantity("and nothing at a lift of", "height", 0.5, 30.0, group="Bilge", follows="flow")
    bore: Value | None = quantity("Its hose, inside", "length", 0.01, 0.12, needed=True, group="Bilge", spread="gauge")
    length: Value | None = quantity("Its hose's run", "length", 0.1, 30.0, needed=True, group="Bilge")
    lift: Value | None = quantity(
        "lifts to its highest place", "height", 0.1, 6.0, needed=True, group="Bilge", help="From the bilge."
    )


WAYS: Mapping[str, Way] = {
    "flow": Way("papers", "On its label, at no lift."),
    "head": Way("papers", "Its curve's end."),
    "bore": Way("hand", "Calliper in a cut end."),
    "length": Way("under", "A string along the run."),
    "lift": Way("under", "Bilge to the hose's highest place."),
}


def delivers(facts: BilgePumpFacts, where: str) -> Array:
    """What it moves through its own hose [m3/s]: its curve straight from free to shut off, against lift and friction.

    MissingFact names what is absent.
    """
    for name in ("flow", "bore", "length", "lift"):
        if getattr(facts, name) is None:
            raise MissingFact(f"{where}.{name}")
    free, bore, length, lift = (as_array(getattr(facts, n)) for n in ("flow", "bore", "length", "lift"))
    head = DENSITY * GRAVITY * as_array(facts.head)

    def surplus(q: Array) -> Array:
        line = pressure_drop(q, bore, length, DENSITY, VISCOSITY, FITTINGS, CORRUGATED)
        return np.asarray(head * (1.0 - q / free) - DENSITY * GRAVITY * lift - line)

    # Where it cannot lift so high the finder answers with the nearer end: nothing.
    return find_root(surplus, np.zeros(np.broadcast_shapes(free.shape, lift.shape, bore.shape)), free, tolerance=1e-9)


BILGE_PUMP = Kind("bilge_pump", "Bilge pump", BilgePumpFacts, WAYS)
