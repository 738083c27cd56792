"""The controls' figures."""

from __future__ import annotations

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import Array, as_array


def figures(context: Context, facts: ControlsFacts) -> dict[str, Array]:
    """Throttle, vacuum, pedal, shifter, steering, as far as they are known."""
    found: dict[str, Array | None] = {}
    opens = model.opening(facts)
    if opens is not None:
        found["throttle_open_share"] = np.asarray(np.minimum(opens / facts.opens, 1.0))
    if facts.booster == "vacuum" and facts.depth is not None and not model.vacuumless(facts):
        held = model.held_at(context, facts, facts.depth, facts.high)
        found |= {
            "brake_applications": held.applications,
            "vacuum_depth_pa": held.depth,
            "pump_recovery_s": held.recovers,
        }
    pedalled = model.pedalled(context, facts)
    if pedalled is not None:
        found |= {"slave_travel_m": pedalled.slave, "bearing_travel_m": pedalled.moves, "pedal_force_n": pedalled.pad}
        found["clutch_line_pa"] = pedalled.pressure
    shifted = model.shifted(context, facts)
    found["shifter_throw_m"] = shifted.throw
    found["shifter_offset_m"] = shifted.behind
    flow = model.pump_flow(context, facts)
    if flow is not None:
        found["steering_flow_m3_s"] = flow[0]
    toe = model.toed(facts)
    if toe is not None:
        found["bump_steer_deg_m"] = np.degrees(toe / as_array(facts.bump))
    column = model.column(facts)
    if column is not None:
        found["column_ripple"] = column.ripple
    return {name: value for name, value in found.items() if value is not None and bool(np.isfinite(value).all())}
