"""What is noticed: where each symptom leads, worked on the model or as ordered checks, and said to be which."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from gauge_well.core.start.faults.cause import When
from gauge_well.core.start.faults.charge import CHARGE
from gauge_well.core.start.faults.cooling import COOLING
from gauge_well.core.start.faults.cranking import CRANKING
from gauge_well.core.start.faults.fuel import FUEL
from gauge_well.core.start.faults.group import Group
from gauge_well.core.start.faults.oil import OIL
from gauge_well.core.start.faults.wet import WET

GROUPS: Mapping[str, Group] = {g.id: g for g in (CRANKING, OIL, FUEL, COOLING, CHARGE, WET)}

STANDING = (When.OFF.value, When.IDLE.value)
TURNED = (When.OFF.value, When.CRANK.value)


@dataclass(frozen=True)
class Step:
    """One of some ordered checks: what to do, what it should read, what it means where it does not.

    ``figure``: what the build's own model says of it, by name, put in where it is known.
    """

    do: str
    reads: str
    else_: str
    figure: str = ""


@dataclass(frozen=True)
class Symptom:
    """Something that is noticed.

    ``group``: where it is worked by the model, its first reading ``check``; empty where the ``steps`` are all there is.
    ``open_to``: what the engine may do meanwhile. ``at_once``: what is done first, before anything is looked for.
    ``only``: kinds of build that it concerns (diesel, petrol, pumped: liquid fuel at a rail, ashore, wet), empty: all.
    """

    id: str
    label: str
    group: str = ""
    check: str = ""
    open_to: Sequence[str] = STANDING
    at_once: str = ""
    steps: Sequence[Step] = ()
    only: str = ""


OFF_NOW = "Engine off."
ON_THE_MOVE = (*STANDING, When.MOVE.value)
ON_GRADE = (*ON_THE_MOVE, When.GRADE.value)

SYMPTOMS: Sequence[Symptom] = (
    Symptom(
        "runaway", "A diesel runs away", only="diesel",
        at_once="Block the intake: air shut-off, a flat board, a thick cloth over the filter's mouth. Stand clear of the engine's"
        " sides. Never open the fuel, never reach over it. In a gear with the brakes on it may be stalled, if you sit in it already.",
        steps=(
            Step("Once it stands, let nobody start it.", "Cold, its stop held.", "It runs away again at once."),
            Step("Oil in the intake, at the turbo's outlet", "A film at most", "Turbo's seal or a breather that feeds it oil."),
            Step("Oil level", "At its mark", "Over it: fuel in the oil; the engine burns its own sump."),
            Step("Rack, governor and stop lever by hand", "Free from end to end, springs back", "Stuck: pump off, to a shop."),
        ),
    ),
    Symptom("no_crank", "Does not crank", "cranking", "sound", TURNED),
    Symptom("crank_instant", "Cranks for an instant", "cranking", "sound", TURNED),
    Symptom(
        "no_fire", "Cranks and does not fire", only="petrol",
        steps=(
            Step("Throttle shut or cracked, key on, in neutral; the computer's lamp lights and goes out.", "Goes out", "No power, no ground, or it waits for its key: see what the Electrics page says prevents starting."),
            Step("Pressure at the rail, key on", "As worked for this build: {rail}", "None: go to Fuel pressure falls.", "rail"),
            Step("Spark at one plug, held to the block with insulated tongs, away from fuel", "Blue, every second turn", "None: crank sensor, coil's current, ignition switch while cranking.", ),
            Step("Revs shown while cranking, by its diagnosis", "150 to 300", "Nought: crank sensor, its gap and its two wires swapped."),
            Step("Injector pulse, by a lamp across a plug", "Flickers", "None: the computer holds fuel for want of a signal."),
            Step("Plugs after ten seconds", "Damp, not wet", "Wet: flooded, full throttle clears it. Dry: no fuel comes."),
            Step("Compression, throttle open", "All within a tenth of each other", "Low on all: cam timing. One low: that valve, ring, gasket."),
        ),
    ),
    Symptom(
        "no_fire_diesel", "Cranks and does not fire", only="diesel",
        steps=(
            Step("Stop lever and solenoid", "In its run place, a click at key on", "No volts at it, or it is stuck at stop."),
            Step("Cranking speed", "At least what it wants: {crank}", "Slow: battery, leads, starter; see Does not crank.", "crank"),
            Step("Glow plugs, volts and amps", "Battery's volts, some 10 A each at first", "None: relay. Half: plugs gone."),
            Step("Smoke at the pipe while cranked", "White: fuel comes", "None: no fuel. Bleed at the filter, then at each injector's nut, glow off."),
            Step("Fuel at an injector's nut, cracked half a turn, cranking", "Spurts without bubbles", "Bubbles: air before the pump. Nothing: stop device, lift pump. Keep skin away: a jet from a tight pipe goes through it."),
            Step("Compression, or timing by its marks", "Marks in line; all even", "A tooth out; worn."),
        ),
    ),
    Symptom(
        "misses", "Misses on one",
        steps=(
            Step("After a minute, each port by infrared", "Within 40 K of each other", "The cold one does not fire."),
            Step("Swap its coil, lead and plug with its neighbour's, one after the other", "The cold port goes with it", "It stays: not the spark."),
            Step("Injector: listen by a screwdriver, resistance, then swap", "Clicks like the others", "Silent: its wire or the injector."),
            Step("Spray bottle of water round its intake joint", "No change", "Runs better: air leaks in there."),
            Step("Compression, dry and with a spoon of oil", "Within a tenth of the others", "Better with oil: rings. The same: valve or gasket."),
        ),
    ),
    Symptom(
        "smokes", "Smokes",
        steps=(
            Step("Colour, cold and again warm", "A white breath that goes within minutes of a cold start", "Blue: oil. Black: fuel for the air it gets. White, sweet, staying: coolant."),
            Step("Blue: breather and crankcase pressure at the dipstick's tube", "Hardly a breath", "Blows: rings; a blocked breather pushes oil up."),
            Step("Blue after standing", "None", "Valve stem seals; turbo's return too small or uphill."),
            Step("Black: filter and charge hoses, then rail pressure", "As worked: {rail}", "Too high: regulator; too little air: leaks of boost.", "rail"),
            Step("White and sweet: level in the header, bubbles", "Level stays, no bubbles", "Go to Overheats at idle."),
        ),
    ),
    Symptom("low_oil", "Oil pressure is low, idling", "oil", "gauge", ("off", "idle", "crank")),
    Symptom(
        "no_oil", "No oil pressure", "oil", "gauge", TURNED,
        at_once="Engine off within five seconds. It is not run again before a second gauge shows pressure cranking.",
    ),
    Symptom("hot_idle", "Overheats at idle", "cooling", "gauge", STANDING, OFF_NOW),
    Symptom(
        "hot_move", "Overheats on the move", "cooling", "gauge_light", ON_THE_MOVE,
        "Off the load, heater full on; stop where it is safe, idle a minute if it falls, else engine off.",
    ),
    Symptom(
        "hot_grade", "Overheats on a grade, or under load", "cooling", "gauge_heavy", ON_GRADE,
        "Off the load, heater full on; stop where it is safe, idle a minute if it falls, else engine off.",
    ),
    Symptom("cold", "Runs cold", "cooling", "gauge", ON_THE_MOVE),
    Symptom("fan_half", "Fan runs at half speed, or never", "cooling", "paper", STANDING, only="ashore"),
    Symptom("boils_after", "Boils after it is stopped", "cooling", "boils_after", STANDING),
    Symptom("fuel_falls", "Fuel pressure falls under load", "fuel", "rail_heavy", ("off", "idle", "grade"), only="pumped"),
    Symptom("fuel_none", "No fuel pressure, or too little at idle", "fuel", "rail_key", STANDING, only="pumped"),
    Symptom("vapour", "Dies hot, starts again once it is cool", "fuel", "hums", STANDING, only="pumped"),
    Symptom("charge", "Does not charge, or charges too much", "charge", "idle", STANDING),
    Symptom(
        "steam", "Steam in the exhaust", "wet", "outlet", STANDING,
        "Engine off at once: a dry rubber hose burns through in a minute.", only="wet",
    ),
    Symptom(
        "pedals", "Brakes or clutch do not serve",
        at_once="The machine is not moved by its engine. Chocks; someone who is licensed looks at the brakes.",
        steps=(
            Step("Pedal pumped five times with the engine off, then held while it is started", "Falls a little as the vacuum comes", "Does not: no vacuum; hose, valve, pump. Worked for this build: {vacuum}", "vacuum"),
            Step("Full applications left after stopping", "Three", "Fewer: the one-way valve, the booster's size; see Controls."),
            Step("Pedal held hard for a minute", "Stays", "Sinks: a joint leaks, or the master's seal."),
            Step("Spongy pedal", "Firm at the second push", "Air: bleed, the farthest wheel first."),
            Step("Clutch: in gear on stands, pedal down, wheel turned by hand", "Turns freely", "Drags: travel at the slave; see Controls for what it should be"),
            Step("Clutch: slip in the highest gear at full torque", "Revs do not run away", "Oil on it, no free play at the bearing, too weak."),
        ),
    ),
)  # fmt: skip


def symptom(id: str) -> Symptom:
    """A symptom by its name. KeyError where there is none."""
    return next(s for s in SYMPTOMS if s.id == id) if any(s.id == id for s in SYMPTOMS) else _none(id)


def _none(id: str) -> Symptom:
    raise KeyError(id)
