"""What no fuel system can be."""

from __future__ import annotations

from contextlib import suppress

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.parts.pump import curve_of
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.pump import LIFT, MAIN, place_of
from gauge_well.core.typing import likely


def refuse(facts: FuelFacts) -> None:
    """Raise :class:`CoreError` for a pump that gives more at more pressure; a pump not given is fine."""
    for which in (MAIN, LIFT):
        with suppress(MissingFact):
            curve_of(place_of(facts, which), f"fuel.{which}")
    volts = [likely(row[0]) for row in facts.injectors.dead_table or ()]
    if facts.injectors.dead_table is not None and (len(volts) < 2 or len(set(volts)) < len(volts)):
        raise CoreError(
            "dead_table",
            "fuel.injectors.dead_table",
            len(volts),
            "two rows or more, each at volts of its own",
            "The table of dead times needs two rows or more, each at volts of its own.",
        )
