"""A new build from a handful of facts: what was typed is the builder's, all else is supposed and says so."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.duty.facts import MACHINES, default_duties, task_kind
from gauge_well.core.duty.road import hold, top_speed
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.evidence import GUESS, RULE
from gauge_well.core.facts import YES_NO
from gauge_well.core.media import air
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.run import contexts
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import likely
from gauge_well.sheet.document import FORMAT
from gauge_well.sheet.errors import Problem, SheetError
from gauge_well.sheet.reading import load
from gauge_well.sheet.resolve import resolve
from gauge_well.sheet.sections import DUTY

# How fuel gets in, as a builder says it: what is stated by it.
INJECTIONS: Mapping[str, tuple[str, Mapping[str, str]]] = {
    "port": ("petrol, into the ports", {"fuel.injection": "port"}),
    "petrol_direct": ("petrol, straight into the cylinder", {"fuel.injection": "direct"}),
    "carburettor": ("petrol, carburettor", {"fuel.injection": "carburettor"}),
    "common_rail": ("diesel, common rail", {"fuel.injection": "common_rail", "engine.chamber": "direct"}),
    "direct": ("diesel, direct, mechanical pump", {"fuel.injection": "mechanical", "engine.chamber": "direct"}),
    "indirect": (
        "diesel, indirect (chamber in the head)",
        {"fuel.injection": "mechanical", "engine.chamber": "indirect"},
    ),
}
KMH = 1.0 / 3.6
FASTEST, SLOWEST = 120.0, 20.0  # km/h asked of the open road at most, and of any at least
AT_EASE = 0.92  # of what an engine holds is what it is asked for when nobody says


@dataclass(frozen=True)
class Said:
    """What is asked of a new build, as typed; what is empty is not known."""

    kind: str
    fuel: str
    name: str = ""
    aspiration: str = ""
    injection: str = ""
    power: str = ""
    speed: str = ""
    torque: str = ""
    torque_speed: str = ""
    displacement: str = ""
    cylinders: str = ""
    boost: str = ""
    mass: str = ""
    task: str = ""
    climb: str = ""
    hottest: str = ""
    waterline: str = ""
    heel: str = ""
    sea: str = ""
    sails: str = ""


# Where each answer belongs; the duties' are put where :func:`default_duties` has them.
FACTS: Mapping[str, str] = {
    "power": "engine.rated_power",
    "speed": "engine.rated_speed",
    "torque": "engine.peak_torque",
    "torque_speed": "engine.peak_torque_speed",
    "displacement": "engine.displacement",
    "cylinders": "engine.cylinders",
    "boost": "engine.boost",
    "mass": "machine.mass",
    "waterline": "machine.waterline_length",
    "heel": "machine.heel",
}


def starter(*, units: Mapping[str, str] | None = None, **answers: str) -> dict[str, Any]:
    """Raw document of a new build: what :class:`Said` holds, by name.

    Raises
    ------
    SheetError
        For a choice that is on no list.
    """
    said = Said(**answers)
    for field, value, table in (
        ("kind", said.kind, MACHINES),
        ("fuel", said.fuel, FUELS),
        ("injection", said.injection or "port", INJECTIONS),
        ("sails", said.sails or "no", YES_NO),
    ):
        if value not in table:
            raise SheetError(
                [Problem(field, field.capitalize(), value[:40], ", ".join(table), "Pick one of the list.")]
            )
    sections: dict[str, dict[str, Any]] = {
        "machine": {"kind": said.kind},
        "engine": {"fuel": said.fuel},
        "fuel": {},
    }
    if said.aspiration:
        sections["engine"]["aspiration"] = said.aspiration
    if said.injection:
        for path, value in INJECTIONS[said.injection][1].items():
            section, name = path.split(".")
            sections[section][name] = value
    if said.kind == "boat" and said.sails:
        sections["machine"]["sails"] = said.sails
    where = dict(FACTS)
    if task_kind(said.kind) == "road":
        where["task"] = "machine.trailer_mass"
    for answer, path in where.items():
        text = getattr(said, answer).strip()
        if text:
            section, name = path.split(".")
            sections[section][name] = {"text": text, "evidence": GUESS}
    document = {
        "format": FORMAT,
        "name": said.name.strip() or f"New {MACHINES[said.kind][0]}",
        "units": dict(units or {}),
        **{id: facts for id, facts in sections.items() if facts},
        "duties": _duties(said),
    }
    return _within_reach(document, said)


def _duties(said: Said) -> list[dict[str, Any]]:
    """The usual duties of the machine: each figure supposed, but what was said."""
    task = said.task.strip()
    duties = default_duties(said.kind, task, said.sails == "yes")
    answers = {
        "climb": said.climb.strip(),
        "hottest": said.hottest.strip(),
        "heel": said.heel.strip(),
        "sea": said.sea.strip(),
    }
    typed = {text for text in (task, *answers.values()) if text}
    for duty in duties:
        if answers["hottest"]:
            duty["ambient"] = answers["hottest"]
        if answers["climb"] and "grade" in duty:
            duty["grade"] = answers["climb"]
        if answers["sea"] and "sea" in duty:
            duty["sea"] = answers["sea"]
        # Under sail she heels that far; without, she rolls so far whatever she does.
        if answers["heel"] and duty["kind"] == "boat" and (said.sails != "yes" or duty["id"] == "sailing"):
            duty["heel"] = answers["heel"]
    return [_supposed(duty, typed) for duty in duties]


def _supposed(duty: Mapping[str, Any], typed: Collection[str]) -> dict[str, Any]:
    """A duty whose figures say by whom they are said."""
    quantities = {name for name, spec in DUTY.specs.items() if spec.kind not in ("choice", "text")}
    return {
        name: {"text": text, "evidence": GUESS if text in typed else RULE} if name in quantities else text
        for name, text in duty.items()
    }


def _within_reach(document: dict[str, Any], said: Said) -> dict[str, Any]:
    """The same with no speed supposed that the engine cannot hold: nobody asked for it."""
    road = [duty for duty in document["duties"] if duty["kind"] == "road" and duty["speed"]["evidence"] == RULE]
    if not road:
        return document
    try:
        case = resolve(load(document)).case
        context, _ = contexts.make_context(case, engine=contexts.validate(case))
    except (SheetError, CoreError, MissingFact):
        # What is wrong or missing is said where the document is kept.
        return document
    for duty in road:
        held = _held(context, duty["id"])
        if held is not None:
            duty["speed"]["text"] = f"{held:.0f} km/h"
    return document


def _held(context: Context, id: str) -> float | None:
    """Speed [km/h] to ask for where the engine does not hold the usual one with ease; None where it does."""
    case = next((c for c in context.duties.cases if c.id == id), None)
    vehicle = context.duties.vehicle
    if case is None or vehicle is None:
        return None
    density, accessories = float(air.density(case.ambient, case.pressure)), likely(case.accessories.total)
    if not case.grade:
        most = top_speed(context.engine, vehicle, context.wanted, density, accessories)
    else:
        found = hold(
            context.engine, vehicle, context.wanted, FASTEST * KMH, case.grade, density, case.tow, accessories, None
        )
        most = likely(found.speed)
    ease = AT_EASE * most / KMH
    if ease >= case.asked_speed / KMH:
        return None
    return max(5.0 * (ease // 5.0), min(SLOWEST, ease))
