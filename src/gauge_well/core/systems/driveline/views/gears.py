"""Gearboxes beside each other on this engine and machine: speeds, grades, shift points, times."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline import gears
from gauge_well.core.driveline.gears import Road, Train
from gauge_well.core.duty.facts import DRIVES
from gauge_well.core.duty.road import LOADED, vehicle_of
from gauge_well.core.errors import MissingFact
from gauge_well.core.media import air
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.reads import DRIVE_CAP
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.systems.torqued import peak_torque
from gauge_well.core.typing import likely, likely_or, likely_or_none

KMH = 1.0 / 3.6
ASKED, FROM, TO = 100.0 * KMH, 80.0 * KMH, 120.0 * KMH
CURVE = 60


@dataclass(frozen=True)
class GearRow:
    """A gear: its ratio, rev/min at the speed asked, speed at red line [m/s], steepest grade it holds, where it is left
    [rev/min], None of the last; its pull over speed: (m/s, N)."""

    ratio: float
    rpm: float
    fastest: float
    grade: float
    shift: float | None
    pulls: Sequence[tuple[float, float]]


@dataclass(frozen=True)
class BoxRow:
    """A way to the road. Speeds [m/s], grades as tan, times [s], None where it does not get there; torque it may be given
    [N m] and whether this engine's is over it."""

    id: str
    name: str
    final: float
    tyre: float
    low: float
    gears: Sequence[GearRow]
    top_rpm: float
    crawls: float
    starts_on: float
    sprint: float | None
    passing: float | None
    passing_top: float | None
    top: float
    rating: float | None
    over: bool


@dataclass(frozen=True)
class GearsView:
    """Boxes beside each other; what the machine resists on the level: (m/s, N); the speed asked, from and to [m/s]; what is not
    stated."""

    boxes: Sequence[BoxRow]
    resists: Sequence[tuple[float, float]]
    asked: float
    low: float
    high: float
    torque: float
    grips: float | None
    missing: Sequence[str]


def _trains(context: Context, facts: DrivelineFacts) -> tuple[list[tuple[str, str, Train, float | None]], list[str]]:
    machine = context.machine
    final, tyre = machine.final_drive, machine.tyre_diameter
    found, lacks = [], []
    if machine.gear_ratios and final is not None and tyre is not None:
        ratios = sorted((likely(row[0]) for row in machine.gear_ratios), reverse=True)
        rating = likely_or_none(facts.rating)
        found.append(("", "As stated", Train(ratios, likely(facts.low), likely(final), likely(tyre)), rating))
    else:
        lacks += [f"machine.{n}" for n in ("gear_ratios", "final_drive", "tyre_diameter") if not getattr(machine, n)]
    for n, (id, box) in enumerate(facts.boxes, 1):
        own_final, own_tyre = box.final if box.final is not None else final, box.tyre if box.tyre is not None else tyre
        if not box.ratios or own_final is None or own_tyre is None:
            lacks += [
                f"driveline.boxes.{id}.{name}"
                for name, v in (("ratios", box.ratios), ("final", own_final), ("tyre", own_tyre))
                if not v
            ]
            continue
        ratios = sorted((likely(row[0]) for row in box.ratios), reverse=True)
        rating = likely_or_none(box.rating)
        found.append(
            (
                id,
                box.called or f"Gearbox {n}",
                Train(ratios, likely(box.low), likely(own_final), likely(own_tyre)),
                rating,
            )
        )
    return found, list(dict.fromkeys(lacks))


def road_of(context: Context) -> Road:
    """The machine on the level in the air of its first duty, its trailer where a duty tows; MissingFact names what is absent."""
    vehicle = vehicle_of(context.machine)
    case = context.duties.cases[0]
    density = float(air.density(case.ambient, case.pressure))
    tow = max(likely(c.tow) for c in context.duties.cases)
    cap = context.told(DRIVE_CAP)
    tyre = likely_or(context.machine.tyre_diameter, 0.64)
    return Road(
        likely(vehicle.mass) + tow * likely(vehicle.trailer_mass), likely(vehicle.drag_area) + tow * likely(vehicle.trailer_drag_area),
        likely(vehicle.rolling), density, DRIVES[context.machine.drive or "rear"][1], np.inf if cap is None else likely(cap) / (LOADED * tyre),
    )  # fmt: skip


def show(context: Context, facts: DrivelineFacts, options: Options) -> GearsView:
    """Of the gearbox stated and those to compare."""
    asked = option(options, "speed", ASKED, 1.0, 100.0, "m/s")
    low = option(options, "from", FROM, 0.0, 90.0, "m/s")
    high = option(options, "to", TO, 1.0, 100.0, "m/s")
    trains, lacks = _trains(context, facts)
    try:
        road = road_of(context)
    except MissingFact as error:
        return GearsView([], [], asked, low, high, likely(peak_torque(context)), None, [error.field])
    rows = [
        _box(context, facts, road, train, (id, name, rating), (asked, low, high)) for id, name, train, rating in trains
    ]
    top = max([asked, high, *(row.top for row in rows)])
    at = np.linspace(1.0, 1.1 * top, CURVE)
    resists = [(float(v), float(f)) for v, f in zip(at, road.resists(at), strict=True)]
    grips = road.grip if np.isfinite(road.grip) else None
    return GearsView(rows, resists, asked, low, high, likely(peak_torque(context)), grips, lacks)


def _box(
    context: Context, facts: DrivelineFacts, road: Road, train: Train, known: tuple[str, str, float | None], asked: tuple[float, float, float]
) -> BoxRow:  # fmt: skip
    engine, wanted = context.engine, context.wanted
    idle, limit = likely(engine.facts.idle_speed), likely(engine.facts.limit_speed)
    speed, low, high = asked
    per = train.per_speed
    shifts = [*gears.shift_points(engine, wanted, train), None]
    shift = likely(facts.shift)
    rows = []
    for i, ratio in enumerate(train.ratios):
        at = np.linspace(idle, limit, CURVE) / per[i]
        pulls = gears.pull(engine, wanted, Train([ratio], train.low, train.final, train.tyre), road, at)[0]
        spare = pulls - road.resists(at) + road.mass * GRAVITY * road.rolling
        best = int(np.argmax(spare))
        rows.append(
            GearRow(ratio, float(speed * per[i]), float(limit / per[i]), gears.grade_of(float(pulls[best]), road, float(at[best])), shifts[i],
                    [(float(v), float(f)) for v, f in zip(at[::4], pulls[::4], strict=True)])
        )  # fmt: skip
    fine = np.linspace(1.0, max(r.fastest for r in rows), 600)
    holds = gears.pull(engine, wanted, train, road, fine).max(axis=0) >= road.resists(fine)
    torque = likely(peak_torque(context))
    # Pulling away: the clutch passes what the engine makes at its best, the tyres what they take.
    away = min(
        torque * train.ratios[0] * train.low * train.final * 2.0 * np.pi / train.round * road.efficiency, road.grip
    )
    id, name, rating = known
    last = len(train.ratios) - 1
    return BoxRow(
        id=id,
        name=name,
        final=train.final,
        tyre=train.tyre,
        low=train.low,
        gears=rows,
        top_rpm=rows[-1].rpm,
        crawls=float(idle / (per[0] * train.low)),
        starts_on=gears.grade_of(float(away), road, 0.0),
        sprint=gears.seconds(engine, wanted, train, road, 0.0, ASKED, shift),
        passing=gears.seconds(engine, wanted, train, road, low, high, shift) if high > low else None,
        passing_top=gears.seconds(engine, wanted, train, road, low, high, shift, [last]) if high > low else None,
        top=float(fine[np.flatnonzero(holds)[-1]]) if holds.any() else 0.0,
        rating=rating,
        over=rating is not None and torque > rating,
    )
