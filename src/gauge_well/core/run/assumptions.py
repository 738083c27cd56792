"""What nobody typed and still decides: each value a rule supplied, moved alone to both ends of its band.

One pass: the build is worked once with a column on the sample axis for either end of every such value, all others at
their likely ones. So each check and each need says which one value it rests on most.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import partial

import numpy as np

from gauge_well.core.case import BuildCase, fact_at, has_meaning, parted, with_values
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.evidence import RULE
from gauge_well.core.facts import Spec, spec_at, specs
from gauge_well.core.names import named
from gauge_well.core.run.memory import MEMORY, Memory
from gauge_well.core.run.runs import Key, Limit, run
from gauge_well.core.run.sampling import SECTIONS, Drawn
from gauge_well.core.run.scope import judging
from gauge_well.core.run.solved import Solved
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Need
from gauge_well.core.tolerance import HALF, Known, spread, supposed
from gauge_well.core.typing import Array, as_array, likely
from gauge_well.core.ways import way_of

# Rows of the tolerance table that only a logged run or a bench tells.
NOT_STATEABLE = ("bsfc", "coolant_share", "oil_share", "loss", "fin_count", "exact")
FELT = 0.03  # share of a need by which a value must move it, end to end, for the need to rest on it
NeedKey = tuple[str, str]  # part, quantity


@dataclass(frozen=True)
class Taken:
    """One value that a rule supplied and a builder could state."""

    path: str
    spec: Spec
    value: float

    def said(self, duties: Mapping[str, str]) -> Sentence:
        """ "pickup pipe bore taken as 22 mm"; ``duties``: name of each by its id."""
        words = named(self.path)
        section, *between, _ = self.path.split(".")
        if section == "duties":
            words += f" ({duties.get(between[0], between[0]).lower()})"
        return Sentence(words + " taken as {value}", {"value": (self.value, self.spec.kind)})


@dataclass(frozen=True)
class Rest:
    """What a check or a need rests on most.

    ``fill``: of the check with the value at the end that turns its verdict; for a need the least and the most that
    either end asks.
    """

    taken: Taken
    fill: float | None = None
    low: float | None = None
    high: float | None = None


@dataclass(frozen=True, eq=False)
class Assumptions:
    """What one system rests on.

    By check, the value that alone would bring it under its brim, or that alone would break it; by need, the value that
    moves it most; the values that move any check or need of it, the strongest first, and its needs as they were
    worked, where they could be.
    """

    saves: Mapping[Key, Rest] = field(default_factory=dict)
    breaks: Mapping[Key, Rest] = field(default_factory=dict)
    needs: Mapping[NeedKey, Rest] = field(default_factory=dict)
    decides: Sequence[str] = ()
    asked: Sequence[Need] | None = None

    def of(self, key: Key) -> Rest | None:
        """What a check rests on, either way."""
        return self.saves.get(key) or self.breaks.get(key)


UNTRIED = Assumptions()


def stateable(case: BuildCase) -> list[Taken]:
    """Values of a build that a rule supplied and that can be read, taped or answered."""
    found = []
    idle = SYSTEMS.keys() - {system.id for system in judging(case)}
    for path, known in case.known.items():
        section, name = parted(path)
        if section in idle:
            continue
        if known.evidence != RULE or (known.half is not None and not known.half.of(1.0)):
            continue
        spec = spec_at(DutyFacts if section == "duties" else SECTIONS[section], name)
        value = fact_at(case, path)
        if (
            value is None
            or spec is None
            or spec.kind in ("choice", "text", "table")
            or spec.fine
            or _follows(case, path)
            or not has_meaning(case, path, spec)
        ):
            continue
        if (spec.spread or spec.kind) in NOT_STATEABLE or (section != "duties" and way_of(path) is None):
            continue
        if supposed(spec).of(value) > 0.0:
            found.append(Taken(path, spec, likely(value)))
    return found


def _follows(case: BuildCase, path: str) -> bool:
    """Air over a core that moves follows the speed, which is asked; nobody is asked for both."""
    section, *between, name = path.split(".")
    return section == "duties" and name == "air_speed" and dict(case.duties)[between[0]].kind in ("road", "idle")


def ends(case: BuildCase, taken: Sequence[Taken]) -> Drawn:
    """The case with a low and a high column for each value, after the likely one."""
    count = 2 * len(taken)
    values: dict[str, Array | None] = {}
    for i, item in enumerate(taken):
        z = np.zeros(1 + count)
        z[1 + 2 * i], z[2 + 2 * i] = -HALF, HALF
        values[item.path] = spread(item.spec, Known(RULE, supposed(item.spec)), item.value, z)
    case = with_values(case, values)
    wanted = case.wanted if case.wanted is not None else likely(fact_at(case, "engine.rated_power") or 0.0) or None
    return Drawn(replace(case, wanted=wanted), count, {}, {})


def assumed(case: BuildCase, memory: Memory = MEMORY) -> Mapping[str, Assumptions]:
    """What every check and need of a build rests on, by system; nothing where nothing can be sized."""
    taken = stateable(case)
    if not taken:
        return {}
    try:
        found = run(ends(case, taken), memory)
    except MissingFact:
        return {}
    limits: dict[str, list[Limit]] = {id: [] for id in found.solved}
    for limit in found.limits:
        limits.setdefault(limit.system, []).append(limit)
    tried = tuple((item.path, item.value) for item in taken)
    parts = {}
    for id, own in limits.items():
        solved = found.solved.get(id)
        work = partial(_of_system, own, solved, taken)
        parts[id] = work() if solved is None else solved.once(("assumed", tried), work)
    return parts


def _of_system(limits: Sequence[Limit], solved: Solved | None, taken: Sequence[Taken]) -> Assumptions:
    moved = np.zeros(len(taken))
    saves: dict[Key, Rest] = {}
    breaks: dict[Key, Rest] = {}
    for limit in limits:
        low, high = limit.fill[1::2], limit.fill[2::2]
        moved = np.maximum(moved, np.abs(high - low))
        short = limit.fill[0] > 1.0
        at = np.minimum(low, high) if short else np.maximum(low, high)
        i = int(np.argmin(at) if short else np.argmax(at))
        if short == (at[i] > 1.0):
            continue
        (saves if short else breaks)[limit.key] = Rest(taken[i], float(at[i]))
    needs: dict[NeedKey, Rest] = {}
    asked = _asked(solved)
    for need in asked or ():
        value = as_array(need.value).ravel()
        share = _shares(value, taken)
        if share is not None:
            moved = np.maximum(moved, share)
        rest = _itself(need) or _need(value, taken, share)
        if rest is not None:
            needs[need.part, need.quantity] = rest
    decides = [taken[i].path for i in np.argsort(-moved, kind="stable") if moved[i] >= FELT]
    return Assumptions(saves, breaks, needs, decides, asked)


def _asked(solved: Solved | None) -> Sequence[Need] | None:
    try:
        return None if solved is None else solved.needs
    except CoreError:
        return None


def _itself(need: Need) -> Rest | None:
    """What a need takes by itself for a part that is not stated comes before any rule."""
    if need.shop is None or not need.shop.takes:
        return None
    path, value, _ = need.shop.takes[0]
    section, name = parted(path)
    return Rest(Taken(path, specs(SECTIONS[section])[name], value))


def _shares(value: Array, taken: Sequence[Taken]) -> Array | None:
    """Share of a need by which each value moves it, end to end; None where it is one number."""
    if value.size < 1 + 2 * len(taken) or not np.isfinite(value[0]) or value[0] <= 0.0:
        return None
    low, high = value[1::2], value[2::2]
    there = np.isfinite(low) & np.isfinite(high)
    apart = np.where(there, high, 0.0) - np.where(there, low, 0.0)
    return np.asarray(np.abs(apart) / value[0])


def _need(value: Array, taken: Sequence[Taken], share: Array | None) -> Rest | None:
    if share is None or share.max() < FELT:
        return None
    i = int(np.argmax(share))
    low, high = value[1::2], value[2::2]
    return Rest(taken[i], low=float(min(low[i], high[i])), high=float(max(low[i], high[i])))
