"""A simulated engine: what its gauges show through a long run, sound or with something wrong, with their noise."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.start import setting, warming
from gauge_well.core.start.expected import Expected, expected
from gauge_well.core.start.faults import charge, cooling, fuel, oil, wet
from gauge_well.core.start.faults.cause import MISSED, SOUND, TWO_SIDED, Check, Worked
from gauge_well.core.start.faults.group import eased
from gauge_well.core.start.faults.symptoms import GROUPS
from gauge_well.core.start.setting import Setting, Stood
from gauge_well.core.systems.electrics import charging
from gauge_well.core.typing import Array

DRAWS = 32
STEP, LASTS = 2.0, 1200.0  # s
OIL_LAGS = 240.0  # s by which oil follows its coolant (common practice)
# Half-ranges of what a dashboard shows [SI], and as a share of it.
NOISE: Mapping[str, tuple[float, float]] = {
    "coolant": (2.0, 0.0),
    "oil_cold": (6e3, 0.02),
    "oil_warm": (6e3, 0.02),
    "oil_crank": (6e3, 0.02),
    "rail": (3e3, 0.01),
    "volts": (0.05, 0.0),
    "crank_volts": (0.1, 0.0),
    "vacuum": (1.5e3, 0.0),
    "water": (0.0, 0.08),
    "ports": (4.0, 0.0),
    "outlet": (1.0, 0.0),
}


@dataclass(frozen=True)
class Row:
    """What stands on the gauges so long after the start [s], SI, by the readings' names."""

    time: float
    shows: Mapping[str, float]


@dataclass(frozen=True)
class Fault:
    """What is wrong with it: a group's cause at a size; a sound one has neither."""

    group: str = ""
    cause: str = SOUND
    size: float = 1.0


def fault_of(case: BuildCase, group: str, cause: str, size: float) -> Fault:
    """A fault by its names; CoreError where such a build has none of that name."""
    if cause in ("", SOUND):
        return Fault()
    causes = GROUPS[group].causes(case) if group in GROUPS else ()
    if cause not in [c.id for c in causes]:
        raise CoreError(
            "no_fault", "fault", f"{group}.{cause}", "one of its groups' causes", "There is no fault of that name."
        )
    return Fault(group, cause, size)


def looks(case: BuildCase, where: Setting, fault: Fault, seed: int) -> dict[str, float | str]:
    """What every check of its group would find on this very engine, SI or an outcome; nothing of a sound one's others."""
    found: dict[str, float | str] = {}
    for id, group in GROUPS.items():
        try:
            worked = group.work(case, where.air, DRAWS)
        except MissingFact:
            continue
        key = (fault.cause, fault.size) if id == fault.group else (SOUND, 1.0)
        if key not in worked:
            key = (fault.cause, 1.0)
        rng = np.random.default_rng([seed, *id.encode()])
        at = _drawn(seed)
        found |= {f"{id}.{check.id}": look(check, worked[key], at, rng) for check in group.checks(case)}
    return found


def look(check: Check, own: Worked, at: int, rng: np.random.Generator) -> float | str:
    """One check done on one engine of the draws: read with its gauge's error, or seen."""
    if check.kind:
        value = float(np.ravel(own.readings[check.id])[min(at, np.size(own.readings[check.id]) - 1)])
        return value + float(rng.normal()) * (check.error + check.share * abs(value)) / TWO_SIDED
    chance = np.maximum(np.asarray(own.seen[check.id], dtype=np.float64), 0.0)
    chance = chance / chance.sum() * (1.0 - MISSED) + MISSED / chance.size
    return check.outcomes[int(rng.choice(chance.size, p=chance))]


def _drawn(seed: int) -> int:
    """Which of the draws this engine is."""
    return 1 + seed % DRAWS


def played(case: BuildCase, where: Setting, fault: Fault, seed: int) -> Iterator[Row]:
    """Gauges every two seconds of a long run at fast idle; cranked and cold ones stand as they were first.

    Made up of the build within its tolerances: one draw by the seed, gauges with a bias of their own and noise.
    MissingFact where the engine is not known enough.
    """
    at, rng = _drawn(seed), np.random.default_rng([seed, 26])
    fast = setting.stand(setting.idle_case(case, where.air, setting.FAST), DRAWS)
    plain = {e.id: e for e in expected(case, where)}
    time = np.arange(0.0, LASTS + STEP, STEP)
    tracks = _tracks(case, fast, where, fault, at, time, plain)
    bias = {id: rng.normal() for id in tracks}
    for row, t in enumerate(time):
        shows = {}
        for id, values in tracks.items():
            so_much, share = NOISE.get(id, (0.0, 0.0))
            half = (so_much + share * abs(float(values[row]))) / TWO_SIDED
            shows[id] = float(values[row] + half * (0.8 * bias[id] + 0.6 * rng.normal()))
        yield Row(float(t), shows)


def _tracks(
    case: BuildCase, fast: Stood, where: Setting, fault: Fault, at: int, time: Array, plain: Mapping[str, Expected]
) -> dict[str, Array]:
    """Each reading through the run without its gauge's noise."""

    def own(group: str) -> str:
        return fault.cause if fault.group == group else SOUND

    tracks: dict[str, Array] = {}
    warm = np.full(time.size, where.air)
    if "coolant" in plain and not plain["coolant"].missing:
        trouble = cooling.trouble_of(own("cooling"), fault.size)
        loop = warming.loop_of(fast, fast.drawn.case.systems["cooling"], trouble)
        found = warming.warm([loop])
        warm = np.interp(time, found.time, found.coolant[:, 0, at])
        tracks["coolant"] = warm + cooling.shows_off(own("cooling"), fault.size)
    oil_at = np.empty_like(time)
    oil_at[0] = where.air
    for row in range(1, time.size):
        oil_at[row] = oil_at[row - 1] + (warm[row] - oil_at[row - 1]) * STEP / OIL_LAGS
    wrong = oil.trouble_of(own("oil"), fault.size)
    idle = fast.wide(fast.context.engine.facts.idle_speed)
    try:
        rows = np.linspace(where.air - 5.0, 400.0, 40)
        table = np.array([oil.pressure(fast, idle, np.full(fast.samples, t), wrong)[at] for t in rows])
        warmed = wrong.shows * np.interp(oil_at, rows, table)
        crank = oil.pressure(fast, oil.crank_speed(case), np.full(fast.samples, where.air), wrong)[at]
        tracks |= {
            "oil_crank": np.full_like(time, wrong.shows * crank),
            "oil_cold": np.full_like(time, warmed[0]),
            "oil_warm": warmed,
        }
    except MissingFact:
        pass
    if "rail" in plain and not plain["rail"].missing:
        tracks["rail"] = np.full_like(time, fuel.read(fast, None, own("fuel"), fault.size).readings["rail"][at])
    if "volts" in plain and not plain["volts"].missing:
        facts = fast.drawn.case.systems["electrics"]
        asked = fast.wide(charging.total([d for d in charging.draws(fast.context, facts) if d.id], "idle"))
        holds = np.full(fast.samples, charge.SET * charging.nominal(facts) / 12.0)
        trouble_volts = charge.TROUBLES[own("charge")]
        tracks["volts"] = np.full_like(time, charge.posts(fast, idle, asked, trouble_volts, fault.size, holds)[0][at])
    if "water" in plain and plain["water"].likely is not None:
        left = eased(wet.LEFT.get(own("wet"), 1.0), fault.size)
        tracks["water"] = np.full_like(time, left * plain["water"].likely)
    for id in ("vacuum", "crank_volts", "outlet"):
        if id in plain and plain[id].likely is not None:
            tracks[id] = np.full_like(time, plain[id].likely)
    if "ports" in plain:
        tracks["ports"] = np.minimum(12.0 * time / 60.0, 14.0)
    return tracks
