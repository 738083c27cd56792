"""What the station draws: the raw water's way, the exhaust in its lie, propeller, coupling and beds, room and flooding. Options:
``duty`` by its place; of the exhaust ``heel`` and ``trim`` [rad] and what is dragged: ``riser``, ``high``, ``high_aft``,
``silencer``, ``silencer_aft`` [m]."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.boat.views import coupling, propeller, raw, safety, wet

VIEWS: Mapping[str, View] = {
    "raw": View(raw.RawView, raw.show),
    "wet": View(wet.WetView, wet.show),
    "propeller": View(propeller.PropellerView, propeller.show),
    "coupling": View(coupling.CouplingView, coupling.show),
    "safety": View(safety.SafetyView, safety.show),
}

__all__ = ["VIEWS"]
