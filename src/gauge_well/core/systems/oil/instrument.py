"""The tilting pan: outline, surface, pickup, and the rose of what stays covered."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.geometry.frames import apparent_up, to_engine
from gauge_well.core.geometry.free_surface import surface_height
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import model
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import CRANKCASE, Pan, pan_of
from gauge_well.core.typing import likely

PETALS = 72
COLD = 293.15
SPEEDS = 24


def pressure(context: Context, facts: OilFacts, pan: Pan | None, index: int) -> dict[str, Any] | None:
    """Oil pressure over engine speed: cold at 20 degC, hot as the duty ends, and the least wanted; None without a
    reading."""
    ways = model.with_coolant(model.ways_out(context, facts, pan), context, context.mean)
    leak = model.leak_of(context, facts)
    hot = float(
        np.broadcast_to(model.temperature(ways, context.mean.heat_to_oil), (1, len(context.duties.cases), 1))[
            0, index, 0
        ]
    )
    speed = np.linspace(0.1, 1.0, SPEEDS) * context.engine.rated_speed
    curves = [model.gauge_pressure(facts, leak, speed, t) for t in (COLD, hot)]
    if curves[0] is None or curves[1] is None:
        return None
    air = float(np.ravel(context.duties.column("pressure"))[index])
    try:
        wanted = model.least_pressure(facts, speed, context.engine.rated_speed).tolist()
    except MissingFact:
        wanted = None
    return {
        "speed": speed.tolist(),
        "cold": curves[0].tolist(),
        "hot": curves[1].tolist(),
        "least": wanted,
        "hot_temperature": hot,
        "at": likely(context.duties.cases[index].engine_speed),
        "cold_temperature": COLD,
        "cold_speed": float(model.suction_speed(facts, leak, COLD, air, likely(context.engine.rated_speed))),
    }


def instrument(context: Context, facts: OilFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """Side view of the pan in engine axes with its oil under an acceleration, and the rose in the vehicle's.

    Options
    -------
    duty : index of the duty whose grade and asked accelerations are taken.
    forward, left : acceleration dragged to [g]; the duty's braking otherwise.
    """
    index = int(options.get("duty", 0))
    cases = context.duties.cases
    if not 0 <= index < len(cases):
        raise CoreError("out_of_range", "duty", index, f"0 to {len(cases) - 1}", "There is no such duty.")
    case = cases[index]
    forward, left = float(options.get("forward", -case.braking)), float(options.get("left", 0.0))
    if not (abs(forward) <= 3.0 and abs(left) <= 3.0):
        raise CoreError("out_of_range", "forward", forward, "3 g at most", "Acceleration is out of range.")
    try:
        pan = pan_of(facts)
    except MissingFact as error:
        return {"unknown": [error.field], "pressure": pressure(context, facts, None, index)}
    rotation, volume = model.rotation_of(context), model.in_sump(facts)
    n = to_engine(apparent_up(forward, left, 0.0, case.grade, 0.0), rotation)
    rest = to_engine(apparent_up(0.0, 0.0, 0.0, case.grade, 0.0), rotation)
    d, d_rest = (float(surface_height(pan.body, m, volume)) for m in (n, rest))
    angle = np.linspace(0.0, 2.0 * np.pi, PETALS, endpoint=False)
    over = float(model.cover(context, facts)[index].flat[0])
    petals = model.covered(pan, rotation, volume, np.cos(angle), np.sin(angle), case.grade, over=over)
    return {
        "duty": case.id,
        "forward": forward,
        "left": left,
        "outline": pan.outline.tolist(),
        "crankcase": CRANKCASE,
        "pickup": pan.pickup.tolist(),
        "floor": pan.floor,
        "normal": n.tolist(),
        "height": d,
        "rest_normal": rest.tolist(),
        "rest_height": d_rest,
        "head": float(d - n @ pan.pickup),
        "rest_head": float(d_rest - rest @ pan.pickup),
        "holds": float(pan.holds),
        "volume": float(volume),
        "rose": {"angle": angle.tolist(), "covered": model.effective(facts, petals).tolist(), "bare": petals.tolist()},
        "asked": {"pulling": case.pulling, "braking": case.braking, "cornering": case.cornering},
        "most": model.G_MOST,
        "pressure": pressure(context, facts, pan, index),
    }
