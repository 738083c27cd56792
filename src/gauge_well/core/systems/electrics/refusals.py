"""What no electrics can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely


def refuse(facts: ElectricsFacts) -> None:
    """Raise :class:`CoreError` for a plate whose low figure is over its full one."""
    own = facts.alternator
    if own.full is not None and own.low is not None and likely(own.low) >= likely(own.full):
        words = "An alternator gives less at low speed than at full: the smaller figure of its plate first."
        raise CoreError(
            "low_over_full", "electrics.alternator.low", likely(own.low), f"under {likely(own.full):.0f} A", words
        )
