"""Changes of weights and lifting worth trying."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.lifting import hung, legs_of
from gauge_well.core.typing import likely

LONGER = 0.15  # m
MATTERS = 0.02  # m of shift of a ring worth a link
BOOM = 0.20  # m between two holes of a boom (common practice)


def candidates(context: Context, facts: WeightsFacts) -> list[Candidate]:
    """The ring over the balance point, longer legs, a hole nearer on the boom, the gearbox left behind."""
    return [*_ring(context, facts), *_hoist(facts)]


def _ring(context: Context, facts: WeightsFacts) -> Iterator[Candidate]:
    load = hung(context, facts)
    if abs(likely(load.shift)) > MATTERS:
        yield Candidate(
            "ring",
            "lifting",
            Sentence(
                "Ring {by} {way}",
                {"by": (abs(likely(load.shift)), "size"), "way": "ahead" if likely(load.shift) > 0.0 else "back"},
            ),
            {"weights.ring_ahead": likely(load.ahead)},
        )
    if legs_of(facts, load) is not None:
        yield Candidate(
            "legs",
            "lifting",
            Sentence("Longer legs: ring {by} higher", {"by": (LONGER, "size")}),
            {"weights.ring": likely(facts.ring) + LONGER},
        )


def _hoist(facts: WeightsFacts) -> Iterator[Candidate]:
    if facts.hoist.reach is not None and likely(facts.hoist.reach) > 2.0 * BOOM:
        yield Candidate(
            "reach",
            "lifting",
            Sentence("Hoist {by} nearer: bumper off, or from the side", {"by": (BOOM, "length")}),
            {"weights.hoist.reach": likely(facts.hoist.reach) - BOOM},
        )
    if facts.with_gearbox == "unit" and likely(facts.gearbox) > 0.0:
        yield Candidate("alone", "lifting", Sentence("Gearbox after the engine"), {"weights.with_gearbox": "engine"})
