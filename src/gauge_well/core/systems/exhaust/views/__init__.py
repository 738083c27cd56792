"""What the station draws: the pipe unrolled. Options: ``duty`` by its place; ``bore_scale`` 0.5 to 2, all bores dragged."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.exhaust.views import pipe

VIEWS: Mapping[str, View] = {"pipe": View(pipe.PipeView, pipe.show)}

__all__ = ["VIEWS"]
