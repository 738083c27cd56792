"""Guides and assumptions worth saying of the exhaust."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import duty_values
from gauge_well.core.validity import Notice

MACH_SAID = 0.3


def notices(context: Context, facts: ExhaustFacts, found: Marched) -> Sequence[Notice]:
    """Fast gas, short of choking."""
    said: list[Notice] = []
    cases = context.duties.cases
    count = len(cases)
    mach = duty_values(found.mach, count)
    i = int(np.argmax(mach))
    if mach[i] > MACH_SAID and not bool(np.any(found.choked)):
        said.append(
            Notice(
                "mach",
                Sentence(
                    "Gas runs at Mach {m} on {duty}; above 0.3 losses climb fast.",
                    {"m": f"{mach[i]:.2f}", "duty": cases[i].name.lower()},
                ),
                "exhaust.pipe.diameter",
                cases[i].id,
            )
        )
    return said
