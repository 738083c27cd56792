"""Runs along a machine as lanes: each goes across to its lane, along it, and across again. What they share and where they cross."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np


@dataclass(frozen=True)
class Track:
    """One run: where it begins and ends along the machine [m], the lane it begins in, runs in and ends in (0, 1, 2 from the left)."""

    id: str
    start: float
    end: float
    lanes: tuple[int, int, int]

    @property
    def legs(self) -> list[tuple[float, float, float, float]]:
        """Straight pieces (along, lane) to (along, lane): across, along, across."""
        a, b, c = self.lanes
        found = [(self.start, a, self.start, b), (self.start, b, self.end, b), (self.end, b, self.end, c)]
        return [leg for leg in found if leg[:2] != leg[2:]]

    def length(self, apart: float) -> float:
        """Least length [m] where lanes lie so far ``apart`` [m]."""
        return abs(self.end - self.start) + apart * (
            abs(self.lanes[1] - self.lanes[0]) + abs(self.lanes[2] - self.lanes[1])
        )

    @property
    def span(self) -> tuple[float, float]:
        """From and to along its lane [m]."""
        return min(self.start, self.end), max(self.start, self.end)


@dataclass(frozen=True)
class Shared:
    """Two or more side by side in a lane, from one place to another [m]."""

    lane: int
    start: float
    end: float
    ids: tuple[str, ...]


def shared(tracks: Sequence[Track]) -> list[Shared]:
    """Every stretch of a lane that has the same runs in it, those of none left out; by lane, then along."""
    found: list[Shared] = []
    for lane in (0, 1, 2):
        own = [t for t in tracks if t.lanes[1] == lane and t.span[1] > t.span[0]]
        cuts = sorted({edge for t in own for edge in t.span})
        for a, b in pairwise(cuts):
            ids = tuple(t.id for t in own if t.span[0] <= a and t.span[1] >= b)
            if not ids:
                continue
            last = found[-1] if found and found[-1].lane == lane else None
            if last is not None and last.ids == ids and last.end == a:
                found[-1] = Shared(lane, last.start, b, ids)
            else:
                found.append(Shared(lane, a, b, ids))
    return found


@dataclass(frozen=True)
class Crossing:
    """One run going across another that lies along: where [m along, lane]."""

    across: str
    along: str
    at: float
    lane: int


def crossings(tracks: Sequence[Track]) -> list[Crossing]:
    """Every place where one goes across a lane in which another runs past."""
    found = []
    for one in tracks:
        for x0, l0, x1, l1 in one.legs:
            if x0 != x1:
                continue
            low, high = min(l0, l1), max(l0, l1)
            for other in tracks:
                lane = other.lanes[1]
                inside = other.span[0] < x0 < other.span[1]
                # Where it joins that very lane it lies beside the other, and crosses nothing.
                if other.id != one.id and inside and low <= lane <= high and lane != one.lanes[1]:
                    found.append(Crossing(one.id, other.id, x0, lane))
    return sorted(found, key=lambda c: (c.at, c.lane, c.across, c.along))


def reach(tracks: Sequence[Track]) -> tuple[float, float]:
    """From where to where along the machine anything runs [m]."""
    ends = np.array([edge for t in tracks for edge in (t.start, t.end)])
    return (float(ends.min()), float(ends.max())) if ends.size else (0.0, 1.0)
