"""Run-in, and the alarms and cuts of this build, ready to be typed into a controller."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.sentence import Sentence
from gauge_well.core.start import setting, warming
from gauge_well.core.start.expected import VOLTS_LEAST
from gauge_well.core.start.setting import Setting, Stood
from gauge_well.core.systems.boat import raw
from gauge_well.core.systems.cooling.model import boiling_and_limit
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.oil import feeding
from gauge_well.core.typing import likely, likely_or_none

OIL_ROWS = 5  # speeds that the oil's least is told at
CUT_SHARE = 0.7  # of the least pressure, at which it is cut (common practice)
OVER_VOLTS, CUT_VOLTS = 15.0, 15.5  # V of a 12 V system (common practice)
RAIL_ALARM, RAIL_CUT = 0.9, 0.8  # of what the rail should hold under load (common practice)
SPEED_CUT = 1.03  # of the limit speed, hard (common practice)
EASY, HALF_RUN_IN = 0.5, 0.7  # of rated speed, in the first and the second part of running in


@dataclass(frozen=True)
class Threshold:
    """An alarm and a cut: ``under`` means that less is worse; ``above_speed`` [rev/min]: only over that; ``delay`` [s]."""

    id: str
    label: str
    kind: str
    under: bool
    alarm: float
    cut: float | None
    delay: float
    above_speed: float = 0.0
    why: str = ""


@dataclass(frozen=True)
class Stretch:
    """One stretch of running in."""

    id: str
    label: str
    do: Sentence


@dataclass(frozen=True)
class RunIn:
    """Stretches in order, and the dates of what is done again."""

    stretches: Sequence[Stretch]
    again: Sequence[Stretch]


def thresholds(case: BuildCase, where: Setting) -> Sequence[Threshold]:
    """Alarms and cuts of this build; MissingFact where the engine is not known enough."""
    stood = setting.stand(setting.idle_case(case, where.air), 1)
    context = stood.context
    facts = case.systems["cooling"]
    limit = likely(boiling_and_limit(context, facts, context.duties.column("pressure"))[2])
    found = [
        Threshold(
            "coolant", "Coolant", "temperature", False, limit - warming.STOP_UNDER, limit, 3.0,
            why="5 K under its limit; cut at it",
        ),
        *_oil(case, stood),
    ]  # fmt: skip
    oil_limit = likely_or_none(case.systems["oil"].oil_limit)
    if oil_limit is not None:
        found.append(
            Threshold("oil_hot", "Oil temperature", "temperature", False, oil_limit - 5.0, None, 5.0, why="5 K under its limit")
        )  # fmt: skip
    by = charging.nominal(case.systems["electrics"]) / 12.0
    found += [
        Threshold("volts_low", "Volts", "voltage", True, VOLTS_LEAST * by, None, 10.0, why="nothing charges under it"),
        Threshold("volts_high", "Volts", "voltage", False, OVER_VOLTS * by, CUT_VOLTS * by, 1.0, why="batteries boil, lamps and computers die"),
        *_rail(case),
        *_speed(case),
    ]  # fmt: skip
    if case.machine.kind == "boat" and case.machine.exhaust == "wet":
        try:
            mixed = likely(raw.mixed(context, case.systems["boat"], context.mean))
            alarm = raw.alarm(mixed)
        except MissingFact:
            alarm = raw.ALARM_LEAST
        found.append(
            Threshold("hose", "Exhaust hose behind its injection", "temperature", False, alarm, raw.SHUT_DOWN, 1.0, why="rubber burns soon after")
        )  # fmt: skip
    return found


def _oil(case: BuildCase, stood: Stood) -> list[Threshold]:
    """Least pressure over speed, as a controller's table takes it: an alarm at the least, a cut at seven tenths of it."""
    facts = case.systems["oil"]
    rated, idle = (likely(v) for v in (stood.context.engine.rated_speed, case.engine.idle_speed))
    top = likely_or_none(case.engine.limit_speed) or rated
    found = []
    for row in range(OIL_ROWS):
        speed = idle + (top - idle) * row / (OIL_ROWS - 1)
        try:
            least = likely(feeding.least_pressure(facts, speed, rated))
        except MissingFact:
            least = feeding.PSI_PER_SPEED * speed
        found.append(
            Threshold(
                f"oil_{row}", "Oil pressure", "pressure_gauge", True, least, CUT_SHARE * least, 1.0, above_speed=round(speed, -1),
                why="its school's least; cut at .7 of it",
            )
        )  # fmt: skip
    return found


def _rail(case: BuildCase) -> list[Threshold]:
    facts = case.systems["fuel"]
    asked = likely_or_none(facts.regulator.pressure)
    if facts.main.drive != "electric" or asked is None:
        return []
    why = "of what its regulator holds over its reference, under load: lean kills"
    return [Threshold("rail", "Fuel pressure at the rail", "pressure_gauge", True, RAIL_ALARM * asked, RAIL_CUT * asked, 0.5, why=why)]  # fmt: skip


def _speed(case: BuildCase) -> list[Threshold]:
    top = likely_or_none(case.engine.limit_speed)
    if top is None:
        return []
    return [
        Threshold(
            "speed",
            "Engine speed",
            "speed_rpm",
            False,
            top,
            SPEED_CUT * top,
            0.0,
            why="its limit; hard cut just over it",
        )
    ]


def run_in(case: BuildCase) -> RunIn:
    """How this build is run in, mapped, and looked at again."""
    rated = likely(case.engine.rated_speed)
    values: dict[str, tuple[float, str] | str] = {
        "easy": (EASY * rated, "speed_rpm"),
        "half": (HALF_RUN_IN * rated, "speed_rpm"),
        "top": (rated, "speed_rpm"),
    }
    mapped = case.systems["electrics"].computer not in (None, "none") and case.engine.fuel != "diesel"
    road = case.machine.kind not in ("boat", "generator", "locomotive", "aircraft")
    stretches = [
        Stretch("ring", "First half hour", Sentence("Changing load under {easy}, pulls of a few seconds and overrun; no long idling: rings seat under load.", values)),
        Stretch("easy", "First 200 km, or five hours", Sentence("Under {half}, no labouring, no full load over ten seconds.", values)),
        Stretch("full", "Then", Sentence("In steps up to {top}; each step a minute, gauges read after it.", values)),
    ]  # fmt: skip
    if mapped:
        stretches.insert(1, Stretch("map", "Mapping, light load", Sentence("Idle and cruise first, oxygen read, guard alarms on; full load only with the guard proved and rail logged.")))  # fmt: skip
    if road:
        stretches.insert(-1, Stretch("rollers", "Before the rollers", Sentence("Geometry set, tyres, straps, fan before the core; fuel for an hour.")))  # fmt: skip
    far = "50 km" if road else "two hours"
    again = [
        Stretch("cold", "Cold after the long run", Sentence("Manifolds, mounts, clamps retorqued once; levels; marks.")),
        Stretch("near", f"After {far}", Sentence("Levels, belts, marks looked at; filter cut open.")),
        Stretch("oil", "After 500 km, or ten hours", Sentence("Oil and filter changed; mounts, shafts, exhaust retorqued; alignment afloat.")),
        Stretch("year", "After a year, or 5,000 km", Sentence("Hoses, belts, coolant's freezing point, every clamp.")),
    ]  # fmt: skip
    return RunIn(stretches, again)
