"""How sure each gap is, and what the chains of measures come to: worked on draws."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fit.chains import chains
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import close_of
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.systems.fit.spread import half, tightest


@dataclass(frozen=True)
class Doubt:
    """A pair at its worst: half-range of its gap at 95 % [m], share of cases in which it keeps what is kept."""

    name: str
    off: float
    holds: float


@dataclass(frozen=True)
class LinkRow:
    """One measure of a chain [m]."""

    path: str
    sign: int
    length: float
    off: float


@dataclass(frozen=True)
class ChainRow:
    """What a chain comes to [m]: left, worst case, by squares; slot a foot needs."""

    id: str
    name: str
    links: Sequence[LinkRow]
    left: float
    worst: float
    rss: float
    slot: float


@dataclass(frozen=True)
class DoubtView:
    """Share of cases in which all gaps hold; each pair's doubt, the tightest first; the chains."""

    holds: float
    gaps: Sequence[Doubt]
    chains: Sequence[ChainRow]


def show(context: Context, facts: FitFacts, options: Options) -> DoubtView:
    """At the stated place; no options."""
    found = solved(context, facts)
    slack = found.gap - found.keep
    # Where nothing is in doubt the likely case is all there is.
    keeps = (slack[:, 1:] if slack.shape[1] > 1 else slack) >= 0.0
    off = half(found.gap)
    seen: dict[str, Doubt] = {}
    for k in tightest(found):
        name = close_of(found.scene, found.found, int(found.rows[k])).name
        if name not in seen:
            seen[name] = Doubt(name, float(off[k]), float(np.mean(keeps[k])))
    holds = float(np.mean(keeps.all(axis=0)))
    rows = [
        ChainRow(
            c.id,
            c.name,
            [LinkRow(link.path, link.sign, link.length, link.off) for link in c.links],
            c.left,
            c.worst,
            c.rss,
            c.slot,
        )
        for c in chains(facts, context.installation.lie)
    ]
    return DoubtView(holds, list(seen.values()), rows)
