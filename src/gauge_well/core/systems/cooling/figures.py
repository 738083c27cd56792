"""The cooling's figures, duty by duty."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.media import air as air_media
from gauge_well.core.systems.base import (
    Context,
)
from gauge_well.core.systems.cooling import (
    circuit,
)
from gauge_well.core.systems.cooling.gauge import Limiting, Shown, air_to_boil
from gauge_well.core.systems.cooling.model import Cooling, fan_power, heat_made, pick_fan
from gauge_well.core.typing import Array


def figures(
    context: Context, trip: circuit.Circuit, cold: Array, solved: Cooling, seen: Shown, limiting: Limiting
) -> Mapping[str, Array]:
    """Figures of every duty: what the gauge shows, what the core sheds, what the loop and the air do."""
    on, plant = pick_fan(solved.airs, -1), solved.plant
    driven = plant.facts.fan.drive == "belt"
    turning = 1.0 if driven else seen.fan_share
    around, made = trip.pressures, heat_made(context, solved, context.mean)
    return {
        # A gauge shows no more than boiling; that it gets there is said.
        "coolant_out_k": np.minimum(seen.steady, plant.boiling),
        "end_of_duty_k": np.minimum(seen.end, plant.boiling),
        "coolant_limit_k": plant.limit,
        "boiling_point_k": plant.boiling,
        "limiting_ambient_k": limiting.ambient,
        "air_to_boil_k": air_to_boil(solved, made),
        "core_air_mass_flow_kg_s": on.mass_flow,
        "face_velocity_m_s": on.velocity,
        "core_air_pressure_drop_pa": on.path.core_drop(on.velocity),
        "coolant_volume_flow_m3_s": plant.flow,
        "ua_w_k": solved.at_limit.ua,
        "ntu": solved.at_limit.ntu,
        "effectiveness": solved.at_limit.effectiveness,
        "heat_shed_w": solved.at_limit.heat,
        "heat_made_w": made,
        "heat_carried_w": solved.capacity,
        "fan_share": seen.fan_share,
        "fan_power_w": fan_power(solved) * turning if plant.fan.shroud != "open" else 0.0 * seen.steady,
        "thermostat_open": seen.thermostat_open,
        "pump_inlet_pa": np.maximum(around.pump_inlet, 0.0),
        "pump_rise_pa": around.pump_outlet - around.pump_inlet,
        "block_pressure_pa": around.block,
        "block_boiling_margin_k": trip.margin,
        "bypass_flow_m3_s": around.bypass_flow,
        "heater_flow_m3_s": around.heater_flow,
        "expansion_volume_m3": np.broadcast_to(circuit.expansion(solved), plant.limit.shape),
        "overcooled_ambient_k": cold,
        "heat_in_front_w": solved.airs.front_heat,
        "hose_velocity_m_s": plant.hose_speed,
        "heat_capacity_j_k": np.broadcast_to(plant.heat_capacity, plant.limit.shape),
        "air_density_kg_m3": air_media.density(solved.ambient, plant.pressure),
    }
