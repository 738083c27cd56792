"""How sure each gap is, and what the chains of measures come to: worked on draws."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fit.chains import Chain, chains
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
class DoubtView:
    """Share of cases in which all gaps hold; each pair's doubt, the tightest first; the chains."""

    holds: float
    gaps: Sequence[Doubt]
    chains: Sequence[Chain]


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
    return DoubtView(holds, list(seen.values()), chains(facts, context.installation.lie))
