"""The exhaust's demands against its capacities."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_gate, hot_gate, power_cost, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import costs, warmth
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.ground import Ground
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import Array, duty_values, likely

# Gaps kept [m]: bare, shielded (common practice).
TO_LOOM = {False: 0.075, True: 0.025}
TO_FUEL = warmth.FUEL_GAP


def pressure_checks(context: Context, facts: ExhaustFacts, found: Marched, op: Operation) -> list[Check]:
    """Back pressure against the maker's figure, or against where no exhaust serves; gas against the speed of sound."""
    limit, makers = costs.limit_of(context.engine, facts)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        words = "{back} at the flange; the maker allows {limit}."
        if not makers:
            words = "{back} at the flange: no limit, only a cost, up to {limit}."
        over = words if makers else "{back} at the flange; past {limit} no exhaust serves, whatever the maker allows."
        return tuple(
            Sentence(
                over if back > limit else words,
                {"back": (back, "pressure_difference"), "limit": (limit, "pressure_difference")},
            )
            for back in duty_values(found.back_pressure, count)
        )

    def chokes() -> Sequence[Sentence]:
        powers = duty_values(op.power, count)
        return tuple(
            Sentence(
                "The gas chokes in the pipe from about {at}: no more flows, whatever the pressure."
                if share > 1.0
                else "Gas runs at {share} of the flow at which it chokes.",
                {"share": (share, "share"), "at": (power / max(share, 1e-3), "power")},
            )
            for share, power in zip(duty_values(found.choking, count), powers, strict=True)
        )

    return [
        Check(
            id="back_pressure",
            name="Back pressure",
            part="pipe",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="pressure_difference",
            demand=found.back_pressure,
            capacity=limit,
            fill=ratio_fill(np.maximum(found.back_pressure, 0.0), limit),
            sentences=said,
        ),
        Check(
            id="choking",
            name="Gas speed",
            part="pipe",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="share",
            demand=found.choking,
            capacity=1.0,
            fill=ratio_fill(found.choking, 1.0),
            sentences=chokes,
        ),
    ]


def cost_check(context: Context, found: Marched, op: Operation, gain: Callable[[], Array]) -> Check:
    """Power lost to back pressure, against a tenth of it; ``gain`` is what the next size of tube would give back [W]."""
    lost = costs.power_cost(context.engine, found.mean_pressure, op.power)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        rows = zip(*(duty_values(v, count) for v in (lost, op.power, found.mean_pressure, gain())), strict=True)
        return tuple(
            Sentence(
                "{back} costs about {cost}, {share} of the power; the next size of tube gives back {gain}.",
                {
                    "back": (back, "pressure_difference"),
                    "cost": (cost, "power"),
                    "share": (cost / max(power, 1.0), "share"),
                    "gain": (more, "power"),
                },
            )
            for cost, power, back, more in rows
        )

    return power_cost("exhaust_cost", "Power lost to back pressure", "pipe", lost, op.power, said)


def room_checks(context: Context, facts: ExhaustFacts, worked: bool) -> list[Check]:
    """Measured gaps round the pipe against what is kept; where a neighbour's heat is ``worked``, its gap is only a guide."""
    lie, to_loom = context.installation, TO_LOOM[facts.shielded == "yes"]
    loom = None if worked else context.room("exhaust_loom")
    return [
        *gap_gate("pipe_ground", "Exhaust over the ground", "room", context.room("exhaust_ground"), lie.ground_needed),
        *gap_gate("pipe_loom", "Exhaust to loom and hoses", "room", loom, to_loom),
        *gap_gate("pipe_fuel", "Exhaust to fuel parts", "room", context.room("exhaust_fuel"), TO_FUEL, danger=True),
    ]


def ramp_check(facts: ExhaustFacts, under: Ground | None) -> list[Check]:
    """The ramp it must cross against the one it clears at the bump stop."""
    if under is None or under.ramp is None or facts.ramp is None:
        return []
    words = "At the bump stop {h} are left under it: it clears a ramp of {clears}, {asked} are asked."
    values = {
        "h": (likely(under.bumped), "height"),
        "clears": (likely(under.ramp), "angle"),
        "asked": (likely(facts.ramp), "angle"),
    }
    return [
        Check(
            id="pipe_ramp",
            name="Exhaust over a ramp",
            part="room",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="angle",
            demand=facts.ramp,
            capacity=under.ramp,
            fill=ratio_fill(facts.ramp, under.ramp),
            sentences=lambda: (Sentence(words, values),),
        )
    ]


def neighbour_checks(context: Context, facts: ExhaustFacts, found: Marched) -> list[Check]:
    """Each neighbour's heat over the bay's against what it may reach; what holds fuel, its gap too."""
    checks: list[Check] = []
    for at in warmth.known(context, facts, found):
        checks.append(_heat_check(context, at))
        if at.what.fuel:
            name = f"{at.what.label.capitalize()} to the pipe"
            checks += gap_gate(f"gap_{at.id}", name, "neighbour", at.thing.gap, TO_FUEL, danger=True)
    return checks


def _heat_check(context: Context, at: warmth.Placed) -> Check:
    got = warmth.warmed(context, at)
    cases, limit = context.duties.cases, likely(at.limit)

    def said(worst: int) -> Sentence:
        figures = (duty_values(v, len(cases))[worst] for v in (got.hottest, got.running, got.stopped))
        return _heat_said(context, at, cases[worst].name.lower(), limit, *figures)

    name = f"{at.what.name.capitalize()} beside the pipe"
    return hot_gate(f"heat_{at.id}", name, "neighbour", got.hottest, got.bay, at.limit, said, at.what.fuel)


def _heat_said(
    context: Context, at: warmth.Placed, duty: str, limit: float, most: float, running: float, stopped: float
) -> Sentence:
    gap = likely(at.thing.gap)
    words = "{gap} from the {piece} the {what} reaches {t} "
    words += "after a stop from {duty}" if stopped > running + 1.0 else "on {duty}"
    words += "; it may reach {limit}"
    needed = warmth.gap_wanted(context, at) if most > limit else 0.0
    if most > limit:
        words += (
            ": a shield, or more air." if needed is None or needed <= gap else ": {needed} are needed, or a shield."
        )
    else:
        words += "."
    return Sentence(
        words,
        {
            "gap": (gap, "size"),
            "duty": duty,
            "piece": at.piece.segment.name,
            "what": at.what.name.split(",")[0].split(" in ")[0],
            "t": (most, "temperature"),
            "limit": (limit, "temperature"),
            "needed": (needed or 0.0, "size"),
        },
    )
