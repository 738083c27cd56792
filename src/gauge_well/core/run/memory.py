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


def _told(value: Any) -> Hashable:
    if isinstance(value, np.ndarray):
        return value.shape, hashlib.blake2b(value.tobytes(), digest_size=16).digest()
    if isinstance(value, tuple | list):
        return tuple(map(_told, value))
    if is_dataclass(value):
        return type(value), *map(_told, vars(value).values())
    return value  # type: ignore[no-any-return]


class Memory:
    """Results by what they stand on.

    Parameters
    ----------
    most : int
        Weight that is kept; 0 keeps nothing. A result weighs as many as the columns it was worked in.

    Safe between threads: what two ask at once is worked twice, and the first of it kept.
    """

    def __init__(self, most: int) -> None:
        self.most = most
        self._kept: OrderedDict[Hashable, tuple[Any, int]] = OrderedDict()
        self._weight = 0
        self._lock = threading.Lock()

    def recall(self, key: Hashable, work: Callable[[], T], weight: int = 1) -> T:
        """What was worked for ``key``, else worked now; what raises is not kept."""
        with self._lock:
            found = self._kept.get(key)
            if found is not None:
                self._kept.move_to_end(key)
                kept: T = found[0]
                return kept
        fresh = work()
        with self._lock:
            there = self._kept.get(key)
            if there is not None:
                first: T = there[0]
                return first
            self._kept[key] = fresh, weight
            self._weight += weight
            while self._weight > self.most and self._kept:
                _, (_, gone) = self._kept.popitem(last=False)
                self._weight -= gone
        return fresh

    def forget(self) -> None:
        """All of it."""
        with self._lock:
            self._kept.clear()
            self._weight = 0


MEMORY = Memory(40_000)  # columns: some hundred builds as they are likely, or two drawn in full
