"""Sentences that carry quantities: written in SI here, printed in the build's units at the edge."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Sentence:
    """A template such as ``"carries {carries} of {needs}"`` with (SI value, kind) for each name.

    A value may also be a plain string, put in as it is.
    """

    template: str
    values: Mapping[str, tuple[float, str] | str] = field(default_factory=dict)
