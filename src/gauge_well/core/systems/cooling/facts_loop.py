"""What is stated of the coolant's loop: pump, thermostat, hoses, heater, header, heights."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import YES_NO, Way, choice, quantity, role, table
from gauge_well.core.parts.coolant_pump import COOLANT_PUMP, CoolantPumpFacts
from gauge_well.core.parts.exchanger import EXCHANGER, ExchangerFacts
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.tank import TANK, TankFacts
from gauge_well.core.typing import Value

FLOWS: Mapping[str, str] = {
    "here": "measured in this loop",
    "maker": "the pump's, in its usual loop",
}
BYPASSES: Mapping[str, str] = {
    "closing": "shut by the thermostat as it opens",
    "always": "always open",
    "none": "none",
}
THERMOSTATS: Mapping[str, str] = {"fitted": "fitted", "none": "taken out"}
HEADERS: Mapping[str, str] = {
    "core": "cap on the tank the hot side enters, overflow bottle",
    "core_cold": "cap on the tank the cold side leaves, overflow bottle",
    "remote": "header teed into the pump's inlet, cap on the header",
}
RESTRICTORS: Mapping[str, str] = {
    "none": "none",
    "main": "in the main loop",
    "bypass": "in the thermostat's bypass",
}
SIDES: Mapping[str, str] = {"left": "left", "right": "right", "middle": "middle"}
# Loss factors K of what stands in a hose's run, on its own dynamic head (crane410; common practice).
FITTINGS: Mapping[str, float] = {
    "straight": 0.0,
    "bend": 0.4,
    "tight": 1.1,
    "tee": 0.6,
    "branch": 1.5,
    "valve": 2.5,
}
VENTS: Mapping[str, float] = {"none": 0.0, "vent": 1.0}
RUN_HELP = (
    "One piece a line: `38 mm, 700 mm, bend`. Pieces: straight, bend, tight, tee, branch, valve, or a loss factor."
)


@dataclass(frozen=True)
class LoopFacts:
    """Coolant and its way round. SI; pressures over the air outside, heights over the ground."""

    cap_pressure: Value = quantity(
        "Cap", "pressure_gauge", 0.0, 3e5, group="Coolant", help="Stamped on it. 0 for an open system."
    )
    glycol: Value = quantity("Glycol", "share", 0.0, 0.6, group="Coolant", help="By volume.")
    coolant_flow: Value | None = quantity(
        "Coolant flow", "flow", 1e-5, 0.05, group="Coolant", help="Through the core, thermostat open, usual pulleys."
    )
    coolant_flow_speed: Value | None = quantity(
        "at", "speed_rpm", 200.0, 20000.0, follows="coolant_flow", group="Coolant", spread="exact"
    )
    coolant_flow_is: str = choice("That flow is", FLOWS, group="Coolant")
    hose: LineFacts = role(
        LINE,
        "Coolant hose",
        row="core_fan",
        asks=("bore", "length"),
        group="Coolant",
        labels={"bore": "Hose bore", "length": "Hose or pipe, each way"},
        limits={"bore": (0.01, 0.15), "length": (0.05, 15.0)},
    )
    gearbox_cooler: str = choice("Gearbox cooler in the tank", YES_NO, group="Coolant", also=ASHORE)
    pump: CoolantPumpFacts = role(COOLANT_PUMP, "Coolant pump", row="core_fan")
    thermostat_kind: str = choice("Thermostat", THERMOSTATS, group="Loop")
    bypass: str = choice("Bypass", BYPASSES, group="Loop")
    restrictor: str = choice("Restrictor", RESTRICTORS, group="Loop")
    restrictor_bore: Value | None = quantity(
        "Restrictor's hole",
        "length",
        0.003,
        0.06,
        group="Loop",
        spread="gauge",
        when=("restrictor", ("main", "bypass")),
    )
    hose_feed: tuple[tuple[float, ...], ...] | None = table(
        "Engine to core, piece by piece",
        (("bore", "length"), ("length", "length"), ("piece", "ratio")),
        group="Loop",
        words=FITTINGS,
        help=RUN_HELP,
        also=ASHORE,
    )
    hose_back: tuple[tuple[float, ...], ...] | None = table(
        "Core to pump, piece by piece",
        (("bore", "length"), ("length", "length"), ("piece", "ratio")),
        group="Loop",
        words=FITTINGS,
        help=RUN_HELP,
        also=ASHORE,
    )
    heater: ExchangerFacts = role(
        EXCHANGER,
        "Heater",
        row="core_fan",
        group="Heater",
        asks=("count", "conductance"),
        labels={"conductance": "Heater sheds, each"},
        limits={"conductance": (5.0, 400.0)},
    )
    heater_open: str = choice("Heater counted on", YES_NO, group="Heater", help="Wide open, its fan at full.")
    header: str = choice("Header and cap", HEADERS, group="Header")
    header_tank: TankFacts = role(
        TANK,
        "Header or overflow",
        row="loop",
        group="Header",
        asks=("volume",),
        labels={"volume": "Header or overflow holds"},
        helps={"volume": ""},
        limits={"volume": (5e-5, 0.05)},
        needs=("volume",),
    )
    header_fill: Value = quantity("Filled cold to", "share", 0.0, 1.0, group="Header", spread="exact")
    coolant_volume: Value = quantity("Coolant, all of it", "volume", 3e-4, 0.5, group="Header")
    steam_line: str = choice("Steam line to the header", YES_NO, group="Header")
    filler_height: Value | None = quantity(
        "Filler's neck over the ground", "height", 0.0, 4.0, group="Heights", spread="exact", also=ASHORE
    )
    core_foot: Value | None = quantity(
        "Core's foot over the ground", "height", 0.0, 4.0, group="Heights", spread="exact", also=ASHORE
    )
    core_inlet_height: Value | None = quantity(
        "Core's inlet", "height", 0.0, 4.0, group="Heights", spread="exact", also=ASHORE
    )
    core_inlet_side: str | None = choice("on the", SIDES, group="Heights", also=ASHORE)
    core_outlet_height: Value | None = quantity(
        "Core's outlet", "height", 0.0, 4.0, group="Heights", spread="exact", also=ASHORE
    )
    core_outlet_side: str | None = choice("on the ", SIDES, group="Heights", also=ASHORE)
    engine_outlet_height: Value | None = quantity(
        "Engine's outlet", "height", 0.0, 4.0, group="Heights", spread="exact", also=ASHORE
    )
    engine_outlet_side: str | None = choice("on  the", SIDES, group="Heights", also=ASHORE)
    pump_inlet_height: Value | None = quantity(
        "Pump's inlet", "height", 0.0, 4.0, group="Heights", spread="exact", also=ASHORE
    )
    pump_inlet_side: str | None = choice("on  the ", SIDES, group="Heights", also=ASHORE)
    high_points: tuple[tuple[float, ...], ...] | None = table(
        "Humps and dips of the run",
        (("height", "height"), ("vent", "ratio")),
        group="Heights",
        spread="exact",
        words=VENTS,
        help="From the engine's outlet to the core, then on to the pump, one a line: `820 mm, none` or `820 mm, vent`.",
        also=ASHORE,
    )


WAYS: Mapping[str, Way] = {
    "cap_pressure": Way("hand", "Stamped on the cap; a pump with a gauge shows if it still holds."),
    "glycol": Way("above", "A refractometer or a hydrometer in the header."),
    "coolant_flow": Way("running", "Top hose into a bucket of known size, fed from a full drum, at a steady speed."),
    "hose.bore": Way("hand", "Calliper in the neck: the narrowest counts."),
    "restrictor_bore": Way("hand", "The drill that just passes."),
    "hose.length": Way("above", "A string along the hose; the longer of the two."),
    "header_tank.volume": Way("hand", "Fill it from a measuring jug."),
    "coolant_volume": Way("running", "What goes in from dry, counted by the jug."),
    "heater.conductance": Way(
        "running", "Both heater hoses with a probe: flow times the fall over coolant less cabin air."
    ),
    "filler_height": Way("above", "Floor to the neck, machine level."),
    "core_foot": Way("above", "Floor to the foot of the finned part, as it will stand."),
    "core_inlet_height": Way("above", "Floor to the middle of the neck."),
    "core_outlet_height": Way("above", "Floor to the middle of the neck."),
    "engine_outlet_height": Way("above", "Floor to the middle of the neck."),
    "pump_inlet_height": Way("above", "Floor to the middle of the neck."),
}
