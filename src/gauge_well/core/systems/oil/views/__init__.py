"""What the station draws: the tilting pan, the pan as installed, the oil's way, what comes back, wet or dry, priming.
Options: ``duty`` by its place; of the tilting pan ``forward``, ``left`` [g] dragged to."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.oil.views import circuit, installed, pan, priming, returns, sumps

VIEWS: Mapping[str, View] = {
    "pan": View(pan.PanView, pan.show),
    "installed": View(installed.InstalledView, installed.show),
    "circuit": View(circuit.CircuitView, circuit.show),
    "returns": View(returns.ReturnsView, returns.show),
    "sumps": View(sumps.SumpsView, sumps.show),
    "priming": View(priming.PrimingView, priming.show),
}

__all__ = ["VIEWS"]
