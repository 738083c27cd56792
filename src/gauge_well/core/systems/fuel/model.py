"""Fuel solved: demand, injectors, pump against line and rail, suction."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import pressure_drop
from gauge_well.core.media import fuels
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.roots import where_falling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel.facts import CEILINGS, INJECTIONS, RESERVES, FuelFacts, Injection
from gauge_well.core.systems.fuel.pump import PumpCurve, curve_of
from gauge_well.core.typing import Array, Value, as_array

COPPER_RESISTIVITY = 1.9e-8  # ohm m, warm wire with its joints (common practice)
PUMP_EFFICIENCY = 0.22  # electrical to hydraulic, whole pump (common practice)
VAPOUR_MARGIN = 10e3


@dataclass(frozen=True)
class Circuit:
    """The circuit before any flow is known."""

    facts: FuelFacts
    way: Injection
    fuel: fuels.Fuel
    temperature: Array
    viscosity: Array
    design_flow: Array
    reserve: float
    ceiling: float
    pressure: Array

    @property
    def rail_gauge(self) -> Array:
        """Regulator setting [Pa] over its reference."""
        return as_array(need(self.facts.rail_pressure, "fuel.rail_pressure"))


def circuit_of(context: Context, facts: FuelFacts) -> Circuit:
    """Resolve choices and media."""
    way = INJECTIONS[facts.injection or "port"]
    temperature = as_array(need(facts.fuel_temperature, "fuel.fuel_temperature"))
    fuel = context.engine.fuel
    flow = context.own_fuel_flow / as_array(need(facts.burned_share, "fuel.burned_share"))
    return Circuit(
        facts,
        way,
        fuel,
        temperature,
        fuels.kinematic_viscosity(fuel, temperature),
        as_array(flow),
        RESERVES[facts.reserve or "20"][1],
        CEILINGS[facts.ceiling or "85"][1],
        context.duties.column("pressure"),
    )


def burned(peak: Operation, fuel: fuels.Fuel) -> Array:
    """Fuel burned [m3/s]."""
    return peak.fuel_mass_flow / fuel.density


def demand(peak: Operation, fuel: fuels.Fuel, facts: FuelFacts) -> Array:
    """Fuel the pump must move [m3/s]: burned and spilled, without reserve."""
    return burned(peak, fuel) / as_array(need(facts.burned_share, "fuel.burned_share"))


def manifold_lift(circuit: Circuit, peak: Operation) -> Array:
    """What the reference adds to the rail [Pa]: boost, when it is referenced to the manifold."""
    return peak.manifold_gauge if circuit.facts.reference == "manifold" else 0.0 * peak.manifold_gauge


def line_drop(circuit: Circuit, flow: Value) -> Array:
    """Pressure line [Pa]: Darcy-Weisbach with fittings, and the filter in proportion to flow."""
    f = circuit.facts
    pipe = pressure_drop(
        flow,
        need(f.line_bore, "fuel.line_bore"),
        need(f.line_length, "fuel.line_length"),
        circuit.fuel.density,
        circuit.viscosity,
        need(f.line_loss, "fuel.line_loss"),
    )
    share = as_array(flow) / np.maximum(circuit.design_flow, 1e-12)
    return pipe + as_array(need(f.filter_drop, "fuel.filter_drop")) * share


def suction_drop(circuit: Circuit, flow: Value) -> Array:
    """Suction line, sieve and lift [Pa]."""
    f = circuit.facts
    pipe = pressure_drop(
        flow,
        need(f.suction_bore, "fuel.suction_bore"),
        need(f.suction_length, "fuel.suction_length"),
        circuit.fuel.density,
        circuit.viscosity,
        1.5,
    )
    share = as_array(flow) / np.maximum(circuit.design_flow, 1e-12)
    sieve = as_array(need(f.sieve_drop, "fuel.sieve_drop")) * share
    lift = circuit.fuel.density * GRAVITY * as_array(need(f.suction_lift, "fuel.suction_lift"))
    return pipe + sieve + lift


def vapour_pressure(circuit: Circuit) -> Array:
    """Vapour pressure of the fuel as sold, at its hottest [Pa]."""
    return fuels.vapour_pressure(circuit.fuel, circuit.temperature, circuit.facts.reid_pressure)


@dataclass(frozen=True)
class Suction:
    """Pump inlet."""

    inlet: Array
    least: Array
    source: Array


def suction(circuit: Circuit, flow: Array) -> Suction:
    """Pressure at the pump inlet against the least it can stand [Pa absolute].

    Least: the fuel's vapour pressure (with its 1.07) and 10 kPa.
    """
    vapour = vapour_pressure(circuit)
    inlet = circuit.pressure - suction_drop(circuit, flow)
    return Suction(inlet, np.asarray(vapour + VAPOUR_MARGIN), circuit.pressure)


@dataclass(frozen=True)
class PumpPoint:
    """The pump at its working point: flow where its curve meets line and rail."""

    flow: Array
    pressure: Array
    voltage: Array
    current: Array
    voltage_ratio: Array


def wire_resistance(facts: FuelFacts) -> Array:
    """Resistance of the pump's wire, there and back [ohm]."""
    length = as_array(need(facts.wire_length, "fuel.wire_length"))
    return 2.0 * COPPER_RESISTIVITY * length / need(facts.wire_area, "fuel.wire_area")


def pump_voltage(circuit: Circuit, curve: PumpCurve) -> tuple[Array, Array, Array]:
    """Volts at the pump, amps and volts over rating; current given, or from hydraulic power."""
    facts = circuit.facts
    rating = as_array(need(facts.rating_voltage, "fuel.rating_voltage"))
    if facts.pump_drive == "engine":
        return rating, as_array(0.0), as_array(1.0)
    supply = as_array(need(facts.supply_voltage, "fuel.supply_voltage"))
    count = as_array(need(facts.pump_count, "fuel.pump_count"))
    if facts.pump_current is not None:
        current = as_array(facts.pump_current) * count
    else:
        p = np.maximum(circuit.rail_gauge, 20e3)
        current = np.maximum(p * curve.flow_at(p, 1.0) / (PUMP_EFFICIENCY * rating), 1.0)
    voltage = np.maximum(supply - current * wire_resistance(facts), 1.0)
    return voltage, current, voltage / rating


DELIVERY_POINTS = 33


@dataclass(frozen=True)
class Delivery:
    """A pump on its wiring and line: flow against the pressure the rail holds, as a table.

    What the rail's pressure may be is explicit in the flow (pump curve less line and suction), so that
    one pass of the pipe relations serves every power and duty.
    """

    circuit: Circuit
    flow: Array
    rail: Array
    voltage: Array
    current: Array
    ratio: Array

    def at(self, peak: Operation) -> PumpPoint:
        """Most the pump can deliver at the rail's pressure [m3/s]; nought where it cannot reach it."""
        back = self.circuit.rail_gauge + manifold_lift(self.circuit, peak)
        flow = where_falling(self.flow, self.rail, back)
        pressure = np.maximum(back + resistance(self.circuit, flow), 0.0)
        return PumpPoint(flow, pressure, *np.broadcast_arrays(self.voltage, self.current, self.ratio))


def resistance(circuit: Circuit, flow: Value) -> Array:
    """What the pump works against besides the rail [Pa].

    Returned rail: the whole pump flow goes through line and filter. Dead-headed: the regulator
    stands at the tank, so the line loss comes off the rail instead and the pump sees only the filter.
    """
    facts = circuit.facts
    if facts.rail == "dead_headed":
        share = as_array(flow) / np.maximum(circuit.design_flow, 1e-12)
        loss = as_array(need(facts.filter_drop, "fuel.filter_drop")) * share
    else:
        loss = line_drop(circuit, flow)
    return np.asarray(loss + suction_drop(circuit, flow))


def delivery_of(circuit: Circuit, curve: PumpCurve, volts: Value | None = None) -> Delivery:
    """Work the pump's whole curve through wire, line and suction.

    ``volts`` at the pump stand in place of what the wiring gives.
    """
    voltage, current, ratio = pump_voltage(circuit, curve)
    if volts is not None:
        voltage = as_array(volts)
        ratio = voltage / as_array(need(circuit.facts.rating_voltage, "fuel.rating_voltage"))
    # Samples, where there are any, stand behind the table's own axis.
    most = np.atleast_1d(curve.flow_at(0.0, ratio))
    even = np.linspace(0.0, 1.0, DELIVERY_POINTS).reshape((-1,) + (1,) * most.ndim) * most
    # The curve's own points stand in the table, so that its corners are kept.
    own = np.stack([np.atleast_1d(row * ratio) for row in curve.flow])
    flow = np.sort(np.concatenate([even, np.broadcast_to(own, (len(own), *most.shape))]), axis=0)
    rail = curve.pressure_at(flow, ratio) - resistance(circuit, flow)
    return Delivery(circuit, flow, rail, voltage, current, ratio)


def drawn(circuit: Circuit, point: PumpPoint | None, peak: Operation) -> Array:
    """Flow through the suction side [m3/s]: a returned pump draws all it can, whatever is burned."""
    flow = demand(peak, circuit.fuel, circuit.facts)
    if point is not None and circuit.facts.rail == "returned":
        flow = np.maximum(flow, point.flow)
    return flow


@dataclass(frozen=True)
class Injectors:
    """Injectors at the peak of each duty."""

    pressure: Array
    flow: Array
    share: Array
    dead_share: Array


def injectors(circuit: Circuit, peak: Operation, context: Context) -> Injectors:
    """Share of the cycle the injectors must be open, dead time included.

    ``q = q_ref sqrt(dp / dp_ref)``, dp = rail less manifold; share = needed / q + dead N / 120
    (sae_j1832; four-stroke).
    """
    facts = circuit.facts
    reference = as_array(need(facts.injector_flow, "fuel.injector_flow"))
    rated = as_array(need(facts.injector_pressure, "fuel.injector_pressure"))
    count = as_array(need(facts.injector_count, "fuel.injector_count"))
    rail = circuit.rail_gauge + manifold_lift(circuit, peak)
    if facts.rail == "dead_headed":
        rail = rail - line_drop(circuit, demand(peak, circuit.fuel, facts))
    dp = rail - peak.manifold_gauge
    flow = reference * np.sqrt(np.maximum(dp, 0.0) / rated)
    needed = burned(peak, circuit.fuel) / count
    dead = as_array(need(facts.dead_time, "fuel.dead_time")) * peak.speed * context.engine.swept_rate_factor
    share = np.where(flow > 0.0, needed / np.maximum(flow, 1e-15), 99.0)
    return Injectors(dp, flow, share + dead, dead)


__all__ = [
    "Circuit",
    "Delivery",
    "Injectors",
    "PumpCurve",
    "PumpPoint",
    "Suction",
    "burned",
    "circuit_of",
    "curve_of",
    "delivery_of",
    "demand",
    "drawn",
    "injectors",
    "line_drop",
    "manifold_lift",
    "pump_voltage",
    "resistance",
    "suction",
    "suction_drop",
    "vapour_pressure",
    "wire_resistance",
]
