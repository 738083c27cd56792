"""Measure next: which fact's measuring is most likely to change the verdict.

Estimator
---------
``V`` is the verdict of the drawn build (each system short or not), ``V_i`` that of the same draw with fact
i held at its likely value and all else as drawn. The chance that measuring i changes the verdict is

    chance_i = P(V != V_i)

over draws common to both: what the verdict would be with the truth of i known, against
what it is while the likely value is taken for the truth, averaged over all that is not known besides. It
counts interactions (a fact that matters only where another is off), which varying one fact at a time
about the likely build cannot see; it is nought for a fact without tolerance; and it is never negative.
It is the total effect of the fact on a yes-or-no output, with the likely value in place of a redrawn one
(saltelli2010). It ranks.

What a builder will see is another thing: he measures this one fact and the rest stays what the sheet says.
So each fact that is listed is also drawn alone about the likely build, and ``alone`` is the share of its own
draws in which the verdict turns.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.case import BuildCase, fact_at, with_values
from gauge_well.core.evidence import TAPED
from gauge_well.core.facts import Spec, Way
from gauge_well.core.run.bands import RowBand, band_of, row_reaches
from gauge_well.core.run.graph import affected
from gauge_well.core.run.runs import Run, run, verdicts
from gauge_well.core.run.sampling import SAMPLES_LIVE, Drawn, draw
from gauge_well.core.sentence import Sentence
from gauge_well.core.tolerance import HALF, Known
from gauge_well.core.typing import Array
from gauge_well.core.ways import way_of

Flags = NDArray[np.bool_]
LEAST = 0.01  # chance below which a fact settles nothing
APART = 0.10  # of cases by which the two ends of a fact must differ to be said
WINDOW = 8  # samples are looked at in eighths to find where a verdict turns
SIGNIFICANT = 4.0  # standard errors under which a slope is none: of some two hundred facts one in fifty times passes
FINITE = 0.5  # share of samples with a finite reach below which its spread is not said


def changes(truth: Flags, held: Flags) -> float:
    """Chance that two verdicts differ; flags (system, sample) or (sample,)."""
    differs = truth != held
    return float(np.mean(differs if differs.ndim == 1 else differs.any(axis=0)))


@dataclass(frozen=True)
class Either:
    """What a system's verdict becomes when a fact turns out low or high.

    Chances that it holds with the fact in its lowest and highest eighth, the fact's middle value there,
    and the value at which the verdict turns, None where it does not.
    """

    low: float
    high: float
    holds_low: float
    holds_high: float
    turns_at: float | None


def either_way(values: Array, over: Flags) -> Either:
    """Read a verdict along one fact from samples of both (sample,).

    Sorted by the fact, in windows of an eighth; where the verdict's majority turns, the value there.
    """
    order = np.argsort(values, kind="stable")
    x, holds = values[order], ~over[order]
    n = max(len(x) // WINDOW, 1)
    share = np.convolve(holds, np.ones(n) / n, mode="valid")
    middle = np.convolve(x, np.ones(n) / n, mode="valid")
    turn = np.flatnonzero((share[:-1] > 0.5) != (share[1:] > 0.5))
    turns = (share[0] > 0.5) != (share[-1] > 0.5) and turn.size
    at = float(np.mean(middle[turn])) if turns else None
    return Either(float(middle[0]), float(middle[-1]), float(share[0]), float(share[-1]), at)


@dataclass(frozen=True)
class Settles:
    """One fact, ranked.

    ``chance`` that measuring it changes a verdict with all else in doubt, ``system`` whose verdict that is most
    often; ``reach_spread`` [W] half-range at 95 % that this fact alone gives the build's reach, None where it is not
    told from noise; ``alone`` the chance that it changes the verdict with all else as likely, where that was worked.
    """

    path: str
    chance: float
    system: str
    either: Either | None
    reach_spread: float | None
    way: Way | None
    alone: float | None = None


def _flags(over: Mapping[str, Flags], systems: Sequence[str], count: int) -> Flags:
    blank = np.zeros(count, dtype=bool)
    return np.array([over[s][1:] if s in over else blank for s in systems])


def whole_reach(rows: Sequence[RowBand]) -> Array | None:
    """Lowest reach of the rows that power drives, by sample [W]."""
    watts = [r.watts for r in rows if r.kind == "power"]
    return np.min(watts, axis=0) if watts else None


def reach_spread(reach: Array | None, z: Array) -> float | None:
    """Half-range at 95 % [W] of the reach that goes with one fact's own draws.

    Slope of ln reach on the fact's standard draw, whose draws are independent of all others'; None where it is less
    than four standard errors of itself.
    """
    if reach is None:
        return None
    ok = np.isfinite(reach) & (reach > 0.0)
    ok[0] = False
    if np.mean(ok[1:]) < FINITE:
        return None
    x, y = z[ok], np.log(reach[ok])
    about = x - x.mean()
    slope = float(np.mean(about * (y - y.mean())) / np.mean(about**2))
    left = y - y.mean() - slope * about
    error = float(np.sqrt(np.mean(left**2) / np.sum(about**2)))
    if abs(slope) <= SIGNIFICANT * error:
        return None
    middle = float(np.median(reach[ok]))
    return middle * float(np.expm1(HALF * abs(slope)))


CHUNK = 4


def settles(case: BuildCase, base: Run | None = None, count: int = SAMPLES_LIVE) -> Iterator[tuple[int, int, Settles]]:
    """Work every fact in doubt: (done, of, result), in the sheet's order.

    Facts are first held together, section by section and then four by four: where holding all of them
    changes no draw's verdict, none of them alone is worked.

    Parameters
    ----------
    case : BuildCase
    base : Run, optional
        The build drawn ``count`` times, where it is there already.
    """
    found = base or run(draw(case, count))
    systems = list(found.over)
    truth = _flags(found.over, systems, found.drawn.count)
    reach = whole_reach(row_reaches(found))
    # A system that every draw agrees on is settled already, whatever one of its own facts does.
    open_ = {s for s, flags in zip(systems, truth, strict=True) if flags.any() and not flags.all()}

    def held(paths: Sequence[str]) -> Flags:
        return _flags(verdicts(hold(found.drawn, case, paths)), systems, found.drawn.count)

    def telling(paths: Sequence[str]) -> bool:
        return any(affected(path) & open_ for path in paths) and bool(np.any(held(paths) != truth))

    done, total = 0, len(found.drawn.z)
    for section in _by_section(found.drawn.z):
        whole = len(section) <= CHUNK or telling(section)
        for chunk in (section[i : i + CHUNK] for i in range(0, len(section), CHUNK)):
            worth = whole and telling(chunk)
            for path in chunk:
                done += 1
                spread = reach_spread(reach, found.drawn.z[path])
                chance, system, either = 0.0, "", None
                if worth:
                    with_it = held([path])
                    chance = changes(truth, with_it)
                    if chance > 0.0:
                        system = systems[int(np.argmax((truth != with_it).sum(axis=1)))]
                        values = fact_at(found.drawn.case, path)
                        if isinstance(values, np.ndarray):
                            either = either_way(values[1:], truth[systems.index(system)])
                yield done, total, Settles(path, chance, system, either, spread, way_of(path))


def hold(drawn: Drawn, case: BuildCase, paths: Sequence[str]) -> Drawn:
    """The same draws with some facts held at their likely values in ``case``."""
    held = with_values(drawn.case, {path: fact_at(case, path) for path in paths})
    return replace(drawn, case=held, z={p: z for p, z in drawn.z.items() if p not in paths})


def alone(case: BuildCase, all_: Sequence[Settles], count: int = SAMPLES_LIVE) -> list[Settles]:
    """The same facts, each drawn alone about the likely build: what a builder sees who measures only that one."""
    likely = verdicts(draw(case, count, facts=False, model=False))
    systems = list(likely)
    truth = _flags(likely, systems, count)
    paths = list(draw(case, 1).z)
    found = []
    for item in all_:
        drawn = draw(case, count, frozen=[p for p in paths if p != item.path], model=False)
        found.append(replace(item, alone=changes(truth, _flags(verdicts(drawn), systems, count))))
    return found


def _by_section(paths: Iterable[str]) -> list[list[str]]:
    """Paths of one section, or of one duty, together."""
    groups: dict[str, list[str]] = {}
    for path in paths:
        holder = path.rsplit(".", 1)[0] if path.startswith("duties.") else path.split(".", 1)[0]
        groups.setdefault(holder, []).append(path)
    return list(groups.values())


def ranked(all_: Sequence[Settles], known: Mapping[str, Known]) -> list[Settles]:
    """What a builder can still measure, most telling first; what settles nothing and spreads nothing left out."""
    listed = [
        s
        for s in all_
        if s.way is not None
        and known[s.path].evidence != TAPED
        and (s.chance >= LEAST or (s.reach_spread or 0.0) > 0.0)
    ]
    return sorted(listed, key=lambda s: (-round(s.chance, 3), -(s.reach_spread or 0.0), s.path))


@dataclass(frozen=True)
class ModelSpread:
    """What stays open when every fact that can be measured is exact.

    ``model`` is the chance that the verdict differs through the model's own factors alone, ``left`` that
    through the model and what only a logged run tells; the band is the reach's with both [W].
    """

    model: float
    left: float
    reach_low_w: float | None
    reach_high_w: float | None
    unmeasured: Sequence[str]


def model_spread(case: BuildCase, count: int = SAMPLES_LIVE) -> ModelSpread:
    """The model's own spread, said apart from the facts'."""
    alone = run(draw(case, count, facts=False))
    whole = draw(case, count)
    measurable = [path for path in whole.z if way_of(path) is not None]
    rest = run(draw(case, count, frozen=measurable))

    def off(found: Run) -> float:
        return float(np.mean(np.any([flags[1:] != flags[0] for flags in found.over.values()], axis=0)))

    reach = whole_reach(row_reaches(rest))
    band = band_of(reach[1:]) if reach is not None else None
    unmeasured = [path for path in whole.z if way_of(path) is None]
    return ModelSpread(off(alone), off(rest), band.low if band else None, band.high if band else None, unmeasured)


def say(item: Settles, spec: Spec, title: str) -> Sentence:
    """What the verdict becomes either way."""
    found = item.either
    if found is None:
        return Sentence("")
    values: dict[str, tuple[float, str] | str] = {
        "title": title,
        "low": (found.low, spec.kind),
        "high": (found.high, spec.kind),
        "p_low": (found.holds_low, "fill"),
        "p_high": (found.holds_high, "fill"),
    }
    if found.turns_at is None and abs(found.holds_low - found.holds_high) < APART:
        # Two ends that are the same say nothing.
        return Sentence("")
    if found.turns_at is not None:
        values["at"] = (found.turns_at, spec.kind)
        side = "less" if found.holds_low > found.holds_high else "more"
        return Sentence(f"{{title}} holds if it is {{at}} or {side}, falls short otherwise.", values)
    return Sentence("{title} holds in {p_low} of cases if it is {low}, in {p_high} if {high}.", values)
