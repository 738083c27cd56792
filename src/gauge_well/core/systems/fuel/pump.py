"""Pumps as fitted in the fuel's circuit: what turns them, on what wire."""

from __future__ import annotations

import numpy as np

from gauge_well.core.facts import need, with_facts
from gauge_well.core.parts import wire
from gauge_well.core.parts.pump import Motor, Pump, PumpCurve, PumpFacts, curve_of, health_of
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.typing import Array, Value, as_array

LOOM_OVER = 20.0  # K of a loom that carries a pump's current over the fuel beside it (common practice)
PUMP_EFFICIENCY = 0.22  # electrical to hydraulic, whole pump (common practice)
NO_LOAD = 0.5  # of its rated current a pump draws against no pressure (common practice)
MAIN, LIFT = "main", "lift_pump"


def place_of(facts: FuelFacts, which: str) -> PumpFacts:
    """The pump in one of the two places."""
    return facts.main if which == MAIN else facts.lift_pump


def wire_resistance(facts: FuelFacts) -> Array:
    """Resistance of the pump's wire, there and back [ohm], as warm as it runs."""
    warm = as_array(facts.fuel_temperature) + LOOM_OVER
    return wire.resistance(facts.wire, warm, "fuel.wire")


def motor_of(facts: FuelFacts, curve: PumpCurve, rated_pressure: Array, which: str, volts: Value | None) -> Motor:
    """Motor and wire; the current given at the rated pressure, or from hydraulic power. ``volts`` at the pump stand
    in place of what the wiring gives."""
    rating = as_array(need(facts.main.voltage, "fuel.main.voltage"))
    none = as_array(0.0)
    if which == MAIN and facts.main.drive != "electric":
        return Motor(rating, as_array(1.0), none, none, none)
    supply = as_array(facts.supply_voltage)
    given = facts.main.current if which == MAIN else facts.lift_pump.current
    if given is not None:
        count = as_array(need(facts.main.count, "fuel.main.count")) if which == MAIN else 1.0
        rated = as_array(given) * count
    else:
        rated = np.maximum(rated_pressure * curve.flow_at(rated_pressure, 1.0) / (PUMP_EFFICIENCY * rating), 1.0)
    idle, slope = NO_LOAD * rated, (1.0 - NO_LOAD) * rated / rated_pressure
    if volts is not None:
        return Motor(rating, as_array(volts) / rating, none, idle, slope)
    wire = wire_resistance(facts)
    return Motor(rating, np.maximum(supply - wire * idle, 1.0) / rating, np.asarray(wire * slope / rating), idle, slope)


def pump_of(facts: FuelFacts, which: str = MAIN, speed: Value = 1.0, volts: Value | None = None) -> Pump:
    """The pump as fitted; MissingFact where nothing is known of it.

    Parameters
    ----------
    which : str
        :data:`MAIN` or :data:`LIFT`.
    speed : float or array
        Of an engine-driven pump over the speed it is rated at.
    volts : float, optional
        At the pump, in place of what the wiring gives.
    """
    curve = curve_of(place_of(facts, which), f"fuel.{which}")
    if which == MAIN:
        at = facts.main.pressure if facts.main.table is None else facts.regulator.pressure
        health = health_of(facts.main, curve, "fuel.main")
        relief = None if facts.main.relief is None else as_array(facts.main.relief)
    else:
        at, health, relief = facts.lift_pump.pressure, as_array(1.0), None
    rated = np.maximum(as_array(at) if at is not None else curve.pressure[0], 20e3)
    driven = which == MAIN and facts.main.drive == "engine"
    return Pump(curve, motor_of(facts, curve, rated, which, volts), health, relief, as_array(speed if driven else 1.0))


def one_of(facts: FuelFacts) -> FuelFacts:
    """The facts with one of several pumps running alone."""
    return with_facts(facts, {"main.count": 1.0})
