"""Under the pipe: its lowest place laden and at the bump stop, the ramp it clears, what would raise it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.parts.pipe import PIECES
from gauge_well.core.reads import BUMP, WHEELBASE
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.pieces import PRESSED_TO, Segment
from gauge_well.core.typing import Array, Value, as_array, likely


def clears(height: Value, ahead: Value, behind: Value) -> Array:
    """Ramp both sides together [rad] over which a place still clears: ``atan(h/a) + atan(h/b)``, 2 atan(2h/L) midway.

    Parameters
    ----------
    height : float or array
        Of the place over the ground [m].
    ahead, behind : float or array
        From it to the axle ahead and behind [m].
    """
    h = np.maximum(as_array(height), 0.0)
    return np.asarray(np.arctan2(h, as_array(ahead)) + np.arctan2(h, as_array(behind)))


@dataclass(frozen=True)
class Raised:
    """A change and by how much it lifts the lowest place [m]."""

    label: str
    by: float


@dataclass(frozen=True)
class Ground:
    """Heights of the lowest place standing and at the bump stop [m], the ramp it clears then, approach angle where it lies
    ahead of the axle [rad]; None where not known."""

    height: Value
    bumped: Value
    ramp: Value | None
    approach: Value | None
    raised: Sequence[Raised]


def lowest(segments: Sequence[Segment]) -> Segment:
    """The piece that hangs lowest where all run along one line: the tallest upright."""
    return max(segments, key=lambda s: s.upright)


def ground(context: Context, facts: ExhaustFacts, segments: Sequence[Segment]) -> Ground | None:
    """Where it hangs; None without a height. The bump stop is where Fit's bay has it."""
    height = context.room("exhaust_ground")
    if height is None:
        return None
    bump = context.told(BUMP)
    bumped = as_array(height) - (0.0 if bump is None else bump)
    base = context.told(WHEELBASE)
    behind = facts.low_behind
    ramp = approach = None
    if behind is not None and likely(behind) < 0.0:
        approach = np.asarray(np.arctan2(np.maximum(bumped, 0.0), -as_array(behind)))
    elif base is not None:
        first = 0.5 * as_array(base) if behind is None else as_array(behind)
        if likely(first) < likely(base):
            ramp = clears(bumped, np.maximum(first, 1e-3), np.maximum(as_array(base) - first, 1e-3))
    return Ground(height, bumped, ramp, approach, _raises(facts, segments))


def _raises(facts: ExhaustFacts, segments: Sequence[Segment]) -> list[Raised]:
    """What a straight piece, an oval, two smaller pipes would raise it by, its top staying where it is."""
    low = lowest(segments)
    tube = likely(low.height)
    found = []
    if low.upright > tube and PIECES[low.kind].body > 1.0:
        found.append(Raised(f"a straight piece in place of the {low.name}", low.upright - tube))
        second = max((s.upright for s in segments if s is not low), default=tube)
        tube = max(second, tube)
    pressed = PRESSED_TO * tube if facts.oval_height is None else likely(facts.oval_height)
    if pressed < tube and low.upright <= tube + 1e-9:
        found.append(Raised("an oval there", tube - pressed))
    if low.share == 1.0:
        half = likely(low.outside) / np.sqrt(2.0)
        if low.upright <= tube + 1e-9:
            found.append(Raised("two pipes of half the area", likely(low.height) - float(half)))
    return found
