"""Maps of a duty's heat: thousands of points of the whole model in one pass."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.case import BuildCase
from gauge_well.core.checks import ratio_fill
from gauge_well.core.duty.facts import GEARBOXES
from gauge_well.core.duty.model import Case, Duties
from gauge_well.core.duty.road import LEAST_SPEED, Choice, balance_speed, choose_gear
from gauge_well.core.engine.model import operate
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.media import air
from gauge_well.core.run import contexts
from gauge_well.core.run.graph import hand_on
from gauge_well.core.run.memory import MEMORY, Memory
from gauge_well.core.run.scope import JUDGED, scope_of
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.model import heat_made, plant_of, prepare
from gauge_well.core.typing import Array

SIDE = 50  # points along each axis
SPEEDS = (2.0, 55.0)  # m/s
GRADES = (0.0, 0.20)
AMBIENTS = (263.15, 333.15)  # K
AIR_SPEEDS = (0.0, 55.0)
POWERS = (0.05, 1.0)  # of the wanted power
COOLING = "cooling"


@dataclass(frozen=True)
class Axes:
    """What a map's axes are, and which duties it can be drawn of."""

    label: str
    x: tuple[str, str]  # name, kind of quantity
    y: tuple[str, str]
    road: bool


MAPS: Mapping[str, Axes] = {
    "ambient_speed": Axes("air outside by road speed", ("Road speed", "speed"), ("Air outside", "temperature"), True),
    "ambient_grade": Axes("air outside by grade", ("Grade", "grade"), ("Air outside", "temperature"), True),
    "speed_power": Axes("air speed by engine power", ("Engine power", "power"), ("Air over the core", "speed"), False),
}


@dataclass(frozen=True)
class Map:
    """Heat made over heat carried on a grid, (y, x); ``weak``: the engine cannot hold that speed there."""

    kind: str
    x: Array
    y: Array
    fill: Array
    weak: NDArray[np.bool_]

    def line(self, at: float = 1.0) -> list[float | None]:
        """For each x the y at which the fill passes ``at``, linear between points; None where it does not.

        Upwards where the fill rises with y (ambient), downwards where it falls (air speed).
        """
        found: list[float | None] = []
        for column in self.fill.T:
            over = column > at
            turn = np.flatnonzero(over[1:] != over[:-1])
            if not turn.size:
                found.append(None)
                continue
            i = int(turn[0])
            share = (at - column[i]) / (column[i + 1] - column[i])
            found.append(float(self.y[i] + share * (self.y[i + 1] - self.y[i])))
        return found


def heat_map(case: BuildCase, duty: str, kind: str, side: int = SIDE) -> Map:
    """Map one duty's heat over two of its conditions, all else as it is stated.

    Parameters
    ----------
    case : BuildCase
    duty : str
        Id; maps over road speed and grade are of road duties.
    kind : str
        One of :data:`MAPS`.
    side : int
        Points along each axis.

    Raises
    ------
    MissingFact
        Where the core, the fan or the duty is not known.
    CoreError
        For a duty or a map there is none of.
    """
    if kind not in MAPS:
        raise CoreError("no_map", "kind", kind, ", ".join(MAPS), "There is no such map.")
    context, missing = contexts.make_context(case, memory=MEMORY)
    if duty in missing:
        raise MissingFact(missing[duty])
    own = next((c for c in context.duties.cases if c.id == duty), None)
    if own is None or (MAPS[kind].road and own.held is None):
        allowed = ", ".join(c.id for c in context.duties.cases if c.held is not None or not MAPS[kind].road)
        raise CoreError("no_duty", "duty", duty, allowed or "a road duty", "That map is drawn of a road duty.")
    if scope_of(SYSTEMS[COOLING], case).state != JUDGED or case.machine.kind == "boat":
        raise CoreError("not_judged", "machine.kind", duty, "a machine cooled by air", "Cooling is not judged here.")
    x, y = _axes(kind, context, side)
    across, up = (v.ravel() for v in np.meshgrid(x, y))
    point, weak = _point(case, context, own, kind, across, up)
    fill = _fill(case, context, point)
    return Map(kind, x, y, fill.reshape(side, side), np.broadcast_to(weak, across.shape).reshape(side, side))


def _axes(kind: str, context: Context, side: int) -> tuple[Array, Array]:
    powers = (POWERS[0] * context.wanted, POWERS[1] * context.wanted)
    across, up = {
        "ambient_speed": (SPEEDS, AMBIENTS),
        "ambient_grade": (GRADES, AMBIENTS),
        "speed_power": (powers, AIR_SPEEDS),
    }[kind]
    return np.linspace(across[0], across[1], side), np.linspace(up[0], up[1], side)


def _point(
    case: BuildCase, context: Context, own: Case, kind: str, across: Array, up: Array
) -> tuple[Case, NDArray[np.bool_]]:
    """The duty with its conditions spread over the points, which stand where samples do."""
    # A gearbox warms in proportion to what goes through it.
    box = GEARBOXES[case.machine.gearbox or "manual"][1]
    if kind == "speed_power":
        return replace(own, power=across, air_speed=up, gearbox_heat=box * across), np.zeros(1, dtype=bool)
    vehicle = context.duties.vehicle
    if vehicle is None:
        raise MissingFact("machine.mass")
    speed = across if kind == "ambient_speed" else np.full_like(across, own.asked_speed)
    grade = own.grade if kind == "ambient_speed" else across
    density = air.density(up, own.pressure)
    able = context.wanted * context.engine.breathing(up, own.pressure)
    facts = dict(case.duties)[own.id]
    pinned = None if facts.engine_speed is None else float(facts.engine_speed)

    def pick(speeds: Array) -> Choice:
        return choose_gear(
            context.engine, vehicle, able, speeds, grade, density, own.tow, own.accessories.total, pinned
        )

    at = pick(speed)
    weak = at.available < at.required
    if bool(weak.any()):
        # Where it cannot hold the speed it settles at the one it can: full load there, and less wind.
        held = np.maximum(balance_speed(pick, speed, speed.size), LEAST_SPEED)
        speed = np.where(weak, held, speed)
        at = pick(speed)
    power = np.where(weak, np.maximum(np.minimum(at.available, at.required), 1.0), at.required) / at.through
    spread: dict[str, Any] = {"power": power, "engine_speed": at.engine_speed, "ambient": up, "air_speed": speed}
    slipping = power * (1.0 - at.through) if vehicle.converter else 0.0
    return replace(own, gearbox_heat=box * power + slipping, **spread), weak


def _fill(case: BuildCase, context: Context, point: Case) -> Array:
    duties = Duties((point,), context.duties.vehicle)
    columns = (duties.column(n) for n in ("power", "engine_speed", "ambient", "pressure", "wide_open"))
    mean = operate(context.engine, context.wanted, *columns)
    spread = replace(context, duties=duties, mean=mean, peak=mean, given={})
    spread = hand_on(spread, case, Memory(0))
    solved = prepare(spread, plant_of(spread, case.systems[COOLING]), only_on=True)
    heat = heat_made(spread, solved, mean)
    shape = np.broadcast_shapes(heat.shape, solved.capacity.shape)
    carried = np.broadcast_to(solved.capacity, shape)
    fill = ratio_fill(np.broadcast_to(heat, shape), carried)
    return np.asarray(fill[0, 0])
