"""Cooling: radiator, fan, air path and coolant."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from contextlib import suppress
from functools import cache

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.facts import need as need_fact
from gauge_well.core.media import air as air_media
from gauge_well.core.media import coolant
from gauge_well.core.reads import (
    COOLANT_FREE,
    COOLANT_LEAST,
    COOLANT_MOST,
    COOLANT_PER_WATT,
    OIL_BACK,
    OIL_SHARE,
    declared,
)
from gauge_well.core.systems.base import (
    Beside,
    Caution,
    Compare,
    Compared,
    Context,
    Need,
    Result,
    System,
    over_duties,
)
from gauge_well.core.systems.cooling import (
    checks,
    circuit,
    facts,
    facts_front,
    need,
    ranges,
    remedies,
    tested,
    time,
    working,
)
from gauge_well.core.systems.cooling.fan import electric_power
from gauge_well.core.systems.cooling.gauge import Limiting, Shown, air_to_boil, limiting_ambient, shown
from gauge_well.core.systems.cooling.model import Cooling, Starts, core_of, heat_made, pick_fan, plant_of, prepare
from gauge_well.core.systems.cooling.views import VIEWS
from gauge_well.core.typing import Array, likely
from gauge_well.core.working import Step

HALF_OPEN = 6.0  # K over its first lift at which a thermostat under load is half open
NEAR = 1.05  # of a heat, for the slope there
CORE_DENSITY = 1000.0  # kg/m3 of a filled core (common practice)
PARTS = {"core_fan": "Core and fan", "stack": "Room for core and fan", "loop": "Pump, hoses, header"}
COMPARE = Compare(
    ("core", "fan"),
    (
        Compared("heat_carried_w", "Carries", "heat", True),
        Compared("heat_made_w", "of", "heat", False),
        Compared("limiting_ambient_k", "Holds to", "temperature", True),
        Compared("core_air_mass_flow_kg_s", "Air", "mass_flow_s", True),
        Compared("core_air_pressure_drop_pa", "Air drop", "pressure_small", False),
        Compared("coolant_out_k", "Settles at", "temperature", False),
    ),
)
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


def refuse(given: facts.CoolingFacts) -> None:
    """Raise CoreError for facts that contradict each other; a core not given whole is fine."""
    facts.refuse(given)
    with suppress(MissingFact):
        glycol = coolant.mass_share(need_fact(given.glycol, "cooling.glycol"))
        tested.refuse(core_of(given), given, glycol)


def _missing(given: facts.CoolingFacts) -> tuple[str, ...]:
    names = ["core.width", "core.height", "core.depth", "fan.drive"]
    if given.fan.drive in ("puller", "pusher", "belt"):
        names.append("fan.diameter")
    if given.restrictor in ("main", "bypass"):
        names.append("restrictor_bore")
    absent = [n for n in names if fact(given, n) is None]
    return tuple(f"cooling.{n}" for n in (*absent, *facts_front.missing(given)))


def _solved(context: Context, given: facts.CoolingFacts) -> tuple[Cooling, Starts | None]:
    """The cooling with all fans on, and where duties start that follow another; MissingFact names what is absent."""
    missing = _missing(given)
    if missing:
        raise MissingFact(missing[0])

    def work() -> tuple[Cooling, Starts | None]:
        plant = plant_of(context, given)
        follows = any(case.after for case in context.duties.cases)
        starts = time.chained(prepare(context, plant), context) if follows else None
        return prepare(context, plant, only_on=True, starts=starts), starts

    handed = (context.given.get(OIL_SHARE), context.given.get(OIL_BACK))
    stands_on = (given, context.engine, context.duties, context.mean, context.doubts, *handed)
    return context.remember("cooling", stands_on, work)


def surplus(context: Context, given: facts.CoolingFacts, ambient: Array, starts: Starts | None = None) -> Array:
    """Heat made over heat carried [W] with other air outside of each duty [K]."""
    there = context if context.in_air is None else context.in_air(ambient)
    solved = prepare(there, plant_of(there, given), only_on=True, starts=starts)
    return np.asarray(heat_made(solved, there, there.mean) - solved.capacity)


def gives(context: Context, given: facts.CoolingFacts) -> Mapping[str, Array]:
    """Where each duty leaves the coolant, linear in the heat; nothing where core or fan are not known."""
    try:
        solved, _ = _solved(context, given)
    except MissingFact:
        return {}
    limit, per_watt = solved.plant.limit, solved.response.per_watt
    made = heat_made(solved, context, context.mean)
    free = limit - solved.capacity * per_watt
    least = np.minimum(solved.plant.thermostat + HALF_OPEN, limit)
    if np.any(solved.starts_shut):
        # Nothing is shed until the thermostat opens: straight through two points of the curve.
        end, more = (solved.end_from_shut(f * made) for f in (1.0, NEAR))
        per_watt = np.where(solved.starts_shut, (more - end) / ((NEAR - 1.0) * made), per_watt)
        free = np.where(solved.starts_shut, end - per_watt * made, free)
        least = np.where(solved.starts_shut, solved.start, least)
    jacket = context.mean.heat_to_coolant
    per_engine_watt = np.divide(per_watt * made, jacket, out=np.zeros_like(per_watt * made), where=jacket > 0)
    return {
        COOLANT_FREE: np.asarray(free),
        COOLANT_PER_WATT: per_engine_watt,
        COOLANT_LEAST: np.asarray(least),
        COOLANT_MOST: limit,
    }


def solve(context: Context, given: facts.CoolingFacts) -> Result:
    """Solve cooling for the context's duties; a missing part leaves its check unknown."""
    opening = checks.opening_check(context, given)
    gates = [*checks.stack_checks(context, given), *([] if opening is None else [opening])]
    missing = _missing(given)

    def needs() -> list[Need]:
        return need.needs(context, given)

    try:
        solved, starts = _solved(context, given)
    except MissingFact as error:
        fields = missing or (error.field,)
        return Result(
            checks=lambda mean, peak: gates,
            unknown=[Unknown("heat", "Heat", "core_fan", fields)],
            figures=dict,
            needs=needs,
            notices=list,
            working=lambda index: [],
        )

    round_trip = circuit.circuit_of(solved)
    gates += [circuit.inlet_check(round_trip, context), *circuit.freezing_check(solved, context)]
    grown = circuit.expansion_check(solved)
    if grown is not None:
        gates.append(grown)

    @cache
    def whole() -> tuple[Cooling, Shown, Limiting]:
        """With the fan off as well as on, what the gauge shows and the limiting ambient."""
        both = prepare(context, solved.plant, starts=starts)
        heat = heat_made(both, context, context.mean)
        # What a duty follows is held: its own weather is not asked about.
        held = None if starts is None else Starts(both.start, both.start_metal)
        return both, shown(both, heat), limiting_ambient(heat, both, lambda t: surplus(context, given, t, held))

    @cache
    def cold() -> Array:
        """Air under which each duty runs below its thermostat."""
        return circuit.overcooled_ambient(whole()[0], context, context.mean)

    def weather() -> tuple[Array, Array]:
        """Limiting ambient of each duty [K], and after how long it boils [s]."""
        both, seen, limiting = whole()
        return limiting.ambient, time.boils_after(both, context, seen)

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        base = mean is context.mean
        return [checks.heat_check(solved, context, mean, weather if base else None), *gates]

    def steps(index: int) -> list[Step]:
        both, _, limiting = whole()
        return working.steps(both, round_trip, context, limiting, index)

    return Result(
        checks=judge,
        unknown=[],
        figures=lambda: _figures(context, round_trip, cold(), *whole()),
        needs=needs,
        notices=lambda: [*checks.notices(solved, context), *circuit.notices(whole()[0], round_trip, context, cold())],
        working=steps,
        beside=lambda: _beside(solved),
        looks=lambda: ranges.looks(solved, whole()[1]),
    )


def _beside(solved: Cooling) -> Sequence[Beside]:
    core, fan = solved.plant.core, solved.plant.fan
    weight = likely(core.face * core.depth * CORE_DENSITY)
    air = likely(over_duties(fan.free_air)) if fan.shroud != "open" else 0.0
    return (
        Beside("core_mass", "filled core's weight", weight, "mass"),
        Beside("fan_air", "fans' free air", air, "air_flow"),
    )


def _figures(
    context: Context, trip: circuit.Circuit, cold: Array, solved: Cooling, seen: Shown, limiting: Limiting
) -> Mapping[str, Array]:
    on, plant = pick_fan(solved.airs, -1), solved.plant
    per_fan = electric_power(plant.fan, on.zones.through, on.zones.rise)
    driven = plant.facts.fan.drive == "belt"
    turning = 1.0 if driven else seen.fan_share
    around, made = trip.pressures, heat_made(solved, context, context.mean)
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
        "fan_power_w": per_fan * turning if plant.fan.shroud != "open" else 0.0 * seen.steady,
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


DECLARES = declared(
    takes=f"{OIL_SHARE} {OIL_BACK}",
    gives=f"{COOLANT_FREE} {COOLANT_PER_WATT} {COOLANT_LEAST} {COOLANT_MOST}",
    engine="dry_mass material thermostat coolant_limit",
    machine="kind gearbox",
    installation="depth_available depth_ahead opening_width opening_height",
    duties="air_speed duration start after",
)
SYSTEM: System = System(
    id="cooling",
    title="Cooling",
    facts=facts.CoolingFacts,
    fill=facts.fill,
    parts=PARTS,
    applies=applies,
    refuse=refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    gives=gives,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
)

__all__ = ["SYSTEM"]
