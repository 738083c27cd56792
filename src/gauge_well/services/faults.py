"""What may be wrong: causes ranked by the model run again with each, the next check by what it tells."""

from __future__ import annotations

import secrets
from collections.abc import Iterator, Mapping, Sequence
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.start import engine
from gauge_well.core.start.faults import infer
from gauge_well.core.start.faults.cause import Foretold
from gauge_well.core.start.faults.infer import Answer, Belief, Worth
from gauge_well.core.start.faults.symptoms import GROUPS, Symptom, symptom
from gauge_well.services.looked import looked
from gauge_well.services.models_start import (
    BeliefOut,
    FaultsOut,
    ForeseenOut,
    LookOut,
    NextOut,
    StartEvent,
)
from gauge_well.services.sizing import check, refused
from gauge_well.services.starting import Facts, field_of, ordered, where_of
from gauge_well.sheet import Sheet
from gauge_well.units.printing import exact

SHOWN = 4  # causes of which a check says what each would show
LITTLE = 0.1  # bits under which no check that is left is worth waiting for, before load is asked for
WITHIN = 1.645  # standard deviations of a band of nine in ten


def faults_of(raw: Mapping[str, Any]) -> dict[str, Any]:
    """Causes of the symptom that a sheet says, after what was looked at."""
    sheet, resolved = check(raw)
    case = resolved.case
    noticed = symptom(sheet.start.symptom or "no_crank")
    base = FaultsOut(
        symptom=noticed.id,
        group=noticed.group,
        worked=False,
        missing=[],
        answer="",
        says="",
        under="",
        open=0.0,
        causes=[],
        load=[],
        load_duty="",
        next=[],
        done=[],
        ordered=ordered(noticed.steps, case, sheet),
    )
    if not noticed.group:
        return base.model_dump()
    group = GROUPS[noticed.group]
    try:
        field = field_of(sheet, case, group, where_of(sheet))
    except MissingFact as error:
        base.missing = Facts(sheet, resolved).of((error.field,))
        return base.model_dump()
    except CoreError as error:
        raise refused(error, sheet) from error
    _believed(base, sheet, field, noticed)
    return base.model_dump()


def _believed(out: FaultsOut, sheet: Sheet, field: Foretold, noticed: Symptom) -> None:
    readings = readings_of(sheet, field, noticed.group)
    belief = infer.believe(field, readings)
    answer = infer.answer(field, belief, noticed.open_to)
    left = infer.next_checks(field, readings, belief, noticed.open_to)
    first = noticed.check if noticed.check not in readings else ""
    # What was noticed is read first; then what tells most.
    left = sorted(left, key=lambda w: field.checks[w.check].id != first)
    out.worked = True
    out.answer = "" if not readings else answer.kind  # type: ignore[assignment]
    out.open = float(2.0 ** infer.entropy(belief.cause))
    out.causes = [_cause(field, belief, at) for at in belief.ranked()]
    out.load_duty = _load_duty(field, noticed)
    tells = max((w.bits for w in left), default=0.0)
    # While something that is left tells much, load is not asked for.
    asks = bool(readings) and (answer.kind == "sound" or tells < LITTLE)
    out.load = [field.causes[at].label for at in answer.load] if asks else []
    out.says, out.under = _said(field, belief, answer, out, bool(readings))
    shown = [at for at in belief.ranked() if belief.cause[at] > 0.02][:SHOWN]
    out.next = [_next(field, readings, belief, worth, shown) for worth in left]
    out.done = [
        LookOut(
            id=check.id,
            label=check.label,
            text=str(readings[check.id]) if check.outcomes else _typed(sheet, noticed.group, check.id),
        )
        for check in field.checks
        if check.id in readings
    ]


def _typed(sheet: Sheet, group: str, id: str) -> str:
    return next((look.text for look in sheet.start.looks if (look.group, look.check) == (group, id)), "")


def readings_of(sheet: Sheet, field: Foretold, group: str) -> dict[str, float | str]:
    """What was read and seen of a group's checks; SheetError names the field of one that cannot be."""
    found: dict[str, float | str] = {}
    by_id = {check.id: check for check in field.checks}
    for look in sheet.start.looks:
        check = by_id.get(look.check)
        if look.group == group and check is not None and look.text.strip():
            found[check.id] = looked(sheet, look, check)
    return found


def _cause(field: Foretold, belief: Belief, at: int) -> BeliefOut:
    cause = field.causes[at]
    return BeliefOut(id=cause.id, label=cause.label, mend=cause.mend, chance=float(belief.cause[at]))


def _load_duty(field: Foretold, noticed: Symptom) -> str:
    """The duty whose reading would show what standing still does not."""
    loaded = [c for c in field.checks if c.when.loaded and c.when.value not in noticed.open_to]
    return loaded[-1].label.partition(": ")[2] if loaded else ""


def _said(field: Foretold, belief: Belief, answer: Answer, out: FaultsOut, read: bool) -> tuple[str, str]:
    first = field.causes[answer.first]
    if not read:
        return "Look at one thing first.", "Each thing that is looked at leaves fewer causes."
    if answer.kind == "strange":
        return (
            "None of these explains it.",
            "Every cause lies three times its doubt from something that was read: read it again, or it is something else.",
        )
    needs = ""
    if out.load:
        many = "one cause" if len(out.load) == 1 else f"{len(out.load)} causes"
        needs = f" Needs load: {many} cannot be seen like this" + (
            f"; {out.load_duty} shows." if out.load_duty else "."
        )
    if answer.kind == "sound":
        return "Nothing is wrong that this shows.", f"In {_of_hundred(belief.cause[answer.first])}.{needs}"
    if answer.kind == "found":
        return f"{first.label}.", f"In {_of_hundred(belief.cause[answer.first])}. {first.mend}"
    after = belief.ranked()[1]
    second = field.causes[after].label
    one, two = (round(100.0 * float(belief.cause[at])) for at in (answer.first, after))
    return f"{first.label}, or {second[:1].lower()}{second[1:]}.", f"{one} and {two} of 100 such cases.{needs}"


def _of_hundred(chance: float) -> str:
    return f"{round(100.0 * float(chance))} of 100 such cases"


def _next(field: Foretold, readings: infer.Readings, belief: Belief, worth: Worth, shown: Sequence[int]) -> NextOut:
    check = field.checks[worth.check]
    return NextOut(
        id=check.id,
        label=check.label,
        how=check.how,
        minutes=check.minutes,
        when=check.when.value,
        effort=check.effort.value,
        danger=check.danger,
        kind=check.kind,
        outcomes=list(check.outcomes),
        leaves=float(worth.leaves),
        tells=float(worth.bits),
        foreseen=[_foreseen(field, readings, belief, worth.check, at) for at in shown],
    )


def _foreseen(field: Foretold, readings: infer.Readings, belief: Belief, check: int, at: int) -> ForeseenOut:
    """What a check would show if one cause were it, at the sizes that are likely after what was read."""
    cause = field.causes[at]
    rows = np.flatnonzero(field.cause == at)
    weight = belief.variant[rows] / max(float(belief.variant[rows].sum()), 1e-300)
    if field.checks[check].outcomes:
        seen = weight @ field.chance[rows, check, : len(field.checks[check].outcomes)]
        return ForeseenOut(
            cause=cause.id, label=cause.label, value=None, low=None, high=None, outcomes=[float(v) for v in seen]
        )
    middle, scale = infer.predicted(field, readings, check)
    value = float(weight @ middle[rows])
    spread = float(np.sqrt(weight @ (scale[rows] ** 2 + (middle[rows] - value) ** 2)))
    return ForeseenOut(
        cause=cause.id,
        label=cause.label,
        value=value,
        low=value - WITHIN * spread,
        high=value + WITHIN * spread,
        outcomes=[],
    )


def play(raw: Mapping[str, Any], group: str, cause: str, size: float, seed: int | None) -> Iterator[dict[str, Any]]:
    """Events of the simulated engine: ``engine`` with what its checks would find, then a ``row`` for every two seconds.

    SheetError names a fault there is none of, or what is not known of the engine.
    """
    sheet, resolved = check(raw)
    case, where = resolved.case, where_of(sheet)
    own = secrets.randbelow(10_000) if seed is None else seed
    try:
        fault = engine.fault_of(case, group, cause, size)
        looks = engine.looks(case, where, fault, own)
        kinds = {f"{g.id}.{c.id}": c.kind for g in GROUPS.values() for c in g.checks(case)}
        texts = {
            id.replace(".", "__"): value if isinstance(value, str) else exact(_round(value), kinds[id], sheet.prefer)
            for id, value in looks.items()
        }
        # All rows first: what the engine lacks must be said before anything is sent.
        rows = list(engine.played(case, where, fault, own))
        yield StartEvent(event="engine", time=0.0, shows={}, looks=texts).model_dump()
        for row in rows:
            yield StartEvent(event="row", time=row.time, shows=dict(row.shows), looks={}).model_dump()
    except MissingFact as error:
        raise refused(
            CoreError("missing", error.field, None, "a value", "The simulated engine needs it."), sheet
        ) from error
    except CoreError as error:
        raise refused(error, sheet) from error


def _round(value: float) -> float:
    """As a gauge is read: three digits."""
    return float(f"{value:.3g}") if abs(value) < 1000.0 else float(f"{value:.4g}")
