"""Belts: their way round the engine's front, what they carry, what to buy, whether they slip."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import BONNET_OVER, BUMP, CHARGE, PULLEY_OVER, declared
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.belts import facts, refusals, remedies, rules
from gauge_well.core.systems.belts.judge import solve
from gauge_well.core.systems.belts.views import VIEWS

PARTS = {"first": RowName("Belt"), "second": RowName("Second belt"), "third": RowName("Third belt")}
COMPARE = Compare(
    ("first",),
    (
        Compared("slip_margin", "Grip over need", "ratio", True),
        Compared("hub_load_n", "Most on a hub", "force", False),
        Compared("belt_speed_m_s", "Runs", "speed_m_s", False),
        Compared("span_frequency_hz", "Longest span sounds", "frequency", True),
    ),
)
CAUTIONS = (
    Caution(
        "key_out", "Pulley", "Key out and in a pocket before a hand goes near a belt; an electric fan starts by itself."
    ),
    Caution("guard", "Belt", "A belt in reach gets a guard; no sleeve, no ring, no rag near one that runs."),
)


def applies(machine: MachineFacts) -> str | None:
    """Every engine may drive something by belt."""
    return None


DECLARES = declared(
    takes=f"{PULLEY_OVER} {BONNET_OVER} {BUMP} {CHARGE}",
    machine="electrical_load",
    engine="cylinders cycle idle_speed limit_speed rated_speed rated_power displacement",
    installation="ground_needed",
)
SYSTEM: System = System(
    id="belts",
    title="Belts",
    facts=facts.BeltsFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=11,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
)

__all__ = ["SYSTEM"]
