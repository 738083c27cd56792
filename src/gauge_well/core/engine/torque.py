"""Full-load torque over speed."""

from __future__ import annotations

import numpy as np
from scipy.interpolate import PchipInterpolator

from gauge_well.core.engine.facts import EngineFacts
from gauge_well.core.typing import Array, Value, as_array, clip, likely

RAD_PER_RPM = np.pi / 30.0


def power_from_torque(torque: Value, speed: Value) -> Array:
    """Power [W] from torque [N m] and speed [rev/min]: ``2 pi N T / 60``."""
    return as_array(torque) * speed * RAD_PER_RPM


class TorqueCurve:
    """Shape-preserving curve through given points, or through idle, peak, rated and limit.

    Scaled to the wanted power at unchanged speeds: ``torque(N, wanted / rated)``. Samples of the rated
    point stretch the likely curve; its shape is taken as known.
    """

    def __init__(self, facts: EngineFacts) -> None:
        rated_n = likely(facts.rated_speed)
        rated_t = likely(facts.rated_power) / (rated_n * RAD_PER_RPM)
        if facts.torque_curve is not None:
            points = {row[0]: row[1] for row in facts.torque_curve}
        else:
            peak_t = likely(facts.peak_torque)
            peak_n = likely(facts.peak_torque_speed)
            idle = likely(facts.idle_speed)
            limit = likely(facts.limit_speed)
            points = {rated_n: rated_t, peak_n: max(peak_t, rated_t)}
            if idle < peak_n:
                # Half to three quarters of peak torque at idle is usual (common practice).
                points[idle] = (0.55 if facts.aspiration == "natural" else 0.45) * peak_t
            if limit > rated_n * 1.001:
                fall = 0.75 if facts.governed == "yes" else 0.88
                points[limit] = fall * rated_t
        ordered = sorted(points.items())
        self.rated_speed, self.rated_power = rated_n, rated_t * rated_n * RAD_PER_RPM
        self.speeds = np.array([p[0] for p in ordered])
        self.torques = np.array([p[1] for p in ordered])
        self._curve = PchipInterpolator(self.speeds, self.torques, extrapolate=False)

    def torque(self, speed: Value) -> Array:
        """Torque [N m] at ``speed`` [rev/min]; held at the ends of the curve."""
        return np.asarray(self._curve(clip(speed, self.speeds[0], self.speeds[-1])))

    def power(self, speed: Value) -> Array:
        """Power [W] at ``speed`` [rev/min]."""
        return power_from_torque(self.torque(speed), speed)
