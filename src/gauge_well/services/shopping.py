"""Parts search: the cheapest set of a catalogue's parts with which the wanted power holds."""

from __future__ import annotations

import os
from collections.abc import Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from functools import partial
from math import log
from typing import Any, Literal

from gauge_well.core.checks import CheckClass
from gauge_well.core.errors import CoreError
from gauge_well.core.facts import specs
from gauge_well.core.parts import KINDS
from gauge_well.core.run import runs
from gauge_well.core.run.graph import affected
from gauge_well.core.run.sampling import SAMPLES_LIVE, draw
from gauge_well.core.run.scope import judging
from gauge_well.core.run.search import Cheapest, Pick, Tried, cheapest
from gauge_well.core.run.sizing import outline
from gauge_well.core.systems import SYSTEMS
from gauge_well.services import render
from gauge_well.services.catalogue import CataloguePart
from gauge_well.services.errors import Refused
from gauge_well.services.models_report import Model
from gauge_well.services.sizing import check
from gauge_well.sheet import SheetError, load, resolve
from gauge_well.sheet.document import copied
from gauge_well.sheet.sections import PLACES, Place
from gauge_well.sheet.spans import money_of

RUNS_MAX = 3000  # builds that are run at most
OPTIONS_MAX = 24  # parts of a kind that are tried in one place: the cheapest
SURELY = 0.95  # share of draws in which it must hold
SCHEDULER = "GAUGE_WELL_DASK"  # address of a scheduler that shares the runs out
BATCH = 8  # builds sent to it together


class ShopPick(Model):
    """What stands in a place: a part of the catalogue, or what is fitted (``id`` empty)."""

    place: str
    place_label: str
    id: str
    name: str
    price: str
    cost: float
    kind: str


class ShopSwap(Model):
    """One part otherwise: what it costs more (less below nought), and what gives out then; empty where nothing does."""

    place: str
    place_label: str
    name: str
    more: float
    fails: list[str]


class ShopData(Model):
    """What a search comes to. ``proved``: none is cheaper, or none at all. ``left``: what no part of the catalogue moves; ``gives``: where none
    was found, what gives out with the set that comes nearest, which is told then."""

    found: bool
    proved: bool
    cost: float
    picks: list[ShopPick]
    swaps: list[ShopSwap]
    left: list[str]
    gives: list[str]
    dropped: list[str]
    tried: int
    sentence: str


class ShopEvent(Model):
    """A line of the stream."""

    event: Literal["progress", "answer"]
    what: str = ""
    done: int | None = None
    of: int | None = None
    data: ShopData | None = None


@dataclass(frozen=True)
class Option:
    """A thing that may stand in a place; none: what is fitted stays."""

    part: CataloguePart | None
    cost: float


@dataclass(frozen=True)
class Slot:
    """A place, what may stand in it, and the systems its facts reach."""

    place: Place
    options: tuple[Option, ...]
    reaches: frozenset[str]


Key = tuple[str, str, str]  # system, check, duty
NOT_RUN: Key = ("", "", "")  # a build that could not be run at all


@dataclass(frozen=True)
class Over:
    """A limit that gives out: how far it is filled, and in words."""

    fill: float
    words: str


@dataclass(frozen=True)
class Outcome:
    """What gives out with a pick; what is not known, by system and row."""

    over: Mapping[Key, Over]
    unknown: frozenset[str]


def shopped(
    raw: Mapping[str, Any], parts: Sequence[Mapping[str, Any]], places: Sequence[str], sure: bool
) -> Iterator[dict[str, Any]]:
    """Events: ``progress``, then ``answer``.

    ``places``: that are searched; empty: all that the catalogue has a part for in the systems that are judged.
    """
    sheet, resolved = check(raw)
    document = sheet.document
    slots, dropped = _slots(
        document, [CataloguePart.model_validate(p) for p in parts], places, {s.id for s in judging(resolved.case)}
    )
    if not slots:
        raise Refused(
            "parts",
            "",
            "parts of kinds that go somewhere in this build",
            "The catalogue has no part with a price for any place of this build.",
        )
    slots = [replace(slot, reaches=slot.reaches | _ruled(document, slots, i)) for i, slot in enumerate(slots)]
    with _scheduler() as shared:
        yield from _searched(Run(document, slots, sure, shared), slots, dropped)


def _searched(run: Run, slots: Sequence[Slot], dropped: Sequence[str]) -> Iterator[dict[str, Any]]:
    as_is: Pick = tuple(0 for _ in slots)
    singles = [(i, n) for i, slot in enumerate(slots) for n in range(1, len(slot.options))]
    yield _progress("what each part moves", 0, len(singles))
    before, *alone = run([as_is, *(_with(as_is, i, n) for i, n in singles)])
    left = _left(before, alone)
    names = _Names(left, slots)
    conflicts = partial(names.conflicts_of, run)
    found: Cheapest | None = None
    for step in cheapest([[o.cost for o in slot.options] for slot in slots], conflicts, RUNS_MAX, _hands()):
        if isinstance(step, Cheapest):
            found = step
        else:
            yield _progress("sets of parts, the cheapest first", step.tried, None)
    assert found is not None
    pick, gives = (found.pick, []) if found.pick is not None else _nearest(names, run.known)
    swaps = list(_swaps(found.pick, slots, run, names)) if found.pick is not None else []
    yield ShopEvent(
        event="answer", data=_answer(found, pick, slots, swaps, left, gives, dropped, run.sure)
    ).model_dump()


def _progress(what: str, done: int, of: int | None) -> dict[str, Any]:
    return ShopEvent(event="progress", what=what, done=done, of=of).model_dump()


def _with(pick: Pick, i: int, n: int) -> Pick:
    return (*pick[:i], n, *pick[i + 1 :])


# What may stand where -----------------------------------------------------------------------------


def _slots(
    document: dict[str, Any], parts: Sequence[CataloguePart], places: Sequence[str], judged: set[str]
) -> tuple[list[Slot], list[str]]:
    """Places of one part each that the catalogue has something for; what is left out for want of a price or of room."""
    fitted = {part.get("role") for part in document.get("parts", ())}
    found, dropped = [], []
    for place in PLACES.values():
        if place.many or place.section not in judged or (places and place.path not in places):
            continue
        if not places and place.path not in fitted:
            continue  # what nobody has begun is not bought by itself
        priced = [
            (part, _cost(part)) for part in parts if part.kind == place.role.kind.id and part.place in ("", place.path)
        ]
        dropped += [f"{part.name}: no price" for part, cost in priced if cost is None]
        own = sorted((Option(p, c) for p, c in priced if c is not None), key=lambda o: o.cost)
        dropped += [f"{o.part.name}: dearer than {OPTIONS_MAX} others" for o in own[OPTIONS_MAX:] if o.part]
        if own:
            found.append(Slot(place, (Option(None, 0.0), *own[:OPTIONS_MAX]), _reached(place)))
    return found, sorted(set(dropped))


def _cost(part: CataloguePart) -> float | None:
    return money_of(part.keep.price).likely if part.keep.price else None


def _reached(place: Place) -> frozenset[str]:
    """Systems whose verdict a part in a place may move, by the run graph."""
    names = specs(KINDS[place.role.kind.id].facts)
    return frozenset[str]().union(*(affected(f"{place.path}.{name}") for name in names))


def _ruled(document: dict[str, Any], slots: Sequence[Slot], i: int) -> frozenset[str]:
    """Systems that a place reaches through what rules fill in: facts elsewhere that are otherwise with a part of it."""
    found: frozenset[str] = frozenset()
    as_is: Pick = tuple(0 for _ in slots)
    before = resolve(load(document)).case
    for n in range(1, len(slots[i].options)):
        try:
            after = resolve(load(fitted_with(document, slots, _with(as_is, i, n)))).case
        except (CoreError, SheetError):
            continue  # told when it is run
        for section, facts in (*after.systems.items(), ("installation", after.installation)):
            was = vars(before.systems.get(section, before.installation))
            changed = [name for name, value in vars(facts).items() if was[name] != value]
            found = found.union(*(affected(f"{section}.{name}") for name in changed))
    return found


def fitted_with(document: dict[str, Any], slots: Sequence[Slot], pick: Pick) -> dict[str, Any]:
    """The document with a pick's parts in their places, what they replace on the yard."""
    made = copied(document)
    for slot, n in zip(slots, pick, strict=True):
        part = slot.options[n].part
        if part is None:
            continue
        for old in made.setdefault("parts", []):
            if old.get("role") == slot.place.path:
                old.pop("role")
        facts = {name: {"text": text, "evidence": "sheet"} for name, text in part.facts.items()}
        own = {name: text for name, text in part.facts.items() if specs(KINDS[part.kind].facts)[name].kind == "choice"}
        made["parts"].append(
            {
                "id": f"shop_{slot.place.name}_{part.id}"[:40],
                "kind": part.kind,
                "role": slot.place.path,
                "name": part.name,
                "facts": facts | own,
            }
        )
    return made


# Runs -----------------------------------------------------------------------------------------------


def outcome(document: dict[str, Any], sure: bool) -> Outcome:
    """What gives out in a build: at its likely values, or, ``sure``, in more than one of twenty draws."""
    try:
        sheet = load(document)
        case = resolve(sheet).case
        made = outline(case)
        drawn = runs.verdicts(draw(case, SAMPLES_LIVE)) if sure else {}
    except (CoreError, SheetError) as error:
        words = error.problems[0].message if isinstance(error, SheetError) else str(error)
        return Outcome({NOT_RUN: Over(1.0, words)}, frozenset())
    over: dict[Key, Over] = {}
    for key, entry in made.checks.items():
        if entry.class_ != CheckClass.COST.value and entry.fill > 1.0:
            over[key] = Over(entry.fill, render.sentence(made.sentence(key), sheet.prefer) or entry.name)
    for system, flags in drawn.items():
        share = float(flags[1:].mean())
        if share > 1.0 - SURELY and all(key[0] != system for key in over):
            title = SYSTEMS[system].title if system in SYSTEMS else "Engine"
            over[system, "", ""] = Over(1.0 + share, f"{title} gives out in {100.0 * share:.0f} of 100 draws.")
    unknown = frozenset(f"{row.system}.{row.part}" for row in made.rows if row.reach_code == "unknown")
    return Outcome(over, unknown)


class Run:
    """Runs picks, each once: here, or shared out by a scheduler whose address is given."""

    def __init__(self, document: dict[str, Any], slots: Sequence[Slot], sure: bool, shared: Any) -> None:
        self.document, self.slots, self.sure, self._shared = document, slots, sure, shared
        self.known: dict[Pick, Outcome] = {}

    def __call__(self, picks: Sequence[Pick]) -> list[Outcome]:
        """Outcomes of picks."""
        new = [pick for pick in dict.fromkeys(picks) if pick not in self.known]
        documents = [fitted_with(self.document, self.slots, pick) for pick in new]
        if self._shared is None:
            found = [outcome(made, self.sure) for made in documents]
        else:
            found = self._shared.gather(self._shared.map(outcome, documents, sure=self.sure, pure=False))
        self.known.update(zip(new, found, strict=True))
        return [self.known[pick] for pick in picks]


def _nearest(names: _Names, known: Mapping[Pick, Outcome]) -> tuple[Pick, list[str]]:
    """Of what was run, the set that gives out least, and what of it does."""

    def amount(pick: Pick) -> float:
        failing = names.failing(known[pick])
        return sum(log(max(known[pick].over[key].fill, 1.0)) for key in failing) + len(known[pick].unknown)

    best = min((pick for pick in known if NOT_RUN not in known[pick].over), key=amount)
    return best, list(dict.fromkeys(names.failing(known[best]).values()))


def _hands() -> int:
    return BATCH if os.environ.get(SCHEDULER) else 1


@contextmanager
def _scheduler() -> Iterator[Any]:
    """A client of the scheduler whose address the environment gives, for as long as it is wanted; None where it gives none."""
    address = os.environ.get(SCHEDULER, "").strip()
    if not address:
        yield None
        return
    try:
        from distributed import Client  # only where an address is given

        client = Client(address, timeout=5, set_as_default=False)  # type: ignore[no-untyped-call]
    except (ImportError, OSError, ValueError) as error:
        message = f"The scheduler at {address[:80]} is not reached. Take {SCHEDULER} away to search here."
        raise Refused("scheduler", address[:80], "tcp://host:port", message) from error
    with client:
        yield client


# What is asked --------------------------------------------------------------------------------------


SAME = 1e-6  # of a fill


def _left(before: Outcome, alone: Sequence[Outcome]) -> dict[Key, str]:
    """What gives out as it stands and is filled as far whatever single part is put in: no part of the catalogue is for it."""
    return {
        key: over.words
        for key, over in before.over.items()
        if all(
            key in o.over and abs(o.over[key].fill - over.fill) <= SAME * over.fill
            for o in alone
            if NOT_RUN not in o.over
        )
    }


@dataclass(frozen=True)
class _Names:
    """Turns what gives out into the places it hangs on."""

    left: Mapping[Key, str]
    slots: Sequence[Slot]

    def failing(self, outcome: Outcome) -> dict[Key, str]:
        """What gives out with a pick and could be otherwise; what no part moves is not asked for."""
        return {key: over.words for key, over in outcome.over.items() if key not in self.left}

    def conflicts(self, outcome: Outcome) -> list[frozenset[int]]:
        """The places each of its failures hangs on; all of them where the build could not be run."""
        found = []
        for system in {key[0] for key in self.failing(outcome)}:
            held = frozenset(i for i, slot in enumerate(self.slots) if system in slot.reaches)
            found.append(held or frozenset(range(len(self.slots))))
        for i, slot in enumerate(self.slots):
            if f"{slot.place.section}.{slot.place.role.row}" in outcome.unknown:
                found.append(frozenset({i}))
        return found

    def conflicts_of(self, run: Run, picks: Sequence[Pick]) -> Tried:
        """The same of several."""
        return [self.conflicts(outcome) for outcome in run(picks)]


def _swaps(pick: Pick, slots: Sequence[Slot], run: Run, names: _Names) -> Iterator[ShopSwap]:
    """Of each place: what is fitted in its stead, the next cheaper and the next dearer."""
    for i, (slot, n) in enumerate(zip(slots, pick, strict=True)):
        others = dict.fromkeys(m for m in (0, n - 1, n + 1) if 0 <= m < len(slot.options) and m != n)
        for m, found in zip(others, run([_with(pick, i, m) for m in others]), strict=True):
            option = slot.options[m]
            yield ShopSwap(
                place=slot.place.path,
                place_label=slot.place.role.label,
                name=option.part.name if option.part else "what is fitted",
                more=option.cost - slot.options[n].cost,
                fails=list(dict.fromkeys(names.failing(found).values()))[:3],
            )


def _answer(
    found: Cheapest,
    pick: Pick,
    slots: Sequence[Slot],
    swaps: Sequence[ShopSwap],
    left: Mapping[Key, str],
    gives: Sequence[str],
    dropped: Sequence[str],
    sure: bool,
) -> ShopData:
    picks = [_picked(slot, n) for slot, n in zip(slots, pick, strict=True)]
    bought = [p for p in picks if p.id]
    rest = list(dict.fromkeys(left.values()))
    return ShopData(
        found=found.pick is not None,
        proved=found.proved,
        cost=sum(p.cost for p in bought),
        picks=picks,
        swaps=list(swaps),
        left=rest,
        gives=list(gives),
        dropped=list(dropped),
        tried=found.tried,
        sentence=_said(found, bought, rest, sure),
    )


def _picked(slot: Slot, n: int) -> ShopPick:
    option = slot.options[n]
    part = option.part
    return ShopPick(
        place=slot.place.path,
        place_label=slot.place.role.label,
        id=part.id if part else "",
        name=part.name if part else "what is fitted",
        price=part.keep.price if part else "",
        cost=option.cost,
        kind=slot.place.role.kind.id,
    )


def _said(found: Cheapest, bought: Sequence[ShopPick], left: Sequence[str], sure: bool) -> str:
    held = "holds in 95 of 100 draws" if sure else "holds at likely values"
    but = f" {len(left)} that no part of the catalogue moves still give out." if left else ""
    if found.pick is None and found.proved:
        return f"No set of these parts {held}: {found.tried} were run, the rest fail with them.{but}"
    if found.pick is None:
        return f"Stopped after {found.tried} sets: none that costs less than {found.cost:,.0f} {held}.{but}"
    if not bought:
        return f"Nothing need be bought: what is fitted {held}.{but}"
    return (
        f"{len(bought)} part{'s' if len(bought) > 1 else ''} for {found.cost:,.0f}: the cheapest set that {held}.{but}"
    )
