"""What the page draws: the ledger, runs along the machine, joints."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.routes.views import joints, ledger

VIEWS: Mapping[str, View] = {
    "ledger": View(ledger.LedgerView, ledger.show),
    "joints": View(joints.JointsView, joints.show),
}

__all__ = ["VIEWS"]
