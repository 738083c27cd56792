"""What the station draws: the stack, gears, what carries, shafts, half-shafts, the gearbox's oil."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.driveline.views import carried, gears, halves, oil, shafts, stack

VIEWS: Mapping[str, View] = {
    "stack": View(stack.StackView, stack.show, drawn=True),
    "gears": View(gears.GearsView, gears.show),
    "carried": View(carried.CarriedView, carried.show),
    "shafts": View(shafts.ShaftsView, shafts.show),
    "halves": View(halves.HalvesView, halves.show),
    "oil": View(oil.OilView, oil.show),
}

__all__ = ["VIEWS"]
