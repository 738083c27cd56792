"""The working: the chain of steps behind a number, kept for the explained point only."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from gauge_well.core.typing import Value, duty_value


@dataclass(frozen=True)
class Step:
    """One line of working.

    ``formula`` is plain arithmetic over the names in ``inputs`` (``**`` for powers; sqrt, exp,
    log, log10, tanh, minimum, maximum), so that anyone can work it again. ``solved`` marks a step found by a
    root search; its formula then is the residual, which must be nearly nought beside ``scale``.
    """

    symbol: str
    name: str
    formula: str
    value: float
    kind: str
    inputs: Mapping[str, float]
    source: str
    solved: bool = False
    scale: float = 1.0


@dataclass
class Working:
    """Collects steps for one duty (the index into the duty axis)."""

    index: int
    steps: list[Step] = field(default_factory=list)

    def pick(self, value: Value) -> float:
        """Return the number of ``value`` that belongs to this duty at the wanted power."""
        return duty_value(value, self.index)

    def add(
        self,
        symbol: str,
        name: str,
        formula: str,
        value: Value,
        kind: str,
        inputs: Mapping[str, Value],
        source: str,
        *,
        solved: bool = False,
        scale: Value = 1.0,
    ) -> None:
        """Record a step; every value is reduced to this duty's number."""
        self.steps.append(
            Step(
                symbol,
                name,
                formula,
                self.pick(value),
                kind,
                {key: self.pick(item) for key, item in inputs.items()},
                source,
                solved,
                self.pick(scale),
            )
        )
