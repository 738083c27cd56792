"""What oil needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role, ways_of
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
QUANTITY_BAND = 0.33


@dataclass(frozen=True)
class OilFacts:
    """Pan, pickup, oil, pressure, cooler. SI; engine axes, x from the pan's flywheel end, depths below the rail."""

    pan: PanFacts = role(PAN, "Oil pan", row="pan")
    pickup: PickupFacts = role(PICKUP, "Oil pickup", row="pan")
    pickup_lift: Value = quantity(
        "Pump over the oil", "height", -0.5, 2.0, group="Pickup", help="A pump in the pan lies below it: negative."
    )
    pump: OilPumpFacts = role(OIL_PUMP, "Oil pump", row="pressure")
    oil_quantity: Value = quantity("Oil in it", "volume", 2e-4, 0.1, group="Oil", help="All of it, filter included.")
    oil_up: Value = quantity("Up in the engine running", "volume", 0.0, 0.02, group="Oil")
    grade: str = choice("Grade", {k: o.label for k, o in OILS.items()} | {OWN: "own figures"}, group="Oil")
    viscosity_40: Value | None = quantity(
        "Thickness at 40 °C", "viscosity", 5e-6, 1e-3, group="Oil", spread="exact", when=("grade", (OWN,))
    )
    viscosity_100: Value | None = quantity(
        "and at 100 °C", "viscosity", 2e-6, 6e-5, group="Oil", spread="exact", when=("grade", (OWN,))
    )
    oil_limit: Value = quantity("Hottest oil allowed", "temperature", 360.0, 440.0, group="Oil", spread="exact")
    hot_pressure: Value | None = quantity(
        "Pressure hot", "pressure_gauge", 5e3, 1.2e6, group="Pressure", help="Read at 100 °C, below the relief."
    )
    hot_pressure_speed: Value | None = quantity(
        "at", "speed_rpm", 300.0, 12000.0, follows="hot_pressure", group="Pressure", spread="exact"
    )
    pressure_school: str = choice("Least pressure by", PRESSURE_SCHOOLS, group="Pressure")
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
