"""The tank by duty: what cannot be reached, how long and how far, how hot; its box with the surface of the worst."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.geometry.free_surface import surface_height
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fuel import tank
from gauge_well.core.systems.fuel.circuit import Circuit, burned, demand
from gauge_well.core.systems.fuel.network import at_peak
from gauge_well.core.typing import duty_value, likely, likely_or_none


@dataclass(frozen=True)
class TankDuty:
    """What a duty makes of the tank: not reached [m3], burned [m3/s], lasts [s], range [m], how hot it ends [K]."""

    id: str
    name: str
    lost: float
    lasts: float | None
    range: float | None
    burned: float
    end: float | None


@dataclass(frozen=True)
class TankBox:
    """The box along its worst way [m]: pickup (x, z), the surface's height at both walls; volumes [m3]."""

    across: bool
    length: float
    height: float
    pickup: tuple[float, float]
    surface: tuple[float, float]
    way: str
    covered: bool
    asked: float
    left: float


@dataclass(frozen=True)
class TankView:
    """The tank by duty; what its vent takes [Pa] and should be [m], how fast it is filled [m3/s]."""

    volume: float | None
    reserve: float
    vent: float | None
    vent_bore: float
    filler: float | None
    nozzle: float
    duties: Sequence[TankDuty]
    box: TankBox | None


def show(context: Context, circuit: Circuit, index: int, options: Options) -> TankView:
    """Volumes [m3], times [s], distances [m]; the box [m] with the surface at the refuelling level."""
    facts, volume = circuit.facts.tank, circuit.facts.tank.volume
    vent = tank.vent_drop(circuit, burned(context.peak, circuit.fuel)) if facts.vent_bore is not None else None
    length = circuit.fact("tank.filler_length")
    return TankView(
        volume=likely_or_none(volume),
        reserve=likely(circuit.fact("tank_reserve")),
        vent=None if vent is None else likely(np.max(vent)),
        vent_bore=likely(np.max(tank.vent_bore(circuit, demand(context.peak, circuit)))),
        filler=None if facts.filler_bore is None else likely(tank.fill_flow(facts.filler_bore, length)),
        nozzle=tank.NOZZLE,
        duties=_duties(context, circuit),
        box=_box(context, circuit, index) if tank.boxed(circuit) else None,
    )


def _duties(context: Context, circuit: Circuit) -> list[TankDuty]:
    known = circuit.facts.tank.volume is not None
    lost = tank.unusable(circuit)
    point = at_peak(context, circuit) if known else None
    ends = None if point is None else tank.tank_end(context, circuit, tank.heat_back(point))
    lasts = tank.endurance(context, circuit, context.mean) if known else None
    found = []
    for i, case in enumerate(context.duties.cases):
        seconds = None if lasts is None else duty_value(lasts, i)
        speed = case.asked_speed if case.held is None else min(case.asked_speed, likely(case.held.speed))
        found.append(
            TankDuty(
                id=case.id,
                name=case.name,
                lost=duty_value(lost, i),
                lasts=seconds,
                range=None if seconds is None or speed <= 0.0 else seconds * speed,
                burned=duty_value(burned(context.mean, circuit.fuel), i),
                end=None if ends is None else duty_value(ends, i),
            )
        )
    return found


def _box(context: Context, circuit: Circuit, index: int) -> TankBox:
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
    left_end, right_end = ((d - rest - float(normal[axis]) * x) / float(normal[2]) for x in (-half, half))
    return TankBox(
        across=aside,
        length=2.0 * half,
        height=height,
        pickup=(float(pickup[axis]), float(pickup[2])),
        surface=(left_end, right_end),
        way=list(tank.DIRECTIONS)[worst],
        covered=bool(d >= float(normal @ pickup)),
        asked=float(asked[worst]),
        left=left,
    )
