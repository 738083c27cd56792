"""Three points typed at once: ``3 h``, ``2-5 h``, ``2-3-6 h``, ``10 to 21 days``, ``100-150``."""

from __future__ import annotations

import re
from collections.abc import Mapping

from gauge_well.core.work.span import Span, certain
from gauge_well.units import ReadingError
from gauge_well.units.reading import parse_decimal

TEXT_MAX = 40
# Of one number for a time: how much less and more it may take; of two, where between them the likely lies (common practice).
LESS, MORE, BETWEEN = 0.7, 1.6, 0.4
HOURS: Mapping[str, float] = {
    "": 1.0,
    "h": 1.0,
    "hour": 1.0,
    "hours": 1.0,
    "min": 1.0 / 60.0,
    "minutes": 1.0 / 60.0,
    "day": 8.0,
    "days": 8.0,
}
CALENDAR: Mapping[str, float] = {"": 1.0, "h": 1.0, "hour": 1.0, "hours": 1.0, "day": 24.0, "days": 24.0}
DAYS: Mapping[str, float] = {
    "": 1.0,
    "d": 1.0,
    "day": 1.0,
    "days": 1.0,
    "week": 7.0,
    "weeks": 7.0,
    "month": 30.0,
    "months": 30.0,
}
SHARE: Mapping[str, float] = {"": 0.01, "%": 0.01}
_NUMBERS = re.compile(
    r"^(\d[\d.,]*)(?:\s*(?:-|–|to)\s*(\d[\d.,]*))?(?:\s*(?:-|–|to)\s*(\d[\d.,]*))?\s*([a-z]*|%)\.?$", re.IGNORECASE
)
_MONEY = re.compile(r"^[^\d-]{0,5}?(\d[\d.,]*)(?:\s*(?:-|–|to)\s*[^\d-]{0,3}?(\d[\d.,]*))?\s*\D{0,5}$")


def span_of(text: str, units: Mapping[str, float], allowed: str, most: float) -> Span:
    """Three points from what was typed; of one or two numbers the others follow.

    Raises
    ------
    ReadingError
    """
    match = _NUMBERS.match(text.strip()) if len(text) <= TEXT_MAX else None
    unit = units.get(match[4].lower()) if match else None
    if match is None or unit is None:
        raise ReadingError("span", f"“{text[:TEXT_MAX]}” is not understood.", text[:TEXT_MAX], allowed)
    points = [parse_decimal(part) * unit for part in match.group(1, 2, 3) if part]
    if sorted(points) != points:
        raise ReadingError("order", "Give the least first.", text, allowed)
    if points[-1] > most:
        raise ReadingError("range", f"{text} is more than is taken here.", text, allowed)
    if len(points) == 1:
        return Span(LESS * points[0], points[0], MORE * points[0])
    if len(points) == 2:
        return Span(points[0], points[0] + BETWEEN * (points[1] - points[0]), points[1])
    return Span(points[0], points[1], points[2])


def hours_of(text: str) -> Span:
    """Working hours of a task."""
    return span_of(text, HOURS, "3 h, or least, likely and most: 2-3-6 h", 2000.0)


def pause_of(text: str) -> float:
    """Calendar hours that something dries."""
    return span_of(text, CALENDAR, "24 h or 2 days", 2000.0).likely


def lead_of(text: str) -> Span:
    """Days until a thing is there."""
    return span_of(text, DAYS, "10 days, or 2-3 weeks", 1500.0)


def share_of(text: str) -> Span:
    """A share, or one between two: ``10 %``, ``0-20 %``."""
    found = span_of(text, SHARE, "10 %, or 0-20 %", 3.0)
    return certain(found.likely) if not re.search(r"\d\s*(?:-|–|to)\s*\d", text) else found


def money_of(text: str) -> Span:
    """A price: known where it is one number, with a money's sign or without, else between two.

    Raises
    ------
    ReadingError
    """
    match = _MONEY.match(text.strip()) if len(text) <= TEXT_MAX else None
    if match is None:
        raise ReadingError("price", f"“{text[:20]}” is not a price.", text[:20], "120, 120.50 or 100-150")
    low = parse_decimal(match[1])
    if match[2] is None:
        return certain(low)
    high = parse_decimal(match[2])
    if high < low:
        raise ReadingError("order", "Give the least first.", text, "100-150")
    return Span(low, low + BETWEEN * (high - low), high)
