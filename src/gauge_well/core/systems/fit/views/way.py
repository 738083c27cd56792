"""The way in and out: sought, one kind after another."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.reads import HOOK_AHEAD, HOOK_OVER
from gauge_well.core.systems.base import Context, Progress
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Scene
from gauge_well.core.systems.fit.removal import NEEDED, carried, opens_ahead, ways
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.typing import Array, likely

HOOK = 0.5  # m over the crank that a hook hangs where weights are left out (common practice)


@dataclass(frozen=True)
class LegRow:
    """One leg: ahead, left and up [m], nose up [rad]; where its end leaves the hook: over the floor, and behind the panel it
    is lifted over [m]."""

    ahead: float
    left: float
    up: float
    pitch: float
    hook_over: float
    hook_behind: float


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
    """All kinds of way, the easiest first; what is kept on the way [m]; the hook where it hangs over the engine's place: over
    the floor, and behind the panel [m]."""

    ways: Sequence[WayRow]
    keep: float
    hook_over: float
    hook_behind: float


def seek(context: Context, facts: FitFacts) -> Iterator[Progress | WayView]:
    """From above and from below, with the gearbox on and off."""
    scene = solved(context, facts).scene
    names = {t.whole: t.name for t in scene.machine}
    found = []
    hook = hook_of(context, scene)
    panel = next(t for t in scene.machine if t.id == "panel").solid.points[:, 0].mean()
    toward = 1.0 if opens_ahead(scene) else -1.0

    def behind(at: Array) -> float:
        return float(toward * (panel - at[0]))

    for done, of, way in ways(scene, facts):
        found.append(
            WayRow(
                side=way.side,
                gearbox=way.gearbox,
                legs=[
                    LegRow(leg.ahead, leg.left, leg.up, leg.pitch, float(at[2]), behind(at))
                    for leg, at in zip(way.legs, carried(hook, way.legs, scene.pose.shift), strict=True)
                ],
                off=[names[id] for id in way.off],
                gap=way.gap,
                nearest=names.get(way.nearest, ""),
                goes=way.goes,
                tried=way.tried,
            )
        )
        yield Progress("ways", done, of)
    easiest = sorted(found, key=lambda w: (not w.goes, len(w.off), -w.gap))
    yield WayView(easiest, NEEDED, float(hook[2]), behind(hook))


def hook_of(context: Context, scene: Scene) -> Array:
    """Where the hook stands with the engine in its place (3) [m], the machine's axes: where weights put it."""
    own = [context.given.get(name) for name in (HOOK_AHEAD, HOOK_OVER)]
    ahead, over = (likely(v) if v is not None else usual for v, usual in zip(own, (scene.pivot[0], HOOK), strict=True))
    return np.asarray(scene.pose.shift + scene.pose.rotation @ np.array([ahead, 0.0, over]))
