"""How sure the verdict is: fills, states and reaches of a build drawn within its tolerances."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.checks import FILL_MAX, CheckClass, Scales, State, worst_of
from gauge_well.core.errors import MissingFact
from gauge_well.core.run.reach import SCAN, at_factors
from gauge_well.core.run.runs import Key, Run, percentile, run, verdicts, wide
from gauge_well.core.run.sampling import SAMPLES, draw
from gauge_well.core.run.solved import Solved
from gauge_well.core.typing import Array, as_array, clip

LOW, HIGH = 0.05, 0.95


@dataclass(frozen=True)
class Band:
    """5th and 95th percentile; None with its code (above, below) where one is not finite."""

    low: float | None
    high: float | None
    low_code: str = "value"
    high_code: str = "value"


def band_of(values: Array) -> Band:
    """Band of samples in which +inf stands for above every scan and 0 for below it."""
    ends = []
    for share in (LOW, HIGH):
        value = percentile(values, share)
        ends.append((None, "above") if np.isinf(value) else (None, "below") if value <= 0.0 else (value, "value"))
    return Band(ends[0][0], ends[1][0], ends[0][1], ends[1][1])


def state_of(fill: Array) -> State:
    """State of one limit from its samples: the first is the likely value, the rest are draws."""
    if fill[0] > 1.0:
        return State.SHORT
    return State.TIGHT if percentile(fill[1:], HIGH) > 1.0 else State.HOLDS


LEAST_POWER = 1e-6  # W
REFINED = 2  # times the model is run again at every sample's own guess of its reach

# Reach ------------------------------------------------------------------------------------------


def _fills(sought: Mapping[str, Solved], found: Run, factors: Array) -> dict[tuple[str, int], Array]:
    """Fill of each limit that power can change, (factor, duty, sample)."""
    mean, peak = at_factors(found.context, factors)
    count = len(found.context.duties.cases)
    shape = (factors.shape[0], count, 1 + found.drawn.count)
    return {
        (id, i): np.broadcast_to(wide(as_array(check.fill)), shape)
        for id, solved in sought.items()
        for i, check in enumerate(solved.result.checks(mean, peak))
        if check.scales is not Scales.GATE and check.check_class is CheckClass.LIMIT
    }


def reach_factors(found: Run) -> dict[tuple[str, int], Array]:
    """Power factor at the brim for each limit that power changes, (duty, sample), by system and check.

    What a system was asked before stays with it; the others are sought all at once.
    """
    count = found.drawn.count
    sought = {id: s for id, s in found.solved.items() if s.factors is None or s.factors[0] != count}
    fresh = _reach_factors(sought, found) if sought else {}
    for id, solved in sought.items():
        solved.factors = count, {i: factor for (system, i), factor in fresh.items() if system == id}
    return {(id, i): f for id, s in found.solved.items() if s.factors for i, f in s.factors[1].items()}


def _reach_factors(sought: Mapping[str, Solved], found: Run) -> dict[tuple[str, int], Array]:
    """Reach factors of some systems.

    +inf where it holds at the scan's end, 0 where it is over the brim from its start. The first
    up-crossing on nine log-spaced powers, by inverse interpolation of ln fill against ln power through
    three of them; then the model is run twice more at every guess and the chord taken.
    """
    x = np.log(SCAN)
    guesses: dict[tuple[str, int], Array] = {}
    ends: dict[tuple[str, int], tuple[Array, Array, Array, Array]] = {}
    shape = SCAN.reshape(-1, 1, 1)
    for key, fill in _fills(sought, found, shape).items():
        g = np.log(clip(fill, 1e-9, FILL_MAX))
        up = (g[:-1] <= 0.0) & (g[1:] > 0.0)
        i = np.argmax(up, axis=0)
        none, below = ~up.any(axis=0), g[0] > 0.0
        k = np.where(i > 0, i - 1, i + 2)
        ga, gb, gc = (np.take_along_axis(g, n[None], 0)[0] for n in (i, i + 1, k))
        xa, xb = x[i], x[i + 1]
        guess = _inverse(xa, xb, x[k], ga, gb, gc)
        guesses[key] = np.where(below, -np.inf, np.where(none, np.inf, guess))
        ends[key] = (xa, xb, ga, gb)
    if not guesses:
        return {}
    keys = list(guesses)
    whole = np.stack([guesses[key] for key in keys])
    finite = np.isfinite(whole)
    at = np.where(finite, whole, 0.0)
    xa, xb, ga, gb = (np.stack([ends[key][k] for key in keys]) for k in range(4))
    for _ in range(REFINED if finite.any() else 0):
        fills = _fills(sought, found, np.exp(at))
        g = np.log(clip(np.stack([fills[key][r] for r, key in enumerate(keys)]), 1e-9, FILL_MAX))
        over = g > 0.0
        xa, ga = np.where(over, xa, at), np.where(over, ga, g)
        xb, gb = np.where(over, at, xb), np.where(over, g, gb)
        # The chord of what is left of the bracket.
        rise = np.where(finite & (gb > ga), gb - ga, 1.0)
        at = np.where(finite, xa - ga * (xb - xa) / rise, 0.0)
    factors = np.exp(np.where(finite, at, whole))
    return {key: factors[r] for r, key in enumerate(keys)}


def _inverse(xa: Array, xb: Array, xc: Array, ga: Array, gb: Array, gc: Array) -> Array:
    """Where g is nought by inverse quadratic interpolation; the chord where that leaves the bracket."""
    with np.errstate(divide="ignore", invalid="ignore"):
        guess = (
            xa * gb * gc / ((ga - gb) * (ga - gc))
            + xb * ga * gc / ((gb - ga) * (gb - gc))
            + xc * ga * gb / ((gc - ga) * (gc - gb))
        )
        chord = xa - ga * (xb - xa) / (gb - ga)
    return np.asarray(np.where((guess > xa) & (guess < xb), guess, chord))


@dataclass(frozen=True)
class RowBand:
    """A row's reach [W] over the samples: power it reaches, or what it carries in its governing duty."""

    system: str
    part: str
    kind: str
    watts: Array


def row_reaches(found: Run) -> list[RowBand]:
    """Reach of every row, samples last; +inf above every scan, 0 below it."""
    factors = reach_factors(found)
    cases = found.context.duties.cases
    rows: dict[tuple[str, str, str], list[tuple[float, Array]]] = {}
    for (system, i), factor in factors.items():
        check = found.solved[system].checks[i]
        fill = np.broadcast_to(wide(as_array(check.fill)), (1, len(cases), 1 + found.drawn.count))
        for d, case in enumerate(cases):
            if check.judged is not None and not check.judged[d]:
                continue
            # A duty that asks nothing is carried whatever the factor, which may be without end.
            base = np.maximum(as_array(found.context.wanted if case.power_driven else case.power), LEAST_POWER)
            kind = "power" if case.power_driven else "load"
            rows.setdefault((system, check.part, kind), []).append((float(fill[0, d, 0]), factor[d] * base))
    bands = []
    for (system, part, kind), own in rows.items():
        # Power-driven: the least over all its checks. Load-driven: the duty that is likely fullest.
        watts = np.min([w for _, w in own], axis=0) if kind == "power" else max(own, key=lambda o: o[0])[1]
        bands.append(RowBand(system, part, kind, np.asarray(watts)))
    return bands


def sure(case: BuildCase, count: int = SAMPLES) -> dict[str, Any] | None:
    """Bands of a build: what a report adds when tolerance is asked for; None when nothing can be sized.

    Returns
    -------
    dict
        ``checks`` by (system, check, duty): low and high fill, the chance that it holds, its state;
        ``systems``: state, chance that it holds, reach band; ``rows``: reach band; ``state`` and chance
        of the whole; share of samples whose heat the energy balance held back.
    """
    try:
        return summary(run(draw(case, count)))
    except MissingFact:
        return None


def chance(case: BuildCase, count: int) -> float | None:
    """Chance that a build holds: no limit over its brim; None when nothing can be sized."""
    try:
        found = verdicts(draw(case, count))
    except MissingFact:
        return None
    return float(np.mean(~np.any([flags[1:] for flags in found.values()], axis=0))) if found else None


def summary(found: Run, *, reach: bool = True) -> dict[str, Any]:
    """What :func:`sure` says of a run."""
    checks = [
        {
            "system": limit.system,
            "id": limit.check,
            "duty": limit.duty,
            "fill_low": percentile(limit.fill[1:], LOW),
            "fill_high": percentile(limit.fill[1:], HIGH),
            "holds_probability": float(np.mean(limit.fill[1:] <= 1.0)),
            "demand_low": limit.end("demand", LOW),
            "demand_high": limit.end("demand", HIGH),
            "capacity_low": limit.end("capacity", LOW),
            "capacity_high": limit.end("capacity", HIGH),
            "state": state_of(limit.fill).value,
        }
        for limit in (*found.limits, *found.costs)
    ]
    rows = row_reaches(found) if reach else []
    systems: dict[str, dict[str, Any]] = {}
    for id, over in found.over.items():
        states = {state_of(limit.fill) for limit in found.limits if limit.system == id}
        unknown = bool(id in found.solved and found.solved[id].result.unknown)
        systems[id] = {
            "state": worst_of(states, unknown).value,
            "holds_probability": float(np.mean(~over[1:])),
            **_reach_entry([r.watts for r in rows if r.system == id and r.kind == "power"]),
        }
    clipped = np.broadcast_to(found.context.mean.clipped, (1, len(found.context.duties.cases), 1 + found.drawn.count))
    whole = np.any(list(found.over.values()), axis=0) if found.over else np.zeros(1 + found.drawn.count, dtype=bool)
    return {
        "samples": found.drawn.count,
        "checks": checks,
        "systems": systems,
        "rows": [{"system": r.system, "part": r.part, "kind": r.kind, **_reach_entry([r.watts])} for r in rows],
        "holds_probability": float(np.mean(~whole[1:])),
        "clipped_share": float(np.mean(clipped[..., 1:])),
        **_reach_entry([r.watts for r in rows if r.kind == "power"]),
    }


NO_BAND = {"reach_low_w": None, "reach_high_w": None, "reach_low_code": "unknown", "reach_high_code": "unknown"}


def _reach_entry(watts: Sequence[Array]) -> dict[str, Any]:
    if not watts:
        return dict(NO_BAND)
    least = np.min(watts, axis=0)
    band = band_of(least[1:] if least.size > 1 else least)
    return {
        "reach_low_w": band.low,
        "reach_high_w": band.high,
        "reach_low_code": band.low_code,
        "reach_high_code": band.high_code,
    }


def merged(report: Mapping[str, Any], found: Mapping[str, Any]) -> dict[str, Any]:
    """A report of :func:`gauge_well.core.run.sizing.size` with what :func:`summary` adds to it.

    Rows and systems gain their reach bands, checks their fills' bands, the chance that they hold and the
    state ``tight``.
    """
    checks = {(c["system"], c["id"], c["duty"]): c for c in found["checks"]}
    bands = {(r["system"], r["part"], r["kind"]): r for r in found["rows"]}
    blocks = {}
    for id, block in report["systems"].items():
        own = [_sure_check(c, checks.get((id, c["id"], c["duty"]))) for c in block["checks"]]
        entry = found["systems"].get(id)
        state = entry["state"] if entry and block["state"] == State.HOLDS.value else block["state"]
        added = {k: entry[k] for k in ("holds_probability", *NO_BAND)} if entry else {}
        blocks[id] = block | added | {"state": state, "checks": own}
    rows = [r | _without(bands.get((r["system"], r["part"], r["kind"]))) for r in report["rows"]]
    tight = report["state"] == State.HOLDS.value and any(b["state"] == State.TIGHT.value for b in blocks.values())
    return {
        **report,
        "systems": blocks,
        "rows": [r | _fill_band(r, checks) for r in rows],
        "state": State.TIGHT.value if tight else report["state"],
        **{k: found[k] for k in ("samples", "holds_probability", "clipped_share", *NO_BAND)},
    }


def _sure_check(check: Mapping[str, Any], found: Mapping[str, Any] | None) -> dict[str, Any]:
    """A check with its band; what is short only by an assumption stays so."""
    kept = {"state": check["state"]} if check["state"] == State.ASSUMED.value else {}
    return {**check, **_without(found), **kept}


def _without(entry: Mapping[str, Any] | None) -> dict[str, Any]:
    named = {"system", "id", "duty", "part", "kind"}
    return {k: v for k, v in entry.items() if k not in named} if entry else {}


def _fill_band(row: Mapping[str, Any], checks: Mapping[Key, Mapping[str, Any]]) -> dict[str, Any]:
    """Of the check that governs a row."""
    entry = checks.get((row["system"], row["check"], row["duty"]))
    return {k: entry[k] for k in ("fill_low", "fill_high", "holds_probability")} if entry else {}
