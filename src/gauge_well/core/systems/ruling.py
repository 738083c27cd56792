"""Rules of a system's fields, one after another: the first that speaks of a field stands."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule
from gauge_well.core.media.fuels import Fuel, burning
from gauge_well.core.parts.item import DRESSES
from gauge_well.core.typing import likely

HOTTEST = 311.15  # K, air where no duty says


@dataclass(frozen=True)
class Ruling:
    """What is given, what the other sections hold, and the rules so far."""

    given: Mapping[str, Any]
    context: Mapping[str, Mapping[str, Any]]
    rules: dict[str, Rule] = field(default_factory=dict)

    def get(self, name: str) -> Any:
        """What is given of a field, else what its rule says; None where there is neither."""
        if self.given.get(name) is not None:
            return self.given[name]
        return self.rules[name].value if name in self.rules else None

    def rule(self, name: str, value: Any, note: str, source: str = "common practice", *, exact: bool = False) -> None:
        """Set a field by rule where it is not given."""
        if self.given.get(name) is None and name not in self.rules:
            self.rules[name] = Rule(value, note, source, exact)

    @property
    def engine(self) -> Mapping[str, Any]:
        """The engine's facts."""
        return self.context.get("engine", {})

    @property
    def fuel(self) -> Fuel | None:
        """What it burns."""
        engine = self.engine
        return burning(engine["fuel"], engine.get("ethanol_share")) if engine.get("fuel") else None

    @property
    def bore(self) -> float:
        """Bore [m]: by displacement and stroke, or of cylinders as wide as they are long."""
        engine = self.engine
        each = likely(engine.get("displacement") or 2e-3) / max(likely(engine.get("cylinders") or 4.0), 1.0)
        stroke = engine.get("stroke")
        return float(np.sqrt(4.0 * each / (np.pi * likely(stroke)))) if stroke else float(np.cbrt(4.0 * each / np.pi))

    def unit_mass(self, dress: str, gearbox: float) -> float:
        """Engine as it runs, from a state of dress, and its gearbox [kg]."""
        return likely(self.engine.get("dry_mass") or 150.0) * DRESSES[dress].more + gearbox

    def outside(self, name: str) -> float:
        """A size of the engine's outside or its gearbox's [m] as fit has it; by its cylinders where nobody taped it."""
        value = self.context.get("fit", {}).get(name)
        if value is not None:
            return likely(value)
        cylinders = likely(self.engine.get("cylinders") or 4.0)
        row = 0.5 * cylinders if cylinders >= 8.0 else cylinders
        usual = {"unit.length": 1.2 * row * self.bore + 0.18, "unit.cover": 4.2 * self.bore}
        return usual[name]

    @property
    def hottest(self) -> float:
        """Hottest air of any duty [K]."""
        duties = self.context.get("duties", {})
        return float(max([v for k, v in duties.items() if k.endswith("ambient") and v is not None], default=HOTTEST))
