"""What was worked already, by the very values it stands on: bounded, the least lately used forgotten first."""

from __future__ import annotations

import hashlib
import threading
from collections import OrderedDict
from collections.abc import Callable, Hashable
from dataclasses import is_dataclass
from typing import Any, TypeVar

import numpy as np

T = TypeVar("T")


class Same:
    """A key that is this very object; holds it, so that no other can take its place."""

    __slots__ = ("held",)

    def __init__(self, held: object) -> None:
        self.held = held

    def __hash__(self) -> int:
        return id(self.held)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Same) and other.held is self.held


def by_value(value: Any) -> Hashable:
    """A value as a key. Facts are keys already, but for samples, which are told by a digest of theirs."""
    try:
        hash(value)
    except TypeError:
        return _told(value)
    return value  # type: ignore[no-any-return]


_AS_IS = frozenset({float, str, int, bool, type(None)})


def _told(value: Any) -> Hashable:
    if type(value) in _AS_IS:
        return value  # type: ignore[no-any-return]
    if isinstance(value, np.ndarray):
        return value.shape, hashlib.blake2b(value.tobytes(), digest_size=16).digest()
    # Most of what facts hold is plain: told here, not by a call each.
    if isinstance(value, tuple | list):
        return tuple([v if type(v) in _AS_IS else _told(v) for v in value])
    if is_dataclass(value):
        return type(value), *[v if type(v) in _AS_IS else _told(v) for v in vars(value).values()]
    return value  # type: ignore[no-any-return]


def digest(key: Hashable) -> bytes:
    """A key of facts and digests in sixteen bytes: what is printed of them is exact."""
    return hashlib.blake2b(repr(key).encode(), digest_size=16).digest()


class Memory:
    """Results by what they stand on.

    Parameters
    ----------
    drawn : int
        Columns that are kept of what was worked in samples; a result weighs as many as it was worked in.
    likely : int
        Results that are kept of what was worked in one column, apart, so that no drawn build pushes them out.

    Safe between threads: what two ask at once is worked twice, and the first of it kept. Of nothing, nothing is kept.
    """

    def __init__(self, drawn: int, likely: int | None = None) -> None:
        self._shelves = _Shelf(drawn if likely is None else likely), _Shelf(drawn)
        self._lock = threading.Lock()

    def recall(self, key: Hashable, work: Callable[[], T], weight: int = 1) -> T:
        """What was worked for ``key``, else worked now; what raises is not kept."""
        shelf = self._shelves[weight > 1]
        with self._lock:
            there = shelf.find(key)
        if there is not None:
            kept: T = there[0]
            return kept
        fresh = work()
        with self._lock:
            first: T = shelf.keep(key, fresh, weight)
        return first

    def find(self, key: Hashable) -> Any | None:
        """What was worked for ``key``, where it is still there."""
        with self._lock:
            for shelf in self._shelves:
                there = shelf.find(key)
                if there is not None:
                    return there[0]
        return None

    def forget(self) -> None:
        """All of it."""
        with self._lock:
            for shelf in self._shelves:
                shelf.clear()


class _Shelf:
    """The least lately used goes first."""

    def __init__(self, most: int) -> None:
        self._most = most
        self.clear()

    def clear(self) -> None:
        self._kept: OrderedDict[Hashable, tuple[Any, int]] = OrderedDict()
        self._weight = 0

    def find(self, key: Hashable) -> tuple[Any, int] | None:
        there = self._kept.get(key)
        if there is not None:
            self._kept.move_to_end(key)
        return there

    def keep(self, key: Hashable, fresh: Any, weight: int) -> Any:
        there = self._kept.get(key)
        if there is not None:
            return there[0]
        self._kept[key] = fresh, weight
        self._weight += weight
        while self._weight > self._most and self._kept:
            _, (_, gone) = self._kept.popitem(last=False)
            self._weight -= gone
        return fresh


MEMORY = Memory(
    drawn=40_000, likely=1_500
)  # two builds drawn in full; a build and the changes tried on it, a few times
ANSWERS = Memory(20_000)  # answers of a few hundred bytes, of what is worked once and let go
