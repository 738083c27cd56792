"""Exhaust: back pressure, temperature, clearance, pipe by pipe from flange to tip."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.reads import declared
from gauge_well.core.systems.base import Beside, Caution, Context, Need, Result, System, gives_nothing
from gauge_well.core.systems.exhaust import checks, facts, model, need, ranges, remedies, working
from gauge_well.core.systems.exhaust.views import VIEWS
from gauge_well.core.typing import Array

PARTS = {"pipe": "Exhaust pipe", "room": "Room round the exhaust"}
CAUTIONS = (
    Caution(
        "carbon_monoxide",
        "Pipe",
        "Exhaust gas kills without a smell. Run the engine outdoors; mend every leak ahead of and under the cabin.",
    ),
    Caution(
        "hot_pipe",
        "Heat",
        "Pipes stay hot for half an hour. Keep looms, hoses and fuel away by the gaps given, or shield them.",
    ),
    Caution("noise_and_emission", "Limit", "Local rules decide on noise, catalysts and type approval."),
)


def applies(machine: MachineFacts) -> str | None:
    """Why the exhaust is not judged here, or None."""
    if machine.kind == "boat":
        return "wet exhausts are not worked out yet"
    return None


def solve(context: Context, given: facts.ExhaustFacts) -> Result:
    """Solve the exhaust for the context's duties; a missing pipe leaves its check unknown."""
    gates: list[Check] = checks.room_checks(context, given)

    def needs() -> Sequence[Need]:
        return need.needs(context, given)

    try:
        segments = model.segments_of(given)
    except MissingFact as error:
        names = ("pipe.diameter", "pipe.length")
        missing = tuple(f"exhaust.{n}" for n in names if fact(given, n) is None) or (error.field,)
        return Result(
            checks=lambda mean, peak: gates,
            unknown=[Unknown("back_pressure", "Back pressure", "pipe", missing)],
            figures=dict,
            needs=needs,
            notices=list,
            working=lambda index: [],
        )
    base = model.march(context, given, segments, context.peak)

    @cache
    def gain() -> Array:
        """What the next size of tube gives back [W]."""
        next_size = model.march(context, given, model.wider(segments), context.peak)
        costs = [
            model.power_cost(context.engine, m.back_pressure, context.peak.power)[..., :1] for m in (base, next_size)
        ]
        return np.asarray(costs[0] - costs[1])

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        if peak is not context.peak:
            # What only costs has no reach.
            return [*gates, *checks.pressure_checks(context, given, model.march(context, given, segments, peak), peak)]
        return [
            *gates,
            *checks.pressure_checks(context, given, base, peak),
            checks.cost_check(context, given, base, peak, gain),
        ]

    return Result(
        checks=judge,
        unknown=[],
        figures=lambda: _figures(context, segments, base, gain()),
        needs=needs,
        notices=lambda: list(checks.notices(context, given, base)),
        working=lambda index: working.steps(context, given, base, index),
        beside=lambda: _beside(context, segments, base),
        looks=lambda: ranges.looks(given, base),
    )


def _beside(context: Context, segments: Sequence[model.Segment], base: model.Marched) -> Sequence[Beside]:
    """Weight of plain tube; power lost to back pressure in the worst duty."""
    cost = float(model.power_cost(context.engine, base.back_pressure, context.peak.power)[..., 0].max())
    return (
        Beside("power_cost", "back pressure costs", cost, "power"),
        Beside("pipe_mass", "tube's weight", model.weight(segments), "mass"),
    )


def _figures(context: Context, segments: Sequence[model.Segment], base: model.Marched, gain: Array) -> dict[str, Array]:
    lost = model.power_cost(context.engine, base.back_pressure, context.peak.power)
    figures: dict[str, Array] = {
        "exhaust_back_pressure_pa": base.back_pressure,
        "exhaust_velocity_max_m_s": base.speed,
        "exhaust_mach_max": base.mach,
        "exhaust_tip_k": base.tip,
        "pipe_surface_max_k": base.surface,
        "back_pressure_cost_w": lost,
        "back_pressure_cost_share": lost / np.maximum(context.peak.power, 1.0),
        "next_size_gain_w": gain,
        "exhaust_mass_kg": np.asarray(model.weight(segments)),
        "choking_share": base.choking,
        "primary_length_m": model.primary_length(context.engine.rated_speed),
    }
    if context.installation.exhaust_ground is not None:
        figures["ground_clearance_m"] = np.asarray(context.installation.exhaust_ground, dtype=float)
    return figures


DECLARES = declared(
    engine="wastegate", machine="kind", installation="exhaust_ground ground_needed exhaust_loom exhaust_fuel"
)
SYSTEM: System = System(
    id="exhaust",
    title="Exhaust",
    facts=facts.ExhaustFacts,
    fill=facts.fill,
    parts=PARTS,
    applies=applies,
    refuse=facts.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    gives=gives_nothing,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
)

__all__ = ["SYSTEM"]
