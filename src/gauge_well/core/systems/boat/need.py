"""What the wanted power asks of pump, hoses, silencer, riser, shaft and propeller, fitted or not."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow import propeller
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.media.seawater import DENSITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import RAW_PUMPS, SEA_HOSES, SHAFT_BARS, WET_HOSES, at_least
from gauge_well.core.systems.base import Context, Need, Shopping
from gauge_well.core.systems.boat import raw, safety, shafting, wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, as_array, likely, over_duties

KEEL_SPARE = 1.5  # of the least that cools its exhaust, where nothing else asks raw water (common practice)
USUAL_LIFT = 1.0  # m from silencer to the hose's highest place, where no heights are stated (common practice)
USUAL_MIX = 325.0  # K
SPARE_BACK = 0.7  # of the back pressure allowed that a hose is bought for: bends, age, a laden stern (common practice)
ROOMY = 1.2  # of what runs back and its third, that a silencer is bought over, for the lean (common practice)


def needs(context: Context, facts: BoatFacts) -> list[Need]:
    """Raw water by the rule and by the heat, its suction; hose and silencer, riser and break; shaft and propeller; blower."""
    found = [_flow(context, facts), *_suction(context, facts)] if raw.wanted(context, facts) else []
    if context.machine.exhaust == "wet":
        found += [*_hose(context, facts), *_riser(context, facts)]
    return [*found, *_shaft(context, facts), *_blower(context, facts), *_bilge(facts)]


def wanted_flow(context: Context, facts: BoatFacts) -> Array:
    """Raw water that is asked at full revs [m3/s]: the rule's, and at least what heat and the exhaust's mix ask; with a keel
    cooler those alone."""
    asks = [over_duties(raw.for_heat(context, facts, context.mean))]
    if context.machine.cooled_by != "keel":
        asks.append(over_duties(raw.by_rule(context)))
    if context.machine.exhaust == "wet":
        spare = KEEL_SPARE if context.machine.cooled_by == "keel" else 1.0
        asks.append(spare * over_duties(raw.for_mix(context, facts, context.mean) / facts.injected))
    return np.asarray(np.max(np.broadcast_arrays(*asks), axis=0))


def _flow(context: Context, facts: BoatFacts) -> Need:
    flow = wanted_flow(context, facts)
    rpm = likely(context.engine.rated_speed)
    keel = context.machine.cooled_by == "keel"
    turn = flow / raw.flow_share(facts) / (rpm / 60.0)
    sold = at_least(RAW_PUMPS, likely(turn))
    by_heat = likely(over_duties(raw.for_heat(context, facts, context.mean)))
    values: dict[str, tuple[float, str] | str] = {
        "flow": (likely(flow), "flow"),
        "turn": (likely(turn), "swept"),
        "rpm": (rpm, "speed_rpm"),
        "rule": (likely(raw.by_rule(context)), "flow"),
        "heat": (by_heat, "flow"),
    }
    words = (
        "Raw water: {flow} at {rpm}, by the rule of 1.2 L/min a kW; its heat alone asks {heat}. The rest cools the exhaust, "
        "idles, and ages with the impeller. A pump of {turn} a turn."
    )
    if keel:
        what = "the exhaust" if context.machine.exhaust == "wet" else "the gear's oil"
        words = f"Raw water for {what}: {{flow}} at {{rpm}}; the keel cooler takes the engine's heat. A pump of {{turn}} a turn."
    elif likely(flow) > 1.001 * likely(raw.by_rule(context)):
        words = "Raw water: {flow} at {rpm}, by its heat and its exhaust; the rule of 1.2 L/min a kW says {rule}. A pump of {turn} a turn."
    shop = Shopping(
        "Raw-water pump",
        Sentence("{f} of raw water", {"f": (likely(flow), "flow")}),
        Sentence("at {rpm}, an impeller of a season", {"rpm": (rpm, "speed_rpm")}),
        Sentence("{s} a turn", {"s": (sold, "swept")}) if sold else Sentence("two pumps, or one of its own drive"),
        None if sold is None else sold * rpm / 60.0 * raw.flow_share(facts),
        "boat.raw_pump.displacement",
    )
    return Need("raw", "raw_water_flow", flow, "flow", Sentence(words, values), shop=shop)


def _suction(context: Context, facts: BoatFacts) -> Sequence[Need]:
    """Hose on the suction side at 1.0 to 1.5 m/s."""
    flow = wanted_flow(context, facts)
    least = np.sqrt(4.0 * flow / (np.pi * raw.SPEED_MOST))
    bore = at_least(SEA_HOSES, likely(least))
    if bore is None:
        words = "Sea cocks, strainers and suction hoses of {b} together: two ways in, each with its own."
        return [Need("suction", "suction_bore", least, "size", Sentence(words, {"b": (likely(least), "size")}))]
    values: dict[str, tuple[float, str] | str] = {
        "b": (bore, "size"),
        "v": (likely(flow) / float(bore_area(bore)), "speed_m_s"),
    }
    words = "Sea cock, strainer and suction hose of {b}: {v} in them; 1.0 to 1.5 m/s is wished."
    return [Need("suction", "suction_bore", least, "size", Sentence(words, values))]


def hose_bore(context: Context, facts: BoatFacts) -> tuple[float, bool]:
    """Smallest wet hose sold [m] whose back pressure stays under the maker's figure with three tenths to spare, and whether pump and
    places were stated; else lifted a metre with the raw water that is asked."""
    limit, stated = likely(as_array(facts.tolerated)), True
    for bore in WET_HOSES:
        try:
            back = over_duties(wet.back(context, facts, context.peak, bore).total)
        except MissingFact:
            stated = False
            share = context.duties.column("engine_speed") / context.engine.rated_speed
            water = DENSITY * wanted_flow(context, facts) * share
            back = over_duties(wet.carried(context, facts, context.peak, bore, water, USUAL_MIX, USUAL_LIFT).total)
        if likely(back) <= SPARE_BACK * limit:
            return bore, stated
    return WET_HOSES[-1], stated


def _hose(context: Context, facts: BoatFacts) -> Sequence[Need]:
    bore, worked = hose_bore(context, facts)
    used = bore if facts.hose.bore is None else likely(facts.hose.bore)
    length = likely(need(facts.hose.length, "boat.hose.length"))
    back = float(bore_area(used)) * length
    holds = wet.SPARE * back
    sizes: dict[str, tuple[float, str] | str] = {
        "b": (bore, "size"),
        "limit": (likely(as_array(facts.tolerated)), "pressure_difference"),
        "lift": (USUAL_LIFT, "height"),
    }
    words = "Wet exhaust hose of {b}: under {limit} with three tenths to spare" + (
        "." if worked else ", lifted {lift}."
    )
    volume: dict[str, tuple[float, str] | str] = {
        "holds": (holds, "volume"),
        "back": (back, "volume"),
        "length": (length, "distance"),
        "b": (used, "size"),
    }
    silencer = "A lift silencer that holds {holds} up to its inlet, leaning: {length} of {b} hose send {back} back, and a third."
    buys = Shopping(
        "Exhaust hose",
        Sentence("a wet exhaust of {b}", {"b": (bore, "size")}),
        Sentence("wire-reinforced, for wet exhausts"),
        Sentence("{b}", {"b": (bore, "size")}),
        bore,
        "boat.hose.bore",
    )
    return [
        Need("hose", "wet_hose_bore", bore, "size", Sentence(words, sizes), shop=buys),
        Need("silencer", "silencer_volume", holds, "volume", Sentence(silencer, volume)),
    ]


def _riser(context: Context, facts: BoatFacts) -> Sequence[Need]:
    """How high, at rest, things must stand so that enough is left leaning."""
    name = "manifold" if facts.riser_over is None else "riser"
    left = as_array(facts.manifold_left)
    rises = _at_rest(context, facts.manifold_aft, left, wet.RISER_OVER)
    values: dict[str, tuple[float, str] | str] = {
        "h": (likely(rises), "height"),
        "kept": (wet.RISER_OVER, "height"),
        "heel": (likely(np.max(as_array(wet.leans(context)[1].heel))), "angle"),
    }
    words = f"The {wet.POINTS[name]} {{h}} over the laden waterline at rest: leaning {{heel}}, {{kept}} of it are left; lower asks a riser."
    found = [Need("riser", "riser_height", rises, "height", Sentence(words, values))]
    at = None if facts.injection_over is None else wet.least(context, wet.point(facts, "injection"))
    if at is None or likely(wet.breaks_needed(at)) > 0.0:
        breaks = _at_rest(context, facts.siphon_aft, facts.siphon_left, wet.BREAK_OVER)
        values = {"h": (likely(breaks), "height"), "kept": (wet.BREAK_OVER, "height")}
        aside = abs(likely(facts.siphon_left))
        values["y"] = (aside, "length")
        where = "{y} off the centreline" if aside > 0.01 else "on the centreline"
        words = f"A siphon break {{h}} over the laden waterline at rest, {where}: {{kept}} are left leaning."
        if at is None:
            words = "Where water is injected within 150 mm of the sea, leaning: a siphon break {h} over it at rest; {kept} are left."
        found.append(Need("siphon", "siphon_break_height", breaks, "height", Sentence(words, values)))
    return found


def _at_rest(context: Context, aft: object, left: object, kept: float) -> Array:
    """Height over the waterline at rest [m] of which ``kept`` is left in the worst position."""
    a, y = as_array(aft), as_array(left)  # type: ignore[arg-type]
    worst = []
    for at in wet.leans(context):
        h, t = as_array(at.heel), as_array(at.trim)
        # z' = (z cos h + y sin h) cos t + x sin t - s, solved for z.
        worst.append(((kept + wet.sinks(context) - a * np.sin(t)) / np.cos(t) - y * np.sin(h)) / np.cos(h))
    return np.asarray(np.max(np.broadcast_arrays(*worst), axis=0))


def _shaft(context: Context, facts: BoatFacts) -> Sequence[Need]:
    if facts.gear_ratio is None:
        return []
    metal = facts.shaft_metal or "stainless"
    n = shafting.shaft_speed(context, facts)
    torque = propeller.torque(shafting.shaft_power(facts, context.wanted), n)
    least = propeller.shaft_for(torque, metal)
    sold = at_least(SHAFT_BARS, likely(least))
    values: dict[str, tuple[float, str] | str] = {
        "d": (likely(least), "size"),
        "s": (sold or likely(least), "size"),
        "t": (likely(torque), "torque"),
        "n": (likely(n), "speed_rpm"),
    }
    words = f"A shaft of {{d}} in {propeller.SHAFTS[metal][0]} for {{t}} at {{n}}, a safety of three; {{s}} is sold."
    found = [Need("shaft", "shaft_diameter", least, "size", Sentence(words, values))]
    wished = shafting.wished(context, facts)
    if wished is not None:
        inches = f"{likely(wished.diameter) / propeller.INCH:.1f} × {likely(wished.pitch) / propeller.INCH:.1f} in"
        values = {
            "d": (likely(wished.diameter), "size"),
            "p": (likely(wished.pitch), "size"),
            "v": (likely(wished.speed), "speed"),
            "slip": (likely(wished.slip), "share"),
        }
        words = f"A propeller of {{d}} across and {{p}} of pitch ({inches}), three blades: {{v}} at a slip of {{slip}}. A propeller shop settles the pitch."
        found.append(Need("propeller", "propeller_diameter", wished.diameter, "size", Sentence(words, values)))
    return found


def _blower(context: Context, facts: BoatFacts) -> Sequence[Need]:
    if not context.engine.fuel.spark or facts.room_volume is None:
        return []
    wanted = safety.blower_needed(facts.room_volume)
    values: dict[str, tuple[float, str] | str] = {"q": (likely(wanted), "air_flow"), "t": (safety.BLOWS_FIRST, "time")}
    words = "A blower of {q} from the bottom third of the engine room, run {t} before every start. Advisory: local rules decide."
    return [Need("room", "blower_flow", wanted, "air_flow", Sentence(words, values))]


def _bilge(facts: BoatFacts) -> Sequence[Need]:
    """What takes out as much as a hose off its widest skin fitting lets in."""
    bore = safety.widest(facts)
    if bore is None:
        return []
    comes = safety.inflow(bore, facts.depth)
    values: dict[str, tuple[float, str] | str] = {
        "q": (likely(comes), "flow"),
        "b": (bore, "size"),
        "d": (likely(facts.depth), "height"),
    }
    words = "Bilge pumps of {q} as they are piped, together: what a {b} hose off its fitting, {d} down, lets in."
    return [Need("bilge", "bilge_flow", comes, "flow", Sentence(words, values))]
