"""Distance between convex solids, many pairs at once (gilbert1988).

The nearest point to nought of the set of differences of two hulls is closed in on from its corners: at most four of them
at a time, the newest always among those that count. One call over all pairs and positions: a call for each pair is six
times slower.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.geometry.convex import Convex, padded
from gauge_well.core.typing import Array

ROUNDS = 64
CLOSE = 1e-12  # of a distance squared, by which a further corner must be nearer
TOUCHES = 1e-10  # m: nearer, they meet
# Which of three older corners count beside the newest, the fewest first.
FACES = [np.array(face) for n in (1, 2, 3) for face in combinations(range(3), n)]


@dataclass(frozen=True)
class Apart:
    """Of each pair (k): distance [m], nought where they meet; the direction (k, 3) from the first to the second; the
    nearest points (k, 3) of both."""

    distance: Array
    direction: Array
    first: Array
    second: Array


def _nearest(corners: Array, there: NDArray[np.bool_]) -> tuple[Array, Array]:
    """Weights (k, 4) of the point nearest to nought on the simplices (k, 4, 3), newest corner first, and its square.

    All faces with the newest corner are solved by their Gram matrices; the nearest with no weight below nought
    stands.
    """
    new, sides = corners[:, 0], corners[:, 1:] - corners[:, :1]
    gram = sides @ sides.transpose(0, 2, 1)
    right = -(sides @ new[:, :, None])[:, :, 0]
    best = (new * new).sum(axis=1)
    weights = np.zeros((len(corners), 4))
    for face in FACES:
        rows = np.flatnonzero(there[:, 1:][:, face].all(axis=1))
        if not rows.size:
            continue
        own, want = gram[rows][:, face][:, :, face], right[rows][:, face]
        share, sound = _solved(own, want, len(face))
        sound &= (share >= 0.0).all(axis=1) & (share.sum(axis=1) <= 1.0)
        rows, share = rows[sound], share[sound]
        point = new[rows] + (share[:, None, :] @ sides[rows][:, face])[:, 0]
        square = (point * point).sum(axis=1)
        nearer = square < best[rows]
        rows = rows[nearer]
        best[rows] = square[nearer]
        weights[rows] = 0.0
        weights[rows[:, None], 1 + face] = share[nearer]
    weights[:, 0] = 1.0 - weights[:, 1:].sum(axis=1)
    return weights, best


def _solved(own: Array, want: Array, n: int) -> tuple[Array, NDArray[np.bool_]]:
    """Small systems (k, n, n) by their cofactors, and which of them are sound."""
    scale = own.trace(axis1=1, axis2=2) / n
    if n == 1:
        det = own[:, 0, 0]
        found = want
    elif n == 2:
        a, b, d = own[:, 0, 0], own[:, 0, 1], own[:, 1, 1]
        det = a * d - b * b
        found = np.stack([d * want[:, 0] - b * want[:, 1], a * want[:, 1] - b * want[:, 0]], axis=1)
    else:
        a, b, c, d, e, f = (own[:, i, j] for i, j in ((0, 0), (0, 1), (0, 2), (1, 1), (1, 2), (2, 2)))
        p, q, r = d * f - e * e, c * e - b * f, b * e - c * d
        det = a * p + b * q + c * r
        s, t, u = a * f - c * c, b * c - a * e, a * d - b * b
        x, y, z = want[:, 0], want[:, 1], want[:, 2]
        found = np.stack([p * x + q * y + r * z, q * x + s * y + t * z, r * x + t * y + u * z], axis=1)
    sound = det > 1e-14 * np.maximum(scale, 1e-300) ** n
    return found / np.where(sound, det, 1.0)[:, None], sound


def distance(first: Array, second: Array) -> Apart:
    """How far hulls are apart.

    Parameters
    ----------
    first, second : array (k, n, 3), (k, m, 3)
        Corners of both hulls of each pair [m]; what is short is filled by repeating a corner.

    Returns
    -------
    Apart
        To some 1e-12 m for solids of a metre. What has a radius is that much nearer.
    """
    k = len(first)
    own = np.arange(k)
    # The first corner: any will do.
    start = first.mean(axis=1) - second.mean(axis=1)
    i, j = _farthest(first, -start), _farthest(second, start)
    now = _Simplex(
        rows=own,
        corners=np.repeat((first[own, i] - second[own, j])[:, None], 4, axis=1),
        weights=np.tile([1.0, 0.0, 0.0, 0.0], (k, 1)),
        at=np.repeat(np.stack([i, j], axis=1)[:, :, None], 4, axis=2),
    )
    weights, at = np.zeros((k, 4)), np.zeros((k, 2, 4), dtype=int)
    for _ in range(ROUNDS):
        weights[now.rows], at[now.rows] = now.weights, now.at
        now = now.nearer(first, second)
        if not len(now.rows):
            break
    else:
        weights[now.rows], at[now.rows] = now.weights, now.at
    everyone = own[:, None]
    on_first = np.einsum("ki,kid->kd", weights, first[everyone, at[:, 0]])
    on_second = np.einsum("ki,kid->kd", weights, second[everyone, at[:, 1]])
    between = on_second - on_first
    apart = np.linalg.norm(between, axis=1)
    apart = np.where(apart < TOUCHES, 0.0, apart)
    return Apart(apart, between / np.where(apart > 0.0, apart, 1.0)[:, None], on_first, on_second)


def gaps(first: Sequence[Convex], second: Sequence[Convex]) -> Array:
    """Gaps of solids pair by pair [m], their radii counted; nought or less where they meet, which is not how deep."""
    a, ra = padded(first)
    b, rb = padded(second)
    return np.asarray(distance(a, b).distance - ra - rb)


def _farthest(points: Array, direction: Array) -> NDArray[np.int_]:
    return np.asarray((points @ direction[:, :, None])[:, :, 0].argmax(axis=1))


@dataclass(frozen=True)
class _Simplex:
    """Of the pairs still worked: up to four corners of the set of differences, those that count by their weights."""

    rows: NDArray[np.int_]
    corners: Array
    weights: Array
    at: NDArray[np.int_]

    def kept(self, which: NDArray[np.bool_]) -> _Simplex:
        """Some of the pairs."""
        return _Simplex(self.rows[which], self.corners[which], self.weights[which], self.at[which])

    def nearer(self, first: Array, second: Array) -> _Simplex:
        """The pairs that a further corner brings nearer to nought, with it."""
        there = self.weights > 0.0
        v = np.einsum("ki,kid->kd", self.weights, self.corners)
        square = np.einsum("kd,kd->k", v, v)
        a, b = first[self.rows], second[self.rows]
        i, j = _farthest(a, -v), _farthest(b, v)
        own = np.arange(len(self.rows))
        new = a[own, i] - b[own, j]
        again = (there & (self.corners == new[:, None]).all(axis=2)).any(axis=1)
        on = ~again & (square - np.einsum("kd,kd->k", v, new) > CLOSE * square) & (square > TOUCHES**2)
        # With four that count nought lies within: they meet, and nothing is nearer.
        on &= ~there.all(axis=1)
        order = np.argsort(~there, axis=1, kind="stable")[:, :3]
        corners = np.concatenate([new[:, None], np.take_along_axis(self.corners, order[:, :, None], axis=1)], axis=1)
        there = np.concatenate([np.ones_like(on)[:, None], np.take_along_axis(there, order, axis=1)], axis=1)
        at = np.concatenate(
            [np.stack([i, j], axis=1)[:, :, None], np.take_along_axis(self.at, order[:, None, :], axis=2)], axis=2
        )
        weights, found = _nearest(corners, there)
        # No nearer than before is as near as these numbers tell.
        return _Simplex(self.rows, corners, weights, at).kept(on & (found < square))
