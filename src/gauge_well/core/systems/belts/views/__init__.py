"""What the station draws. Options: ``belt`` 0 to 2; ``pulley`` by its place in that belt's order, with ``right`` and ``up`` [m] where it
is dragged to."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.belts.views import places, presets, route

VIEWS: Mapping[str, View] = {
    "route": View(route.RouteView, route.show),
    "places": View(places.PlacesView, places.show),
    "presets": View(presets.PresetsView, presets.show),
}

__all__ = ["VIEWS"]
