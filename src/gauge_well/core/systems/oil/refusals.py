"""What no pan can be."""

from __future__ import annotations

from gauge_well.core.errors import MissingFact
from gauge_well.core.systems.oil import facts
from gauge_well.core.systems.oil.pan import pan_of


def refuse(given: facts.OilFacts) -> None:
    """Raise CoreError for a pan that cannot be; one not given whole is fine."""
    if given.pan.shape is None:
        return
    try:
        pan_of(given)
    except MissingFact:
        return
