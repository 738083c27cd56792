"""Readings of a build that runs: foretold beside read, the model fitted, what that teaches and moves."""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime
from functools import partial
from typing import Any

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.drive import made
from gauge_well.core.drive.logger import FAULTS
from gauge_well.core.errors import MissingFact
from gauge_well.core.fitted.doing import Doing, duty_of, lasting
from gauge_well.core.fitted.kept import homes_of, kept_of
from gauge_well.core.fitted.lesson import EFFECTIVE_OF, Foretold, Lesson, Useful, learn
from gauge_well.core.fitted.predict import HALVES, WHATS, Reading
from gauge_well.core.fitted.steady import Drift, drift
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.typing import likely
from gauge_well.services import measured
from gauge_well.services.models_readings import (
    BandOut,
    BookOut,
    DriftOut,
    EditLine,
    ForetoldOut,
    LearnedOut,
    MendOut,
    NamedOut,
    ReadingsOut,
    RecipeOut,
    ShiftOut,
    UsefulOut,
    WhatOut,
)
from gauge_well.services.sizing import check
from gauge_well.services.starting import Facts, moment, told_by
from gauge_well.sheet import Resolved, Sheet
from gauge_well.sheet.readings import AIR, BookSaid, TakenSaid, homes_text
from gauge_well.units import show
from gauge_well.units.printing import Preference

OUTLIER = 0.35  # of a reading's weight on the model, under which it is named as one that stands apart
TOGETHER = 0.6  # of correlation, from which two factors are not told apart
KNOWN = 1.0  # singular value from which a combination is told by readings rather than by its prior
WHY = {
    "shut": "the thermostat is not open yet: it reads the thermostat",
    "out": "left out",
    "gone": "read before {what} was changed",
    "duty": "the duty it was read in is no more",
    "missing": "{what} of that moment is not stated",
    "value": "not read yet",
}
WANTS = {"engine_speed": "engine speed", "machine.top_speed": "the boat's top speed", "duties.speed": "speed"}


def readings_of(raw: Mapping[str, Any]) -> dict[str, Any]:
    """All that the page shows."""
    sheet, resolved = check(raw)
    said, case = sheet.readings, resolved.unmeasured
    homes = homes_of(case)
    readings: list[Reading] = []
    why: dict[str, str] = {}
    for taken in said.taken:
        found = _reading(case, taken, homes, said.air)
        if isinstance(found, Reading):
            readings.append(found)
        else:
            why[taken.id] = found
    known = Facts(sheet, resolved)
    lesson: Lesson | None = None
    missing: Sequence[str] = ()
    try:
        lesson = taught(sheet, resolved, readings)
    except MissingFact as error:
        missing = (error.field,)
    foretold = {f.reading.id: f for f in lesson.foretold} if lesson is not None else {}
    kept = {f.id: f for f in resolved.case.measured.factors} if resolved.case.measured is not None else {}
    counted = [f for f in foretold.values() if f.weight is not None]
    fresh = kept_of(case, lesson) if lesson is not None and counted else []
    out = ReadingsOut(
        air=said.air,
        begins=said.begins,
        tow=said.tow,
        whats=[WhatOut(id=id, label=label, half=HALVES[id]) for id, label in WHATS.items()],
        duties=[NamedOut(id=id, label=duty.name or id) for id, duty in case.duties],
        taken=[_taken(t, foretold.get(t.id), why.get(t.id, ""), sheet, resolved) for t in said.taken],
        counted=len(counted),
        factors=[] if lesson is None else _factors(lesson, kept),
        known=0 if lesson is None else int(np.sum(lesson.fitted.singular > KNOWN)),
        together=[] if lesson is None else _together(lesson),
        effective=0.0 if lesson is None else lesson.effective,
        of=EFFECTIVE_OF,
        residual_before=0.0 if lesson is None else lesson.residual_before,
        residual=0.0 if lesson is None else lesson.residual,
        shift=None if lesson is None else _shift(lesson, case),
        useful=[] if lesson is None else [_useful(u, case, sheet.prefer) for u in lesson.useful],
        drift=_drifts(said.taken, foretold),
        applied=said.applied is not None and bool(said.factors),
        applied_at=moment(said.applied),
        gone=[measured.GONE.get(id, id) for id in resolved.gone],
        keep=[] if tuple(fresh) == said.factors and said.applied is not None else _keep(sheet, fresh),
        homes=homes_text(homes),
        missing=known.of(missing),
        book=_book(said.book),
        mends=[
            MendOut(id=m.id, text=m.text, system=m.system, gains=m.gains, done=m.done and m.done.isoformat())
            for m in said.mends
        ],
        recipes=[RecipeOut(**vars(r)) for r in said.recipes],
        drives=[
            NamedOut(id=d.id, label=d.label) for d in made.SHIPPED.values() if d.afloat == (case.machine.kind == "boat")
        ],
        faults=[NamedOut(id=id, label=f.label) for id, f in FAULTS.items() if f.concerns(case)],
    )
    return out.model_dump()


def taught(sheet: Sheet, resolved: Resolved, readings: Sequence[Reading]) -> Lesson:
    """The lesson of some readings, kept by the sheet's facts and by them; MissingFact where nothing can be foretold."""
    facts = json.dumps([[r.id, r.what, r.value, r.half, r.rises, r.coolant_rises, repr(r.doing)] for r in readings])
    key = ("lesson", told_by(sheet), facts)
    return MEMORY.recall(key, partial(learn, resolved.unmeasured, readings), EFFECTIVE_OF)


def _reading(case: BuildCase, said: TakenSaid, homes: Mapping[str, str], air: float | None) -> Reading | str:
    """A reading as the core takes it, or why it is not one."""
    if said.value is None or said.what not in WHATS:
        return WHY["value"]
    if said.left_out:
        return WHY["out"]
    gone = [measured.GONE.get(id, id) for id, home in said.homes.items() if id in homes and homes[id] != home]
    if gone:
        return WHY["gone"].format(what=" and ".join(gone))
    ambient = said.air if said.air is not None else AIR if air is None else air
    if said.duty:
        duty = dict(case.duties).get(said.duty)
        if duty is None:
            return WHY["duty"]
        return Reading(said.id, said.what, said.value, said.half, lasting(duty, ambient))
    told = Doing(
        ambient=ambient, altitude=said.altitude, speed=said.speed, grade=said.grade, engine_speed=said.engine_speed,
        power=said.power, tow=said.tow, sea=said.sea,
    )  # fmt: skip
    try:
        doing = duty_of(case, told)
    except MissingFact as error:
        return WHY["missing"].format(what=WANTS.get(error.field, error.field.rpartition(".")[2].replace("_", " ")))
    return Reading(said.id, said.what, said.value, said.half, doing, said.rises, said.coolant_rises)


def _band(band: tuple[float, float, float]) -> BandOut:
    return BandOut(likely=band[0], low=band[1], high=band[2])


def _taken(said: TakenSaid, found: Foretold | None, why: str, sheet: Sheet, resolved: Resolved) -> ForetoldOut:
    stated = said.air is not None or sheet.readings.air is not None
    rests = "" if stated else f"air taken as {show(AIR, 'temperature', sheet.prefer)}"
    return ForetoldOut(
        id=said.id,
        what=said.what,
        label=WHATS.get(said.what, said.what),
        text=said.text,
        value=said.value,
        half=said.half,
        at=moment(said.at),
        doing=doing_of(said, resolved.unmeasured, sheet),
        before=None if found is None else _band(found.before),
        after=None if found is None else _band(found.after),
        weight=None if found is None else found.weight,
        outlier=found is not None and found.weight is not None and found.weight < OUTLIER,
        why=why or (WHY.get(found.why, "") if found is not None else ""),
        rests=rests,
        left_out=said.left_out,
        recording=said.recording,
    )


def doing_of(said: TakenSaid, case: BuildCase, sheet: Sheet) -> str:
    """What the machine did, in words."""
    prefer = sheet.prefer
    air = said.air if said.air is not None else sheet.readings.air
    parts = []
    if said.duty:
        parts.append(next((duty.name or id for id, duty in case.duties if id == said.duty), said.duty))
    if said.speed:
        parts.append(show(said.speed, "speed", prefer))
    if said.grade:
        parts.append(f"{show(said.grade, 'grade', prefer)} grade")
    if said.engine_speed is not None:
        parts.append(show(said.engine_speed, "speed_rpm", prefer))
    if said.power is not None:
        parts.append(show(said.power, "power", prefer))
    if said.tow:
        parts.append("trailer on")
    if not parts:
        parts.append("standing, idling")
    if said.rises:
        way = "rising" if said.rises > 0.0 else "falling"
        parts.append(f"{way} {show(60.0 * abs(said.rises), 'temperature_difference', prefer)} a minute")
    if air is not None:
        parts.append(f"{show(air, 'temperature', prefer)} outside")
    return ", ".join(parts)


def _factors(lesson: Lesson, kept: Mapping[str, Any]) -> list[LearnedOut]:
    fitted = lesson.fitted
    return [
        LearnedOut(
            id=f.id,
            label=f.label,
            value=float(fitted.mean[k]),
            sd=float(fitted.sd[k]),
            half=f.half,
            learned=float(fitted.learned[k]),
            applied=float(np.exp(kept[f.id].mode)) if f.id in kept else None,
        )
        for k, f in enumerate(lesson.factors)
    ]


def _together(lesson: Lesson) -> list[list[str]]:
    """Pairs of factors of which readings tell only what they come to together."""
    c = lesson.fitted.covariance
    spread = np.sqrt(np.diag(c))
    found = []
    for i, one in enumerate(lesson.factors):
        for j in range(i + 1, len(lesson.factors)):
            if abs(c[i, j]) > TOGETHER * spread[i] * spread[j]:
                found.append([one.label, lesson.factors[j].label])
    return found


def _shift(lesson: Lesson, case: BuildCase) -> ShiftOut | None:
    shift = lesson.shift
    if shift is None:
        return None
    names = {id: duty.name or id for id, duty in case.duties}
    return ShiftOut(
        system=shift.limit.system,
        check=shift.limit.check,
        name=shift.limit.of.name,
        duty=names.get(shift.limit.duty, ""),
        before=_band(shift.before),
        after=_band(shift.after),
        holds_before=shift.holds_before,
        holds_after=shift.holds_after,
    )


def _useful(useful: Useful, case: BuildCase, prefer: Preference) -> UsefulOut:
    names = {id: duty.name or id for id, duty in case.duties}
    doing = useful.doing
    if useful.duty:
        told = f"in “{names[useful.duty]}”"
    elif doing.kind == "road" and doing.speed is not None and doing.grade is not None:
        speed, grade = show(likely(doing.speed), "speed", prefer), show(likely(doing.grade), "grade", prefer)
        told = f"climbing slowly, {speed} on {grade}"
    else:
        told = "standing, idling"
    fall = f"{useful.falls:.0%}".replace("%", "\u00a0%")
    sentence = f"{WHATS[useful.what]}, {told}: {fall} of that doubt goes."
    return UsefulOut(what=useful.what, duty=useful.duty, sentence=sentence, falls=useful.falls)


def _drifts(taken: Sequence[TakenSaid], foretold: Mapping[str, Foretold]) -> list[DriftOut]:
    found = []
    for what, label in WHATS.items():
        own = [
            (t, foretold[t.id]) for t in taken
            if t.what == what and t.at is not None and t.id in foretold and foretold[t.id].weight is not None
        ]  # fmt: skip
        line: Drift | None = drift(
            [t.at.timestamp() for t, _ in own if t.at is not None],
            [f.reading.value - f.before[0] for _, f in own],
            [f.reading.half for _, f in own],
        )
        if line is not None:
            found.append(DriftOut(what=what, label=label, slope=line.slope, sd=line.sd, told=line.told))
    return found


def _keep(sheet: Sheet, fresh: Sequence[Any]) -> list[EditLine]:
    """Edits that put the fitted factors in the place of those that were kept."""
    if not fresh:
        return []
    lines = [EditLine(path=f"readings.factors.{k.id}", text=None, action="remove") for k in sheet.readings.factors]
    for k in fresh:
        path = f"readings.factors.{k.id}"
        lines.append(EditLine(path=f"{path}.mode", text=repr(k.mode)))
        lines.append(EditLine(path=f"{path}.row", text=" ".join(repr(v) for v in k.row)))
        lines.append(EditLine(path=f"{path}.home", text=k.home))
    now = datetime.now(UTC).isoformat(timespec="seconds").replace("+00:00", "Z")
    lines.append(EditLine(path="readings.applied", text=now))
    return lines


def _book(lines: Sequence[BookSaid]) -> list[BookOut]:
    """The logbook in the order of its days; what was burned since the last filling by either counter."""
    found = []
    last: BookSaid | None = None
    for line in sorted(
        lines, key=lambda b: (b.at.isoformat() if b.at is not None else "", b.distance or b.hours or 0.0)
    ):
        per_distance = per_hour = None
        if line.fuel is not None:
            if last is not None:
                per_distance = _over(line.fuel, line.distance, last.distance)
                per_hour = _over(line.fuel, line.hours, last.hours)
            last = line
        found.append(
            BookOut(
                id=line.id, kind=line.kind, at=line.at and line.at.isoformat(), distance=line.distance, hours=line.hours,
                fuel=line.fuel, hottest=line.hottest, per_distance=per_distance, per_hour=per_hour, text=line.text,
            )
        )  # fmt: skip
    return found


def _over(fuel: float, now: float | None, before: float | None) -> float | None:
    return fuel / (now - before) if now is not None and before is not None and now > before else None
