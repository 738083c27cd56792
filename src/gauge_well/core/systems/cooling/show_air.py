"""Air through the core: what pushes and what resists, and how the face divides."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.systems.base import Context
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


def show(context: Context, facts: CoolingFacts, options: Mapping[str, float]) -> dict[str, Any]:
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
    return {
        "shroud": shroud,
        "flow": [float(x) for x in scale * u],
        "resists": [float(x) for x in resists],
        "pushes": [float(x) for x in pushes],
        "fan_alone": None if fan is None else [float(x) for x in fan],
        "point": {
            "mass_flow": at,
            "pressure": float(np.interp(at, scale * u, resists)),
            "velocity": likely(on.velocity),
            "heat": likely(cooling.at_limit.heat),
        },
        "mass_flow": likely(on.mass_flow),
        "fan_off_mass_flow": likely(off.mass_flow),
        "zones": {
            "covered": likely(on.path.covered) if shroud == "none" else 1.0,
            "fan": u_fan,
            "open": u_open if shroud == "none" else None,
            "back_mass_flow": rho * face * (1.0 - part) * max(-u_open, 0.0),
        },
        "front": {
            "heat": likely(on.front_heat),
            "rise": likely(on.front_heat / on.side.capacity_rate),
            "coolers": [{"name": c.name, "share": likely(c.share)} for c in plant.coolers],
        },
        "air_in": likely(on.air_in),
    }
