"""Half-shafts over the wheel's travel, and what to order."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.parts.halfshaft import OUTER_MOST
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.driveline import halves
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Array, likely, likely_or, likely_or_none


@dataclass(frozen=True)
class HalfRow:
    """Over the travel [m], up positive: length less the one to order [m], inner joint's angle [rad]; its limits; place of the inner
    joint to the wheel's centre: across, over [m]; whether it goes in with the engine there."""

    id: str
    name: str
    travel: Sequence[float]
    longer: Sequence[float]
    angle: Sequence[float]
    order: float
    owned: float | None
    slides: float
    has: float
    most: float
    runs: float
    runs_most: float
    outer: float
    outer_most: float
    across: float
    over: float
    stub: float | None
    room: float | None
    goes_in: bool | None


@dataclass(frozen=True)
class HalvesView:
    """Half-shafts that are known well enough, and what the others lack."""

    halves: Sequence[HalfRow]
    missing: Sequence[str]


def _first(array: Array) -> list[float]:
    return [float(v) for v in array.reshape(len(array), -1)[:, 0]]


def show(context: Context, facts: DrivelineFacts, options: Options) -> HalvesView:
    """Likely values."""
    rows = []
    for half in halves.halves(context, facts):
        own = half.facts
        at = halves.inner(context, own)
        assert at is not None
        out, over, _ = at
        stub, room = own.stub, own.room
        rows.append(
            HalfRow(
                id=half.id,
                name=half.name,
                travel=_first(half.travel),
                longer=_first(half.over.length - half.mid),
                angle=_first(half.over.inner),
                order=likely(half.mid),
                owned=likely_or_none(own.owned),
                slides=likely(half.slides),
                has=likely(own.slides),
                most=half.joint.most,
                runs=likely(half.runs),
                runs_most=half.joint.runs,
                outer=likely(half.outer),
                outer_most=OUTER_MOST,
                across=likely_or(own.outer_out) - float(np.ravel(out)[0]),
                over=float(np.ravel(over)[0]),
                stub=likely_or_none(stub),
                room=likely_or_none(room),
                goes_in=None if stub is None or room is None else likely(room) >= likely(stub),
            )
        )
    missing = [p for id, own in facts.halves for p in halves.lacks(context, id, own)]
    return HalvesView(rows, missing)
