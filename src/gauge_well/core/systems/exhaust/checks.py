"""The exhaust's demands against its capacities."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, gap_gate, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import MOST_COST, ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import Array, duty_values

# Gaps kept [m]: bare, shielded (common practice).
TO_LOOM = {False: 0.075, True: 0.025}
TO_FUEL = 0.100


def pressure_checks(context: Context, facts: ExhaustFacts, found: Marched, op: Operation) -> list[Check]:
    """Back pressure against the maker's figure, or against where no exhaust serves; gas against the speed of sound."""
    limit, makers = model.limit_of(context.engine, facts)
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


def cost_check(
    context: Context, facts: ExhaustFacts, found: Marched, op: Operation, gain: Callable[[], Array]
) -> Check:
    """Power lost to back pressure, against a tenth of it; ``gain`` is what the next size of tube would give back [W]."""
    lost = model.power_cost(context.engine, found.back_pressure, op.power)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        rows = zip(*(duty_values(v, count) for v in (lost, op.power, found.back_pressure, gain())), strict=True)
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

    return Check(
        id="exhaust_cost",
        name="Power lost to back pressure",
        part="pipe",
        check_class=CheckClass.COST,
        scales=None,
        kind="power",
        demand=lost,
        capacity=MOST_COST * op.power,
        fill=ratio_fill(lost, MOST_COST * op.power),
        sentences=said,
    )


def room_checks(context: Context, facts: ExhaustFacts) -> list[Check]:
    """Measured gaps round the pipe against what is kept."""
    lie, to_loom = context.installation, TO_LOOM[facts.shielded == "yes"]
    return [
        *gap_gate("pipe_ground", "Exhaust over the ground", "room", context.room("exhaust_ground"), lie.ground_needed),
        *gap_gate("pipe_loom", "Exhaust to loom and hoses", "room", context.room("exhaust_loom"), to_loom),
        *gap_gate("pipe_fuel", "Exhaust to fuel parts", "room", context.room("exhaust_fuel"), TO_FUEL, danger=True),
    ]
