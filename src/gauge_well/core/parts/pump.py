"""A fuel pump: a table or points, what drives it, wear, relief, a catch test."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import Kind, Way, choice, need, quantity, table
from gauge_well.core.roots import polyline
from gauge_well.core.typing import Array, Value, as_array, clip, likely

RULE_SHUT_OFF, SPRING_SHUT_OFF = 2.6, 1.5  # times the rating pressure, at which a one-point pump stops; a diaphragm's
# spring holds it nearer (from memory)
LEVEL = 1.001  # flow at no pressure over that at the one point known: level, and still falling
RELIEF_SPAN = 0.10  # of its setting, over which a relief opens wide (common practice)
GRID, RELIEF_ROWS = 33, 9

PUMP_DRIVES: Mapping[str, str] = {
    "electric": "electric",
    "engine": "driven by the engine",
    "none": "none: gravity or the engine's own",
}

ELECTRIC = ("drive", ("electric",))


@dataclass(frozen=True)
class PumpFacts:
    """Its curve, its drive, its wear, a catch test. SI; pressures over the air outside."""

    flow: Value | None = quantity(
        "Pump flow, each", "flow_fuel", 1e-7, 5e-3, needed=True, group="Pump", count_field="count"
    )
    pressure: Value | None = quantity(
        "at",
        "pressure_gauge",
        0.0,
        1.5e6,
        needed=True,
        follows="flow",
        group="Pump",
        help="A rating without its pressure says little.",
    )
    flow_2: Value | None = quantity("Second point", "flow_fuel", 0.0, 5e-3, group="Pump", follows="flow")
    pressure_2: Value | None = quantity("at ", "pressure_gauge", 0.0, 2e6, group="Pump", follows="flow_2")
    table: tuple[tuple[float, ...], ...] | None = table(
        "Pump table",
        (("pressure", "pressure_gauge"), ("flow", "flow_fuel")),
        group="Pump",
        help="One row a line, for instance `3 bar, 190 L/h`.",
    )
    count: Value | None = quantity("How many, side by side", "count", 1, 6, group="Pump", spread="exact")
    drive: str = choice("Pump is", PUMP_DRIVES, group="Pump")
    speed: Value = quantity(
        "Rated at an engine speed of",
        "speed_rpm",
        100.0,
        20000.0,
        group="Pump",
        spread="exact",
        when=("drive", ("engine",)),
    )
    voltage: Value | None = quantity(
        "Rated at", "voltage", 3.0, 60.0, group="Pump", follows="flow", spread="exact", when=ELECTRIC
    )
    relief: Value | None = quantity(
        "Its relief opens at",
        "pressure_gauge",
        5e3,
        2e6,
        group="Pump",
        help="Of the valve in the pump; not where its curve runs out.",
    )
    wear: Value | None = quantity(
        "Worn by", "share", 0.0, 0.8, group="Pump", help="Of its flow when new. A catch test finds it.", spread="exact"
    )
    catch_volume: Value | None = quantity(
        "Caught", "volume", 1e-5, 0.1, group="Catch test", help="Return line into a can, engine not running on it."
    )
    catch_time: Value | None = quantity("in", "time", 1.0, 600.0, group="Catch test")
    catch_pressure: Value | None = quantity("against", "pressure_gauge", 0.0, 1.5e6, group="Catch test")
    catch_voltage: Value | None = quantity("with, at the pump", "voltage", 3.0, 60.0, group="Catch test", when=ELECTRIC)
    current: Value | None = quantity(
        "Pump draws", "current", 0.2, 80.0, group="Wiring", help="Each, at its rated pressure.", when=ELECTRIC
    )


WAYS: Mapping[str, Way] = {
    "flow": Way("tank", "Return line into a can for a minute, at that pressure and voltage."),
    "pressure": Way("tank", "A gauge at the pump while the flow is caught."),
    "flow_2": Way("tank", "Catch again with the return pinched to a second pressure."),
    "pressure_2": Way("tank", "The gauge's reading at the second catch."),
    "table": Way("tank", "Catch at three or four pressures, volts held."),
    "speed": Way("papers", "The maker's table says at what speed."),
    "relief": Way("tank", "Pinch the outlet for a second: where the gauge stops rising."),
    "wear": Way("tank", "Catch test: what it gives over what its table says."),
    "catch_volume": Way("tank", "Into a measuring can, away from sparks, battery charger off."),
    "catch_time": Way("tank", "Stopwatch; half a minute or more."),
    "catch_pressure": Way("tank", "Return pinched to the working pressure, gauge at the pump."),
    "catch_voltage": Way("tank", "At the pump's own terminals while it runs."),
    "current": Way("running", "A clamp meter on the pump's lead at its working pressure."),
}

PUMP = Kind("pump", "Fuel pump", PumpFacts, WAYS)


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


def curve_of(pump: PumpFacts, place: str) -> PumpCurve:
    """Build from a table, two points, or one point with the shut-off by rule.

    Of one point no more flow is counted below its pressure: what it gives there nobody stated. ``place``
    is where it sits, as ``section.role``.
    """

    count = as_array(1.0 if pump.count is None else pump.count)
    if pump.table is not None:
        rows = sorted(pump.table, key=lambda row: likely(row[0]))
        pressure, flow = (np.stack([as_array(row[k]) for row in rows]) for k in (0, 1))
        if len(rows) < 2 or np.any(np.diff(pressure, axis=0) <= 0.0):
            raise CoreError(
                "table_short",
                f"{place}.table",
                len(rows),
                "two rows at different pressures",
                "The pump table needs two rows or more at different pressures.",
            )
        if np.any(np.diff(flow, axis=0) >= 0.0):
            raise CoreError(
                "table_not_falling",
                f"{place}.table",
                [likely(f) for f in flow],
                "flow falling as pressure rises",
                "The pump table must give less flow at more pressure; one row is out of order.",
            )
        return _through(list(pressure), list(flow), count)
    p1 = as_array(need(pump.pressure, f"{place}.pressure"))
    q1 = as_array(need(pump.flow, f"{place}.flow"))
    if pump.flow_2 is not None and pump.pressure_2 is not None:
        p2, q2 = as_array(pump.pressure_2), as_array(pump.flow_2)
        rise = likely(p2) - likely(p1)
        if rise == 0.0 or (likely(q2) - likely(q1)) * rise >= 0.0:
            raise CoreError(
                "points_not_falling",
                f"{place}.flow_2",
                likely(q2),
                "less flow at more pressure",
                "The pump's second point must give less flow at more pressure than its first.",
            )
        if rise < 0.0:
            p1, q1, p2, q2 = p2, q2, p1, q1
        # Doubts of two points may cross; a pump's curve still falls.
        p2, q2 = np.maximum(p2, p1 + 0.05 * abs(rise)), np.minimum(q2, 0.999 * q1)
        return _through([p1, p2], [q1, q2], count)
    if pump.drive == "engine":
        stop = np.maximum(SPRING_SHUT_OFF * p1, p1 + 5e3)
    else:
        stop = np.maximum(RULE_SHUT_OFF * p1, p1 + 40e3)
    return replace(_through([0.0 * p1, p1, stop], [LEVEL * q1, q1, 0.0 * q1], count), by_rule=True)


def _through(pressures: Sequence[Array], flows: Sequence[Array], count: Array) -> PumpCurve:
    """Curve through points, any of which may have samples."""
    n = len(pressures)
    flat = np.broadcast_arrays(*pressures, *(flow * count for flow in flows))
    return PumpCurve(np.stack(flat[:n]), np.stack(flat[n:]), False)


def caught(pump: PumpFacts) -> tuple[Array, Array, Array] | None:
    """A catch test: flow [m3/s], pressure [Pa], volts; None where any of it is not stated."""
    volume, time, pressure = pump.catch_volume, pump.catch_time, pump.catch_pressure
    volts = pump.voltage if pump.drive != "electric" else pump.catch_voltage
    if volume is None or time is None or pressure is None or volts is None:
        return None
    return as_array(volume) / as_array(time), as_array(pressure), as_array(volts)


def health_of(pump: PumpFacts, curve: PumpCurve, place: str) -> Array:
    """What it gives over what its table says: by the catch test at that test's own pressure and volts, else its wear."""
    test = caught(pump)
    if test is None:
        return 1.0 - as_array(need(pump.wear, f"{place}.wear"))
    flow, pressure, volts = test
    said = curve.flow_at(pressure, volts / as_array(need(pump.voltage, f"{place}.voltage")))
    return clip(flow / np.maximum(said, 1e-9), 0.05, 1.5)
