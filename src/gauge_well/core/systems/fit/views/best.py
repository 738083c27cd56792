"""The best place, what holds the engine there, and what each change would buy: sought, with progress."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import with_facts
from gauge_well.core.installation import LIES
from gauge_well.core.systems.base import Context, Offer, Progress
from gauge_well.core.systems.fit import pose as search
from gauge_well.core.systems.fit.eases import eases, touching
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Scene, close_of, gaps, scene_of
from gauge_well.core.systems.fit.place import sets_of
from gauge_well.core.systems.fit.rooms import lies_of, solved
from gauge_well.core.systems.fit.shapes import well_of
from gauge_well.core.typing import likely

TURN = 0.0349  # rad: 2 degrees, and
SHIFT = 0.025  # m: what is shown of each move


@dataclass(frozen=True)
class Weight:
    """A pair and its share in holding the engine: so many mm of slack for each mm it is eased."""

    name: str
    weight: float


@dataclass(frozen=True)
class Buy:
    """A change, by how much (in its kind's SI), and the slack it buys at the best place [m]."""

    id: str
    words: str
    by: float
    kind: str
    gain: float


@dataclass(frozen=True)
class Move:
    """What one move does from where the engine lies: least slack after it [m], mass it shifts onto this end's axle [kg],
    how much more the propshaft's front joint bends [rad], how much higher the oil stands over the pickup at rest [m]."""

    way: str
    by: float
    kind: str
    slack: float
    binds: str
    axle: float
    joint: float
    pickup: float | None


@dataclass(frozen=True)
class BestView:
    """Least slack now and at the best place [m]; the way there: ahead, left, up [m], pitch, yaw, roll [rad]; what holds
    it; what each change buys; what single moves do; the facts of that place, by path."""

    now: float
    slack: float
    moved: tuple[float, float, float, float, float, float]
    weights: Sequence[Weight]
    buys: Sequence[Buy]
    moves: Sequence[Move]
    sets: dict[str, float]


def seek(context: Context, facts: FitFacts) -> Iterator[Progress | BestView]:
    """Climb from several starts, then with each change that a weight speaks for."""
    scene = solved(context, facts).scene
    facts = scene.of
    tried = eases(facts)
    steps = search.STARTS + len(tried)
    best = search.Best(np.zeros(6), 0.0)
    for done, found in search.search(scene):
        best = found
        yield Progress("places", done, steps)
    held = [w.pair for w in best.weights]
    worth = {e.id for e in touching(tried, held)}
    buys = []
    for n, ease in enumerate(tried, search.STARTS + 1):
        gain = 0.0
        if ease.id in worth:
            other = scene_of(with_facts(facts, dict(ease.changes)), lies_of(context, facts).likely)
            gain = max(search.climb(other, best.moved).slack - best.slack, 0.0)
        buys.append(Buy(ease.id, ease.words, ease.by, ease.kind, gain))
        yield Progress("changes", n, steps)
    x, y, z, pitch, yaw, roll = (float(v) for v in best.moved)
    yield BestView(
        now=search.least(gaps(scene)),
        slack=best.slack,
        moved=(x, y, z, pitch, yaw, roll),
        weights=[Weight(w.pair.name, float(w.weight)) for w in best.weights],
        buys=sorted(buys, key=lambda b: -b.gain),
        moves=_moves(scene, likely(context.engine.facts.dry_mass)),
        sets=sets_of(scene, search.moved(scene.pose, best.moved)),
    )


def _moves(scene: Scene, mass: float) -> list[Move]:
    """25 mm each way and 2 degrees of tilt, one at a time; loads and joints by plain geometry, the engine's mass alone."""
    base = likely(scene.of.bay.wheelbase)
    case = scene.of.gearcase
    tail = likely(scene.of.unit.length or 0.0) + likely(case.bell_length) + likely(case.length)
    shaft = max(base - tail, 0.3 * base)
    outward = 1.0 if LIES[scene.lie].ahead else -1.0
    found = []
    for k, way in enumerate(search.MOVES[:4]):
        by, kind = (SHIFT, "size") if k < 3 else (TURN, "angle")
        for sign in (1.0, -1.0):
            at = np.zeros(6)
            at[k] = sign * by
            moved = gaps(scene, search.moved(scene.pose, at))
            if len(moved.slack):
                row = int(np.argmin(moved.slack))
                axle = outward * at[0] * mass / base
                # Tilted by so much the joint bends by as much, and its end rises on the shaft's own length.
                joint = at[3] + (at[2] - at[3] * tail) / shaft
                name = close_of(scene, moved, row).name
                over = _over_pickup(scene.of, float(at[3]))
                found.append(Move(way, sign * by, kind, float(moved.slack[row]), name, float(axle), float(joint), over))
    return found


def _over_pickup(facts: FitFacts, tilt: float) -> float | None:
    """How much higher the oil stands over the mouth, nose up by so much [m]: its surface turns about the middle of the
    well; None where nobody said where the mouth is."""
    unit = facts.unit
    if unit.pickup is None or unit.length is None:
        return None
    start, end = well_of(unit)
    return -tilt * (likely(unit.pickup) - 0.5 * (start + end))


def offer(found: BestView) -> Offer | None:
    """The best place as facts, where it is better than where the engine lies."""
    return Offer(found.sets, "sheet") if found.slack > found.now + 1e-4 else None
