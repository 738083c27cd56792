"""What the station draws: air, stack, loop, a duty through time, and the engine on its stand.

Options: ``duty`` by its place; ``air_speed`` [m/s] dragged to, the duty's own otherwise; of the loop ``lift``; of the stand
``rpm``, ``outlet``, ``supply``, ``supply_temperature``.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from gauge_well.core.duty.model import Duties
from gauge_well.core.systems.base import Context, Options, View, duty_asked, option, points
from gauge_well.core.systems.cooling import time as through
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import Starts, plant_of, prepare
from gauge_well.core.systems.cooling.views import afloat, air, jam, loop, stack, stand, time
from gauge_well.core.typing import likely

FASTEST = 120.0  # m/s


def at_duty(context: Context, index: int, air_speed: float | None) -> Context:
    """The context with one of its duties alone, in another wind where that is asked."""
    cases = context.duties.cases
    case = cases[index] if air_speed is None else replace(cases[index], air_speed=air_speed)
    duties = Duties((case,), context.duties.vehicle)
    mean, peak = points(context.engine, duties, context.wanted, 1.0)
    given = {
        name: value[..., index : index + 1, :] if np.ndim(value) > 1 and value.shape[-2] == len(cases) else value
        for name, value in context.given.items()
    }
    return replace(context, duties=duties, mean=mean, peak=peak, given=given)


def _view(gives: type[Any], show: Callable[[Context, CoolingFacts, Options], Any]) -> View:
    def shown(context: Context, facts: CoolingFacts, options: Options) -> Any:
        index = duty_asked(context, options)
        usual = likely(context.duties.cases[index].air_speed)
        return show(at_duty(context, index, option(options, "air_speed", usual, 0.0, FASTEST, "m/s")), facts, options)

    return View(gives, shown)


def _time(context: Context, facts: CoolingFacts, options: Options) -> time.TimeView:
    """A duty that follows another begins where that one ends: the whole chain is run for it."""
    index, starts = duty_asked(context, options), None
    if context.duties.cases[index].after:
        all_ = through.chained(context, prepare(context, plant_of(context, facts)))
        starts = Starts(*(v[:, index : index + 1, :1] for v in (all_.coolant, all_.metal)))
    usual = likely(context.duties.cases[index].air_speed)
    speed = option(options, "air_speed", usual, 0.0, FASTEST, "m/s")
    return time.show(at_duty(context, index, speed), facts, starts)


VIEWS: Mapping[str, View] = {
    "air": _view(air.AirView, air.show),
    "stack": _view(stack.StackView, stack.show),
    "loop": _view(loop.LoopView, loop.show),
    "time": View(time.TimeView, _time),
    "jam": _view(jam.JamView, lambda context, facts, options: jam.show(context, facts)),
    "afloat": View(afloat.AfloatView, afloat.show),
    "stand": _view(stand.StandView, stand.show),
}

__all__ = ["VIEWS", "at_duty"]
