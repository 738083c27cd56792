"""A first start of a build: holds, steps, what each gauge should read, what to type into a controller."""

from __future__ import annotations

import csv
import io
import json
from collections.abc import Mapping, Sequence
from datetime import UTC, datetime
from functools import partial
from hashlib import blake2b
from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.start import filling, holds, setting, steps, thresholds
from gauge_well.core.start.expected import KIND, Expected, expected
from gauge_well.core.start.faults.cause import Foretold
from gauge_well.core.start.faults.cooling import COOLING
from gauge_well.core.start.faults.group import Group
from gauge_well.core.start.faults.symptoms import GROUPS, SYMPTOMS, Step, Symptom
from gauge_well.core.start.holds import GASES, Hold
from gauge_well.core.start.setting import PLACES, Setting
from gauge_well.core.typing import likely
from gauge_well.services.explore import label_of
from gauge_well.services.looked import value_of
from gauge_well.services.models_start import (
    AirlockOut,
    CauseOut,
    ExpectedOut,
    HoldOut,
    OrderedOut,
    PlaceOut,
    PointOut,
    PourOut,
    StartOut,
    StartStepOut,
    SymptomOut,
    TakenOut,
    ThresholdOut,
    UnstatedOut,
)
from gauge_well.services.render import sentence
from gauge_well.services.sizing import check
from gauge_well.sheet import Problem, Resolved, Sheet, SheetError
from gauge_well.sheet.sections import spec_of
from gauge_well.sheet.start import HoldSaid, ReadingSaid
from gauge_well.units import KINDS, show
from gauge_well.units.printing import Preference, convert, unit_for
from gauge_well.units.printing import number as digits


def where_of(sheet: Sheet) -> Setting:
    """Where it is started and in what air: as stated, else in the machine on a day of 15 degC."""
    said = sheet.start
    return Setting(said.place or "machine", setting.AIR if said.air is None else said.air)


def moment(value: datetime | None) -> str | None:
    """A moment as the page reads it."""
    return None if value is None else value.isoformat(timespec="milliseconds").replace("+00:00", "Z")


def start_of(raw: Mapping[str, Any]) -> dict[str, Any]:
    """All that the page shows."""
    sheet, resolved = check(raw)
    case, where = resolved.case, where_of(sheet)
    known = Facts(sheet, resolved)
    found = holds.holds(case, where)
    standing = [_hold(sheet, hold, where) for hold in found]
    lacks: list[UnstatedOut] = []
    try:
        readings: Sequence[Expected] = expectations(sheet, case)
        way: Sequence[steps.Step] = steps.steps(case, where)
        alarms: Sequence[thresholds.Threshold] = thresholds.thresholds(case, where)
    except MissingFact as error:
        readings, way, alarms = (), (), ()
        lacks = known.of((error.field,))
    poured = filling.filling(case, where, lambda: field_of(sheet, case, COOLING, where))
    run_in = thresholds.run_in(case) if not lacks else thresholds.RunIn((), ())
    prefer = sheet.prefer
    out = StartOut(
        now=moment(datetime.now(UTC)) or "",
        place=where.place,
        place_stated=bool(sheet.start.place),
        places=[PlaceOut(id=id, label=label) for id, label in PLACES.items()],
        air=where.air,
        air_stated=sheet.start.air is not None,
        holds=standing,
        steps=[_step(step, known, prefer) for step in way],
        expected=[_expected(e, known, prefer) for e in readings],
        taken=[_taken(sheet, reading) for reading in sheet.start.readings],
        missing=lacks,
        symptom=sheet.start.symptom,
        symptoms=[symptom_out(s, case, sheet) for s in SYMPTOMS if concerns(s, case)],
        filling=[PourOut(id=p.id, label=p.label, do=sentence(p.do, prefer)) for p in poured.steps],
        airlock=None if poured.airlock is None else AirlockOut(**vars(poured.airlock)),
        airlock_missing=known.of(poured.missing),
        thresholds=[ThresholdOut(**vars(t)) for t in alarms],
        run_in=[PourOut(id=p.id, label=p.label, do=sentence(p.do, prefer)) for p in run_in.stretches],
        again=[PourOut(id=p.id, label=p.label, do=sentence(p.do, prefer)) for p in run_in.again],
        causes=[
            CauseOut(group=g.id, title=g.title, id=c.id, label=c.label, whole=c.whole)
            for g in GROUPS.values()
            if g.id != "wet" or (case.machine.kind == "boat" and case.machine.exhaust == "wet")
            for c in g.causes(case)
            if c.id != "sound"
        ],
    )
    return out.model_dump()


# Blocks of a sheet that say nothing of the machine itself.
BESIDE = ("work", "start", "notes", "name", "prices", "readings")


def told_by(sheet: Sheet) -> bytes:
    """The facts of a sheet as a key: what was worked of the very same is taken from memory."""
    facts = {name: block for name, block in sheet.document.items() if name not in BESIDE}
    if sheet.readings.applied is not None:
        facts["measured"] = sheet.document["readings"].get("factors")
    return blake2b(json.dumps(facts, sort_keys=True).encode(), digest_size=16).digest()


def expectations(sheet: Sheet, case: BuildCase) -> Sequence[Expected]:
    """What each gauge should read, kept by the sheet's facts."""
    where = where_of(sheet)
    key = ("start expected", told_by(sheet), where)
    return MEMORY.recall(key, partial(expected, case, where), setting.DRAWS)


WEIGHS = 100  # of a group's foretelling in memory, beside a report's draws


def field_of(sheet: Sheet, case: BuildCase, group: Group, where: Setting) -> Foretold:
    """A group foretold on a build, kept by the sheet's facts; MissingFact names what it lacks."""
    return MEMORY.recall(
        ("foretold", group.id, told_by(sheet), where), partial(group.foretell, case, where.air), WEIGHS
    )


class Facts:
    """What a sheet calls its facts, and what rules take for those nobody stated."""

    def __init__(self, sheet: Sheet, resolved: Resolved) -> None:
        self.sheet = sheet
        self.rules = resolved.rules

    def of(self, paths: Sequence[str]) -> list[UnstatedOut]:
        """Facts by their paths; a list that is empty is called by its path's last word."""
        return [UnstatedOut(path=path, label=self.label(path), shown=self._shown(path)) for path in paths]

    def label(self, path: str) -> str:
        """What a fact is called."""
        spec = spec_of(path)
        return path.rpartition(".")[2].replace("_", " ") if spec is None else label_of(path, spec, self.sheet)

    def _shown(self, path: str) -> str:
        spec, rule = spec_of(path), self.rules.get(path)
        if spec is None or rule is None or rule.value is None:
            return ""
        if spec.kind == "choice":
            return str((spec.choices or {}).get(rule.value, rule.value))
        return show(likely(rule.value), spec.kind, self.sheet.prefer)


def _hold(sheet: Sheet, hold: Hold, where: Setting) -> HoldOut:
    own = f"{where.place}_{hold.id}"
    said = next((h for h in sheet.start.holds if h.id == own), None) or HoldSaid(own, "", None, "", None, "")
    label = hold.label
    value = value_of(f"start.holds.{own}.value", label, said.text, hold.kind, sheet.prefer) if hold.kind else None
    wrong = value is not None and holds.comes_to(hold, value) is False
    task = sheet.work.said.tasks.get(hold.task) if hold.task else None
    by_order = task is not None and task.done is not None
    return HoldOut(
        id=hold.id,
        label=label,
        proof=sentence(hold.proof, sheet.prefer),
        task=hold.task,
        kind=hold.kind,
        target=hold.target,
        least=hold.least,
        most=hold.most,
        waits=hold.waits,
        caution=hold.caution,
        proved=(bool(said.signed) or by_order) and not wrong,
        by_order=by_order and not said.signed,
        signed=said.signed or (task.signed if task is not None and by_order else ""),
        at=moment(said.at),
        began=moment(said.began),
        value=said.text,
        wrong=wrong,
    )


def _step(step: steps.Step, known: Facts, prefer: Preference) -> StartStepOut:
    return StartStepOut(
        id=step.id,
        label=step.label,
        do=sentence(step.do, prefer),
        least=step.least,
        most=step.most,
        rest=step.rest,
        tries=step.tries,
        runs=step.runs,
        shouts=list(step.shouts),
        look=list(step.look),
        caution=step.caution,
        missing=known.of(step.missing),
        rests=known.of(step.rests),
    )


def _expected(e: Expected, known: Facts, prefer: Preference) -> ExpectedOut:
    over = next((p.at for p in e.curve if e.most is not None and p.value > e.most), None)
    return ExpectedOut(
        id=e.id,
        label=e.label,
        kind=e.kind,
        steps=list(e.steps),
        how=sentence(e.how, prefer),
        likely=e.likely,
        low=e.low,
        high=e.high,
        least=e.least,
        most=e.most,
        after=e.after,
        curve=[PointOut(**vars(p)) for p in e.curve],
        by_oil=[PointOut(**vars(p)) for p in e.by_oil],
        missing=known.of(e.missing),
        rests=known.of(e.rests),
        stops_after=over,
    )


def _taken(sheet: Sheet, said: ReadingSaid) -> TakenOut:
    kind = KIND.get(said.what, "")
    path = f"start.readings.{said.id}.value"
    value = value_of(path, said.what, said.text, kind, sheet.prefer) if kind else None
    return TakenOut(id=said.id, value=value)


def concerns(symptom: Symptom, case: BuildCase) -> bool:
    """Whether such a build can show it."""
    diesel, boat = case.engine.fuel == "diesel", case.machine.kind == "boat"
    found = {
        "": True,
        "diesel": diesel,
        "petrol": not diesel,
        "pumped": not diesel and case.engine.fuel not in GASES,
        "ashore": not boat,
        "wet": boat and case.machine.exhaust == "wet",
    }
    return found[symptom.only]


def symptom_out(symptom: Symptom, case: BuildCase, sheet: Sheet) -> SymptomOut:
    """A symptom with its ordered checks."""
    return SymptomOut(
        id=symptom.id,
        label=symptom.label,
        at_once=symptom.at_once,
        group=symptom.group,
        worked=bool(symptom.group),
        steps=ordered(symptom.steps, case, sheet),
    )


UNKNOWN = "not known of this build yet"


def ordered(found: Sequence[Step], case: BuildCase, sheet: Sheet) -> list[OrderedOut]:
    """Ordered checks, with what the build's own model says put in."""
    figures = _figures(case, sheet) if any(s.figure for s in found) else {}
    texts = {name: figures.get(name, UNKNOWN) for name in ("rail", "crank", "vacuum")}
    return [OrderedOut(do=s.do, reads=s.reads.format(**texts), otherwise=s.else_.format(**texts)) for s in found]


def _figures(case: BuildCase, sheet: Sheet) -> dict[str, str]:
    """Readings of this build that ordered checks name, as printed."""
    prefer = sheet.prefer
    try:
        by_id = {e.id: e for e in expectations(sheet, case)}
    except MissingFact:
        return {}
    found = {}
    for name, id in (("rail", "rail"), ("vacuum", "vacuum")):
        e = by_id.get(id)
        if e is not None and e.low is not None and e.high is not None:
            found[name] = f"{_bare(e.low, e.kind, prefer)} to {show(e.high, e.kind, prefer)}"
    needs = case.systems["electrics"].needs_speed
    found["crank"] = show(float(needs), "speed_rpm", prefer)
    return found


def _bare(value: float, kind: str, prefer: Preference) -> str:
    return digits(convert(value, kind, unit_for(kind, prefer)), KINDS[kind])


def thresholds_csv(raw: Mapping[str, Any]) -> str:
    """Alarms and cuts as CSV, in the build's units, ready to be typed into a controller.

    Raises
    ------
    SheetError
        Names the fact without which there are none.
    """
    sheet, resolved = check(raw)
    try:
        alarms = thresholds.thresholds(resolved.case, where_of(sheet))
    except MissingFact as error:
        label = Facts(sheet, resolved).label(error.field)
        message = f"{label} is not stated: no alarm can be worked."
        raise SheetError([Problem(error.field, label, "", "", message)]) from error
    prefer = sheet.prefer
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["quantity", "unit", "side", "above rpm", "alarm", "cut", "delay s", "why"])
    for t in alarms:
        unit = unit_for(t.kind, prefer)
        cut = "" if t.cut is None else _bare(t.cut, t.kind, prefer)
        above = f"{t.above_speed:.0f}" if t.above_speed else ""
        side = "under" if t.under else "over"
        alarm = _bare(t.alarm, t.kind, prefer)
        writer.writerow([t.label, unit.symbol, side, above, alarm, cut, f"{t.delay:g}", t.why])
    return out.getvalue()
