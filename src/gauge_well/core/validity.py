"""Ranges of correlations and the notices that say where a result stands outside them."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from math import inf

from gauge_well.core.sentence import Sentence
from gauge_well.core.typing import Value, duty_values

OUTSIDE = "outside_range"


@dataclass(frozen=True)
class Notice:
    """Something the builder should know that is not a limit."""

    code: str
    sentence: Sentence
    field: str = ""
    duty: str = ""
    part: str = ""


@dataclass(frozen=True)
class Range:
    """Where a relation was fitted, or a table stands.

    Parameters
    ----------
    what : str
        What must lie in it, as a builder says it.
    low, high : float
        Ends, both inside.
    source : str
    below, above : str
        What the answer is worth beyond either end, and what would tell; empty where nothing gets there.
    kind : str
        Kind of quantity it is shown as; empty for a plain number.
    """

    what: str
    low: float
    high: float
    source: str
    below: str = ""
    above: str = ""
    kind: str = ""

    def of(self, part: str) -> Range:
        """The same range of another part than "the core"."""
        return replace(self, what=self.what.replace("the core", part))

    def outside(self, value: float) -> bool:
        """Whether a value lies outside; what is not finite does not."""
        return (value < self.low and value != -inf) or (value > self.high and value != inf)

    def notice(self, value: float, part: str, field: str, duty: tuple[str, str] = ("", "")) -> Notice | None:
        """A notice where ``value`` lies outside; ``duty`` is its id and name, empty where no duty changes it."""
        if not self.outside(value):
            return None
        low = value < self.low
        end, means = (self.low, self.below) if low else (self.high, self.above)
        values: dict[str, tuple[float, str] | str] = {
            name: (number, self.kind) if self.kind else f"{number:,.0f}" if number >= 100.0 else f"{number:.3g}"
            for name, number in (("value", value), ("end", end))
        }
        on = " on {duty}" if duty[1] else ""
        template = f"{{what}} is {{value}}{on}; what is known {'starts' if low else 'ends'} at {{end}}. {{means}}"
        values |= {"what": self.what, "means": means, "duty": duty[1].lower()}
        return Notice(OUTSIDE, Sentence(template, values), field, duty[0], part)


@dataclass(frozen=True)
class Look:
    """A look at one range where its relation was used: a number that no duty changes, or an array over the duties."""

    range: Range
    value: Value
    part: str
    field: str


def looked(looks: Iterable[Look], duties: Sequence[tuple[str, str]]) -> list[Notice]:
    """Notices of what lies outside, the first look's for each part and duty.

    Parameters
    ----------
    looks : iterable of Look
        Most telling first.
    duties : sequence of (str, str)
        Id and name.
    """
    found: dict[tuple[str, str], Notice] = {}
    for look in looks:
        if isinstance(look.value, float):
            each = [(look.value, ("", ""))]
        else:
            each = list(zip(duty_values(look.value, len(duties)), duties, strict=True))
        for value, duty in each:
            notice = look.range.notice(value, look.part, look.field, duty)
            if notice is not None:
                found.setdefault((look.part, duty[0]), notice)
    return list(found.values())
