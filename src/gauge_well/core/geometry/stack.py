"""Room kept in front of an engine."""

from __future__ import annotations

CORE_TO_FAN = 0.010  # m, common practice
MOVING_PARTS = 0.025  # m kept to a pulley or belt, common practice
