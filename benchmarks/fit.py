"""Fit: gaps of a whole bay, a drag, the window, the best place, the way out; distances against a collision library."""

from __future__ import annotations

from functools import partial

import fcl
import numpy as np
from scipy.spatial.transform import Rotation

from benchmarks.timing import Line, against, median
from gauge_well.core.geometry import gjk
from gauge_well.core.geometry.convex import box, padded
from gauge_well.core.run import contexts
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.fit.gaps import Posed, gaps, scene_of, solve
from gauge_well.core.systems.fit.rooms import lies_of
from gauge_well.core.systems.fit.spread import spread
from gauge_well.core.systems.fit.window import window
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo

PAIRS = 650  # 130 pairs in 5 positions
SEEN = 1024


def _boxes(rng: np.random.Generator) -> tuple[np.ndarray, list[fcl.CollisionObject]]:
    own, others = [], []
    for _ in range(PAIRS):
        low, high = -rng.uniform(0.02, 0.4, 3), rng.uniform(0.02, 0.4, 3)
        turn = Rotation.random(random_state=int(rng.integers(1 << 30))).as_matrix()
        at = rng.uniform(-0.8, 0.8, 3)
        own.append(box(low, high).moved(turn, at))
        others.append(
            fcl.CollisionObject(fcl.Box(*(high - low)), fcl.Transform(turn, at + turn @ (0.5 * (low + high))))
        )
    return padded(own)[0], others


def _library(first: list[fcl.CollisionObject], second: list[fcl.CollisionObject]) -> None:
    asked = fcl.DistanceRequest(gjk_solver_type=fcl.GJKSolverType.GST_INDEP)
    for a, b in zip(first, second, strict=True):
        fcl.distance(a, b, asked, fcl.DistanceResult())


def fit() -> list[Line]:
    """The quarry truck, taped all round."""
    case = resolve(load(demo("quarry-mule"))).case
    context, _ = contexts.make_context(case)
    facts = case.systems["fit"]
    scene = scene_of(facts, lies_of(context, facts).likely)
    lie, seeks = SYSTEMS["fit"].views["lie"], SYSTEMS["fit"].seeks
    rng = np.random.default_rng(1)
    (a, other_a), (b, other_b) = _boxes(rng), _boxes(rng)
    posed = Posed(scene, scene.pose)
    rows = posed.rows(posed.near(0.15), range(len(scene.stances)))
    drawn = draw(case, SEEN).case
    there = contexts.make_context(drawn)[0]
    library = median("distances, library", partial(_library, other_a, other_b))
    return [
        against(median(f"distance of {PAIRS} pairs of boxes", partial(gjk.distance, a, b), target=0.030), library),
        median(f"gaps of {len(rows)} rows: all near pairs, 5 positions", partial(solve, scene, rows)),
        median(f"gaps of {len(scene.pairs)} pairs over 5 positions", partial(gaps, scene), target=0.030),
        median("a drag: every gap and three views", partial(lie.show, context, facts, {"up": 0.01}), target=0.100),
        median("window, 41 x 33 shifts", partial(window, scene), repeats=15, target=0.300),
        median(
            f"doubt of a taped bay, {SEEN} draws, again",
            partial(spread, drawn.systems["fit"], lies_of(there, drawn.systems["fit"])),
            repeats=15,
        ),
        median("best place with every change", lambda: list(seeks["best"].seek(context, facts)), repeats=3, target=5.0),
        median("way in and out", lambda: list(seeks["way"].seek(context, facts)), repeats=3),
    ]
