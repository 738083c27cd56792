"""What no control can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import likely


def refuse(facts: ControlsFacts) -> None:
    """Raise :class:`CoreError` for a free way over all of a pedal's, a rod shorter than its rack is moved."""
    if facts.pad is not None and likely(facts.pad_lost) >= likely(facts.pad):
        raise CoreError("lost", "controls.pad_lost", likely(facts.pad_lost), "less than the pad moves", "A pedal is not free for all its way.")  # fmt: skip
    if (
        facts.rod is not None
        and facts.lowered is not None
        and likely(facts.rod) <= abs(likely(facts.lowered)) + likely(facts.bump)
    ):
        raise CoreError("rod", "controls.rod", likely(facts.rod), "more than rack and wheel move", "A track rod so short does not reach.")  # fmt: skip
    if (
        facts.wheel is not None
        and likely(facts.lever_before) > 0.0
        and likely(facts.lever_before) > likely(facts.opens)
    ):
        raise CoreError("lever", "controls.lever_before", likely(facts.lever_before), "less than it turns", "A lever that never comes square to its cable.")  # fmt: skip
