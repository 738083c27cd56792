"""What a reading can teach: factors on the model, how far each may be off before anything is read, and where it acts."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.case import BuildCase, fact_at, with_values
from gauge_well.core.tolerance import HALF, MODEL_FACTORS
from gauge_well.core.typing import Array, as_array

_HALVES = {factor.id: factor.factor for factor in MODEL_FACTORS}


@dataclass(frozen=True)
class Factor:
    """A multiplier of the model, 1 before anything is read; ``half``: its half-range as a ratio, 95 %.

    ``doubt``: the model factor it multiplies; ``fact``: the fact it multiplies, where it is none of those.
    """

    id: str
    label: str
    half: float
    doubt: str = ""
    fact: str = ""

    @property
    def sd(self) -> float:
        """Standard deviation of its logarithm."""
        return float(np.log(self.half) / HALF)


# Half-ranges of the model's own factors are the tolerance table's; of the others common practice.
FACTORS: Sequence[Factor] = (
    Factor("heat", "heat to the coolant", 1.25, fact="engine.coolant_share"),
    Factor("core", "how well the core sheds, as aged as it is", _HALVES["louvred_j"] * _HALVES["ageing"], "louvred_j"),
    Factor("fan", "what the fan really moves", _HALVES["fan_derate"], "fan_derate"),
    Factor("ram", "how much of the wind reaches the core", _HALVES["ram"], "ram"),
    Factor("flow", "coolant that is pumped", 1.20, fact="cooling.pump.ratio"),
    Factor("oil", "how freely oil heat passes to the coolant", _HALVES["oil_to_block"], "oil_to_block"),
)


def scaled(case: BuildCase, theta: Array) -> tuple[BuildCase, Mapping[str, Array]]:
    """A build with its factors at some values (sample, factor): facts that are multiplied, and doubts of the model's own."""
    facts = {f.fact: as_array(fact_at(case, f.fact)) * theta[:, k] for k, f in enumerate(FACTORS) if f.fact}
    doubts = {f.doubt: theta[:, k] for k, f in enumerate(FACTORS) if f.doubt}
    return with_values(case, facts), doubts
