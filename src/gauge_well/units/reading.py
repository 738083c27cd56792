"""Reading quantities as they are typed in a workshop.

A small grammar against a closed vocabulary: fractions (``11 5/8 in``, ``2-1/4"``), feet and inches (``4' 7"``), decimal
comma, thousands, counts (``2x 11in``), sums of lengths, volumes and weights (``310 + 96 mm``), sizes one after another
(``1 h 30 min``), and what ``wording`` knows. Hostile text is refused by its length and its characters before anything is
worked out.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass, replace
from functools import lru_cache

from gauge_well.units.kinds import KINDS, Kind
from gauge_well.units.table import UNITS, Unit, spellings_of
from gauge_well.units.wording import NEXT_BARE, STRUNG, said_otherwise, sides, stripped

MAX_LENGTH = 60
MAX_EXPONENT = 15
TERMS_MAX = 6

_FRACTIONS = {
    "½": "1/2",
    "¼": "1/4",
    "¾": "3/4",
    "⅛": "1/8",
    "⅜": "3/8",
    "⅝": "5/8",
    "⅞": "7/8",
    "⅓": "1/3",
    "⅔": "2/3",
}
_COUNT = re.compile(r"^(\d{1,2})\s*(?:x|×|\*|off)\s*(?=[\d.,])")
_MIXED = re.compile(r"^([+-]?)(\d{1,6})[\s-]+(\d{1,3})\s*/\s*(\d{1,3})")
_FRACTION = re.compile(r"^([+-]?)(\d{1,4})\s*/\s*(\d{1,4})(?![\d/])")
_NUMBER = re.compile(r"^[+-]?(?:\d[\d.,]*|[.,]\d+)(?:e[+-]?\d{1,3}(?![\d.,]))?")
_SUM = re.compile(r"(?<=[^\s(e+])\s*\+\s*(?=[\d.,½¼¾⅛⅜⅝⅞⅓⅔])", re.IGNORECASE)
# Two plain numbers with a dash or "to" between: a range. A fraction or a count after the dash is none.
_SPAN = re.compile(r"^\s*(\d+(?:[.,]\d+)?)\s*(?:-|\bto\b)\s*(\d+(?:[.,]\d+)?(?![\d.,]*\s*[/:])[^\d+]*)$", re.IGNORECASE)
NO_SPAN = frozenset({"count", "wire_area"})
_ALLOWED = re.compile(r"^[0-9a-z .,/+\-*×·²³'\"’”″′°º:ø∅⌀%()^½¼¾⅛⅜⅝⅞⅓⅔µω]*$")


class ReadingError(ValueError):
    """Typed text that is not understood.

    Attributes
    ----------
    code : str
    read : str
        What was read.
    allowed : str
        What would be understood.
    """

    def __init__(self, code: str, message: str, read_: str = "", allowed: str = "") -> None:
        super().__init__(message)
        self.code, self.message, self.read, self.allowed = code, message, read_, allowed


# "12 deg left": forward and left are less than nought, back and right more.
_TURNED = re.compile(r"^(.*?[^\s])\s+(?:to the\s+)?(forwards?|back|backwards?|left|right)\s*$", re.IGNORECASE)


@dataclass(frozen=True)
class Reading:
    """What was understood: value in the typed unit, SI value, unit, count, and half of a range that was typed (SI)."""

    text: str
    value: float
    unit: str
    si: float
    count: int = 1
    half: float | None = None


@lru_cache(maxsize=64)
def _spellings(dimension: str) -> tuple[tuple[str, Unit], ...]:
    return tuple(sorted(spellings_of(dimension).items(), key=lambda item: -len(item[0])))


def _allowed(kind: Kind) -> str:
    names = dict.fromkeys(unit.symbol for _, unit in _spellings(kind.dimension) if unit.symbol)
    return ", ".join(names) or "a plain number"


def parse_decimal(text: str) -> float:
    """Number from text with a decimal point or comma and perhaps thousands.

    With both signs the last is the decimal one. A lone comma before exactly three digits, after
    one to three digits that are not nought, marks thousands (``1,500``); any other is decimal.
    """
    mantissa, _, exponent = text.lower().partition("e")
    if exponent and abs(int(exponent)) > MAX_EXPONENT:
        raise ReadingError("number", f"The exponent of {text} is out of all reason.", text, "a usual number")
    commas, points = mantissa.count(","), mantissa.count(".")
    if commas and points:
        decimal = max(mantissa.rfind(","), mantissa.rfind("."))
        whole, rest = mantissa[:decimal], mantissa[decimal + 1 :]
        mark = "." if mantissa[decimal] == "," else ","
        groups = whole.lstrip("+-").split(mark)
        if mantissa[decimal] in whole or not _grouped(groups):
            raise ReadingError("number", f"{text} has its points and commas mixed up.", text, "1234.5 or 1,234.5")
        mantissa = whole.replace(mark, "") + "." + rest
    elif commas + points > 1:
        mark = "," if commas else "."
        if not _grouped(mantissa.lstrip("+-").split(mark)):
            raise ReadingError("number", f"{text} has its points or commas mixed up.", text, "1234.5 or 1,234,567")
        mantissa = mantissa.replace(mark, "")
    elif commas:
        whole, rest = mantissa.split(",")
        digits = whole.lstrip("+-")
        thousands = len(rest) == 3 and 1 <= len(digits) <= 3 and digits[0] != "0"
        mantissa = whole + ("" if thousands else ".") + rest
    try:
        return float(mantissa + ("e" + exponent if exponent else ""))
    except ValueError:
        raise ReadingError("number", f"{text} is not a number.", text, "a number") from None


def _grouped(groups: list[str]) -> bool:
    return 1 <= len(groups[0]) <= 3 and all(len(group) == 3 for group in groups[1:])


def _number(text: str) -> tuple[float, str]:
    """Number at the start of ``text`` and what follows it."""
    match = _MIXED.match(text)
    if match:
        sign, whole, top, bottom = match.groups()
        if int(bottom) == 0:
            raise ReadingError("number", "A fraction over nought is no number.", match.group(0), "a fraction")
        value = int(whole) + int(top) / int(bottom)
        return (-value if sign == "-" else value), text[match.end() :]
    match = _FRACTION.match(text)
    if match:
        sign, top, bottom = match.groups()
        if int(bottom) == 0:
            raise ReadingError("number", "A fraction over nought is no number.", match.group(0), "a fraction")
        value = int(top) / int(bottom)
        return (-value if sign == "-" else value), text[match.end() :]
    match = _NUMBER.match(text)
    if not match:
        raise ReadingError("number", f"No number at the start of “{text}”.", text, "a number, then a unit")
    return parse_decimal(match.group(0)), text[match.end() :]


def _unit_at(text: str, kind: Kind) -> tuple[Unit | None, str]:
    """Longest known unit at the start of ``text``, which must end there or before a number."""
    rest = text.lstrip(" ")
    for spelling, unit in _spellings(kind.dimension):
        if spelling and rest.startswith(spelling):
            after = rest[len(spelling) :]
            if not after or after[0] in " +-" or after[0].isdigit() or not spelling[-1].isalpha():
                return unit, after.strip(" ")
    return None, rest


# The same texts are read again at every edit, candidate and remedy of a build.
@lru_cache(maxsize=8192)
def read(text: str, kind_id: str, default_unit: str | None = None) -> Reading:
    """Read typed text as a quantity of a kind.

    Parameters
    ----------
    text : str
        As typed, 60 characters at most.
    kind_id : str
    default_unit : str, optional
        Unit a bare number is in; the kind's metric unit otherwise.

    Returns
    -------
    Reading
        SI; gauge pressures stay over the air outside, temperatures are kelvin.

    Raises
    ------
    ReadingError
        Names what was read and what is understood.
    """
    turned = _TURNED.match(text) if kind_id == "angle" and len(text) <= MAX_LENGTH else None
    if turned is not None:
        found = read(turned[1], kind_id, default_unit)
        sign = -1.0 if turned[2].lower() in ("forward", "forwards", "left") else 1.0
        return replace(found, text=text.strip(), value=sign * found.value, si=sign * found.si)
    terms = _SUM.split(text.strip()) if len(text) <= MAX_LENGTH else [text]
    if len(terms) > 1:
        return _sum(text, terms, kind_id, default_unit)
    span = _SPAN.match(text.replace("–", "-")) if len(text) <= MAX_LENGTH else None
    if span is not None and kind_id not in NO_SPAN:
        return _middle(text, span[1], span[2], kind_id, default_unit)
    return _read_one(text, kind_id, default_unit)


def _middle(text: str, first: str, second: str, kind_id: str, default_unit: str | None) -> Reading:
    """``75-80 mm``: the middle, with half of the range; the first end is in the second's unit."""
    high = _read_one(second, kind_id, default_unit)
    low = _read_one(first, kind_id, high.unit)
    if low.si >= high.si or high.count != 1:
        raise ReadingError("range", f"“{text.strip()}” is no range: the smaller first.", text.strip(), "75-80 mm")
    return Reading(
        text.strip(), 0.5 * (low.value + high.value), high.unit, 0.5 * (low.si + high.si), 1, 0.5 * (high.si - low.si)
    )


# What lengths, volumes and weights are added up from: block + pan.
SUMMED = frozenset({"length", "volume", "mass", "area"})


def _sum(text: str, terms: list[str], kind_id: str, default_unit: str | None) -> Reading:
    """``310 + 96 mm``: terms of one kind added up; a bare term is in the unit of the last that has one."""
    kind = KINDS[kind_id]
    if kind.dimension not in SUMMED or len(terms) > TERMS_MAX:
        allowed = f"{TERMS_MAX} terms at most" if kind.dimension in SUMMED else "one quantity"
        raise ReadingError("sum", f"“{text}” cannot be added up here.", text, allowed)
    last = _read_one(terms[-1], kind_id, default_unit)
    readings = [_read_one(term, kind_id, last.unit) for term in terms[:-1]] + [last]
    if any(reading.count != 1 for reading in readings):
        raise ReadingError("sum", "A count makes no sense in a sum.", text, "310 + 96 mm")
    si = sum(reading.si for reading in readings)
    return Reading(text.strip(), si / UNITS[last.unit].factor, last.unit, si)


def _read_one(text: str, kind_id: str, default_unit: str | None) -> Reading:
    """One quantity of :func:`read`."""
    kind = KINDS[kind_id]
    if len(text) > MAX_LENGTH:
        raise ReadingError(
            "too_long",
            f"{len(text)} characters is too long for a quantity.",
            text[:20] + "…",
            f"{MAX_LENGTH} characters at most",
        )
    original = text
    work = " ".join(text.replace("\u00a0", " ").replace("−", "-").replace("–", "-").lower().split())
    if not work:
        raise ReadingError("empty", "Nothing was typed.", "", _allowed(kind))
    if not _ALLOWED.match(work):
        raise ReadingError("characters", f"“{original}” holds characters no quantity has.", original, _allowed(kind))
    for sign, plain in _FRACTIONS.items():
        work = work.replace(sign, " " + plain)
    work = stripped(work.strip(), kind, default_unit or kind.metric)
    both = sides(work, kind)
    if both is not None:
        return _area(original, *both)
    otherwise = said_otherwise(work, kind)
    if otherwise is not None:
        if not math.isfinite(otherwise.value):
            raise ReadingError("number", "A fraction over nought is no number.", original, "a fraction")
        return Reading(original.strip(), otherwise.value, otherwise.unit.id, otherwise.value * otherwise.unit.factor)
    count = 1
    match = _COUNT.match(work)
    if match and kind.dimension != "share":
        count = int(match.group(1))
        work = work[match.end() :]
    value, rest = _number(work)
    rest = _strip_pressure_words(rest, kind)
    unit, rest = _unit_at(rest, kind)
    if unit is None:
        if rest:
            raise ReadingError("unit", f"“{rest}” is not a unit known here.", rest, _allowed(kind))
        unit = _default(default_unit or kind.metric, kind)
    elif rest and kind.dimension in STRUNG:
        value = _strung(value, unit, rest, kind, original)
    elif rest:
        value, unit = _feet_and_inches(value, unit, rest, kind, original)
    si = value * unit.factor + (0.0 if kind.difference else unit.offset)
    if not math.isfinite(si):
        raise ReadingError("number", f"“{original}” is out of all reason.", original, "a usual number")
    return Reading(original.strip(), value, unit.id, si, count)


def _area(original: str, first: str, second: str) -> Reading:
    """``600 x 400 mm``: two lengths; a bare first one is in the second's unit."""
    length = KINDS["length"]
    try:
        value, rest = _number(second)
        unit, after = _unit_at(rest, length)
        if unit is None or after:
            raise ReadingError("unit", "Say what the sides are in.", original, "600 x 400 mm")
        other, rest = _number(first)
        own, after = _unit_at(rest, length) if rest.strip() else (unit, "")
        if own is None or after:
            raise ReadingError("unit", f"“{rest.strip()}” is not a unit known here.", rest.strip(), _allowed(length))
    except ReadingError as error:
        raise ReadingError(error.code, error.message, original, "600 x 400 mm") from error
    si = value * unit.factor * other * own.factor
    return Reading(original.strip(), si, "m2", si)


def _strung(value: float, unit: Unit, rest: str, kind: Kind, original: str) -> float:
    """Smaller sizes after the first, summed in the first's unit."""
    total, last = value * unit.factor, unit
    while rest:
        more, rest = _number(rest)
        found, rest = _unit_at(rest, kind)
        if found is None and not rest and last.id in NEXT_BARE:
            found = UNITS[NEXT_BARE[last.id]]
        if found is not None and found.id == "pint" and last.id == "impgal":
            found = UNITS["imppint"]
        if found is None or found.factor >= last.factor or more < 0.0 or value < 0.0:
            raise ReadingError("unit", f"“{original}” is not understood.", original, _allowed(kind))
        total, last = total + more * found.factor, found
    return total / unit.factor


def _default(id: str, kind: Kind) -> Unit:
    """Unit of a bare number, by its id; refused where it measures something else."""
    unit = UNITS.get(id)
    if unit is None or unit.dimension != kind.dimension:
        raise ReadingError("unit", f"“{id[:20]}” is not a unit of this.", id[:20], _allowed(kind))
    return unit


def _strip_pressure_words(rest: str, kind: Kind) -> str:
    """Take off a closing ``gauge``, ``abs``, ``g`` or ``a``; refuse the one the kind is not."""
    if kind.dimension != "pressure":
        return rest
    match = re.match(r"^(.*?(?:psi|bar|kpa|pa))\s*\(?(gauge|absolute|abs|g|a)\)?$", rest.strip())
    if not match:
        return rest
    word = "absolute" if match.group(2) in ("absolute", "abs", "a") else "gauge"
    if (word == "absolute") != kind.absolute:
        asked = "absolute" if kind.absolute else "over the air outside (gauge)"
        raise ReadingError("reference", f"This pressure is asked {asked}; {word} was typed.", rest.strip(), asked)
    return match.group(1)


def _feet_and_inches(value: float, unit: Unit, rest: str, kind: Kind, original: str) -> tuple[float, Unit]:
    if unit.id != "ft":
        raise ReadingError("unit", f"“{rest}” after the unit is not understood.", original, _allowed(kind))
    inches, tail = _number(rest)
    second, tail = _unit_at(tail, kind)
    if (
        tail
        or (second is not None and second.id != "in")
        or not 0.0 <= inches < 12.0
        or value < 0
        or value != int(value)
    ):
        raise ReadingError("unit", f"“{original}” is not feet and inches.", original, "4' 7\" or 4 ft 7 in")
    return value * 12.0 + inches, UNITS["in"]
