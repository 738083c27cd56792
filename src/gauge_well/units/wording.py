"""Ways of saying a quantity that are more than a number and a unit: ratios, sides of an area, wire and hose sizes."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from gauge_well.units.kinds import Kind
from gauge_well.units.table import UNITS, Unit

_ROUND = re.compile(r"^[ø∅⌀]\s*|\s*\b(?:o\.?d\.?|i\.?d\.?|dia\.?|diameter)$")
_TON = re.compile(r"(?<![a-z])(?<!long )(?<!short )(?<!us )(?<!imp )tons?(?![a-z])(?! uk)")
_NUMBER = r"\d+(?:[.,]\d+)?"
_TO_ONE = re.compile(rf"^({_NUMBER}|\d+\s+\d+/\d+)\s*:\s*1$")
_ONE_IN = re.compile(rf"^1\s*(?:in|:)\s*({_NUMBER})$")
_TIMES = re.compile(rf"^({_NUMBER})\s*[x×*]\s*({_NUMBER})$")
_PARTS = re.compile(r"^(\d{1,2})\s*/\s*(\d{1,2})$")
_WIRE = re.compile(r"^(?:awg\s*)?(\d{1,2}|[1-4]/0)\s*(?:awg)?$")
_DASH = re.compile(r"^(?:(?:an|dash)[\s-]*(\d{1,2})|-(\d{1,2})\s*an)$")
_SIDES = re.compile(r"^(.+?)\s*[x×]\s*(.+)$")
WIRE_MOST = 40  # AWG
# Sizes that are said one after another, each smaller than the one before: 1 h 30 min, 12 t 5 cwt, 1 imp gal 2 pints.
STRUNG = frozenset({"time", "mass", "volume"})
NEXT_BARE = {"h": "min", "min": "s"}  # 1h30


@dataclass(frozen=True)
class Said:
    """What was understood, in a unit."""

    value: float
    unit: Unit


def stripped(text: str, kind: Kind, default_unit: str) -> str:
    """Text, in small letters, without what says only of what it is a measure."""
    text = text.replace("º", "°")
    if kind.dimension == "length":
        return _ROUND.sub("", text).strip()
    if kind.dimension == "mass":
        # A ton of the builder's own country: short where pounds are used, metric elsewhere.
        return _TON.sub("short ton" if default_unit in ("lb", "shortton") else "t", text)
    return text


def _decimal(text: str) -> float:
    whole, _, part = text.partition(" ")
    if "/" in part:
        top, bottom = part.strip().split("/")
        return int(whole) + (int(top) / int(bottom) if int(bottom) else math.nan)
    return float(text.replace(",", "."))


def _ratio(text: str, kind: Kind) -> Said | None:
    """``4.10:1``, ``1 in 8``, ``3.73 x 1.41``; of a share also ``50/50``."""
    if match := _TO_ONE.match(text):
        return Said(_decimal(match[1]), UNITS["1"])
    if match := _ONE_IN.match(text):
        length = _decimal(match[1])
        return Said(1.0 / length if length else math.nan, UNITS["1"])
    if kind.id == "ratio" and (match := _TIMES.match(text)):
        return Said(_decimal(match[1]) * _decimal(match[2]), UNITS["1"])
    if kind.id == "share" and (match := _PARTS.match(text)) and int(match[1]) + int(match[2]) == 100:
        return Said(float(match[1]), UNITS["%"])
    return None


def _wire(text: str) -> Said | None:
    """American wire gauge: ``d = 0.127 mm 92^((36 - n) / 39)`` (ASTM B258), as an area."""
    match = _WIRE.match(text) if "awg" in text else None
    if match is None:
        return None
    number = 1 - int(match[1][0]) if "/" in match[1] else int(match[1])
    if number > WIRE_MOST:
        return None
    diameter = 0.127 * 92.0 ** ((36 - number) / 39.0)
    return Said(math.pi / 4.0 * diameter**2, UNITS["mm2"])


def _dash(text: str) -> Said | None:
    """Dash size of a hose or tube: sixteenths of an inch."""
    match = _DASH.match(text)
    return Said(int(match[1] or match[2]) / 16.0, UNITS["in"]) if match else None


def said_otherwise(text: str, kind: Kind) -> Said | None:
    """A quantity said in one of these ways; None where it is said as a number with a unit."""
    if kind.dimension == "share" and kind.id != "count":
        return _ratio(text, kind)
    if kind.id == "wire_area":
        return _wire(text)
    return _dash(text) if kind.dimension == "length" else None


def sides(text: str, kind: Kind) -> tuple[str, str] | None:
    """Both sides where an area is said as ``600 x 400 mm``."""
    match = _SIDES.match(text) if kind.dimension == "area" and kind.id != "wire_area" else None
    return (match[1], match[2]) if match else None
