"""Changes of place, mounts and metal worth trying, hand work first; only those that touch what is tight."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.errors import MissingFact
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.fit.eases import MOUNTS, eases, touching
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Close, worst
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.typing import likely

NEAR = 0.010  # m of slack from which a pair is worth easing
SHIFT = 0.010  # m


def candidates(context: Context, facts: FitFacts) -> list[Candidate]:
    """Shift, easing of what the engine meets, a shallower pan."""
    try:
        found = solved(context, facts)
    except MissingFact:
        return []
    tight = [item for item in worst(found.scene, found.found) if item.slack < NEAR]
    return [*_shifts(facts, tight), *_eased(facts, tight)]


def _eased(facts: FitFacts, tight: list[Close]) -> Iterator[Candidate]:
    for ease in touching([e for e in eases(facts) if e.id != MOUNTS], tight):
        changes = {f"fit.{name}": value for name, value in ease.changes.items()}
        yield Candidate(ease.id, "place", Sentence(ease.words, {"by": (ease.by, ease.kind)}), changes)


def _shifts(facts: FitFacts, tight: list[Close]) -> Iterator[Candidate]:
    if not tight:
        return
    for field, way, words in (
        ("crank_height", 1.0, "Engine {by} higher"),
        ("crank_height", -1.0, "Engine {by} lower"),
        ("from_panel", 1.0, "Engine {by} farther from the panel it faces"),
        ("from_panel", -1.0, "Engine {by} nearer the panel it faces"),
        ("crank_left", 1.0, "Engine {by} to the left"),
        ("crank_left", -1.0, "Engine {by} to the right"),
    ):
        value = likely(getattr(facts, field)) + way * SHIFT
        id = f"{field}_{'up' if way > 0 else 'down'}"
        yield Candidate(id, "place", Sentence(words, {"by": (SHIFT, "size")}), {f"fit.{field}": value})
