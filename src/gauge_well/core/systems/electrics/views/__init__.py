"""What the station draws. Options: of loads ``idle`` [rev/min] tried; of cranking ``temperature`` [K] picked; of wires ``run`` by its
place; of senders ``sender`` by its place, ``series`` and ``parallel`` [ohm] tried."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.electrics.views import choices, cold, loads, senders, signals, wires

VIEWS: Mapping[str, View] = {
    "loads": View(loads.LoadsView, loads.show),
    "cold": View(cold.ColdView, cold.show),
    "wires": View(wires.WiresView, wires.show),
    "signals": View(signals.SignalsView, signals.show),
    "senders": View(senders.SendersView, senders.show),
    "speed": View(senders.SpeedView, senders.show_speed),
    "choices": View(choices.ChoicesView, choices.show),
}

__all__ = ["VIEWS"]
