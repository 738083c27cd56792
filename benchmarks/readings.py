"""Readings and drives: a fit of twenty, two hours second by second, a log of a million rows."""

from __future__ import annotations

from dataclasses import replace
from functools import partial

import numpy as np

from benchmarks.timing import Line, median
from gauge_well.core.drive import made
from gauge_well.core.drive.course import along
from gauge_well.core.drive.tables import Day
from gauge_well.core.drive.track import of_speeds
from gauge_well.core.fitted.doing import Doing, duty_of
from gauge_well.core.fitted.factors import factors_of
from gauge_well.core.fitted.fit import fit
from gauge_well.core.fitted.lesson import learn
from gauge_well.core.fitted.predict import HALVES, Reading, predict
from gauge_well.formats.log import read_log
from gauge_well.services.sizing import check
from gauge_well.sheet.demo import demo

ROADS = (
    (110, 0.0),
    (50, 0.08),
    (80, 0.05),
    (70, 0.07),
    (95, 0.03),
    (60, 0.06),
    (40, 0.1),
    (100, 0.02),
    (75, 0.06),
    (65, 0.04),
)
TWO_HOURS = 7200.0


def readings() -> list[Line]:
    """The quarry truck on ten roads, and over its pass."""
    case = check(demo("quarry-mule"))[1].case
    factors = factors_of(case)
    doings = [duty_of(case, Doing(ambient=298.15, speed=v / 3.6, grade=g)) for v, g in ROADS]
    plain = [Reading(f"{w}{k}", w, 370.0, HALVES[w], d) for k, d in enumerate(doings) for w in ("coolant", "oil")]
    theta = np.array([[{"core": 0.85, "heat": 1.1}.get(f.id, 1.0) for f in factors]])
    values = predict(case, plain, factors, theta)[0]
    read = [replace(r, value=float(v)) for r, v in zip(plain, values, strict=True)]
    halves = np.array([r.half for r in read])
    road = made.track_of(made.PASS_ROAD)
    time = np.arange(TWO_HOURS)
    track = of_speeds(time, np.resize(road.speed, time.size), np.interp(time % road.time[-1], road.time, road.height))
    log = b"time,ect,speed\n" + b"".join(b"%.3f,%d,%d\n" % (k / 250.0, 90 + k % 5, 60) for k in range(1_000_000))
    return [
        median(
            "fit of 20 readings",
            partial(fit, lambda t: predict(case, read, factors, t), values, halves, factors),
            target=1.0,
        ),
        median("all that they teach", partial(learn, case, read)),
        median("two hours of driving at 1 s", partial(along, case, track, Day(298.15)), target=0.5),
        median("a log of a million rows", partial(read_log, log)),
    ]
