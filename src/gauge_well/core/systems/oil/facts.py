"""What oil needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule, Way, choice, quantity, role, ways_of
from gauge_well.core.media.oils import OILS
from gauge_well.core.parts.exchanger import EXCHANGER, ExchangerFacts
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.oil_pump import OIL_PUMP, OilPumpFacts
from gauge_well.core.parts.pan import PAN, PanFacts
from gauge_well.core.parts.pickup import PICKUP, PickupFacts
from gauge_well.core.typing import Value

PRESSURE_SCHOOLS: Mapping[str, str] = {"per_speed": "10 psi for each 1000 rpm", "maker": "maker's least pressure"}
OWN = "own"  # a grade by its own two figures
KNEE = 0.6  # of rated speed at which a hot pump reaches its relief (common practice)
SUCTION_SPEED, SMALLEST_PICKUP, STEP = 2.5, 0.008, 0.001  # m/s, m: how a pickup pipe is sized (common practice)
MOUTH = 2.5  # bores across a pickup's mouth (common practice)
# Oil in an engine [L] by its size [L], ``a V^b`` (common practice, a third either way): petrol 0.35 L 1.6, 2 L 4.2,
# 6 L 7.8; diesel single of half a litre 1.8, 2 L 6, tractor of 4 L 11, 9 L 23.
QUANTITY: Mapping[bool, tuple[float, float]] = {True: (2.9, 0.55), False: (3.3, 0.88)}
QUANTITY_BAND = 0.33
# What a pump moves each turn of the crank [cm3] by the engine's size [L], ``a V^(2/3)``: diesels cool their pistons
# with oil (common practice).
PUMP: Mapping[bool, float] = {True: 6.0, False: 10.0}
RELIEF_FOR_SPEED, RELIEF_LEAST = 75.0, 300e3  # Pa for each rev/min of rated speed; Pa (common practice)


@dataclass(frozen=True)
class OilFacts:
    """Pan, pickup, oil, pressure, cooler. SI; engine axes, x from the pan's flywheel end, depths below the rail."""

    pan: PanFacts = role(PAN, "Oil pan", row="pan")
    pickup: PickupFacts = role(PICKUP, "Oil pickup", row="pan")
    pickup_lift: Value | None = quantity(
        "Pump over the oil", "height", -0.5, 2.0, group="Pickup", help="A pump in the pan lies below it: negative."
    )
    pump: OilPumpFacts = role(OIL_PUMP, "Oil pump", row="pressure")
    oil_quantity: Value | None = quantity(
        "Oil in it", "volume", 2e-4, 0.1, group="Oil", help="All of it, filter included."
    )
    oil_up: Value | None = quantity("Up in the engine running", "volume", 0.0, 0.02, group="Oil")
    grade: str | None = choice("Grade", {k: o.label for k, o in OILS.items()} | {OWN: "own figures"}, group="Oil")
    viscosity_40: Value | None = quantity(
        "Thickness at 40 °C", "viscosity", 5e-6, 1e-3, group="Oil", spread="exact", when=("grade", (OWN,))
    )
    viscosity_100: Value | None = quantity(
        "and at 100 °C", "viscosity", 2e-6, 6e-5, group="Oil", spread="exact", when=("grade", (OWN,))
    )
    oil_limit: Value | None = quantity("Hottest oil allowed", "temperature", 360.0, 440.0, group="Oil", spread="exact")
    hot_pressure: Value | None = quantity(
        "Pressure hot", "pressure_gauge", 5e3, 1.2e6, group="Pressure", help="Read at 100 °C, below the relief."
    )
    hot_pressure_speed: Value | None = quantity(
        "at", "speed_rpm", 300.0, 12000.0, follows="hot_pressure", group="Pressure", spread="exact"
    )
    pressure_school: str | None = choice("Least pressure by", PRESSURE_SCHOOLS, group="Pressure")
    least_pressure: Value | None = quantity(
        "Maker's least, at rated speed", "pressure_gauge", 1e4, 1e6, group="Pressure", spread="exact"
    )
    drain: LineFacts = role(
        LINE,
        "Turbo's oil return",
        row="drain",
        group="Turbo's oil return",
        asks=("bore", "slope"),
        labels={"bore": "Bore"},
        helps={"bore": "The narrowest place counts."},
        limits={"bore": (0.003, 0.06)},
        when=("engine.aspiration", ("turbo",)),
        needs=("bore", "slope"),
    )
    turbo_oil_flow: Value | None = quantity(
        "Oil through it", "flow", 1e-6, 5e-4, group="Turbo's oil return", when=("engine.aspiration", ("turbo",))
    )
    cooler: ExchangerFacts = role(EXCHANGER, "Oil cooler", row="cooler", asks=("into", "conductance"))


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    OilFacts,
    {
        "pickup_lift": Way("stand", "A rule from the oil's level at rest to the middle of the pump."),
        "viscosity_40": Way("papers", "The oil's data sheet, mm2/s (cSt)."),
        "viscosity_100": Way("papers", "The oil's data sheet, mm2/s (cSt)."),
        "oil_quantity": Way("stand", "Fill from empty with a measuring can, filter too."),
        "oil_up": Way(
            "running", "Mark the stick at rest and just after shutting down: the difference, by the pan's area."
        ),
        "hot_pressure": Way("running", "A mechanical gauge at the switch's port, oil at 100 °C."),
        "drain.bore": Way("hand", "Calliper at its narrowest."),
        "turbo_oil_flow": Way("running", "Drain into a can at idle for a minute, warm, then by pressure."),
    },
)


def usual_quantity(displacement: float, spark: bool) -> float:
    """Oil usual in an engine of that displacement [m3], filter included [m3]."""
    factor, power = QUANTITY[spark]
    return float(factor * (displacement * 1e3) ** power * 1e-3)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults for what has one; a pan and its pickup have none."""
    rules: dict[str, Rule] = {}

    def rule(name: str, value: Any, note: str, source: str = "common practice", exact: bool = False) -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, source, exact)

    def get(name: str) -> float:
        return float(given[name] if given.get(name) is not None else rules[name].value)

    engine = context.get("engine", {})
    size = float(engine.get("displacement") or 0.002)
    spark = engine.get("fuel") != "diesel"
    rated = float(engine.get("rated_speed") or 5000.0)
    rule("oil_quantity", usual_quantity(size, spark), "usual for its size and fuel, a third either way")
    rule("oil_up", 0.18 * get("oil_quantity"), "18 % of it; 10 to 25 % is usual")
    rule("pickup.y", 0.0, "in the middle")
    rule("pickup.clearance", 0.008, "6 to 10 mm")
    rule("pan.baffle", "given" if given.get("pan.baffle_g") is not None else "unknown", "as stated")
    rule("pump.displacement", PUMP[spark] * (size * 1e3) ** (2.0 / 3.0) * 1e-6, "usual for its size and fuel")
    returns = given.get("pump.relief_returns") or "inlet"
    rule("pump.relief_returns", "inlet", "usual")
    most = get("pump.displacement") * rated / 60.0 * (KNEE if returns == "inlet" else 1.0)
    bore = max(float(np.sqrt(4.0 * most / (np.pi * SUCTION_SPEED))), SMALLEST_PICKUP)
    rule("pickup.bore", float(np.ceil(bore / STEP) * STEP), "usual for what the pump draws: 2.5 m/s")
    rule("pickup.length", min(max(12.0 * get("pickup.bore"), 0.1), 0.5), "a usual pipe")
    rule("pickup.mouth", MOUTH * get("pickup.bore"), "2.5 bores across")
    rule("pickup_lift", 0.15, "a pump at the crank's nose")
    rule("grade", "10w40" if spark else "15w40", "usual for the fuel")
    if given.get("grade") == OWN:
        rule("viscosity_40", 96e-6, "as a 10W-40")
        rule("viscosity_100", 14.4e-6, "as a 10W-40")
    rule("oil_limit", 403.15, "130 °C for good mineral oil")
    relief = max(RELIEF_FOR_SPEED * rated, RELIEF_LEAST)
    # Makers set it over what their bearings want: lower it is not, and higher changes nothing but the cold.
    said = "usual for its rated speed: a little over 10 psi for each 1000 rpm"
    rule("pump.relief", relief, said, exact=True)
    if engine.get("aspiration") == "turbo":
        rule("turbo_oil_flow", 2.5e-3 / 60.0, "2 to 3 L/min hot")
    rule("pressure_school", "per_speed", "10 psi for each 1000 rpm")
    return rules
