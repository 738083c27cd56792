"""Air through the core: what pushes and what resists, for the station's plot."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.heat import radiator
from gauge_well.core.media import air as air_media
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import tested
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import (
    boiling_and_limit,
    coolant_flow,
    core_of,
    fan_of,
    solve_air,
)

POINTS = 61


def instrument(context: Context, facts: CoolingFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """Curves of pressure [Pa] over air mass flow [kg/s] at a road speed.

    Options
    -------
    duty : index of the duty whose air and coolant flow are taken.
    air_speed : m/s, the speed dragged to; the duty's own otherwise.

    Returns
    -------
    dict
        ``flow``, ``resists``, ``pushes``, ``fan_alone``, the operating ``point`` and what the core
        carries there; or ``unknown`` naming what is missing.
    """
    try:
        core, fan = core_of(facts), fan_of(facts)
    except MissingFact as error:
        return {"unknown": [error.field]}
    index = int(options.get("duty", 0))
    cases = context.duties.cases
    if not 0 <= index < len(cases):
        raise CoreError("out_of_range", "duty", index, f"0 to {len(cases) - 1}", "There is no such duty.")
    case = cases[index]
    speed = float(options.get("air_speed", case.air_speed))
    if not 0.0 <= speed <= 120.0:
        raise CoreError("out_of_range", "air_speed", speed, "0 to 120 m/s", "Air speed is out of range.")

    def one(value: float) -> Any:
        return np.full((1, 1, 1), value)

    pressure = one(case.pressure)
    glycol, _, limit = boiling_and_limit(context, facts, pressure)
    airs = solve_air(core, fan, facts, one(case.ambient), pressure, one(speed), one(case.condenser_heat), limit)
    flow_at, at, _ = coolant_flow(context, facts, glycol)
    fluid = radiator.coolant_side(core, flow_at * case.engine_speed / at, limit - 3.0, glycol)
    ageing = radiator.AGEING * tested.scale_of(core, facts, glycol)
    heat = radiator.shed(core, airs.side, fluid, limit, airs.air_in, ageing).heat
    path = airs.path
    rho = float(air_media.density(case.ambient, case.pressure))
    face = float(core.face)
    u_point = float(airs.velocity[1, 0, 0, 0])
    u = np.linspace(0.0, max(1.6 * u_point, 2.5), POINTS)
    volume = u * face * float(np.ravel(path.expansion)[0])

    def flat(value: Any) -> float:
        return float(np.ravel(value)[-1])

    q = flat(path.dynamic_head)
    bay = -0.1 * q + 0.5 * flat(path.exit_loss) * flat(path.density_hot) * (volume / flat(path.exit_area)) ** 2
    resists = flat(path.a) * u + flat(path.b) * u**2 + bay + 0.1 * q
    fan_x = volume / float(np.ravel(path.fan_flow)[0])
    rise = flat(path.fan_pressure) * (1.0 - fan_x**2)
    with_fan = fan.shroud != "none"
    ram = (flat(path.ram) + 0.1) * q
    return {
        "duty": case.id,
        "air_speed": speed,
        "shroud": fan.shroud,
        "flow": [float(x) for x in rho * face * u],
        "resists": [float(x) for x in resists],
        "pushes": [float(x) for x in (rise + ram if with_fan else np.full(POINTS, ram))],
        "fan_alone": [float(x) for x in rise] if with_fan else None,
        "point": {
            "mass_flow": rho * face * u_point,
            "pressure": float(np.interp(u_point, u, resists)),
            "velocity": u_point,
            "heat": float(np.ravel(heat)[-1]),
        },
        "fan_off_mass_flow": float(airs.side.mass_flow[0, 0, 0, 0]),
    }
