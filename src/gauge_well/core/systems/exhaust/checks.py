"""The exhaust's demands against its capacities."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, gap_gate, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import duty_values
from gauge_well.core.validity import Notice

# Gaps kept [m]: bare, shielded (common practice).
TO_LOOM = {False: 0.075, True: 0.025}
TO_FUEL = 0.100
MACH_SAID = 0.3


def pressure_check(context: Context, facts: ExhaustFacts, found: Marched, op: Operation) -> Check:
    """Back pressure at the flange against what the engine tolerates; what it costs is said."""
    limit, harmful = model.tolerated(context, facts)

    def said() -> Sequence[Sentence]:
        count = len(context.duties.cases)
        cost = model.power_cost(context, found.back_pressure, op.power)
        word = "is allowed" if harmful else "is usual at most"
        return tuple(
            Sentence(
                "{back} at the flange; {limit} " + word + ". It costs about {cost}.",
                {
                    "back": (back, "pressure_difference"),
                    "limit": (limit, "pressure_difference"),
                    "cost": (lost, "power"),
                },
            )
            for back, lost in zip(duty_values(found.back_pressure, count), duty_values(cost, count), strict=True)
        )

    return Check(
        "back_pressure",
        "Back pressure",
        "pipe",
        CheckClass.LIMIT if harmful else CheckClass.COST,
        None,
        "pressure_difference",
        found.back_pressure,
        limit,
        ratio_fill(np.maximum(found.back_pressure, 0.0), limit),
        sentences=said,
    )


def room_checks(context: Context, facts: ExhaustFacts) -> list[Check]:
    """Measured gaps round the pipe against what is kept."""
    lie, to_loom = context.installation, TO_LOOM[facts.shielded == "yes"]
    return [
        *gap_gate("pipe_ground", "Exhaust over the ground", "room", lie.exhaust_ground, lie.ground_needed),
        *gap_gate("pipe_loom", "Exhaust to loom and hoses", "room", lie.exhaust_loom, to_loom),
        *gap_gate("pipe_fuel", "Exhaust to fuel parts", "room", lie.exhaust_fuel, TO_FUEL, danger=True),
    ]


def notices(context: Context, facts: ExhaustFacts, found: Marched) -> Sequence[Notice]:
    """Choking, fast gas, and what back pressure costs."""
    said: list[Notice] = []
    cases = context.duties.cases
    count = len(cases)
    mach = duty_values(found.mach, count)
    i = int(np.argmax(mach))
    if bool(np.any(found.choked)) or mach[i] >= 0.999:
        said.append(
            Notice(
                "choked",
                Sentence("The gas chokes in the pipe: no more flows at that power."),
                "exhaust.pipe_diameter",
                cases[i].id,
            )
        )
    elif mach[i] > MACH_SAID:
        said.append(
            Notice(
                "mach",
                Sentence(
                    "Gas runs at Mach {m} on {duty}; above 0.3 losses climb fast.",
                    {"m": f"{mach[i]:.2f}", "duty": cases[i].name.lower()},
                ),
                "exhaust.pipe_diameter",
                cases[i].id,
            )
        )
    return said
