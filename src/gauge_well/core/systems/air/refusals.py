"""What no intake can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.typing import likely


def refuse(facts: AirFacts) -> None:
    """Raise :class:`CoreError` for openings the wrong way up or a throttle wider than the pipe it ends could ever feed."""
    own = facts.filter
    if own.drop is not None and own.drop_flow is None:
        raise CoreError(
            "flow_missing", "air.filter.drop_flow", None, "the flow it was read at", "A filter's loss goes with a flow."
        )
    if facts.meter is not None and facts.pipe.bore is not None and likely(facts.meter) > 2.0 * likely(facts.pipe.bore):
        raise CoreError(
            "meter_wide",
            "air.meter",
            likely(facts.meter),
            "at most twice its pipe",
            "A meter of that bore does not sit in that pipe.",
        )
