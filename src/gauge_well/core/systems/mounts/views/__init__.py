"""What the station draws: loads and rock, schools beside each other, shake, brackets, the feet's places."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.mounts.views import brackets, feet, loads, schools, shake

VIEWS: Mapping[str, View] = {
    "loads": View(loads.LoadsView, loads.show),
    "schools": View(schools.SchoolsView, schools.show),
    "shake": View(shake.ShakeView, shake.show),
    "brackets": View(brackets.BracketsView, brackets.show),
    "feet": View(feet.FeetView, feet.show, drawn=True),
}

__all__ = ["VIEWS"]
