"""Guides worth saying of belts: wrap, spans, notes, order, alignment, idlers."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np

from gauge_well.core.parts.pulley import FREE, WHATS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.figures import firing, longest, note
from gauge_well.core.systems.belts.grip import worked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

SPAN = 0.300  # m free, over which a belt flaps (common practice)
FLAPS = 1.5  # times the idle's firing, under which a span's note is shaken (common practice)
STRAIGHT = np.radians(1.0 / 3.0)  # out of line, good; three times it runs off (common practice)
BENT, GROOVED_LEAST = 0.060, 0.045  # m, least idler on the back, least grooved pulley (common practice)
RATIO = (2.0, 3.0)
FULL = np.radians(330.0)  # a wrap past which the order is more likely wrong than right


def notices(context: Context, facts: BeltsFacts, found: Sequence[Way]) -> Iterator[Notice]:
    """Of every belt that has a way."""
    for way in found:
        if not way.closes:
            continue
        yield from _wraps(way)
        yield from _spans(context, facts, way)
        yield from _sizes(way)
        yield from _line(way)
        yield from _order(context, facts, way)


def _at(way: Way, i: int, name: str) -> str:
    return f"belts.pulleys.{way.ids[i]}.{name}"


def _wraps(way: Way) -> Iterator[Notice]:
    for i, pulley in enumerate(way.pulleys):
        what = WHATS[pulley.what or "other"]
        wrap = float(way.route.wraps[i, 0])
        wished = 100.0 if pulley.what == "water_pump" and pulley.side == "back" else what.wrap
        values = {"wrap": (wrap, "angle"), "wished": (np.radians(wished), "angle")}
        if wrap < np.radians(2.0):
            words = f"The belt hardly touches the {way.name(i)}: {{wrap}}. Another side, or another place in the order."
            yield Notice("wrap_none", Sentence(words, values), _at(way, i, "right"), part=way.place)
        elif wrap > FULL:
            words = f"The belt goes {{wrap}} round the {way.name(i)}: its order or its side is wrong."
            yield Notice("wrap_full", Sentence(words, values), _at(way, i, "side"), part=way.place)
        elif wrap < np.radians(wished):
            words = f"Rule of thumb: {{wished}} of wrap on the {way.name(i)}, here {{wrap}}. The grip that is worked is the judge."
            yield Notice("wrap_short", Sentence(words, values), _at(way, i, "right"), part=way.place)


def _spans(context: Context, facts: BeltsFacts, way: Way) -> Iterator[Notice]:
    at = longest(way)
    span = float(way.route.spans[at, 0])
    other = way.name((at + 1) % len(way.pulleys))
    if span > SPAN and len(way.pulleys) > 2:
        words = f"{{span}} run free between {way.name(at)} and {other}: past {{most}} it flaps, an idler stills it."
        yield Notice("span_long", Sentence(words, {"span": (span, "length"), "most": (SPAN, "length")}), part=way.place)
    own = worked(context, facts, way)
    hertz = likely(note(way, own.static, own.mass))
    beats = firing(context)
    if hertz < FLAPS * beats:
        words = "Plucked, its longest span sounds {note}; it fires {firing} times a second at idle: it may flap there."
        values: dict[str, tuple[float, str] | str] = {"note": (hertz, "frequency"), "firing": f"{beats:.0f}"}
        yield Notice("span_shaken", Sentence(words, values), f"belts.{way.place}.tension", part=way.place)


def _sizes(way: Way) -> Iterator[Notice]:
    for i, pulley in enumerate(way.pulleys):
        size = likely(pulley.diameter if pulley.diameter is not None else 0.1)
        least = BENT if pulley.side == "back" else GROOVED_LEAST
        if size < least:
            words = f"The {way.name(i)} is {{size}}: a belt bent over less than {{least}} on that side cracks early."
            values = {"size": (size, "size"), "least": (least, "size")}
            yield Notice("pulley_small", Sentence(words, values), _at(way, i, "diameter"), part=way.place)
        if pulley.what == "alternator":
            ratio = float(way.ratios[i, 0])
            if not RATIO[0] <= ratio <= RATIO[1]:
                words = "The alternator turns {ratio} times the crank; 2 to 3 are usual."
                yield Notice(
                    "alternator_ratio",
                    Sentence(words, {"ratio": (ratio, "ratio")}),
                    _at(way, i, "diameter"),
                    part=way.place,
                )


def _line(way: Way) -> Iterator[Notice]:
    off = [0.0 if p.offset is None else likely(p.offset) for p in way.pulleys]
    count = len(off)
    tilts = [abs(off[(i + 1) % count] - off[i]) / max(float(way.route.spans[i, 0]), 1e-3) for i in range(count)]
    at = int(np.argmax(tilts))
    angle = float(np.arctan(tilts[at]))
    if angle > STRAIGHT:
        words = f"Between {way.name(at)} and {way.name((at + 1) % count)} the belt runs {{angle}} out of line; a third of a degree is good"
        words += ", past one it runs off." if angle <= 3.0 * STRAIGHT else ": it runs off."
        yield Notice(
            "out_of_line", Sentence(words, {"angle": (angle, "angle")}), _at(way, at, "offset"), part=way.place
        )
    elif all(p.offset is None for p in way.pulleys if p.what != "crank"):
        words = "In line is not known: a straight edge on the crank's face; 6 mm in a metre are good."
        yield Notice("line_unsaid", Sentence(words), f"belts.pulleys.{way.ids[-1]}.offset", part=way.place)


def _order(context: Context, facts: BeltsFacts, way: Way) -> Iterator[Notice]:
    at = way.arm
    if at is None:
        return
    # The arm belongs where the belt is slack: as it runs, between the crank and the first thing that it drives.
    count = len(way.pulleys)
    ahead = [(way.crank - k) % count for k in range(1, count)]
    driven = [i for i in ahead if way.pulleys[i].what not in FREE]
    before = [i for i in ahead[: ahead.index(at)] if i in driven]
    if len(before) * 2 > len(driven):
        words = "The tensioner stands on the tight side: the crank turns clockwise from the front and pulls the belt in on its right-hand run. Is the order counter-clockwise?"
        yield Notice("arm_tight", Sentence(words), _at(way, at, "what"), part=way.place)
    if way.pulleys[at].pivot_right is None or way.pulleys[at].pivot_up is None:
        words = "Where its arm turns is not stated: what length to buy, and what its spring pulls, stay unknown."
        yield Notice("pivot_unsaid", Sentence(words), _at(way, at, "pivot_right"), part=way.place)
