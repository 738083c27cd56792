"""Every size of tube that is sold, marched at once: what each costs; which is worth its room."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import with_facts
from gauge_well.core.sizes import TUBES
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import costs, model, pieces
from gauge_well.core.systems.exhaust.facts import WALL, WORTH, ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.systems.exhaust.pieces import Segment
from gauge_well.core.typing import Array, Value, as_array

USUAL_LENGTH = 4.0
CHOKED = 1e8  # Pa that stand for a tube through which the gas does not go
HP = 745.69987158
CFM_PER_HP, CFM_PER_AREA = 2.2, 115.0 / 0.0254**2  # flow-per-power rule: cfm for a hp, cfm through a square metre
HP_PER_AREA = 60.0 / 0.0254**2  # area-per-power rule: a square inch of bore for so many hp (common practice)


@dataclass(frozen=True)
class Sizes:
    """All sizes of :data:`TUBES` marched: back pressure [Pa] and cost [W] over (size, sample) of the worst duty."""

    found: Marched
    segments: Sequence[Segment]
    back: Array
    cost: Array


def known(facts: ExhaustFacts) -> bool:
    """Whether the run's length is stated."""
    return bool(facts.pieces) or facts.pipe.length is not None


def at_every_size(context: Context, facts: ExhaustFacts) -> Sizes:
    """The run in every tube that is sold, round all along."""
    trial = facts if known(facts) else with_facts(facts, {"pipe.length": USUAL_LENGTH})
    bores = TUBES[:, None, None]
    if not facts.pieces:
        trial = with_facts(trial, {"pipe.diameter": bores})
        segments = pieces.segments_of(trial, context.engine)
    else:
        own = pieces.segments_of(facts, context.engine)
        segments = in_tube(own, bores)
    found = model.march(context, trial, segments, context.peak)
    shape = (TUBES.size, len(context.duties.cases), found.back_pressure.shape[-1])
    back, mean = (
        np.broadcast_to(np.where(found.choked, CHOKED, p), shape) for p in (found.back_pressure, found.mean_pressure)
    )
    cost = costs.power_cost(context.engine, mean, context.peak.power)
    return Sizes(found, segments, back.max(axis=1), cost.max(axis=1))


def advised(sizes: Sizes, limit: float, power: float) -> np.ndarray:
    """Place of the size (sample) whose next buys less than 1 % of the power, within the limit."""
    back, cost = sizes.back, sizes.cost
    gain = np.append(cost[:-1] - cost[1:], np.zeros((1, cost.shape[1])), axis=0)
    serves = (back <= limit) & (gain < WORTH * power)
    return np.where(serves.any(axis=0), serves.argmax(axis=0), TUBES.size - 1)


def in_tube(segments: Sequence[Segment], outside: Value) -> list[Segment]:
    """The run in another tube [m], its primaries as they are."""
    return [s if s.kind == "primaries" else pieces.with_bore(s, outside - 2.0 * as_array(s.wall)) for s in segments]


def own_size(segments: Sequence[Segment], size: int) -> list[Segment]:
    """The run in one size."""
    return in_tube(segments, float(TUBES[size]))


def by_flow(power: float, ways: float) -> float:
    """Tube outside [m] by the rule of so much flow for each hp through so much area."""
    return _tube(CFM_PER_HP * power / HP / CFM_PER_AREA / ways)


def by_area(power: float, ways: float) -> float:
    """Tube outside [m] by the rule of so many hp for each square inch."""
    return _tube(power / HP / HP_PER_AREA / ways)


def _tube(area: float) -> float:
    return float(np.sqrt(4.0 * area / np.pi)) + 2.0 * WALL
