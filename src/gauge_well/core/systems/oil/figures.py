"""The oil's figures, duty by duty."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media import oils
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import covering, facts, feeding, returns
from gauge_well.core.typing import Array


def figures(
    context: Context,
    given: facts.OilFacts,
    leak: feeding.Leak,
    hot: Array,
    coverage: covering.Coverage | None,
    limits: Array | None,
) -> dict[str, Array]:
    """Figures of every duty: the oil, its heat, its pressure, and how far the pan covers its pickup."""
    flow = feeding.drawn_flow(given, leak, context.mean.speed, hot)
    oil = feeding.oil_of(given)
    figures = {
        "oil_in_sump_m3": covering.in_sump(given),
        "oil_temperature_k": hot,
        "oil_viscosity_m2_s": oils.viscosity_walther(oil, hot),
        "oil_flow_m3_s": flow,
        "oil_suction_pa": context.duties.column("pressure") - feeding.suction_drop(given, flow, hot),
    }
    pressure = feeding.gauge_pressure(given, leak, context.mean.speed, hot)
    if pressure is not None:
        figures["oil_pressure_pa"] = pressure
    drain = returns.turbo_drain(given, hot)
    if drain is not None:
        figures["drain_flow_m3_s"] = drain
    if context.room("pan_ground") is not None:
        figures["pan_ground_clearance_m"] = np.asarray(context.room("pan_ground"), dtype=float)
    if coverage is not None and limits is not None:
        figures["oil_over_pickup_m"] = coverage.head.min(axis=1)[None, :, None]
        figures["pickup_clearance_m"] = np.asarray(coverage.pan.pickup[2] - coverage.pan.floor)
        for i, name in enumerate(("forward", "aft", "left", "right")):
            figures[f"g_limit_{name}"] = limits[:, i][None, :, None]
    return figures
