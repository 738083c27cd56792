"""Routes: every hose, pipe, cable and wire with its way through the machine, and every joint with what goes in it."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import BOUNCE, ROCK, declared
from gauge_well.core.systems.base import Caution, RowName, System
from gauge_well.core.systems.routes import facts, refusals, remedies, rules
from gauge_well.core.systems.routes.judge import solve
from gauge_well.core.systems.routes.views import VIEWS

PARTS = {"routes": RowName("Routes", many=True), "joints": RowName("Joints", many=True)}
CAUTIONS = (
    Caution("look_round", facts.LANES, "Before the engine is seated: a look round for every wire, hose and hand that could be trapped."),
    Caution("brakes", facts.LANES, "Brake pipes that are moved are made, joined and inspected by people licensed to do so."),
)  # fmt: skip


def applies(machine: MachineFacts) -> str | None:
    """Every machine has runs to lay."""
    return None


DECLARES = declared(takes=f"{ROCK} {BOUNCE}")
SYSTEM: System = System(
    id="routes",
    title="Routes",
    facts=facts.RoutesFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=13,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    sees_laid=True,
)

__all__ = ["SYSTEM"]
