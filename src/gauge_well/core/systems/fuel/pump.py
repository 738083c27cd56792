"""Fuel pumps: a table or two points, scaled by voltage."""

from __future__ import annotations

from contextlib import suppress
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import need_number
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.typing import Array, Value, as_array, largest

RULE_SHUT_OFF = 2.6  # times the rating pressure, at which a one-point pump stops (from memory)


@dataclass(frozen=True)
class PumpCurve:
    """Flow of all pumps side by side over pressure at the rating voltage.

    ``pressure`` rises, ``flow`` falls. Beyond the last point the last slope goes on to no flow.
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
        p = as_array(pressure) / r
        x, y = self.pressure, self.flow
        i = np.clip(np.searchsorted(x, p) - 1, 0, x.size - 2)
        slope = (y[i + 1] - y[i]) / (x[i + 1] - x[i])
        return np.asarray(np.maximum(r * (y[i] + slope * (p - x[i])), 0.0))

    def pressure_at(self, flow: Value, voltage_ratio: Value) -> Array:
        """Pressure [Pa] against which the pump moves ``flow``; the inverse of :meth:`flow_at`."""
        r = np.maximum(as_array(voltage_ratio), 1e-3)
        q = as_array(flow) / r
        x, y = self.pressure, self.flow
        i = np.clip(np.searchsorted(-y, -q) - 1, 0, x.size - 2)
        slope = (x[i + 1] - x[i]) / (y[i + 1] - y[i])
        return np.asarray(r * (x[i] + slope * (q - y[i])))


def refuse(facts: FuelFacts) -> None:
    """Raise :class:`CoreError` for a pump that gives more at more pressure; a pump not given is fine."""
    with suppress(MissingFact):
        curve_of(facts)


def curve_of(facts: FuelFacts) -> PumpCurve:
    """Build from a table, two points, or one point with the shut-off by rule."""
    count = need_number(facts.pump_count, "fuel.pump_count")
    if facts.pump_table is not None:
        rows = sorted(facts.pump_table)
        pressure = np.array([row[0] for row in rows])
        flow = np.array([row[1] for row in rows])
        if len(rows) < 2 or np.any(np.diff(pressure) <= 0.0):
            raise CoreError(
                "table_short",
                "fuel.pump_table",
                len(rows),
                "two rows at different pressures",
                "The pump table needs two rows or more at different pressures.",
            )
        if np.any(np.diff(flow) >= 0.0):
            raise CoreError(
                "table_not_falling",
                "fuel.pump_table",
                [float(f) for f in flow],
                "flow falling as pressure rises",
                "The pump table must give less flow at more pressure; one row is out of order.",
            )
        return PumpCurve(pressure, flow * count, False)
    p1 = need_number(facts.pump_pressure, "fuel.pump_pressure")
    q1 = need_number(facts.pump_flow, "fuel.pump_flow")
    if facts.pump_flow_2 is not None and facts.pump_pressure_2 is not None:
        p2, q2 = largest(facts.pump_pressure_2), largest(facts.pump_flow_2)
        if p2 == p1 or (q2 - q1) * (p2 - p1) >= 0.0:
            raise CoreError(
                "points_not_falling",
                "fuel.pump_flow_2",
                q2,
                "less flow at more pressure",
                "The pump's second point must give less flow at more pressure than its first.",
            )
        points = sorted([(p1, q1), (p2, q2)])
        return PumpCurve(np.array([p[0] for p in points]), count * np.array([p[1] for p in points]), False)
    stop = max(RULE_SHUT_OFF * p1, p1 + 40e3)
    return PumpCurve(np.array([p1, stop]), count * np.array([q1, 0.0]), True)
