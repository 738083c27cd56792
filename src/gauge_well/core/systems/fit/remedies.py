"""Changes of place, mounts and metal worth trying, hand work first; only those that touch what is tight."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.errors import MissingFact
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.fit.facts import MOUNTS, FitFacts
from gauge_well.core.systems.fit.gaps import Close, worst
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.typing import likely

NEAR = 0.010  # m of slack from which a pair is worth easing
SHIFT, NOTCH, BULGE = 0.010, 0.025, 0.030  # m
FIRMER = {"soft": "mixed", "mixed": "firm", "firm": "poly", "poly": "solid"}
EASES = {
    "bonnet": ("bonnet", "Bonnet bulged by {by}", ("bonnet_rear", "bonnet_front"), BULGE),
    "member": ("notch", "Crossmember notched by {by}", ("member_top",), -NOTCH),
    "tunnel": ("tunnel", "Tunnel dressed out by {by}", ("tunnel_width", "tunnel_roof"), 0.010),
    "stack": ("stack", "Stack thinner by {by}", ("stack_depth",), -0.020),
}


def candidates(context: Context, facts: FitFacts) -> list[Candidate]:
    """Shift, firmer mounts, easing of what the engine meets, a shallower pan."""
    try:
        found = solved(context, facts)
    except MissingFact:
        return []
    tight = [item for item in worst(found.scene, found.found) if item.slack < NEAR]
    return [*_shifts(facts, tight), *_mounts(facts, tight), *_metal(facts, tight), *_pan(facts, tight)]


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


def _mounts(facts: FitFacts, tight: list[Close]) -> Iterator[Candidate]:
    firmer = FIRMER.get(facts.mounts)
    if firmer and any("rest" not in item.position for item in tight):
        now, then = likely(facts.rock), MOUNTS[firmer].rock
        if then < now:
            yield Candidate(
                "mounts",
                "place",
                Sentence(f"Mounts: {MOUNTS[firmer].label}, rock {{a}} → {{b}}", {"a": (now, "angle"), "b": (then, "angle")}),
                {"fit.mounts": firmer, "fit.rock": None, "fit.bounce": None},
            )


def _metal(facts: FitFacts, tight: list[Close]) -> Iterator[Candidate]:
    met = {item.machine.whole for item in tight}
    for thing, (id, words, fields, by) in EASES.items():
        if thing in met:
            changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {
                f"fit.bay.{field}": likely(getattr(facts.bay, field)) + by for field in fields
            }
            yield Candidate(id, "place", Sentence(words, {"by": (abs(by), "size")}), changes)


def _pan(facts: FitFacts, tight: list[Close]) -> Iterator[Candidate]:
    if any(item.unit.what == "pan" for item in tight):
        now = likely(facts.unit.pan)
        least = likely(facts.unit.pan_shallow)
        then = max(now - NOTCH, least)
        if then < now:
            yield Candidate(
                "pan",
                "place",
                Sentence("Pan's well {a} → {b}", {"a": (now, "size"), "b": (then, "size")}),
                {"fit.unit.pan": then},
            )
