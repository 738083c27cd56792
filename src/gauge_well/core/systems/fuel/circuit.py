"""The circuit before any flow is known: choices, medium, and what each line, filter and height takes."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from gauge_well.core.duty.model import ALTERNATOR_EFFICIENCY, STEERING
from gauge_well.core.engine.model import Operation, operate
from gauge_well.core.facts import fact, need
from gauge_well.core.flow.pipe import pressure_drop
from gauge_well.core.media import fuels
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.parts.regulator import REGULATED
from gauge_well.core.reads import SAG
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.facts_supply import CEILINGS, INJECTIONS, RESERVES, Injection
from gauge_well.core.typing import Array, Value, as_array

INLET_LOSS = 1.5  # K of a pickup and a bend
VAPOUR_MARGIN = 10e3  # Pa over its vapour pressure that a pump's inlet wants; none where it lies in the fuel
VACUUM = -60e3  # Pa in a throttled engine's manifold, idling (common practice)


@dataclass(frozen=True, eq=False, kw_only=True)
class Circuit:
    """Choices and media; pressures over the air outside unless said."""

    context: Context
    facts: FuelFacts
    way: Injection
    fuel: fuels.Fuel
    temperature: Array
    viscosity: Array
    design_flow: Array
    reserve: float
    ceiling: float
    pressure: Array

    def fact(self, name: str) -> Array:
        """A fact as an array; MissingFact where it is not given."""
        return as_array(need(fact(self.facts, name), f"fuel.{name}"))

    @property
    def rail_gauge(self) -> Array:
        """Regulator's setting over its reference, or what the engine wants at its inlet [Pa]."""
        return self.fact("regulator.pressure")

    @property
    def regulated(self) -> bool:
        """Whether a regulator holds the pressure."""
        return self.facts.regulator.place in REGULATED

    @property
    def pumped(self) -> bool:
        """Whether a pump stands ahead of the engine's own."""
        return self.facts.main.drive != "none"

    def weight(self, height: Value) -> Array:
        """Pressure [Pa] of a column of fuel."""
        return np.asarray(self.fuel.density * GRAVITY * as_array(height))

    def share(self, flow: Value) -> Array:
        """Flow over what the engine burns and spills at its own rated power."""
        return np.asarray(as_array(flow) / np.maximum(self.design_flow, 1e-12))

    def pipe(self, flow: Value, place: str, loss: Value) -> Array:
        """Darcy-Weisbach with fittings [Pa] of the line in that place."""
        bore, length = self.fact(f"{place}.bore"), self.fact(f"{place}.length")
        return pressure_drop(flow, bore, length, self.fuel.density, self.viscosity, loss)

    def line_drop(self, flow: Value) -> Array:
        """Pressure line and the filter in it, in proportion to flow [Pa]."""
        return np.asarray(self.pipe(flow, "line", self.fact("line.loss")) + self.filter_drop(flow))

    def filter_drop(self, flow: Value) -> Array:
        """Filter [Pa]."""
        return np.asarray(self.fact("filter.drop") * self.share(flow))

    def suction_drop(self, flow: Value) -> Array:
        """Suction line, sieve and lift, from the tank to the first pump [Pa]."""
        sieve = self.fact("sieve.drop") * self.share(flow)
        return np.asarray(self.pipe(flow, "suction", INLET_LOSS) + sieve + self.weight(self.fact("suction_lift")))

    def lift_drop(self, flow: Value) -> Array:
        """Line from the lift pump [Pa]."""
        return self.pipe(flow, "lift_line", INLET_LOSS)

    def pot_drop(self, flow: Value) -> Array:
        """Hose and height from the pot to the main pump [Pa]."""
        return np.asarray(self.pipe(flow, "pot_line", INLET_LOSS) + self.weight(self.fact("pot_lift")))

    def return_drop(self, flow: Value) -> Array:
        """Return line and the regulator wide open [Pa]."""
        return self.pipe(flow, "return_line", self.fact("return_line.loss"))

    def overflow_drop(self, flow: Value) -> Array:
        """The pot's overflow back to the tank [Pa]."""
        return self.pipe(flow, "overflow", INLET_LOSS)

    @cached_property
    def idle(self) -> Operation:
        """The engine idling with its lamps on, in every duty's air."""
        duties, engine = self.context.duties, self.context.engine
        electrical = self.context.machine.electrical_load
        power = (0.0 if electrical is None else as_array(electrical)) / ALTERNATOR_EFFICIENCY + STEERING
        speed = engine.facts.idle_speed
        return operate(engine, self.context.wanted, power, speed, duties.column("ambient"), duties.column("pressure"))

    def vapour_pressure(self) -> Array:
        """Vapour pressure of the fuel as sold, at its hottest [Pa absolute]."""
        return fuels.vapour_pressure(self.fuel, self.temperature, self.facts.reid_pressure)

    @property
    def vapour_margin(self) -> float:
        """Over its vapour pressure that the first inlet wants [Pa]: a pump that lies in the fuel draws no bubbles."""
        submerged = self.facts.pump_place == "tank" and self.facts.lift == "none" and self.pumped
        return 0.0 if submerged else VAPOUR_MARGIN

    def least_inlet(self) -> Array:
        """Least the first inlet can stand [Pa absolute]."""
        return np.asarray(self.vapour_pressure() + self.vapour_margin)

    def left_of(self, lost: Value) -> Array:
        """Pressure of an inlet that has lost ``lost`` [Pa absolute]."""
        return np.asarray(self.pressure - lost)

    def over_boiling(self, lost: Value) -> Array:
        """What an inlet that has lost ``lost`` [Pa] is left with over the least it can stand [Pa]."""
        return np.asarray(self.left_of(lost) - self.least_inlet())

    def with_reserve(self, flow: Value) -> Array:
        """A flow with the reserve chosen."""
        return np.asarray(as_array(flow) * (1.0 + self.reserve))

    def spilled(self, taken: Value) -> Array:
        """What the engine gives back of the fuel it takes [m3/s]."""
        return np.asarray(as_array(taken) * (1.0 - self.fact("burned_share")))


def on_volts(context: Context, facts: FuelFacts) -> FuelFacts:
    """The facts with the volts that each duty's charging leaves at the battery."""
    short = context.given.get(SAG)
    if short is None or not np.any(short > 0.0):
        return facts
    return replace(facts, supply_voltage=np.asarray(as_array(facts.supply_voltage) * (1.0 - short)))


def circuit_of(context: Context, facts: FuelFacts) -> Circuit:
    """Resolve choices and media."""
    temperature = as_array(facts.fuel_temperature)
    fuel = context.engine.fuel
    flow = context.own_fuel_flow / as_array(facts.burned_share)
    return Circuit(
        context=context,
        facts=on_volts(context, facts),
        way=INJECTIONS[facts.injection],
        fuel=fuel,
        temperature=temperature,
        viscosity=fuels.kinematic_viscosity(fuel, temperature),
        design_flow=as_array(flow),
        reserve=RESERVES[facts.reserve][1],
        ceiling=CEILINGS[facts.ceiling][1],
        pressure=context.duties.column("pressure"),
    )


def burned(peak: Operation, fuel: fuels.Fuel) -> Array:
    """Fuel burned [m3/s]."""
    return peak.fuel_mass_flow / fuel.density


def demand(peak: Operation, circuit: Circuit) -> Array:
    """Fuel the engine takes [m3/s]: burned and spilled, without reserve."""
    return burned(peak, circuit.fuel) / circuit.fact("burned_share")


def manifold_lift(circuit: Circuit, peak: Operation) -> Array:
    """What the reference adds to the rail [Pa]: boost, when it is referenced to the manifold."""
    held = circuit.regulated and circuit.facts.regulator.reference == "manifold"
    return peak.manifold_gauge if held else 0.0 * peak.manifold_gauge


def asked_pressure(circuit: Circuit, peak: Operation) -> Array:
    """Pressure [Pa] held, or wanted, at the engine's inlet."""
    return np.asarray(circuit.rail_gauge + manifold_lift(circuit, peak))


def has_injectors(circuit: Circuit) -> bool:
    """Whether injectors are judged here and known."""
    return circuit.way.injectors and circuit.facts.injectors.flow is not None
