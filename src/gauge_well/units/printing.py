"""Printing SI values in the units of a build."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

from gauge_well.units.kinds import KINDS, Kind
from gauge_well.units.table import UNITS, Unit

SYSTEMS = {"metric": "metric", "imperial": "inches and pounds"}
# What is measured small; decimals at most; in the unit shown, under which it is nothing.
FINE, FINE_MOST, FINE_LEAST = ("length", "volume"), 6, 1e-4
POWERS = {"kW": "kW", "hp": "hp", "PS": "PS"}


@dataclass(frozen=True)
class Preference:
    """Units of a build: ``system`` is metric or imperial, ``power`` kW, hp or PS."""

    system: str = "metric"
    power: str = "kW"


def unit_for(kind_id: str, prefer: Preference = Preference()) -> Unit:
    """Unit a kind is shown and bare numbers are read in."""
    kind = KINDS[kind_id]
    if kind.by_power:
        return UNITS[prefer.power]
    return UNITS[kind.imperial if prefer.system == "imperial" else kind.metric]


def convert(si: float, kind_id: str, unit: Unit) -> float:
    """Value in ``unit`` of an SI value."""
    offset = 0.0 if KINDS[kind_id].difference else unit.offset
    return (si - offset) / unit.factor


def number(value: float, kind: Kind) -> str:
    """Digits of a value: the kind's significant digits, its decimals at most (but for small sizes), thousands by a thin
    gap left out, trailing noughts after the point dropped."""
    if not math.isfinite(value):
        return "—"
    if value == 0.0:
        return "0"
    places = kind.digits - 1 - math.floor(math.log10(abs(value)))
    # A small size keeps its figures, whatever the unit: 0.00925 L, 0.0394 in.
    fine = kind.dimension in FINE and FINE_LEAST <= abs(value) < 100.0 * 10.0**-kind.decimals
    places = max(0, min(places, FINE_MOST if fine else kind.decimals))
    shown = f"{value:,.{places}f}" if abs(value) >= 10000 else f"{value:.{places}f}"
    if "." in shown:
        shown = shown.rstrip("0").rstrip(".")
    return "0" if shown in ("-0", "") else shown


@lru_cache(maxsize=16384)
def show(si: float, kind_id: str, prefer: Preference = Preference()) -> str:
    """An SI value with its unit, as read by people: ``118 L/min``, ``38 °C``, ``6 %``."""
    if kind_id == "time" and si >= 120.0:
        return _long_time(si)
    unit = unit_for(kind_id, prefer)
    shown = number(convert(si, kind_id, unit), KINDS[kind_id])
    if not unit.symbol:
        return shown
    close = unit.symbol in ("°",) or unit.symbol.startswith("/")
    return shown + ("" if close else "\u00a0") + unit.symbol


def _long_time(seconds: float) -> str:
    for limit, size, symbol in ((7200.0, 3600.0, "h"), (120.0, 60.0, "min")):
        if seconds >= limit:
            return f"{seconds / size:.3g}\u00a0{symbol}"
    return f"{seconds:.0f}\u00a0s"


def exact(si: float, kind_id: str, prefer: Preference = Preference()) -> str:
    """Text that reads back as this very SI value, in the build's units, with as few digits as that takes."""
    unit = unit_for(kind_id, prefer)
    value = convert(si, kind_id, unit)
    for digits in range(3, 17):
        shown = f"{value:.{digits}g}"
        back = float(shown) * unit.factor + (0.0 if KINDS[kind_id].difference else unit.offset)
        if abs(back - si) <= 1e-9 * max(abs(si), 1e-9):
            break
    plain = f"{float(shown):f}".rstrip("0").rstrip(".") if "e" in shown else shown
    return f"{plain} {unit.symbol}".strip()
