"""What is stated of the way fuel gets in: system, injectors, main pump, its wiring, line, return and suction."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.media.fuels import VAPOUR_HIGH, VAPOUR_LOW
from gauge_well.core.parts.filter import FILTER, FilterFacts
from gauge_well.core.parts.injector import INJECTOR, InjectorFacts
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.pump import PUMP, PumpFacts
from gauge_well.core.parts.regulator import REGULATOR, RegulatorFacts
from gauge_well.core.parts.wire import WIRE, WireFacts
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
# Bores sold as tube or hose [m] (common practice).
LINE_SPEED, SUCTION_SPEED = 2.0, 0.6  # m/s, guides (common practice)


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

    injection: str = choice("Fuel gets in by", {k: v.label for k, v in INJECTIONS.items()}, group="System")
    injection_pump: str = choice(
        "Injection pump",
        {k: v.label for k, v in INJECTION_PUMPS.items()},
        group="System",
        when=("injection", ("mechanical",)),
    )
    carburettor: str = choice(
        "Carburettor",
        {k: v.label for k, v in CARBURETTORS.items()},
        group="System",
        when=("injection", ("carburettor",)),
    )
    regulator: RegulatorFacts = role(REGULATOR, "Regulator", row="pump")
    fuel_temperature: Value = quantity("Hottest fuel", "temperature", VAPOUR_LOW, VAPOUR_HIGH, group="System")
    reserve: str = choice("Pump reserve", {k: v[0] for k, v in RESERVES.items()}, group="System")
    burned_share: Value = quantity(
        "Burned share of pumped fuel",
        "share",
        0.05,
        1.0,
        group="System",
        help="The rest spills back: 0.2 to 0.9 by kind of injection pump.",
        spread="loss",
    )
    injectors: InjectorFacts = role(INJECTOR, "Injectors", row="injectors", when=PORT)
    injector_firing: str = choice("They open", {k: v.label for k, v in FIRINGS.items()}, group="Injectors", when=PORT)
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
    ceiling: str = choice("Longest open", {k: v[0] for k, v in CEILINGS.items()}, group="Injectors", when=PORT)
    main: PumpFacts = role(PUMP, "Fuel pump", row="pump")
    pump_staging: str = choice("They run", STAGINGS, group="Pump")
    stage_load: Value = quantity(
        "Others come on from",
        "share",
        0.1,
        0.95,
        group="Pump",
        help="Of the fuel burned at full load.",
        spread="exact",
        when=("pump_staging", ("demand",)),
    )
    supply_voltage: Value = quantity("Volts at the battery, running", "voltage", 5.0, 60.0, group="Wiring")
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
    end_height: Value = quantity(
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
    return_rise: Value = quantity(
        "Return warmer by",
        "temperature_difference",
        0.0,
        80.0,
        group="Return",
        help="Than what the injection pump is given, by its work.",
        spread="temperature",
        when=("injection", ("mechanical", "common_rail")),
    )
    rail_heat: Value = quantity(
        "Heat the rail takes up",
        "heat",
        0.0,
        5e3,
        group="Return",
        help="From a hot bay, and carries back.",
        spread="loss",
        when=("injection", ("port", "direct")),
    )
    pump_place: str = choice("Pump sits", PLACES, group="Suction")
    suction_lift: Value = quantity(
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
