"""A build drawn many times within its tolerances: the same draws for everything that is compared."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from dataclasses import dataclass, field, replace
from functools import cache, lru_cache
from typing import Any

import numpy as np
from scipy.special import ndtr, ndtri
from scipy.stats import qmc

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import DutyFacts, MachineFacts
from gauge_well.core.engine.facts import EngineFacts
from gauge_well.core.facts import Spec, specs
from gauge_well.core.installation import InstallationFacts
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.tolerance import CUT, HALF, MODEL_FACTORS, Known, factor_samples, spread
from gauge_well.core.typing import Array, Value

SAMPLES = 1024
SAMPLES_LIVE = 256
DUTIES_MOST = 12
SEED = 20


@cache
def _sections() -> Mapping[str, type[Any]]:
    return {
        "engine": EngineFacts,
        "machine": MachineFacts,
        "installation": InstallationFacts,
        **{id: system.facts for id, system in SYSTEMS.items()},
    }


def _slots(prefix: str, facts: type[Any]) -> Iterator[str]:
    for name, spec in specs(facts).items():
        if spec.kind == "table":
            yield from (f"{prefix}.{name}#{k}" for k in range(len(spec.columns)))
        elif spec.kind not in ("choice", "text"):
            yield f"{prefix}.{name}"


@cache
def _columns() -> Mapping[str, int]:
    """A column of the draws for everything that may ever be in doubt.

    Fixed by the facts classes alone, so that a part fitted or swapped leaves the draws of all others as
    they were.
    """
    names = [f"model.{factor.id}" for factor in MODEL_FACTORS]
    for id, facts in _sections().items():
        names += _slots(id, facts)
    for i in range(DUTIES_MOST):
        names += _slots(f"duty{i}", DutyFacts)
    return {name: i for i, name in enumerate(names)}


@lru_cache(maxsize=4)
def _draws(count: int) -> Array:
    """Normal draws cut at 1.5 half-ranges, (column, 1 + count); the first of each is nought, the likely.

    Scrambled Sobol (owen1998) with a fixed seed, so that a run can be had again.
    """
    uniform = qmc.Sobol(len(_columns()), scramble=True, rng=np.random.default_rng(SEED)).random(count)
    tail = ndtr(-CUT * HALF)
    z = ndtri(tail + uniform.T * (1.0 - 2.0 * tail))
    return np.concatenate([np.zeros((len(z), 1)), z], axis=1)


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
        Samples, a power of two.
    frozen : collection of str
        Paths that are held at their likely values.
    model, facts : bool
        Whether model factors and facts vary.
    """
    draws, columns = _draws(count), _columns()
    z: dict[str, Array] = {}

    def sampled(path: str, column: str, instance: Any) -> Any:
        changed: dict[str, Any] = {}
        for name, spec in specs(type(instance)).items():
            where = f"{path}.{name}"
            known, value = case.known.get(where), getattr(instance, name)
            if known is None or value is None or where in frozen or spec.kind in ("choice", "text"):
                continue
            if spec.when is not None and getattr(instance, spec.when[0]) not in spec.when[1]:
                continue
            rows = [draws[columns[c]] for c in _slot_names(f"{column}.{name}", spec)]
            found = _table(spec, known, value, rows) if spec.kind == "table" else spread(spec, known, value, rows[0])
            if found is not None:
                changed[name] = found
                z[where] = rows[0]
        return replace(instance, **changed) if changed else instance

    if facts:
        case = replace(
            case,
            # What is wanted is decided, not measured: it stays where it is while the engine's own varies.
            wanted=case.wanted if case.wanted is not None else case.engine.rated_power,  # type: ignore[arg-type]
            engine=sampled("engine", "engine", case.engine),
            machine=sampled("machine", "machine", case.machine),
            installation=sampled("installation", "installation", case.installation),
            duties=tuple((id, sampled(f"duties.{id}", f"duty{i}", duty)) for i, (id, duty) in enumerate(case.duties)),
            systems={id: sampled(id, id, given) for id, given in case.systems.items()},
        )
    factors = {f.id: draws[columns[f"model.{f.id}"]] for f in MODEL_FACTORS} if model else {}
    doubts = {f.id: factor_samples(f, factors[f.id]) for f in MODEL_FACTORS if f.id in factors}
    return Drawn(case, count, z, factors, doubts)


def _slot_names(column: str, spec: Spec) -> list[str]:
    return [f"{column}#{k}" for k in range(len(spec.columns))] if spec.kind == "table" else [column]


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
