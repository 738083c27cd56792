"""What is judged, asked and said of a boat's heat exchanger or keel cooler."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Unknown, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.heat.exchanger import FOULED, keel_coefficient
from gauge_well.core.media.seawater import DENSITY, HEAT_CAPACITY
from gauge_well.core.reads import RAW_FLOW, RAW_IN
from gauge_well.core.roots import where_falling
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Beside, Candidate, Context, Need, Result, Shopping
from gauge_well.core.systems.cooling import afloat, afloat_working, circuit
from gauge_well.core.systems.cooling.circuit import growth
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.typing import Array, as_array, duty_values, likely, over_duties
from gauge_well.core.validity import Notice

SCALED = 0.5  # of its clean conductance that a scaled exchanger has left (common practice)
RAW_RULE = (
    1.2 / 60.0 / 1e6
)  # m3/s of raw water for each watt where its pump is not known: 1.2 L/min a kW (common practice)
TRIED = np.geomspace(20.0, 60e3, 25)  # W/K
AREAS = np.geomspace(0.02, 60.0, 25)  # m2
SOLD = (200.0, 350.0, 500.0, 750.0, 1000.0, 1500.0, 2000.0, 3000.0, 4500.0, 6500.0, 9000.0, 13e3, 18e3, 25e3, 35e3)


def solve(context: Context, facts: CoolingFacts) -> Result:
    """Judge a boat's coolant; a cooler not known leaves its check unknown."""

    def needs() -> list[Need]:
        return _needs(context, facts)

    try:
        found = afloat.solved(context, facts)
    except MissingFact as error:
        own = "cooling.keel_area" if context.machine.cooled_by == "keel" else "cooling.exchanger.conductance"
        missing = tuple(dict.fromkeys((own, error.field))) if facts.exchanger.conductance is None else (error.field,)
        return Result(
            checks=lambda mean, peak: [],
            unknown=[Unknown("heat", "Heat", "exchanger", missing)],
            figures=dict,
            needs=needs,
            notices=list,
            working=lambda index: [],
        )
    trip = circuit.circuit_of(found)
    gates = [circuit.inlet_check(context, trip), *circuit.freezing_check(context, found)]
    grown = circuit.expansion_check(found)
    if grown is not None:
        gates.append(grown)
    made = afloat.heat_made(context, found.plant.limit, context.mean)
    return Result(
        checks=lambda mean, peak: [_check(context, found, mean), *gates],
        unknown=[],
        figures=lambda: _figures(found, trip, made),
        needs=needs,
        notices=lambda: list(_notices(context, facts, found, made)),
        working=lambda index: afloat_working.steps(context, found, made, index),
        beside=lambda: (Beside("coolant", "coolant in all", likely(facts.coolant_volume), "volume"),),
    )


def _check(context: Context, found: afloat.Marine, mean: Operation) -> Check:
    made = afloat.heat_made(context, found.plant.limit, mean)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        columns = (afloat.limiting_sea(found, made), found.sea, made, found.capacity)
        sentences = []
        for to, asked, heat, carried in zip(*(duty_values(c, count) for c in columns), strict=True):
            values: dict[str, tuple[float, str] | str] = {
                "to": (to, "temperature"),
                "asked": (asked, "temperature"),
                "made": (heat, "heat"),
                "carried": (max(carried, 0.0), "heat"),
            }
            words = "Holds in a sea of up to {to}; you asked for {asked}. Makes {made}, carries {carried}."
            if to > 330.0:
                words = "Makes {made} of the {carried} it can carry; no sea is too warm for it."
            if to < 273.0:
                words = "Makes {made}, carries {carried}: too little in any sea."
            sentences.append(Sentence(words, values))
        return tuple(sentences)

    return Check(
        id="heat",
        name="Heat",
        part="exchanger",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="heat",
        demand=made,
        capacity=found.capacity,
        fill=ratio_fill(made, found.capacity),
        code="" if np.all(found.capacity > 0.0) else "ambient_over_limit",
        sentences=said,
    )


def _figures(found: afloat.Marine, trip: circuit.Circuit, made: Array) -> dict[str, Array]:
    plant, around = found.plant, trip.pressures
    shed = np.minimum(made, np.maximum(found.capacity, 0.0))
    figures: dict[str, Array] = {
        "coolant_out_k": np.minimum(afloat.settles(found, made), plant.boiling),
        "coolant_limit_k": plant.limit,
        "boiling_point_k": plant.boiling,
        "limiting_sea_k": afloat.limiting_sea(found, made),
        "exchanger_ua_w_k": found.conductance_ua,
        "heat_a_kelvin_w_k": found.rate,
        "heat_made_w": made,
        "heat_carried_w": found.capacity,
        "coolant_volume_flow_m3_s": plant.open_loop[1],
        "raw_in_k": found.inlet,
        "pump_inlet_pa": np.maximum(around.pump_inlet, 0.0),
        "block_pressure_pa": around.block,
        "block_boiling_margin_k": trip.margin,
        "expansion_volume_m3": np.broadcast_to(circuit.expansion(found), plant.limit.shape),
    }
    if not bool(np.all(np.isinf(found.raw_rate))):
        figures["raw_behind_exchanger_k"] = np.asarray(found.inlet + shed / found.raw_rate)
    return figures


def _fills(context: Context, facts: CoolingFacts, sizes: Array, keel: bool) -> Array:
    """Fullest duty's fill (trial, sample) with coolers of those sizes, fouled as they run."""
    plant, wide = afloat.afloat(context, facts), sizes[:, None, None]
    sea = context.duties.column("sea")
    if keel:
        each = keel_coefficient(context.duties.column("asked_speed"), FOULED)
        rate, comes, ua = np.asarray(np.inf), sea, wide * each
    else:
        moves, comes_at = context.told(RAW_FLOW), context.told(RAW_IN)
        share = context.duties.column("engine_speed") / context.engine.rated_speed
        flow = DENSITY * RAW_RULE * as_array(context.wanted) * share if moves is None else moves
        rate, comes, ua = flow * HEAT_CAPACITY, sea if comes_at is None else comes_at, wide * facts.fouled
    found = afloat.prepare(context, plant, ua, ua, rate, np.asarray(comes))
    made = afloat.heat_made(context, plant.limit, context.mean)
    fill = np.where(found.capacity > 0.0, made / np.maximum(found.capacity, 1e-9), 99.0)
    return np.asarray(fill.max(axis=1))


def _crossing(sizes: Array, most: Array) -> Array:
    found = np.exp(where_falling(np.log(sizes), np.log(np.maximum(most, 1e-9)), 0.0))
    return np.asarray(np.where(most[-1] > 1.0, np.inf, found))


def _needs(context: Context, facts: CoolingFacts) -> list[Need]:
    """Conductance of an exchanger, or a keel cooler's outside; room to expand."""
    found = [_keel(context, facts) if context.machine.cooled_by == "keel" else _exchanger(context, facts)]
    limit = afloat.afloat(context, facts).limit
    room = growth(facts.coolant_volume, limit, afloat.afloat(context, facts).glycol)
    words = "A header or overflow with {room} of room over its cold level."
    found.append(
        Need("header", "expansion_volume", room, "volume", Sentence(words, {"room": (likely(room), "volume")}))
    )
    return found


def _exchanger(context: Context, facts: CoolingFacts) -> Need:
    wanted = _crossing(TRIED, _fills(context, facts, TRIED, False))
    heat = likely(over_duties(afloat.heat_made(context, afloat.afloat(context, facts).limit, context.mean)))
    if not np.isfinite(likely(wanted)):
        words = "No exchanger carries {q} with that raw water: more water through it, or a cooler sea."
        return Need("exchanger", "exchanger_ua", wanted, "conductance", Sentence(words, {"q": (heat, "heat")}))
    sold = next((s for s in SOLD if s >= likely(wanted)), None)
    values: dict[str, tuple[float, str] | str] = {
        "ua": (likely(wanted), "conductance"),
        "left": (likely(facts.fouled), "share"),
        "q": (heat, "heat"),
        "s": (sold or likely(wanted), "conductance"),
    }
    words = "A heat exchanger of {ua} clean, {left} of it left as it fouls, for {q}."
    taken = "" if context.told(RAW_FLOW) is not None else " Raw water taken as 1.2 L/min a kW."
    shop = Shopping(
        "Heat exchanger",
        Sentence("a heat exchanger of {ua}", {"ua": (likely(wanted), "conductance")}),
        Sentence("clean; for {q}", {"q": (heat, "heat")}),
        Sentence("{s}", {"s": (sold, "conductance")}) if sold else Sentence("two side by side"),
        sold,
        "cooling.exchanger.conductance",
    )
    return Need("exchanger", "exchanger_ua", wanted, "conductance", Sentence(words + taken, values), shop=shop)


def _keel(context: Context, facts: CoolingFacts) -> Need:
    fills = _fills(context, facts, AREAS, True)
    wanted = _crossing(AREAS, fills)
    speeds = duty_values(context.duties.column("asked_speed"), len(context.duties.cases))
    heat = afloat.heat_made(context, afloat.afloat(context, facts).limit, context.mean)
    asks = np.asarray(heat[..., 0] / keel_coefficient(context.duties.column("asked_speed"))[..., 0]).reshape(-1)
    worst = int(np.argmax(asks)) if asks.size == len(speeds) else 0
    values: dict[str, tuple[float, str] | str] = {
        "a": (likely(wanted), "area"),
        "v": (speeds[worst], "speed"),
        "duty": context.duties.cases[worst].name.lower(),
    }
    words = "A keel cooler of {a} outside; {duty}, at {v} through the water, decides."
    if not np.isfinite(likely(wanted)):
        words = "No keel cooler carries {duty} at {v} through the water."
    shop = Shopping(
        "Keel cooler",
        Sentence("a keel cooler of {a}", values),
        Sentence("never painted; {duty} decides", values),
        Sentence("{a}", values),
        None,
        "cooling.keel_area",
    )
    return Need("exchanger", "keel_area", wanted, "area", Sentence(words, values), shop=shop)


def _notices(context: Context, facts: CoolingFacts, found: afloat.Marine, made: Array) -> Iterator[Notice]:
    if context.machine.cooled_by == "keel":
        if facts.keel_painted == "yes":
            words = "A keel cooler painted or grown over gives little more than half: bare metal, scraped each year."
            yield Notice("keel_painted", Sentence(words), "cooling.keel_painted")
        moves = [c.name.lower() for c in context.duties.cases if likely(c.asked_speed) < 0.5]
        if not moves:
            words = "No duty stands still: a bollard pull, or going astern at the quay, is where a keel cooler gives out first."
            yield Notice("keel_still", Sentence(words), "cooling.keel_area")
        return
    scaled = afloat.with_fouling(context, facts, SCALED)
    count = len(context.duties.cases)
    ends = duty_values(afloat.settles(scaled, made), count)
    worst = int(np.argmax(np.array(ends) - np.array(duty_values(found.plant.limit, count))))
    values: dict[str, tuple[float, str] | str] = {
        "share": (SCALED, "share"),
        "t": (ends[worst], "temperature"),
        "limit": (duty_values(found.plant.limit, count)[worst], "temperature"),
        "duty": context.duties.cases[worst].name.lower(),
    }
    words = "Scaled to {share} of its clean conductance the coolant comes to {t} on {duty}; {limit} is its limit. A pencil of zinc, looked at twice a year."
    yield Notice("scaled", Sentence(words, values), "cooling.fouled")


def candidates(facts: CoolingFacts, keel: bool) -> list[Candidate]:
    """Larger coolers, a cleaned one, a tubular one for plates."""
    found = []
    if keel and facts.keel_area is not None:
        for times in (1.3, 1.7):
            area = times * likely(facts.keel_area)
            words = Sentence("Keel cooler {a} → {b}", {"a": (likely(facts.keel_area), "area"), "b": (area, "area")})
            found.append(Candidate(f"keel_{100 * times:.0f}", "exchanger", words, {"cooling.keel_area": area}))
        if facts.keel_painted == "yes":
            found.append(
                Candidate(
                    "keel_bare", "exchanger", Sentence("Keel cooler stripped bare"), {"cooling.keel_painted": "no"}
                )
            )
    own = facts.exchanger.conductance
    if not keel and own is not None:
        for size in [s for s in SOLD if s > 1.02 * likely(own)][:2]:
            words = Sentence(
                "Heat exchanger {a} → {b}", {"a": (likely(own), "conductance"), "b": (size, "conductance")}
            )
            found.append(
                Candidate(f"exchanger_{size:.0f}", "exchanger", words, {"cooling.exchanger.conductance": size})
            )
        if likely(facts.fouled) < 0.95:
            found.append(Candidate("descaled", "exchanger", Sentence("Descaled, like new"), {"cooling.fouled": 1.0}))
    return found
