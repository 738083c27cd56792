"""The exhaust's figures, duty by duty."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import (
    model,
)
from gauge_well.core.typing import Array


def figures(context: Context, segments: Sequence[model.Segment], base: model.Marched, gain: Array) -> dict[str, Array]:
    """Figures of every duty: pressure, speed, heat, and what the next size gives back."""
    lost = model.power_cost(context.engine, base.back_pressure, context.peak.power)
    figures: dict[str, Array] = {
        "exhaust_back_pressure_pa": base.back_pressure,
        "exhaust_velocity_max_m_s": base.speed,
        "exhaust_mach_max": base.mach,
        "exhaust_tip_k": base.tip,
        "pipe_surface_max_k": base.surface,
        "back_pressure_cost_w": lost,
        "back_pressure_cost_share": lost / np.maximum(context.peak.power, 1.0),
        "next_size_gain_w": gain,
        "exhaust_mass_kg": np.asarray(model.weight(segments)),
        "choking_share": base.choking,
        "primary_length_m": model.primary_length(context.engine.rated_speed),
    }
    if context.room("exhaust_ground") is not None:
        figures["ground_clearance_m"] = np.asarray(context.room("exhaust_ground"), dtype=float)
    return figures
