"""The gearbox's oil: how warm it gets in each duty, what a cooler must give, what its lines cost."""

from __future__ import annotations

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.reads import COOLANT_LEAST
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Array, as_array

WARM = 363.15  # K of coolant where Cooling does not say (common practice)
OIL = 0.0078  # Pa s of a gearbox's oil at 90 degC, 9 mm2/s (common practice)
DROP = 100e3  # Pa through cooler lines, past which less goes through (common practice)


def sink(context: Context, facts: DrivelineFacts) -> Array:
    """What cools its cooler [K]: the coolant as its thermostat keeps it, or the air."""
    ambient = context.duties.column("ambient")
    if facts.box_cooler != "tank":
        return ambient
    coolant = context.told(COOLANT_LEAST)
    return np.maximum(coolant if coolant is not None else WARM, ambient)


def warmth(context: Context, facts: DrivelineFacts, op: Operation) -> Array:
    """Oil settled [K]: ``(Q + case Ta + cooler Ts) / (case + cooler)``."""
    gives = as_array(facts.cooler_gives) if facts.cooler_gives is not None and facts.box_cooler != "none" else 0.0
    case, ambient = as_array(facts.case_gives), context.duties.column("ambient")
    return np.asarray((context.gearbox_heat(op) + case * ambient + gives * sink(context, facts)) / (case + gives))


def cooler_needed(context: Context, facts: DrivelineFacts, op: Operation) -> Array:
    """What a cooler must give [W/K] in each duty; nought where the case suffices, without end where what cools it is too warm."""
    ambient, most = context.duties.column("ambient"), as_array(facts.box_most)
    left = context.gearbox_heat(op) - as_array(facts.case_gives) * (most - ambient)
    over = most - sink(context, facts)
    return np.asarray(np.where(left <= 0.0, 0.0, np.where(over > 0.0, left / np.where(over > 0.0, over, 1.0), np.inf)))


def drop(facts: DrivelineFacts) -> Array | None:
    """Pressure [Pa] lost in the cooler's lines, warm: ``128 mu L Q / (pi d^4)``; None where they are not stated."""
    if facts.line_bore is None or facts.line_long is None or facts.box_cooler == "none":
        return None
    return np.asarray(
        128.0 * OIL * as_array(facts.line_long) * facts.box_flow / (np.pi * as_array(facts.line_bore) ** 4)
    )
