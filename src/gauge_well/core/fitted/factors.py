"""What a reading can teach: factors on the model, how far each may be off before anything is read, and where it acts."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase, fact_at, with_values
from gauge_well.core.evidence import RULE
from gauge_well.core.facts import spec_at
from gauge_well.core.measured import Learned, Measured
from gauge_well.core.run.memory import by_value, digest
from gauge_well.core.tolerance import HALF, MODEL_FACTORS, half_of
from gauge_well.core.typing import Array, as_array, likely

_HALVES = {factor.id: factor.factor for factor in MODEL_FACTORS}
HEAT_BY = {"fuel_share": "engine.coolant_share", "maker": "engine.coolant_heat"}
COOLER_LEFT = 1.15  # times, either way, of what is left of an exchanger as it fouls (common practice)
PUMPED = 1.15  # times, either way, of what a pump of known size moves (common practice)


@dataclass(frozen=True)
class Factor:
    """A multiplier of the model, 1 before anything is read; ``half``: its half-range as a ratio, 95 %.

    ``fact``: the fact it multiplies; else ``doubts``: the model's own that it takes the place of, the first of which carries it.
    ``held``: beginnings of the paths of facts whose doubt it carries. ``home``: facts by which it is known again: where one is
    another, it is another part.
    """

    id: str
    label: str
    half: float
    doubts: tuple[str, ...] = ()
    fact: str = ""
    held: tuple[str, ...] = ()
    home: tuple[str, ...] = ()

    @property
    def sd(self) -> float:
        """Standard deviation of its logarithm."""
        return float(np.log(self.half) / HALF)


def _together(*halves: float) -> float:
    """Half-ranges that are independent, as one ratio."""
    return float(np.exp(np.hypot.reduce(np.log(np.array(halves)))))


def _stated(case: BuildCase, paths: Sequence[str]) -> float:
    """The widest of what some facts may be off by, as a ratio: they are not added, for a core is taped with one tape."""
    widest = 1.0
    for path in paths:
        known, value = case.known.get(path), fact_at(case, path)
        section, _, name = path.partition(".")
        facts = case.systems.get(section, getattr(case, section, None))
        spec = spec_at(type(facts), name)
        if known is None or spec is None or not isinstance(value, int | float) or not value:
            continue
        half = half_of(spec, known).of(float(value))
        widest = max(widest, 1.0 + half / abs(float(value)))
    return widest


CORE = tuple(f"cooling.core.{n}" for n in ("width", "height", "depth", "fin_count"))


def factors_of(case: BuildCase) -> Sequence[Factor]:
    """The factors that readings of a build can teach: the tolerance table's half-ranges, with what its own facts may be off by."""
    found = []
    own = HEAT_BY.get(case.engine.heat_school or "")
    if own:
        engine = ("engine.displacement", "engine.fuel", "engine.aspiration")
        found.append(Factor("heat", "heat to the coolant", _stated(case, [own]), fact=own, held=(own,), home=engine))
    found += _afloat(case) if case.machine.kind == "boat" else _ashore(case)
    pump = ("cooling.pump.drive", "cooling.coolant_flow", "cooling.hose.bore")
    flows = _together(PUMPED, _stated(case, ["cooling.pump.ratio"]))
    if fact_at(case, "cooling.pump.ratio") is not None:
        held = ("cooling.pump.", "cooling.coolant_flow")
        found.append(Factor("flow", "coolant pumped", flows, fact="cooling.pump.ratio", held=held, home=pump))
    oil = ("engine.displacement", "oil.cooler.into")
    found.append(Factor("oil", "oil heat passed to the coolant", _HALVES["oil_to_block"], ("oil_to_block",), home=oil))
    return [f for f in found if f.half > 1.0]


def _ashore(case: BuildCase) -> list[Factor]:
    sheds = _together(_HALVES["louvred_j"], _HALVES["ageing"], _stated(case, CORE))
    found = [
        Factor("core", "what the core sheds", sheds, ("ageing", "louvred_j"),
               held=("cooling.core.",), home=CORE),
        Factor("ram", "wind that reaches the core", _HALVES["ram"], ("ram",),
               home=("cooling.opening", "cooling.sealing", "cooling.grille")),
    ]  # fmt: skip
    if case.systems["cooling"].fan.drive not in (None, "none"):
        moves = _together(_HALVES["fan_derate"], _stated(case, ["cooling.fan.flow"]))
        home = ("cooling.fan.drive", "cooling.fan.flow", "cooling.fan.diameter", "cooling.fan.count")
        found.append(Factor("fan", "what the fan moves", moves, ("fan_derate",), held=("cooling.fan.",), home=home))
    return found


def _afloat(case: BuildCase) -> list[Factor]:
    path = "cooling.keel_area" if case.machine.cooled_by == "keel" else "cooling.exchanger.conductance"
    if fact_at(case, path) is None:
        return []
    label = "what the keel cooler sheds" if case.machine.cooled_by == "keel" else "what the exchanger sheds"
    sheds = _together(COOLER_LEFT, _stated(case, [path]))
    return [Factor("cooler", label, sheds, fact=path, held=(path, "cooling.fouled"), home=(path,))]


def scaled(case: BuildCase, factors: Sequence[Factor], theta: Array) -> tuple[BuildCase, Mapping[str, Array]]:
    """A build with its factors at some values (sample, factor): facts that are multiplied, and doubts of the model's own."""
    facts = {f.fact: as_array(fact_at(case, f.fact)) * theta[:, k] for k, f in enumerate(factors) if f.fact}
    doubts = {f.doubts[0]: theta[:, k] for k, f in enumerate(factors) if f.doubts}
    return with_values(case, facts), doubts


def home_of(case: BuildCase, factor: Factor) -> str:
    """By what was stated of it a factor's part is known again: another where the part is another."""
    stated = {p for p in factor.home if p in case.known and case.known[p].evidence != RULE}
    return digest(tuple(by_value(fact_at(case, p)) if p in stated else None for p in factor.home)).hex()[:8]


def measured(factors: Sequence[Factor], mode: Array, covariance: Array) -> Measured:
    """Factors with the mode of their logarithms and its covariance, as runs carry them."""
    root = np.linalg.cholesky(covariance)
    return Measured(
        tuple(
            Learned(f.id, f.label, f.fact, f.doubts, f.held, float(mode[k]), tuple(float(v) for v in root[k, : k + 1]))
            for k, f in enumerate(factors)
        )
    )


def applied(case: BuildCase, found: Measured) -> BuildCase:
    """A build with what was measured on it: facts multiplied, the model's own doubts in its place whenever it is run."""
    times = {path: likely(fact_at(case, path)) * float(row[0]) for path, row in found.facts(found.likely()).items()}
    return replace(with_values(case, times), measured=found)
