"""The way in and out: sought, one kind after another."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Progress
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.removal import NEEDED, ways
from gauge_well.core.systems.fit.rooms import solved


@dataclass(frozen=True)
class LegRow:
    """One leg: ahead, left and up [m], nose up [rad]."""

    ahead: float
    left: float
    up: float
    pitch: float


@dataclass(frozen=True)
class WayRow:
    """One kind of way: legs, what must be off first, gap to what stays [m] and what that is, whether it goes."""

    side: str
    gearbox: bool
    legs: Sequence[LegRow]
    off: Sequence[str]
    gap: float
    nearest: str
    goes: bool
    tried: int


@dataclass(frozen=True)
class WayView:
    """All kinds of way, the easiest first; what is kept on the way [m]."""

    ways: Sequence[WayRow]
    keep: float


def seek(context: Context, facts: FitFacts) -> Iterator[Progress | WayView]:
    """From above and from below, with the gearbox on and off."""
    scene = solved(context, facts).scene
    names = {t.whole: t.name for t in scene.machine}
    found = []
    for done, of, way in ways(scene, facts):
        found.append(
            WayRow(
                side=way.side,
                gearbox=way.gearbox,
                legs=[LegRow(leg.ahead, leg.left, leg.up, leg.pitch) for leg in way.legs],
                off=[names[id] for id in way.off],
                gap=way.gap,
                nearest=names.get(way.nearest, ""),
                goes=way.goes,
                tried=way.tried,
            )
        )
        yield Progress("ways", done, of)
    yield WayView(sorted(found, key=lambda w: (not w.goes, len(w.off), -w.gap)), NEEDED)
