"""What the machine and the duties are, and their defaults by kind of machine."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.duty import hull
from gauge_well.core.facts import YES_NO, Rule, Way, choice, quantity, table, text
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.typing import Value, likely, likely_or_none

# label, drag area [m2], mass [kg], road speed kinds (True when it runs on a road).
MACHINES: Mapping[str, tuple[str, float, float, bool]] = {
    "road_car": ("road car", 0.70, 1350.0, True),
    "off_road": ("off-roader", 1.15, 2000.0, True),
    "van": ("van", 1.35, 2200.0, True),
    "truck": ("light truck", 1.60, 2600.0, True),
    "hillclimb": ("hillclimb or sprint car", 0.75, 650.0, True),
    "boat": ("boat", 1.0, 2500.0, False),
    "tractor": ("tractor", 3.0, 3000.0, False),
    "locomotive": ("locomotive", 4.0, 8000.0, False),
    "generator": ("generator or pump set", 1.0, 1000.0, False),
    "aircraft": ("light aircraft, advisory only", 1.0, 500.0, False),
}


@dataclass(frozen=True)
class Task:
    """The fifth fact of a new build: what the machine must do."""

    label: str
    hint: str


CRUISES = 0.7  # of its speed full ahead, where nobody says

TASKS: Mapping[str, Task] = {
    "road": Task("Must it tow? Trailer weight", "1500 kg, or leave open"),
    "boat": Task("Cruises at what share of full revs", "70 %, or leave open"),
    "work": Task("Hottest air it works in", "40 °C, or leave open"),
}


def task_kind(machine: str) -> str:
    """Which of :data:`TASKS` a kind of machine is asked."""
    if machine == "boat":
        return "boat"
    return "road" if machine in MACHINES and MACHINES[machine][3] else "work"


DRIVES: Mapping[str, tuple[str, float]] = {
    "front": ("front wheels", 0.92),
    "rear": ("rear wheels", 0.87),
    "four": ("four wheels", 0.85),
}
# Share of gearbox power lost as heat to its cooler.
GEARBOXES: Mapping[str, tuple[str, float]] = {
    "manual": ("manual", 0.02),
    "automatic": ("automatic, locked", 0.04),
    "automatic_slipping": ("automatic, converter slipping", 0.12),
    "hydrostatic": ("hydrostatic", 0.22),
    "marine": ("marine gear", 0.03),
}
# Where a clutch stands, and where a converter does.
MANUAL = ("machine.gearbox", ("manual", "hydrostatic"))
AUTOMATIC = ("machine.gearbox", ("automatic", "automatic_slipping"))
KINDS: Mapping[str, str] = {
    "road": "road: speed and grade",
    "idle": "idle",
    "pull": "full-throttle pull",
    "work": "work at governed speed",
    "boat": "boat under way",
    "bollard": "held at the quay: astern, or a bollard pull",
    "run": "hillclimb or sprint run",
    "flight": "flight: share of full revs at an air speed",
    "typed": "typed in: power, speed, air",
}
POWER_DRIVEN = frozenset({"pull", "work", "boat", "bollard", "run", "flight"})
PROPELLED = ("boat", "bollard", "flight")  # power follows the revs by a propeller's law
AFLOAT = ("boat", "bollard")
# At rest a propeller takes so many times what it takes under way at the same revs, and lets the engine reach that share of
# its rated speed (common practice).
HELD, HELD_SPEED = 1.4, 0.85
WARMEST_SEA = 305.15  # K
# What a kind of duty asks of the oil by default: braking, cornering, pulling [g], heel [rad] (common practice).
MOTION: Mapping[str, tuple[float, float, float, float]] = {
    "road": (0.50, 0.35, 0.25, 0.0),
    "idle": (0.0, 0.0, 0.0, 0.0),
    "pull": (0.20, 0.15, 0.40, 0.0),
    "work": (0.10, 0.05, 0.10, 0.0),
    "boat": (0.10, 0.10, 0.10, 0.21),
    "bollard": (0.10, 0.0, 0.10, 0.05),
    "run": (0.90, 1.00, 0.60, 0.0),
    "flight": (0.20, 0.10, 0.25, 0.0),
    "typed": (0.0, 0.0, 0.0, 0.0),
}
STARTS: Mapping[str, str] = {
    "warm": "warm",
    "cool": "coolant at 70 °C",
    "cold": "cold (as ambient)",
    "soaked": "after a hot stop",
}


COOLED: Mapping[str, str] = {
    "exchanger": "a heat exchanger: fresh water inside, raw water outside",
    "keel": "a keel cooler: pipes or a skin tank in the sea",
    "direct": "raw water straight through the block",
}
MANIFOLDS: Mapping[str, str] = {"wet": "wet: water-jacketed", "dry": "dry, lagged"}
EXHAUSTS: Mapping[str, str] = {"wet": "wet: raw water put into the gas", "dry": "dry: a stack or a lagged pipe"}
# Heel and trim [rad] in use: under power, with sails (common practice).
LEANS: Mapping[str, tuple[float, float]] = {"no": (0.175, 0.052), "yes": (0.436, 0.087)}
FLOATS = ("kind", ("boat",))
# What no boat has.
ASHORE = ("machine.kind", tuple(kind for kind in MACHINES if kind != "boat"))
# What stands or floats has no drag area, tyres or trailer.
ROLLS = ("kind", ("road_car", "off_road", "van", "truck", "hillclimb", "tractor", "locomotive"))


@dataclass(frozen=True)
class MachineFacts:
    """The machine. SI."""

    kind: str | None = choice("Kind of machine", {k: v[0] for k, v in MACHINES.items()}, group="Machine")
    mass: Value | None = quantity("Weight in use", "mass", 30.0, 200e3, group="Machine")
    drag_area: Value | None = quantity(
        "Drag area (Cd A)",
        "area",
        0.05,
        20.0,
        group="Machine",
        help="Height x width x 0.85 x drag coefficient.",
        when=ROLLS,
    )
    rolling_resistance: Value | None = quantity(
        "Rolling resistance", "ratio", 0.0, 0.2, group="Machine", spread="loss", when=ROLLS
    )
    drive: str | None = choice("Driven", {k: v[0] for k, v in DRIVES.items()}, group="Driveline", when=ROLLS)
    gearbox: str | None = choice("Gearbox", {k: v[0] for k, v in GEARBOXES.items()}, group="Driveline")
    gear_ratios: tuple[tuple[float, ...], ...] | None = table(
        "Gear ratios",
        (("ratio", "ratio"),),
        group="Driveline",
        help="One a line, first gear first.",
        spread="exact",
        when=ROLLS,
    )
    final_drive: Value | None = quantity(
        "Final drive", "ratio", 0.5, 60.0, group="Driveline", spread="exact", when=ROLLS
    )
    tyre_diameter: Value | None = quantity("Tyre diameter", "length", 0.15, 3.0, group="Driveline", when=ROLLS)
    waterline_length: Value | None = quantity(
        "Waterline length",
        "distance",
        1.5,
        60.0,
        group="Machine",
        help="Afloat, loaded as used: where the hull leaves the water, stem to stern.",
        spread="length",
        when=FLOATS,
    )
    hull: str | None = choice(
        "Hull",
        {k: v.label for k, v in hull.HULLS.items()},
        group="Hull",
        when=FLOATS,
        help="By its power and weight where open.",
    )
    sails: str | None = choice("Sails too, or motor-sails", YES_NO, group="Hull", when=FLOATS)
    top_speed: Value | None = quantity("Top speed", "speed", 0.5, 50.0, group="Hull", when=FLOATS)
    cruise_speed: Value | None = quantity("Cruises at", "speed", 0.3, 50.0, group="Hull", when=FLOATS)
    heel: Value | None = quantity(
        "Heels in use, either way",
        "angle",
        0.0,
        0.9,
        group="Hull",
        when=FLOATS,
        help="The most it is run at: engine on.",
    )
    trim: Value | None = quantity(
        "Trims in use, by bow or stern",
        "angle",
        0.0,
        0.35,
        group="Hull",
        when=FLOATS,
        help="Climbing its wave, pitching.",
    )
    sinkage: Value | None = quantity(
        "Sits deeper laden",
        "height",
        0.0,
        1.0,
        group="Hull",
        when=FLOATS,
        help="Than where heights over the waterline were taped.",
    )
    cooled_by: str | None = choice("Cooled by", COOLED, group="Hull", when=FLOATS)
    exhaust: str | None = choice("Exhaust", EXHAUSTS, group="Hull", when=FLOATS)
    manifold: str | None = choice("Exhaust manifold", MANIFOLDS, group="Hull", when=FLOATS)
    trailer_mass: Value | None = quantity("Trailer weight", "mass", 0.0, 100e3, group="Trailer", when=ROLLS)
    trailer_drag_area: Value | None = quantity("Trailer drag area", "area", 0.0, 10.0, group="Trailer", when=ROLLS)
    electrical_load: Value | None = quantity("Electrical load", "power", 0.0, 20e3, group="Machine")


def fill_machine(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults of the machine by its kind."""
    rules: dict[str, Rule] = {}

    def rule(name: str, value: Any, note: str) -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note)

    kind = given.get("kind")
    if kind is None:
        return rules
    label, drag, mass, on_road = MACHINES[kind]
    if on_road:
        rule("mass", mass, f"usual {label}")
        rule("drag_area", drag, f"usual {label}")
        rule("rolling_resistance", 0.012 if kind != "off_road" else 0.018, "tyres on a made road")
        rule("drive", {"off_road": "four", "road_car": "front"}.get(kind, "rear"), f"usual {label}")
        rule("trailer_mass", 0.0, "no trailer")
        trailer = float(given.get("trailer_mass") or 0.0)
        rule("trailer_drag_area", 0.7 if trailer > 0 else 0.0, "a low trailer" if trailer > 0 else "no trailer")
    rule("gearbox", "marine" if kind == "boat" else "manual", f"usual {label}")
    rule("electrical_load", 600.0, "lamps, ignition and a fan")
    if kind == "boat":
        rules |= _afloat(given, context.get("engine", {}))
    return rules


def _afloat(given: Mapping[str, Any], engine: Mapping[str, Any]) -> dict[str, Rule]:
    """A boat's hull by its power and weight, its speeds by its hull, how it leans by its use."""
    rules: dict[str, Rule] = {}

    def get(name: str) -> Any:
        return given[name] if given.get(name) is not None else rules[name].value if name in rules else None

    def rule(name: str, value: Any, note: str, exact: bool = False) -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, exact=exact)

    mass, power = (likely_or_none(v) for v in (given.get("mass"), engine.get("rated_power")))
    rule("hull", hull.hull_by_rule(mass, power), "by its power for its weight")
    rule("sails", "no", "none stated")
    heel, trim = LEANS[get("sails")]
    rule("heel", heel, "usual under sail" if get("sails") == "yes" else "usual under power")
    rule("trim", trim, "usual in a sea")
    rule("sinkage", 0.0, "heights taped with it laden", exact=True)
    rule("cooled_by", "exchanger", "most boats")
    rule("exhaust", "wet", "most boats")
    rule("manifold", "wet", "most marine engines")
    if mass is not None:
        rule("waterline_length", round(hull.waterline_by_rule(mass), 1), "usual for its weight")
        if power is not None:
            top = hull.fastest(get("hull"), likely(get("waterline_length")), mass, power)
            rule("top_speed", round(top, 2), "by hull, length, weight and power")
    if get("top_speed") is not None:
        rule("cruise_speed", round(CRUISES * likely(get("top_speed")), 2), "70 % of full ahead")
    return rules


@dataclass(frozen=True)
class DutyFacts:
    """One operating case. SI."""

    name: str = text("Name")
    kind: str = choice("Kind", KINDS)
    speed: Value | None = quantity("Speed", "speed", 0.0, 120.0, spread="asked")
    grade: Value | None = quantity("Grade", "grade", -0.5, 1.5, spread="asked")
    power_share: Value | None = quantity("Mean share of power", "share", 0.0, 1.0, spread="asked")
    engine_power: Value | None = quantity("Engine power", "power", 0.0, 3e6, spread="asked")
    engine_speed: Value | None = quantity("Engine speed", "speed_rpm", 100.0, 22000.0, spread="asked")
    speed_share: Value | None = quantity("Share of rated speed", "share", 0.05, 1.2, spread="asked")
    boat_exponent: Value | None = quantity("Power follows speed to the", "ratio", 2.0, 3.5)
    air_speed: Value = quantity("Air over the core", "speed", 0.0, 120.0)
    ambient: Value = quantity("Air outside", "temperature", 220.0, 335.0, spread="asked")
    sea: Value | None = quantity(
        "Sea or river", "temperature", 271.0, 313.0, spread="asked", when=("machine.kind", ("boat",))
    )
    altitude: Value = quantity("Altitude", "distance", -430.0, 5500.0, spread="asked")
    duration: Value | None = quantity("For", "time", 1.0, 1e6, help="Left open: for ever.", spread="asked")
    start: str = choice("Starts", STARTS)
    after: str | None = text("Straight after", help="Another duty's name: starts as hot as that one leaves it.")
    air_conditioning: str = choice("Air-conditioning", YES_NO)
    tow: str | None = choice("With the trailer", YES_NO)
    braking: Value = quantity("Braking", "acceleration", 0.0, 30.0, help="What the tyres can do there.")
    cornering: Value = quantity("Cornering, either way", "acceleration", 0.0, 40.0)
    pulling: Value = quantity("Pulling away", "acceleration", 0.0, 20.0)
    heel: Value = quantity("Heel or side slope", "angle", 0.0, 0.8, help="Either way.")


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "mass": Way("papers", "A weighbridge, tanks full and loaded as used."),
    "drag_area": Way("under", "Height x width with a tape, times 0.85, times a drag coefficient for the shape."),
    "rolling_resistance": Way("under", "Pull it along the level with a spring scale: force over weight."),
    "tyre_diameter": Way("under", "One turn of the wheel rolled along the floor, divided by 3.14."),
    "trailer_mass": Way("papers", "A weighbridge, loaded."),
    "trailer_drag_area": Way("under", "What stands out beyond the machine's outline: height x width with a tape."),
    "top_speed": Way("papers", "A GPS, both ways over a stretch without stream."),
    "cruise_speed": Way("papers", "A GPS, both ways over a stretch without stream."),
    "heel": Way("running", "An inclinometer across the boat, at the worst it is run at."),
    "trim": Way("running", "An inclinometer along the boat, at the worst it is run at."),
    "sinkage": Way("above", "From a mark on the hull down to the water, light and laden."),
    "waterline_length": Way("under", "A tape along the hull's wet mark, plumbed down at stem and stern."),
    "electrical_load": Way("running", "A clamp meter on the battery lead with everything on: amps x volts."),
}
DUTY_WAYS: Mapping[str, Way] = {
    "air_speed": Way("running", "A vane meter in front of the core at the speed asked."),
    "braking": Way("running", "A telephone's accelerometer, laid flat, on the hardest stop."),
    "cornering": Way("running", "A telephone's accelerometer, laid flat, in the hardest bend."),
    "pulling": Way("running", "A telephone's accelerometer, laid flat, pulling away."),
    "heel": Way("running", "An inclinometer on the frame."),
    "sea": Way("above", "A thermometer in a bucket, in the warmest week."),
}


def fill_duty(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults of a duty by its kind."""
    rules: dict[str, Rule] = {}

    def rule(name: str, value: Any, note: str, exact: bool = False) -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, exact=exact)

    kind = given.get("kind")
    if kind is None:
        return rules
    rule("name", KINDS[kind].split(":")[0].capitalize(), "by kind")
    rule("ambient", WARMEST_SEA if kind in AFLOAT else 311.15, "a hot day")
    rule("altitude", 0.0, "sea level")
    rule("start", "cool" if kind == "run" else "warm", "by kind")
    rule("air_conditioning", "no", "off")
    braking, cornering, pulling, heel = MOTION[kind]
    for name, value in (("braking", braking), ("cornering", cornering), ("pulling", pulling)):
        rule(name, value * GRAVITY, "usual for the duty")
    rule("heel", heel, "usual for the duty")
    if kind == "road":
        rule("grade", 0.0, "level")
        rule("tow", "no", "no trailer")
    if kind in ("road", "idle"):
        rule("air_speed", float(given.get("speed") or 0.0), "as fast as it moves")
    if kind == "pull":
        rule("power_share", 0.8, "mean over the pull")
        rule("duration", 20.0, "a 20 s pull")
        rule("air_speed", 25.0, "90 km/h")
    if kind == "run":
        rule("power_share", 0.55, "mean over the run")
        rule("duration", 75.0, "a 75 s run")
        rule("air_speed", 25.0, "90 km/h")
    if kind == "work":
        rule("power_share", 1.0, "rated")
        rule("air_speed", 0.0, "stands or creeps")
    machine = context.get("machine", {})
    if machine.get("kind") == "boat":
        outside = likely(given["ambient"] if given.get("ambient") is not None else rules["ambient"].value)
        rule("sea", min(max(outside, 273.15), WARMEST_SEA), "as warm as the air, 32 °C at most")
    if kind == "bollard":
        rule("speed", 0.0, "held", exact=True)
        rule("speed_share", HELD_SPEED, "as fast as a propeller held lets it turn")
        rule("boat_exponent", 3.0, "propeller law")
        rule("air_speed", 0.0, "cooled by water")
    elif kind in PROPELLED:
        boat = kind == "boat"
        rule("speed_share", 1.0, "full ahead" if boat else "full power", exact=True)
        if boat:
            share = given["speed_share"] if given.get("speed_share") is not None else 1.0
            speed = _under_way(machine, likely(share))
            if speed is not None:
                rule("speed", speed, "by its share of full revs")
        rule("boat_exponent", 3.0, "propeller law")
        rule("air_speed", 0.0 if boat else 28.0, "cooled by water" if boat else "100 km/h, a climb")
    if kind == "typed":
        rule("air_speed", 0.0, "standing")
    return rules


def _under_way(machine: Mapping[str, Any], share: float) -> float | None:
    """Speed [m/s] at a share of full revs: through top speed at all of them and cruising speed at 70 %."""
    top, cruise = machine.get("top_speed"), machine.get("cruise_speed")
    if top is None or cruise is None:
        return None
    top, cruise = likely(top), min(likely(cruise), 0.98 * likely(top))
    power = np.log(cruise / top) / np.log(CRUISES)
    return round(float(top * min(share, 1.0) ** power), 2)


def default_duties(kind: str, task: str = "", sails: bool = False) -> list[dict[str, Any]]:
    """Duties of a new build by kind of machine, as typed texts a builder can edit.

    ``task`` is the fifth fact as typed: trailer weight, cruising share of revs, or hottest air.
    """
    asked = task_kind(kind)
    if asked == "boat":
        return _boat_duties(task or "70 %", sails)
    if kind == "aircraft":
        return _flights(task or "35 °C")
    if asked == "work":
        hot = task or "40 °C"
        return [
            {"id": "idle", "name": "Idle", "kind": "idle", "ambient": hot},
            {"id": "rated", "name": "Rated work", "kind": "work", "ambient": hot, "duration": "60 min"},
        ]
    if kind == "hillclimb":
        return [
            {"id": "paddock", "name": "Paddock idle", "kind": "idle", "ambient": "32 °C", "duration": "10 min"},
            {"id": "run", "name": "Hillclimb run", "kind": "run", "ambient": "32 °C", "duration": "75 s"},
            {"id": "pull", "name": "Full-throttle pull", "kind": "pull", "ambient": "32 °C", "duration": "20 s"},
        ]
    return _road_duties(tow=bool(task))


def _flights(hot: str) -> list[dict[str, Any]]:
    taxi = {"id": "taxi", "name": "Taxi", "speed_share": "40 %", "air_speed": "40 km/h", "duration": "10 min"}
    climb = {"id": "climb", "name": "Climb", "speed_share": "100 %", "air_speed": "100 km/h", "duration": "6 min"}
    cruise = {"id": "cruise", "name": "Cruise", "speed_share": "85 %", "air_speed": "150 km/h", "altitude": "800 m"}
    return [{**duty, "kind": "flight", "ambient": hot} for duty in (taxi, climb, cruise)]


def _boat_duties(cruise: str, sails: bool) -> list[dict[str, Any]]:
    warm = {"ambient": "32 °C", "sea": "32 °C"}
    sailing = {
        "id": "sailing",
        "name": "Motor-sailing, heeled",
        "kind": "boat",
        "speed_share": "60 %",
        "heel": "25 deg",
    }
    return [
        {"id": "creep", "name": "Harbour creep", "kind": "boat", "speed_share": "30 %", **warm},
        {"id": "cruise", "name": "Cruise", "kind": "boat", "speed_share": cruise, **warm},
        *([{**sailing, **warm}] if sails else []),
        {"id": "full", "name": "Full ahead", "kind": "boat", **warm, "duration": "60 min"},
        {"id": "quay", "name": "Astern at the quay", "kind": "bollard", **warm, "duration": "3 min"},
    ]


def _road_duties(tow: bool) -> list[dict[str, Any]]:
    return [
        {
            "id": "stop_go",
            "name": "Stop and go",
            "kind": "road",
            "speed": "15 km/h",
            "ambient": "38 °C",
            "duration": "30 min",
            "air_conditioning": "yes",
        },
        {"id": "motorway", "name": "Motorway", "kind": "road", "speed": "120 km/h", "ambient": "35 °C"},
        {
            "id": "grade",
            "name": "Long grade" + (" with trailer" if tow else ""),
            "kind": "road",
            "speed": "80 km/h",
            "grade": "6 %",
            "ambient": "38 °C",
            "duration": "450 s",
            "tow": "yes" if tow else "no",
        },
        {"id": "pull", "name": "Full-throttle pull", "kind": "pull", "ambient": "38 °C", "duration": "20 s"},
    ]
