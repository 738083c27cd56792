"""What the fuel's fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule
from gauge_well.core.sizes import BORES
from gauge_well.core.systems.fuel.facts_supply import (
    CARBURETTORS,
    GAS,
    INJECTION_PUMPS,
    INJECTIONS,
    LINE_SPEED,
    SUCTION_SPEED,
    Injection,
)
from gauge_well.core.systems.fuel.facts_tank import AIR_SPACE
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

RAIL_HEAT = 100.0  # W a bare rail takes up in a hot bay (common practice)
OWN_SUCTION = -20e3  # Pa at the inlet of an injection pump that draws by itself (common practice)
FLOAT_LEAST = 300.0  # Pa over a float valve's seat by which gravity fills a bowl (common practice)
# Gravity is a matter of centimetres: what a filter and a sieve made for it take at rated power [Pa] (common practice).
GRAVITY_FILTER, GRAVITY_SIEVE = 350.0, 100.0
# Where turbo diesels are common rail unless they are old (common practice).
RAIL_DIESELS = ("road_car", "off_road", "van", "truck", "hillclimb", "locomotive")
LARGE_CYLINDER = 0.9e-3  # m3, from which diesels have their injection pump in line (common practice)
GOES_ROUND = 2.0  # times what is burned and spilled at rated power that goes through a line (common practice)
SUMMER, SUMMER_SHARE = 303.15, 0.85  # K from which petrol is sold less volatile; share of its usual figure


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults of every part; a fitted part (pump, injectors, lift pump, tank) has none."""
    rules = Ruling(given, context)
    for part in (fill_lift, fill_supply, fill_tank, fill_guard):
        part(rules)
    return rules.rules


def fill_lift(rules: Ruling) -> None:
    """Defaults of lines and times; the pump and the pot themselves have none."""
    rule = rules.rule
    rule("lift", "none", "one pump does")
    rule("lift_line.bore", 0.008, "8 mm")
    rule("lift_line.length", 1.0, "pot near the tank")
    rule("return_to", "pot", "keeps it full")
    rule("pot_lift", -0.1, "pump under the pot")
    rule("pot_line.bore", 0.012, "12 mm")
    rule("pot_line.length", 0.3, "pump by the pot")
    rule("overflow.bore", 0.008, "8 mm")
    rule("overflow.length", 1.5, "back to the tank")
    rule("bare_time", 3.0, "a long bend")


def fill_supply(rules: Ruling) -> None:
    """Defaults: system by fuel, wiring, line and suction of a usual installation."""
    get, rule, engine = rules.get, rules.rule, rules.engine
    rule("injection", *_injection_by_rule(rules))
    way = INJECTIONS[get("injection")]
    rule("injection_pump", *_injection_pump_by_rule(engine))
    rule("carburettor", "down_draught", "usual")
    inline = INJECTION_PUMPS[get("injection_pump")] if way is INJECTIONS["mechanical"] else None
    wanted, burns = way.pressure, way.burned
    if inline is not None:
        wanted, burns = inline.least, inline.burned
    elif way is INJECTIONS["carburettor"]:
        wanted = CARBURETTORS[get("carburettor")].pressure
    if rules.given.get("main.drive") == "none":
        # A float valve asks only what its own seat takes; a vane pump of its own draws.
        wanted = OWN_SUCTION if way is INJECTIONS["mechanical"] else FLOAT_LEAST
    rule("regulator.place", way.rail, "usual for the way it gets in")
    rule("regulator.pressure", wanted, "usual for the way it gets in")
    rule("regulator.reference", "manifold" if way.injectors else "atmosphere", "usual for the way it gets in")
    rule("fuel_temperature", rules.hottest + 5.0, "5 K over the hottest air asked")
    rule("reserve", "20", "20 % over the peak flow")
    # What spills nothing burns all it is given: nothing to doubt there.
    rule("burned_share", burns, "usual for the way it gets in", exact=burns == 1.0)
    _fill_injectors(rules)
    _fill_pump(rules, way)
    _fill_lines(rules, way)


def _injection_by_rule(rules: Ruling) -> tuple[str, str]:
    """How fuel gets in, by what is burned, how it breathes and in what machine, and the words for it."""
    engine, fuel = rules.engine, rules.fuel
    if fuel is not None and fuel.gas:
        return GAS, "gas goes through gas parts"
    if fuel is None or fuel.spark:
        return "port", "usual for petrol"
    machine = rules.context.get("machine", {}).get("kind")
    if engine.get("aspiration") == "turbo" and engine.get("era") != "old" and machine in RAIL_DIESELS:
        return "common_rail", "usual for a turbo diesel in such a machine"
    return "mechanical", "usual for small and working diesels"


def _injection_pump_by_rule(engine: Mapping[str, Any]) -> tuple[str, str]:
    count = float(engine.get("cylinders") or 4.0)
    if count <= 2.0:
        return "single", "usual for one or two cylinders"
    if float(engine.get("displacement") or 0.0) / count > LARGE_CYLINDER:
        return "inline", "usual for large cylinders"
    return "rotary", "usual for small quick diesels"


def sold_bore(flow: float, speed: float) -> float:
    """Smallest bore sold [m] in which ``flow`` [m3/s] runs no faster than ``speed`` [m/s]."""
    least = float(np.sqrt(4.0 * max(flow, 0.0) / (np.pi * speed)))
    return next((b for b in BORES if b >= least), BORES[-1])


def _through(rules: Ruling) -> float:
    """What goes through a line at rated power [m3/s], about."""
    engine, fuel = rules.engine, rules.fuel
    power, bsfc = engine.get("rated_power"), engine.get("bsfc")
    if fuel is None or not power or not bsfc:
        return 2.0e-5
    return GOES_ROUND * float(power) * float(bsfc) / fuel.density / float(rules.get("burned_share"))


def _fill_injectors(rules: Ruling) -> None:
    rule = rules.rule
    rule("injectors.pressure", 300e3, "usual rating", "sae_j1832")
    rule("injectors.count", float(rules.engine.get("cylinders") or 4), "one a cylinder")
    rule("injector_firing", "once", "each in its turn")
    rule("injectors.dead_time", 1.0e-3, "at 13.5 V; 0.8 to 1.2 ms")
    rule("ceiling", "85", "85 % for pulls")
    rule("injectors.least_pulse", 0.7e-3, "0.5 to 1 ms", "sae_j1832")


def _fill_pump(rules: Ruling, way: Injection) -> None:
    get, rule = rules.get, rules.rule
    rule("main.count", 1.0, "one")
    rule("pump_staging", "always", "usual")
    rule("stage_load", 0.5, "half of full load")
    rule("main.drive", way.drive, "usual for the way it gets in")
    rule("main.speed", rules.engine.get("rated_speed") or 3000.0, "at the engine's rated speed")
    rule("main.wear", 0.0, "as good as its figures; the reserve is for wear", exact=True)
    rule("main.voltage", 13.5, "usual rating")
    rule("supply_voltage", 13.8, "alternator charging")
    rule("wire.length", 5.0, "battery to tank")
    rule("wire.area", 2.5e-6, "2.5 mm²")
    inside = way.drive == "electric" and way.pressure > 1e5 and get("lift") == "none"
    rule("pump_place", "tank" if inside else "outside", "usual for the way it gets in")


def _fill_lines(rules: Ruling, way: Injection) -> None:
    get, rule = rules.get, rules.rule
    flow = _through(rules)
    rule("line.bore", sold_bore(flow, LINE_SPEED), f"next sold over {LINE_SPEED:g} m/s")
    rule("line.length", 4.0, "tank to engine")
    rule("line.loss", 6.0, "a few bends and fittings", "crane410")
    hangs = get("main.drive") == "none"
    gravity = hangs and way is INJECTIONS["carburettor"]
    filtered = GRAVITY_FILTER if gravity else 15e3 if way.pressure > 1e5 else 4e3
    rule("filter.drop", filtered, "clean filter made for gravity" if gravity else "clean filter")
    rule("end_height", -0.4 if hangs else 0.0, "tank over the engine" if hangs else "level with the pump")
    rule("return_line.bore", get("line.bore"), "as the line")
    rule("return_line.length", get("line.length"), "as the line")
    rule("return_line.loss", 8.0, "a few bends, the regulator wide open", "crane410")
    rule("return_rise", way.warmer, "usual for the way it gets in")
    rule("rail_heat", RAIL_HEAT if get("regulator.place") == "returned" else 0.0, "a hot bay round a bare rail")
    inside = get("pump_place") == "tank" or hangs
    rule("suction_lift", -0.05 if inside else 0.3, "by where the pump sits")
    rule("suction.bore", sold_bore(flow, SUCTION_SPEED), f"next sold over {SUCTION_SPEED:g} m/s")
    rule("suction.length", 0.1 if inside else 2.0, "by where the pump sits")
    rule("sieve.drop", GRAVITY_SIEVE if gravity else 2e3, "clean sieve")
    fuel = rules.fuel
    if fuel is not None and fuel.rvp > 0.0:
        hot = rules.hottest >= SUMMER
        note = "summer grade, as sold where days are hot" if hot else "usual grade"
        rule("reid_pressure", fuel.rvp * (SUMMER_SHARE if hot and fuel.rvp_true > 1.0 else 1.0), note, "fuel_tables")


def fill_tank(rules: Ruling) -> None:
    """Defaults of pickup and filler; the tank itself has none, but its box says what it holds."""
    get, rule = rules.get, rules.rule
    box = [rules.given.get(n) for n in ("tank.length", "tank.width", "tank.height")]
    if all(side is not None for side in box):
        length, width, height = (likely(side) for side in box)  # type: ignore[arg-type]
        rule("tank.volume", length * width * height * (1.0 - AIR_SPACE), "its box, less room to swell", "arithmetic")
    rule("tank.pickup_x", 0.0, "in the middle")
    rule("tank.pickup_y", 0.0, "in the middle")
    rule("tank.pickup_height", 0.008, "8 mm")
    inside = get("pump_place") == "tank"
    rule("tank.pickup_in", "pot" if inside else "open", "a pump in the tank has one" if inside else "as many are")
    rule("tank_reserve", 0.15, "a seventh left")
    rule("tank.filler_length", 0.4, "usual")
    volume = get("tank.volume")
    if volume is not None:
        rule("tank_left", 0.02 * likely(volume), "a fiftieth of the tank")
    rule("filter.volume", 0.4e-3, "usual")


def fill_guard(rules: Ruling) -> None:
    """Defaults of what may be leaner, and of a seat."""
    rules.rule("lean_limit", 0.08, "a twelfth leaner than it is set up")
    head = rules.get("main.drive") == "none"
    rules.rule("needle_bore", 0.0035 if head else 0.0022, "3.5 mm, made for gravity" if head else "2.2 mm")
