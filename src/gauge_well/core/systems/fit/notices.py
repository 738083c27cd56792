"""What is worth saying of how an engine lies."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.spread import Spread
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

STEEP = 0.105  # rad: 6 degrees, past which pans, pickups and joints ask for a look (common practice)


def notices(context: Context, facts: FitFacts, found: Spread) -> list[Notice]:
    """A place nobody stated, a steep lie."""
    return [*_place(facts), *_steep(context)]


def _place(facts: FitFacts) -> Iterator[Notice]:
    if facts.placed != "stated":
        yield Notice(
            "place",
            Sentence("No place of the engine is stated: it is put in the middle of what there is."),
            "fit.from_panel",
        )


def _steep(context: Context) -> Iterator[Notice]:
    pitch = likely(context.installation.engine_pitch)
    if abs(pitch) > STEEP:
        yield Notice(
            "steep",
            Sentence(
                "It lies {a} off level: look at oil over the pickup and at the joints' angles.",
                {"a": (abs(pitch), "angle")},
            ),
            "installation.engine_pitch",
        )
