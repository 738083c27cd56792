"""Where the oil's heat goes, and how hot each duty leaves it."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.media import oils
from gauge_well.core.reads import COOLANT_FREE, COOLANT_LEAST, COOLANT_MOST, COOLANT_PER_WATT
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan
from gauge_well.core.typing import Array, as_array, clip

BLOCK_DOUBT = "oil_to_block"
WITH_OIL = 0.15  # of the engine's metal goes with its oil: crank, rods, bearings, pan (common practice)
# K of oil over coolant at rated heat with no other way out, (spark, boosted); 20 to 60 (common practice).
BLOCK_STANDS = {(True, False): 25.0, (True, True): 40.0, (False, False): 25.0, (False, True): 30.0}
COOLANT_OVER_THERMOSTAT = 10.0  # K at which a sound cooling system holds the coolant, where none is known
NO_PAN, NO_PAN_OIL = 0.25, 5e-3  # m2 of skin that a pan not known has for its oil [m3] (common practice)
PAN_STILL, PAN_MOVING, PAN_AIR = 10.0, 5.5, 0.2  # W/m2K; per root of m/s; of road speed under the car
COOLER_STILL = 0.25  # of an air cooler's conductance with no air moving; whole from 15 m/s
COOLER_SPEED = 15.0
PLATE_OPENS, PLATE_LEAKS = 353.15, 0.1  # K; share of the flow that a shut plate lets by (common practice)
OIL_WARM, OIL_SOAKED, COOL_START = 12.0, 16.0, 343.15  # K over the thermostat; K


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
    plate: bool

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
        plate=facts.cooler.plate == "plate",
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
    """All ways open; with a thermostat plate the cooler's is shut as far as it takes to hold what the plate opens at."""
    settled = _balance(ways, heat, 1.0)
    if not ways.plate:
        return settled
    return np.asarray(np.maximum(settled, np.minimum(PLATE_OPENS, _balance(ways, heat, PLATE_LEAKS))))


def _balance(ways: Ways, heat: Array, through: float) -> Array:
    to_coolant, to_air = ways.block + through * ways.water, ways.pan + through * ways.air
    return np.asarray((heat + to_coolant * ways.coolant + to_air * ways.ambient) / (to_coolant + to_air))


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
