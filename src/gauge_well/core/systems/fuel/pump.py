"""Fuel pumps: a table or two points, scaled by voltage."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import need
from gauge_well.core.roots import polyline
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.typing import Array, Value, as_array, likely

RULE_SHUT_OFF = 2.6  # times the rating pressure, at which a one-point pump stops (from memory)


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


def refuse(facts: FuelFacts) -> None:
    """Raise :class:`CoreError` for a pump that gives more at more pressure; a pump not given is fine."""
    with suppress(MissingFact):
        curve_of(facts)


def curve_of(facts: FuelFacts) -> PumpCurve:
    """Build from a table, two points, or one point with the shut-off by rule."""
    count = as_array(need(facts.pump_count, "fuel.pump_count"))
    if facts.pump_table is not None:
        rows = sorted(facts.pump_table, key=lambda row: likely(row[0]))
        pressure, flow = (np.stack([as_array(row[k]) for row in rows]) for k in (0, 1))
        if len(rows) < 2 or np.any(np.diff(pressure, axis=0) <= 0.0):
            raise CoreError(
                "table_short",
                "fuel.pump_table",
                len(rows),
                "two rows at different pressures",
                "The pump table needs two rows or more at different pressures.",
            )
        if np.any(np.diff(flow, axis=0) >= 0.0):
            raise CoreError(
                "table_not_falling",
                "fuel.pump_table",
                [likely(f) for f in flow],
                "flow falling as pressure rises",
                "The pump table must give less flow at more pressure; one row is out of order.",
            )
        return _through(list(pressure), list(flow), count)
    p1 = as_array(need(facts.pump_pressure, "fuel.pump_pressure"))
    q1 = as_array(need(facts.pump_flow, "fuel.pump_flow"))
    if facts.pump_flow_2 is not None and facts.pump_pressure_2 is not None:
        p2, q2 = as_array(facts.pump_pressure_2), as_array(facts.pump_flow_2)
        rise = likely(p2) - likely(p1)
        if rise == 0.0 or (likely(q2) - likely(q1)) * rise >= 0.0:
            raise CoreError(
                "points_not_falling",
                "fuel.pump_flow_2",
                likely(q2),
                "less flow at more pressure",
                "The pump's second point must give less flow at more pressure than its first.",
            )
        if rise < 0.0:
            p1, q1, p2, q2 = p2, q2, p1, q1
        # Doubts of two points may cross; a pump's curve still falls.
        p2, q2 = np.maximum(p2, p1 + 0.05 * abs(rise)), np.minimum(q2, 0.999 * q1)
        return _through([p1, p2], [q1, q2], count)
    stop = np.maximum(RULE_SHUT_OFF * p1, p1 + 40e3)
    return replace(_through([p1, stop], [q1, 0.0 * q1], count), by_rule=True)


def _through(pressures: Sequence[Array], flows: Sequence[Array], count: Array) -> PumpCurve:
    """Curve through points, any of which may have samples."""
    n = len(pressures)
    flat = np.broadcast_arrays(*pressures, *(flow * count for flow in flows))
    return PumpCurve(np.stack(flat[:n]), np.stack(flat[n:]), False)
