"""What oil needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role, ways_of
from gauge_well.core.media.oils import OILS
from gauge_well.core.parts.accumulator import ACCUMULATOR, AccumulatorFacts
from gauge_well.core.parts.dipstick import DIPSTICK, DipstickFacts
from gauge_well.core.parts.exchanger import EXCHANGER, ExchangerFacts
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.oil_pump import OIL_PUMP, OilPumpFacts
from gauge_well.core.parts.oil_tank import OIL_TANK, OilTankFacts
from gauge_well.core.parts.pan import PAN, PanFacts
from gauge_well.core.parts.pickup import PICKUP, PickupFacts
from gauge_well.core.parts.scavenge import SCAVENGE, ScavengeFacts
from gauge_well.core.typing import Value

PRESSURE_SCHOOLS: Mapping[str, str] = {"per_speed": "10 psi for each 1000 rpm", "maker": "maker's least pressure"}
SUMPS: Mapping[str, str] = {"wet": "wet", "dry": "dry, with a tank"}
DRY = ("sump", ("dry",))
# Where a gauge, a switch or a sender may be teed in, on the oil's way.
TAPS: Mapping[str, str] = {
    "gallery": "the block's own port, a tee or a splitter there",
    "sandwich": "a sandwich plate under the filter",
    "head": "the head, at the oil's far end",
    "turbo": "the turbo's feed",
}
SIDES: Mapping[str, str] = {"both": "on both sides", "left": "on its left only", "right": "on its right only"}
PRIMINGS: Mapping[str, str] = {
    "plugs_out": "cranked, plugs or injectors out",
    "plugs_in": "cranked as it is",
    "pot": "from a pressure pot",
}
SHAPE_ASKS = (
    "shape",
    "length",
    "width",
    "depth",
    "well_length",
    "shallow_depth",
    "well_start",
    "kick_width",
    "kick_height",
    "outline",
    "widths",
)
OWN = "own"  # a grade by its own two figures
KNEE = 0.6  # of rated speed at which a hot pump reaches its relief (common practice)
QUANTITY_BAND = 0.33


@dataclass(frozen=True)
class OilFacts:
    """Pan, pickup, oil, pressure, cooler. SI; engine axes, x from the pan's flywheel end, depths below the rail."""

    pan: PanFacts = role(PAN, "Oil pan", row="pan")
    pickup: PickupFacts = role(PICKUP, "Oil pickup", row="pan")
    old_pan: PanFacts = role(
        PAN,
        "Old pan, beside it",
        row="pan",
        group="Old pan",
        asks=SHAPE_ASKS,
        labels={"shape": "Old pan", "depth": "Its deepest below the rail", "width": "Its width"},
        needs=(),
    )
    gasket: Value | None = quantity(
        "Gasket or spacer under the pan",
        "length",
        0.0,
        0.1,
        group="Pan",
        spread="gauge",
        help="It moves the floor away from the pickup. None where nothing is said.",
    )
    crank_height: Value | None = quantity(
        "Crank over the pan's rail", "height", -0.1, 0.4, group="Pan", help="Middle of the crank to the block's face."
    )
    sump: str | None = choice("Sump", SUMPS, group="Dry sump", help="Wet where nothing is said.")
    accumulator: AccumulatorFacts = role(ACCUMULATOR, "Oil accumulator", row="pan", needs=())
    thrown: Value | None = quantity(
        "Oil is thrown for", "time", 0.2, 60.0, group="Accumulator", help="The longest bend or stop taken that hard."
    )
    dipstick: DipstickFacts = role(DIPSTICK, "Dipstick", row="pan", needs=())
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
    dilution: Value | None = quantity(
        "Fuel in the oil",
        "share",
        0.0,
        0.2,
        group="Oil",
        help="By weight, from an oil analysis. None where nothing is said.",
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
    gauge_at: str | None = choice(
        "Gauge reads at", TAPS, group="Pressure", help="The block's port where nothing is said."
    )
    switch_at: str | None = choice("Switch stands at", TAPS, group="Pressure")
    switch_opens: Value | None = quantity(
        "Switch lights under",
        "pressure_gauge",
        5e3,
        4e5,
        group="Pressure",
        help="Stamped on it; 20 to 50 kPa is usual.",
    )
    filter_drop: Value | None = quantity(
        "Filter takes, hot", "pressure_difference", 1e3, 3e5, group="Filter and lines", spread="loss"
    )
    filter_bypass: Value | None = quantity(
        "Filter's bypass opens at", "pressure_difference", 2e4, 4e5, group="Filter and lines"
    )
    cooler_line: LineFacts = role(
        LINE,
        "Oil lines to the cooler and back",
        row="pressure",
        group="Filter and lines",
        asks=("bore", "length", "loss"),
        labels={"bore": "Cooler's hoses, bore", "length": "Both ways, length", "loss": "Their bends and fittings, K"},
        needs=(),
    )
    head_drain: LineFacts = role(
        LINE,
        "Head's oil returns",
        row="drain",
        group="Head's oil returns",
        asks=("bore", "length"),
        labels={"bore": "Each head's return, bore", "length": "and length down the block"},
        limits={"bore": (0.003, 0.05), "length": (0.01, 0.6)},
        needs=(),
    )
    head_drains: Value | None = quantity(
        "Returns of each head", "count", 1, 20, group="Head's oil returns", spread="exact"
    )
    head_feed: Value | None = quantity(
        "Oil fed to each head", "flow", 2e-6, 3e-4, group="Head's oil returns", help="1 to 3 L/min is usual."
    )
    head_width: Value | None = quantity("Head inside, across", "length", 0.03, 0.6, group="Head's oil returns")
    head_side: str | None = choice("Returns lie", SIDES, group="Head's oil returns")
    added_drain: LineFacts = role(
        LINE,
        "Added return of each head",
        row="drain",
        group="Head's oil returns",
        asks=("bore", "slope"),
        labels={"bore": "Added return of each head, bore", "slope": "falling at"},
        limits={"bore": (0.003, 0.05)},
        needs=(),
    )
    breather: LineFacts = role(
        LINE,
        "Breather hose",
        row="breather",
        group="Breathing",
        asks=("bore", "length", "loss"),
        labels={"bore": "Breather hose, bore", "length": "its length", "loss": "Baffle, bends, filter: K"},
        needs=(),
    )
    blow_by: Value | None = quantity(
        "Blow-by",
        "flow",
        1e-6,
        0.02,
        group="Breathing",
        help="Measured at full load; else 0.8 % of its air, worn three times.",
    )
    catch_can: Value | None = quantity("Catch can, across", "length", 0.03, 0.4, group="Breathing")
    scavenge: ScavengeFacts = role(SCAVENGE, "Scavenge pump", row="scavenge", when=DRY, needs=())
    tank: OilTankFacts = role(OIL_TANK, "Dry-sump tank", row="tank", when=DRY, needs=())
    tank_line: LineFacts = role(
        LINE,
        "Tank to pump",
        row="tank",
        group="Dry sump",
        asks=("bore",),
        labels={"bore": "Tank to pump, bore"},
        when=DRY,
        needs=(),
    )
    scavenge_line: LineFacts = role(
        LINE,
        "Scavenge lines",
        row="scavenge",
        group="Dry sump",
        asks=("bore",),
        labels={"bore": "Scavenge lines, bore"},
        when=DRY,
        needs=(),
    )
    vacuum: Value | None = quantity(
        "Vacuum regulator opens at",
        "pressure_difference",
        1e3,
        9e4,
        group="Dry sump",
        when=DRY,
        help="Under the air outside.",
    )
    priming: str | None = choice(
        "First oil pressure", PRIMINGS, group="Priming", help="Plugs out where nothing is said."
    )
    crank_speed: Value | None = quantity("Cranks at", "speed_rpm", 50.0, 600.0, group="Priming")
    dry_volume: Value | None = quantity(
        "Filter and galleries hold",
        "volume",
        1e-4,
        0.02,
        group="Priming",
        help="What is filled before the gauge moves.",
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
    drain_enters: Value | None = quantity(
        "Enters, over the pan's rail",
        "height",
        -0.5,
        1.0,
        group="Turbo's oil return",
        help="Middle of its mouth; below the rail is negative.",
        when=("engine.aspiration", ("turbo",)),
    )
    turbo_oil_flow: Value | None = quantity(
        "Oil through it", "flow", 1e-6, 5e-4, group="Turbo's oil return", when=("engine.aspiration", ("turbo",))
    )
    cooler: ExchangerFacts = role(
        EXCHANGER, "Oil cooler", row="cooler", asks=("into", "conductance", "drop", "bypass", "plate")
    )


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
        "gasket": Way("hand", "Calliper on the gasket or the spacer."),
        "crank_height": Way("stand", "A straight edge across the block's face; to the middle of a main bearing."),
        "thrown": Way("running", "A stop watch on the longest bend, or a logged lap."),
        "dilution": Way("papers", "An oil analysis; or a drop on blotting paper, to see whether it is worth one."),
        "switch_opens": Way("hand", "Stamped on it; or air and a gauge, with a lamp across it."),
        "filter_drop": Way("running", "Gauges before and behind the filter, hot, at rated speed."),
        "filter_bypass": Way("papers", "The filter's sheet."),
        "head_drains": Way("stand", "Count the holes that lead down."),
        "head_feed": Way("running", "Cover off, at idle, what runs from the rockers in a minute."),
        "head_width": Way("stand", "Inside, wall to wall, where the returns lie."),
        "blow_by": Way("running", "The breather through a gas meter at full load."),
        "catch_can": Way("hand", "Inside diameter."),
        "vacuum": Way("running", "A vacuum gauge on a cover, at speed."),
        "crank_speed": Way("running", "A strobe or the tester's trace while it cranks."),
        "dry_volume": Way("stand", "Fill the filter from a glass; add a quarter litre for each litre of engine."),
        "hot_pressure": Way("running", "A mechanical gauge at the switch's port, oil at 100 °C."),
        "drain_enters": Way("stand", "A straight edge along the rail, up or down to the middle of its mouth."),
        "drain.bore": Way("hand", "Calliper at its narrowest."),
        "turbo_oil_flow": Way("running", "Drain into a can at idle for a minute, warm, then by pressure."),
    },
)
