"""The clutch pedal: masters and slaves beside each other, way against force."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.checks_hands import HEAVY
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.systems.controls.remedies import CYLINDERS
from gauge_well.core.typing import likely, likely_or_none


@dataclass(frozen=True)
class MasterRow:
    """A master on this pedal and slave: bearing moved [m], force at the pad [N], whether it frees the clutch and is light enough;
    the one there."""

    bore: float
    moves: float
    pad: float | None
    frees: bool | None
    light: bool | None
    there: bool


@dataclass(frozen=True)
class ClutchView:
    """Bearing moved of what is asked [m], force at the pad of the most [N], at the rod [N], pressure [Pa]; masters beside each other;
    what the driveline does not say."""

    moves: float | None
    asked: float | None
    pad: float | None
    most: float
    rod: float | None
    bears: float | None
    pressure: float | None
    masters: Sequence[MasterRow]
    release: str


def show(context: Context, facts: ControlsFacts, options: Options) -> ClutchView:
    """Likely values."""
    found, most = model.pedalled(context, facts), HEAVY[facts.heavy]
    rows = []
    if found is not None and facts.master is not None and facts.release != "cable":
        own = likely(facts.master)
        for bore in sorted({*CYLINDERS, own}):
            if abs(bore - own) > 0.006:
                continue
            other = model.pedalled(context, replace(facts, master=bore))
            if other is None:
                continue
            moves, pad = likely(other.moves), likely_or_none(other.pad)
            frees = None if other.asked is None else moves >= likely(other.asked)
            rows.append(
                MasterRow(bore, moves, pad, frees, None if pad is None else pad <= most, abs(bore - own) < 1e-6)
            )

    return ClutchView(
        moves=None if found is None else likely(found.moves),
        asked=None if found is None else likely_or_none(found.asked),
        pad=None if found is None else likely_or_none(found.pad),
        most=most,
        rod=None if found is None else likely_or_none(found.rod),
        bears=likely_or_none(facts.bracket_bears),
        pressure=None if found is None else likely_or_none(found.pressure),
        masters=rows,
        release=facts.release,
    )
