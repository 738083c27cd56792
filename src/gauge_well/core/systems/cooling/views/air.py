"""Air through the core: what pushes and what resists, and how the face divides."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.cooling.air import RESIDUALS, AirPath
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import pick_fan, plant_of, prepare
from gauge_well.core.typing import Array, likely

POINTS = 61


def _flat(path: AirPath) -> AirPath:
    """A path of single numbers, for curves along one axis."""
    numbers: dict[str, Any] = {n: likely(v) for n, v in vars(path).items() if n != "curve"}
    return AirPath(**numbers, curve=path.curve)


def _curves(path: AirPath, shroud: str, rise: float, velocity: float) -> tuple[Array, Array, Array, Array | None]:
    """Face velocity of the part shown, what resists, what pushes, and the fans alone [Pa], past the point they meet."""
    q = likely(path.dynamic_head)
    base = 0.1 * q
    if shroud == "open":
        u = np.linspace(0.0, max(1.6 * velocity, 2.5), POINTS)
        resists = path.core_drop(u) + path.back_pressure(u * path.face * path.expansion) + base
        return u, resists, np.full(POINTS, likely(path.drive)), None
    # Along the fans' curve from shut off, evenly in flow where it is a parabola.
    most = likely(path.fan_pressure) * likely(path.fan_share)
    scale = max(likely(path.fan_pressure), 1.0)
    past = max(1.6 * np.sqrt(max((most - rise) / scale, 0.0)), 0.4)
    p = most - scale * np.linspace(0.0, past, POINTS) ** 2
    _, z = RESIDUALS[shroud](path, p)
    resists = path.core_drop(z.fan) + path.back_pressure(z.flow) + base
    return z.fan, resists, likely(path.ram) * q + p + base, p


@dataclass(frozen=True)
class AirPoint:
    """Where push and resistance meet: air [kg/s], pressure [Pa], face velocity [m/s], heat shed [W]."""

    mass_flow: float
    pressure: float
    velocity: float
    heat: float


@dataclass(frozen=True)
class FaceZones:
    """Share of the face the fans cover, face velocities [m/s], air that goes back through the open part [kg/s]."""

    covered: float
    fan: float
    open: float | None
    back_mass_flow: float


@dataclass(frozen=True)
class InFront:
    """A cooler before the core and the share of the face it covers."""

    name: str
    share: float


@dataclass(frozen=True)
class FrontHeat:
    """Heat of what stands in front [W], how much warmer it makes the air [K]."""

    heat: float
    rise: float
    coolers: Sequence[InFront]


@dataclass(frozen=True)
class AirView:
    """Curves of pressure [Pa] over air [kg/s] at the duty's air speed [m/s], and where they meet."""

    duty: str
    air_speed: float
    shroud: str
    flow: Sequence[float]
    resists: Sequence[float]
    pushes: Sequence[float]
    fan_alone: Sequence[float] | None
    point: AirPoint
    mass_flow: float
    fan_off_mass_flow: float
    zones: FaceZones
    front: FrontHeat
    air_in: float


def show(context: Context, facts: CoolingFacts, options: Options) -> AirView:
    """Curves of pressure [Pa] over air mass flow [kg/s] at the duty's air speed, and where they meet.

    Without a shroud the curves are those of the part the fans cover; the open part is told beside.
    """
    plant = plant_of(context, facts)
    cooling = prepare(context, plant)
    on, off = pick_fan(cooling.airs, -1), pick_fan(cooling.airs, 0)
    path, shroud = _flat(on.path), plant.fan.shroud
    face, rho = likely(plant.core.face), likely(on.path.density)
    part = likely(on.path.covered) if shroud == "none" else 1.0
    u_fan, u_open = likely(on.zones.fan), likely(on.zones.open)
    u, resists, pushes, fan = _curves(path, shroud, likely(on.zones.rise), abs(u_fan))
    scale = rho * face * part
    at = scale * abs(u_fan)
    case = context.duties.cases[0]
    return AirView(
        duty=case.id,
        air_speed=likely(case.air_speed),
        shroud=shroud,
        flow=[float(x) for x in scale * u],
        resists=[float(x) for x in resists],
        pushes=[float(x) for x in pushes],
        fan_alone=None if fan is None else [float(x) for x in fan],
        point=AirPoint(
            mass_flow=at,
            pressure=float(np.interp(at, scale * u, resists)),
            velocity=likely(on.velocity),
            heat=likely(cooling.at_limit.heat),
        ),
        mass_flow=likely(on.mass_flow),
        fan_off_mass_flow=likely(off.mass_flow),
        zones=FaceZones(
            covered=likely(on.path.covered) if shroud == "none" else 1.0,
            fan=u_fan,
            open=u_open if shroud == "none" else None,
            back_mass_flow=rho * face * (1.0 - part) * max(-u_open, 0.0),
        ),
        front=FrontHeat(
            heat=likely(on.front_heat),
            rise=likely(on.front_heat / on.side.capacity_rate),
            coolers=[InFront(c.name, likely(c.share)) for c in plant.coolers],
        ),
        air_in=likely(on.air_in),
    )
