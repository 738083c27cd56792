"""What no mount or bracket can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.parts.bracket import BracketFacts
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.typing import likely

MOST = 8


def refuse(facts: MountsFacts) -> None:
    """Raise :class:`CoreError` for too many mounts, a tube without a bore, a sleeve longer than its rubber by half."""
    if len(facts.mounts) > MOST:
        id = facts.mounts[MOST][0]
        raise CoreError(
            "too_many",
            f"mounts.mounts.{id}.ahead",
            float(len(facts.mounts)),
            f"{MOST} at most",
            "So many mounts hold no engine.",
        )
    for id, bracket in facts.brackets:
        _hollow(f"mounts.brackets.{id}", bracket)


def _hollow(where: str, facts: BracketFacts) -> None:
    if facts.wall is None or facts.shape not in ("tube", "box"):
        return
    for name in ("wide", "high") if facts.shape == "box" else ("wide",):
        size = getattr(facts, name)
        if size is not None and 2.0 * likely(facts.wall) >= likely(size):
            raise CoreError(
                "no_bore",
                f"{where}.wall",
                likely(facts.wall),
                f"under {500.0 * likely(size):.1f} mm",
                "So thick a wall leaves no hollow: a bar is a plate on edge.",
            )
