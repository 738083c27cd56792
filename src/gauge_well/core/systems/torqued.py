"""What goes with the engine's torque: at which powers it is asked, in which duties, and a limit drawn by it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, over
from gauge_well.core.typing import Array, Value, as_array, likely


def peak_torque(context: Context) -> Array:
    """Engine's peak torque at the wanted power [N m]."""
    engine = context.engine
    scale = context.wanted / engine.curve.rated_power
    if engine.facts.torque_curve is None and engine.facts.peak_torque is not None:
        return np.asarray(as_array(engine.facts.peak_torque) * scale)
    return as_array(float(engine.curve.torques.max()) * scale)


@dataclass(frozen=True)
class Asked:
    """``factor``: torque over that at the wanted power (step, draw), None at the wanted power itself; what it scales with; in
    which duties it is judged."""

    factor: Array | None
    scales: Scales | None
    judged: Sequence[bool] | None

    def times(self, torque: Value) -> Array:
        """A torque of the wanted power at these powers, (step, 1, draw)."""
        own = np.ravel(as_array(torque))
        if self.factor is None:
            return own[None, None]
        factor = self.factor if self.factor.shape[-1] in (1, own.size) or own.size == 1 else self.factor[:, : own.size]
        return np.asarray((factor * own)[:, None])


def asked(context: Context, peak: Operation) -> Asked:
    """Torque goes with power, and is asked of every duty that runs at full power."""
    driven = context.duties.power_driven
    # Torque is the same in all of them: the one that asks most power speaks for all.
    powers = [likely(c.peak_power) if c.power_driven else 0.0 for c in context.duties.cases]
    most = max(range(len(powers)), key=powers.__getitem__, default=0)
    judged = [i == most for i in range(len(powers))] if any(driven) else None
    scales = None if any(driven) else Scales.GATE
    if peak is context.peak or scales is Scales.GATE:
        return Asked(None, scales, judged)
    ratio = over(peak.power, context.peak.power)
    ratio = ratio.reshape((-1, *ratio.shape[-2:]))
    return Asked(ratio[:, most if ratio.shape[1] > 1 else 0], scales, judged)


def torque_limit(
    context: Context,
    id: str,
    name: str,
    part: str,
    demand: Array,
    capacity: Value,
    kind: str,
    words: str,
    at: Asked,
    more: Mapping[str, tuple[float, str] | str],
) -> Check:
    """A limit that goes with the torque: ``words`` say {demand}, {capacity} and what ``more`` gives."""
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        values = {"demand": (likely(demand), kind), "capacity": (likely(capacity), kind), **more}
        return (Sentence(words, values),) * count

    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.LIMIT,
        scales=at.scales,
        kind=kind,
        demand=demand,
        capacity=capacity,
        fill=ratio_fill(demand, capacity),
        judged=at.judged,
        sentences=said,
    )
