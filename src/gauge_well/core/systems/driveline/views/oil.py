"""The gearbox's oil in every duty, and the cooler that keeps it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.driveline import oiling
from gauge_well.core.systems.driveline.facts import COOLERS, DrivelineFacts
from gauge_well.core.typing import duty_values, likely, likely_or_none


@dataclass(frozen=True)
class OilRow:
    """A duty: heat [W], oil settled [K], cooler that keeps it [W/K], None where none does."""

    name: str
    heat: float
    settles: float
    asks: float | None


@dataclass(frozen=True)
class OilView:
    """Duties; what is kept [K]; cooler and case [W/K]; drop of its lines [Pa]."""

    duties: Sequence[OilRow]
    most: float
    cooler: str
    gives: float | None
    case: float
    drop: float | None


def show(context: Context, facts: DrivelineFacts, options: Options) -> OilView:
    """At the wanted power."""
    count = len(context.duties.cases)
    op = context.mean
    columns = (context.gearbox_heat(op), oiling.warmth(context, facts, op), oiling.cooler_needed(context, facts, op))
    heat, settles, asks = (duty_values(v, count) for v in columns)
    rows = [
        OilRow(c.name, heat[i], settles[i], asks[i] if np.isfinite(asks[i]) else None)
        for i, c in enumerate(context.duties.cases)
    ]
    drop = oiling.drop(facts)
    gives = facts.cooler_gives if facts.box_cooler != "none" else None
    return OilView(
        rows,
        likely(facts.box_most),
        COOLERS[facts.box_cooler],
        likely_or_none(gives),
        likely(facts.case_gives),
        likely_or_none(drop),
    )
