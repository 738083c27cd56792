"""What the oil's relations were fitted on, looked at where they are used."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.media import oils
from gauge_well.core.typing import Array
from gauge_well.core.validity import Look


def looks(hot: Array) -> Iterator[Look]:
    """Oil at the end of each duty."""
    yield Look(oils.TEMPERATURE_RANGE, hot, "cooler", "oil.cooler.into")
