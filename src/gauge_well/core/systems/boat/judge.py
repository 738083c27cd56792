"""The boat solved, ready to be asked at any power."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.systems.base import Beside, Context, Result
from gauge_well.core.systems.boat import checks, checks_wet, figures, need, notices, raw, safety, shafting, wet, working
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import likely


def _unknown(context: Context, facts: BoatFacts) -> list[Unknown]:
    """What begins it; of what was begun, what it lacks."""
    found = []
    if raw.wanted(context, facts):
        try:
            raw.flow(context, facts)
        except MissingFact as error:
            found.append(Unknown("raw_out", "Raw water", "raw", (error.field,)))
        if facts.suction.bore is None:
            found.append(Unknown("suction", "Raw-water suction", "suction", ("boat.suction.bore",)))
    if context.machine.exhaust == "wet":
        found += checks_wet.unknowns(context, facts)
    room = [n for n in ("room_skin", "room_vents", "vents_rise") if getattr(facts, n) is None]
    if 0 < len(room) < 3:
        found.append(Unknown("room_hot", "Engine room's warmth", "room", tuple(f"boat.{n}" for n in room)))
    lacks = shafting.coupling_missing(facts)
    if lacks:
        found.append(Unknown("coupling_face", "Coupling", "coupling", lacks))
    for pump in safety.pumped(facts):
        if pump.lacks:
            found.append(Unknown(f"bilge_{pump.id}", "Bilge pump", "bilge", (pump.lacks,)))
    return found


def solve(context: Context, facts: BoatFacts) -> Result:
    """Judge what is stated; what is not known leaves its check unknown."""
    still: list[Check] = [
        *checks.suction_check(context, facts),
        *checks.propeller_check(context, facts),
        *checks.coupling_checks(facts),
        *checks.room_checks(context, facts),
    ]
    unknown = _unknown(context, facts)
    if context.machine.exhaust == "wet":
        siphon, lacking = checks_wet.siphon_checks(context, facts)
        still += [
            *siphon,
            *checks_wet.riser_checks(context, facts),
            *checks_wet.hose_checks(context, facts),
            *checks_wet.silencer_checks(context, facts),
        ]
        unknown += lacking

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        found = [*still, *checks.raw_checks(context, facts, mean), *checks.shaft_checks(context, facts, peak)]
        if context.machine.exhaust == "wet":
            found += checks_wet.back_checks(context, facts, peak)
        return found

    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: figures.figures(context, facts),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts)),
        working=lambda index: working.steps(context, facts, index),
        beside=lambda: _beside(facts),
    )


def _beside(facts: BoatFacts) -> Sequence[Beside]:
    """Room the silencer takes; what lifting costs at the start."""
    found = []
    box = facts.silencer
    sizes = [v for v in (box.length, box.width, box.height) if v is not None]
    if len(sizes) == 3:
        length, width, height = (likely(v) for v in sizes)
        found.append(Beside("silencer_room", "silencer's room", length * width * height, "volume"))
    if facts.high_over is not None and facts.silencer_over is not None:
        found.append(Beside("lift_height", "lifted by", likely(wet.height(facts)), "height"))
    return found
