"""What no ledger, sling or envelope can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.typing import likely

CORNERS = 3


def refuse(facts: WeightsFacts) -> None:
    """Raise :class:`CoreError` for eyes the wrong way about, an axle over its own plate's like, a flat envelope."""
    front, rear = facts.lift_front, facts.lift_rear
    if front is not None and rear is not None and likely(front) <= likely(rear):
        raise CoreError(
            "contradicts",
            "weights.lift_front",
            likely(front),
            f"over {1e3 * likely(rear):.0f} mm",
            "The front eye lies ahead of the rear one.",
        )
    if facts.stand_front is not None and facts.stand_rear is not None:
        ahead, behind = likely(facts.stand_front), likely(facts.stand_rear)
        if ahead >= behind:
            raise CoreError(
                "contradicts",
                "weights.stand_front",
                ahead,
                f"under {1e3 * behind:.0f} mm",
                "The front stands stand ahead of the rear ones.",
            )
    if facts.raised_front is not None and facts.front is not None and likely(facts.raised_front) <= likely(facts.front):
        raise CoreError(
            "contradicts",
            "weights.raised_front",
            likely(facts.raised_front),
            f"over {likely(facts.front):.0f} kg",
            "With the rear raised the front axle carries more, not less.",
        )
    if facts.envelope is not None and len(facts.envelope) < CORNERS:
        raise CoreError(
            "too_few",
            "weights.envelope",
            float(len(facts.envelope)),
            f"{CORNERS} corners or more",
            "Two corners are a line, and no envelope.",
        )
