"""What a change buys, and what it costs elsewhere: two sizings of a build held side by side."""

from __future__ import annotations

import itertools
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.report import Row
from gauge_well.core.run.scope import judging
from gauge_well.core.run.sizing import Outline
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Beside, Candidate, Context

NEAR = float(np.log(0.9))  # of its brim, from which a row is worth moving
NOTICED = 0.01  # of a fill or a reach: less is no change
SCAN_END = np.log(4.0)  # a reach beyond the scan counts as its end
BARE = np.log(40.0)  # over the brim at the scan's start
PAIRS, TRIPLES = 10, 10
PARTNERS = 7
RowKey = tuple[str, str, str, str]


def candidates(context: Context, case: BuildCase) -> list[tuple[str, Candidate]]:
    """Changes worth trying, by system."""
    return [
        (system.id, candidate)
        for system in judging(case)
        for candidate in system.candidates(context, case.systems[system.id])
    ]


def row_key(row: Row) -> RowKey:
    """A row of one build found again in another: a gate by its check, others by part and kind."""
    return row.system, row.part, row.kind, row.check if row.kind == "gate" else ""


def load_of(row: Row, wanted: float) -> float | None:
    """How far a row is over (above 0) or under its brim, as a logarithm; None when it is not known.

    ln(wanted / reach) for what power drives, ln(needs / carries) for what load drives, ln fill for a gate and for what
    only costs; none further under than the end of the scan, where more room is worth nothing.
    """
    if row.reach_code == "unknown":
        return None
    if row.kind in ("gate", "cost"):
        return float(max(np.log(max(row.fill or 0.0, 1e-3)), -SCAN_END))
    if row.reach_code == "above":
        return float(-SCAN_END)
    if row.reach_code == "below":
        return float(BARE)
    over, under = (wanted, row.reach_w) if row.kind == "power" else (row.needs_w, row.carries_w)
    return float(np.log(over / under)) if over and under else None


@dataclass(frozen=True)
class Moved:
    """One row before and after."""

    row: Row
    was: Row | None
    before: float | None
    after: float | None

    @property
    def gain(self) -> float:
        """How far it came down, as a logarithm; a part now known at all counts as come down to where it is."""
        if self.after is None:
            return 0.0
        return (max(self.after, 0.0) if self.before is None else self.before) - self.after


@dataclass(frozen=True, kw_only=True)
class Weighed:
    """A change weighed against the build as it stands.

    ``buys``: how much of what is over the brim it takes off, over all rows, as a logarithm. ``headroom``:
    what the whole build's reach gains [W], None where it has no end. ``own``: the row it was meant for.
    ``broken``: limits that held and no longer do, with their sentences. ``worse``: names of limits that were
    over and are more so. ``mended``: no limit of the whole build is over its brim. ``governed``: a governor holds the
    engine, which no change makes stronger: gains are said as fills. ``sure``: the chance that the changed build holds within its tolerances, where it was drawn.
    """

    buys: float
    headroom: float | None
    own: Moved | None
    others: Sequence[Moved]
    beside: Sequence[tuple[Beside, float]]
    broken: Sequence[tuple[tuple[str, str, str], Sentence]]
    worse: Sequence[str]
    mended: bool
    school: bool = False
    sure: float | None = None
    governed: bool = False

    @property
    def rejected(self) -> bool:
        """Whether it breaks a limit that held."""
        return bool(self.broken)

    @property
    def rank(self) -> tuple[float, ...]:
        """Sorts best first: whole before broken, then parts before schools (which change nothing on the machine), then
        what it buys, then how sure it makes the build, then headroom, then its own row."""
        own = self.own.gain if self.own is not None else 0.0
        sure, headroom = round(self.sure or 0.0, 2), round(self.headroom or 0.0, 1)
        return (float(self.rejected), float(self.school), -round(self.buys, 3), -sure, -headroom, -own)

    @property
    def matters(self) -> bool:
        """Whether the build as a whole gains, or a row near its brim does; the rest is for its station."""
        near = self.own is not None and self.own.before is not None and self.own.before > NEAR
        return self.buys > NOTICED or (self.headroom or 0.0) > 0.0 or near

    @property
    def moves(self) -> bool:
        """Whether it does anything to speak of for what it was meant for."""
        return self.buys > NOTICED or (self.own is not None and self.own.gain > 2.0 * NOTICED)


def whole_reach(outline: Outline) -> float | None:
    """Lowest reach of all rows that power drives [W]; None where none ends within the scan."""
    rows = [r for r in outline.rows if r.kind == "power" and r.reach_code in ("value", "below")]
    return min((r.reach_w or 0.0 for r in rows), default=None)


def weigh(before: Outline, after: Outline, meant: Sequence[tuple[str, str]], school: bool = False) -> Weighed:
    """Hold a changed build against the one it came from.

    Parameters
    ----------
    before, after : Outline
        At the same wanted power.
    meant : sequence of (system, part)
        What the change is for.
    school : bool
        Whether it only changes how the build is judged.
    """
    wanted = before.context.wanted
    was = {row_key(r): r for r in before.rows}
    moved = []
    for row in after.rows:
        old = was.get(row_key(row)) or was.get((row.system, row.part, "power", ""))
        moved.append(Moved(row, old, None if old is None else load_of(old, wanted), load_of(row, wanted)))
    buys = sum(
        max(m.before, 0.0) - max(m.after, 0.0)
        for m in moved
        if m.row.kind != "cost" and m.before is not None and m.after is not None
    )
    own = [m for m in moved if (m.row.system, m.row.part) in meant]
    best = max(own, key=lambda m: (max(m.before or 0.0, 0.0) > 0.0, m.gain), default=None)
    reach = whole_reach(before), whole_reach(after)
    headroom = None
    if reach[0] is not None:
        headroom = (reach[1] if reach[1] is not None else 4.0 * wanted) - reach[0]
    broken, worse = [], []
    for key, check in after.checks.items():
        old_check = before.checks.get(key)
        if not check.short:
            continue
        if old_check is None or old_check.fill <= 1.0:
            broken.append((key, after.sentence(key)))
        elif check.fill > (1.0 + NOTICED) * old_check.fill:
            worse.append(check.name)
    beside = [
        (b, before.beside[id].value)
        for id, b in after.beside.items()
        if id in before.beside and abs(b.value - before.beside[id].value) > NOTICED * abs(before.beside[id].value)
    ]
    others = [
        m
        for m in moved
        if (m.row.system, m.row.part) not in meant and abs(m.gain) > 2.0 * NOTICED and m.before is not None
    ]
    others.sort(key=lambda m: m.gain)
    mended = not any(c.short for c in after.checks.values())
    held = before.context.engine.facts.governed == "yes"
    return Weighed(
        buys=buys,
        headroom=headroom,
        own=best,
        others=others,
        beside=beside,
        broken=broken,
        worse=worse,
        mended=mended,
        school=school,
        governed=held,
    )


def pairs(singles: Sequence[tuple[int, Candidate, Weighed]]) -> Iterator[tuple[int, int]]:
    """Pairs of single changes worth trying: the best that hold, of different facts, at most ten.

    Singles are given best first; a pair is tried where the two together could buy more than the better
    alone, so changes of one fact are never paired.
    """
    good = [(n, c, w) for n, c, w in singles if not w.rejected and w.moves and w.matters]
    # One of each part first: two changes of one part seldom add up.
    seen: set[str] = set()
    spread = []
    for n, c, w in good:
        if c.part not in seen:
            spread.append((n, c, w))
            seen.add(c.part)
    picked = (spread + [g for g in good if g not in spread])[:PARTNERS]
    order = sorted(
        itertools.combinations(picked, 2),
        key=lambda ab: (-(ab[0][2].buys + ab[1][2].buys), ab[0][1].part == ab[1][1].part),
    )
    apart = [(a[0], b[0]) for a, b in order if _apart(a[1], b[1])]
    yield from apart[:PAIRS]


def _apart(a: Candidate, b: Candidate) -> bool:
    """Whether two changes touch no fact of each other, nor one a part that the other fits anew."""
    return not any(p == q or p.startswith(f"{q}.") or q.startswith(f"{p}.") for p in a.changes for q in b.changes)


def triples(singles: Sequence[tuple[int, Candidate, Weighed]]) -> Iterator[tuple[int, int, int]]:
    """Sets of three worth trying where no single change and no pair mends a build: each of another part and of no
    fact twice, those that buy most together first."""
    best: dict[str, tuple[int, Candidate, Weighed]] = {}
    for n, change, w in singles:
        if not w.rejected and w.buys > NOTICED and change.part not in best:
            best[change.part] = (n, change, w)
    sets = sorted(
        itertools.combinations(list(best.values())[:PARTNERS], 3), key=lambda s: -sum(w.buys for _, _, w in s)
    )
    apart = [s for s in sets if all(_apart(a[1], b[1]) for a, b in itertools.combinations(s, 2))]
    for a, b, c in apart[:TRIPLES]:
        yield a[0], b[0], c[0]


def say(weighed: Weighed) -> dict[str, Any]:
    """What a change does, in sentences and figures.

    ``whole``: what the build's reach gains; ``gain``: its own row, as power where power or load drives it,
    else as a fill; ``own`` and ``others``:
    fills before and after; ``beside``: current, weight, air; ``broken``: what no longer holds.
    """
    own = weighed.own
    return {
        "whole": Sentence("+{d}", {"d": (weighed.headroom, "power")})
        if weighed.headroom is not None and weighed.headroom > 1.0 and not weighed.governed
        else Sentence(""),
        "sure": weighed.sure,
        "matters": weighed.matters,
        "school": weighed.school,
        "gain": _gain(own, weighed.governed) if own is not None else Sentence(""),
        "own": _fills(own) if own is not None else Sentence(""),
        "holds": own is not None and own.after is not None and own.after <= 0.0,
        "mends": own is not None
        and own.row.kind != "cost"
        and (own.before or 0.0) > 0.0
        and own.after is not None
        and own.after <= 0.0,
        "mended": weighed.mended,
        "buys": weighed.buys,
        "headroom_w": weighed.headroom,
        "others": [_fills(m) for m in weighed.others],
        "beside": [
            Sentence(f"{b.label} {{a}} → {{b}}", {"a": (was, b.kind), "b": (b.value, b.kind)})
            for b, was in weighed.beside
        ],
        "broken": [sentence for _, sentence in weighed.broken],
        "worse": list(dict.fromkeys(weighed.worse)),
        "rejected": weighed.rejected,
    }


def _gain(moved: Moved, governed: bool) -> Sentence:
    row, was = moved.row, moved.was
    if was is None or was.fill is None or row.fill is None:
        return Sentence("")
    now, before = (r.reach_w if row.kind == "power" else r.carries_w for r in (row, was))
    if governed or row.kind not in ("power", "load") or before is None:
        return Sentence("{a} → {b}", {"a": (was.fill, "fill"), "b": (row.fill, "fill")})
    if now is None:
        return Sentence("no longer a limit" if row.reach_code == "above" else "gives out")
    rise = now - before
    return Sentence(("+" if rise >= 0.0 else "−") + "{d}", {"d": (abs(rise), "power")})


def _fills(moved: Moved) -> Sentence:
    row, was = moved.row, moved.was
    if row.fill is None:
        return Sentence(f"{row.label}: not known")
    after = {"b": (row.fill, "fill")}
    if was is None or was.fill is None:
        return Sentence(f"{row.label} {{b}}", after)
    return Sentence(f"{row.label} {{a}} → {{b}}", {"a": (was.fill, "fill")} | after)
