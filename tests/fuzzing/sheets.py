"""Sheets at random: facts within their ranges and past them, choices, tables, and what no person would type."""

from __future__ import annotations

import math
import random
from typing import Any

from gauge_well.core.facts import Spec
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.sections import DUTY, SECTIONS
from gauge_well.units.printing import Preference, exact

ODD = (
    "", "0", "-1", "nan", "1e999", "1/0", "2x 11 in", "11 5/8 in", "310 + 96 mm", "lots", "5 5 5", "½", "1,5", "−3",
    "99999999999999999999", "0.0000001 mm", "1 parsec", "12 psi", "205 F", "- 40 C", "100 %", "3'", "x" * 61, "\u0000", "٣",
)  # fmt: skip
NUMBERS = (0, -1, 1e-9, 1e12, 0.5, 3)
LEFT_OUT = 0.72  # of all fields
DUTIES = 4


def _between(chance: random.Random, low: float, high: float) -> float:
    """A number of a range, as likely small as large; its ends too, and a little past them."""
    pick = chance.random()
    if pick < 0.06:
        return low if math.isfinite(low) else -1.0
    if pick < 0.12:
        return high if math.isfinite(high) else 1e6
    low, high = max(low, -1e6), min(high, 1e9)
    if pick < 0.14:
        return high * 1.01 + 1.0
    if low > 0.0 and high / low > 20.0:
        return math.exp(chance.uniform(math.log(low), math.log(high)))
    return chance.uniform(low, high)


def _quantity(chance: random.Random, spec: Spec) -> Any:
    pick = chance.random()
    if pick < 0.02:
        return chance.choice(ODD)
    if pick < 0.03:
        return chance.choice(NUMBERS)
    value = _between(chance, spec.low, spec.high)
    if spec.kind == "count":
        value = float(round(value))
    prefer = Preference(chance.choice(("metric", "imperial")), chance.choice(("kW", "hp", "PS")))
    text = exact(value, spec.kind, prefer)
    if pick < 0.5:
        return text
    fact: dict[str, Any] = {"text": text, "evidence": chance.choice(("taped", "sheet", "similar", "guess"))}
    if pick > 0.95:
        fact["tolerance"] = chance.choice(("5 %", "3 mm", "0", "200 %", "claims", "1 K"))
    return fact


def _table(chance: random.Random, spec: Spec) -> str:
    rows = []
    for _ in range(chance.randint(1, 6)):
        cells = [f"{_between(chance, 0.0, 100.0):.4g}" for _ in spec.columns]
        if spec.words and chance.random() < 0.5:
            cells[-1] = chance.choice(list(spec.words))
        rows.append(", ".join(cells))
    return "\n".join(rows)


def value_of(chance: random.Random, spec: Spec) -> Any:
    """Something for one field."""
    if spec.kind == "choice":
        return chance.choice(list(spec.choices or {})) if chance.random() < 0.99 else "nothing"
    if spec.kind == "text":
        return chance.choice(("a name", "", "Ω" * 20, "<b>"))
    return _table(chance, spec) if spec.kind == "table" else _quantity(chance, spec)


def _scattered(chance: random.Random, left_out: float) -> dict[str, Any]:
    """A sheet of nothing but chance."""
    raw: dict[str, Any] = {"name": "Chance", "units": {"system": chance.choice(("metric", "imperial"))}}
    for id, section in SECTIONS.items():
        raw[id] = {n: value_of(chance, s) for n, s in section.specs.items() if chance.random() > left_out}
    raw["duties"] = [
        {"id": f"d{i}"} | {n: value_of(chance, s) for n, s in DUTY.specs.items() if chance.random() > left_out}
        for i in range(chance.randint(0, DUTIES))
    ]
    return raw


def _moved(chance: random.Random) -> dict[str, Any]:
    """A demo build with some facts moved or taken out: most of these stand, and go deep."""
    raw = demo(chance.choice(NAMES))
    for _ in range(chance.randint(1, 6)):
        id = chance.choice(list(SECTIONS))
        name, spec = chance.choice(list(SECTIONS[id].specs.items()))
        held = raw.setdefault(id, {})
        if chance.random() < 0.25:
            held.pop(name, None)
        else:
            held[name] = value_of(chance, spec)
    if raw.get("duties") and chance.random() < 0.4:
        duty = chance.choice(raw["duties"])
        name, spec = chance.choice(list(DUTY.specs.items()))
        duty[name] = value_of(chance, spec)
    return raw


def sheet_of(chance: random.Random) -> dict[str, Any]:
    """A sheet at random: half of them demo builds moved, half scattered, thin or thick."""
    return _moved(chance) if chance.random() < 0.6 else _scattered(chance, chance.choice((LEFT_OUT, 0.4, 0.95)))
