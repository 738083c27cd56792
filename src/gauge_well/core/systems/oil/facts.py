"""What oil needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.facts import Rule, Way, choice, quantity, table
from gauge_well.core.media.oils import OILS
from gauge_well.core.typing import Value

SHAPES: Mapping[str, str] = {
    "box": "one depth all along",
    "rear_well": "well at the rear (flywheel end)",
    "front_well": "well at the front",
    "outline": "own outline",
}
BAFFLES: Mapping[str, str] = {"unknown": "not known", "none": "none", "given": "good for a stated g"}
COOLERS: Mapping[str, str] = {"none": "none", "air": "into air", "water": "into the coolant"}
PRESSURE_SCHOOLS: Mapping[str, str] = {"per_speed": "70 kPa for each 1000 rpm", "maker": "maker's least pressure"}


@dataclass(frozen=True)
class OilFacts:
    """Pan, pickup, oil, pressure, cooler. SI; engine axes, x from the pan's flywheel end, depths below the rail."""

    pan_shape: str | None = choice("Pan", SHAPES, part="pan", group="Pan")
    pan_length: Value | None = quantity("Length at the rail", "length", 0.05, 2.0, part="pan", group="Pan")
    pan_width: Value | None = quantity("Width", "length", 0.05, 1.5, part="pan", group="Pan")
    pan_depth: Value | None = quantity("Deepest below the rail", "length", 0.02, 1.0, part="pan", group="Pan")
    well_length: Value | None = quantity(
        "Length of the deep part", "length", 0.03, 2.0, group="Pan", help="Along the engine."
    )
    shallow_depth: Value | None = quantity("Depth of the shallow part", "length", 0.0, 1.0, group="Pan")
    pan_outline: tuple[tuple[float, ...], ...] | None = table(
        "Own outline",
        (("from the flywheel end", "length"), ("below the rail", "length")),
        group="Pan",
        help="Round the side view, one corner a line, for instance `220 mm, 150 mm`.",
    )
    pan_widths: tuple[tuple[float, ...], ...] | None = table(
        "Widths along it",
        (("from the flywheel end", "length"), ("width", "length")),
        group="Pan",
        help="One station a line, for instance `0 mm, 240 mm`.",
    )
    pickup_x: Value | None = quantity("Pickup from the flywheel end", "length", 0.0, 2.0, part="pan", group="Pickup")
    pickup_y: Value | None = quantity("Pickup off centre, left", "length", -0.7, 0.7, group="Pickup")
    pickup_clearance: Value | None = quantity(
        "Pickup over the floor", "length", 0.0, 0.2, group="Pickup", help="6 to 10 mm; a lump of clay shows it."
    )
    baffle: str | None = choice("Baffle or trap door", BAFFLES, group="Pickup")
    baffle_g: Value | None = quantity("Baffle good for", "acceleration", 0.0, 40.0, group="Pickup")
    pickup_bore: Value | None = quantity("Pickup pipe bore", "length", 0.006, 0.08, group="Pickup", spread="gauge")
    pickup_length: Value | None = quantity("Pickup pipe length", "length", 0.0, 2.0, group="Pickup")
    pump_displacement: Value | None = quantity("Oil pump, each turn", "displacement", 5e-7, 3e-4, group="Pickup")
    oil_quantity: Value | None = quantity(
        "Oil in it", "volume", 2e-4, 0.1, group="Oil", help="All of it, filter included."
    )
    oil_up: Value | None = quantity("Up in the engine running", "volume", 0.0, 0.02, group="Oil")
    grade: str | None = choice("Grade", {k: o.label for k, o in OILS.items()}, group="Oil")
    oil_limit: Value | None = quantity("Hottest oil allowed", "temperature", 360.0, 440.0, group="Oil", spread="exact")
    hot_pressure: Value | None = quantity(
        "Pressure hot", "pressure_gauge", 5e3, 1.2e6, group="Pressure", help="Read at 100 °C, below the relief."
    )
    hot_pressure_speed: Value | None = quantity("at", "speed_rpm", 300.0, 12000.0, group="Pressure", spread="exact")
    relief_pressure: Value | None = quantity("Relief opens", "pressure_gauge", 5e4, 1.5e6, group="Pressure")
    pressure_school: str | None = choice("Least pressure by", PRESSURE_SCHOOLS, group="Pressure")
    least_pressure: Value | None = quantity(
        "Maker's least, at rated speed", "pressure_gauge", 1e4, 1e6, group="Pressure", spread="exact"
    )
    turbo_drain_bore: Value | None = quantity(
        "Bore",
        "length",
        0.003,
        0.06,
        part="drain",
        group="Turbo's oil return",
        help="The narrowest place counts.",
        spread="gauge",
    )
    turbo_drain_slope: Value | None = quantity(
        "Falls at", "angle", 0.0, 1.5708, part="drain", group="Turbo's oil return", help="Its flattest run, from level."
    )
    turbo_oil_flow: Value | None = quantity("Oil through it", "flow", 1e-6, 5e-4, group="Turbo's oil return")
    cooler: str | None = choice("Oil cooler", COOLERS, part="cooler", group="Cooler")
    cooler_conductance: Value | None = quantity("Cooler's conductance", "conductance", 1.0, 5000.0, group="Cooler")


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "pan_length": Way("stand", "Inside, along the rail."),
    "pan_width": Way("stand", "Inside, across the rail."),
    "pan_depth": Way("stand", "A straight edge across the rail, down to the deepest floor."),
    "well_length": Way("stand", "Inside, along the floor of the deep part."),
    "shallow_depth": Way("stand", "A straight edge across the rail, down to the shallow floor."),
    "pan_outline": Way("stand", "A card template along the middle, corners read off with a square."),
    "pan_widths": Way("stand", "Inside, across the rail, at each station."),
    "pickup_x": Way("stand", "From the flywheel end of the rail to the middle of the sieve."),
    "pickup_y": Way("stand", "From the middle line to the middle of the sieve."),
    "pickup_clearance": Way("stand", "A lump of clay on the sieve, the pan offered up: what is left of it."),
    "baffle_g": Way("papers", "The maker's figure; a baffle not known is best looked at."),
    "pickup_bore": Way("stand", "Calliper in the pipe."),
    "pickup_length": Way("stand", "Along the pipe from sieve to pump."),
    "pump_displacement": Way("stand", "One slow turn with a drill, caught in a measuring glass."),
    "oil_quantity": Way("stand", "Fill from empty with a measuring can, filter too."),
    "oil_up": Way("running", "Mark the stick at rest and just after shutting down: the difference, by the pan's area."),
    "hot_pressure": Way("running", "A mechanical gauge at the switch's port, oil at 100 °C."),
    "relief_pressure": Way("running", "Cold, raise the speed until the gauge stops climbing."),
    "turbo_drain_bore": Way("hand", "Calliper at its narrowest."),
    "turbo_drain_slope": Way("stand", "An inclinometer along the flattest run, as installed."),
    "turbo_oil_flow": Way("running", "Drain into a can at idle for a minute, warm, then by pressure."),
    "cooler_conductance": Way("papers", "The maker's heat at a stated temperature difference, divided by it."),
}


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults for what has one; a pan and its pickup have none."""
    rules: dict[str, Rule] = {}

    def rule(name: str, value: Any, note: str, source: str = "common practice") -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, source)

    engine = context.get("engine", {})
    litres = float(engine.get("displacement") or 0.002) * 1e3
    quantity_ = given.get("oil_quantity") or (2.5 + litres) * 1e-3
    rule("oil_quantity", (2.5 + litres) * 1e-3, "2.5 L and a litre for each of the engine")
    rule("oil_up", min(max(0.18 * float(quantity_), 0.0006), 0.0015), "0.6 to 1.5 L, by quantity")
    rule("pickup_y", 0.0, "in the middle")
    rule("pickup_clearance", 0.008, "6 to 10 mm")
    rule("baffle", "given" if given.get("baffle_g") is not None else "unknown", "as stated")
    rule("pickup_bore", 0.020, "a usual pipe")
    rule("pickup_length", 0.25, "a usual pipe")
    rule("pump_displacement", (4.0 + 3.0 * litres) * 1e-6, "by displacement")
    diesel = engine.get("fuel") == "diesel"
    rule("grade", "15w40" if diesel else "10w40", "usual for the fuel")
    rule("oil_limit", 403.15, "130 °C for good mineral oil")
    rule("relief_pressure", 450e3, "usual relief")
    if engine.get("aspiration") == "turbo":
        rule("turbo_oil_flow", 2.5e-3 / 60.0, "2 to 3 L/min hot")
    rule("pressure_school", "per_speed", "10 psi for each 1000 rpm")
    return rules
