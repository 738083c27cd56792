"""The tank by duty: what cannot be reached, how long and how far, how hot; its box with the surface of the worst."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.geometry.free_surface import surface_height
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import tank
from gauge_well.core.systems.fuel.circuit import Circuit, burned, demand
from gauge_well.core.systems.fuel.network import at_peak
from gauge_well.core.systems.fuel.show_circuit import at_duty
from gauge_well.core.typing import likely


def show(context: Context, circuit: Circuit, index: int, options: Mapping[str, float]) -> dict[str, Any]:
    """Volumes [m3], times [s], distances [m]; the box [m] with the surface at the refuelling level."""
    cases, count = context.duties.cases, len(context.duties.cases)
    volume = circuit.facts.tank.volume
    lost = tank.unusable(circuit)
    out: dict[str, Any] = {
        "volume": None if volume is None else likely(volume),
        "reserve": likely(circuit.fact("tank_reserve")),
        "vent": None
        if circuit.facts.tank.vent_bore is None
        else likely(np.max(tank.vent_drop(circuit, burned(context.peak, circuit.fuel)))),
        "vent_bore": likely(np.max(tank.vent_bore(circuit, demand(context.peak, circuit)))),
        "filler": None
        if circuit.facts.tank.filler_bore is None
        else likely(tank.fill_flow(circuit.facts.tank.filler_bore, circuit.fact("tank.filler_length"))),
        "nozzle": tank.NOZZLE,
        "duties": [],
    }
    point = None if volume is None else at_peak(context, circuit)
    ends = None if point is None else tank.tank_end(circuit, context, tank.heat_back(point))
    lasts = None if volume is None else tank.endurance(circuit, context, context.mean)
    for i, case in enumerate(cases):
        seconds = None if lasts is None else at_duty(lasts, i, count)
        speed = case.asked_speed if case.held is None else min(case.asked_speed, likely(case.held.speed))
        out["duties"].append(
            {
                "id": case.id,
                "name": case.name,
                "lost": at_duty(lost, i, count),
                "lasts": seconds,
                "range": None if seconds is None or speed <= 0.0 else seconds * speed,
                "burned": at_duty(burned(context.mean, circuit.fuel), i, count),
                "end": None if ends is None else at_duty(ends, i, count),
            }
        )
    if tank.boxed(circuit):
        out["box"] = _box(circuit, context, index)
    return out


def _box(circuit: Circuit, context: Context, index: int) -> dict[str, Any]:
    """The worst direction of the duty: surface through the side (or the front) at the refuelling level."""
    built = tank.tank_of(circuit)
    pickup = built.pickup
    length, width, height = (likely(side) for side in built.size)
    normals = tank.normals_of(context, tank.rides_out(circuit))[index, :, 0]
    asked = tank.to_cover(built, normals)
    worst = int(np.argmax(asked))
    normal = normals[worst]
    left = likely(circuit.fact("tank_reserve")) * likely(built.whole)
    d = float(surface_height(built.body, normal, np.asarray(left)))
    aside = abs(float(normal[1])) > abs(float(normal[0]))
    axis = 1 if aside else 0
    half = 0.5 * (width if aside else length)
    # The surface meets the near and the far wall of the view at these heights, in the pickup's own plane.
    rest = float(normal[0] * pickup[0] if aside else normal[1] * pickup[1])
    ends = [(d - rest - float(normal[axis]) * x) / float(normal[2]) for x in (-half, half)]
    return {
        "across": aside,
        "length": 2.0 * half,
        "height": height,
        "pickup": [float(pickup[axis]), float(pickup[2])],
        "surface": ends,
        "way": list(tank.DIRECTIONS)[worst],
        "covered": bool(d >= float(normal @ pickup)),
        "asked": float(asked[worst]),
        "left": left,
    }
