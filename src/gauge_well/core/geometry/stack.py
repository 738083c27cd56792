"""Depth of what stands in front of the engine against the room there is."""

from __future__ import annotations

from gauge_well.core.typing import Array, Value, as_array

CORE_TO_FAN = 0.010  # m, common practice
MOVING_PARTS = 0.025  # m kept to a pulley or belt, common practice


def gap_to_engine(available: Value, core_depth: Value, fan_depth: Value, fan_gap: Value) -> Array:
    """Room left between the stack and the first moving thing [m]; negative in interference."""
    return as_array(available) - core_depth - fan_depth - fan_gap
