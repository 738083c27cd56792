"""Go or no-go: engines that could be taken, each run on this machine with what is fitted."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import date
from typing import Any

from gauge_well.core.work.span import Span, certain
from gauge_well.core.work.traits import traits_of
from gauge_well.services.models_order import EngineOptionOut, OptionsOut
from gauge_well.services.order import wanted_of
from gauge_well.services.planning import plan_of
from gauge_well.services.sizing import check, report_of
from gauge_well.services.things import sign_of, things_of
from gauge_well.sheet import Sheet, SheetError
from gauge_well.sheet.document import copied
from gauge_well.sheet.work import Option
from gauge_well.units import show

KEPT = ("fuel", "aspiration")  # of the engine that is stated, where an option does not say


def options_of(raw: Mapping[str, Any], today: date) -> dict[str, Any]:
    """The build's own engine and each option, side by side."""
    sheet, resolved = check(raw)
    traits = traits_of(resolved.case, sheet.work.said.choices)
    things = things_of(sheet, plan_of(sheet, traits).network.by_id, today)
    blockers = [w for w in wanted_of(traits, things) if w.group == "blocker"]
    unpriced = [w.label for w in blockers if not w.priced]
    sign = sign_of(things)
    own = _mass(sheet)
    rows = [
        _run(sheet.document, sheet.document.get("engine", {}).get("name") or "As the build states it", None, own, sign)
    ]
    rows += [_run(_with(sheet.document, option), option.title, option, own, sign) for option in sheet.work.options]
    return OptionsOut(options=rows, unpriced=unpriced, advice=_advice(unpriced)).model_dump()


def _advice(unpriced: list[str]) -> str:
    if not unpriced:
        return "Every blocker has its price: the decision can be made."
    return f"Not yet: {len(unpriced)} of what can stop the job {'has' if len(unpriced) == 1 else 'have'} no price. Price them before anything is bought."


def _with(document: dict[str, Any], option: Option) -> dict[str, Any]:
    """The document with another engine in it: nothing of the one that was stated is left."""
    made = copied(document)
    kept = {name: made.get("engine", {}).get(name) for name in KEPT}
    stated = {n: v if n in KEPT else {"text": v, "evidence": "sheet"} for n, v in option.facts.items()}
    made["engine"] = {n: v for n, v in kept.items() if v} | stated | {"name": option.title[:80]}
    return made


def _mass(sheet: Sheet) -> float | None:
    fact = sheet.sections["engine"].get("dry_mass")
    return None if fact is None else float(fact.value)


def _run(
    document: dict[str, Any], title: str, option: Option | None, own_mass: float | None, sign: str
) -> EngineOptionOut:
    price = _sum(option.price, option.parts) if option else None
    shared = {
        "id": option.id if option else "",
        "title": title,
        "own": option is None,
        "price_low": price.low if price else None,
        "price_likely": price.likely if price else None,
        "price_high": price.high if price else None,
        "price": _priced(price, sign),
        "fits": option.fits if option else "",
        "note": option.note if option else "",
    }
    nothing = dict.fromkeys(("sentence", "state", "power", "torque", "reach", "claim", "mass"), "")
    try:
        sheet, resolved = check(document)
        report = report_of(sheet, resolved, "none")
    except SheetError as error:
        return EngineOptionOut(**shared, **nothing, problem=error.problems[0].message, believable=None, heavier_kg=None)
    mass = _mass(sheet)
    torque = sheet.sections["engine"].get("peak_torque")
    claim = report["claim"]
    return EngineOptionOut(
        **shared,
        problem="",
        sentence=report["headline"]["sentence"],
        state=report["state"],
        power="" if report["rated_w"] is None else show(report["rated_w"], "power", sheet.prefer),
        torque="" if torque is None else show(float(torque.value), "torque", sheet.prefer),
        reach="" if report["reach_w"] is None else show(report["reach_w"], "power", sheet.prefer),
        believable=claim["believable"] if claim else None,
        claim=claim["sentence"] if claim else "",
        mass="" if mass is None else show(mass, "mass", sheet.prefer),
        heavier_kg=None if mass is None or own_mass is None or option is None else mass - own_mass,
    )


def _sum(price: Span | None, parts: Span | None) -> Span | None:
    if price is None and parts is None:
        return None
    a, b = price or certain(0.0), parts or certain(0.0)
    return Span(a.low + b.low, a.likely + b.likely, a.high + b.high)


def _priced(price: Span | None, sign: str) -> str:
    if price is None:
        return ""
    low = f"{sign}{price.low:,.0f}"
    return low if price.low == price.high else f"{low} to {sign}{price.high:,.0f}"
