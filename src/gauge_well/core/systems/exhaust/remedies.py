"""Changes of tube, layout, silencer, shield and wrap worth trying."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.parts.neighbour import WHATS
from gauge_well.core.parts.silencer import SILENCERS
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import TUBES, above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.typing import likely

FREER = {"reversed": ("chambered", "straight"), "chambered": ("straight",)}
REROUTED = 2.0  # times the gap, and at least 50 mm more


def candidates(context: Context, facts: ExhaustFacts) -> list[Candidate]:
    """Tube, layout, silencer, shields: each a step from what is there."""
    return [*_tube(facts), *_shape(facts), *_beside(facts)]


def _tube(facts: ExhaustFacts) -> Iterator[Candidate]:
    if facts.pieces:
        changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {}
        for id, piece in facts.pieces:
            for size in [] if piece.diameter is None else above(TUBES, likely(piece.diameter), 1):
                changes[f"exhaust.pieces.{id}.diameter"] = size
        if changes:
            yield Candidate("tube", "pipe", Sentence("Every piece a size wider"), changes)
    elif facts.pipe.diameter is not None:
        now = likely(facts.pipe.diameter)
        for i, size in enumerate(above(TUBES, now, 2)):
            words = Sentence("Tube {a} → {b}", {"a": (now, "size"), "b": (size, "size")})
            yield Candidate("tube" if i == 0 else "tube_2", "pipe", words, {"exhaust.pipe.diameter": size})


def _shape(facts: ExhaustFacts) -> Iterator[Candidate]:
    fitted = bool(facts.pieces) or facts.pipe.diameter is not None
    if fitted and facts.layout in ("single", "merged"):
        yield Candidate("twin", "pipe", Sentence("Two pipes all the way"), {"exhaust.layout": "twin"})
    if fitted and not facts.pieces:
        for kind in FREER.get(facts.silencer.type, ()):
            words = Sentence(f"Silencer: {SILENCERS[kind][0]}")
            yield Candidate(f"silencer_{kind}", "pipe", words, {"exhaust.silencer.type": kind})
    for id, piece in facts.pieces:
        for kind in FREER.get(piece.piece, ()):
            words = Sentence(f"Its silencer: {SILENCERS[kind][0]}")
            yield Candidate(f"silencer_{id}_{kind}", "pipe", words, {f"exhaust.pieces.{id}.piece": kind})
    if facts.shielded == "no" and not facts.neighbours:
        yield Candidate("shield", "room", Sentence("Heat shield at loom and hoses"), {"exhaust.shielded": "yes"})


def _beside(facts: ExhaustFacts) -> Iterator[Candidate]:
    """Shield, wrap, another way, for each neighbour."""
    for id, one in facts.neighbours:
        if one.what is None or one.gap is None:
            continue
        what, place = WHATS[one.what].name, f"exhaust.neighbours.{id}"
        if one.shield in (None, "none"):
            words = Sentence(f"A bright shield before the {what}")
            yield Candidate(f"shield_{id}", "neighbour", words, {f"{place}.shield": "bright"})
        farther = max(REROUTED * likely(one.gap), likely(one.gap) + 0.05)
        words = Sentence(f"The {what} led {{gap}} from the pipe", {"gap": (farther, "size")})
        yield Candidate(f"reroute_{id}", "neighbour", words, {f"{place}.gap": farther})
    if facts.neighbours and facts.pieces:
        wrapped = likely(facts.lagged)
        if wrapped < len(facts.pieces):
            words = Sentence("Wrap on one piece more, from the flange")
            yield Candidate("wrap", "neighbour", words, {"exhaust.lagged": wrapped + 1.0})
