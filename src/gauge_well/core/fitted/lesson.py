"""What a build's readings teach: predicted beside read, factors learned, the verdict they move most, what to read next."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import DutyFacts, task_kind
from gauge_well.core.errors import MissingFact
from gauge_well.core.fitted.doing import Doing, duty_of, lasting
from gauge_well.core.fitted.factors import Factor, applied, factors_of, measured, scaled
from gauge_well.core.fitted.fit import Fitted, effective, fit, next_reading, nudged, slopes_over
from gauge_well.core.fitted.predict import HALVES, WHATS, Reading, predict, widened
from gauge_well.core.measured import Measured, draws_by
from gauge_well.core.run.runs import Limit, Run, percentile, run
from gauge_well.core.run.sampling import SAMPLES_LIVE, Drawn, column, draw
from gauge_well.core.run.solve import wanted_of
from gauge_well.core.tolerance import HALF
from gauge_well.core.typing import Array, likely

EFFECTIVE_OF = 256  # draws that are weighed by the true density
MOVES = 0.02  # of a fill for a standard deviation of a factor, from which a verdict moves with readings at all
LONG = 60.0  # s from which a duty is long enough to be read in
CLIMB, CLIMBS_AT = 0.06, 40.0 / 3.6  # a slow climb, fan on: tan, m/s
TELLS_MORE = 0.02  # of the verdict's spread, from which a reading is worth taking
TRUTH = (0.05, 0.95)


@dataclass(frozen=True, eq=False)
class Foretold:
    """A reading beside what the build foretells of it, before and after the fit [K]: likely and the 5th and 95th percentile.

    ``weight``: how far it counts, 1 where it lies on the model; None where it was not counted at all, with ``why`` not.
    """

    reading: Reading
    before: tuple[float, float, float]
    after: tuple[float, float, float]
    weight: float | None
    why: str = ""


@dataclass(frozen=True)
class Shift:
    """The limit that readings move most: its fill and the chance that it holds, before and after."""

    limit: Limit
    before: tuple[float, float, float]
    after: tuple[float, float, float]
    holds_before: float
    holds_after: float


@dataclass(frozen=True)
class Useful:
    """A reading that could be taken next: what, while the machine does what; by how much the verdict's spread falls."""

    what: str
    doing: DutyFacts
    duty: str
    falls: float


@dataclass(frozen=True, eq=False)
class Lesson:
    """All that readings teach. ``residual`` root mean square of what is left [K]; ``effective`` of ``EFFECTIVE_OF`` draws."""

    factors: Sequence[Factor]
    fitted: Fitted
    measured: Measured
    foretold: Sequence[Foretold]
    residual_before: float
    residual: float
    effective: float
    shift: Shift | None
    useful: Sequence[Useful]


def standard(factors: Sequence[Factor], count: int) -> Array:
    """The build's own standard draws of what the factors take the place of (1 + count, factor): the first is nought."""
    return np.stack([column(draws_by(f.fact, f.doubts), count) for f in factors], axis=1)


def learn(case: BuildCase, readings: Sequence[Reading]) -> Lesson:
    """Fit a build's factors to its readings.

    Parameters
    ----------
    case : BuildCase
        As it stands by its facts alone, nothing measured applied.
    readings : sequence of Reading
        None teach nothing, and what to read first is told.

    Raises
    ------
    MissingFact
        Where engine, cooling or oil are not known enough to foretell what was read.
    """
    factors = factors_of(case)
    halves, shut = _counted(case, readings)
    counted = [r for r in readings if r.id in halves]
    values = np.array([r.value for r in counted])
    scales = np.array([halves[r.id] for r in counted])

    def model(theta: Array) -> Array:
        return predict(case, counted, factors, theta)

    fitted = fit(model, values, scales, factors) if counted else _untaught(factors)
    z = standard(factors, EFFECTIVE_OF)
    prior = np.exp(z * fitted.sds)
    none = np.zeros((len(z), 0))
    before, after = (predict(case, readings, factors, t) if readings else none for t in (prior, fitted.draws(z)))
    at = {r.id: k for k, r in enumerate(counted)}
    foretold = [
        Foretold(r, _band(before[:, k]), _band(after[:, k]), float(fitted.weights[at[r.id]] / fitted.top) if r.id in at else None,
                 shut.get(r.id, ""))
        for k, r in enumerate(readings)
    ]  # fmt: skip
    own = [k for k, r in enumerate(readings) if r.id in at]
    left = [np.sqrt(np.mean((done[0, own] - values) ** 2)) if own else 0.0 for done in (before, after)]
    count = effective(fitted, model, values, scales, z[1:]) if counted else float(EFFECTIVE_OF)
    found = measured(factors, fitted.mode * fitted.sds, fitted.covariance * np.outer(fitted.sds, fitted.sds))
    limit, slope = _moved(case, factors, fitted)
    return Lesson(
        factors=factors,
        fitted=fitted,
        measured=found,
        foretold=foretold,
        residual_before=float(left[0]),
        residual=float(left[1]),
        effective=count,
        shift=None if limit is None else _shift(case, found if counted else None, limit),
        useful=[] if slope is None else _useful(case, factors, fitted, slope, readings),
    )


def _untaught(factors: Sequence[Factor]) -> Fitted:
    count = len(factors)
    return Fitted(tuple(factors), np.zeros(count), np.eye(count), np.zeros((0, count)), np.zeros(0), np.zeros(0))


def _counted(case: BuildCase, readings: Sequence[Reading]) -> tuple[dict[str, float], dict[str, str]]:
    """Half-ranges of the readings that may be fitted, and why the others may not."""
    halves, shut = {}, {}
    held = {(r.doing, r.coolant_rises) for r in readings if r.what == "coolant" and widened(case, r) is None}
    for reading in readings:
        half = widened(case, reading)
        if half is None or (reading.what == "outlet" and (reading.doing, reading.coolant_rises) in held):
            shut[reading.id] = "shut"
        else:
            halves[reading.id] = half
    return halves, shut


def _band(values: Array) -> tuple[float, float, float]:
    return float(values[0]), percentile(values[1:], TRUTH[0]), percentile(values[1:], TRUTH[1])


def _nudged(case: BuildCase, factors: Sequence[Factor], fitted: Fitted) -> Run:
    """The build's own limits with each factor moved either way from the mode, in columns behind it."""
    theta = np.exp(nudged(fitted.mode) * fitted.sds)
    own, doubts = scaled(replace(case, wanted=wanted_of(case), measured=None), factors, theta)
    return run(Drawn(own, 2 * len(factors), {}, {}, doubts))


def _moved(case: BuildCase, factors: Sequence[Factor], fitted: Fitted) -> tuple[Limit | None, Array | None]:
    """The fullest of the limits that move with the factors, and its slope over them in standard deviations of their prior."""
    try:
        found = _nudged(case, factors, fitted)
    except MissingFact:
        return None, None
    best: tuple[float, Limit, Array] | None = None
    for limit in found.limits:
        fill = np.minimum(limit.fill, 3.0)
        slope = slopes_over(fill)
        if np.abs(slope).max() < MOVES:
            continue
        if best is None or float(limit.fill[0]) > best[0]:
            best = float(limit.fill[0]), limit, slope
    return (None, None) if best is None else (best[1], best[2])


def _shift(case: BuildCase, found: Measured | None, limit: Limit) -> Shift | None:
    """A limit's fill drawn before and after, on the same draws; the same where nothing was fitted."""
    plain = replace(case, measured=None)
    fills = []
    for own in (plain, plain if found is None else applied(plain, found)):
        there = next((x for x in run(draw(own, SAMPLES_LIVE)).limits if x.key == limit.key), None)
        if there is None:
            return None
        fills.append(there.fill)
    before, after = fills
    holds = [float(np.mean(fill[1:] <= 1.0)) for fill in fills]
    return Shift(limit, _band(before), _band(after), holds[0], holds[1])


def _candidates(case: BuildCase, readings: Sequence[Reading]) -> list[tuple[str, DutyFacts]]:
    """What the machine could be made to do next, in the air that readings were taken in."""
    airs = [likely(r.doing.ambient) for r in readings if r.doing.ambient is not None]
    air = float(np.median(airs)) if airs else 293.15
    found = [
        (id, lasting(duty, air))
        for id, duty in case.duties
        if duty.kind and (duty.duration is None or likely(duty.duration) >= LONG)
    ]
    try:
        found.append(("", duty_of(case, Doing(ambient=air))))
        if task_kind(case.machine.kind or "") == "road":
            found.append(("", duty_of(case, Doing(ambient=air, speed=CLIMBS_AT, grade=CLIMB))))
    except MissingFact:
        pass
    return found


def _foretold(case: BuildCase, factors: Sequence[Factor], readings: Sequence[Reading], theta: Array) -> Array:
    """Readings foretold all at once (sample, reading); one by one where one of them cannot be, that one not a number."""
    try:
        return predict(case, readings, factors, theta)
    except MissingFact:
        if len(readings) <= 1:
            return np.full((len(theta), len(readings)), np.nan)
    return np.concatenate([_foretold(case, factors, [r], theta) for r in readings], axis=1)


def _useful(
    case: BuildCase, factors: Sequence[Factor], fitted: Fitted, verdict: Array, readings: Sequence[Reading]
) -> list[Useful]:
    """Readings that make the verdict surest, the best first; of one doing the best alone."""
    theta = np.exp(nudged(fitted.mode) * fitted.sds)
    found: list[tuple[Useful, Array]] = []
    asked = [
        (id, Reading(what, what, 370.0, HALVES[what], doing))
        for id, doing in _candidates(case, readings)
        for what in WHATS
    ]
    rows = _foretold(case, factors, [r for _, r in asked], theta)
    slopes = slopes_over(rows)
    for k, (id, reading) in enumerate(asked):
        if np.isfinite(slopes[:, k]).all():
            scale = HALVES[reading.what] / HALF
            found.append((Useful(reading.what, reading.doing, id, 0.0), slopes[:, k] / scale))
    if not found:
        return []
    ranked = next_reading(fitted, np.stack([slope for _, slope in found]), verdict)
    best: dict[DutyFacts, Useful] = {}
    for worth in ranked:
        useful = replace(found[worth.at][0], falls=worth.falls)
        if worth.falls >= TELLS_MORE:
            best.setdefault(useful.doing, useful)
    return list(best.values())[:3]
