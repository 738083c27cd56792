"""Fuel pumps: a table or points, the motor that turns them, wear and the relief in them."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import need
from gauge_well.core.roots import polyline
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.typing import Array, Value, as_array, clip, likely

RULE_SHUT_OFF, SPRING_SHUT_OFF = 2.6, 1.5  # times the rating pressure, at which a one-point pump stops; a diaphragm's
# spring holds it nearer (from memory)
# ohm m at 20 degC, and its rise for each kelvin (iec60028); what joints and plugs add; K of a loom that carries a pump's
# current over the fuel beside it (common practice).
COPPER, COPPER_RISE, JOINTS, LOOM_OVER = 1.724e-8, 3.93e-3, 1.03, 20.0
PUMP_EFFICIENCY = 0.22  # electrical to hydraulic, whole pump (common practice)
NO_LOAD = 0.5  # of its rated current a pump draws against no pressure (common practice)
LEVEL = 1.001  # flow at no pressure over that at the one point known: level, and still falling
RELIEF_SPAN = 0.10  # of its setting, over which a relief opens wide (common practice)
GRID, RELIEF_ROWS = 33, 9
MAIN, LIFT = "pump", "lift"


@dataclass(frozen=True)
class PumpCurve:
    """Flow of all pumps side by side over pressure at the rating voltage.

    ``pressure`` rises, ``flow`` falls, on the first axis; samples on the last. Beyond the last point the last slope goes on to no flow.
    """

    pressure: Array
    flow: Array
    by_rule: bool

    def flow_at(self, pressure: Value, voltage_ratio: Value) -> Array:
        """Flow [m3/s] against ``pressure`` [Pa] at a voltage ratio.

        ``Q(p, V) = r q(p / r)``: a displacement pump on a direct-current motor, whose speed is
        linear in voltage and in torque (from memory). Never negative.
        """
        r = np.maximum(as_array(voltage_ratio), 1e-3)
        return np.asarray(np.maximum(r * polyline(self.pressure, self.flow, as_array(pressure) / r), 0.0))

    def pressure_at(self, flow: Value, voltage_ratio: Value) -> Array:
        """Pressure [Pa] against which the pump moves ``flow``; the inverse of :meth:`flow_at`."""
        r = np.maximum(as_array(voltage_ratio), 1e-3)
        return np.asarray(r * polyline(-self.flow, self.pressure, -as_array(flow) / r))

    @property
    def shut_off(self) -> Array:
        """Pressure [Pa] at which it moves nothing, at the rating voltage."""
        return self.pressure_at(0.0, 1.0)


@dataclass(frozen=True)
class Motor:
    """What turns a pump: volts over its rating as ``ratio - fall p``, amps as ``idle + slope p``.

    A direct-current motor's current goes with its torque, that with the pressure; the wire takes its volts from
    the current. All that hang on one wire together. Driven by the engine: ratio 1, no amps.
    """

    rating: Array
    ratio: Array
    fall: Array
    idle: Array
    slope: Array

    def amps(self, pressure: Value) -> Array:
        """Current [A] of all pumps together against ``pressure`` [Pa]."""
        return np.asarray(self.idle + self.slope * as_array(pressure))

    def share(self, pressure: Value) -> Array:
        """Volts over the rating."""
        return np.maximum(self.ratio - self.fall * as_array(pressure), 0.05)

    def volts(self, pressure: Value) -> Array:
        """Volts at the pump."""
        return np.asarray(self.rating * self.share(pressure))


def wire_resistance(facts: FuelFacts) -> Array:
    """Resistance of the pump's wire, there and back [ohm], as warm as it runs: ``rho 2 L / A``, copper (iec60028)."""
    length = as_array(need(facts.wire_length, "fuel.wire_length"))
    warm = as_array(need(facts.fuel_temperature, "fuel.fuel_temperature")) + LOOM_OVER - 293.15
    resistivity = COPPER * (1.0 + COPPER_RISE * warm) * JOINTS
    return np.asarray(2.0 * resistivity * length / need(facts.wire_area, "fuel.wire_area"))


@dataclass(frozen=True)
class Pump:
    """A pump as fitted: its curve, what turns it, how worn, its relief."""

    curve: PumpCurve
    motor: Motor
    health: Array
    relief: Array | None
    speed: Array

    def flow(self, pressure: Value) -> Array:
        """Flow [m3/s] against ``pressure`` [Pa] across it, on its wire."""
        p = as_array(pressure)
        found = self.health * self.speed * self.curve.flow_at(p, self.motor.share(p))
        if self.relief is None:
            return np.asarray(found)
        return np.asarray(found * clip(1.0 - (p - self.relief) / (RELIEF_SPAN * self.relief), 0.0, 1.0))

    def pressures(self) -> Array:
        """Pressures [Pa] from shut-off down to none, on the first axis: even steps, its curve's corners, its relief.

        ``r(p) = ratio - fall p``, so that the corner at P of the table stands at ``P ratio / (1 + fall P)``.
        """
        motor = self.motor

        def real(p: Array) -> Array:
            return np.asarray(p * motor.ratio / (1.0 + motor.fall * p))

        stop = np.maximum(real(self.curve.shut_off), 1.0)
        even = [stop * share for share in np.linspace(0.0, 1.0, GRID)]
        corners = [real(p) for p in self.curve.pressure]
        if self.relief is not None:
            corners += [np.minimum(self.relief * (1.0 + k), stop) for k in np.linspace(0.0, RELIEF_SPAN, RELIEF_ROWS)]
        rows = np.stack(np.broadcast_arrays(*(np.atleast_1d(row) for row in (*even, *corners))))
        return -np.sort(-clip(rows, 0.0, stop), axis=0)


def refuse(facts: FuelFacts) -> None:
    """Raise :class:`CoreError` for a pump that gives more at more pressure; a pump not given is fine."""
    for which in (MAIN, LIFT):
        with suppress(MissingFact):
            curve_of(facts, which)
    volts = [likely(row[0]) for row in facts.dead_table or ()]
    if facts.dead_table is not None and (len(volts) < 2 or len(set(volts)) < len(volts)):
        raise CoreError(
            "dead_table",
            "fuel.dead_table",
            len(volts),
            "two rows or more, each at volts of its own",
            "The table of dead times needs two rows or more, each at volts of its own.",
        )


def curve_of(facts: FuelFacts, which: str = MAIN) -> PumpCurve:
    """Build from a table, two points, or one point with the shut-off by rule.

    Of one point no more flow is counted below its pressure: what it gives there nobody stated.
    """

    def read(name: str) -> Any:
        return getattr(facts, f"{which}_{name}")

    def field(name: str) -> str:
        return f"fuel.{which}_{name}"

    count = as_array(need(facts.pump_count, "fuel.pump_count")) if which == MAIN else as_array(1.0)
    if read("table") is not None:
        rows = sorted(read("table"), key=lambda row: likely(row[0]))
        pressure, flow = (np.stack([as_array(row[k]) for row in rows]) for k in (0, 1))
        if len(rows) < 2 or np.any(np.diff(pressure, axis=0) <= 0.0):
            raise CoreError(
                "table_short",
                field("table"),
                len(rows),
                "two rows at different pressures",
                "The pump table needs two rows or more at different pressures.",
            )
        if np.any(np.diff(flow, axis=0) >= 0.0):
            raise CoreError(
                "table_not_falling",
                field("table"),
                [likely(f) for f in flow],
                "flow falling as pressure rises",
                "The pump table must give less flow at more pressure; one row is out of order.",
            )
        return _through(list(pressure), list(flow), count)
    p1 = as_array(need(read("pressure"), field("pressure")))
    q1 = as_array(need(read("flow"), field("flow")))
    if read("flow_2") is not None and read("pressure_2") is not None:
        p2, q2 = as_array(read("pressure_2")), as_array(read("flow_2"))
        rise = likely(p2) - likely(p1)
        if rise == 0.0 or (likely(q2) - likely(q1)) * rise >= 0.0:
            raise CoreError(
                "points_not_falling",
                field("flow_2"),
                likely(q2),
                "less flow at more pressure",
                "The pump's second point must give less flow at more pressure than its first.",
            )
        if rise < 0.0:
            p1, q1, p2, q2 = p2, q2, p1, q1
        # Doubts of two points may cross; a pump's curve still falls.
        p2, q2 = np.maximum(p2, p1 + 0.05 * abs(rise)), np.minimum(q2, 0.999 * q1)
        return _through([p1, p2], [q1, q2], count)
    if which == MAIN and facts.pump_drive == "engine":
        stop = np.maximum(SPRING_SHUT_OFF * p1, p1 + 5e3)
    else:
        stop = np.maximum(RULE_SHUT_OFF * p1, p1 + 40e3)
    return replace(_through([0.0 * p1, p1, stop], [LEVEL * q1, q1, 0.0 * q1], count), by_rule=True)


def _through(pressures: Sequence[Array], flows: Sequence[Array], count: Array) -> PumpCurve:
    """Curve through points, any of which may have samples."""
    n = len(pressures)
    flat = np.broadcast_arrays(*pressures, *(flow * count for flow in flows))
    return PumpCurve(np.stack(flat[:n]), np.stack(flat[n:]), False)


def caught(facts: FuelFacts) -> tuple[Array, Array, Array] | None:
    """A catch test: flow [m3/s], pressure [Pa], volts; None where any of it is not stated."""
    volume, time, pressure = facts.catch_volume, facts.catch_time, facts.catch_pressure
    volts = facts.rating_voltage if facts.pump_drive != "electric" else facts.catch_voltage
    if volume is None or time is None or pressure is None or volts is None:
        return None
    return as_array(volume) / as_array(time), as_array(pressure), as_array(volts)


def health_of(facts: FuelFacts, curve: PumpCurve) -> Array:
    """What it gives over what its table says: by the catch test at that test's own pressure and volts, else its wear."""
    test = caught(facts)
    if test is None:
        return 1.0 - as_array(need(facts.pump_wear, "fuel.pump_wear"))
    flow, pressure, volts = test
    said = curve.flow_at(pressure, volts / as_array(need(facts.rating_voltage, "fuel.rating_voltage")))
    return clip(flow / np.maximum(said, 1e-9), 0.05, 1.5)


def motor_of(facts: FuelFacts, curve: PumpCurve, rated_pressure: Array, which: str, volts: Value | None) -> Motor:
    """Motor and wire; the current given at the rated pressure, or from hydraulic power. ``volts`` at the pump stand
    in place of what the wiring gives."""
    rating = as_array(need(facts.rating_voltage, "fuel.rating_voltage"))
    none = as_array(0.0)
    if which == MAIN and facts.pump_drive != "electric":
        return Motor(rating, as_array(1.0), none, none, none)
    supply = as_array(need(facts.supply_voltage, "fuel.supply_voltage"))
    given = facts.pump_current if which == MAIN else facts.lift_current
    if given is not None:
        count = as_array(need(facts.pump_count, "fuel.pump_count")) if which == MAIN else 1.0
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
    curve = curve_of(facts, which)
    if which == MAIN:
        at = facts.pump_pressure if facts.pump_table is None else facts.rail_pressure
        health = health_of(facts, curve)
        relief = None if facts.relief_pressure is None else as_array(facts.relief_pressure)
    else:
        at, health, relief = facts.lift_pressure, as_array(1.0), None
    rated = np.maximum(as_array(at) if at is not None else curve.pressure[0], 20e3)
    driven = which == MAIN and facts.pump_drive == "engine"
    return Pump(curve, motor_of(facts, curve, rated, which, volts), health, relief, as_array(speed if driven else 1.0))


def one_of(facts: FuelFacts) -> FuelFacts:
    """The facts with one of several pumps running alone."""
    return replace(facts, pump_count=1.0)
