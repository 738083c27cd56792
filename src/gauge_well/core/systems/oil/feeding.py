"""Pump, relief and leakage: pressure, flow, and what is lost on the way to the pump."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import pressure_drop
from gauge_well.core.media import oils
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.oils import Oil
from gauge_well.core.reads import OIL_40, OIL_100
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil.facts import KNEE, OWN, OilFacts
from gauge_well.core.typing import Array, Value, as_array, likely

SUCTION_LEAST = 55e3  # Pa absolute, common practice
PSI_PER_SPEED = 68.94757  # Pa for each rev/min: 10 psi for each 1000 (common practice)
PICKUP_LOSS = 2.5  # sieve, bend and inlet
PICKUP_SLOW = 1000.0  # of the same in thick oil, over the Reynolds number (hooper1981: elbow 800, inlet 160)
FILTER = 25e3  # Pa across a filter hot at rated speed (common practice)
FAR = 0.7  # of the gallery's pressure left at the far end or behind a restrictor, 0.5 to 0.9 (common practice)
TANK_LINE = 1.0  # m from a dry sump's tank to its pump (common practice)
INERTIAL = 0.5  # of what bearings and jets let through at 100 degC goes by inertia, the rest by thickness (0.3 to 0.7)
READS_RELIEF = 0.9  # of the relief's setting from which a reading is the relief's


def clean(facts: OilFacts) -> Oil:
    """The grade in it, or an oil by its own two figures."""
    if facts.grade != OWN:
        return oils.OILS[facts.grade]
    names = ("viscosity_40", "viscosity_100")
    thick, thin = (need(getattr(facts, name), f"oil.{name}") for name in names)
    return Oil(OWN, "own figures", thick, thin)


def oil_of(facts: OilFacts) -> Oil:
    """The oil as it is: with so much fuel in it."""
    return clean(facts) if facts.dilution is None else oils.diluted(clean(facts), facts.dilution)


def thickness(context: Context, facts: OilFacts) -> Mapping[str, Array]:
    """Its two figures, for whoever turns the engine cold; nothing where an oil of its own lacks one."""
    try:
        oil = oil_of(facts)
    except MissingFact:
        return {}
    return {OIL_40: as_array(oil.at_40), OIL_100: as_array(oil.at_100)}


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
    at = as_array(facts.hot_pressure_speed)
    read = _in_gallery(facts, as_array(facts.hot_pressure), at / context.engine.rated_speed)
    if likely(read) >= READS_RELIEF * likely(relief):
        return Leak(read, np.minimum(at, knee), read)
    return Leak(read, at, relief)


def _in_gallery(facts: OilFacts, read: Array, share: Array) -> Array:
    """What a hot reading says of the gallery [Pa gauge], by where its gauge is teed in; ``share`` of rated speed."""
    if facts.gauge_at == "sandwich":
        hot = FILTER if facts.filter_drop is None else facts.filter_drop
        return np.maximum(read - hot * share, 0.1 * read)
    return np.asarray(read / FAR) if facts.gauge_at in ("head", "turbo") else read


def thinness(facts: OilFacts, oil_temperature: Value) -> Array:
    """Dynamic viscosity of the oil as it is over that of clean oil at 100 degC, with which pressure is read."""
    thin = oils.viscosity_walther(oil_of(facts), oil_temperature) * oils.density(oil_temperature)
    return np.asarray(thin / (oils.viscosity_walther(clean(facts), oils.T_100) * oils.density(oils.T_100)))


def gauge_pressure(facts: OilFacts, leak: Leak, speed: Value, oil_temperature: Value) -> Array | None:
    """Oil pressure [Pa gauge], held at the relief; None when no reading is given.

    A pump moves what its speed says; bearings pass it half by thickness and half by inertia:
    ``p = p_ref (0.5 n mu/mu_100 + 0.5 n^2)``, n speed over the reading's (from memory).
    """
    if facts.hot_pressure is None or facts.hot_pressure_speed is None:
        return None
    n = as_array(speed) / leak.speed
    free = leak.pressure * ((1.0 - INERTIAL) * n * thinness(facts, oil_temperature) + INERTIAL * n**2)
    return np.minimum(free, leak.relief)


def drawn_flow(facts: OilFacts, leak: Leak, speed: Value, oil_temperature: Value) -> Array:
    """Oil that comes through the pickup [m3/s]: what the pump moves, less what its relief lets back to its inlet.

    The bearings pass no more than the relief's pressure drives through them: the speed at which it opens, from
    :func:`gauge_pressure`.
    """
    moved = pump_flow(facts, speed)
    if facts.pump.relief_returns == "sump":
        return moved
    slow = (1.0 - INERTIAL) * thinness(facts, oil_temperature)
    opens = (np.sqrt(slow**2 + 4.0 * INERTIAL * leak.relief / leak.pressure) - slow) / (2.0 * INERTIAL)
    return np.minimum(moved, pump_flow(facts, opens * leak.speed))


def hot_flow(context: Context, facts: OilFacts) -> Array:
    """What is drawn at each duty's speed [m3/s], oil of 100 degC."""
    return drawn_flow(facts, leak_of(context, facts), context.mean.speed, oils.T_100)


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


def least_pressure(facts: OilFacts, speed: Value, rated_speed: Value) -> Array:
    """Least oil pressure [Pa gauge] by the school chosen."""
    if facts.pressure_school == "maker":
        return as_array(need(facts.least_pressure, "oil.least_pressure")) * as_array(speed) / rated_speed
    return PSI_PER_SPEED * as_array(speed)


def pump_flow(facts: OilFacts, speed: Value) -> Array:
    """Oil the pump moves [m3/s] at an engine speed [rev/min], as worn as it is said to be."""
    ratio = 1.0 if facts.pump.ratio is None else facts.pump.ratio
    worn = 1.0 if facts.pump.worn is None else facts.pump.worn
    return as_array(facts.pump.displacement) * as_array(speed) * ratio * worn / 60.0


def suction_drop(facts: OilFacts, flow: Value, oil_temperature: Value) -> Array:
    """Lost between sump and pump [Pa]: the pump's lift, the pipe, sieve and bend, which lose more in thick oil.

    From a dry sump's tank oil runs down to the pump: no lift, and the tank's own line where its bore is said.
    """
    rho = oils.density(oil_temperature)
    dry = facts.sump == "dry"
    own = facts.tank_line.bore if dry else None
    lost = pressure_drop(
        flow,
        facts.pickup.bore if own is None else own,
        TANK_LINE if dry else facts.pickup.length,
        rho,
        oils.viscosity_walther(oil_of(facts), oil_temperature),
        PICKUP_LOSS,
        slow_factor=PICKUP_SLOW,
    )
    return np.asarray(lost + (0.0 if dry else rho * GRAVITY * as_array(facts.pickup_lift)))
