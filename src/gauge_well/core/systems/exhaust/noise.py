"""How loud, in a word: silencers add up, a turbine and a catalyst help."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.engine.model import Engine
from gauge_well.core.parts.pipe import PIECES
from gauge_well.core.systems.exhaust.pieces import Segment

# By steps quieter (common practice).
WORDS = ("open: deafening", "very loud", "loud", "heard in the next street", "lively", "quiet", "very quiet")


def noise(engine: Engine, segments: Sequence[Segment]) -> str:
    """A word for it; a guess, that a meter at the roadside beats."""
    steps = sum(PIECES[s.kind].quiets for s in segments if s.bank in ("", "left"))
    steps += engine.facts.aspiration == "turbo"
    return WORDS[min(steps, len(WORDS) - 1)]
