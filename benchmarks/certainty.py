"""How sure, what would move it, what to measure next: in-process, on one core."""

from __future__ import annotations

from functools import partial
from typing import Any

from benchmarks.timing import Line, median
from gauge_well.core.run import bands, maps, measure, remedy, runs
from gauge_well.core.run.sampling import SAMPLES, SAMPLES_LIVE, Drawn, draw
from gauge_well.core.run.sizing import outline
from gauge_well.services.changing import changed, edits_of
from gauge_well.services.explore import solve_for
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import NAMES, demo

SINGLES, PAIRS = 20, 10


def _changes(document: dict[str, Any]) -> None:
    """Twenty single changes and ten pairs, each the build run again."""
    sheet = load(document)
    case = resolve(sheet).case
    before = outline(case)
    edits = [edits_of(c, sheet) for _, c in remedy.candidates(before.context, case)]
    for one in edits[:SINGLES]:
        remedy.weigh(before, changed(sheet, one), [])
    for a, b in zip(edits[:PAIRS], edits[-PAIRS:], strict=True):
        remedy.weigh(before, changed(sheet, (*a, *b)), [])


def _sought(found: runs.Run) -> None:
    """Reaches of a drawn build, as if none were known."""
    for solved in found.solved.values():
        solved.factors = None
    bands.row_reaches(found)


def _summed(drawn: Drawn) -> object:
    """Fills and states."""
    return bands.summary(runs.run(drawn), reach=False)


def certainty() -> list[Line]:
    """Draws, fills and states, reach bands, changes, measure next."""
    lines = []
    for name in NAMES:
        document = demo(name)
        case = resolve(load(document)).case
        whole, live = draw(case, SAMPLES), draw(case, SAMPLES_LIVE)
        found = runs.run(whole)
        lines += [
            median(
                f"{SAMPLES} draws {name}, fills and states",
                partial(_summed, whole),
                repeats=15,
                target=0.150,
            ),
            median(f"{SAMPLES} draws {name}, reach bands", partial(_sought, found), repeats=15, target=0.600),
            median(f"{SAMPLES_LIVE} draws {name}, fills", partial(runs.run, live), repeats=15),
        ]
    document = demo("quarry-mule")
    case = resolve(load(document)).case
    for kind in maps.MAPS:
        points = maps.SIDE**2
        lines.append(
            median(
                f"map of {points} points, {kind}",
                partial(maps.heat_map, case, "grade", kind),
                repeats=15,
                target=0.25,
            )
        )
    lines.append(
        median(f"{SINGLES} single changes and {PAIRS} pairs", lambda: _changes(document), repeats=5, target=1.0)
    )
    lines.append(median("measure next, every fact in doubt", lambda: list(measure.settles(case)), repeats=3))
    lines.append(
        median(
            "solve for one fact, likely and surely",
            lambda: solve_for(document, "fuel.injectors.flow"),
            repeats=5,
        )
    )
    return lines
