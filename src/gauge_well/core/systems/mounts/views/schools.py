"""Schools of mounts beside each other: how far each rocks, what it shakes, what it carries."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from gauge_well.core.parts.mount import STUFFS
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.mounts.facts import SCHOOLS, MountsFacts
from gauge_well.core.systems.mounts.model import on, shake
from gauge_well.core.systems.mounts.stand import Foot, feet_of, usual
from gauge_well.core.typing import likely


@dataclass(frozen=True)
class SchoolRow:
    """A school: rock in first [rad], sink [m], its roll's frequency [Hz], share of the shake at idle that passes, most any
    mount carries [N], how near to its stop a mount comes, full torque in first, as a share."""

    id: str
    label: str
    rock: float
    sink: float
    mode: float
    shake: float
    most: float
    stop: float
    chosen: bool


@dataclass(frozen=True)
class SchoolsView:
    """All schools, on the mounts' own places; the stated ones as they are, first, where there are any."""

    rows: Sequence[SchoolRow]


def show(context: Context, facts: MountsFacts, options: Options) -> SchoolsView:
    """No options; CoreError for mounts that hold nothing."""
    stated = feet_of(context, facts)
    tried: list[tuple[str, str, list[Foot]]] = [("stated", "as stated", stated)] if facts.mounts else []
    tried += [(id, s.label, _in(context, facts, stated, id)) for id, s in SCHOOLS.items()]
    rows = []
    for id, label, feet in tried:
        found = on(context, facts, feet)
        gone = abs(found.torqued.moved[0, 0]) / found.stood.travel[0].reshape(-1, 3)
        rows.append(
            SchoolRow(
                id=id,
                label=label,
                rock=abs(likely(found.rock)),
                sink=likely(found.sink),
                mode=likely(found.modes.of("roll")),
                shake=likely(shake(context, found)),
                most=float(max(found.shocked.size[0].max(), found.torqued.size[0].max())),
                stop=float(gone.max()),
                chosen=id == ("stated" if facts.mounts else facts.school),
            )
        )
    return SchoolsView(rows)


def _in(context: Context, facts: MountsFacts, stated: Sequence[Foot], school: str) -> list[Foot]:
    """The same places in a school: cushions chosen for an even share; the rearmost is the tail."""
    like = usual(context, facts, school)
    if not facts.mounts:
        return like
    tail = min(range(len(stated)), key=lambda n: likely(stated[n].ahead))
    own = SCHOOLS[school]
    share = likely(like[0].rate) * STUFFS[own.sides].sink * len(like) / len(stated)
    found = []
    for n, foot in enumerate(stated):
        stuff = STUFFS[own.tail if n == tail else own.sides]
        side = 1.0 if stuff is STUFFS["solid"] else 0.5
        found.append(replace(foot, rate=share / stuff.sink, side=side, travel=stuff.travel, quick=stuff.quick))
    return found
