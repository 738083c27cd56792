"""What the engine breathes through, where it takes its air, and the spaces that hold heat."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import YES_NO, Way, choice, quantity, role, ways_of
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.parts.air_filter import AIR_FILTER, AirFilterFacts
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.typing import Value

# Where it draws, and the share of the engine space's own air in that (common practice).
DRAWS: Mapping[str, tuple[str, float]] = {
    "cold": ("cold feed, sealed from the engine space", 0.05),
    "shielded": ("behind a shield, open to the side", 0.4),
    "bay": ("from the engine space", 1.0),
}
BOXES: Mapping[str, tuple[str, float]] = {"metal": ("metal", 0.0), "plastic": ("plastic", 0.003)}
PLACES: Mapping[str, str] = {"bay": "in the engine space", "outside": "outside it: cabin, wing, dash"}
BOOSTED = ("engine.aspiration", ("turbo", "supercharged"))
SPARK = ("engine.fuel", tuple(id for id, fuel in FUELS.items() if fuel.spark))
DUCT = ("bore", "length", "loss")
BORES = {"bore": (0.015, 0.4), "length": (0.0, 15.0)}


@dataclass(frozen=True)
class AirFacts:
    """Filter to valves, and engine space, box, room. SI."""

    filter: AirFilterFacts = role(AIR_FILTER, "Air filter", row="intake")
    draws: str | None = choice(
        "It draws", {k: v[0] for k, v in DRAWS.items()}, group="Intake", help="Behind a shield where nothing is said."
    )
    snorkel: LineFacts = role(
        LINE,
        "Snorkel or cold feed",
        row="intake",
        group="Intake",
        asks=DUCT,
        labels={"bore": "Snorkel or cold feed, bore", "length": "its length", "loss": "its bends and mouth, K"},
        limits=BORES,
        needs=(),
    )
    pipe: LineFacts = role(
        LINE,
        "Intake pipe",
        row="intake",
        group="Intake",
        asks=DUCT,
        labels={"bore": "Filter to throttle or turbo, bore", "length": "its length ", "loss": "its bends, K"},
        limits=BORES,
        needs=("bore",),
    )
    allowed: Value | None = quantity(
        "Intake may take, at service",
        "pressure_difference",
        200.0,
        2e4,
        group="Intake",
        help="The engine maker's figure.",
    )
    meter: Value | None = quantity("Air meter, bore", "length", 0.02, 0.3, group="Meter", spread="gauge")
    meter_straight: Value | None = quantity("Straight pipe ahead of it", "length", 0.0, 3.0, group="Meter")
    throttle: Value | None = quantity(
        "Throttle, bore", "length", 0.01, 0.2, group="Throttle", spread="gauge", when=SPARK, count_field="throttles"
    )
    throttles: Value | None = quantity(
        "How many throttles", "count", 1, 12, group="Throttle", spread="exact", when=SPARK, follows="throttle"
    )
    charge_pipe: LineFacts = role(
        LINE,
        "Charge pipes",
        row="charge",
        group="Charge pipes",
        asks=DUCT,
        labels={"bore": "Charge pipes, bore", "length": "their length, both together", "loss": "their bends, K"},
        limits=BORES,
        when=BOOSTED,
        needs=(),
    )
    cooler_drop: Value | None = quantity(
        "Charge cooler takes", "pressure_difference", 100.0, 5e4, group="Charge pipes", when=BOOSTED
    )
    inlet_height: Value | None = quantity(
        "Inlet over the ground",
        "height",
        0.05,
        5.0,
        group="Water",
        help="The lowest place where water gets in.",
        also=ASHORE,
    )
    wading: Value | None = quantity(
        "Must wade", "height", 0.05, 3.0, group="Water", help="Still water, at the wheels.", also=ASHORE
    )
    wading_speed: Value | None = quantity(
        "at", "speed", 0.1, 10.0, group="Water", follows="wading", spread="exact", also=ASHORE
    )
    computer_height: Value | None = quantity(
        "Engine computer over the ground", "height", 0.05, 5.0, group="Water", also=ASHORE
    )
    vents_height: Value | None = quantity(
        "Axle and gearbox vents over the ground", "height", 0.05, 5.0, group="Water", also=ASHORE
    )
    compression: Value | None = quantity("Compression ratio", "ratio", 5.0, 25.0, group="Water")
    low_opening: Value | None = quantity(
        "Low openings of the engine space", "area", 1e-4, 5.0, group="Engine space", help="Beside the core's own exit."
    )
    high_opening: Value | None = quantity("High openings", "area", 1e-4, 5.0, group="Engine space")
    opening_rise: Value | None = quantity(
        "High over low", "height", 0.05, 4.0, group="Engine space", follows="high_opening"
    )
    blower: Value | None = quantity("Blower through it", "air_flow", 0.001, 20.0, group="Engine space")
    fuel_line_in: str | None = choice("Fuel lines run in it", YES_NO, group="Engine space")
    alternator_in: str | None = choice("Alternator draws its air", YES_NO, group="Engine space")
    computer_in: str | None = choice("Engine computer sits in it", YES_NO, group="Engine space")
    box_watts: Value | None = quantity(
        "Box: electronics in it give off",
        "power_small",
        0.5,
        2000.0,
        group="Electronics box",
        help="Amps x volts lost in it.",
    )
    box_area: Value | None = quantity(
        "Box's outside", "area", 0.01, 5.0, group="Electronics box", help="All six sides added up."
    )
    box_wall: str | None = choice(
        "Box's wall", {k: v[0] for k, v in BOXES.items()}, group="Electronics box", help="Plastic where not said."
    )
    box_place: str | None = choice(
        "Box sits", PLACES, group="Electronics box", help="In the engine space where not said."
    )
    box_fan: Value | None = quantity("Fan through the box", "air_flow", 1e-4, 0.5, group="Electronics box")
    box_vents: Value | None = quantity(
        "Vents low and high, each", "area", 1e-5, 0.1, group="Electronics box", help="A splash-proof box has none."
    )
    box_limit: Value | None = quantity("What is in it may reach", "temperature", 310.0, 420.0, group="Electronics box")
    room_opening: Value | None = quantity(
        "Closed room's opening", "area", 1e-4, 10.0, group="Closed room", help="Free area, grille and mesh taken off."
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    AirFacts,
    {
        "allowed": Way("papers", "The maker's sheet: inches of water at rated speed."),
        "meter": Way("hand", "Calliper across its bore."),
        "meter_straight": Way("above", "A rule from the last bend to the meter."),
        "throttle": Way("hand", "Calliper across its bore."),
        "cooler_drop": Way("running", "Gauges before and behind it at full load."),
        "inlet_height": Way("under", "A rule up to the inlet's lowest lip, or to a drain hole in its box."),
        "computer_height": Way("under", "A rule up to its lowest plug."),
        "vents_height": Way("under", "A rule up to the end of the lowest vent hose."),
        "compression": Way("papers", "The maker's sheet."),
        "low_opening": Way("under", "Height x width of each, added up; mesh takes a third."),
        "high_opening": Way("above", "Height x width of each, added up; mesh takes a third."),
        "opening_rise": Way("above", "Middle to middle, upright."),
        "blower": Way("papers", "Its plate, less a third for its hose."),
        "box_watts": Way("running", "A clamp meter on its feed: what does not go out again as power."),
        "box_area": Way("hand", "A rule along its three edges: twice each pair's product."),
        "box_fan": Way("papers", "The fan's plate, half of it in a box."),
        "box_vents": Way("hand", "Height x width."),
        "room_opening": Way("above", "Height x width of each, less grille and mesh."),
    },
)
