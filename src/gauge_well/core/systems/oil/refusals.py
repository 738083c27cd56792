"""What no pan can be."""

from __future__ import annotations

from contextlib import suppress

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.systems.oil import drysump, facts
from gauge_well.core.systems.oil.pan import outline_of, pan_of
from gauge_well.core.typing import likely


def refuse(given: facts.OilFacts) -> None:
    """Raise CoreError for a pan, an old one or a tank that cannot be; one not given whole is fine."""
    if given.pan.shape is not None:
        with suppress(MissingFact):
            pan_of(given)
    if given.old_pan.shape is not None:
        with suppress(MissingFact):
            outline_of(given.old_pan, "oil.old_pan")
    if given.sump == "dry":
        with suppress(MissingFact):
            _tank(given)
    own = given.accumulator
    if own.precharge is not None and own.spent is not None and likely(own.precharge) > likely(own.spent):
        raise CoreError(
            "spent_under_gas",
            "oil.accumulator.spent",
            likely(own.spent),
            "more than its gas",
            "It is empty at the pressure of its gas: spent lies over that.",
        )


def _tank(given: facts.OilFacts) -> None:
    """More oil than the whole tank holds, or an outlet over its top."""
    tank = drysump.tank_of(given)
    oil, top = likely(drysump.in_tank(given)), float(tank.outline[:, 1].max())
    if oil > tank.body.volume:
        raise CoreError(
            "tank_small",
            "oil.oil_quantity",
            oil,
            f"{tank.body.volume * 1e3:.1f} L",
            f"{oil * 1e3:.1f} L is more than the whole tank holds.",
        )
    if float(tank.pickup[2]) >= top:
        raise CoreError(
            "outlet_high",
            "oil.tank.outlet",
            float(tank.pickup[2]),
            f"under {top * 1e3:.0f} mm",
            "The outlet lies over the tank.",
        )
