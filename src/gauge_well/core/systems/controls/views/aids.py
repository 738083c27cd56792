"""Small controls: what each needs, whether it is there, what goes wrong without."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.parts.aid import BYS, HAS, WHATS
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.controls import checks
from gauge_well.core.systems.controls.facts import ControlsFacts


@dataclass(frozen=True)
class AidRow:
    """One: what, by what, whether there; whether it serves, None where that is not known or not asked; said of it."""

    id: str
    what: str
    by: str
    has: str
    serves: bool | None
    said: str


@dataclass(frozen=True)
class AidsView:
    """Those listed, and those that such a machine usually has and nobody listed."""

    aids: Sequence[AidRow]
    unsaid: Sequence[tuple[str, str]]


def show(context: Context, facts: ControlsFacts, options: Options) -> AidsView:
    """As they are listed."""
    judged = {c.id: float(c.fill.flat[0]) <= 1.0 for c in checks.aid_checks(context, facts)}
    rows = []
    for id, aid in facts.aids:
        if aid.what is None:
            continue
        serves = None if aid.has in (None, "without") else judged.get(f"aid_{id}", aid.has == "yes")
        said = {True: "yes", False: f"no: {WHATS[aid.what].without}", None: "" if aid.has else "not known"}[serves]
        rows.append(
            AidRow(
                id, WHATS[aid.what].label, BYS[aid.by], "not said" if aid.has is None else HAS[aid.has], serves, said
            )
        )
    there = {aid.what for _, aid in facts.aids}
    return AidsView(rows, [(key, WHATS[key].label) for key in _usual(context) if key not in there])


def _usual(context: Context) -> list[str]:
    """What the gearbox, the fuel and the machine usually ask for."""
    found = []
    if (context.machine.gearbox or "").startswith("automatic"):
        found += ["kickdown", "lockup"]
    if not context.engine.fuel.spark:
        found.append("stop")
    if context.machine.kind in ("tractor", "boat", "generator"):
        found.append("hand")
    if context.machine.drive == "four":
        found.append("axle")
    return found
