"""Gaps that are taped and come to something else by the sizes stated: one of the two is wrong, and the tape stands."""

from __future__ import annotations

from collections.abc import Collection, Iterator

import numpy as np

from gauge_well.core.reads import ROOMS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

APART = 0.010  # m, and
SHARE = 0.1  # of what is taped, by which the two may differ unsaid


def contradicted(context: Context, takes: Collection[str]) -> Iterator[Notice]:
    """What is worth saying of the rooms a system takes."""
    for name, figure in ROOMS.items():
        taped = getattr(context.installation, name)
        if figure not in takes or taped is None or figure not in context.given:
            continue
        drawn, read = likely(context.given[figure]), likely(taped)
        if np.isfinite(drawn) and abs(read - drawn) > max(APART, SHARE * abs(read)):
            values: dict[str, tuple[float, str] | str] = {"taped": (read, "size"), "drawn": (drawn, "size")}
            words = "Taped as {taped}; by the sizes stated for fit it is {drawn}. The tape stands."
            yield Notice("claim", Sentence(words, values), f"installation.{name}")
