"""What the station draws: the intake with what each place takes, water at the inlet, engine space and boxes. Options:
``duty`` by its place; of water ``depth`` [m] and ``speed`` [m/s] dragged to."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems.air.views import intake, space, water
from gauge_well.core.systems.base import View

VIEWS: Mapping[str, View] = {
    "intake": View(intake.IntakeView, intake.show),
    "water": View(water.WaterView, water.show),
    "space": View(space.SpaceView, space.show),
}

__all__ = ["VIEWS"]
