"""A new build from five facts."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.duty.facts import MACHINES, default_duties, task_kind
from gauge_well.core.media.fuels import FUELS
from gauge_well.sheet.document import FORMAT
from gauge_well.sheet.errors import Problem, SheetError


def starter(
    *,
    name: str,
    kind: str,
    fuel: str,
    power: str,
    speed: str,
    displacement: str,
    mass: str,
    task: str,
    aspiration: str = "",
    units: Mapping[str, str] | None = None,
) -> dict[str, Any]:
    """Raw document of a new build: kind and fuel picked, then power, rpm, size, weight and the task
    (trailer weight on the road, cruising share of revs afloat, hottest air at work).
    """
    for field, value, table in (("kind", kind, MACHINES), ("fuel", fuel, FUELS)):
        if value not in table:
            raise SheetError(
                [Problem(field, field.capitalize(), value[:40], ", ".join(table), "Pick one of the list.")]
            )
    machine: dict[str, Any] = {"kind": kind}
    if mass.strip():
        machine["mass"] = {"text": mass, "evidence": "guess"}
    if task.strip() and task_kind(kind) == "road":
        machine["trailer_mass"] = {"text": task, "evidence": "guess"}
    engine: dict[str, Any] = {"fuel": fuel}
    if aspiration:
        engine["aspiration"] = aspiration
    for key, value in (("rated_power", power), ("rated_speed", speed), ("displacement", displacement)):
        if value.strip():
            engine[key] = {"text": value, "evidence": "guess"}
    return {
        "format": FORMAT,
        "name": name.strip() or f"New {MACHINES[kind][0]}",
        "units": dict(units or {}),
        "machine": machine,
        "engine": engine,
        "duties": default_duties(kind, task.strip()),
    }
