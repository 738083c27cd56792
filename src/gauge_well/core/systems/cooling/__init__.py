"""Cooling: radiator, fan, air path and coolant."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.media import air as air_media
from gauge_well.core.systems.base import Caution, Context, Need, Result, System, gives_nothing
from gauge_well.core.systems.cooling import checks, facts, need, working
from gauge_well.core.systems.cooling.instrument import instrument
from gauge_well.core.systems.cooling.model import heat_made, limiting_ambient, plant_of, prepare, shown
from gauge_well.core.typing import Array
from gauge_well.core.validity import Notice

PARTS = {"core_fan": "Core and fan", "stack": "Room for core and fan"}
CAUTIONS = (
    Caution(
        "hot_coolant",
        "Coolant",
        "Hot coolant is under pressure and scalds. Let it cool until the top hose can be squeezed, "
        "then turn the cap to its first stop under a cloth.",
    ),
    Caution(
        "fan_starts",
        "Fan",
        "An electric fan can start by itself with the ignition off. Unplug it before hands go near.",
    ),
    Caution("glycol", "Coolant", "Glycol is poisonous and tastes sweet. Catch it, keep it from animals, hand it in."),
)


def applies(machine: MachineFacts) -> str | None:
    """Why cooling is not judged here, or None."""
    if machine.kind == "boat":
        return "raw-water cooling is not worked out yet"
    return None


def _missing(given: facts.CoolingFacts) -> tuple[str, ...]:
    names = ["core_width", "core_height", "core_depth", "fan_kind"]
    if given.fan_kind in ("puller", "pusher"):
        names.append("fan_diameter")
    return tuple(f"cooling.{n}" for n in names if getattr(given, n) is None)


def solve(context: Context, given: facts.CoolingFacts) -> Result:
    """Solve cooling for the context's duties; a missing part leaves its check unknown."""
    needs: list[Need] = need.needs(context, given)
    room = (checks.stack_check(context, given), checks.opening_check(context, given))
    gates = [check for check in room if check is not None]
    missing = _missing(given)
    try:
        if missing:
            raise MissingFact(missing[0])
        solved = prepare(context, plant_of(context, given))
    except MissingFact as error:
        fields = missing or (error.field,)
        return Result(
            checks=lambda mean, peak: gates,
            unknown=[Unknown("heat", "Heat", "core_fan", fields)],
            figures={},
            needs=needs,
            notices=[],
            working=lambda index: [],
        )
    heat = heat_made(solved, context, context.mean)
    seen = shown(solved, heat)
    limiting = limiting_ambient(context, heat, solved)

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        base = mean is context.mean
        return [checks.heat_check(solved, context, mean, limiting if base else None), *gates]

    notes: list[Notice] = checks.notices(solved, context)
    on, plant = solved.airs, solved.plant
    figures: Mapping[str, Array] = {
        "coolant_out_k": seen.steady,
        "end_of_duty_k": seen.end,
        "coolant_limit_k": plant.limit,
        "boiling_point_k": plant.boiling,
        "limiting_ambient_k": limiting,
        "air_to_boil_k": plant.boiling - (seen.steady - solved.ambient),
        "core_air_mass_flow_kg_s": on.mass_flow[1],
        "face_velocity_m_s": on.velocity[1],
        "core_air_pressure_drop_pa": on.path.core_drop(on.velocity)[1],
        "coolant_volume_flow_m3_s": plant.flow,
        "ua_w_k": solved.at_limit.ua,
        "ntu": solved.at_limit.ntu,
        "effectiveness": solved.at_limit.effectiveness,
        "heat_shed_w": solved.at_limit.heat,
        "heat_made_w": heat,
        "heat_carried_w": solved.capacity,
        "fan_share": seen.fan_share,
        "thermostat_open": seen.thermostat_open,
        "hose_velocity_m_s": plant.hose_speed,
        "heat_capacity_j_k": np.broadcast_to(plant.heat_capacity, plant.limit.shape),
        "air_density_kg_m3": air_media.density(solved.ambient, plant.pressure),
    }
    return Result(
        checks=judge,
        unknown=[],
        figures=figures,
        needs=needs,
        notices=notes,
        working=lambda index: working.steps(solved, context, seen, limiting, index),
    )


SYSTEM: System = System(
    id="cooling",
    title="Cooling",
    facts=facts.CoolingFacts,
    fill=facts.fill,
    parts=PARTS,
    applies=applies,
    refuse=facts.refuse,
    solve=solve,
    cautions=CAUTIONS,
    gives=gives_nothing,
    instrument=instrument,
)

__all__ = ["SYSTEM"]
