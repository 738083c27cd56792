"""A starter against an engine: a machine of constant field at its battery, its cable and its pinion."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

K = 0.034  # V s, of the pinion's shaft, its reduction included, of a 12 V one (common practice)
DRAG = 1.5  # N m at the pinion with nothing to turn (common practice)
MESH = 0.85  # of its torque that gets through the mesh (common practice)
BY_POWER = 6.6e-3  # ohm kW: 5.5 mohm of 1.2 kW (common practice)
BRUSH = 1.0  # of its drop counted in the resistance


@dataclass(frozen=True)
class Cranked:
    """Engine turned [rev/min], amps, volts at starter and at battery posts."""

    speed: Array
    amps: Array
    at_starter: Array
    at_battery: Array


def resistance(power: Value, nominal: float) -> Array:
    """Of a starter [ohm] by its rated power [W] at its nominal volts: goes as V^2 / P."""
    return np.asarray(BY_POWER * (nominal / 12.0) ** 2 / (as_array(power) / 1000.0))


def cranks(
    torque: Value, ratio: Value, own: Value, battery: Value, leads: Value, volts: Value, nominal: float
) -> Cranked:
    """An engine cranked steadily.

    Parameters
    ----------
    torque : float or array
        It asks at the crank [N m].
    ratio : float or array
        Ring gear over pinion.
    own, battery, leads : float or array
        Resistances of starter, battery and both leads [ohm].
    volts : float or array
        Of the battery at rest [V].
    nominal : float
        12 or 24 V: the machine constant goes with it.

    Notes
    -----
    ``I = (T / (r eta) + T0) / k``, ``w = (V - I R) / k`` at the pinion; nothing turns where that is below nought.
    """
    k = K * nominal / 12.0
    amps = (as_array(torque) / (as_array(ratio) * MESH) + DRAG) / k
    stalled = as_array(volts) / (as_array(own) + battery + leads)
    turns = amps < stalled
    drawn = np.where(turns, amps, stalled)
    at_battery = volts - drawn * battery
    at_starter = at_battery - drawn * leads
    speed = np.where(turns, (at_starter - drawn * own) / k / ratio * 30.0 / np.pi, 0.0)
    return Cranked(np.asarray(speed), np.asarray(drawn), np.asarray(at_starter), np.asarray(at_battery))


def engine_torque(displacement: Value, cmep: Value, viscosity: Value) -> Array:
    """Mean torque of an engine that is turned over [N m]: ``cmep V / 4 pi``, the oil's share by its viscosity [mm2/s].

    ``cmep`` is at an oil of 260 mm2/s, 20 degC of a 10W-30 (both common practice).
    """
    thick = 0.45 + 0.85 * (as_array(viscosity) / THIN) ** 0.33
    return np.asarray(as_array(cmep) * displacement / (4.0 * np.pi) * thick)


THIN = 260.0  # mm2/s
