"""Weights' figures: what stands where, how it rides, how it hangs."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.statics import sling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import Ledger, ends, unit_of
from gauge_well.core.systems.weights.lifting import DIRT, Hung, Legs
from gauge_well.core.typing import Array, as_array, likely


def figures(
    context: Context, facts: WeightsFacts, found: Ledger | None, load: Hung, legs: Legs | None
) -> Mapping[str, Array]:
    """Masses [kg], places and ride [m], springs [N/m], pull [N], tilt [rad]; no duty changes them."""
    told = {
        "unit_mass_kg": unit_of(context, facts).mass,
        "hoist_load_kg": load.mass * DIRT,
        "hang_rad": load.tilt,
        "hook_shift_m": load.shift,
    }
    if facts.hoist.plate is not None and facts.hoist.reach is not None:
        told["hoist_capacity_kg"] = as_array(sling.allowed(facts.hoist.plate, likely(facts.hoist.reach)) or 0.0)
    if legs is not None and np.isfinite(likely(legs.most)):
        told["leg_tension_n"] = legs.most
    if found is not None:
        told |= {
            "mass_kg": found.mass,
            "front_axle_kg": found.front_after,
            "rear_axle_kg": found.rear_after,
            "cg_x_m": found.cg_x,
            "cg_z_m": found.cg_z,
        }
        for end in ends(facts, found):
            if end.sinks is not None and end.same is not None:
                told[f"ride_change_{end.name}_m"] = -end.sinks
                told[f"spring_rate_{end.name}_n_m"] = end.same
    return told
