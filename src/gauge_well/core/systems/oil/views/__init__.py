"""What the station draws: the tilting pan. Options: ``duty`` by its place; ``forward``, ``left`` [g] dragged to."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.oil.views import pan

VIEWS: Mapping[str, View] = {"pan": View(pan.PanView, pan.show)}

__all__ = ["VIEWS"]
