"""Air through the core: ram and fan against core, grille and the way out of the bay."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.roots import find_root
from gauge_well.core.typing import Array, Value, as_array

BASE_PRESSURE = -0.1  # of the dynamic head behind the bay
FLAP_AREA, FLAP_LOSS = 0.35, 1.5  # of the face; K
UNSHROUDED_SPREAD = 1.2  # a fan without shroud draws from a little more than its disc
RATING_DENSITY = 1.2


@dataclass(frozen=True)
class AirPath:
    """Everything that pushes and resists, on face velocity at the outside density.

    ``a``, ``b``: core, grille and what stands in front, ``dp = a u + b u|u|`` [Pa]. ``fan_flow``
    [m3/s] free air of all fans, ``fan_pressure`` [Pa] at the hot density. ``fan_share``: 0 off
    (it still resists), 1 full.
    """

    face: Value
    covered: Value
    a: Value
    b: Value
    ram: Value
    dynamic_head: Value
    density: Value
    density_hot: Value
    fan_flow: Value
    fan_pressure: Value
    fan_share: Value
    exit_area: Value
    exit_loss: Value

    @property
    def expansion(self) -> Array:
        """Outside over hot density: how much the air has swollen behind the core."""
        return as_array(self.density) / self.density_hot

    def back_pressure(self, flow: Value) -> Array:
        """Pressure of the bay over the air outside [Pa] at a hot volume flow [m3/s]."""
        speed = as_array(flow) / self.exit_area
        return np.asarray(
            BASE_PRESSURE * as_array(self.dynamic_head)
            + 0.5 * as_array(self.exit_loss) * self.density_hot * speed * np.abs(speed)
        )

    def core_drop(self, velocity: Value) -> Array:
        """Pressure lost in core and grille [Pa]."""
        u = as_array(velocity)
        return np.asarray(self.a * u + self.b * u * np.abs(u))

    def fan_rise(self, flow: Value) -> Array:
        """Fan pressure [Pa] at a hot volume flow [m3/s]: ``P0 (share - x|x|)``."""
        x = as_array(flow) / self.fan_flow
        return np.asarray(self.fan_pressure * (self.fan_share - x * np.abs(x)))


def _signed_root(value: Array) -> Array:
    return np.asarray(np.sign(value) * np.sqrt(np.abs(value)))


def _quadratic(a: Value, b: Value, drive: Array) -> Array:
    """Velocity at which ``a u + b u|u| = drive``; closed form, signed."""
    root = np.sqrt(as_array(a) ** 2 + 4.0 * as_array(b) * np.abs(drive))
    return np.asarray(np.sign(drive) * 2.0 * np.abs(drive) / (a + root))


def _full(path: AirPath) -> Array:
    """Full shroud: everything stands in line, so that one signed quadratic gives the face velocity."""
    q = as_array(path.dynamic_head)
    drive = as_array(path.ram) * q - BASE_PRESSURE * q + path.fan_pressure * as_array(path.fan_share)
    swelling = path.expansion * path.face
    fan = path.fan_pressure * (swelling / path.fan_flow) ** 2
    out = 0.5 * as_array(path.exit_loss) * path.density_hot * (swelling / path.exit_area) ** 2
    return _quadratic(path.a, path.b + fan + out, drive)


def _flaps(path: AirPath, plenum: Array) -> tuple[Array, Array]:
    """Residual pressure and face velocity for a plenum ``plenum`` [Pa] over the bay; flaps open outward."""
    flow = path.fan_flow * _signed_root(path.fan_share + plenum / path.fan_pressure)
    speed = np.sqrt(2.0 * np.maximum(plenum, 0.0) / (FLAP_LOSS * as_array(path.density_hot)))
    flow = flow + FLAP_AREA * as_array(path.face) * speed
    u = flow / (path.expansion * path.face)
    front = as_array(path.ram) * path.dynamic_head
    return front - path.core_drop(u) - plenum - path.back_pressure(flow), u


@dataclass(frozen=True)
class Zones:
    """The fan-covered and the open part of a face without shroud: pressure across and face velocity."""

    drive_fan: Array
    drive_open: Array
    b_fan: Array
    fan: Array
    open: Array


def zones(path: AirPath, bay: Value) -> Zones:
    """Both parts against a bay at ``bay`` [Pa] over the air outside; each a signed quadratic."""
    drive = as_array(path.ram) * path.dynamic_head - bay
    k = as_array(path.covered) * path.face * path.expansion / path.fan_flow
    b_fan = np.asarray(path.b + path.fan_pressure * k**2)
    with_fan = np.asarray(drive + path.fan_pressure * as_array(path.fan_share))
    return Zones(
        with_fan, np.asarray(drive), b_fan, _quadratic(path.a, b_fan, with_fan), _quadratic(path.a, path.b, drive)
    )


def _bare(path: AirPath, flow: Array) -> tuple[Array, Array]:
    """No shroud: fan-covered and open parts side by side; the unknown is the hot flow out of the bay."""
    covered = as_array(path.covered)
    z = zones(path, path.back_pressure(flow))
    u = covered * z.fan + (1.0 - covered) * z.open
    # Heat is carried by air in either direction; the open part may blow back at standstill.
    effective = covered * np.abs(z.fan) + (1.0 - covered) * np.maximum(z.open, 0.0)
    return u * path.face * path.expansion - flow, effective


RESIDUALS: Mapping[str, Callable[[AirPath, Array], tuple[Array, Array]]] = {
    "flaps": _flaps,
    "none": _bare,
}


def solve_unknown(path: AirPath, shroud: str) -> Array:
    """The one unknown: plenum pressure behind flaps [Pa], or flow out of the bay without a shroud [m3/s]."""
    residual = RESIDUALS[shroud]
    q = as_array(path.dynamic_head)
    reach = as_array(path.fan_pressure) * as_array(path.fan_share) + as_array(path.ram) * q + 0.2 * q + 1.0
    shape = np.broadcast_shapes(np.shape(reach), np.shape(path.a), np.shape(path.density_hot), np.shape(path.face))
    if shroud == "none":
        # All that pushes, spent on the way out alone, is more than can flow.
        high = path.exit_area * np.sqrt(2.0 * reach / (as_array(path.exit_loss) * path.density_hot))
        low, tolerance = -1e-3 * high, 1e-6
    else:
        low, high, tolerance = -reach - 1.0, reach + 1.0, 1e-4
    low, high = np.broadcast_to(low, shape), np.broadcast_to(high, shape)
    return find_root(lambda x: residual(path, x)[0], low, high, tolerance=tolerance)


def face_velocity(path: AirPath, shroud: str) -> Array:
    """Face velocity [m/s] where what pushes meets what resists.

    A closed form under a full shroud, else one monotone residual; all points converge together.
    """
    if shroud == "full":
        return _full(path)
    return RESIDUALS[shroud](path, solve_unknown(path, shroud))[1]
