"""The air's figures, duty by duty."""

from __future__ import annotations

from gauge_well.core.systems.air import intake, wading, warmth
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import Array, as_array


def figures(context: Context, facts: AirFacts, found: intake.Drawn, space: warmth.Bay) -> dict[str, Array]:
    """Figures of every duty: what each place takes, warmth and its cost, charge, water, box, room."""
    op = context.peak
    warm = warmth.inlet(context, facts, space)
    figures: dict[str, Array] = {
        "intake_pressure_drop_pa": found.total,
        "intake_loss_share": found.cost,
        "inlet_temperature_k": warm,
        "inlet_cost_w": warmth.power_lost(context, found.cost, warm, op),
        "bay_temperature_k": space.temperature,
        "bay_heat_w": space.heat,
        "room_opening_m2": warmth.room(context, op).wanted,
        "lock_water_m3": as_array(wading.locks_at(context.engine, facts)),
    }
    places = {"snorkel": found.snorkel, "filter": found.filter, "meter": found.meter, "throttle": found.throttle}
    figures |= {f"{name}_drop_pa": value for name, value in places.items() if value is not None}
    charge = intake.charge(context, facts, op)
    if charge is not None:
        figures |= {"charge_temperature_k": charge.cooled, "charge_effectiveness": charge.effectiveness}
        if charge.mach is not None and charge.lost is not None:
            figures |= {"charge_pipe_mach": charge.mach, "charge_drop_pa": charge.lost}
    deep = wading.deepest(facts)
    if deep is not None:
        figures["wading_depth_m"] = deep
    boxed = warmth.box(context, facts, space)
    if boxed is not None:
        figures["box_temperature_k"] = boxed.inside
    return figures
