"""Runs of wire: what each loses and bears, its band of fuses; of one picked every size."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.electrical.wires import AWG, FUSE_WITHIN, LOADED, gauge_bears
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.run import BACK, RELAYS
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.electrics import runs
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely, likely_or_none


@dataclass(frozen=True)
class RunRow:
    """A run as it is cut and labelled: area [m2], length one way [m], wire to cut [m], amps, volts lost and allowed, amps borne, fuse and
    its band [A], fuses sold in it, how it is switched and goes back."""

    id: str
    number: int
    name: str
    area: float
    length: float
    cut: float
    amps: float
    drop: float
    allowed: float
    bears: float
    low: float
    fuse: float | None
    fuses: Sequence[float]
    switched: str
    back: str
    holds: bool


@dataclass(frozen=True)
class SizeRow:
    """A size for the run picked: area [m2], the gauge at least so thick with the amps that its own table lets it
    bear, drop [V], amps it bears, fuses in its band, whether it serves."""

    area: float
    awg: str
    awg_bears: float | None
    drop: float
    bears: float
    fuses: Sequence[float]
    serves: bool


@dataclass(frozen=True)
class WiresView:
    """All runs; ``picked`` one of them with its sizes; a fuse's share carried for good, and how near it stands to its source [m]."""

    runs: Sequence[RunRow]
    picked: int
    sizes: Sequence[SizeRow]
    loaded: float
    near: float


def show(context: Context, facts: ElectricsFacts, options: Options) -> WiresView:
    """Every run that is told of."""
    found = runs.all_of(facts)
    if not found:
        raise MissingFact("electrics.runs")
    picked = int(option(options, "run", 0, 0, len(found) - 1))
    sizes = runs.sizes(found[picked], facts.wires_by == "volts")
    first = next((i for i, s in enumerate(sizes) if s.serves), len(sizes) - 1)
    near = sizes[max(first - 2, 0) : first + 3]
    return WiresView(
        runs=[_row(facts, run, n) for n, run in enumerate(found, 1)],
        picked=picked,
        sizes=[
            SizeRow(s.area, awg_of(s.area), _gauge(found[picked], s.area), s.drop, s.bears, s.fuses, s.serves)
            for s in near
        ],
        loaded=LOADED,
        near=FUSE_WITHIN,
    )


def awg_of(area: float) -> str:
    """The gauge that is at least so thick [m2]; empty where none is."""
    return next((name for name, (mm2, _) in AWG.items() if mm2 * 1e-6 >= 0.97 * area), "")


def _gauge(run: runs.Run, area: float) -> float | None:
    name = awg_of(area)
    return likely(gauge_bears(name, run.facts.lies, run.facts.bundle)) if name else None


def _row(facts: ElectricsFacts, run: runs.Run, number: int) -> RunRow:
    own = run.facts
    length = likely(own.length) if own.length is not None else 0.0
    fuse = likely_or_none(own.fuse)
    low, bears, drop = likely(run.low), likely(run.bears), likely(run.drop)
    return RunRow(
        id=run.id,
        number=number,
        name=run.name,
        area=likely(own.area) if own.area is not None else 0.0,
        length=length,
        cut=length * (2.0 if own.back == "wire" else 1.0),
        amps=likely(run.amps),
        drop=drop,
        allowed=run.allowed,
        bears=bears,
        low=low,
        fuse=fuse,
        fuses=run.fuses,
        switched=RELAYS[own.switched],
        back=BACK[own.back],
        holds=(drop <= run.allowed or facts.wires_by == "amps")
        and (low <= bears if fuse is None else low <= fuse <= bears),
    )
