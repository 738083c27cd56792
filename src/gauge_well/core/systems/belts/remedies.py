"""Changes of belts worth trying: tension, ribs, lengths, a pulley moved or of another size, the arm turned."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.geometry.belt import gradient
from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.parts.pulley import FREE
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.grip import MARGIN, worked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import likely, likely_or

TIGHTER = 1.3
NEAR = 0.08  # m that a pulley is moved at most to take a belt


def candidates(context: Context, facts: BeltsFacts) -> list[Candidate]:
    """Each a step from what is there, on every belt that has a way."""
    found: list[Candidate] = []
    for way in ways.ways(context, facts):
        if way.closes:
            found += [*_grip(context, facts, way), *_sizes(context, facts, way), *_length(way)]
    return found


def _grip(context: Context, facts: BeltsFacts, way: Way) -> Iterator[Candidate]:
    own = way.facts
    now, ribs = likely(own.tension), likely(own.ribs)
    spring = None if way.arm is None else way.pulleys[way.arm].spring
    if spring is not None:
        more = TIGHTER * likely(spring)
        words = Sentence("Arm's spring {a} → {b}", {"a": (likely(spring), "torque"), "b": (more, "torque")})
        yield Candidate(
            f"{way.place}_spring", way.place, words, {f"belts.pulleys.{way.ids[way.arm or 0]}.spring": more}
        )
    else:
        words = Sentence("Tension {a} → {b} a rib", {"a": (now, "force"), "b": (TIGHTER * now, "force")})
        yield Candidate(f"{way.place}_tension", way.place, words, {f"belts.{way.place}.tension": TIGHTER * now})
    if ribs + 1 <= SECTIONS[own.section].most:
        words = Sentence("Ribs {a} → {b}, pulleys too", {"a": (ribs, "count"), "b": (ribs + 1, "count")})
        yield Candidate(f"{way.place}_ribs", way.place, words, {f"belts.{way.place}.ribs": ribs + 1})
    i, _ = worked(context, facts, way).worst
    pulley = way.pulleys[i]
    if likely(worked(context, facts, way).margins.min(axis=(0, 1))) < MARGIN and pulley.side == "back":
        words = Sentence(f"{way.name(i).capitalize()} turned by the grooved side")
        yield Candidate(f"{way.place}_side", way.place, words, {f"belts.pulleys.{way.ids[i]}.side": "grooved"})


def _sizes(context: Context, facts: BeltsFacts, way: Way) -> Iterator[Candidate]:
    """A larger pulley on what turns too fast."""
    own = worked(context, facts, way)
    for i, pulley in enumerate(way.pulleys):
        if i == way.crank or pulley.diameter is None:
            continue
        over = likely(own.speeds[i, -1]) / likely(pulley.most)
        if over > 0.95:
            now = likely(pulley.diameter)
            size = float(np.ceil(1000.0 * now * over / 0.95) / 1000.0)
            words = Sentence(
                f"{way.name(i).capitalize()}'s pulley {{a}} → {{b}}", {"a": (now, "size"), "b": (size, "size")}
            )
            yield Candidate(
                f"{way.place}_{way.ids[i]}", way.place, words, {f"belts.pulleys.{way.ids[i]}.diameter": size}
            )


def _length(way: Way) -> Iterator[Candidate]:
    """The belt that is sold, or a pulley moved so that the one there serves."""
    found, owned = ways.window(way), way.facts.owned
    if found is None or owned is None:
        return
    low, high = likely(found[0]), likely(found[1])
    lengths = ways.sold(low, high)
    if low <= likely(owned) <= high:
        return
    if lengths:
        pick = lengths[len(lengths) // 2]
        words = Sentence("A belt of {a} instead", {"a": (pick, "length")})
        yield Candidate(f"{way.place}_buy", way.place, words, {f"belts.{way.place}.owned": pick})
    asked = likely(owned) - 0.5 * (low + high)
    right, up = gradient(way.route)
    for i, pulley in enumerate(way.pulleys):
        answers = float(np.hypot(right[i, 0], up[i, 0]))
        if i == way.crank or pulley.what in FREE or answers < 0.5 or abs(asked) / answers > NEAR:
            continue
        x, y = likely_or(pulley.right), likely_or(pulley.up)
        by = asked / answers**2
        to = (round(x + by * float(right[i, 0]), 3), round(y + by * float(up[i, 0]), 3))
        words = Sentence(
            f"{way.name(i).capitalize()} moved to {{a}} right, {{b}} up: takes the belt there",
            {"a": (to[0], "length"), "b": (to[1], "length")},
        )
        place = f"belts.pulleys.{way.ids[i]}"
        yield Candidate(
            f"{way.place}_move_{way.ids[i]}", way.place, words, {f"{place}.right": to[0], f"{place}.up": to[1]}
        )
