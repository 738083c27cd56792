"""Locks that end with whoever holds them: one start of a state folder, one set-up of a checkout at a time."""

from __future__ import annotations

import fcntl
import os
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path

from gauge_well.launch import say


class Held(Exception):
    """Somebody else holds the lock; ``said`` is what they wrote into it."""

    def __init__(self, said: str) -> None:
        super().__init__(said)
        self.said = said


@contextmanager
def held(file: Path, said: str) -> Iterator[None]:
    """Hold a lock and write into it; Held where somebody does. The kernel frees it with the process."""
    descriptor = os.open(file, os.O_RDWR | os.O_CREAT, 0o644)
    try:
        try:
            fcntl.flock(descriptor, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError as error:
            raise Held(os.read(descriptor, 200).decode(errors="replace")) from error
        os.ftruncate(descriptor, 0)
        os.write(descriptor, said.encode())
        yield
        os.ftruncate(descriptor, 0)
    finally:
        os.close(descriptor)


def holder(file: Path) -> str | None:
    """What whoever holds a lock wrote into it; None where nobody does."""
    try:
        with held(file, ""):
            return None
    except Held as taken:
        return taken.said
    except OSError:
        return None


@contextmanager
def waited_for(file: Path, what: str) -> Iterator[None]:
    """Hold a lock, after whoever holds it now; without one where it cannot be written."""
    try:
        descriptor = os.open(file, os.O_RDWR | os.O_CREAT, 0o644)
    except OSError:
        yield
        return
    try:
        try:
            fcntl.flock(descriptor, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except BlockingIOError:
            say.line(f"  Waiting: {what}")
            fcntl.flock(descriptor, fcntl.LOCK_EX)
        yield
    finally:
        with suppress(OSError):
            os.close(descriptor)
