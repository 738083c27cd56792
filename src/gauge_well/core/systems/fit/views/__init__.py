"""What the station draws, and what it seeks at length."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import Seek, View
from gauge_well.core.systems.fit.views import best, doubt, hands, lie, way, window

VIEWS: Mapping[str, View] = {
    "lie": View(lie.LieView, lie.show),
    "window": View(window.WindowView, window.show),
    "hands": View(hands.HandsView, hands.show),
    "doubt": View(doubt.DoubtView, doubt.show, drawn=True),
}
SEEKS: Mapping[str, Seek] = {
    "best": Seek(best.BestView, best.seek, best.offer),
    "way": Seek(way.WayView, way.seek),
}

__all__ = ["SEEKS", "VIEWS"]
