"""What no route can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import likely


def refuse(facts: RoutesFacts) -> None:
    """Raise :class:`CoreError` for a run whose clips stand farther apart than it is long."""
    for id, run in facts.routes:
        if run.clips is not None and run.length is not None and likely(run.clips) > likely(run.length):
            path = f"routes.routes.{id}.clips"
            limit = f"up to its length, {likely(run.length):.2f} m"
            raise CoreError("clips_over_length", path, likely(run.clips), limit, "Its clips stand farther apart than it is long.")  # fmt: skip
