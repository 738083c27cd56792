"""Small made-up groups of faults, and builds of the demo, for the tests of a first start."""

from functools import cache

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.start.faults.cause import SOUND, Cause, Check, Foretold
from gauge_well.services.sizing import check
from gauge_well.sheet.demo import demo
from gauge_well.sheet.starter import starter


@cache
def build(name: str) -> BuildCase:
    """A build of the demo as the core is given it."""
    return check(demo(name))[1].case


def with_facts(name: str, **changes: dict) -> BuildCase:
    """A build of the demo with sections changed as they are typed."""
    document = demo(name)
    for section, facts in changes.items():
        document[section] = {**document[section], **facts}
    return check(document)[1].case


def bare(**more: str) -> BuildCase:
    """A build of which five facts are known."""
    facts = {
        "kind": "road_car", "fuel": "petrol", "aspiration": "natural", "injection": "", "power": "90 kW", "speed": "5600",
        "torque": "", "torque_speed": "", "displacement": "2.0 L", "cylinders": "4", "boost": "", "mass": "1200 kg", "task": "",
    }  # fmt: skip
    return check(starter(**(facts | more)))[1].case


def field(means: list[list[float]], spread: list[list[float]], common: list[float], **more: object) -> Foretold:
    """Causes of one size with a covariance alike; the first is sound. Checks are gauges of nothing."""
    causes = tuple(
        Cause(SOUND if k == 0 else f"c{k}", f"Cause {k}", "", share, whole=True) for k, share in enumerate(common)
    )
    count = len(means[0])
    checks = more.get("checks") or tuple(Check(f"q{k}", f"Check {k}", "", 1.0, kind="ratio") for k in range(count))
    n = len(means)
    return Foretold(
        causes,
        checks,  # type: ignore[arg-type]
        np.arange(n),
        np.ones(n),
        np.array(means, dtype=float),
        np.array([spread] * n, dtype=float),
        np.array(more.get("chance", np.zeros((n, count, 0))), dtype=float),
    )
