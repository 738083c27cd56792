"""Air through the core: ram and fan against core, grille and the way out of the bay."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.roots import find_root
from gauge_well.core.systems.cooling.fan import Curve
from gauge_well.core.typing import Array, Value, as_array

BASE_PRESSURE = -0.1  # of the dynamic head behind the bay
FLAP_AREA, FLAP_LOSS = 0.35, 1.5  # of the face; K
UNSHROUDED_SPREAD = 1.2  # a fan without shroud draws from a little more than its disc


@dataclass(frozen=True)
class AirPath:
    """Everything that pushes and resists, on face velocity at the outside density.

    ``a``, ``b``: core, grille and what stands in front, ``dp = a u + b u|u|`` [Pa]. ``fan_flow``
    [m3/s] free air of all fans, ``fan_pressure`` [Pa] at the hot density. ``fan_share``: speed squared over
    full speed squared: 0 off (it still resists), 1 full. ``running``: share of the fans that turn at all.
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
    running: Value = 1.0
    curve: Curve | None = None

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

    def fan_through(self, rise: Value) -> Array:
        """Hot volume flow through all fans [m3/s] at a pressure rise [Pa]; fans that stand let air through both ways.

        Fan laws (eck1973): flow with speed, pressure with its square.
        """
        share = as_array(rise) / self.fan_pressure
        standing = _signed_root(-share)
        speed = as_array(self.fan_share)
        if self.curve is None:
            turning = _signed_root(speed - share)
        else:
            held = np.maximum(speed, 1e-9)
            turning = np.where(speed > 0.0, np.sqrt(held) * self.curve.at(share / held), standing)
        running = as_array(self.running)
        return np.asarray(self.fan_flow * (running * turning + (1.0 - running) * standing))

    @property
    def parabolic(self) -> bool:
        """Whether the fan's pressure has a closed form of its flow: a parabola, and all fans alike."""
        return self.curve is None and bool(np.all(as_array(self.running) == 1.0))

    @property
    def drive(self) -> Array:
        """Ram over the base pressure behind the bay [Pa]."""
        q = as_array(self.dynamic_head)
        return np.asarray(as_array(self.ram) * q - BASE_PRESSURE * q)


def _signed_root(value: Array) -> Array:
    return np.asarray(np.sign(value) * np.sqrt(np.abs(value)))


def signed_quadratic(a: Value, b: Value, drive: Value) -> Array:
    """Velocity at which ``a u + b u|u| = drive``; closed form, signed."""
    d = as_array(drive)
    root = np.sqrt(as_array(a) ** 2 + 4.0 * as_array(b) * np.abs(d))
    return np.asarray(np.sign(d) * 2.0 * np.abs(d) / np.maximum(a + root, 1e-30))


def _in_line(path: AirPath, with_fan: bool) -> Array:
    """All in line: one signed quadratic gives the face velocity; the fan's parabola joins the squares."""
    swelling = path.expansion * path.face
    out = 0.5 * as_array(path.exit_loss) * path.density_hot * (swelling / path.exit_area) ** 2
    if not with_fan:
        return signed_quadratic(path.a, path.b + out, path.drive)
    fan = path.fan_pressure * (swelling / path.fan_flow) ** 2
    push = path.drive + path.fan_pressure * as_array(path.fan_share)
    return signed_quadratic(path.a, path.b + fan + out, push)


@dataclass(frozen=True)
class Zones:
    """Where everything meets: fans' rise and bay [Pa], flow out of the bay and through the fans [m3/s], face
    velocities of the covered and the open part [m/s]."""

    rise: Array
    bay: Array
    flow: Array
    through: Array
    fan: Array
    open: Array


def _full(path: AirPath, rise: Array) -> tuple[Array, Zones]:
    """Full shroud: all the air goes through the fans."""
    flow = path.fan_through(rise)
    u = flow / (path.expansion * path.face)
    bay = path.back_pressure(flow)
    return as_array(path.ram) * path.dynamic_head + rise - path.core_drop(u) - bay, Zones(rise, bay, flow, flow, u, u)


def _flaps(path: AirPath, rise: Array) -> tuple[Array, Zones]:
    """Flaps beside the fans open outward once the plenum stands over the bay, where the fans only resist."""
    speed = np.sqrt(2.0 * np.maximum(-rise, 0.0) / (FLAP_LOSS * as_array(path.density_hot)))
    through = path.fan_through(rise)
    flow = through + FLAP_AREA * as_array(path.face) * speed
    u = flow / (path.expansion * path.face)
    bay = path.back_pressure(flow)
    return as_array(path.ram) * path.dynamic_head + rise - path.core_drop(u) - bay, Zones(
        rise, bay, flow, through, u, u
    )


def _bare(path: AirPath, rise: Array) -> tuple[Array, Zones]:
    """No shroud: the fans' own part and the open part side by side, one bay behind both."""
    covered = as_array(path.covered)
    through = path.fan_through(rise)
    u_fan = through / (path.expansion * covered * path.face)
    front = as_array(path.ram) * path.dynamic_head
    bay = front + rise - path.core_drop(u_fan)
    u_open = signed_quadratic(path.a, path.b, front - bay)
    flow = (covered * u_fan + (1.0 - covered) * u_open) * path.face * path.expansion
    return bay - path.back_pressure(flow), Zones(rise, bay, flow, through, u_fan, u_open)


RESIDUALS: Mapping[str, Callable[[AirPath, Array], tuple[Array, Zones]]] = {
    "full": _full,
    "flaps": _flaps,
    "none": _bare,
}


def fan_rise(path: AirPath, shroud: str) -> Array:
    """Pressure rise over the fans [Pa] at which everything meets: one rising residual, bracketed."""
    q = as_array(path.dynamic_head)
    low = -(as_array(path.ram) + 0.2) * q - 1.0
    high = as_array(path.fan_pressure) * np.maximum(path.fan_share, 0.0) + 0.1 * q + 1.0
    shape = np.broadcast_shapes(
        np.shape(low), np.shape(high), np.shape(path.a), np.shape(path.density_hot), np.shape(path.face)
    )
    low, high = np.broadcast_to(low, shape), np.broadcast_to(high, shape)
    return find_root(lambda p: RESIDUALS[shroud](path, p)[0], low, high, tolerance=1e-6)


def zones(path: AirPath, shroud: str) -> Zones:
    """Bay, flow and the velocities of the covered and the open part where everything meets.

    A closed form in line, else one monotone residual; all points converge together.
    """
    if shroud == "open" or (shroud == "full" and path.parabolic):
        u = _in_line(path, shroud != "open")
        flow = u * path.face * path.expansion
        x = flow / path.fan_flow
        rise = 0.0 * flow if shroud == "open" else path.fan_pressure * (path.fan_share - x * np.abs(x))
        return Zones(rise, path.back_pressure(flow), flow, flow, u, u)
    return RESIDUALS[shroud](path, fan_rise(path, shroud))[1]


def carrying(path: AirPath, shroud: str, z: Zones) -> Array:
    """Mean face velocity that carries heat [m/s] of solved zones.

    Heat is carried by air in either direction through the fans' part; the open part may blow back at standstill, and
    then serves nothing.
    """
    if shroud != "none":
        return z.fan
    covered = as_array(path.covered)
    return np.asarray(covered * np.abs(z.fan) + (1.0 - covered) * np.maximum(z.open, 0.0))
