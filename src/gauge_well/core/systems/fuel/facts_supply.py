"""What is stated of the way fuel gets in: system, injectors, main pump, its wiring, line, return and suction."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.media.fuels import VAPOUR_HIGH, VAPOUR_LOW
from gauge_well.core.parts.filter import FILTER, FilterFacts
from gauge_well.core.parts.injector import INJECTOR, InjectorFacts
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.pump import PUMP, PumpFacts
from gauge_well.core.parts.regulator import REGULATOR, RegulatorFacts
from gauge_well.core.parts.wire import WIRE, WireFacts
from gauge_well.core.sizes import BORES
from gauge_well.core.systems.fuel.ruling import Ruling
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class Injection:
    """A way of getting fuel in: pressure at the engine's inlet [Pa], whether injectors are judged here, the share
    of the pumped fuel that is burned (the rest spills back), how much hotter what spills returns [K], how the
    pressure is held and what drives the pump."""

    label: str
    pressure: float
    injectors: bool
    burned: float
    warmer: float
    rail: str
    drive: str


INJECTIONS: Mapping[str, Injection] = {
    "port": Injection("port injection", 300e3, True, 1.0, 0.0, "returned", "electric"),
    "direct": Injection("direct petrol injection (supply side)", 450e3, False, 1.0, 0.0, "returned", "electric"),
    "common_rail": Injection("common-rail diesel (supply side)", 400e3, False, 0.6, 40.0, "free", "electric"),
    "mechanical": Injection("mechanical diesel pump (supply side)", 35e3, False, 0.4, 20.0, "free", "engine"),
    "carburettor": Injection("carburettor", 25e3, False, 1.0, 0.0, "free", "engine"),
    "gas": Injection("gas parts: vaporiser, or liquid from its own tank", 0.0, False, 1.0, 0.0, "free", "none"),
}
GAS = "gas"
RAIL_HEAT = 100.0  # W a bare rail takes up in a hot bay (common practice)
OWN_SUCTION = -20e3  # Pa at the inlet of an injection pump that draws by itself (common practice)
FLOAT_LEAST = 300.0  # Pa over a float valve's seat by which gravity fills a bowl (common practice)
# Gravity is a matter of centimetres: what a filter and a sieve made for it take at rated power [Pa] (common practice).
GRAVITY_FILTER, GRAVITY_SIEVE = 350.0, 100.0
# Where turbo diesels are common rail unless they are old (common practice).
RAIL_DIESELS = ("road_car", "off_road", "van", "truck", "hillclimb", "locomotive")
LARGE_CYLINDER = 0.9e-3  # m3, from which diesels have their injection pump in line (common practice)
# Bores sold as tube or hose [m] (common practice).
LINE_SPEED, SUCTION_SPEED = 2.0, 0.6  # m/s, guides (common practice)
GOES_ROUND = 2.0  # times what is burned and spilled at rated power that goes through a line (common practice)


@dataclass(frozen=True)
class InjectionPump:
    """A kind of mechanical diesel pump: share of what it is given that it burns, least pressure at its inlet
    [Pa], whether it clears air by itself."""

    label: str
    burned: float
    least: float
    clears: bool


INJECTION_PUMPS: Mapping[str, InjectionPump] = {
    "inline": InjectionPump("in line, own cam", 0.45, 35e3, False),
    "rotary": InjectionPump("rotary, with a vane pump of its own", 0.40, 20e3, True),
    "single": InjectionPump("one for each cylinder", 0.60, 10e3, False),
    "unit": InjectionPump("pump and injector in one", 0.20, 200e3, True),
}


@dataclass(frozen=True)
class Carburettor:
    """A kind of carburettor: usual and highest pressure at its float valve [Pa]; bowls."""

    label: str
    pressure: float
    most: float


CARBURETTORS: Mapping[str, Carburettor] = {
    "side_draught": Carburettor("side-draught", 21e3, 30e3),
    "constant_depression": Carburettor("constant depression", 14e3, 25e3),
    "down_draught": Carburettor("down-draught", 25e3, 35e3),
    "four_barrel": Carburettor("four-barrel", 40e3, 50e3),
}
CEILINGS: Mapping[str, tuple[str, float]] = {
    "80": ("80 %, cautious", 0.80),
    "85": ("85 %", 0.85),
    "90": ("90 %", 0.90),
}
RESERVES: Mapping[str, tuple[str, float]] = {
    "10": ("10 %", 0.10),
    "20": ("20 %", 0.20),
    "30": ("30 %", 0.30),
}
SUMMER, SUMMER_SHARE = 303.15, 0.85  # K from which petrol is sold less volatile; share of its usual figure
PLACES: Mapping[str, str] = {"tank": "in the tank", "outside": "outside the tank"}
STAGINGS: Mapping[str, str] = {"always": "always", "demand": "the others on demand"}


@dataclass(frozen=True)
class Firing:
    """How often an injector opens in one working cycle."""

    label: str
    times: float


FIRINGS: Mapping[str, Firing] = {
    "once": Firing("once a cycle", 1.0),
    "twice": Firing("every turn, all together", 2.0),
    "throttle": Firing("throttle body, every intake stroke", 0.0),  # nought: cylinders over injectors
}
PORT = ("injection", ("port",))
ELECTRIC = ("main.drive", ("electric",))


@dataclass(frozen=True)
class SupplyFacts:
    """System, injectors, main pump, wiring, line and suction. SI; pressures over the air outside."""

    injection: str | None = choice("Fuel gets in by", {k: v.label for k, v in INJECTIONS.items()}, group="System")
    injection_pump: str | None = choice(
        "Injection pump",
        {k: v.label for k, v in INJECTION_PUMPS.items()},
        group="System",
        when=("injection", ("mechanical",)),
    )
    carburettor: str | None = choice(
        "Carburettor",
        {k: v.label for k, v in CARBURETTORS.items()},
        group="System",
        when=("injection", ("carburettor",)),
    )
    regulator: RegulatorFacts = role(REGULATOR, "Regulator", row="pump")
    fuel_temperature: Value | None = quantity("Hottest fuel", "temperature", VAPOUR_LOW, VAPOUR_HIGH, group="System")
    reserve: str | None = choice("Pump reserve", {k: v[0] for k, v in RESERVES.items()}, group="System")
    burned_share: Value | None = quantity(
        "Burned share of pumped fuel",
        "share",
        0.05,
        1.0,
        group="System",
        help="The rest spills back: 0.2 to 0.9 by kind of injection pump.",
        spread="loss",
    )
    injectors: InjectorFacts = role(INJECTOR, "Injectors", row="injectors", when=PORT)
    injector_firing: str | None = choice(
        "They open", {k: v.label for k, v in FIRINGS.items()}, group="Injectors", when=PORT
    )
    staged: InjectorFacts = role(
        INJECTOR,
        "Second set of injectors",
        row="injectors",
        asks=("flow",),
        labels={"flow": "Second set, each"},
        helps={"flow": "Of a staged pair: as many more, which open under load only."},
        when=PORT,
        needs=(),
    )
    ceiling: str | None = choice("Longest open", {k: v[0] for k, v in CEILINGS.items()}, group="Injectors", when=PORT)
    main: PumpFacts = role(PUMP, "Fuel pump", row="pump")
    pump_staging: str | None = choice("They run", STAGINGS, group="Pump")
    stage_load: Value | None = quantity(
        "Others come on from",
        "share",
        0.1,
        0.95,
        group="Pump",
        help="Of the fuel burned at full load.",
        spread="exact",
        when=("pump_staging", ("demand",)),
    )
    supply_voltage: Value | None = quantity("Volts at the battery, running", "voltage", 5.0, 60.0, group="Wiring")
    wire: WireFacts = role(WIRE, "Fuel pump's wire", row="pump", when=ELECTRIC)
    line: LineFacts = role(
        LINE,
        "Fuel line",
        row="pump",
        group="Line",
        asks=("bore", "length", "loss"),
        labels={"bore": "Line bore", "length": "Line length", "loss": "Bends and fittings, K"},
        limits={"bore": (0.002, 0.06), "length": (0.0, 60.0), "loss": (0.0, 200.0)},
    )
    filter: FilterFacts = role(FILTER, "Fuel filter", row="pump")
    end_height: Value | None = quantity(
        "Engine's inlet over the pump",
        "height",
        -5.0,
        5.0,
        group="Line",
        help="Without a pump: over the tank's outlet; below it is negative.",
    )
    return_line: LineFacts = role(
        LINE,
        "Fuel return",
        row="pump",
        group="Return",
        asks=("bore", "length", "loss"),
        labels={"bore": "Return bore", "length": "Return length", "loss": "Return's fittings and regulator, K"},
        limits={"bore": (0.001, 0.06), "length": (0.0, 60.0), "loss": (0.0, 500.0)},
    )
    return_rise: Value | None = quantity(
        "Return warmer by",
        "temperature_difference",
        0.0,
        80.0,
        group="Return",
        help="Than what the injection pump is given, by its work.",
        spread="temperature",
        when=("injection", ("mechanical", "common_rail")),
    )
    rail_heat: Value | None = quantity(
        "Heat the rail takes up",
        "heat",
        0.0,
        5e3,
        group="Return",
        help="From a hot bay, and carries back.",
        spread="loss",
        when=("injection", ("port", "direct")),
    )
    pump_place: str | None = choice("Pump sits", PLACES, group="Suction")
    suction_lift: Value | None = quantity(
        "Pump inlet over the fuel",
        "height",
        -3.0,
        5.0,
        group="Suction",
        help="Of the first pump from the tank, at the lowest level; below it is negative.",
    )
    suction: LineFacts = role(
        LINE,
        "Fuel suction line",
        row="suction",
        group="Suction",
        asks=("bore", "length"),
        labels={"bore": "Suction bore", "length": "Suction length"},
        limits={"bore": (0.002, 0.08), "length": (0.0, 20.0)},
    )
    reid_pressure: Value | None = quantity(
        "Vapour pressure (Reid)",
        "pressure_absolute",
        5e3,
        1.1e5,
        group="Suction",
        help="Of the fuel as sold: petrol 45 in a hot summer to 100 kPa in winter.",
    )
    sieve: FilterFacts = role(
        FILTER,
        "Sieve",
        row="suction",
        group="Suction",
        asks=("drop",),
        labels={"drop": "Sieve, at rated power"},
        limits={"drop": (0.0, 5e4)},
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "fuel_temperature": Way("tank", "A probe on the line by the tank after a long hot run."),
    "burned_share": Way("tank", "Catch the return for a minute: burned over burned and returned."),
    "supply_voltage": Way("running", "At the battery, lamps and fans on."),
    "end_height": Way("under", "Pump's outlet to the engine's inlet, plumb."),
    "return_line.bore": Way("hand", "Calliper in a cut end, at its narrowest fitting."),
    "return_line.length": Way("under", "Along the return from regulator to tank."),
    "return_rise": Way("running", "Two probes, on the feed and on the return, after a long run."),
    "rail_heat": Way(
        "running", "Two probes, on the feed and on the return: kelvin between x flow x 0.46 is watts at L/h."
    ),
    "suction_lift": Way("tank", "Pump inlet over the lowest fuel level, plumb."),
    "suction.length": Way("tank", "Along the line from pickup to pump."),
    "sieve.drop": Way("running", "Vacuum gauge at the pump's inlet at full flow, less the lift."),
    "reid_pressure": Way("papers", "Ask what grade the filling station sells in that season."),
}


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
