"""What hangs on what: nodes that work where all of one way to them works; the least that would bring one on.

AND within a way, OR between ways. What works is the least fixed point: a ring of nodes that wait for each other never comes on by
itself.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.sparse import csr_array
from scipy.sparse.csgraph import connected_components

MOST_TRIED = 200_000  # partial sets that are looked at


@dataclass(frozen=True)
class Way:
    """One way to a node: all it needs, and what it costs to make."""

    needs: frozenset[str] = frozenset()
    cost: float = 0.0


Chain = Mapping[str, Sequence[Way]]


def way(needs: str = "", cost: float = 0.0) -> Way:
    """By words parted by blanks."""
    return Way(frozenset(needs.split()), cost)


def on(chain: Chain, there: Collection[str]) -> frozenset[str]:
    """Everything that works with what is there; nodes without ways only where they are there."""
    found = set(there)
    more = True
    while more:
        come = {n for n, ways in chain.items() if n not in found and any(w.needs <= found for w in ways)}
        found |= come
        more = bool(come)
    return frozenset(found)


def rings(chain: Chain, there: Collection[str] = ()) -> list[tuple[str, ...]]:
    """Nodes that are off and wait for each other, ring by ring, in the order of the chain."""
    off = [n for n in chain if n not in on(chain, there)]
    index = {n: i for i, n in enumerate(off)}
    arcs = [
        (index[n], index[m]) for n in off for w in chain[n] if not w.needs <= set(there) for m in w.needs if m in index
    ]
    if not arcs:
        return []
    a, b = np.transpose(arcs)
    graph = csr_array((np.ones(len(arcs)), (a, b)), shape=(len(off), len(off)))
    _, label = connected_components(graph, directed=True, connection="strong")
    own = set(zip(a.tolist(), b.tolist(), strict=True))
    groups = [tuple(n for n in off if label[index[n]] == k) for k in dict.fromkeys(label.tolist())]
    return [g for g in groups if len(g) > 1 or (index[g[0]], index[g[0]]) in own]


@dataclass(frozen=True)
class Least:
    """The cheapest way to bring a node on: leaves to provide, and ways to make, in all at ``cost``."""

    leaves: frozenset[str]
    cost: float


def least(chain: Chain, target: str, there: Collection[str], costs: Mapping[str, float]) -> Least | None:
    """The cheapest set of leaves that brings ``target`` on, what is shared counted once; None where none does.

    Parameters
    ----------
    chain : mapping node -> ways
    target : str
    there : collection
        Nodes that work already.
    costs : mapping leaf -> cost
        What may be provided; a node without ways that is not among them cannot be.

    Exact: every way of every node still asked is tried, the cheapest first; a ring is no way.
    """
    best: Least | None = None
    tried = 0

    def ways_of(node: str) -> Iterator[Way]:
        yield from sorted(chain.get(node, ()), key=lambda w: w.cost)

    def seek(asked: tuple[str, ...], made: frozenset[str], leaves: frozenset[str], cost: float) -> None:
        nonlocal best, tried
        tried += 1
        if tried > MOST_TRIED or (best is not None and cost >= best.cost):
            return
        open_ = [n for n in asked if n not in made and n not in there and n not in leaves]
        if not open_:
            # A ring satisfies itself on paper: it must come on from the leaves alone.
            if target in on(chain, {*there, *leaves}):
                best = Least(leaves, cost)
            return
        node = open_[0]
        if node in costs:
            seek(tuple(open_[1:]), made, leaves | {node}, cost + costs[node])
        for w in ways_of(node):
            seek((*open_[1:], *sorted(w.needs)), made | {node}, leaves, cost + w.cost)

    seek((target,), frozenset(), frozenset(), 0.0)
    return best
