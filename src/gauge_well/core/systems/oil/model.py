"""Oil solved: what stays over the pickup, temperature, pressure, suction."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import gravity_flow, pressure_drop
from gauge_well.core.geometry.frames import apparent_up, engine_to_vehicle, to_engine
from gauge_well.core.geometry.free_surface import surface_height, volume_below
from gauge_well.core.media import oils
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.oils import Oil
from gauge_well.core.reads import COOLANT_FREE, COOLANT_LEAST, COOLANT_MOST, COOLANT_PER_WATT
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil.facts import KNEE, OWN, OilFacts
from gauge_well.core.systems.oil.pan import Pan
from gauge_well.core.typing import Array, Value, as_array, clip, likely

G_MOST = 3.0  # beyond it a pickup counts as never uncovered
G_SCAN = np.linspace(0.0, G_MOST, 25)
BLOCK_DOUBT = "oil_to_block"
WITH_OIL = 0.15  # of the engine's metal goes with its oil: crank, rods, bearings, pan (common practice)
COVER_DOUBT = "pickup_cover"
# K of oil over coolant at rated heat with no other way out, (spark, boosted); 20 to 60 (common practice).
BLOCK_STANDS = {(True, False): 25.0, (True, True): 40.0, (False, False): 25.0, (False, True): 30.0}
COOLANT_OVER_THERMOSTAT = 10.0  # K at which a sound cooling system holds the coolant, where none is known
NO_PAN, NO_PAN_OIL = 0.25, 5e-3  # m2 of skin that a pan not known has for its oil [m3] (common practice)
PAN_STILL, PAN_MOVING, PAN_AIR = 10.0, 5.5, 0.2  # W/m2K; per root of m/s; of road speed under the car
COOLER_STILL = 0.25  # of an air cooler's conductance with no air moving; whole from 15 m/s
COOLER_SPEED = 15.0
SUCTION_LEAST = 55e3  # Pa absolute, common practice
PSI_PER_SPEED = 68.94757  # Pa for each rev/min: 10 psi for each 1000 (common practice)
DRAIN_SHARE = 0.25  # half full, half of that foam
DRAIN_SLOPE = np.radians(15.0)  # least fall of a return (common practice)
PICKUP_LOSS = 2.5  # sieve, bend and inlet
PICKUP_SLOW = 1000.0  # of the same in thick oil, over the Reynolds number (hooper1981: elbow 800, inlet 160)
COVER = 0.010  # m of oil that a pickup's mouth wants over it with nothing drawn (common practice)
RING_LEAST = 0.001  # m under a mouth that lies on the floor
INERTIAL = 0.5  # of what bearings and jets let through at 100 degC goes by inertia, the rest by thickness (0.3 to 0.7)
READS_RELIEF = 0.9  # of the relief's setting from which a reading is the relief's
OIL_WARM, OIL_SOAKED, COOL_START = 12.0, 16.0, 343.15  # K over the thermostat; K
# Direction of the vehicle's acceleration: forward and left parts.
DIRECTIONS = {"pulling": (1.0, 0.0), "braking": (-1.0, 0.0), "left": (0.0, 1.0), "right": (0.0, -1.0)}


def rotation_of(context: Context) -> Array:
    """How the engine lies in the vehicle."""
    lie = context.installation
    angles = (lie.engine_yaw, lie.engine_pitch, lie.engine_roll)
    return engine_to_vehicle(*(0.0 if a is None else a for a in angles))


def oil_of(facts: OilFacts) -> Oil:
    """The grade in it, or an oil by its own two figures."""
    if facts.grade != OWN:
        return oils.OILS[facts.grade]
    names = ("viscosity_40", "viscosity_100")
    thick, thin = (need(getattr(facts, name), f"oil.{name}") for name in names)
    return Oil(OWN, "own figures", thick, thin)


def in_sump(facts: OilFacts) -> Array:
    """Oil left in the pan running [m3]."""
    quantity = as_array(facts.oil_quantity)
    return np.maximum(quantity - as_array(facts.oil_up), 0.05 * quantity)


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
        rotation = self.rotation[0] if self.rotation.ndim == 3 else self.rotation
        return to_engine(apparent_up(along, across, 0.0, grade, lean), rotation)

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
        rotation = self.rotation[0] if self.rotation.ndim == 3 else self.rotation
        return float(
            head(self.pan.likely, to_engine(apparent_up(0.0, 0.0, 0.0, grade, lean), rotation), likely(self.volume))
        )

    @property
    def normal(self) -> Array:
        """Of the surface at what each direction asks."""
        return self.normals[:, :4]


def surface(coverage: Coverage, duty: int, direction: int) -> Array:
    """Where the oil's surface stands along its own normal [m] at what a direction asks."""
    over = coverage.pan.likely.over_pickup(coverage.normal[duty, direction])
    return np.asarray(coverage.head[duty, direction] + over)


# Of the fullest direction: below it a direction's limit is not sampled, only what is asked of it.
NEAR = 0.6
# Of the likely limit: where samples look for theirs.
NEAR_SCAN = np.array([0.6, 1.0, 1.6])


def coverage(context: Context, facts: OilFacts, pan: Pan) -> Coverage:
    """Work every duty's braking, cornering and pulling, either heel, on its grade."""
    rotation, volume = rotation_of(context), in_sump(facts)
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
    over = cover(context, facts)
    limits = _limits(
        pan.likely,
        rotation[0] if rotation.ndim == 3 else rotation,
        likely(volume),
        *(_first(v, 2) for v in (f, s, grade, lean, over)),
    )
    if many or np.ndim(volume) or rotation.ndim == 3 or pan.pickup.ndim == 2 or over.ndim == 3:
        limits = _sampled(pan, rotation, volume, asked, limits, (f, s, grade, lean, over))
        if not many:
            asked, f, s, grade, lean = (v[..., None] for v in (asked, f, s, grade, lean))
    return Coverage(pan, rotation, volume, asked, limits, (asked * f, asked * s, grade, lean), over)


def cover(context: Context, facts: OilFacts) -> Array:
    """Oil a pickup's mouth wants over it in each duty [m], (duty, 1) or (duty, 1, sample).

    ``10 mm + v^2 / 2g`` with v through the ring between mouth and floor: less, and the surface dimples down to it
    and air is drawn. Half as much either way; what is asked of pump sumps for water is four times as much and is
    not meant for a running engine (common practice).
    """
    drawn = drawn_flow(facts, leak_of(context, facts), context.mean.speed, oils.T_100)
    mouth = as_array(facts.pickup.mouth)
    gap = np.maximum(as_array(facts.pickup.clearance), RING_LEAST)
    speed = drawn / (np.pi * mouth * gap)
    wanted = np.asarray((COVER + speed**2 / (2.0 * GRAVITY)) * context.doubt(COVER_DOUBT))
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


@dataclass(frozen=True, kw_only=True)
class Ways:
    """Conductances out of the oil [W/K]: through the block, the pan's skin, a cooler into air or coolant.

    ``start`` is the oil's temperature as a duty begins, of those in ``after`` (place of the duty before, -1 where
    it follows none) the end of that one; ``settled`` how far it has gone from there to its steady state by the end
    of the duty, ``mean`` how far as a mean over it (both 1 for a lasting one).
    """

    block: Array
    pan: Array
    air: Array
    water: Array
    coolant: Array
    ambient: Array
    start: Array
    settled: Array
    mean: Array
    after: tuple[int, ...]

    @property
    def total(self) -> Array:
        """Sum of all."""
        return self.block + self.pan + self.air + self.water


def ways_out(context: Context, facts: OilFacts, pan: Pan | None) -> Ways:
    """Where oil heat goes, coolant as a sound system holds it; a pan not known has skin for its oil."""
    speed = context.duties.column("air_speed")
    quantity = as_array(facts.oil_quantity)
    bare = NO_PAN * (quantity / NO_PAN_OIL) ** (2.0 / 3.0)
    skin = (PAN_STILL + PAN_MOVING * np.sqrt(PAN_AIR * speed)) * (bare if pan is None else pan.wetted)
    own = context.mean.rated_oil * (context.engine.rated_power / context.wanted)
    ua = as_array(0.0 if facts.cooler.conductance is None else facts.cooler.conductance)
    moving = COOLER_STILL + (1.0 - COOLER_STILL) * np.minimum(speed / COOLER_SPEED, 1.0)
    thermostat = as_array(context.engine.facts.thermostat)
    engine = context.engine
    stands = BLOCK_STANDS[(engine.fuel.spark, engine.facts.aspiration != "natural")]
    block, ambient = as_array(own / stands * context.doubt(BLOCK_DOUBT)), context.duties.column("ambient")
    air = np.asarray(ua * moving * (facts.cooler.into == "air"))
    water = np.asarray(ua * float(facts.cooler.into == "water") + 0.0 * speed)
    start = _start(context, thermostat, ambient)
    capacity = quantity * oils.density(oils.T_100) * oils.HEAT_CAPACITY + WITH_OIL * context.engine.body_capacity
    times = np.minimum(context.duties.column("duration"), 1e9) * (block + skin + air + water) / capacity
    settled = -np.expm1(-times)
    coolant_ = thermostat + COOLANT_OVER_THERMOSTAT
    place = {case.id: at for at, case in enumerate(context.duties.cases)}
    after = tuple(place.get(case.after, -1) for case in context.duties.cases)
    return Ways(
        block=block,
        pan=np.asarray(skin),
        air=air,
        water=water,
        coolant=coolant_,
        ambient=ambient,
        start=start,
        settled=settled,
        mean=1.0 - settled / times,
        after=after,
    )


def with_coolant(context: Context, ways: Ways, mean: Operation) -> Ways:
    """The same with the coolant as the cooling system leaves it at an operating point, where that is known.

    Held by its thermostat while the core sheds all that is made, from there up with the heat to its limit: beyond
    that it is the cooling that gives out, and is said there.
    """
    if COOLANT_FREE not in context.given:
        return ways
    given = context.given
    rises = given[COOLANT_FREE] + given[COOLANT_PER_WATT] * mean.heat_to_coolant
    return replace(ways, coolant=clip(rises, given[COOLANT_LEAST], given[COOLANT_MOST]))


def _start(context: Context, thermostat: Array, ambient: Array) -> Array:
    """Oil temperature at the start of each duty [K]."""
    starts = [case.start for case in context.duties.cases]
    warm, cool, soaked = (np.array([s == n for s in starts])[None, :, None] for n in ("warm", "cool", "soaked"))
    return np.select(
        [warm, cool, soaked], [thermostat + OIL_WARM, np.asarray(COOL_START), thermostat + OIL_SOAKED], ambient
    )


def temperature(ways: Ways, heat: Array) -> Array:
    """Oil temperature at the end of a duty [K].

    Steady ``(Q + UA_c T_c + UA_a T_a) / sum UA``, approached from the start as one lump
    (incropera2007, ch. 5).
    """
    start = begins(ways, heat)
    return np.asarray(start + (_steady(ways, heat) - start) * ways.settled)


def begins(ways: Ways, heat: Array) -> Array:
    """Oil temperature as each duty begins [K]: its own start, or where the duty it follows leaves it."""
    start = as_array(ways.start)
    if max(ways.after) < 0:
        return start
    steady = _steady(ways, heat)
    follows = np.array(ways.after)[:, None] >= 0
    first = np.maximum(ways.after, 0)
    # As many times as a chain of duties is long at most: they follow each other in no ring.
    for _ in ways.after:
        end = np.broadcast_to(start + (steady - start) * ways.settled, np.broadcast_shapes(start.shape, steady.shape))
        start = np.where(follows, end[..., first, :], ways.start)
    return np.asarray(start)


def _steady(ways: Ways, heat: Array) -> Array:
    to_coolant, to_air = ways.block + ways.water, ways.pan + ways.air
    return np.asarray((heat + to_coolant * ways.coolant + to_air * ways.ambient) / ways.total)


@dataclass(frozen=True)
class HandOver:
    """Heat from oil to coolant as a mean over a duty, ``max(share Q + warmth, 0) - pull (T_c - T_a)`` [W, W/K]."""

    share: Array
    warmth: Array
    pull: Array


def hand_over(ways: Ways) -> HandOver:
    """What the oil brings the coolant, at whatever temperature that stands.

    ``Q = UA_c (T_mean - T_c)`` with ``T_mean = m T_steady + (1 - m) T_start``, written out. Steady it is linear in the
    oil's heat and in the coolant's temperature, so that the coolant closes both balances at once; while the oil is under
    way its lag is taken against coolant as a sound system holds it.
    """
    to_coolant, to_air = ways.block + ways.water, ways.pan + ways.air
    share = np.asarray(to_coolant / ways.total * ways.mean)
    lag = to_coolant * (1.0 - ways.mean) * (ways.start - ways.coolant)
    return HandOver(share, np.asarray(lag), np.asarray(share * to_air))


@dataclass(frozen=True)
class Leak:
    """What bearings and jets let through: a pressure [Pa] at an engine speed [rev/min], oil of its grade at 100 degC,
    and where the relief opens [Pa]."""

    pressure: Array
    speed: Array
    relief: Array


def leak_of(context: Context, facts: OilFacts) -> Leak:
    """From one hot reading; without one the relief is taken to be reached hot at 0.6 of rated speed.

    A reading near the relief's setting is the relief's own: it says where that opens, and nothing of how much more
    the pump moves.
    """
    relief = as_array(facts.pump.relief)
    knee = as_array(KNEE * context.engine.rated_speed)
    if facts.hot_pressure is None or facts.hot_pressure_speed is None:
        return Leak(relief, knee, relief)
    read, at = as_array(facts.hot_pressure), as_array(facts.hot_pressure_speed)
    if likely(read) >= READS_RELIEF * likely(relief):
        return Leak(read, np.minimum(at, knee), read)
    return Leak(read, at, relief)


def _thinness(facts: OilFacts, oil_temperature: Value) -> Array:
    """Dynamic viscosity over that at 100 degC."""
    oil = oil_of(facts)
    thin = oils.viscosity_walther(oil, oil_temperature) * oils.density(oil_temperature)
    return np.asarray(thin / (oils.viscosity_walther(oil, oils.T_100) * oils.density(oils.T_100)))


def gauge_pressure(facts: OilFacts, leak: Leak, speed: Value, oil_temperature: Value) -> Array | None:
    """Oil pressure [Pa gauge], held at the relief; None when no reading is given.

    A pump moves what its speed says; bearings pass it half by thickness and half by inertia:
    ``p = p_ref (0.5 n mu/mu_100 + 0.5 n^2)``, n speed over the reading's (from memory).
    """
    if facts.hot_pressure is None or facts.hot_pressure_speed is None:
        return None
    n = as_array(speed) / leak.speed
    free = leak.pressure * ((1.0 - INERTIAL) * n * _thinness(facts, oil_temperature) + INERTIAL * n**2)
    return np.minimum(free, leak.relief)


def drawn_flow(facts: OilFacts, leak: Leak, speed: Value, oil_temperature: Value) -> Array:
    """Oil that comes through the pickup [m3/s]: what the pump moves, less what its relief lets back to its inlet.

    The bearings pass no more than the relief's pressure drives through them: the speed at which it opens, from
    :func:`gauge_pressure`.
    """
    moved = pump_flow(facts, speed)
    if facts.pump.relief_returns == "sump":
        return moved
    slow = (1.0 - INERTIAL) * _thinness(facts, oil_temperature)
    opens = (np.sqrt(slow**2 + 4.0 * INERTIAL * leak.relief / leak.pressure) - slow) / (2.0 * INERTIAL)
    return np.minimum(moved, pump_flow(facts, opens * leak.speed))


def suction_speed(facts: OilFacts, leak: Leak, oil_temperature: Value, pressure: Value, most: Value) -> Array:
    """Engine speed [rev/min] up to which the pickup passes all that is drawn, ``most`` where beyond.

    Solved for the speed at which the way to the pump leaves 55 kPa absolute: what is lost rises with flow.
    """
    return find_root(
        lambda n: (
            suction_drop(facts, drawn_flow(facts, leak, n, oil_temperature), oil_temperature)
            - (as_array(pressure) - SUCTION_LEAST)
        ),
        as_array(1.0),
        as_array(most),
        tolerance=1.0,
    )


def turbo_drain(facts: OilFacts, oil_temperature: Value) -> Array | None:
    """What a turbo's return lets down [m3/s]: half its bore, halved again for foam (common practice).

    None where bore or slope are not known.
    """
    if facts.drain.bore is None or facts.drain.slope is None:
        return None
    oil = oil_of(facts)
    full = gravity_flow(facts.drain.bore, facts.drain.slope, oils.viscosity_walther(oil, oil_temperature))
    return np.asarray(DRAIN_SHARE * full)


def least_pressure(facts: OilFacts, speed: Value, rated_speed: Value) -> Array:
    """Least oil pressure [Pa gauge] by the school chosen."""
    if facts.pressure_school == "maker":
        return as_array(need(facts.least_pressure, "oil.least_pressure")) * as_array(speed) / rated_speed
    return PSI_PER_SPEED * as_array(speed)


def pump_flow(facts: OilFacts, speed: Value) -> Array:
    """Oil the pump moves [m3/s] at an engine speed [rev/min]."""
    return as_array(facts.pump.displacement) * as_array(speed) / 60.0


def suction_drop(facts: OilFacts, flow: Value, oil_temperature: Value) -> Array:
    """Lost between sump and pump [Pa]: the pump's lift, the pipe, sieve and bend, which lose more in thick oil."""
    rho = oils.density(oil_temperature)
    lost = pressure_drop(
        flow,
        facts.pickup.bore,
        facts.pickup.length,
        rho,
        oils.viscosity_walther(oil_of(facts), oil_temperature),
        PICKUP_LOSS,
        slow_factor=PICKUP_SLOW,
    )
    return np.asarray(lost + rho * GRAVITY * as_array(facts.pickup_lift))
