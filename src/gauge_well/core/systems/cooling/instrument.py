"""What the station draws, by view: air, stack, loop, time, and the engine on its stand."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from functools import partial
from typing import Any

import numpy as np

from gauge_well.core.duty.model import Duties
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.systems.base import Context, points
from gauge_well.core.systems.cooling import show_air, show_loop, show_stack, show_time, time
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import Starts, plant_of, prepare
from gauge_well.core.typing import likely

Show = Callable[[Context, CoolingFacts, Mapping[str, float]], dict[str, Any]]
# Views in the order of their numbers.
VIEWS: tuple[Show, ...] = (show_air.show, show_stack.show, show_loop.show, show_time.show, show_time.stand)
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


def instrument(context: Context, facts: CoolingFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """One view of the station, for one duty.

    Options
    -------
    view : place in :data:`VIEWS`; the air by default.
    duty : index of the duty whose air and engine speed are taken.
    air_speed : m/s, the speed dragged to; the duty's own otherwise.

    Returns
    -------
    dict
        What the view draws, with ``duty`` and ``air_speed``; or ``unknown`` naming what is missing.
    """
    cases = context.duties.cases
    index, view = int(options.get("duty", 0)), int(options.get("view", 0))
    if not 0 <= index < len(cases):
        raise CoreError("out_of_range", "duty", index, f"0 to {len(cases) - 1}", "There is no such duty.")
    if not 0 <= view < len(VIEWS):
        raise CoreError("out_of_range", "view", view, f"0 to {len(VIEWS) - 1}", "There is no such view.")
    speed = float(options.get("air_speed", likely(cases[index].air_speed)))
    if not 0.0 <= speed <= FASTEST:
        raise CoreError("out_of_range", "air_speed", speed, f"0 to {FASTEST:.0f} m/s", "Air speed is out of range.")
    try:
        show = VIEWS[view]
        if show is show_time.show:
            show = partial(show_time.show, starts=_begins(context, facts, index))
        found = show(at_duty(context, index, speed), facts, options)
    except MissingFact as error:
        return {"unknown": [error.field]}
    return {"duty": cases[index].id, "air_speed": speed, **found}


def _begins(context: Context, facts: CoolingFacts, index: int) -> Starts | None:
    """Start of a duty that follows another: the whole chain is run for it."""
    if not context.duties.cases[index].after:
        return None
    starts = time.chained(prepare(context, plant_of(context, facts)), context)
    return Starts(*(v[:, index : index + 1, :1] for v in (starts.coolant, starts.metal)))
