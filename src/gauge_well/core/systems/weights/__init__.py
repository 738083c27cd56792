"""Weights: what comes out and goes in, what stands on the axles, how it is lifted."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import (
    AXLE_FRONT,
    AXLE_REAR,
    BELL_AHEAD,
    BELL_OVER,
    HOOK_AHEAD,
    HOOK_OVER,
    UNIT,
    WHEELBASE,
    declared,
    hand,
)
from gauge_well.core.systems.base import Caution, RowName, System
from gauge_well.core.systems.weights import facts, refusals, remedies, rules
from gauge_well.core.systems.weights.judge import hangs, solve, stands
from gauge_well.core.systems.weights.views import VIEWS

PARTS = {"axles": RowName("Axles", many=True), "lifting": RowName("Lifting gear")}
CAUTIONS = (
    Caution(
        "hanging",
        facts.LIFT,
        "Nobody under a hanging engine, no hand between it and the machine. Rated shackles, eyes on bolts of grade 8.8 "
        "screwed in two diameters; straps off sharp edges.",
    ),
    Caution(
        "hoist",
        "Hoist",
        "Go by the plate at the hole in use, legs under the load, floor level; never move it with the load up high.",
    ),
    Caution(
        "stands",
        facts.STAND,
        "Rated stands on firm ground before anything comes out: with the engine out the light end tips up.",
    ),
    Caution(
        "plates",
        facts.PLATES,
        "An axle's plate is a limit of law and of tyres, hubs and brakes: what lies over it needs approval.",
    ),
    Caution(
        "aircraft",
        facts.PAPERS,
        "Advisory arithmetic only: the airworthiness authority and licensed people decide on weight, balance and any change.",
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Weights are judged on every machine."""
    return None


FITTED = f"{BELL_AHEAD} {BELL_OVER} {WHEELBASE}"
DECLARES = declared(
    takes=FITTED,
    hands=(
        hand(hangs, gives=f"{UNIT} {HOOK_AHEAD} {HOOK_OVER}"),
        hand(stands, gives=f"{AXLE_FRONT} {AXLE_REAR}", takes=FITTED),
    ),
    engine="dry_mass",
    machine="kind mass",
    installation="lie engine_yaw engine_pitch engine_roll",
)
SYSTEM: System = System(
    id="weights",
    title="Weights",
    facts=facts.WeightsFacts,
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
)

__all__ = ["SYSTEM"]
