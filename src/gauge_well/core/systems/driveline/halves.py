"""Half-shafts over the wheel's travel: angles, how far they slide, the length to order, whether they go in."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline.halfshaft import Swing, Travelled, travelled
from gauge_well.core.duty.road import LOADED
from gauge_well.core.parts.halfshaft import JOINTS, HalfshaftFacts, Joint
from gauge_well.core.reads import BELL_AHEAD, BELL_LEFT, BELL_OVER
from gauge_well.core.sentence import numbered
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Array, as_array

PLACES = 13  # of the travel that are looked at
ROOM = 0.010  # m over what must be drawn out (common practice)


@dataclass(frozen=True)
class Half:
    """A half-shaft over its travel [m], up positive."""

    id: str
    name: str
    facts: HalfshaftFacts
    joint: Joint
    travel: Array
    over: Travelled

    @property
    def mid(self) -> Array:
        """Length joint to joint with the inner joint half slid, so that both ends of the travel are alike [m]."""
        return np.asarray(0.5 * (self.over.length.max(axis=0) + self.over.length.min(axis=0)))

    @property
    def slides(self) -> Array:
        """Range of its length over the travel [m]."""
        return np.asarray(self.over.length.max(axis=0) - self.over.length.min(axis=0))

    @property
    def runs(self) -> Array:
        """Inner joint's angle as the wheel stands laden [rad]."""
        return np.asarray(self.over.inner[PLACES // 2])

    @property
    def outer(self) -> Array:
        """Outer joint's greatest angle, full lock counted [rad]: both bends square to each other."""
        most = self.over.inner.max(axis=0)
        lock = as_array(self.facts.lock) if self.facts.steers == "yes" and self.facts.lock is not None else 0.0
        return np.asarray(np.arccos(np.clip(np.cos(most) * np.cos(lock), -1.0, 1.0)))


def inner(context: Context, own: HalfshaftFacts) -> tuple[Array, Array, Array] | None:
    """Inner joint out from the middle, over the wheel's centre, behind it [m]; taped on the unit, by where Fit has the bell's
    face. None where that is not known."""
    if own.inner_out is None:
        return None
    out, over, behind = as_array(own.inner_out), as_array(own.inner_over), as_array(own.inner_behind)
    if own.taped == "machine":
        return out, over, behind
    ahead, left, height = (context.told(f) for f in (BELL_AHEAD, BELL_LEFT, BELL_OVER))
    tyre = context.machine.tyre_diameter
    if ahead is None or left is None or height is None or tyre is None:
        return None
    side = 1.0 if own.side == "left" else -1.0
    ahead, left, height = (np.ravel(v) for v in (ahead, left, height))
    return out + side * left, np.asarray(height + over - LOADED * as_array(tyre)), np.asarray(behind - ahead)


def called(facts: DrivelineFacts, id: str, own: HalfshaftFacts) -> str:
    """A half-shaft by its side and axle, with its number where several are there."""
    alike = [other for other, h in facts.halves if (h.axle, h.side) == (own.axle, own.side)]
    return numbered(f"{own.side.capitalize()} {own.axle} half-shaft", alike, id)


def lacks(context: Context, id: str, own: HalfshaftFacts) -> tuple[str, ...]:
    """What a half-shaft lacks to be judged."""
    place = f"driveline.halves.{id}"
    found = [f"{place}.{n}" for n in ("inner_out", "outer_out", "up", "down") if getattr(own, n) is None]
    if not found and inner(context, own) is None:
        found = (
            ["machine.tyre_diameter"]
            if context.machine.tyre_diameter is None
            else ["fit.from_panel", "fit.crank_height"]
        )
    return tuple(found)


def halves(context: Context, facts: DrivelineFacts) -> list[Half]:
    """Those of which enough is stated."""
    found = []
    for id, own in facts.halves:
        at = inner(context, own)
        if at is None or own.outer_out is None or own.up is None or own.down is None:
            continue
        swing = Swing(*at, own.outer_out, own.arm if own.arm is not None else np.inf, own.arm_over)
        steps = np.linspace(-1.0, 1.0, PLACES)
        up, down = np.broadcast_arrays(as_array(own.up), as_array(own.down))
        travel = np.stack([(down if s < 0.0 else up) * s for s in steps])
        found.append(Half(id, called(facts, id, own), own, JOINTS[own.inner], travel, travelled(swing, travel)))
    return found


def off(half: Half) -> Array | None:
    """How far from its middle the owned one's inner joint slides at most [m]; None where none is owned."""
    if half.facts.owned is None:
        return None
    return np.asarray(np.abs(as_array(half.facts.owned) - half.mid) + 0.5 * half.slides)
