"""What the station draws: the pipe unrolled, sizes and layouts, heat and ground, the cut list. Options: ``duty`` by its
place; ``bore_scale`` 0.5 to 2, all bores dragged."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.exhaust.views import cuts, heat, pipe, sizes

VIEWS: Mapping[str, View] = {
    "pipe": View(pipe.PipeView, pipe.show),
    "sizes": View(sizes.SizesView, sizes.show),
    "heat": View(heat.HeatView, heat.show),
    "cuts": View(cuts.CutsView, cuts.show),
}

__all__ = ["VIEWS"]
