"""How a fact is known: the one table of it, best first."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

# What a builder may say, as a sheet may write it, and with what the program supplies.
Stated = Literal["taped", "sheet", "similar", "guess"]
Known = Literal["taped", "sheet", "similar", "rule", "guess"]
Written = Literal["taped", "weighed", "tested", "measured", "sheet", "similar", "guess", "rule"]


@dataclass(frozen=True)
class Evidence:
    """A way of knowing: in full, in a word beside a value, and other words a sheet may use for it."""

    label: str
    word: str
    also: tuple[str, ...] = ()


TAPED, RULE, GUESS = "taped", "rule", "guess"
EVIDENCE: Mapping[str, Evidence] = {
    TAPED: Evidence("measured, weighed or tested here", "tape", ("weighed", "tested", "measured")),
    "sheet": Evidence("maker's literature", "sheet"),
    "similar": Evidence("a like part or build", "similar"),
    RULE: Evidence("supplied by the program", "rule"),
    GUESS: Evidence("a guess", "guess"),
}
_BY_WORD = {word: id for id, evidence in EVIDENCE.items() for word in (id, *evidence.also)}


def evidence_of(written: str | None) -> str:
    """The way of knowing that a sheet's word stands for; a guess where it says none."""
    return _BY_WORD.get(written or "", GUESS)
