"""Sentences that carry quantities: written in SI here, printed in the build's units at the edge."""

from __future__ import annotations

from collections.abc import Hashable, Mapping, Sequence
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Sentence:
    """A template such as ``"carries {carries} of {needs}"`` with (SI value, kind) for each name.

    A value may also be a plain string, put in as it is.
    """

    template: str
    values: Mapping[str, tuple[float, str] | str] = field(default_factory=dict)


def inside(name: str) -> str:
    """A name that begins with a capital, in the middle of a sentence."""
    return name[:1].lower() + name[1:]


def numbered(label: str, alike: Sequence[Hashable], own: Hashable) -> str:
    """A name by what a thing is, with its number where there are several alike."""
    return label if len(alike) == 1 else f"{label} {alike.index(own) + 1}"
