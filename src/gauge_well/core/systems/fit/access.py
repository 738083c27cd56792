"""Hands and tools: what can be reached with the engine in its place, standing on its wheels and raised."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.geometry import gjk
from gauge_well.core.geometry.convex import Convex, cylinder
from gauge_well.core.geometry.separating import depth
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Scene
from gauge_well.core.typing import Array, likely

NEEDED = 0.005  # m round a hand or a tool (common practice)
RAISED = 0.40  # m on stands
# Tools and hands [m], to the class of MIL-STD-1472, from memory.
SOCKET, SOCKET_LONG, RATCHET, HANDLE, SWING = 0.030, 0.090, 0.040, 0.250, np.deg2rad(30.0)
SPANNER, SPANNER_LONG, FIST, ARM = 0.030, 0.180, 0.110, 0.115
HAND_LONG = 0.190


@dataclass(frozen=True)
class Item:
    """Something that must be reached: its tool in engine axes, each way it may be held, and what of the build is no
    hindrance."""

    id: str
    name: str
    tool: str
    held: Sequence[Sequence[Convex]]
    open: frozenset[str] = frozenset({"bonnet"})


@dataclass(frozen=True)
class Reached:
    """How far a tool in its place stays clear [m], on its wheels and raised, and what it meets first; ``reach``:
    ``now``, ``raised`` or ``no``."""

    id: str
    name: str
    tool: str
    gap: float
    by: str
    raised_gap: float
    raised_by: str
    reach: str


def _socket(at: Array, way: Array) -> list[list[Convex]]:
    """A socket with its ratchet, its handle swung by thirty degrees as three bars: towards each of four sides."""
    head = at + way * (SOCKET_LONG + 0.5 * RATCHET)
    side = np.cross(way, [0.0, 1.0, 0.0] if abs(way[1]) < 0.9 else [1.0, 0.0, 0.0])
    side /= np.linalg.norm(side)
    other = np.cross(way, side)
    shaft = cylinder(at + 1e-3 * way, head, 0.5 * SOCKET)
    found = []
    for quarter in range(4):
        turns = 0.5 * np.pi * quarter + np.array([-0.5 * SWING, 0.0, 0.5 * SWING])
        bars = [cylinder(head, head + HANDLE * (np.cos(t) * side + np.sin(t) * other), 0.5 * RATCHET) for t in turns]
        found.append([shaft, *bars])
    return found


def _spanner(at: Array, along: Array) -> list[list[Convex]]:
    return [[cylinder(at + 1e-3 * along, at + SPANNER_LONG * along, 0.5 * SPANNER)]]


def _fist(at: Array, way: Array) -> list[list[Convex]]:
    return [[cylinder(at + 5e-3 * way, at + (HAND_LONG + 5e-3) * way, 0.5 * FIST)]]


X, Y, Z = np.eye(3)


def items(facts: FitFacts) -> list[Item]:
    """What is serviced on every engine, where the sizes taken put it; filters where they are stated."""
    unit, case = facts.unit, facts.gearcase
    length, cover, pan = likely(unit.length or 0.0), likely(unit.cover or 0.0), likely(unit.pan)
    block, bell = likely(unit.block), likely(unit.bell)
    well = {"rear": 0.2, "front": 0.7, "whole": 0.5}[unit.well] * length
    found = [
        Item("plugs", "Plugs or injectors", "socket from above", _socket(np.array([0.5 * length, 0.0, cover]), Z)),
        Item("dipstick", "Dipstick", "hand from above", _fist(np.array([0.4 * length, block + 0.06, 0.7 * cover]), Z)),
        Item("drain", "Drain plug", "socket from below", _socket(np.array([well, 0.0, -pan]), -Z)),
        Item("crank", "Crank bolt", "socket from ahead", _socket(np.array([length, 0.0, 0.0]), X)),
    ]
    if case.there == "yes":
        top = np.array([0.01, 0.0, bell + 0.02])
        found.append(Item("bell", "Top bell bolts", "spanner from above", _spanner(top, _unit(X + 0.3 * Z))))
        side = np.array([0.06, -bell, 0.0])
        found.append(Item("starter", "Starter's bolts", "spanner from ahead", _spanner(side, X)))
        back = np.array([-0.6 * likely(case.bell_length), 0.8 * bell, -0.2 * bell])
        found.append(Item("slave", "Slave's bleed screw", "spanner from the side", _spanner(back, Y)))
    return [*found, *_filters(facts)]


def _unit(way: Array) -> Array:
    return np.asarray(way / np.linalg.norm(way))


def _filters(facts: FitFacts) -> Iterator[Item]:
    for id, part in facts.solids:
        ends = (part.ahead, part.left, part.over, part.to_ahead, part.to_left, part.to_over)
        if part.what != "filter" or part.moves != "unit" or part.shape != "round" or any(v is None for v in ends):
            continue
        a, b = np.array([likely(v or 0.0) for v in ends[:3]]), np.array([likely(v or 0.0) for v in ends[3:]])
        way = _unit(b)
        tip = a + b + way * 0.5 * likely(part.diameter or 0.0)
        yield Item(f"filter_{id}", "Filter", "hand at its end", _fist(tip, way), frozenset({"bonnet", id}))


def reached(scene: Scene, facts: FitFacts) -> list[Reached]:
    """Each item's tool against all that stands, and against the other things stated on the engine."""
    turn, at = scene.pose.rotation, scene.pose.shift
    stated = {id for id, _ in facts.solids}
    own = [(t, t.solid.moved(turn, at)) for t in scene.unit if t.whole in stated and not t.drawn]
    others = [(t, t.solid) for t in scene.machine if t.id != "ground_bump"]
    found = []
    for item in items(facts):
        held = [[s.moved(turn, at) for s in own] for own in item.held]
        against = [(t, s) for t, s in (*own, *others) if t.whole not in item.open]
        lowered = [(t.name, s.shifted(np.array([0.0, 0.0, -RAISED])) if t.moves == "ground" else s) for t, s in against]
        gap, by = max(_least(tool, [(t.name, s) for t, s in against]) for tool in held)
        raised_gap, raised_by = max(_least(tool, lowered) for tool in held)
        reach = "now" if gap >= NEEDED else "raised" if raised_gap >= NEEDED else "no"
        found.append(Reached(item.id, item.name, item.tool, gap, by, raised_gap, raised_by, reach))
    return found


def _least(tools: Sequence[Convex], against: Sequence[tuple[str, Convex]]) -> tuple[float, str]:
    pairs = [(tool, name, solid) for tool in tools for name, solid in against]
    if not pairs:
        return 1.0, ""
    gap = gjk.gaps([p[0] for p in pairs], [p[2] for p in pairs])
    for k in np.flatnonzero(gap <= 0.0):
        gap[k] = -depth(pairs[k][0], pairs[k][2])[0]
    least = int(np.argmin(gap))
    return float(gap[least]), pairs[least][1]
