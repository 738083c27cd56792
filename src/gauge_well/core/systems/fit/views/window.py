"""Where it would go in: the window over fore-aft and up-down."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.systems.fit.window import window


@dataclass(frozen=True)
class WindowView:
    """Slack [m] by (up, ahead), what binds there by its place in ``pairs``, shifts of both axes [m], share that holds."""

    ahead: Sequence[float]
    up: Sequence[float]
    slack: Sequence[Sequence[float]]
    binds: Sequence[Sequence[int]]
    pairs: Sequence[str]
    share: float


def show(context: Context, facts: FitFacts, options: Options) -> WindowView:
    """Of the stated place; no options."""
    found = window(solved(context, facts).scene)
    return WindowView(
        ahead=[round(float(v), 5) for v in found.ahead],
        up=[round(float(v), 5) for v in found.up],
        slack=[[round(float(v), 5) for v in row] for row in found.slack],
        binds=found.binds.tolist(),
        pairs=found.pairs,
        share=found.share,
    )
