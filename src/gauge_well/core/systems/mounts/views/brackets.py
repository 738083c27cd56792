"""Brackets: what each stands, and of each kind of section the smallest sold that holds in its place."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from gauge_well.core.parts.bracket import SHAPES, STEELS, BracketFacts, section_of
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.mounts import brackets as worked
from gauge_well.core.systems.mounts.brackets import Braced, braced, lacks
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import Held, held
from gauge_well.core.typing import likely

MM = 1e-3
# Sections as they are sold, the smallest first [mm] (common practice): sizes by name.
SOLD: Mapping[str, Sequence[Mapping[str, float]]] = {
    "edge": [{"wall": t, "high": h} for h, t in ((30, 6), (40, 6), (50, 6), (60, 6), (60, 8), (80, 8), (100, 10))],
    "tube": [
        {"wide": d, "wall": w} for d, w in ((26.9, 2.6), (33.7, 3.2), (42.4, 3.2), (48.3, 4), (60.3, 5), (76.1, 5))
    ],
    "box": [
        {"wide": b, "high": h, "wall": w}
        for b, h, w in ((30, 30, 3), (40, 40, 3), (40, 60, 3), (50, 50, 4), (50, 80, 4), (60, 100, 5))
    ],
    "gusset": [
        {"wide": 60, "wall": t, "high": h, "web": t}
        for h, t in ((30, 5), (40, 6), (60, 6), (80, 6), (80, 8), (100, 10))
    ],
}


@dataclass(frozen=True)
class Sold:
    """A section in a bracket's place: sizes in words [mm], stress in the worst case [Pa], fill of its weld over a life with
    a throat of 0.7 of its metal; weight of the arm [kg]; whether it holds; its sizes by name [m]."""

    shape: str
    label: str
    sizes: str
    stress: float
    life: float
    mass: float
    holds: bool
    sets: dict[str, float]


@dataclass(frozen=True)
class BracketRow:
    """A bracket: what it carries; the worst force on it [N] and in which case, stress at its root and what is allowed [Pa], weld's fill over a
    life, the throat that lasts [m]; bolts' torque dry and oiled [N m], fills of slip and opening; lean by its holes [rad]; of
    each other kind of section the smallest sold that holds in its place, the largest where none does."""

    id: str
    name: str
    holds: str
    force: float
    case: str
    stress: float
    allowed: float
    life: float | None
    throat: float | None
    dry: float | None
    oiled: float | None
    slip: float | None
    opens: float | None
    leans: float | None
    others: Sequence[Sold]


@dataclass(frozen=True)
class BracketsView:
    """Brackets that are told of, and those that are not yet, by name."""

    rows: Sequence[BracketRow]
    untold: Sequence[str]


def show(context: Context, facts: MountsFacts, options: Options) -> BracketsView:
    """No options; CoreError for mounts that hold nothing."""
    found = held(context, facts)
    all_ = braced(facts.brackets, len(found.stood.feet))
    return BracketsView([_row(found, b) for b in all_ if not lacks(b)], [b.name for b in all_ if lacks(b)])


def _row(found: Held, item: Braced) -> BracketRow:
    own, where = item.facts, item.where
    most, case = worked.worst_on(found, item.foot)
    force = likely(most)
    rest = worked.rest_on(found, item.foot)
    bolts = worked.bolted(own, where, rest * 0.0 + force) if own.bolted == "yes" else None
    lean = worked.leans(own)
    welded = own.welded == "yes"
    return BracketRow(
        id=item.id,
        name=item.name,
        holds=item.holds,
        force=force,
        case=case,
        stress=float(worked.stress(own, where, rest * 0.0 + force)[0]),
        allowed=worked.allowed(own),
        life=likely(worked.life_fill(own, where, rest)) if welded else None,
        throat=likely(worked.throat_for(own, where, rest)) if welded else None,
        dry=bolts.dry if bolts else None,
        oiled=bolts.oiled if bolts else None,
        slip=likely(bolts.slip) if bolts else None,
        opens=likely(bolts.opens) if bolts else None,
        leans=lean[0] if lean else None,
        others=[_sold(found, item, shape, force) for shape in SOLD],
    )


def _sold(found: Held, item: Braced, shape: str, force: float) -> Sold:
    rest = worked.rest_on(found, item.foot)
    for sizes in SOLD[shape]:
        si = {name: MM * v for name, v in sizes.items()}
        metal = min(v for n, v in si.items() if n in ("wall", "web"))
        own: BracketFacts = replace(item.facts, shape=shape, throat=0.7 * metal, **si)  # type: ignore[arg-type]
        stress = float(worked.stress(own, item.where, rest * 0.0 + force)[0])
        life = likely(worked.life_fill(own, item.where, rest))
        holds = stress <= worked.allowed(own) and life <= 1.0
        if holds:
            break
    area = likely(section_of(own, item.where).area)
    mass = area * likely(own.arm or 0.0) * STEELS[own.steel].density
    words = " x ".join(f"{v:g}" for v in sizes.values())
    return Sold(shape, SHAPES[shape].label, words, stress, life, mass, holds, si)
