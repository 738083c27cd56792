"""Brake vacuum: applications and recovery by source, at sea level and where it is driven, with and without a reservoir."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.linkage import vacuum
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.facts import SPLITS, ControlsFacts
from gauge_well.core.typing import Value, likely

HIGH = 2000.0  # m beside sea level (common practice)
MORE = 3e-3  # m3 of reservoir tried
PUMP = 1.5e-3  # m3/s of an electric pump
TIMES = 7


@dataclass(frozen=True)
class SourceRow:
    """A source: depth idling [Pa], applications at sea level, at the height asked, with 3 L more; seconds back; whether it is the
    one stated, or expected of such a one."""

    name: str
    depth: float
    sea: float
    high: float
    more: float
    recovers: float | None
    stated: bool


@dataclass(frozen=True)
class VacuumView:
    """Sources beside each other; depth after each application of the one stated [Pa]; what is kept, least depth [Pa], height
    [m]; why there is none; order of bleeding where lines are moved."""

    why: str
    rows: Sequence[SourceRow]
    depths: Sequence[float]
    least: float
    wished: float
    height: float
    each: float
    volume: float
    bleeds: Sequence[str]
    split: str
    helped: str


def _row(context: Context, facts: ControlsFacts, name: str, depth: Value, height: float, stated: bool) -> SourceRow:
    sea, high = model.held_at(context, facts, depth, 0.0), model.held_at(context, facts, depth, height)
    more = model.held_at(context, facts, depth, 0.0, MORE)
    back = likely(sea.recovers)
    return SourceRow(
        name,
        likely(sea.depth),
        likely(sea.applications),
        likely(high.applications),
        likely(more.applications),
        back if np.isfinite(back) else None,
        stated,
    )


def show(context: Context, facts: ControlsFacts, options: Options) -> VacuumView:
    """Likely values."""
    height = option(options, "height", HIGH, 0.0, 5500.0, "m")
    why = model.vacuumless(facts)
    rows = []
    if facts.booster == "vacuum":
        if facts.depth is not None and not why:
            rows.append(_row(context, facts, "As stated", facts.depth, height, True))
        if context.engine.fuel.spark:
            manifold = replace(facts, source="manifold")
            rows.append(_row(context, manifold, "Manifold, a mild cam", model.EXPECTED["mild"], height, False))
            rows.append(_row(context, manifold, "Manifold, a long cam", model.EXPECTED["long"], height, False))
        pumped = replace(facts, source="electric", pump_flow=PUMP)
        rows.append(_row(context, pumped, "An electric pump", model.EXPECTED["pump"], height, False))
    depths: list[float] = []
    if facts.depth is not None and not why and facts.booster == "vacuum":
        own = model.depth_at(facts, facts.depth, facts.high)
        each = vacuum.lets_in(facts.bore, facts.stroke)
        depths = [likely(vacuum.left(own, model.volume(facts), each, float(n))) for n in range(TIMES)]
    return VacuumView(
        why=why,
        rows=rows,
        depths=depths,
        least=model.LEAST_DEPTH,
        wished=model.WISHED,
        height=height,
        each=likely(vacuum.lets_in(facts.bore, facts.stroke)),
        volume=likely(model.volume(facts)),
        bleeds=list(model.bleeds(facts)) if facts.lines_moved == "yes" else [],
        split=SPLITS[facts.split],
        helped=facts.booster,
    )
