"""What would move a build, what to measure next, how sure it is: worked bit by bit and given out as it comes."""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.evidence import TAPED
from gauge_well.core.facts import PLACES, Spec
from gauge_well.core.run import bands, measure, remedy, runs, sizing, solve
from gauge_well.core.run.blocks import GOVERNING
from gauge_well.core.run.sampling import SAMPLES, SAMPLES_LIVE, draw
from gauge_well.core.run.sizing import Outline, outline
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Candidate
from gauge_well.core.ways import way_of
from gauge_well.services import render
from gauge_well.services.changing import changed, changed_case, edits_of, kept_price, offered, swaps
from gauge_well.services.sizing import check, facts_of, report_of
from gauge_well.sheet import Problem, Resolved, Sheet, SheetError, load, resolve
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.reading import price_of
from gauge_well.sheet.sections import spec_of
from gauge_well.units import show, unit_for
from gauge_well.units.printing import convert

PARTS = ("bands", "changes", "measure")
SINGLES_KEPT, MEASURED_KEPT = 60, 24
MEASURED = 512  # draws by which facts are ranked: a chance of a tenth then stands to 1.3 in a hundred
DRAWN = 16  # best changes whose chance to hold is worked
Event = dict[str, Any]


def sure_report(raw: Mapping[str, Any], explain: str = GOVERNING, samples: int = SAMPLES) -> dict[str, Any]:
    """Report of a raw document with bands."""
    sheet, resolved = check(raw)
    return _banded(sheet, resolved, explain, samples)


def _banded(sheet: Sheet, resolved: Resolved, explain: str, samples: int) -> dict[str, Any]:
    report = report_of(sheet, resolved, explain)
    found = bands.sure(resolved.case, samples)
    return bands.merged(report, found) if found is not None else report


def explore(
    raw: Mapping[str, Any], parts: tuple[str, ...] = PARTS, samples: int = SAMPLES, explain: str = GOVERNING
) -> Iterator[Event]:
    """Work what was asked, an event at a time; stop taking events and the rest is not worked.

    Events: ``report`` with its bands; ``progress`` (what, done, of); ``changes`` (single ones, best first,
    then with the pairs); ``measure``; ``done``.
    """
    sheet, resolved = check(raw)
    if "bands" in parts:
        yield {"event": "report", "report": _banded(sheet, resolved, explain, samples)}
    try:
        if "changes" in parts:
            yield from _changes(sheet, resolved)
        if "measure" in parts:
            yield from _measure(sheet, resolved)
    except MissingFact as error:
        yield {"event": "unknown", "missing": [error.field]}
    yield {"event": "done"}


def whole_report(raw: Mapping[str, Any], explain: str = GOVERNING, samples: int = SAMPLES) -> dict[str, Any]:
    """Report with everything in it: bands, changes by system, pairs, measure next and the model's own spread."""
    report: dict[str, Any] = {}
    for event in explore(raw, PARTS, samples, explain):
        if event["event"] == "report":
            report = event["report"]
        elif event["event"] == "changes":
            report["verdict"], report["three"] = event.get("verdict", ""), event.get("three")
            for id, block in report["systems"].items():
                block["remedies"] = [c for c in event["singles"] if c["system"] == id]
            report["pairs"] = event["pairs"] or []
        elif event["event"] == "measure":
            report |= {"measure_next": event["next"], "model_spread": event["model"]}
    return report


# Changes ----------------------------------------------------------------------------------------


@dataclass(frozen=True)
class Tried:
    """A change run: what was edited, and what came of it."""

    system: str
    candidates: tuple[Candidate, ...]
    edits: tuple[Edit, ...]
    weighed: remedy.Weighed


def _try(sheet: Sheet, before: Outline, system: str, candidates: tuple[Candidate, ...]) -> Tried | None:
    edits = tuple(edit for candidate in candidates for edit in edits_of(candidate, sheet))
    try:
        after = changed(sheet, edits)
    except (SheetError, CoreError):
        # A step that the sheet itself refuses (wider than the field allows) is no change to offer.
        return None
    meant = [(_system_of(c), c.part) for c in candidates]
    return Tried(system, candidates, edits, remedy.weigh(before, after, meant, any(c.school for c in candidates)))


def _system_of(candidate: Candidate) -> str:
    """The system a change belongs to, by the first path it sets in one, else as it says."""
    return next((p.split(".")[0] for p in candidate.changes if p.split(".")[0] in SYSTEMS), candidate.of)


def _changes(sheet: Sheet, resolved: Resolved) -> Iterator[Event]:
    before = outline(resolved.case)
    found = [*remedy.candidates(before.context, resolved.case), *swaps(sheet, resolved.case)]
    tried: list[Tried] = []
    for done, (system, candidate) in enumerate(found, 1):
        one = _try(sheet, before, system, (candidate,))
        if one is not None and one.weighed.moves:
            tried.append(one)
        if done % 8 == 0 or done == len(found):
            yield {"event": "progress", "what": "changes", "done": done, "of": len(found)}
    tried.sort(key=lambda t: t.weighed.rank)
    yield {"event": "changes", "singles": [_out(t, sheet) for t in tried[:SINGLES_KEPT]], "pairs": None}
    short = any(c.short for c in before.checks.values())
    picked = list(remedy.pairs([(n, t.candidates[0], t.weighed) for n, t in enumerate(tried)]))
    pairs: list[Tried] = []
    for done, (a, b) in enumerate(picked, 1):
        both = _try(sheet, before, tried[a].system, (*tried[a].candidates, *tried[b].candidates))
        if both is not None and not both.weighed.rejected and _better(both, tried[a], tried[b]):
            pairs.append(both)
        yield {"event": "progress", "what": "pairs", "done": done, "of": len(picked)}
    three = _three(sheet, before, tried, pairs) if short else None
    best = [t for t in tried if t.weighed.matters and not t.weighed.rejected][:DRAWN]
    drawn: dict[int, Tried] = {}
    for done, one in enumerate([*best, *pairs], 1):
        sure = bands.chance(changed_case(sheet, one.edits), SAMPLES_LIVE)
        drawn[id(one)] = replace(one, weighed=replace(one.weighed, sure=sure))
        if done % 4 == 0 or done == len(best) + len(pairs):
            yield {"event": "progress", "what": "sure", "done": done, "of": len(best) + len(pairs)}
    tried, pairs = (
        sorted((drawn.get(id(t), t) for t in group), key=lambda t: t.weighed.rank) for group in (tried, pairs)
    )
    yield {
        "event": "changes",
        "singles": [_out(t, sheet) for t in tried[:SINGLES_KEPT]],
        "pairs": [_out(t, sheet) for t in pairs],
        "three": None if three is None else _out(three, sheet),
        "verdict": _verdict(tried, pairs, three) if short else "",
        "sure": bands.chance(resolved.case, SAMPLES_LIVE),
    }


def _three(sheet: Sheet, before: Outline, tried: Sequence[Tried], pairs: Sequence[Tried]) -> Tried | None:
    """A set of three that mends a build which no single change and no pair mends; None where one does, or none does."""
    if any(t.weighed.mended for t in (*tried, *pairs)):
        return None
    for picked in remedy.triples([(n, t.candidates[0], t.weighed) for n, t in enumerate(tried)]):
        found = _try(sheet, before, tried[picked[0]].system, tuple(tried[n].candidates[0] for n in picked))
        if found is not None and found.weighed.mended:
            return found
    return None


def _verdict(tried: Sequence[Tried], pairs: Sequence[Tried], three: Tried | None) -> str:
    """Whether anything tried mends a build that is short."""
    if any(t.weighed.mended for t in tried):
        return ""
    if any(t.weighed.mended for t in pairs):
        return "No single change mends it; two together do."
    if three is not None:
        return "No single change and no pair mends it; these three together do."
    return "No single change, no pair and no set of three that was tried mends it."


def _better(both: Tried, a: Tried, b: Tried) -> bool:
    """Whether two together do more than the better of them alone."""
    more = both.weighed.buys > max(a.weighed.buys, b.weighed.buys) + remedy.NOTICED
    reach = (both.weighed.headroom or 0.0) - max(a.weighed.headroom or 0.0, b.weighed.headroom or 0.0)
    return more or reach > 1.0


def _out(tried: Tried, sheet: Sheet) -> dict[str, Any]:
    ids = [f"{_system_of(c)}.{c.id}" for c in tried.candidates]
    said = remedy.say(tried.weighed)
    prices = [
        sheet.document.get("prices", {}).get(id) or kept_price(c, sheet)
        for id, c in zip(ids, tried.candidates, strict=True)
    ]
    priced = [price_of(p) for p in prices if p]
    plain: dict[str, Any] = render.plain(said, sheet.prefer)
    return plain | {
        "id": "+".join(ids),
        "system": _system_of(tried.candidates[0]),
        "part": tried.candidates[0].part,
        "label": " and ".join(render.sentence(c.label, sheet.prefer) for c in tried.candidates),
        "price": " + ".join(p for p in prices if p) or None,
        "price_total": sum(priced) if len(priced) == len(ids) else None,
        "edits": [offered(e) for e in tried.edits],
    }


# Measure next -----------------------------------------------------------------------------------


def _measure(sheet: Sheet, resolved: Resolved) -> Iterator[Event]:
    case = resolved.case
    found: list[measure.Settles] = []
    for done, of, item in measure.settles(case, count=MEASURED):
        found.append(item)
        if done % 12 == 0 or done == of:
            yield {"event": "progress", "what": "measure", "done": done, "of": of}
    facts = facts_of(sheet, resolved)
    spread = measure.model_spread(case, SAMPLES_LIVE)
    ranked = measure.alone(case, measure.ranked(found, case.known)[:MEASURED_KEPT])
    yield {
        "event": "measure",
        "next": [_settles_out(item, sheet, facts) for item in ranked],
        "model": {
            "model": spread.model,
            "left": spread.left,
            "reach_low_w": spread.reach_low_w,
            "reach_high_w": spread.reach_high_w,
            "sentence": _model_sentence(spread, sheet),
        },
    }


def _model_sentence(spread: measure.ModelSpread, sheet: Sheet) -> str:
    left = show(spread.left, "fill", sheet.prefer)
    said = f"With all of that exact the verdict could still turn in {left} of cases: heat shares, fuel for power and the model's own factors."
    if spread.reach_low_w is not None and spread.reach_high_w is not None:
        low, high = (show(w, "power", sheet.prefer) for w in (spread.reach_low_w, spread.reach_high_w))
        said += f" Reach then lies between {low} and {high}."
    return said + " One logged climb or pull settles that, no tape does."


def _settles_out(item: measure.Settles, sheet: Sheet, facts: Mapping[str, Mapping[str, Any]]) -> dict[str, Any]:
    spec = spec_of(item.path)
    way = item.way
    if spec is None or way is None:
        raise KeyError(item.path)
    section = item.path.split(".")[0]
    title = SYSTEMS[item.system].title if item.system in SYSTEMS else "The engine"
    fact = facts[item.path]
    return {
        "path": item.path,
        "label": label_of(item.path, spec, sheet),
        "section": section,
        "shown": fact["shown"],
        "evidence": fact["evidence"],
        "chance": item.chance,
        "alone": item.alone or 0.0,
        "system": item.system,
        "sentence": render.sentence(measure.say(item, spec, title), sheet.prefer),
        "spread_w": item.reach_spread,
        "place": way.place,
        "how": way.how,
        "kind": spec.kind,
    }


def label_of(path: str, spec: Spec, sheet: Sheet) -> str:
    """A field's name as a round's list says it, with the duty or the field before it where it needs one."""
    parts = path.split(".")
    label = spec.label.strip()
    if parts[0] == "duties":
        name = dict(sheet.duties)[parts[1]].get("name")
        return f"{label}, {name.text if name else parts[1]}"
    before = spec_of(f"{path.rpartition('.')[0]}.{spec.follows}") if spec.follows else None
    return label if before is None else f"{before.label.strip()}: {label}"


def measuring_round(raw: Mapping[str, Any]) -> dict[str, Any]:
    """All that can still be measured on a build, grouped by where one stands.

    Facts that are missing (parts to be measured before anything can be judged) stand first in their place.
    What is taped already is left out.
    """
    sheet, resolved = check(raw)
    facts = facts_of(sheet, resolved)
    missing = _missing(sheet, resolved)
    doubtful = draw(resolved.case, 1).z
    places: dict[str, list[dict[str, Any]]] = {place: [] for place in PLACES}
    for path in dict.fromkeys([*missing, *doubtful]):
        spec, way, fact = spec_of(path), way_of(path), facts.get(path)
        if spec is None or way is None or spec.kind == "table" or (fact is not None and fact["evidence"] == TAPED):
            continue
        places[way.place].append(
            {
                "path": path,
                "label": label_of(path, spec, sheet),
                "section": path.split(".")[0],
                "kind": spec.kind,
                "shown": fact["shown"] if fact else "",
                "half": fact["half"] if fact else "",
                "evidence": fact["evidence"] if fact else "missing",
                "how": way.how,
            }
        )
    return {
        "places": [{"id": id, "title": title, "items": places[id]} for id, title in PLACES.items() if places[id]],
        "name": sheet.name,
    }


def _missing(sheet: Sheet, resolved: Resolved) -> list[str]:
    report = sizing.size(resolved.case, explain="none")
    paths = list(report.verdict.unknown)
    for block in report.systems.values():
        paths += [field for unknown in block.unknown for field in unknown.missing]
    return list(dict.fromkeys(paths))


# Solve for --------------------------------------------------------------------------------------


def solve_for(raw: Mapping[str, Any], path: str, sure: bool = True) -> dict[str, Any]:
    """Values of one fact at which the wanted power holds, with the words and the text to set each end."""
    sheet, resolved = check(raw)
    spec = spec_of(path)
    solvable = spec is not None and spec.kind not in ("choice", "text", "table") and path != "wanted"
    if spec is None or not solvable:
        raise SheetError(
            [
                Problem(
                    path[:60], "Solve for", path[:60], "a quantity of the sheet", "Only a quantity can be solved for."
                )
            ]
        )
    try:
        found = solve.solve_for(resolved.case, path, spec, sure=sure)
    except MissingFact as error:
        raise SheetError([Problem(error.field, "Solve for", "", "", f"{error.field} is missing.")]) from error
    except KeyError as error:
        raise SheetError(
            [Problem(path[:60], "Solve for", path[:60], "a fact of the sheet", "There is no such duty.")]
        ) from error
    names = {case_id: (facts.name or case_id) for case_id, facts in resolved.case.duties}
    checks = outline(resolved.case).checks

    def said(key: runs.Key | None) -> str:
        if key is None:
            return ""
        title = SYSTEMS[key[0]].title if key[0] in SYSTEMS else "Engine"
        name = checks[key].name if key in checks else key[1].replace("_", " ")
        duty = f", {names[key[2]].lower()}" if key[2] else ""
        return f"{title}: {name.lower()}{duty}" if title.lower() not in name.lower() else f"{name}{duty}"

    def end(value: float | None, up: bool, gives: runs.Key | None = None) -> dict[str, Any] | None:
        if value is None:
            return None
        text, also = _text_inside(value, up, spec, sheet, resolved, path, found.touches)
        return {
            "si": value,
            "shown": show(value, spec.kind, sheet.prefer),
            "text": text,
            "also": [offered(e) for e in also],
            "gives": said(gives),
        }

    low, high = found.low, found.high
    return {
        "path": path,
        "label": label_of(path, spec, sheet),
        "low": end(low.value, True, low.gives) if low else None,
        "high": end(high.value, False, high.gives) if high else None,
        "sure_low": end(found.sure_low, True),
        "sure_high": end(found.sure_high, False),
        "touches": [said(k) for k in found.touches],
        "stuck": [said(k) for k in found.stuck],
    }


ROUNDINGS = 4


def _text_inside(
    value: float, up: bool, spec: Spec, sheet: Sheet, resolved: Resolved, path: str, keys: Sequence[runs.Key]
) -> tuple[str, tuple[Edit, ...]]:
    """Text to set a fact to one end of what holds: three digits in the build's units, rounded inwards.

    Rules that follow the fact may move the end a little: the sheet is sized afresh with the text, and the
    text moved a hundredth further in until it holds. Where a rule's choice turns with it (a fan's flow, once typed,
    is a catalogue's), what the rule chose before is stated too. Empty where no text holds.
    """
    unit = unit_for(spec.kind, sheet.prefer)
    shown = convert(value, spec.kind, unit)
    step = 10.0 ** (math.floor(math.log10(abs(shown))) - 2) if shown else 1.0
    pinned: tuple[Edit, ...] = ()
    for turn in range(2 * ROUNDINGS):
        moved = shown * (1.0 + (0.01 if up else -0.01) * (turn % ROUNDINGS))
        rounded = (math.ceil(moved / step - 1e-6) if up else math.floor(moved / step + 1e-6)) * step
        text = f"{rounded:.10g} {unit.symbol}".strip()
        edits = (Edit(path, text), *pinned)
        try:
            after = changed(sheet, edits)
        except (SheetError, CoreError):
            continue
        if all(after.checks[k].fill <= 1.0 for k in keys if k in after.checks):
            return text, pinned
        if turn == ROUNDINGS - 1:
            pinned = _turned(sheet, resolved, edits)
            if not pinned:
                break
    return "", ()


def _turned(sheet: Sheet, resolved: Resolved, edits: tuple[Edit, ...]) -> tuple[Edit, ...]:
    """Choices that rules make otherwise once an edit is made, stated as they were."""
    document = sheet.document
    for edit in edits:
        document = apply_edit(document, edit)
    after = resolve(load(document)).rules
    return tuple(
        Edit(path, str(rule.value))
        for path, rule in resolved.rules.items()
        if isinstance(rule.value, str) and path in after and after[path].value != rule.value
    )
