"""Mounts: a thousand draws over six load cases, against a general minimiser; a school, a bracket."""

from __future__ import annotations

from functools import partial

import numpy as np
from scipy.optimize import minimize

from benchmarks.timing import Line, against, median
from gauge_well.core.elastic.mounted import arms
from gauge_well.core.elastic.stops import energy, settle
from gauge_well.core.run import contexts
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.mounts.model import on
from gauge_well.core.systems.mounts.stand import feet_of
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo

SEEN = 1024
HARDER, ALONE = 10.0, 24


def _cases() -> tuple[np.ndarray, np.ndarray, np.ndarray, np.ndarray]:
    """So many units on three mounts, at rest, in first and reverse, over a bump, thrown up, and dumped over a bump."""
    rng = np.random.default_rng(1)
    at = np.array([[0.30, 0.28, -0.1], [0.30, -0.28, -0.1], [-0.65, 0.0, -0.1]]) + rng.normal(0.0, 0.01, (SEEN, 3, 3))
    w = 235.0 * 9.81
    load_ = np.zeros((6, 6))
    load_[:, 2] = [-w, -w, -w, -3.0 * w, 2.0 * w, -3.0 * w]
    load_[:, 3] = [0.0, 1080.0, -970.0, 0.0, 0.0, 2160.0]
    rates = np.broadcast_to(np.tile([96e3, 96e3, 192e3], 3), (SEEN, 9))
    return arms(at), rates, np.full((SEEN, 9), 0.008), np.broadcast_to(load_, (SEEN, 6, 6))


def _total(x: np.ndarray, b: np.ndarray, rates: np.ndarray, stop: np.ndarray, load: np.ndarray) -> float:
    return float(energy(b @ x, rates, stop, HARDER) - load @ x)


def _minimised(b: np.ndarray, rates: np.ndarray, stop: np.ndarray, loads: np.ndarray) -> None:
    for n in range(ALONE // 6):
        for f in loads[n]:
            minimize(_total, np.zeros(6), (b[n], rates[n], stop[n], f), method="BFGS")


def mounts() -> list[Line]:
    """The quarry truck's three mounts and two brackets."""
    case = resolve(load(demo("quarry-mule"))).case
    context, _ = contexts.make_context(case)
    facts = case.systems["mounts"]
    drawn = draw(case, SEEN).case
    there, own = contexts.make_context(drawn)[0], drawn.systems["mounts"]
    views = SYSTEMS["mounts"].views
    cases = _cases()
    b, rates, stop, loads = (c[: ALONE // 6] for c in cases)
    return [
        median(
            f"{SEEN} draws over six load cases, stops",
            partial(settle, cases[0], cases[1], cases[2], HARDER, cases[3]),
            target=0.030,
        ),
        against(
            median(f"{ALONE} of them", partial(settle, b, rates, stop, HARDER, loads)),
            median(f"{ALONE} of them, by a minimiser", partial(_minimised, *cases), repeats=3),
        ),
        median(f"mounts of a build, {SEEN} draws, all cases", lambda: on(there, own, feet_of(there, own))),
        median("loads drawn", partial(views["loads"].show, context, facts, {"case": 3.0})),
        median("five schools beside the stated", partial(views["schools"].show, context, facts, {})),
    ]
