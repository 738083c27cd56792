"""What the station draws: throttle, brakes, clutch pedal, shifter, steering, small controls."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.base import View
from gauge_well.core.systems.controls.views import aids, clutch, shifter, steering, throttle, vacuum

VIEWS: Mapping[str, View] = {
    "throttle": View(throttle.ThrottleView, throttle.show),
    "vacuum": View(vacuum.VacuumView, vacuum.show),
    "clutch": View(clutch.ClutchView, clutch.show),
    "shifter": View(shifter.ShifterView, shifter.show),
    "steering": View(steering.SteeringView, steering.show),
    "aids": View(aids.AidsView, aids.show),
}

__all__ = ["VIEWS"]
