"""From outside to the valves: what snorkel, filter, meter, pipe and throttle take, and what a charge's own way takes."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Engine, Operation
from gauge_well.core.flow.pipe import bore_area, pressure_drop
from gauge_well.core.media import air
from gauge_well.core.parts.air_filter import AT_SERVICE, MEDIA
from gauge_well.core.parts.line import LineFacts
from gauge_well.core.reads import CHARGE_CORE
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import Array, Value, as_array

LOSS = 1.5  # K of a few bends and a mouth, where nobody says (common practice)
LENGTH = 0.5  # m
THROTTLE_LOSS = 1.8  # K of an open throttle, plate and shaft in the way, on its bore's head (common practice)
METER_LOSS = 0.6  # K of a meter's grid and insert (common practice)
METER_AHEAD = 4.0  # bores of straight pipe ahead of a meter (common practice)
PRESSURE_COST = {True: 1.0, False: 1.2}  # share of power for a share of pressure: unboosted, boosted (common practice)
CHARGE_SPEED = 60.0  # m/s wished for in charge pipes (common practice)
MACH_MOST = 0.3
SHUT_AT = np.radians(6.0)  # a throttle's plate against its bore, shut (common practice)
KAPPA = 1.4


def lost(context: Context, line: LineFacts, flow: Array, temperature: Value, pressure: Value) -> Array | None:
    """Pressure lost in a duct [Pa] at a mass flow [kg/s]: ``(f L/D + K) rho u^2/2`` (churchill1977); None where it is not there."""
    if line.bore is None:
        return None
    rho = air.density(temperature, pressure)
    length = LENGTH if line.length is None else line.length
    loss = LOSS if line.loss is None else line.loss
    return pressure_drop(flow / rho, line.bore, length, rho, air.viscosity(temperature) / rho, loss)


def filter_loss(facts: AirFacts, flow: Array, temperature: Value, pressure: Value, service: bool) -> Array | None:
    """Pressure lost in the filter [Pa]: ``mu alpha u``, u through its medium; three times that at service.

    By its sheet's point where that is given, straight through it. None where neither its area nor a point is known.
    """
    own = facts.filter
    times = AT_SERVICE if service else 1.0
    through = flow / air.density(temperature, pressure)
    if own.drop is not None and own.drop_flow is not None:
        return np.asarray(times * as_array(own.drop) * through / own.drop_flow)
    alpha = MEDIA[own.medium or "paper"][1]
    if alpha == 0.0:
        return np.asarray(0.0 * through)
    if own.area is None:
        return None
    return np.asarray(times * air.viscosity(temperature) * alpha * through / own.area)


def throttle_loss(facts: AirFacts, flow: Array, temperature: Value, pressure: Value) -> Array | None:
    """Pressure lost in open throttles [Pa]; None where none is stated."""
    if facts.throttle is None:
        return None
    count = 1.0 if facts.throttles is None else facts.throttles
    rho = air.density(temperature, pressure)
    speed = flow / rho / (bore_area(facts.throttle) * count)
    return np.asarray(0.5 * THROTTLE_LOSS * rho * speed**2)


def at_throttle(context: Context, op: Operation) -> tuple[Array, Array]:
    """Air at the throttle: temperature [K] and pressure [Pa]; a charge's where something boosts."""
    if context.engine.facts.aspiration == "natural":
        return context.duties.column("ambient"), context.duties.column("pressure")
    pressure = context.duties.column("pressure")
    return op.intake_temperature, np.asarray(np.maximum(pressure + op.manifold_gauge, pressure))


def free_share(angle: Value) -> Array:
    """Share of a throttle's bore that is free at a plate's angle [rad] from square across: ``1 - cos a / cos a0``."""
    return np.asarray(np.maximum(1.0 - np.cos(as_array(angle)) / np.cos(SHUT_AT), 0.0))


def choked_flow(bore: Value, angle: Value, temperature: Value, pressure: Value) -> Array:
    """Most air [kg/s] a throttle lets by with next to nothing behind it (heywood1988, app. C)."""
    rate = np.sqrt(KAPPA / (air.R_AIR * as_array(temperature))) * (2.0 / (KAPPA + 1.0)) ** (
        (KAPPA + 1.0) / (2.0 * (KAPPA - 1.0))
    )
    return np.asarray(bore_area(bore) * free_share(angle) * as_array(pressure) * rate)


def volume_flow(context: Context, op: Operation) -> Array:
    """Air drawn from outside [m3/s]."""
    rho = air.density(context.duties.column("ambient"), context.duties.column("pressure"))
    return np.asarray(op.air_mass_flow / rho)


@dataclass(frozen=True)
class Drawn:
    """What each place takes at full flow [Pa], None where it is not stated; new and at service; ``cost`` as a share of power."""

    snorkel: Array | None
    filter: Array | None
    filter_service: Array | None
    meter: Array | None
    pipe: Array | None
    throttle: Array | None
    total: Array
    service: Array
    cost: Array


def drawn(context: Context, facts: AirFacts, op: Operation) -> Drawn:
    """All of an intake at the air of ``op``."""
    t, p = context.duties.column("ambient"), context.duties.column("pressure")
    flow = op.air_mass_flow
    snorkel = lost(context, facts.snorkel, flow, t, p)
    new, loaded = (filter_loss(facts, flow, t, p, s) for s in (False, True))
    pipe = lost(context, facts.pipe, flow, t, p)
    meter = None
    if facts.meter is not None:
        rho = air.density(t, p)
        meter = np.asarray(0.5 * METER_LOSS * rho * (flow / rho / bore_area(facts.meter)) ** 2)
    # Behind a blower a throttle meets denser air, and what it takes is a share of more.
    warm, dense = at_throttle(context, op)
    throttle = throttle_loss(facts, flow, warm, dense) if context.engine.fuel.spark else None
    ways = [v for v in (snorkel, meter, pipe) if v is not None]
    before = sum(ways, start=np.asarray(0.0))
    total = before + (0.0 if new is None else new) + (0.0 if throttle is None else throttle)
    service = before + (0.0 if loaded is None else loaded)
    rate = PRESSURE_COST[context.engine.facts.aspiration == "natural"]
    ahead = total - (0.0 if throttle is None else throttle)
    share = ahead / p + (0.0 if throttle is None else throttle / dense)
    return Drawn(
        snorkel,
        new,
        loaded,
        meter,
        pipe,
        throttle,
        np.asarray(total),
        np.asarray(service),
        np.asarray(rate * share),
    )


@dataclass(frozen=True)
class Charge:
    """A boosted charge on its way: hot out of the compressor and cooled [K], its pressure [Pa], speed [m/s] and Mach number in
    the hot pipe, pressure lost in pipes and cooler [Pa]; effectiveness, and whether it is its own core's."""

    hot: Array
    cooled: Array
    pressure: Array
    speed: Array | None
    mach: Array | None
    lost: Array | None
    effectiveness: Array
    by_core: bool


def charge(context: Context, facts: AirFacts, op: Operation) -> Charge | None:
    """None where nothing boosts."""
    engine: Engine = context.engine
    if engine.facts.aspiration == "natural":
        return None
    t, p = context.duties.column("ambient"), context.duties.column("pressure")
    pressure = np.maximum(p + op.manifold_gauge, p)
    core = context.told(CHARGE_CORE)
    effect = as_array(engine.facts.charge_cooler) if core is None else core
    cooled = np.asarray(op.compressed_temperature - effect * (op.compressed_temperature - t))
    line, flow = facts.charge_pipe, op.air_mass_flow
    speed = mach = drop = None
    if line.bore is not None:
        rho = air.density(op.compressed_temperature, pressure)
        speed = np.asarray(flow / rho / bore_area(line.bore))
        mach = np.asarray(speed / np.sqrt(KAPPA * air.R_AIR * op.compressed_temperature))
        # Half its way it is hot, half cooled.
        halves = [lost(context, line, flow, h, pressure) for h in (op.compressed_temperature, cooled)]
        both = [h for h in halves if h is not None]
        drop = np.asarray(sum(both, start=np.asarray(0.0)) / len(both))
    if facts.cooler_drop is not None:
        rated = np.maximum(np.max(flow, axis=-2, keepdims=True), 1e-9) if flow.ndim > 1 else flow
        drop = (0.0 if drop is None else drop) + facts.cooler_drop * (flow / rated) ** 2
    return Charge(op.compressed_temperature, cooled, pressure, speed, mach, drop, np.asarray(effect), core is not None)
