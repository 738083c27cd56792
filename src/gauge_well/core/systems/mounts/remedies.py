"""Changes of mounts and brackets worth trying: stiffer, wider, a stronger section, a bigger throat."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.errors import CoreError
from gauge_well.core.parts.bracket import BracketFacts
from gauge_well.core.parts.mount import STUFFS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.mounts.brackets import (
    Braced,
    braced,
    lacks,
    rest_on,
    sheet_lacks,
    sheeted,
    throat_for,
    worst_on,
)
from gauge_well.core.systems.mounts.facts import SCHOOLS, MountsFacts
from gauge_well.core.systems.mounts.model import Held, held
from gauge_well.core.typing import likely

FIRMER = {"soft": "firm", "firm": "poly", "mixed": "poly", "poly": "solid"}
WIDER = 0.08  # m farther apart
SHORTER = 0.03  # m
GUSSET = 0.040  # m


def candidates(context: Context, facts: MountsFacts) -> list[Candidate]:
    """Mounts first, then brackets; nothing where the mounts hold nothing."""
    try:
        found = held(context, facts)
    except CoreError:
        return []
    return [*_mounts(facts), *_brackets(facts, found)]


def _mounts(facts: MountsFacts) -> Iterator[Candidate]:
    if not facts.mounts:
        for school in (FIRMER.get(facts.school), "soft" if facts.school != "soft" else None):
            if school is not None:
                yield Candidate(
                    f"school_{school}",
                    "mounts",
                    Sentence("Mounts: {then}", {"then": SCHOOLS[school].label}),
                    {"mounts.school": school, "mounts.sink": None},
                )
        words = Sentence("Mounts {by} farther apart", {"by": (WIDER, "size")})
        yield Candidate("apart", "mounts", words, {"mounts.apart": likely(facts.apart) + WIDER})
        return
    for stuff in ("soft", "firm", "poly"):
        if any(m.stuff != stuff for _, m in facts.mounts):
            changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {}
            for id, m in facts.mounts:
                changes[f"mounts.mounts.{id}.stuff"] = stuff
                # Chosen for the same load: as much stiffer as its stuff sinks less.
                changes[f"mounts.mounts.{id}.rate"] = likely(m.rate) * STUFFS[m.stuff].sink / STUFFS[stuff].sink
                changes[f"mounts.mounts.{id}.travel"] = STUFFS[stuff].travel
            yield Candidate(
                f"all_{stuff}", "mounts", Sentence("All mounts of {then}", {"then": STUFFS[stuff].label}), changes
            )
    wide: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {
        f"mounts.mounts.{id}.left": likely(m.left) + (0.5 * WIDER if likely(m.left) > 0.0 else -0.5 * WIDER)
        for id, m in facts.mounts
        if m.left is not None and abs(likely(m.left)) > WIDER
    }
    if wide:
        yield Candidate("apart", "mounts", Sentence("Mounts {by} farther apart", {"by": (WIDER, "size")}), wide)


def _brackets(facts: MountsFacts, found: Held) -> Iterator[Candidate]:
    for item in braced(facts.brackets, len(found.stood.feet)):
        if lacks(item):
            continue
        yield from _stronger(item)
        if item.facts.welded == "yes":
            throat = 1.02 * likely(throat_for(item.facts, item.where, rest_on(found, item.foot)))
            if throat > likely(item.facts.throat):
                words = Sentence("{name}: throat of {a}", {"name": item.name, "a": (throat, "size")})
                yield Candidate(f"throat_{item.id}", "brackets", words, {f"{item.where}.throat": throat})
        yield from _plate(item, found)
        if item.facts.arm is not None and likely(item.facts.arm) > 2.0 * SHORTER:
            words = Sentence("{name}: arm {by} shorter", {"name": item.name, "by": (SHORTER, "size")})
            changes = {f"{item.where}.arm": likely(item.facts.arm) - SHORTER}
            yield Candidate(f"arm_{item.id}", "brackets", words, dict(changes))


def _plate(item: Braced, found: Held) -> Iterator[Candidate]:
    """The least plate that the sheet holds, where what is under it is less."""
    own = item.facts
    if own.on_sheet != "yes" or own.plate is None or sheet_lacks(item):
        return
    least = sheeted(own, item.where, worst_on(found, item.foot)[0]).least
    if least is not None and least > likely(own.plate):
        words = Sentence("{name}: plate of {w}", {"name": item.name, "w": (least, "size")})
        yield Candidate(f"plate_{item.id}", "brackets", words, {f"{item.where}.plate": least})


def _stronger(item: Braced) -> Iterator[Candidate]:
    own, where = item.facts, item.where
    if own.shape == "flat":
        wide, wall = likely(own.wide or 0.0), likely(own.wall or 0.0)
        yield _shaped(item, "edge", "set on edge", {"high": wide, "wide": None})
        yield _shaped(item, "gusset", "a gusset of 40 mm under it", {"high": GUSSET, "web": wall})
    if own.shape in ("flat", "edge", "tube"):
        across = max(_size(own, "wide"), _size(own, "high"), 0.030)
        yield _shaped(
            item,
            "box",
            "a box in its place",
            {"wide": 0.8 * across, "high": across, "wall": max(_size(own, "wall"), 0.003)},
        )
    if own.shape in ("tube", "box") and own.wall is not None:
        thicker = likely(own.wall) + 0.001
        words = Sentence("{name}: wall {t}", {"name": item.name, "t": (thicker, "size")})
        yield Candidate(f"wall_{item.id}", "brackets", words, {f"{where}.wall": thicker})


def _size(own: BracketFacts, name: str) -> float:
    value = getattr(own, name)
    return 0.0 if value is None else likely(value)


def _shaped(item: Braced, shape: str, words: str, sizes: dict[str, float | None]) -> Candidate:
    changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {f"{item.where}.shape": shape}
    changes |= {f"{item.where}.{name}": value for name, value in sizes.items()}
    return Candidate(
        f"{shape}_{item.id}", "brackets", Sentence("{name}: {then}", {"name": item.name, "then": words}), changes
    )
