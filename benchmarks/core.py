"""The core in-process: whole builds, core points, against scalar general libraries in the same run."""

from __future__ import annotations

from collections.abc import Sequence
from functools import partial

import numpy as np
from CoolProp.CoolProp import PropsSI
from ht import effectiveness_from_NTU

from benchmarks.timing import Line, against, median
from gauge_well.core.heat import radiator
from gauge_well.core.heat.effectiveness import crossflow_unmixed_mason
from gauge_well.core.heat.louvred_core import LouvredCore
from gauge_well.core.heat.louvred_fin import LouvredFin
from gauge_well.core.media import air, coolant
from gauge_well.core.run import contexts, sizing
from gauge_well.core.sizes import TUBES
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.views.places import serving
from gauge_well.core.systems.exhaust import model as exhaust
from gauge_well.core.systems.exhaust import pieces
from gauge_well.core.systems.oil import covering
from gauge_well.core.systems.oil.pan import pan_of
from gauge_well.services.sizing import size_document
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import NAMES, demo

POINTS = 2500
SCALAR = 100  # scalar solves timed, then scaled up to POINTS


def builds() -> list[Line]:
    """Whole builds: core alone, and from document to plain report."""
    lines = []
    for name in NAMES:
        document = demo(name)
        case = resolve(load(document)).case
        duties = len(document["duties"])
        lines.append(median(f"whole build {name}, {duties} duties, core", partial(sizing.size, case), target=0.030))
        lines.append(median(f"whole build {name}, document to report", partial(size_document, document)))
    return lines


def _piece(more: dict[str, str]) -> dict[str, object]:
    facts = {"diameter": "63.5 mm", "length": "350 mm", "bends": "30 deg"}
    return {"role": "exhaust.pieces", "facts": facts | more}


def geometry() -> list[Line]:
    """The oil's rose and a long twin exhaust."""
    document = demo("chalk-hare")
    case = resolve(load(document)).case
    context, _ = contexts.make_context(case)
    pan, rotation = pan_of(case.systems["oil"]), covering.rotation_of(context)
    angle = np.linspace(0.0, 2.0 * np.pi, 72, endpoint=False)
    quantities = np.array([3e-3, 4e-3, 5e-3])[:, None]
    listed = [_piece({"loss": "0.5"} if i % 4 else {"piece": "straight"}) for i in range(12)]
    others = [part for part in document["parts"] if not str(part.get("role")).startswith("exhaust.")]
    laid = document | {"exhaust": {"layout": "twin"}, "parts": [*others, *listed]}
    twin = resolve(load(laid)).case.systems["exhaust"]
    segments = pieces.segments_of(twin, context.engine)
    return [
        median(
            "rose of 72 directions, three quantities",
            lambda: covering.covered(pan, rotation, quantities, np.cos(angle), np.sin(angle)),
            target=0.060,
        ),
        median(
            "12-piece twin exhaust, 3 duties",
            lambda: exhaust.march(context, twin, segments, context.peak),
            target=0.015,
        ),
        median(
            "200 tube combinations of it, each piece by itself",
            lambda: exhaust.march(context, twin, _combined(segments, 200), context.peak),
            target=1.0,
        ),
    ]


def belts() -> list[Line]:
    """A truck's belt: 3,249 places of one pulley, and all that a dragged pulley is answered with."""
    case = resolve(load(demo("quarry-mule"))).case
    context, _ = contexts.make_context(case)
    facts = case.systems["belts"]
    own = ways.ways(context, facts)[0]
    x, y = (v.ravel() for v in np.meshgrid(np.linspace(-0.33, -0.05, 57), np.linspace(0.12, 0.40, 57)))
    show = SYSTEMS["belts"].views["route"].show
    return [
        median("3,249 places of a pulley, route alone", lambda: ways.elsewhere(own, 3, x, y), target=0.050),
        median("the same with wraps, gaps and room", lambda: serving(context, own, 3, x, y), target=0.050),
        median(
            "a pulley dragged, all of its drawing",
            lambda: show(context, facts, {"belt": 0, "pulley": 3, "right": -0.2, "up": 0.26}),
            target=0.100,
        ),
    ]


def _combined(segments: Sequence[pieces.Segment], count: int) -> list[pieces.Segment]:
    """So many runs at once, each piece of any tube sold."""
    picks = np.random.default_rng(4).choice(TUBES[3:11], (len(segments), count, 1, 1))
    return [pieces.with_bore(s, picks[i] - 2.0 * s.wall) for i, s in enumerate(segments)]


def core_points() -> list[Line]:
    """2,500 points of one core: air side, coolant side, exact effectiveness, heat."""
    fin = LouvredFin(
        fin_pitch=1.4e-3,
        fin_length=8e-3,
        fin_thickness=0.08e-3,
        louvre_pitch=1.2e-3,
        louvre_length=6.6e-3,
        louvre_angle=27.0,
        tube_height=2e-3,
        tube_depth=26e-3,
    )
    body = LouvredCore(0.625, 0.4, 0.026, 1.0, 1.0, 0.0, 0.28e-3, 190.0, fin)
    speed, litres = np.meshgrid(np.linspace(0.5, 12.0, 50), np.linspace(20.0, 250.0, 50))
    rho = float(air.density(311.15, 101325.0))

    def points() -> np.ndarray:
        airs = radiator.air_side(body, rho * speed * body.face, 328.0)
        fluid = radiator.coolant_side(body, litres / 6e4, 370.0, 0.527)
        return radiator.shed(body, airs, fluid, 373.65, 311.15).heat

    ntu, ratio = np.linspace(0.2, 4.0, POINTS), np.linspace(0.05, 0.95, POINTS)
    scalar = [(float(n), float(c)) for n, c in zip(ntu[:: POINTS // SCALAR], ratio[:: POINTS // SCALAR], strict=True)]
    library = median(
        "library: effectiveness, scalar",
        lambda: [effectiveness_from_NTU(n, c, subtype="crossflow") for n, c in scalar],  # type: ignore[no-untyped-call]
        repeats=5,
    )
    temperatures = np.linspace(300.0, 370.0, POINTS)
    properties = median(
        "library: coolant density and viscosity, scalar",
        lambda: [
            PropsSI(k, "T", float(t), "P", 3e5, "INCOMP::MEG[0.527]") for t in temperatures[:SCALAR] for k in "DV"
        ],
        repeats=5,
    )
    scale = POINTS / SCALAR
    return [
        median(f"{POINTS} core points, all of it", points, target=0.025),
        against(median(f"{POINTS} effectiveness", lambda: crossflow_unmixed_mason(ntu, ratio)), library, scale),
        against(
            median(f"{POINTS} coolant properties", lambda: coolant.properties(temperatures, 0.527)), properties, scale
        ),
    ]
