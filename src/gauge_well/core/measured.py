"""What readings taught of a build: factors on its model, as the fit left them, carried by every later run of it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array


def draws_by(fact: str, doubts: Sequence[str]) -> str:
    """The standard draws that a factor goes by: those of the fact it multiplies, else of the last doubt it takes the place of."""
    return fact or f"model.{doubts[-1]}"


def root_of(rows: Sequence[Sequence[float]]) -> Array:
    """The lower root that rows, each as long as its place, make (factor, factor)."""
    root = np.zeros((len(rows), len(rows)))
    for at, row in enumerate(rows):
        root[at, : len(row)] = row
    return root


@dataclass(frozen=True)
class Learned:
    """A factor after readings.

    ``fact``: the fact it multiplies, else ``doubts`` of the model that it takes the place of, the first of which carries it.
    ``held``: beginnings of the paths of facts whose own doubt it carries. ``mode``: of its logarithm; ``row``: of the lower root of
    the logarithms' covariance.
    """

    id: str
    label: str
    fact: str
    doubts: tuple[str, ...]
    held: tuple[str, ...]
    mode: float
    row: tuple[float, ...]

    @property
    def column(self) -> str:
        """The standard draws it goes by: those of what it takes the place of."""
        return draws_by(self.fact, self.doubts)


@dataclass(frozen=True)
class Measured:
    """All factors after readings, in the order of their rows."""

    factors: tuple[Learned, ...]

    def holds(self, path: str) -> bool:
        """Whether a fact's own doubt is carried by a factor."""
        return any(path == f.fact or path.startswith(f.held) for f in self.factors)

    def values(self, z: Sequence[Array]) -> Array:
        """Factors over standard draws, a column each (factor, sample)."""
        root = root_of([factor.row for factor in self.factors])
        mode = np.array([f.mode for f in self.factors])
        return np.asarray(np.exp(mode[:, None] + root @ np.stack(z)))

    def doubts(self, values: Array) -> Mapping[str, Array]:
        """Model factors at some values (factor, sample): the first of each carries it, the rest are 1."""
        found: dict[str, Array] = {}
        for factor, row in zip(self.factors, values, strict=True):
            for at, doubt in enumerate(factor.doubts):
                found[doubt] = row if at == 0 else np.ones(1)
        return found

    def facts(self, values: Array) -> Mapping[str, Array]:
        """What each fact is multiplied by (sample,)."""
        return {f.fact: row for f, row in zip(self.factors, values, strict=True) if f.fact}

    def likely(self) -> Array:
        """Factors at their mode (factor, 1)."""
        return np.asarray(np.exp(np.array([[f.mode] for f in self.factors])))
