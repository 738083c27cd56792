"""A build drawn many times within its tolerances: the same draws for everything that is compared."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field, replace
from functools import lru_cache
from typing import Any

import numpy as np
from scipy.special import ndtr, ndtri

from gauge_well.core.case import BuildCase, fact_at, has_meaning, with_values
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.facts import EngineFacts
from gauge_well.core.facts import Spec, entries, with_facts
from gauge_well.core.installation import InstallationFacts
from gauge_well.core.measured import Measured
from gauge_well.core.run.scope import judging
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.tolerance import CUT, HALF, MODEL_FACTORS, Known, factor_samples, spread
from gauge_well.core.typing import Array, Value

SAMPLES = 1024
SAMPLES_LIVE = 256
SEED = 20

# Sections of a sheet that hold one set of facts each.
SECTIONS: Mapping[str, type[Any]] = {
    "engine": EngineFacts,
    "machine": MachineFacts,
    "installation": InstallationFacts,
    **{id: system.facts for id, system in SYSTEMS.items()},
}


@lru_cache(maxsize=4096)
def column(name: str, count: int) -> Array:
    """Standard draws of one thing in doubt, (1 + count,), normal, cut at 1.5 half-ranges; the first is nought.

    A Latin hypercube (mckay1979): the range of probability is cut into ``count`` equal parts and each is drawn from
    once, in an order of the name's own. So a column follows its name alone: a part fitted or swapped, a field added
    or a duty moved leaves the draws of all others as they were. Nets were tried (scrambled Sobol points; one of random
    matrices by name): they integrate no better at 256 draws, the first by a third better at 1,024, but in the
    hundreds of columns of a build some pairs of theirs go together (r up to 0.8 at 256 draws, none here past 0.3).
    """
    rng = np.random.default_rng([SEED, *name.encode()])
    uniform = (rng.permutation(count) + rng.random(count)) / count
    tail = ndtr(-CUT * HALF)
    drawn = np.concatenate([[0.0], ndtri(tail + uniform * (1.0 - 2.0 * tail))])
    drawn.flags.writeable = False
    return drawn


@dataclass(frozen=True)
class Drawn:
    """A case whose doubtful numbers are arrays (1 + count,), likely value first.

    ``z`` holds the standard draws of each fact that varies, by path; ``model`` those of the factors.
    """

    case: BuildCase
    count: int
    z: Mapping[str, Array]
    model: Mapping[str, Array]
    doubts: Mapping[str, Array] = field(default_factory=dict)


def draw(
    case: BuildCase, count: int = SAMPLES, *, frozen: Collection[str] = (), model: bool = True, facts: bool = True
) -> Drawn:
    """Draw a case within its tolerances.

    Parameters
    ----------
    case : BuildCase
        ``known`` says how each fact is known; a fact not in it is taken as exact.
    count : int
        Samples.
    frozen : collection of str
        Paths that are held at their likely values.
    model, facts : bool
        Whether model factors and facts vary.
    """
    z: dict[str, Array] = {}

    def sampled(path: str, instance: Any) -> Any:
        changed: dict[str, Any] = {}
        for name, spec, value in entries(instance):
            where = f"{path}.{name}"
            known = case.known.get(where)
            if known is None or value is None or where in frozen or spec.kind in ("choice", "text"):
                continue
            if case.measured is not None and case.measured.holds(where):
                continue
            if not has_meaning(case, where, spec):
                continue
            rows = [column(slot, count) for slot in _slots(where, spec)]
            found = _table(spec, known, value, rows) if spec.kind == "table" else spread(spec, known, value, rows[0])
            if found is not None:
                changed[name] = found
                z[where] = rows[0]
        return with_facts(instance, changed) if changed else instance

    if facts:
        # What is not judged of such a machine moves nothing.
        there = {system.id for system in judging(case)}
        case = replace(
            case,
            # What is wanted is decided, not measured: it stays where it is while the engine's own varies.
            wanted=case.wanted if case.wanted is not None else case.engine.rated_power,  # type: ignore[arg-type]
            engine=sampled("engine", case.engine),
            machine=sampled("machine", case.machine),
            installation=sampled("installation", case.installation),
            duties=tuple((id, sampled(f"duties.{id}", duty)) for id, duty in case.duties),
            systems={id: sampled(id, given) if id in there else given for id, given in case.systems.items()},
        )
    factors = {f.id: column(f"model.{f.id}", count) for f in MODEL_FACTORS} if model else {}
    doubts: Mapping[str, Array] = {f.id: factor_samples(f, factors[f.id]) for f in MODEL_FACTORS if f.id in factors}
    if case.measured is not None and model:
        case, doubts = _measured(case, case.measured, count, doubts)
    return Drawn(case, count, z, factors, doubts)


def _measured(
    case: BuildCase, found: Measured, count: int, doubts: Mapping[str, Array]
) -> tuple[BuildCase, Mapping[str, Array]]:
    """What readings left in doubt, in place of what the tolerances would: the same standard draws, so that before and after are
    told on the same ones."""
    values = found.values([column(f.column, count) for f in found.factors])
    facts = {path: fact_at(case, path) * (row / row[0]) for path, row in found.facts(values).items()}
    return with_values(case, facts), {**doubts, **found.doubts(values)}


def _slots(path: str, spec: Spec) -> list[str]:
    """What varies of one fact: itself, or each column of a table."""
    return [f"{path}#{k}" for k in range(len(spec.columns))] if spec.kind == "table" else [path]


def _table(
    spec: Spec, known: Known, rows: tuple[tuple[float, ...], ...], z: list[Array]
) -> tuple[tuple[Value, ...], ...] | None:
    """A table's columns, each off by one shared factor: it was taken with one tape or one gauge."""
    factors: list[Value] = []
    for k, (name, kind) in enumerate(spec.columns):
        values = [abs(row[k]) for row in rows if row[k]]
        middle = float(np.median(values)) if values else 0.0
        loss = spec.words is not None and k == len(spec.columns) - 1
        cell = Spec(name, kind, spread="loss" if loss else spec.spread)
        found = spread(cell, known, middle, z[k]) if middle else None
        factors.append(1.0 if found is None else found / middle)
    if all(isinstance(f, float) for f in factors):
        return None
    return tuple(tuple(cell * f for cell, f in zip(row, factors, strict=True)) for row in rows)
