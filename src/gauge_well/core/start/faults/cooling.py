"""Why it boils, why it stays cold: the loop run again with something wrong in it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np
from scipy.special import ndtr

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.fan import ELECTRIC
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.start import setting, warming
from gauge_well.core.start.faults.cause import SOUND, SOUND_AS_OFTEN, Cause, Check, Effort, When, Worked
from gauge_well.core.start.faults.group import Group, eased
from gauge_well.core.start.warming import Loop, Trouble
from gauge_well.core.systems.boat import raw
from gauge_well.core.systems.cooling.loop import SHUT
from gauge_well.core.systems.cooling.model import SOAKED_OVER
from gauge_well.core.systems.electrics import charging
from gauge_well.core.typing import Array

# What each does to the loop at its full size (common practice for the sizes).
AIR_LOCK = Trouble(shed=0.45, pumped=0.35)
REVERSED = 0.65  # of a fan's flow that is left when it blows the wrong way
STILL = 0.02
SLIPS, BLOCKED, GAS = 0.3, 0.5, 0.6
SENDER = 14.0  # K
WEAK_CAP = 0.15  # of its pressure
SOAK_SPREAD = 5.0  # K
STRAY = 0.25  # of what a standing hose is colder than the engine, that the bay makes up at most
FAN_AMPS = {"fan_dead": 0.0, "fan_half": 0.25}  # of full; a motor at half speed takes a quarter of the torque

TROUBLES: Mapping[str, Trouble] = {
    SOUND: Trouble(),
    "fan_dead": Trouble(fan=STILL),
    "fan_reversed": Trouble(fan=REVERSED),
    "fan_half": Trouble(fan=0.5),
    "thermostat_shut": Trouble(lift=SHUT),
    "thermostat_open": Trouble(lift=1.0),
    "air": AIR_LOCK,
    "pump": Trouble(pumped=SLIPS),
    "core": Trouble(shed=BLOCKED),
    "gasket": Trouble(shed=GAS),
    "sender_high": Trouble(),
    "sender_low": Trouble(),
    "cap": Trouble(),
    "raw": Trouble(raw=0.4),
}

HOT_CAP = "Hot coolant under pressure: leave the cap until the top hose can be held in the hand."
FAN_STARTS = "A fan starts by itself, with the engine off too: hands and sleeves out of it."
BELTS = "Belts and fan turn: loose clothes and hair away."


def _afloat(case: BuildCase) -> bool:
    return case.machine.kind == "boat"


def _has_raw(case: BuildCase) -> bool:
    """Whether raw water cools the coolant, its pump known."""
    own = case.systems["boat"].raw_pump
    known = own.displacement is not None
    return _afloat(case) and case.machine.cooled_by == "exchanger" and known


def causes(case: BuildCase) -> Sequence[Cause]:
    """What goes wrong with such a loop."""
    found = [
        Cause(SOUND, "Nothing is wrong with it", "Nothing: it reads as it should.", SOUND_AS_OFTEN, whole=True),
        Cause("thermostat_shut", "Thermostat stays shut", "A new thermostat, its jiggle pin at the top.", 2.0, True),
        Cause("thermostat_open", "Thermostat stays open", "A new thermostat, seated all round.", 1.5, True),
        Cause("air", "Air in the system", "Bleed again: high points open, heater hot, nose up.", 4.0),
        Cause("pump", "Coolant is hardly pumped", "Tension the belt; then look at the pump's impeller.", 1.0),
        Cause("gasket", "Combustion gas in the coolant", "Stop. Test for gas; the head comes off.", 0.7),
        Cause("sender_high", "Gauge or sender reads high", "Right sender for the gauge, ground to the block.", 3.0),
        Cause("sender_low", "Gauge or sender reads low", "Right sender for the gauge, its bulb in the coolant.", 2.5),
        Cause("cap", "Cap does not hold its pressure", "A new cap of the right pressure.", 1.0),
    ]
    if _afloat(case):
        raw = "Impeller and its cover; strainer; the way in."
        core = "Clean the exchanger's tubes, or the keel cooler's growth."
        return [
            *found,
            Cause("raw", "Raw water is short", raw, 3.0),
            Cause("core", "Heat exchanger fouled", core, 1.0),
        ]
    fan = case.systems["cooling"].fan.drive
    found.append(Cause("core", "Core half blocked, inside or out", "Flush it, comb its fins; or another core.", 1.5))
    if fan in (None, "none"):
        return found
    found.append(Cause("fan_dead", "Fan does not run", "Fuse, relay, plug, its signal; then its motor.", 3.0, True))
    if fan != "belt":
        found += [
            Cause("fan_reversed", "Fan blows backwards", "Turn its two wires, or the blade.", 1.5, True),
            Cause("fan_half", "Fan runs at half speed", "Second fan, resistor, ground; volts at its plug.", 1.5, True),
        ]
    return found


def checks(case: BuildCase) -> Sequence[Check]:
    """What can be looked at, and how well."""
    afloat = _afloat(case)
    light, heavy = _loads(case)
    found = [
        Check(
            "gauge", "Coolant on the gauge, idling warm", "Idle until it stays where it is, or the stop mark comes.", 1.0,
            kind="temperature", error=5.0,
        ),
        Check(
            "gauge_cold", "Gauge, key on, engine stone cold", "It should show the air of the day.", 0.5, When.OFF,
            kind="temperature", error=4.0,
        ),
        Check(
            "head", "Engine's outlet neck, by infrared", "On matt black or tape, a hand's width away.", 2.0,
            effort=Effort.TOOL, kind="temperature", error=5.0,
        ),
        Check(
            "leaves", "Cooler's outlet hose, by infrared" if afloat else "Radiator's outlet hose, by infrared",
            "At the bottom hose, on tape; by hand it is hot, warm or cold.", 2.0, effort=Effort.TOOL, kind="temperature",
            error=8.0,
        ),
        Check(
            "top_hose", "Top hose while the gauge climbs to the thermostat", "Cold until it opens, then hot at once.", 3.0,
            outcomes=("cold, then hot", "warm from the start", "cold though the gauge is hot"),
        ),
        Check(
            "belt", "Coolant pump's belt, engine off", "Press it mid-span; try to turn the pulley by hand.", 1.0, When.OFF,
            outcomes=("firm", "slips"),
        ),
        Check(
            "bubbles", "Bubbles in the header, revving gently", "Look through the header, or a clear hose to a bottle.",
            1.0, outcomes=("none", "at first, then fewer", "without end"),
        ),
        Check(
            "cap_holds", "Cap on a pressure tester", "It should hold its own pressure for a minute.", 4.0, When.OFF,
            Effort.TOOL, outcomes=("holds", "lets go early"), danger=HOT_CAP,
        ),
        Check(
            "boils_after", "Boils over within 10 min of stopping", "Stop it warm and listen at the overflow.", 10.0,
            outcomes=("no", "yes"),
        ),
    ]  # fmt: skip
    if _has_raw(case):
        found.append(
            Check(
                "outlet_water", "Raw water at the outlet, into a bucket", "Seconds for ten litres at the same speed.",
                2.0, kind="flow", share=0.15,
            )
        )  # fmt: skip
    drive = case.systems["cooling"].fan.drive
    if not afloat and drive not in (None, "none"):
        found += [
            Check(
                "fan_runs", "Fan turns with the gauge over its switch", "Look, from a step away.", 0.5,
                outcomes=("stands", "turns"),
            ),
            Check(
                "paper", "A sheet of paper before the core, fan on", "Drawn on, blown away, or falling.", 0.5,
                outcomes=("drawn on", "falls", "blown away"),
            ),
            Check(
                "behind", "Air behind the core, by a thermometer", "In the middle of the fan's ring, not in its blades.",
                2.0, effort=Effort.TOOL, kind="temperature", error=6.0,
            ),
        ]  # fmt: skip
    if not afloat and drive in ELECTRIC:
        found.append(
            Check(
                "fan_amps", "Fan's current, by a clamp meter", "Round one of its wires, the fan on.", 3.0,
                effort=Effort.TOOL, kind="current", error=0.5, share=0.1,
            )
        )  # fmt: skip
    for id, duty, when in (("gauge_light", light, When.MOVE), ("gauge_heavy", heavy, When.GRADE)):
        if duty:
            name = dict(case.duties)[duty].name or duty
            found.append(
                Check(
                    id, f"Coolant on the gauge: {name}", "The highest it comes to; stop where the stop mark is.", 10.0,
                    when, kind="temperature", error=5.0,
                )
            )  # fmt: skip
    return found


def _loads(case: BuildCase) -> tuple[str, str]:
    """Duties that it is driven in; empty where the engine or its duties are not known well enough."""
    try:
        return setting.loads(make_context(case, memory=MEMORY)[0].duties)
    except MissingFact:
        return "", ""


def trouble_of(id: str, size: float) -> Trouble:
    """What a cause does to the loop at a size; nothing where it is none of these."""
    full = TROUBLES.get(id, Trouble())
    return Trouble(
        shed=eased(full.shed, size),
        pumped=eased(full.pumped, size),
        fan=eased(full.fan, size),
        raw=eased(full.raw, size),
        heat=eased(full.heat, size),
        lift=full.lift,
    )


def shows_off(id: str, size: float) -> float:
    """What a gauge is off [K] where its sender is the wrong one."""
    return {"sender_high": SENDER, "sender_low": -SENDER}.get(id, 0.0) * size


def _moments(loops: Sequence[Loop], found: warming.Warmed) -> tuple[Array, np.ndarray]:
    """Coolant [K] and fan's state when it is read: where it stays, or between the stop mark and what it would come to,
    wherever whoever stands there stops it."""
    settled, state = found.coolant[-1], found.state[-1]
    rng = np.random.default_rng(26)
    late = rng.random(settled.shape)
    stop = np.stack([loop.limit for loop in loops]) - warming.STOP_UNDER
    worst = found.coolant.max(axis=0)
    over = worst > stop
    read = np.where(over, stop + late * (worst - stop), settled)
    return read, np.where(over, loops[0].core.shape[1] - 1, state)


def _bubbles(id: str, size: float) -> tuple[float, float, float]:
    if id == "air":
        return 0.1, 0.85, 0.05
    if id == "gasket":
        shows = min(1.3 * size, 1.0)
        return 1.0 - 0.96 * shows, 0.06 * shows, 0.9 * shows
    return 0.975, 0.02, 0.005


def work(case: BuildCase, air: float, count: int = setting.DRAWS) -> Mapping[tuple[str, float], Worked]:
    """Every cause at every size: marched from cold at idle, and settled under load, over the draws.

    A sender that lies and a weak cap leave the loop as it is: what is alike is worked once.
    """
    keys = [(cause.id, size) for cause in causes(case) for size in cause.sizes]
    troubles = list(dict.fromkeys(trouble_of(*key) for key in keys))
    place = {trouble: at for at, trouble in enumerate(troubles)}
    stood = setting.stand(setting.idle_case(case, air), count)
    facts = stood.drawn.case.systems["cooling"]
    loops = [warming.loop_of(stood, facts, trouble) for trouble in troubles]
    water = stood.wide(raw.flow(stood.context, stood.drawn.case.systems["boat"])) if _has_raw(case) else None
    amps = loops[0].fan_power / charging.charging(stood.drawn.case.systems["electrics"])
    read, state = _moments(loops, warming.warm(loops))
    driven = {
        id: _driven(setting.in_todays_air(case, duty, air), troubles, count)
        for id, duty in zip(("gauge_light", "gauge_heavy"), _loads(case), strict=True)
        if duty
    }

    def one(key: tuple[str, float]) -> Worked:
        at = place[trouble_of(*key)]
        loaded = {id: hottest[at] for id, hottest in driven.items()}
        return _worked(key, loops[at], read[at], state[at], loaded, air, water, amps)

    return {key: one(key) for key in keys}


def _driven(case: BuildCase, troubles: Sequence[Trouble], count: int) -> Array:
    """Highest coolant of a duty (trouble, sample) [K], from warm, for as long as it lasts; half an hour at most."""
    stood = setting.stand(case, count)
    facts = stood.drawn.case.systems["cooling"]
    loops = [warming.loop_of(stood, facts, trouble) for trouble in troubles]
    lasts = min(stood.context.duties.cases[0].duration, warming.LONGEST)
    start = np.stack([loop.thermostat for loop in loops])
    found = warming.warm(loops, start, max(lasts, warming.STEP))
    # What it comes to at the end: a thermostat that opens late, or a start too warm, is no reading of the duty.
    return np.asarray(found.coolant[found.time.size // 2 :].max(axis=0))


def _worked(
    key: tuple[str, float],
    loop: Loop,
    read: Array,
    state: np.ndarray,
    driven: Mapping[str, Array],
    air: float,
    water: Array | None,
    amps: Array,
) -> Worked:
    id, size = key
    off = shows_off(id, size)
    felt = warming.felt(loop, read, state)
    # A hose at a standing core is warmed by the bay and by what creeps through.
    stray = STRAY * np.random.default_rng(27).random(read.shape)
    readings = {
        "gauge": read + off,
        "gauge_cold": np.full_like(read, air + off) + 0.0 * read,
        "head": read,
        "leaves": felt.leaves + stray * (read - felt.leaves),
        "behind": felt.behind,
        **{name: value + off for name, value in driven.items()},
    }
    turns = 0.02 if id == "fan_dead" else 0.95
    cap = 1.0 if id != "cap" else max(1.0 - 1.2 * size, 0.05)
    soaks = _boils_after(loop, read, eased(WEAK_CAP, size) if id == "cap" else 1.0)
    seen: dict[str, Sequence[float]] = {
        "bubbles": _bubbles(id, size),
        "top_hose": _top_hose(id),
        "belt": (0.35, 0.65) if id == "pump" else (0.96, 0.04),
        "cap_holds": (cap, 1.0 - cap),
        "boils_after": (1.0 - soaks, soaks),
        "fan_runs": (1.0 - turns, turns),
        "paper": _paper(id),
    }
    readings["fan_amps"] = amps * FAN_AMPS.get(id, 1.0)
    if water is not None:
        readings["outlet_water"] = water * (trouble_of(id, size).raw)
    return Worked(readings, seen)


def _boils_after(loop: Loop, read: Array, cap: float) -> float:
    """Chance that it boils once stopped: the metal's heat comes after, some 14 K (common practice for its spread)."""
    under = loop.boils_at(cap) - (read + SOAKED_OVER)
    return float(np.clip(np.mean(ndtr(-under[1:] / SOAK_SPREAD)), 0.01, 0.99))


def _top_hose(id: str) -> tuple[float, float, float]:
    """The outlet hose: what the thermostat lets through."""
    if id == "thermostat_open":
        return 0.05, 0.93, 0.02
    if id == "thermostat_shut":
        return 0.03, 0.02, 0.95
    return (0.6, 0.05, 0.35) if id == "air" else (0.98, 0.01, 0.01)


def _paper(id: str) -> tuple[float, float, float]:
    return {
        "fan_dead": (0.03, 0.95, 0.02),
        "fan_reversed": (0.02, 0.08, 0.9),
        "fan_half": (0.6, 0.38, 0.02),
    }.get(id, (0.96, 0.035, 0.005))


COOLING = Group("cooling", "Coolant", causes, checks, work)
