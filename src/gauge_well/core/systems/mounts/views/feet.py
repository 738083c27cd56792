"""Where each foot comes to in the machine, and how long its slot must be to take up what is not known: on draws."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.reads import BELL_AHEAD, BELL_LEFT, BELL_OVER
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import held
from gauge_well.core.typing import Array, as_array, drawn, likely

AT_95 = 1.96
HOOK = 0.001  # m: a tape's hook, common to all it takes (common practice)


@dataclass(frozen=True)
class FootRow:
    """A foot: ahead of the axle line, left of the middle, over the floor [m], each with its half-range at 95 % [m]; the slot
    it needs along and across, and the shims [m]."""

    id: str
    name: str
    ahead: float
    left: float
    over: float
    ahead_off: float
    left_off: float
    over_off: float
    slot_along: float
    slot_across: float
    shims: float


@dataclass(frozen=True)
class FeetView:
    """All feet, as the mounts are stated or as they usually stand."""

    feet: Sequence[FootRow]


def show(context: Context, facts: MountsFacts, options: Options) -> FeetView:
    """No options; MissingFact where fit has no place for the engine."""
    bell = [as_array(context.given.get(n, np.inf)) for n in (BELL_AHEAD, BELL_LEFT, BELL_OVER)]
    if not all(np.isfinite(likely(v)) for v in bell):
        raise MissingFact("fit.from_panel")
    stood = held(context, facts).stood
    n = len(stood.mass)
    at = np.stack([np.broadcast_to(np.ravel(v), (n,)) for v in bell], axis=-1)
    rows = []
    for foot in stood.feet:
        parts = [drawn(v, n) for v in (foot.ahead, foot.left, foot.over)]
        place = at + (stood.turn @ np.stack(parts, axis=-1)[..., None])[..., 0]
        off = [_half(place[:, k]) for k in range(3)]
        slots = [2.0 * (v + HOOK) if v > 0.0 else 0.0 for v in off]
        ahead, left, over = (float(v) for v in place[0])
        rows.append(FootRow(foot.id, foot.name, ahead, left, over, *off, *slots))
    return FeetView(rows)


def _half(draws: Array) -> float:
    return float(AT_95 * np.sqrt(np.mean((draws[1:] - draws[0]) ** 2))) if len(draws) > 1 else 0.0
