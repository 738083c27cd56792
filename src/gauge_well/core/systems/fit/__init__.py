"""Fit: where everything lies, what it keeps clear of, in every position."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import BELL, BONNET_OVER, BUMP, MOTION, PULLEY_OVER, ROOMS, WHEELBASE, declared, hand
from gauge_well.core.systems.base import Caution, RowName, System
from gauge_well.core.systems.fit import facts, refusals, remedies, rules
from gauge_well.core.systems.fit.judge import solve
from gauge_well.core.systems.fit.rooms import bell, rooms
from gauge_well.core.systems.fit.views import SEEKS, VIEWS

PARTS = {"place": RowName("Engine in its place")}
CAUTIONS = (
    Caution(
        "hanging_unit",
        "Where the engine lies",
        "No hand in the bay while the engine hangs from a hook: set it on mounts or rated stands first.",
    ),
    Caution(
        "structure",
        "Under the machine",
        "A notched crossmember, a cut tunnel or a moved steering column is structure: have it inspected by someone "
        "qualified, and follow local rules.",
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Fit is judged on every machine."""
    return None


DECLARES = declared(
    takes=MOTION,
    hands=(
        hand(rooms, gives=" ".join(ROOMS.values()), takes=MOTION),
        hand(bell, gives=f"{BELL} {WHEELBASE} {BUMP} {PULLEY_OVER} {BONNET_OVER}"),
    ),
    installation="lie engine_yaw engine_pitch engine_roll ground_needed",
)
SYSTEM: System = System(
    id="fit",
    title="Fit",
    facts=facts.FitFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=9,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    seeks=SEEKS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
)

__all__ = ["SYSTEM"]
