"""The pan as installed: side, end and plan in the machine's axes, its oil at rest, levels, marks, the old pan beside it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from scipy.spatial import ConvexHull, QhullError

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely
from gauge_well.core.geometry.frames import apparent_up, to_engine
from gauge_well.core.geometry.free_surface import Body, surface_height, volume_below
from gauge_well.core.parts.pan import PanFacts
from gauge_well.core.systems.base import Context, Options, duty_asked, option
from gauge_well.core.systems.oil import covering, levels
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.levels import Marks
from gauge_well.core.systems.oil.notices import CLEARANCE
from gauge_well.core.systems.oil.pan import Pan, body_of, gasket_of, outline_of, over_floor, pan_of, widths_of
from gauge_well.core.typing import Array, likely

Point = tuple[float, float]
Polygon = Sequence[Point]
LEVELS = 10
STEEPEST = 0.8  # rad, that a machine is leant to
FINE = 4  # places of a metre to which a drawing is sent
# Axes of the machine across and up each view: from its right, from behind (left is positive: the page turns it round), from above.
SEEN = {"side": (0, 2), "end": (1, 2), "plan": (1, 0)}


@dataclass(frozen=True)
class Projection:
    """One view [m]: pieces of the pan and of its oil, edges of the pan, the pickup's mouth, the old pan's edges."""

    pan: Sequence[Polygon]
    oil: Sequence[Polygon]
    edges: Sequence[Polygon]
    pickup: Point
    old: Sequence[Polygon]


@dataclass(frozen=True)
class Level:
    """A volume [m3] standing in it, the machine level: how far below the rail over the pickup and over its floor [m],
    along the stick from its seat [m]; None without a stick."""

    volume: float
    below_rail: float
    over_floor: float
    stick: float | None


@dataclass(frozen=True)
class PanRow:
    """A pan beside another: deepest below the rail [m], what it holds to the rail and to the mark [m3]; the fitted
    pickup's mouth over its floor and the spacer that brings it to 6 mm [m], None where its drop is not known."""

    name: str
    depth: float
    holds: float
    to_mark: float
    mouth: float | None
    spacer: float | None


@dataclass(frozen=True)
class Mouth:
    """Mouth against the floor [rad]; covered acceleration [g] pulling, braking, turning left and right, as it is and set
    parallel by an adapter of that angle."""

    tilt: float
    ways: Sequence[str]
    now: Sequence[float]
    parallel: Sequence[float]


@dataclass(frozen=True)
class InstalledView:
    """The pan in the machine, or what it lacks; ``preset``: its outline as corners (along, below the rail) [m]."""

    unknown: Sequence[str]
    side: Projection | None
    end: Projection | None
    plan: Projection | None
    levels: Sequence[Level]
    pans: Sequence[PanRow]
    mouth: Mouth | None
    stick: Marks | None
    preset: Sequence[Point]


NOTHING = InstalledView((), None, None, None, (), (), None, None, ())


def _under(corners: Array, normal: Array, d: float) -> Array:
    """Corners (n, 3) of what of a convex piece lies under a plane: those below, and where lines across it cross it."""
    h = corners @ normal - d
    low, high = corners[h <= 0.0], corners[h > 0.0]
    if not len(low) or not len(high):
        return low
    a, b = h[h <= 0.0][:, None], h[h > 0.0][None, :]
    share = (a / (a - b))[..., None]
    return np.concatenate([low, (low[:, None] + share * (high[None] - low[:, None])).reshape(-1, 3)])


def _silhouette(corners: Array, axes: tuple[int, int]) -> Polygon | None:
    """Outline of a convex piece as it is seen; None where it is seen edge on."""
    flat = corners[:, axes]
    if len(flat) < 3 or np.linalg.matrix_rank(flat - flat.mean(axis=0), tol=1e-7) < 2:
        return None
    try:
        hull = flat[ConvexHull(flat).vertices]
    except QhullError:
        return None
    return [(round(float(x), FINE), round(float(y), FINE)) for x, y in hull]


def _pieces(body: Body, rotation: Array, axes: tuple[int, int], planes: Sequence[tuple[Array, float]]) -> list[Polygon]:
    found = []
    for tetrahedron in body.tetrahedra:
        corners = tetrahedron
        for normal, d in planes:
            corners = _under(corners, normal, d)
        seen = _silhouette(corners @ rotation.T, axes)
        if seen is not None:
            found.append(seen)
    return found


def _edges(pan: PanFacts, outline: Array, stations: Sequence[tuple[float, float]]) -> Iterator[Array]:
    """Lines along its walls, engine axes: both side outlines, and across at each corner."""
    xs, ws = (np.array(v) for v in zip(*stations, strict=True))
    half = 0.5 * np.interp(outline[:, 0], xs, ws)
    lean = 0.0 if pan.floor_roll is None else float(np.tan(likely(pan.floor_roll)))
    deep = -float(outline[:, 1].min())

    def at(sign: float) -> Array:
        y = sign * half
        return np.stack([outline[:, 0], y, outline[:, 1] + y * lean * -outline[:, 1] / deep], axis=-1)

    left, right = at(1.0), at(-1.0)
    for wall in (left, right):
        yield np.concatenate([wall, wall[:1]])
    yield from np.stack([left, right], axis=1)


def _seen(lines: Sequence[Array], rotation: Array, axes: tuple[int, int]) -> list[Polygon]:
    return [
        [(round(float(p[axes[0]]), FINE), round(float(p[axes[1]]), FINE)) for p in line @ rotation.T] for line in lines
    ]


def _pans(facts: OilFacts, pan: Pan, normal: Array) -> Iterator[PanRow]:
    oil = float(surface_height(pan.body, normal, np.asarray(likely(facts.oil_quantity))))
    rail = oil / float(normal[2])  # the mark as a height over the rail, at the pan's own middle
    for name, own, place in (("Fitted", facts.pan, "oil.pan"), ("Old", facts.old_pan, "oil.old_pan")):
        if own.shape is None:
            continue
        try:
            outline = outline_of(own, place)
            body = body_of(own, outline, widths_of(own, outline, place), place)
        except MissingFact:
            continue
        holds, mark = (
            float(volume_below(body, np.array([0.0, 0.0, 1.0]), np.asarray(h))) for h in (0.0, min(rail, 0.0))
        )
        mouth = None
        if facts.pickup.drop is not None and facts.pickup.x is not None:
            other = replace(facts, pan=own)
            mouth = likely(over_floor(other, pan_of(replace(other, oil_quantity=1e-6))))
        short = None if mouth is None else CLEARANCE[0] - mouth
        spacer = None if short is None else short + likely(gasket_of(facts)) if short > 0.0 else 0.0
        yield PanRow(name, -float(outline[:, 1].min()), holds, mark, mouth, spacer)


def _mouth(context: Context, facts: OilFacts, pan: Pan, index: int) -> Mouth | None:
    if not covering.leans(facts):
        return None
    lean = 0.0 if facts.pan.floor_roll is None else likely(facts.pan.floor_roll)
    straight = replace(facts, pickup=replace(facts.pickup, mouth_pitch=pan.slope, mouth_roll=lean))
    now, then = (covering.coverage(context, f, pan).covered[index] for f in (facts, straight))
    return Mouth(
        likely(covering.mouth_tilt(facts, pan)),
        covering.WAYS,
        [float(g) for g in now.reshape(4, -1)[:, 0]],
        [float(g) for g in then.reshape(4, -1)[:, 0]],
    )


def show(context: Context, given: OilFacts, options: Options) -> InstalledView:
    """As installed, in the machine's axes.

    Options
    -------
    duty : whose covered accelerations are shown.
    nose, lean : how the machine stands, its front up and its left side down [rad]; level otherwise.
    """
    index, facts = duty_asked(context, options), at_likely(given)
    nose, lean = (option(options, name, 0.0, -STEEPEST, STEEPEST, "rad") for name in ("nose", "lean"))
    try:
        pan = pan_of(facts).likely
    except MissingFact as error:
        return replace(NOTHING, unknown=[error.field])
    rotation = covering.likely_rotation(context)
    up = np.array([0.0, 0.0, 1.0])
    normal = to_engine(apparent_up(0.0, 0.0, 0.0, np.tan(nose), lean), rotation)
    volume = np.asarray(likely(facts.oil_quantity))
    d = float(surface_height(pan.body, normal, volume))
    lines = list(_edges(facts.pan, pan.outline, pan.stations))
    old: list[Array] = []
    if facts.old_pan.shape is not None:
        try:
            outline = outline_of(facts.old_pan, "oil.old_pan")
            widths = [(likely(a), likely(b)) for a, b in widths_of(facts.old_pan, outline, "oil.old_pan")]
            old = list(_edges(facts.old_pan, outline, widths))[:2]
        except MissingFact:
            pass
    drawn = {}
    for name, axes in SEEN.items():
        at = rotation @ pan.pickup
        drawn[name] = Projection(
            pan=_pieces(pan.body, rotation, axes, [(up, 0.0)]),
            oil=_pieces(pan.body, rotation, axes, [(normal, d), (up, 0.0)] if d > 0.0 else [(normal, d)]),
            edges=_seen(lines, rotation, axes),
            pickup=(float(at[axes[0]]), float(at[axes[1]])),
            old=_seen(old, rotation, axes),
        )
    return InstalledView(
        unknown=(),
        **drawn,
        levels=_levels(context, facts, pan, normal),
        pans=list(_pans(facts, pan, normal)),
        mouth=_mouth(context, facts, pan, index),
        stick=levels.marks(context, facts, pan),
        preset=[(float(x), float(-z)) for x, z in pan.outline],
    )


def _levels(context: Context, facts: OilFacts, pan: Pan, normal: Array) -> list[Level]:
    """A table to mark a stick or a bucket by: volume against height."""
    most = max(float(pan.holds), likely(facts.oil_quantity))
    volumes = np.linspace(0.0, most, LEVELS + 1)[1:]
    heights = surface_height(pan.body, np.broadcast_to(normal, (LEVELS, 3)), volumes)
    x, y = float(pan.pickup[0]), float(pan.pickup[1])
    found = []
    for v, d in zip(volumes, heights, strict=True):
        z = (float(d) - float(normal[0]) * x - float(normal[1]) * y) / float(normal[2])
        marks = levels.marks(context, replace(facts, oil_quantity=float(v)), pan)
        found.append(Level(float(v), -z, z - likely(pan.floor), None if marks is None else marks.full))
    return found
