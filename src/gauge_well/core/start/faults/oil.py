"""Why there is little oil pressure, or none: pump, bearings and relief run again with something wrong."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.start import setting
from gauge_well.core.start.faults.cause import SOUND, SOUND_AS_OFTEN, Cause, Check, Effort, Gauge, When, Worked, gauged
from gauge_well.core.start.faults.group import Group, eased
from gauge_well.core.start.setting import Stood
from gauge_well.core.systems.oil import feeding
from gauge_well.core.systems.oil.priming import CRANKS
from gauge_well.core.typing import Array, likely

# At full size (common practice): what a worn pump still moves, what worn bearings leave of the pressure they hold, where a
# relief that hangs lets go, fuel in the oil as kelvins hotter, air drawn by a pickup that is hardly covered.
WORN, BEARINGS, RELIEF, THIN, LEVEL = 0.5, 0.45, 0.35, 30.0, 0.35
READS = 0.5  # of the pressure that a wrong sender or gauge shows
FASTER = 2.5  # times its idle that it is raised to, unloaded
COLD_OIL, HOT_OIL = 3.0, 6.0  # K, how well oil is known to be as warm as the day, or as its coolant

GAUGE, TRUE = Gauge("pressure_gauge", 12e3, 0.04), Gauge("pressure_gauge", 5e3, 0.03)  # half-ranges of what is read by


def causes(case: BuildCase) -> Sequence[Cause]:
    """What goes wrong with the oil's pressure."""
    dry = case.systems["oil"].sump == "dry"
    level = "Oil is low, or the tank's outlet draws air" if dry else "Oil is low, or the pickup draws air"
    return [
        Cause(SOUND, "Nothing is wrong with it", "Nothing: it reads as it should.", SOUND_AS_OFTEN, whole=True),
        Cause("sender", "Gauge or sender reads low", "The right sender for the gauge; its ground.", 3.0),
        Cause("sender_dead", "Gauge or sender shows nothing", "Wire, plug, ground; the right port.", 3.0, whole=True),
        Cause("unprimed", "Pump is not primed", "Fill it through a port; look for air before it.", 3.0, whole=True),
        Cause("level", level, "Level, pickup's seal and seat.", 2.0),
        Cause("relief", "Relief hangs open", "Take it out, clean it; its spring and seat.", 1.5),
        Cause("thin", "Oil is thin: fuel in it, or too light", "Change it; find where the fuel comes from.", 1.5),
        Cause("worn", "Pump is worn, or its ratio is wrong", "Clearances by feeler gauge; another pump.", 1.0),
        Cause("bearings", "Bearings are worn, or a gallery plug is missing", "Stop. Pan off, look at them.", 1.5),
    ]


def checks(case: BuildCase) -> Sequence[Check]:
    """What can be read and looked at."""
    return [
        gauged(Check("gauge", "Oil pressure on the gauge, idling warm", "Oil as warm as the coolant.", 1.0), GAUGE),
        gauged(Check("gauge_cold", "Oil pressure on the gauge, idling cold", "In the first minute.", 1.0), GAUGE),
        gauged(Check(
            "gauge_fast", "Oil pressure on the gauge, warm, two and a half times idle", "Raised gently, held five seconds.",
            1.0
        ), GAUGE),
        gauged(Check(
            "second", "A mechanical gauge in the same port, idling warm", "Screwed in place of the sender.", 6.0,
            effort=Effort.TOOL
        ), TRUE),
        gauged(Check(
            "second_crank", "A mechanical gauge, cranking", "Kept from firing; 15 s, then a minute's rest.", 6.0,
            When.CRANK, Effort.TOOL
        ), TRUE),
        Check(
            "dipstick", "Dipstick, ten minutes after stopping", "Wipe, dip; smell it, rub it.", 1.0, When.OFF,
            outcomes=("at its mark", "under it", "over it, thin, smells of fuel"),
        ),
        Check(
            "needle", "Needle while it idles, and in a turn or on a slope", "Watch it for a minute.", 1.0,
            outcomes=("steady", "flickers or falls"),
        ),
        Check(
            "key_on", "Gauge, key on, engine off", "It should lie at nought, and full with the wire grounded or lifted.",
            1.0, When.OFF, outcomes=("lies at nought and swings", "does not swing"),
        ),
        Check(
            "feed", "Oil seen at the rockers or the filter's face, cranking", "Filler open, kept from firing, hands clear.", 2.0,
            When.CRANK, outcomes=("comes", "a little, late", "nothing")
        ),
        Check(
            "moved", "Oil from the open port into a can, cranking", "15 s, kept from firing, hands clear; litres over seconds.", 5.0,
            When.CRANK, Effort.APART, kind="flow", share=0.12
        ),
    ]  # fmt: skip


def crank_speed(case: BuildCase) -> float:
    """Cranked for pressure [rev/min], by the way that is chosen."""
    facts = case.systems["oil"]
    way = facts.priming if facts.priming in CRANKS else "plugs_out"
    return CRANKS[way] if facts.crank_speed is None else likely(facts.crank_speed)


@dataclass(frozen=True)
class Trouble:
    """What is wrong: ``moves`` of what its pump moves when sound, ``holds`` of what its bearings then hold, ``opens`` of its
    relief; ``warmer`` [K] as thin; ``shows`` of it that the gauge does."""

    moves: float = 1.0
    holds: float = 1.0
    opens: float = 1.0
    warmer: float = 0.0
    shows: float = 1.0


def trouble_of(id: str, size: float) -> Trouble:
    """What a cause does at a size; nothing where it is none of these."""
    return Trouble(
        moves={"worn": eased(WORN, size), "level": eased(LEVEL, size), "unprimed": 0.0}.get(id, 1.0),
        holds=eased(BEARINGS, size) if id == "bearings" else 1.0,
        opens=eased(RELIEF, size) if id == "relief" else 1.0,
        warmer=THIN * size if id == "thin" else 0.0,
        shows={"sender": eased(READS, size), "sender_dead": 0.0}.get(id, 1.0),
    )


def pressure(stood: Stood, speed: float | Array, oil: Array, wrong: Trouble = Trouble()) -> Array:
    """Oil's pressure at an engine speed [rev/min] and oil temperature [K] over the draws [Pa gauge].

    MissingFact without a hot reading of it.
    """
    facts = stood.drawn.case.systems["oil"]
    leak = feeding.leak_of(stood.context, facts)
    leak = replace(leak, pressure=leak.pressure * wrong.holds, relief=leak.relief * wrong.opens)
    found = feeding.gauge_pressure(facts, leak, np.asarray(speed) * wrong.moves, oil + wrong.warmer)
    if found is None:
        raise MissingFact("oil.hot_pressure")
    far = feeding.FAR if facts.gauge_at in ("head", "turbo") else 1.0
    return stood.wide(found * far)


def oils(stood: Stood, air: float) -> tuple[Array, Array]:
    """Oil cold and idling warm [K] (sample,): as cold as the day, as warm as its coolant."""
    rng = np.random.default_rng(28)
    cold, hot = (rng.normal(0.0, s / 2.0, stood.samples) for s in (COLD_OIL, HOT_OIL))
    cold[0] = hot[0] = 0.0
    return air + cold, stood.wide(stood.context.engine.facts.thermostat) + hot


def work(case: BuildCase, air: float, count: int = setting.DRAWS) -> Mapping[tuple[str, float], Worked]:
    """Every cause at every size over the draws."""
    stood = setting.stand(setting.idle_case(case, air), count)
    cold, hot = oils(stood, air)
    idle = stood.wide(stood.context.engine.facts.idle_speed)
    crank = crank_speed(case)
    moved = stood.wide(feeding.pump_flow(stood.drawn.case.systems["oil"], crank))
    found = {}
    for cause in causes(case):
        for size in cause.sizes:
            trouble = trouble_of(cause.id, size)

            def at(speed: float | Array, oil: Array, wrong: Trouble = trouble) -> Array:
                return pressure(stood, speed, oil, wrong)

            readings = {
                "gauge": trouble.shows * at(idle, hot),
                "gauge_cold": trouble.shows * at(idle, cold),
                "gauge_fast": trouble.shows * at(FASTER * idle, hot),
                "second": at(idle, hot),
                "second_crank": at(crank, cold),
                "moved": moved * trouble.moves,
            }
            found[cause.id, size] = Worked(readings, _seen(cause.id, size))
    return found


def _seen(id: str, size: float) -> Mapping[str, Sequence[float]]:
    low = 0.85 if id == "level" else 0.1 if id == "unprimed" else 0.03
    fuel = min(0.9 * size + 0.1, 0.9) if id == "thin" else 0.02
    feed = {"unprimed": (0.02, 0.08, 0.9), "level": (0.3, 0.5, 0.2), "worn": (0.6, 0.37, 0.03)}
    return {
        "dipstick": (1.0 - low - fuel, low, fuel),
        "needle": (0.2, 0.8) if id == "level" else (0.96, 0.04),
        "key_on": (0.1, 0.9) if id == "sender_dead" else (0.6, 0.4) if id == "sender" else (0.96, 0.04),
        "feed": feed.get(id, (0.9, 0.09, 0.01)),
    }


OIL = Group("oil", "Oil pressure", causes, checks, work)
