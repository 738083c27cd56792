"""Fasteners on the list: what torque draws one to its preload, and what is typed that no such bolt bears."""

from __future__ import annotations

from dataclasses import dataclass

from gauge_well.core.strength.bolt import GRADES, TAKEN, THREADS, torque

MOST = 1.0 / TAKEN  # of the usual torque: there the bolt is at its proof stress


@dataclass(frozen=True)
class Drawn:
    """A fastener's usual torque, dry and oiled [N m], and what is wrong with the one typed; empty where nothing is."""

    dry: float
    oiled: float
    wrong: str


def drawn(thread: str, grade: str, typed: float | None) -> Drawn | None:
    """Torque of a metric coarse bolt by its strength class; None for a thread or class that is not known.

    A torque over that of proof stress, dry, is more than the bolt bears. A lower one may be right: a soft gasket, light alloy.
    """
    if thread not in THREADS or grade not in GRADES:
        return None
    dry, oiled = torque(thread, grade), torque(thread, grade, "oiled")
    over = typed is not None and typed > MOST * dry
    return Drawn(dry, oiled, "more than such a bolt bears" if over else "")
