"""Gaps against what is kept: one check for each thing of the machine, by the tightest pair there."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.checks import Check, CheckClass, Scales, gap_fill
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.fit.gaps import close_of
from gauge_well.core.systems.fit.spread import Spread, half

SAID = 0.10  # m of slack beyond which a thing is out of the way


def checks(found: Spread) -> list[Check]:
    """One gate for each thing of the machine that the engine comes near."""
    slack = found.found.slack[found.rows]
    return [_check(found, id, rows) for id, rows in found.of_machine().items() if slack[rows[0]] < SAID]


def _check(found: Spread, id: str, rows: NDArray[np.int_]) -> Check:
    gap = found.gap[rows]
    keep = np.broadcast_to(found.keep[rows], gap.shape)
    fill = np.asarray(gap_fill(gap, keep))
    # Draw by draw the pair that is fullest then.
    worst = np.argmax(fill, axis=0)[None]
    picked = [np.take_along_axis(a, worst, axis=0)[0] for a in (gap, keep, fill)]
    item = close_of(found.scene, found.found, int(found.rows[rows[int(worst[0, 0])]]))
    thing = item.machine.name

    def said() -> Sequence[Sentence]:
        off = float(half(gap[int(worst[0, 0])][None])[0])
        touch = "{pair}: {gap}; keep {keep}, {where}."
        if item.gap < 0.0:
            touch = "{pair}: {deep} into each other, {where}."
        elif off > 5e-4:
            touch = "{pair}: {gap} ± {off}; keep {keep}, {where}."
        values: dict[str, tuple[float, str] | str] = {"pair": item.name, "where": item.position}
        for name, size in (("gap", item.gap), ("deep", -item.gap), ("keep", item.keep), ("off", off)):
            values[name] = (size, "size")
        return (Sentence(touch, values),)

    return Check(
        id=f"gap_{id}",
        name=f"Gap to {thing[:1].lower()}{thing[1:]}",
        part="place",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="height",
        demand=picked[1],
        capacity=picked[0],
        fill=picked[2],
        sentences=said,
    )
