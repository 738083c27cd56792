"""The cooling solved, ready to be asked at any power, and what it hands on."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from functools import cache

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.heat.coarse_core import charge_effectiveness
from gauge_well.core.media import air
from gauge_well.core.parts.fan import ELECTRIC
from gauge_well.core.reads import (
    CHARGE_CORE,
    COOLANT_FREE,
    COOLANT_LEAST,
    COOLANT_MOST,
    COOLANT_PER_WATT,
    CORE_AIR,
    CORE_HEAT,
    FAN_DROP,
    FANS_DRAW,
    FANS_FULL,
    LOST_COOLANT,
    LOST_REQUEST,
    OIL_PULL,
    OIL_SHARE,
    OIL_WARM,
    SAG,
)
from gauge_well.core.systems.base import (
    Beside,
    Context,
    Need,
    Result,
)
from gauge_well.core.systems.cooling import (
    afloat,
    afloat_said,
    checks,
    circuit,
    facts,
    facts_front,
    front,
    need,
    notices,
    ranges,
    time,
    working,
)
from gauge_well.core.systems.cooling.figures import figures
from gauge_well.core.systems.cooling.gauge import Limiting, Shown, limiting_ambient, shown, switched
from gauge_well.core.systems.cooling.model import (
    Cooling,
    Starts,
    fan_power,
    fan_share,
    heat_made,
    pick_fan,
    plant_of,
    prepare,
)
from gauge_well.core.typing import Array, as_array, clip, likely, over_duties
from gauge_well.core.working import Step

HALF_OPEN = 6.0  # K over its first lift at which a thermostat under load is half open
RAM_FACE = 0.12  # of road speed that comes onto the face without a fan, .12 to .20 (common practice)
NEAR = 1.05  # of a heat, for the slope there
CORE_DENSITY = 1000.0  # kg/m3 of a filled core (common practice)


def _missing(given: facts.CoolingFacts) -> tuple[str, ...]:
    names = ["core.width", "core.height", "core.depth", "fan.drive"]
    if given.fan.drive in (*ELECTRIC, "belt"):
        names.append("fan.diameter")
    if given.restrictor in ("main", "bypass"):
        names.append("restrictor_bore")
    absent = [n for n in names if fact(given, n) is None]
    return tuple(f"cooling.{n}" for n in (*absent, *facts_front.missing(given)))


def _solved(context: Context, given: facts.CoolingFacts) -> tuple[Cooling, Starts | None]:
    """The cooling with all fans on, and where duties start that follow another; MissingFact names what is absent."""
    missing = _missing(given)
    if missing or context.machine.kind == "boat":
        # Afloat nothing blows: what a sheet may still say of a core has no meaning there.
        raise MissingFact(missing[0] if missing else "cooling.core.width")

    def work() -> tuple[Cooling, Starts | None]:
        plant = plant_of(context, given)
        follows = any(case.after for case in context.duties.cases)
        starts = time.chained(context, prepare(context, plant)) if follows else None
        return prepare(context, plant, only_on=True, starts=starts), starts

    handed = tuple(context.given.get(name) for name in (OIL_SHARE, OIL_WARM, OIL_PULL))
    # With its fans on their full volts it is what was worked before the volts were.
    if np.any(fan_share(context, given) < 1.0):
        handed += tuple(context.given.get(name) for name in (SAG, FAN_DROP, LOST_COOLANT, LOST_REQUEST))
    else:
        handed += (None, None, None, None)
    stands_on = (given, context.engine, context.duties, context.mean, context.doubts, *handed)
    return context.remember("cooling", stands_on, work)


def _charged(context: Context) -> Context:
    """The same with every fan on its full volts: what is handed on is worked before the volts are."""
    if SAG not in context.given and FAN_DROP not in context.given:
        return context
    return replace(context, given={k: v for k, v in context.given.items() if k not in (SAG, FAN_DROP)})


def surplus(context: Context, given: facts.CoolingFacts, ambient: Array, starts: Starts | None = None) -> Array:
    """Heat made over heat carried [W] with other air outside of each duty [K]."""
    there = context if context.in_air is None else context.in_air(ambient)
    solved = prepare(there, plant_of(there, given), only_on=True, starts=starts)
    return np.asarray(heat_made(there, solved, there.mean) - solved.capacity)


def leaves(context: Context, given: facts.CoolingFacts) -> Mapping[str, Array]:
    """Where each duty leaves the coolant, linear in the heat; nothing where core or fan are not known."""
    if context.machine.kind == "boat":
        return afloat.leaves(context, given)
    try:
        solved, _ = _solved(_charged(context), given)
    except MissingFact:
        return {}
    limit, per_watt = solved.plant.limit, solved.response.per_watt
    made = heat_made(context, solved, context.mean)
    free = limit - solved.capacity * per_watt
    least = np.minimum(solved.plant.thermostat + HALF_OPEN, limit)
    if np.any(solved.starts_shut):
        # Nothing is shed until the thermostat opens: straight through two points of the curve.
        end, more = (solved.end_from_shut(f * made) for f in (1.0, NEAR))
        # One that makes no heat has no curve.
        warms = solved.starts_shut & (made > 0.0)
        per_watt = np.where(warms, (more - end) / ((NEAR - 1.0) * np.where(made > 0.0, made, 1.0)), per_watt)
        free = np.where(solved.starts_shut, end - per_watt * made, free)
        least = np.where(solved.starts_shut, solved.start, least)
    # All but what the oil has in hand goes with the engine's heat.
    standing = front.oil_standing(context, limit)
    jacket, follows = context.mean.heat_to_coolant, per_watt * (made - standing)
    per_engine_watt = np.divide(follows, jacket, out=np.zeros_like(follows), where=jacket > 0)
    return {
        COOLANT_FREE: np.asarray(free + per_watt * standing),
        COOLANT_PER_WATT: per_engine_watt,
        COOLANT_LEAST: np.asarray(least),
        COOLANT_MOST: limit,
    }


def draws(context: Context, given: facts.CoolingFacts) -> Mapping[str, Array]:
    """What the fans take of the electrics, at their share of the time and all on; nothing where core or fan are not known."""
    if context.machine.kind == "boat":
        none = 0.0 * context.duties.column("ambient")
        return {FANS_DRAW: none, FANS_FULL: none}
    charged = _charged(context)
    try:
        solved, starts = _solved(charged, given)
    except MissingFact:
        return {}
    full = fan_power(solved)
    if given.fan.drive not in ELECTRIC:
        return {FANS_DRAW: 0.0 * full, FANS_FULL: 0.0 * full}
    both = _with_off(charged, solved, starts)
    share = switched(both, heat_made(charged, both, charged.mean)).fan_share
    return {FANS_DRAW: full * share, FANS_FULL: full}


def warms(context: Context, given: facts.CoolingFacts) -> Mapping[str, Array]:
    """Heat and air that come through the core into the engine space, and what a charge cooler ahead of it does; without end
    where core or fan are not known, or the core stands elsewhere.

    The fan counted at the share of its time that the heat asks, at least the air that the road speed brings through the
    grille: enough for the bay behind, without asking what the gauge shows.
    """
    nothing = as_array(np.inf)
    try:
        solved, _ = _solved(_charged(context), given)
    except MissingFact:
        return {CORE_HEAT: nothing, CORE_AIR: nothing, CHARGE_CORE: nothing}
    on, core = pick_fan(solved.airs, -1), solved.plant.core
    made = heat_made(context, solved, context.mean)
    settles = np.minimum(solved.plant.thermostat + HALF_OPEN, solved.plant.limit)
    over = np.maximum(solved.plant.limit - solved.sink, 1.0)
    # What a short duty stores in metal and coolant never reaches the air behind the core.
    most = np.maximum(solved.at_limit.heat, 1.0)
    would, made = most * clip((settles - solved.sink) / over, 0.05, 1.0), np.minimum(made, most)
    ram = (
        RAM_FACE
        * context.duties.column("air_speed")
        * core.face
        * air.density(solved.ambient, context.duties.column("pressure"))
    )
    flow = np.maximum(on.mass_flow * clip(made / would, 0.0, 1.0), np.minimum(ram, on.mass_flow))
    if given.opening == "remote":
        flow, made = nothing, nothing
    cooler = next((c for c in solved.plant.coolers if c.name == "charge"), None)
    effect = nothing
    if cooler is not None:
        effect = charge_effectiveness(cooler.core, on.velocity, context.peak.air_mass_flow)
    return {CORE_HEAT: np.asarray(made), CORE_AIR: np.asarray(flow), CHARGE_CORE: np.asarray(effect)}


def _with_off(context: Context, solved: Cooling, starts: Starts | None) -> Cooling:
    """With the fan off as well as on."""
    return context.remember(
        "cooling with the fan off", (solved, context.mean), lambda: prepare(context, solved.plant, starts=starts)
    )


def _seen(context: Context, solved: Cooling, starts: Starts | None) -> tuple[Cooling, Shown]:
    """With the fan off as well as on, and what the gauge shows."""

    def work() -> tuple[Cooling, Shown]:
        both = _with_off(context, solved, starts)
        return both, shown(both, heat_made(context, both, context.mean))

    return context.remember("cooling seen", (solved, context.mean), work)


def solve(context: Context, given: facts.CoolingFacts) -> Result:
    """Solve cooling for the context's duties; a missing part leaves its check unknown."""
    if context.machine.kind == "boat":
        return afloat_said.solve(context, given)
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
    gates += [circuit.inlet_check(context, round_trip), *circuit.freezing_check(context, solved)]
    grown = circuit.expansion_check(solved)
    if grown is not None:
        gates.append(grown)

    @cache
    def whole() -> tuple[Cooling, Shown, Limiting]:
        """With the fan off as well as on, what the gauge shows and the limiting ambient."""
        both, seen = _seen(context, solved, starts)
        # What a duty follows is held: its own weather is not asked about.
        held = None if starts is None else Starts(both.start, both.start_metal)
        heat = heat_made(context, both, context.mean)
        return both, seen, limiting_ambient(heat, both, lambda t: surplus(context, given, t, held))

    @cache
    def cold() -> Array:
        """Air under which each duty runs below its thermostat."""
        return circuit.overcooled_ambient(context, whole()[0], context.mean)

    def weather() -> tuple[Array, Array]:
        """Limiting ambient of each duty [K], and after how long it boils [s]."""
        both, seen, limiting = whole()
        return limiting.ambient, time.boils_after(context, both, seen)

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        base = mean is context.mean
        return [checks.heat_check(context, solved, mean, weather if base else None), *gates]

    def steps(index: int) -> list[Step]:
        both, _, limiting = whole()
        return working.steps(context, both, round_trip, limiting, index)

    return Result(
        checks=judge,
        unknown=[],
        figures=lambda: figures(context, round_trip, cold(), *whole()),
        needs=needs,
        notices=lambda: notices.notices(context, whole()[0], round_trip, cold()),
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
