"""What fuel needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.facts import Rule, Way, choice, quantity, table
from gauge_well.core.media.fuels import burning
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class Injection:
    """A way of getting fuel in: supply pressure [Pa], whether injectors are judged here, and the
    share of the pumped fuel that is burned (the rest spills back)."""

    label: str
    pressure: float
    injectors: bool
    burned: float
    electric: bool


INJECTIONS: Mapping[str, Injection] = {
    "port": Injection("port injection", 300e3, True, 1.0, True),
    "direct": Injection("direct petrol injection (supply side)", 450e3, False, 1.0, True),
    "common_rail": Injection("common-rail diesel (supply side)", 40e3, False, 0.6, True),
    "mechanical": Injection("mechanical diesel pump (supply side)", 35e3, False, 0.4, False),
    "carburettor": Injection("carburettor", 25e3, False, 1.0, True),
}
RAILS: Mapping[str, str] = {"returned": "returned to the tank", "dead_headed": "dead-headed"}
REFERENCES: Mapping[str, str] = {"manifold": "manifold", "atmosphere": "air outside"}
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
PUMP_DRIVES: Mapping[str, str] = {"electric": "electric", "engine": "driven by the engine"}


@dataclass(frozen=True)
class FuelFacts:
    """Pump, line, rail and injectors. SI; pressures over the air outside."""

    injection: str | None = choice("Fuel gets in by", {k: v.label for k, v in INJECTIONS.items()}, group="System")
    rail: str | None = choice("Rail", RAILS, group="System")
    rail_pressure: Value | None = quantity(
        "Regulator set to", "pressure_gauge", 5e3, 1.2e6, group="System", help="With the reference hose off."
    )
    reference: str | None = choice("Regulator referenced to", REFERENCES, group="System")
    fuel_temperature: Value | None = quantity("Hottest fuel", "temperature", 250.0, 350.0, group="System")
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
    injector_flow: Value | None = quantity(
        "Injector, each", "injector_flow", 5e-8, 1e-4, part="injectors", group="Injectors", count_field="injector_count"
    )
    injector_pressure: Value | None = quantity(
        "rated at", "pressure_difference", 5e4, 1.2e6, group="Injectors", spread="exact"
    )
    injector_count: Value | None = quantity("How many", "count", 1, 32, group="Injectors", spread="exact")
    dead_time: Value | None = quantity("Dead time", "time_short", 0.0, 4e-3, group="Injectors")
    ceiling: str | None = choice("Longest open", {k: v[0] for k, v in CEILINGS.items()}, group="Injectors")
    pump_flow: Value | None = quantity("Pump flow, each", "flow_fuel", 1e-7, 5e-3, part="pump", group="Pump")
    pump_pressure: Value | None = quantity(
        "at", "pressure_gauge", 0.0, 1.5e6, part="pump", group="Pump", help="A rating without its pressure says little."
    )
    pump_flow_2: Value | None = quantity("Second point", "flow_fuel", 0.0, 5e-3, group="Pump")
    pump_pressure_2: Value | None = quantity("at ", "pressure_gauge", 0.0, 2e6, group="Pump")
    pump_table: tuple[tuple[float, ...], ...] | None = table(
        "Pump table",
        (("pressure", "pressure_gauge"), ("flow", "flow_fuel")),
        group="Pump",
        help="One row a line, for instance `3 bar, 190 L/h`.",
    )
    pump_count: Value | None = quantity("How many, side by side", "count", 1, 6, group="Pump", spread="exact")
    pump_drive: str | None = choice("Pump is", PUMP_DRIVES, group="Pump")
    rating_voltage: Value | None = quantity("Rated at", "voltage", 3.0, 60.0, group="Pump", spread="exact")
    supply_voltage: Value | None = quantity("Volts at the battery, running", "voltage", 5.0, 60.0, group="Wiring")
    pump_current: Value | None = quantity("Pump draws", "current", 0.2, 80.0, group="Wiring")
    wire_length: Value | None = quantity("Wire, one way", "length", 0.1, 40.0, group="Wiring")
    wire_area: Value | None = quantity("Wire size", "wire_area", 0.2e-6, 100e-6, group="Wiring")
    line_bore: Value | None = quantity("Line bore", "length", 0.002, 0.06, group="Line", spread="gauge")
    line_length: Value | None = quantity("Line length", "length", 0.0, 60.0, group="Line")
    line_loss: Value | None = quantity("Bends and fittings, K", "ratio", 0.0, 200.0, group="Line", spread="loss")
    filter_drop: Value | None = quantity(
        "Filter, at rated power", "pressure_difference", 0.0, 2e5, group="Line", spread="loss"
    )
    pump_place: str | None = choice("Pump sits", PLACES, group="Suction")
    suction_lift: Value | None = quantity(
        "Pump inlet over the fuel",
        "height",
        -3.0,
        5.0,
        group="Suction",
        help="At the lowest level; below it is negative.",
    )
    suction_bore: Value | None = quantity("Suction bore", "length", 0.002, 0.08, group="Suction", spread="gauge")
    suction_length: Value | None = quantity("Suction length", "length", 0.0, 20.0, group="Suction")
    reid_pressure: Value | None = quantity(
        "Vapour pressure (Reid)",
        "pressure_absolute",
        5e3,
        1.1e5,
        group="Suction",
        help="Of the fuel as sold: petrol 45 in a hot summer to 100 kPa in winter.",
    )
    sieve_drop: Value | None = quantity(
        "Sieve, at rated power", "pressure_difference", 0.0, 5e4, group="Suction", spread="loss"
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "rail_pressure": Way("running", "A gauge on the rail, reference hose off."),
    "fuel_temperature": Way("tank", "A probe on the line by the tank after a long hot run."),
    "burned_share": Way("tank", "Catch the return for a minute: burned over burned and returned."),
    "injector_flow": Way("hand", "Wide open at a steady pressure into a measuring glass for half a minute."),
    "dead_time": Way("papers", "The maker's table at 13.5 V, or a flow bench at two pulse lengths."),
    "pump_flow": Way("tank", "Return line into a can for a minute, at that pressure and voltage."),
    "pump_pressure": Way("tank", "A gauge at the pump while the flow is caught."),
    "pump_flow_2": Way("tank", "Catch again with the return pinched to a second pressure."),
    "pump_pressure_2": Way("tank", "The gauge's reading at the second catch."),
    "pump_table": Way("tank", "Catch at three or four pressures, volts held."),
    "supply_voltage": Way("running", "At the battery, lamps and fans on."),
    "pump_current": Way("running", "A clamp meter on the pump's lead at its working pressure."),
    "wire_length": Way("under", "Along the loom from battery to pump."),
    "wire_area": Way("hand", "Calliper on the bared strands' bundle; or read the sheath."),
    "line_bore": Way("hand", "Calliper in a cut end."),
    "line_length": Way("under", "Along the line from pump to rail."),
    "line_loss": Way("under", "Count bends and fittings: 0.3 a bend, 1 an elbow, 2 a banjo."),
    "filter_drop": Way("running", "Gauge before and behind the filter at full flow."),
    "suction_lift": Way("tank", "Pump inlet over the lowest fuel level, plumb."),
    "suction_bore": Way("hand", "Calliper in a cut end."),
    "suction_length": Way("tank", "Along the line from pickup to pump."),
    "sieve_drop": Way("running", "Vacuum gauge at the pump's inlet at full flow, less the lift."),
    "reid_pressure": Way("papers", "Ask what grade the filling station sells in that season."),
}


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults: system by fuel, wiring, line and suction of a usual installation."""
    rules: dict[str, Rule] = {}

    def get(name: str) -> Any:
        if given.get(name) is not None:
            return given[name]
        return rules[name].value if name in rules else None

    def rule(name: str, value: Any, note: str, source: str = "common practice") -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, source)

    engine, duties = context.get("engine", {}), context.get("duties", {})
    diesel = engine.get("fuel") == "diesel"
    rule("injection", "mechanical" if diesel else "port", "by fuel")
    way = INJECTIONS[get("injection")]
    rule("rail", "returned", "fuel goes round and keeps cool")
    rule("rail_pressure", way.pressure, "usual for the way it gets in")
    rule("reference", "manifold" if way.injectors else "atmosphere", "usual for the way it gets in")
    hottest = max([v for k, v in duties.items() if k.endswith("ambient") and v is not None], default=311.15)
    rule("fuel_temperature", float(hottest) + 5.0, "5 K over the hottest air asked")
    rule("reserve", "20", "20 % over the peak flow")
    if given.get("burned_share") is None:
        # What spills nothing burns all it is given: nothing to doubt there.
        rules["burned_share"] = Rule(way.burned, "usual for the way it gets in", exact=way.burned == 1.0)
    rule("injector_pressure", 300e3, "usual rating", "sae_j1832")
    rule("injector_count", float(engine.get("cylinders") or 4), "one a cylinder")
    rule("dead_time", 1.0e-3, "at 13.5 V; 0.8 to 1.2 ms")
    rule("ceiling", "85", "85 % for pulls")
    rule("pump_count", 1.0, "one")
    rule("pump_drive", "electric" if way.electric else "engine", "usual for the way it gets in")
    rule("rating_voltage", 13.5, "usual rating")
    rule("supply_voltage", 13.8, "alternator charging")
    rule("wire_length", 5.0, "battery to tank")
    rule("wire_area", 2.5e-6, "2.5 mm²")
    rule("line_bore", 0.008, "8 mm tube")
    rule("line_length", 4.0, "tank to engine")
    rule("line_loss", 6.0, "a few bends and fittings", "crane410")
    rule("filter_drop", 15e3 if way.pressure > 1e5 else 4e3, "clean filter")
    rule("pump_place", "tank" if way.electric and way.pressure > 1e5 else "outside", "usual for the way it gets in")
    inside = get("pump_place") == "tank"
    rule("suction_lift", -0.05 if inside else 0.3, "by where the pump sits")
    rule("suction_bore", 0.010, "10 mm")
    rule("suction_length", 0.1 if inside else 2.0, "by where the pump sits")
    rule("sieve_drop", 2e3, "clean sieve")
    fuel = burning(engine["fuel"], engine.get("ethanol_share")) if engine.get("fuel") else None
    if fuel is not None and fuel.rvp > 0.0:
        hot = float(hottest) >= SUMMER
        note = "summer grade, as sold where days are hot" if hot else "usual grade"
        rule("reid_pressure", fuel.rvp * (SUMMER_SHARE if hot and fuel.rvp_true > 1.0 else 1.0), note, "fuel_tables")
    return rules
