"""The cheapest of one thing in each place with which nothing fails: exact, by what the run graph says hangs together.

Picks are looked at in the order of their cost (best first, the rest of a pick counted at its cheapest). One that fails
tells which places the failure hangs on; no pick that is alike in those is ever run. Nothing is assumed of better being
dearer. Source: hart1968.
"""

from __future__ import annotations

import heapq
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

Pick = tuple[int, ...]
# For each of some picks: the places each of its failures hangs on; none where it does not fail.
Tried = list[list[frozenset[int]]]


@dataclass(frozen=True)
class Step:
    """How far a search is: picks run."""

    tried: int


@dataclass(frozen=True)
class Cheapest:
    """What it comes to: the pick, none where there is no such; ``proved``: there is none cheaper, or none at all."""

    pick: Pick | None
    cost: float
    tried: int
    proved: bool


class _Ruled:
    """Picks that are ruled out: by the places a failure hangs on, and what stood in them."""

    def __init__(self) -> None:
        self._by_places: dict[tuple[int, ...], set[Pick]] = {}

    def add(self, places: frozenset[int], pick: Pick) -> None:
        held = tuple(sorted(places))
        self._by_places.setdefault(held, set()).add(tuple(pick[i] for i in held))

    def out(self, pick: Pick) -> bool:
        """Whether a pick, of all places or of the first ones, holds one that is ruled out."""
        known = len(pick)
        return any(
            (not held or held[-1] < known) and tuple(pick[i] for i in held) in picks
            for held, picks in self._by_places.items()
        )


def cheapest(
    costs: Sequence[Sequence[float]], run: Callable[[Sequence[Pick]], Tried], most: int, batch: int = 1
) -> Iterator[Step | Cheapest]:
    """Search; a :class:`Step` after each batch of picks that was run, and the :class:`Cheapest` at its end.

    Parameters
    ----------
    costs : sequence of sequences
        What each thing costs, by place.
    run : callable
        Runs some picks, the index of a thing for each place.
    most : int
        Picks that are run at most.
    batch : int
        Picks that are run together: as many as there are hands.
    """
    rest = [0.0]
    for own in reversed(costs):
        rest.append(rest[-1] + min(own))
    rest.reverse()
    ruled, tried = _Ruled(), 0
    open_: list[tuple[float, int, Pick]] = [(rest[0], 0, ())]
    while open_:
        together: list[tuple[float, Pick]] = []
        while open_ and len(together) < batch:
            least, _, pick = heapq.heappop(open_)
            if ruled.out(pick):
                continue
            if len(pick) == len(costs):
                together.append((least, pick))
                continue
            paid = least - rest[len(pick)]
            for n, cost in enumerate(costs[len(pick)]):
                bound = paid + cost + rest[len(pick) + 1]
                heapq.heappush(open_, (bound, -len(pick) - 1, (*pick, n)))
        if not together:
            break
        failures = run([pick for _, pick in together])
        tried += len(together)
        for (cost, pick), failed in zip(together, failures, strict=True):
            if not failed:
                yield Cheapest(pick, cost, tried, True)
                return
            for places in failed:
                ruled.add(places, pick)
        yield Step(tried)
        if tried >= most:
            yield Cheapest(None, together[-1][0], tried, False)
            return
    yield Cheapest(None, float("inf"), tried, True)
