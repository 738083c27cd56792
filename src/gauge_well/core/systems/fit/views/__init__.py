"""What the station draws."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.fit.views import lie

VIEWS: Mapping[str, View] = {"lie": View(lie.LieView, lie.show)}

__all__ = ["VIEWS"]
