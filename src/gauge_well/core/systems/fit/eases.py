"""Changes that give room, hand work first, structure last: what is tried beside a best place and offered instead."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from dataclasses import dataclass

from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Close
from gauge_well.core.systems.fit.shapes import short
from gauge_well.core.typing import likely

FIRMER = 0.47  # of the rock and bounce left on mounts one step firmer: rubber from soft to firm (common practice)
LEAST = 0.005  # rad of rock under which firmer mounts give no room
MOUNTS = "mounts"  # how it rocks is the mounts' own to change
# What moved with the engine can be moved off it.
ELSEWHERE: Mapping[str, str] = {"filter": "on a remote head", "accessory": "moved elsewhere", "tank": "moved elsewhere"}
PAN, STACK, TUNNEL, NOTCH, BULGE, RECESS = 0.025, 0.020, 0.010, 0.025, 0.030, 0.030  # m


@dataclass(frozen=True)
class Ease:
    """One change: its words, by how much [m] or [rad], what is set to what (fit's own facts), and the things it gives
    room at, by their ids."""

    id: str
    words: str
    by: float
    kind: str
    changes: Mapping[str, float | str | None]
    at: frozenset[str]


def eases(facts: FitFacts) -> list[Ease]:
    """All there are for a build, in the order in which a builder would try them."""
    return [*_mounts(facts), *_moved(facts), *_pan(facts), *_metal(facts)]


def touching(found: Collection[Ease], tight: Collection[Close]) -> list[Ease]:
    """Those that give room at a pair that is tight; firmer mounts where it rocks into it."""
    met = {thing for item in tight for thing in (item.unit.whole, item.machine.whole)}
    rocks = any(item.position.split(",")[0] != "at rest" for item in tight)
    return [e for e in found if (e.at & met) or (e.id == MOUNTS and rocks)]


def _mounts(facts: FitFacts) -> Iterator[Ease]:
    rock, bounce = likely(facts.rock or 0.0), likely(facts.bounce or 0.0)
    if abs(rock) > LEAST:
        changes: dict[str, float | str | None] = {"rock": FIRMER * rock, "bounce": FIRMER * bounce}
        by = (1.0 - FIRMER) * abs(rock)
        yield Ease(MOUNTS, "Firmer mounts, rock {by} less", by, "angle", changes, frozenset())


def _moved(facts: FitFacts) -> Iterator[Ease]:
    for id, part in facts.solids:
        where = ELSEWHERE.get(str(part.what))
        if where is not None and part.shape is not None:
            name = short(str(part.what))
            yield Ease(f"off_{id}", f"{name} {where}", 0.0, "size", {f"solids.{id}.shape": None}, frozenset({id}))


def _pan(facts: FitFacts) -> Iterator[Ease]:
    now, least = likely(facts.unit.pan), likely(facts.unit.pan_shallow)
    by = min(PAN, now - least)
    if by > 0.0:
        yield Ease("pan", "Pan's well shallower by {by}", by, "size", {"unit.pan": now - by}, frozenset({"well"}))


def _metal(facts: FitFacts) -> Iterator[Ease]:
    bay = facts.bay
    depth = likely(bay.stack_depth)
    if depth > 0.0:
        by = min(STACK, depth)
        yield Ease("stack", "Stack thinner by {by}", by, "size", {"bay.stack_depth": depth - by}, frozenset({"stack"}))
    for id, words, fields, by, at in (
        ("tunnel", "Tunnel dressed out by {by}", ("tunnel_width", "tunnel_roof"), TUNNEL, ("tunnel", "bulkhead")),
        ("bonnet", "Bonnet bulged by {by}", ("bonnet_rear", "bonnet_front"), BULGE, ("bonnet",)),
        ("member", "Crossmember notched by {by}", ("member_top",), -NOTCH, ("member",)),
        ("bulkhead", "Bulkhead recessed by {by}", ("length",), RECESS, ("bulkhead", "tunnel")),
    ):
        changes: dict[str, float | str | None] = {}
        for name in fields:
            value = getattr(bay, name)
            if value is not None:
                changes[f"bay.{name}"] = likely(value) + by
        if changes:
            yield Ease(id, words, abs(by), "size", changes, frozenset(at))
