"""What stays over the pickup: covered acceleration in any direction, in every duty."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.geometry.frames import apparent_up, engine_to_vehicle, to_engine
from gauge_well.core.geometry.free_surface import surface_height, volume_below
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.parts.accumulator import oil_held
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.feeding import hot_flow
from gauge_well.core.systems.oil.pan import Pan, over_floor
from gauge_well.core.typing import Array, Value, as_array, likely

G_MOST = 3.0  # beyond it a pickup counts as never uncovered
G_SCAN = np.linspace(0.0, G_MOST, 25)
COVER_DOUBT = "pickup_cover"
COVER = 0.010  # m of oil that a pickup's mouth wants over it with nothing drawn (common practice)
RING_LEAST = 0.001  # m under a mouth that lies on the floor
# Direction of the vehicle's acceleration: forward and left parts.
DIRECTIONS = {"pulling": (1.0, 0.0), "braking": (-1.0, 0.0), "left": (0.0, 1.0), "right": (0.0, -1.0)}

WAYS = tuple(DIRECTIONS)


def rotation_of(context: Context) -> Array:
    """How the engine lies in the vehicle."""
    lie = context.installation
    angles = (lie.engine_yaw, lie.engine_pitch, lie.engine_roll)
    return engine_to_vehicle(*(0.0 if a is None else a for a in angles))


def likely_rotation(context: Context) -> Array:
    """The likely one of its samples (3, 3)."""
    return _likely_turn(rotation_of(context))


def _likely_turn(rotation: Array) -> Array:
    return rotation[0] if rotation.ndim == 3 else rotation


def in_sump(facts: OilFacts) -> Array:
    """Oil left in the pan running [m3]: less what is up in the engine, and what an accumulator holds."""
    quantity = as_array(facts.oil_quantity)
    return np.maximum(quantity - as_array(facts.oil_up) - accumulated(facts), 0.05 * quantity)


def accumulated(facts: OilFacts) -> Array:
    """Oil in the accumulator, charged to the relief's pressure [m3]."""
    own = facts.accumulator
    if own.volume is None or own.precharge is None:
        return as_array(0.0)
    return oil_held(own.volume, own.precharge, facts.pump.relief)


def leans(facts: OilFacts) -> bool:
    """Whether anything was said of how mouth or floor lean; a drawn outline's floor may slope by itself."""
    said = (facts.pickup.mouth_pitch, facts.pickup.mouth_roll, facts.pan.floor_roll)
    return any(v is not None for v in said)


def mouth_tilt(facts: OilFacts, pan: Pan) -> Array:
    """Angle between the pickup's mouth and the floor under it [rad]: what an adapter has to turn it by."""

    def up(along: Value, across: Value) -> Array:
        n = np.stack(np.broadcast_arrays(-np.tan(as_array(along)), -np.tan(as_array(across)), 1.0), axis=-1)
        return np.asarray(n / np.linalg.norm(n, axis=-1, keepdims=True))

    pitch, roll, lean = (
        0.0 if v is None else v for v in (facts.pickup.mouth_pitch, facts.pickup.mouth_roll, facts.pan.floor_roll)
    )
    between = np.sum(up(pitch, roll) * up(pan.slope, lean), axis=-1)
    return np.asarray(np.arccos(np.minimum(between, 1.0)))


def covered(
    pan: Pan,
    rotation: Array,
    volume: Value,
    forward: Value,
    left: Value,
    grade: Value = 0.0,
    heel: Value = 0.0,
    over: Value = 0.0,
    scan: Array = G_SCAN,
    tolerance: float = 1e-4,
) -> Array:
    """Largest acceleration [g] along (forward, left) before the pickup draws air.

    Parameters
    ----------
    pan : Pan
    rotation : array (3, 3)
        Engine to vehicle.
    volume : float or array
        Oil in the pan [m3].
    forward, left : float or array
        Direction in the vehicle, a unit vector.
    grade, heel : float or array
        Standing tilt: tangent, and [rad] with the left side down.
    over : float or array
        Oil wanted over the pickup's mouth, square to the surface [m].
    scan : array (step, ...)
        Accelerations at which the first crossing is sought, rising from 0 to 3 [g].
    tolerance : float
        [g].

    Returns
    -------
    array
        3 where it never uncovers up to there; 0 where it is bare at rest.

    Notes
    -----
    The pickup uncovers when the plane through it, or so far over it, has the oil's whole volume under it: one root, not
    two. The first crossing is sought on a scan, then refined. Quasi-static.
    """
    f, s, t, h, v, o = np.broadcast_arrays(*(as_array(x) for x in (forward, left, grade, heel, volume, over)))

    def surplus(g: Array) -> Array:
        n = to_engine(apparent_up(g * f, g * s, 0.0, t, h), rotation)
        return np.asarray(volume_below(pan.body, n, pan.over_pickup(n) + o) - v)

    steps = np.broadcast_to(scan.reshape(scan.shape + (1,) * (f.ndim + 1 - scan.ndim)), (len(scan), *f.shape))
    found = surplus(steps)
    bare = found > 0.0
    i = np.where(bare.any(axis=0), np.argmax(bare, axis=0), len(scan))
    high = np.minimum(i, len(scan) - 1)[None]
    low = np.maximum(high - 1, 0)
    (g_low, v_low), (g_high, v_high) = (
        (np.take_along_axis(steps, k, 0)[0], np.take_along_axis(found, k, 0)[0]) for k in (low, high)
    )
    root = find_root(surplus, g_low, g_high, tolerance=tolerance, values=(v_low, v_high))
    return np.asarray(np.where(i == 0, 0.0, np.where(i == len(scan), G_MOST, root)))


def head(pan: Pan, normal: Array, volume: Value) -> Array:
    """Oil over the pickup along apparent gravity [m], for surfaces square to ``normal`` (..., 3), engine axes."""
    return np.asarray(surface_height(pan.body, normal, as_array(volume)) - pan.over_pickup(normal))


@dataclass(frozen=True)
class Coverage:
    """Asked and covered acceleration [g] in each direction, (duty, direction) or (duty, direction, sample).

    ``tilt``: along and across parts of what is asked, grade and lean of each, on the same axes. ``over``: oil wanted
    over the pickup's mouth in each duty [m], (duty, 1) or (duty, 1, sample).
    """

    pan: Pan
    rotation: Array
    volume: Array
    asked: Array
    covered: Array
    tilt: tuple[Array, Array, Array, Array]
    over: Array

    @cached_property
    def normals(self) -> Array:
        """Of the likely surface, engine axes (duty, direction and rest, 3); the fifth stands on the grade."""
        still = np.zeros((len(self.asked), 1))
        along, across, grade, lean = (_first(v, 2) for v in self.tilt)
        shape = (len(self.asked), 4)
        wide = (np.hstack([np.broadcast_to(v, shape), still]) for v in (along, across, lean))
        along, across, lean = wide
        return to_engine(apparent_up(along, across, 0.0, grade, lean), _likely_turn(self.rotation))

    @property
    def sampled_normals(self) -> Array:
        """Of the surface at what each direction asks, (duty, direction, sample, 3)."""
        along, across, grade, lean = (v if v.ndim == 3 else v[..., None] for v in self.tilt)
        return to_engine(apparent_up(along, across, 0.0, grade, lean), self.rotation)

    @cached_property
    def heads(self) -> Array:
        """Oil over the likely pickup along apparent gravity [m], (duty, direction and rest)."""
        return head(self.pan.likely, self.normals, likely(self.volume))

    @property
    def head(self) -> Array:
        """At what each direction asks."""
        return self.heads[:, :4]

    @property
    def rest(self) -> Array:
        """Standing on the duty's grade."""
        return self.heads[:, 4]

    def standing(self, duty: int, way: int) -> float:
        """Oil over the likely pickup [m] on the duty's grade and that direction's lean, with nothing pulling at it."""
        _, _, grade, lean = (float(np.broadcast_to(_first(v, 2), (len(self.asked), 4))[duty, way]) for v in self.tilt)
        return float(
            head(
                self.pan.likely,
                to_engine(apparent_up(0.0, 0.0, 0.0, grade, lean), _likely_turn(self.rotation)),
                likely(self.volume),
            )
        )

    @property
    def normal(self) -> Array:
        """Of the surface at what each direction asks."""
        return self.normals[:, :4]


@dataclass(frozen=True)
class Covered:
    """What stays over a pickup or a tank's outlet, and the accelerations [g] to which it does, its baffle counted."""

    coverage: Coverage
    limits: Array


def surface(coverage: Coverage, duty: int, direction: int) -> Array:
    """Where the oil's surface stands along its own normal [m] at what a direction asks."""
    over = coverage.pan.likely.over_pickup(coverage.normal[duty, direction])
    return np.asarray(coverage.head[duty, direction] + over)


# Of the fullest direction: below it a direction's limit is not sampled, only what is asked of it.
NEAR = 0.6
# Of the likely limit: where samples look for theirs.
NEAR_SCAN = np.array([0.6, 1.0, 1.6])


def coverage(context: Context, facts: OilFacts, pan: Pan) -> Coverage:
    """Of the pan as the engine lies, running."""
    return worked(context, pan, rotation_of(context), in_sump(facts), cover(context, facts, pan))


def worked(context: Context, pan: Pan, rotation: Array, volume: Array, over: Array) -> Coverage:
    """Work every duty's braking, cornering and pulling, either heel, on its grade.

    Parameters
    ----------
    context : Context
    pan : Pan
        Or whatever else holds oil over an outlet.
    rotation : array (3, 3) or (sample, 3, 3)
        Its axes to the machine's.
    volume : array
        Oil in it [m3].
    over : array (duty, 1) or (duty, 1, sample)
        Wanted over its outlet [m].
    """
    cases = context.duties.cases
    # Heel goes with the way the surface is thrown: a left turn throws oil to the right.
    whole = _by_duty(
        [
            [
                *(c.pulling, c.braking, c.cornering, c.cornering),
                *(0.0 * c.heel, 0.0 * c.heel, -c.heel, c.heel),
                c.supposed.get("grade", c.grade),
            ]
            for c in cases
        ]
    )
    asked, lean, grade = whole[:, :4], whole[:, 4:8], whole[:, 8:]
    many = asked.shape[2:]
    f, s = (np.array([d[k] for d in DIRECTIONS.values()]).reshape((1, 4) + (1,) * len(many)) for k in (0, 1))
    limits = _limits(
        pan.likely,
        _likely_turn(rotation),
        likely(volume),
        *(_first(v, 2) for v in (f, s, grade, lean, over)),
    )
    if many or np.ndim(volume) or rotation.ndim == 3 or pan.pickup.ndim == 2 or over.ndim == 3:
        limits = _sampled(pan, rotation, volume, asked, limits, (f, s, grade, lean, over))
        if not many:
            asked, f, s, grade, lean = (v[..., None] for v in (asked, f, s, grade, lean))
    return Coverage(pan, rotation, volume, asked, limits, (asked * f, asked * s, grade, lean), over)


def cover(context: Context, facts: OilFacts, pan: Pan | None) -> Array:
    """Oil a pickup's mouth wants over its middle in each duty [m], (duty, 1) or (duty, 1, sample).

    ``10 mm + v^2 / 2g`` with v through the ring between mouth and floor: less, and the surface dimples down to it
    and air is drawn. Half as much either way; what is asked of pump sumps for water is four times as much and is
    not meant for a running engine (common practice). A mouth that leans against the floor has one edge so much higher,
    and the other so much nearer the floor.
    """
    drawn = hot_flow(context, facts)
    mouth = as_array(facts.pickup.mouth)
    over = as_array(facts.pickup.clearance) if pan is None else over_floor(facts, pan)
    gap = np.maximum(over, RING_LEAST)
    speed = drawn / (np.pi * mouth * gap)
    wanted = np.asarray((COVER + speed**2 / (2.0 * GRAVITY)) * context.doubt(COVER_DOUBT))
    if pan is not None and leans(facts):
        wanted = wanted + 0.5 * mouth * np.sin(mouth_tilt(facts, pan))
    wide: Array = np.broadcast_to(wanted, np.broadcast_shapes(wanted.shape, (1, len(context.duties.cases), 1)))[0]
    return wide if wide.shape[-1] == 1 else wide[:, None, :]


def _by_duty(rows: list[list[Value]]) -> Array:
    flat = np.broadcast_arrays(*(as_array(v) for row in rows for v in row))
    return np.stack(flat).reshape((len(rows), -1, *flat[0].shape))


def _first(value: Array, axes: int) -> Array:
    """The likely one of any samples."""
    return value if value.ndim == axes else value[..., 0]


def _limits(
    pan: Pan, rotation: Array, volume: Value, f: Array, s: Array, grade: Array, lean: Array, over: Array
) -> Array:
    """Covered acceleration in each direction; directions that several duties share are worked once."""
    keys = np.stack(np.broadcast_arrays(grade, lean, f, s, over), axis=-1)
    unique, back = np.unique(keys.reshape(-1, 5), axis=0, return_inverse=True)
    found = covered(pan, rotation, volume, unique[:, 2], unique[:, 3], unique[:, 0], unique[:, 1], unique[:, 4])
    return found[back.ravel()].reshape(keys.shape[:2])


def _sampled(pan: Pan, rotation: Array, volume: Array, asked: Array, limits: Array, tilt: tuple[Array, ...]) -> Array:
    """Samples of the limits: searched afresh near the likely one, for those directions that may govern."""
    fill = np.where(limits > 0.0, _first(asked, 2) / np.maximum(limits, 1e-9), 99.0)
    picked = np.nonzero(fill >= NEAR * float(fill.max()))
    size = max(
        np.size(volume),
        asked.shape[-1] if asked.ndim == 3 else 1,
        len(pan.pickup) if pan.pickup.ndim == 2 else 1,
        len(rotation) if rotation.ndim == 3 else 1,
        tilt[-1].shape[-1] if tilt[-1].ndim == 3 else 1,
    )
    shape = (*limits.shape, size)
    f, s, grade, lean, over = (np.broadcast_to(v if v.ndim == 3 else v[..., None], shape)[picked] for v in tilt)
    near = limits[picked][None, :, None] * NEAR_SCAN[:, None, None]
    ends = np.zeros((1, *near.shape[1:])), np.full((1, *near.shape[1:]), G_MOST)
    scan = np.sort(np.minimum(np.concatenate([ends[0], near, ends[1]]), G_MOST), axis=0)
    found = np.broadcast_to(limits[..., None], shape).copy()
    found[picked] = covered(pan, rotation, volume, f, s, grade, lean, over, scan, 1e-3)
    return found


def effective(facts: OilFacts, limits: Array) -> Array:
    """Covered acceleration with the baffle's stated one [g].

    A baffle keeps oil from running away; it brings none to a pickup that is bare at rest, on its grade or heel.
    """
    if facts.pan.baffle == "given" and facts.pan.baffle_g is not None:
        good = as_array(facts.pan.baffle_g) / GRAVITY
        bare = limits[..., None] if good.ndim and limits.ndim == 2 else limits
        return np.where(bare > 0.0, np.maximum(bare, good), bare)
    return limits
