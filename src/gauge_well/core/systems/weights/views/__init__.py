"""What the station draws: the ledger, how it is lifted, what scales read, an aircraft's moments. No options."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.weights.views import ledger, lifting, moments, scales

VIEWS: Mapping[str, View] = {
    "ledger": View(ledger.LedgerView, ledger.show),
    "lifting": View(lifting.LiftingView, lifting.show),
    "scales": View(scales.ScalesView, scales.show),
    "moments": View(moments.MomentsView, moments.show),
}

__all__ = ["VIEWS"]
