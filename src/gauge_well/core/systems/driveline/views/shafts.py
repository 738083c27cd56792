"""Lines of shafts from the side and from above, their joints, how unevenly they turn, how fast they may."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline import joints
from gauge_well.core.parts.propshaft import PropshaftFacts
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.driveline import carried, lines
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.systems.driveline.lines import Line
from gauge_well.core.typing import Array, likely, likely_or_none

STUB = 0.18  # m of gearbox and axle drawn at the ends


@dataclass(frozen=True)
class JointRow:
    """A joint: bend in all, seen from the side and from above [rad]."""

    angle: float
    side: float
    plan: float


@dataclass(frozen=True)
class ShaftRow:
    """A shaft: its length [m], where it whirls and may turn [rev/min], slip over the travel: in and out [m]."""

    id: str
    name: str
    length: float
    whirls: float | None
    may: float | None
    slides_in: float | None
    slides_out: float | None


@dataclass(frozen=True)
class LineRow:
    """A line: points along it (along, left, up) [m] from gearbox to axle; joints; shafts; what is left as one joint [rad], how
    hard the axle and the shaft are shaken [rad/s2]; speed out over in through a turn."""

    axle: str
    driven: bool
    points: Sequence[tuple[float, float, float]]
    joints: Sequence[JointRow]
    shafts: Sequence[ShaftRow]
    residual: float
    shaken: float | None
    inside: float | None
    turned: Sequence[float]
    ratio: Sequence[float]


@dataclass(frozen=True)
class ShaftsView:
    """Lines; how fast the shaft turns on the road [rev/min]; what is felt [rad/s2]; what is still to be stated."""

    lines: Sequence[LineRow]
    speed: float | None
    felt: float
    felt_inside: float
    missing: Sequence[str]


def show(context: Context, facts: DrivelineFacts, options: Options) -> ShaftsView:
    """Of every line of which all is stated."""
    fastest = lines.fastest(context, facts)
    speed = likely_or_none(fastest)
    missing = [p for which in ("rear", "front") for p in lines.missing(facts, which)]
    if facts.shafts:
        missing += lines.speed_missing(context)
    rows = [_row(context, facts, line, speed) for line in lines.lines(facts)]
    return ShaftsView(rows, speed, lines.DRIVING, lines.COASTING, missing)


def _row(context: Context, facts: DrivelineFacts, line: Line, speed: float | None) -> LineRow:
    ways = [np.array([float(np.ravel(v)[0]) for v in way]) for way in line.ways]
    lengths = [STUB, *(likely(s.length) if s.length is not None else 0.0 for _, s in line.shafts), STUB]
    at = np.zeros(3)
    points = [at]
    for way, length in zip(ways, lengths, strict=True):
        at = at + way * length
        points.append(at)
    turned, ratio = lines.uneven(line)
    slid = lines.slid(line)
    last = len(line.shafts) - 1
    shafts = []
    for k, (id, own) in enumerate(line.shafts):
        moves = slid if k == last else None
        shafts.append(_shaft(id, own, line, k, moves))
    return LineRow(
        axle=line.axle,
        driven=carried.drives(context, facts, line.axle),
        points=[(float(x), float(y), float(z)) for x, y, z in points],
        joints=[JointRow(likely(line.angles[k]), _side(ways, k), _plan(ways, k)) for k in range(len(line.angles))],
        shafts=shafts,
        residual=likely(line.residual),
        shaken=None if speed is None else likely(joints.acceleration(line.residual, speed)),
        inside=None if speed is None else likely(joints.acceleration(line.angles[0], speed)),
        turned=turned,
        ratio=ratio,
    )


def _side(ways: Sequence[Array], k: int) -> float:
    return float(np.arctan2(ways[k + 1][2], ways[k + 1][0]) - np.arctan2(ways[k][2], ways[k][0]))


def _plan(ways: Sequence[Array], k: int) -> float:
    return float(np.arctan2(ways[k + 1][1], ways[k + 1][0]) - np.arctan2(ways[k][1], ways[k][0]))


def _shaft(id: str, own: PropshaftFacts, line: Line, k: int, slid: lines.Slid | None) -> ShaftRow:
    whirl = lines.whirls(own)
    name = f"Shaft {k + 1}" if len(line.shafts) > 1 else "Shaft"
    moves = None if slid is None else (likely(slid.up), likely(slid.down))
    return ShaftRow(
        id, name, 0.0 if own.length is None else likely(own.length), likely_or_none(whirl),
        None if whirl is None else lines.WHIRLS * likely(whirl), None if moves is None else max(-min(moves), 0.0), None if moves is None else max(*moves, 0.0),
    )  # fmt: skip
