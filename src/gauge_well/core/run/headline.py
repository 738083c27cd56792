"""The verdict in a sentence: what gives out first, and what is next after that."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass

from gauge_well.core.checks import State
from gauge_well.core.duty.model import Case
from gauge_well.core.engine.plausibility import Claim
from gauge_well.core.names import named
from gauge_well.core.reads import ENGINE
from gauge_well.core.report import Block, Headline, Rests, Row, Verdict, Where
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import ASKED, SYSTEMS
from gauge_well.core.systems.base import Context, RowName
from gauge_well.core.typing import likely

NO_FULL_POWER = Sentence("Holds in the duties asked, as far as is known; no full-power duty is asked.")
FEW = 3  # systems not begun that a headline names
ADD_PULL = Sentence("Add a full-throttle pull or rated work to see what gives out first.")


def compose(
    context: Context, blocks: Mapping[str, Block], rows: Sequence[Row], claim: Claim, begun: Collection[str]
) -> Verdict:
    """Headline, first and next to give, whole reach and state.

    Order: a claim that cannot be believed; (1) a gate or danger that fails; (2) a load-driven duty that is short; (3) an
    engine too weak for a duty; (4) the lowest reach; where nothing is short and parts are not given, what they must be;
    what is short by a value nobody stated stands out of all that.

    Parameters
    ----------
    claim : Claim
    begun : collection of str
        Systems of which a part was stated. Of the others only what is stated is judged, and they are named, unless
        nothing at all is begun.
    """
    names = {c.id: c.name for c in context.duties.cases}
    stated = [r for r in rows if r.state != State.ASSUMED.value]
    gates, loads = (
        sorted((r for r in stated if r.kind == kind and (r.fill or 0.0) > 1.0), key=lambda r: -(r.fill or 0.0))
        for kind in ("gate", "load")
    )
    enough = {c.duty: c for c in blocks[ENGINE].checks}
    tired = [c for c in context.duties.cases if c.held is not None and c.held.too_weak]
    weak = [c for c in tired if enough[c.id].state != State.ASSUMED.value]
    # An engine that cannot hold the speed is judged for cooling at the speed it does hold.
    power = sorted(
        (r for r in stated if r.kind == "power" and r.reach_code in ("value", "below")),
        key=lambda r: r.reach_w if r.reach_w is not None else 0.0,
    )
    unknown = [r for r in rows if r.reach_code == "unknown"]
    entries = [_Entry(_gate(r), _where(r)) for r in gates]
    entries += [_Entry(_load(r, names), _where(r)) for r in loads]
    entries += [_Entry(_weak(c), Where(ENGINE, "enough", c.id, "load")) for c in weak]
    short = bool(entries)
    asked = any(c.power_driven for c in context.duties.cases)
    for row in power:
        over = row.reach_w is None or row.reach_w < context.wanted * 0.9999
        short = short or over
        entries.append(_Entry(_power(row, context.wanted, names, over), _where(row), over))
    guessed = [Guessed(r.rests_on, r) for r in rows if r.state == State.ASSUMED.value]
    guessed += [Guessed(enough[c.id].rests_on, None) for c in tired if c not in weak]
    state = State.SHORT if short else State.UNKNOWN if unknown else State.ASSUMED if guessed else State.HOLDS
    reach = power[0] if power else None
    above = any(r.kind == "power" and r.reach_code == "above" for r in stated)
    # What asks for nothing that is bought for the power, and is not begun, is left to its own page.
    apart = [
        id
        for id, b in blocks.items()
        if id != ENGINE and b.state == State.UNKNOWN.value and any(n.shop for n in b.need) and id not in begun
    ]
    told = _Told(
        context=context,
        entries=entries,
        unknown=unknown,
        guessed=guessed,
        takes=takes(blocks),
        fitted=bool(begun),
        short=short,
        asked=asked,
        apart=apart if begun else [],
        blocks=blocks,
    )
    first, following = _sentences(told)
    if not claim.believable:
        first, following = claim.sentence, first
    return Verdict(
        state=state.value,
        headline=Headline(first, following),
        first_to_give=entries[0].where if entries else None,
        next_to_give=entries[1].where if len(entries) > 1 else None,
        reach_w=reach.reach_w if reach else None,
        reach_code=reach.reach_code if reach else ("above" if above else "unknown"),
        unknown=sorted({field for r in unknown for field in r.missing}),
        rests_on=guessed[0].rests if guessed else None,
        nothing_fitted=bool(unknown) and not begun,
    )


def takes(blocks: Mapping[str, Block]) -> list[Sentence]:
    """What the parts that are not given must be, each as the headline says it."""
    found = []
    for id in ASKED:
        block = blocks.get(id)
        if block is None or block.state != State.UNKNOWN.value:
            continue
        parts = {u.part for u in block.unknown}
        for item in block.need:
            shop = item.shop
            if shop is not None and shop.brief.template and (not parts or item.part in parts):
                found.append(shop.brief)
    return found


def joined(lead: str, items: Sequence[Sentence], values: Mapping[str, tuple[float, str] | str]) -> Sentence:
    """One sentence of several: a, b and c."""
    all_: dict[str, tuple[float, str] | str] = dict(values)
    parts = []
    for i, item in enumerate(items):
        template = item.template
        for name, value in item.values.items():
            template = template.replace(f"{{{name}}}", f"{{{name}_{i}}}")
            all_[f"{name}_{i}"] = value
        parts.append(template)
    listed = " and ".join([", ".join(parts[:-1]), parts[-1]] if len(parts) > 1 else parts)
    return Sentence(f"{lead} {listed}.", all_)


def left_out(field: str) -> Verdict:
    """What is said where nothing can be sized."""
    if field == "duties":
        said = Headline(Sentence("No duty is asked of it."), Sentence("Add what it must do."))
    else:
        lacks = "No duty is known" if field.startswith("duties.") else "Not enough is known of the engine"
        well = " well enough to size anything." if field.startswith("duties.") else " to size anything."
        said = Headline(Sentence(lacks + well), Sentence("Give {field}.", {"field": named(field)}))
    return Verdict(
        state=State.UNKNOWN.value,
        headline=said,
        first_to_give=None,
        next_to_give=None,
        reach_w=None,
        reach_code="unknown",
        unknown=[field],
        rests_on=None,
        nothing_fitted=False,
    )


def _where(row: Row) -> Where:
    return Where(row.system, row.check, row.duty, row.kind)


def _phrase(name: str) -> str:
    return name[:1].lower() + name[1:]


def _the(row: Row) -> tuple[str, str]:
    """A row with its article, and the ending of its verb: injectors carry, the pump carries. A gate goes by its check."""
    many = row.kind != "gate" and SYSTEMS[row.system].parts.get(row.part, RowName(row.label)).many
    return "the " + _phrase(row.label), "" if many else "s"


def _gate(row: Row) -> Sentence:
    sentence: Sentence = row.sentence
    return Sentence(f"{row.label}: " + _phrase(sentence.template), sentence.values)


def _weak(case: Case) -> Sentence:
    held = likely(case.held.speed) if case.held else 0.0
    return Sentence(
        "Too weak for the {duty}: holds {held} of {asked}.",
        {"duty": _phrase(case.name), "held": (held, "speed"), "asked": (case.asked_speed, "speed")},
    )


def _load(row: Row, names: Mapping[str, str]) -> Sentence:
    part, s = _the(row)
    duty = _phrase(names.get(row.duty, row.duty))
    if row.carries_w is None:
        return Sentence(
            "{part} cannot serve the {duty} at any load.", {"part": part[:1].upper() + part[1:], "duty": duty}
        )
    return Sentence(
        "Cannot hold the {duty}: {part} " + ("carries" if s else "carry") + " {carries} of {needs}.",
        {"duty": duty, "part": part, "carries": (row.carries_w, "power"), "needs": (row.needs_w or 0.0, "power")},
    )


def _power(row: Row, wanted: float, names: Mapping[str, str], over: bool) -> Sentence:
    part, s = _the(row)
    values: dict[str, tuple[float, str] | str] = {
        "part": part,
        "duty": _phrase(names.get(row.duty, row.duty)),
        "wanted": (wanted, "power"),
        "give": f"give{s} out",
    }
    if row.reach_w is None:
        return Sentence("Good for hardly any of {wanted}: {part} {give} first ({duty}).", values)
    values["reach"] = (row.reach_w, "power")
    if over:
        return Sentence("Good for {reach} of {wanted}: {part} {give} first ({duty}).", values)
    return Sentence("Holds {wanted}. First to give out would be {part}, at {reach}.", values)


@dataclass(frozen=True)
class _Entry:
    """Something that gives out, in the order of the headline; ``over``: it does before the wanted power."""

    sentence: Sentence
    where: Where
    over: bool = True


@dataclass(frozen=True)
class Guessed:
    """Something short only by what nobody stated; its ``row``, none for an engine too weak for a duty."""

    rests: Rests | None
    row: Row | None


@dataclass(frozen=True, kw_only=True)
class _Told:
    """What the two sentences are made of."""

    context: Context
    entries: Sequence[_Entry]
    unknown: Sequence[Row]
    guessed: Sequence[Guessed]
    takes: Sequence[Sentence]
    fitted: bool
    short: bool
    asked: bool
    apart: Sequence[str]
    blocks: Mapping[str, Block]

    @property
    def not_begun(self) -> Sentence:
        """Systems that nobody has begun, and what they take; of many only that there are so many."""
        titles = [_phrase(self.blocks[id].title) for id in self.apart]
        listed = titles if len(titles) <= FEW else [titles[0], f"{len(titles) - 1} others"]
        named = " and ".join([", ".join(listed[:-1]), listed[-1]] if len(listed) > 1 else listed)
        lead = named[:1].upper() + named[1:] + (" are" if len(titles) > 1 else " is") + " not started"
        return joined(lead + "; that takes", self.takes, {}) if self.takes else Sentence(lead + ".")


def _sentences(told: _Told) -> tuple[Sentence, Sentence]:
    wanted: dict[str, tuple[float, str] | str] = {"wanted": (told.context.wanted, "power")}
    if not told.short and told.unknown:
        return _size_of_everything(told, wanted)
    if not told.short and told.guessed:
        return Sentence("Nothing you stated gives out."), _check_it(told)
    if told.apart and not told.short:
        return _as_far_as_begun(told, wanted), told.not_begun
    if not told.entries:
        if not told.asked:
            return NO_FULL_POWER, ADD_PULL
        return Sentence("Holds {wanted}.", wanted), Sentence("Nothing gives out below four times that power.")
    first = told.entries[0].sentence
    if len(told.entries) == 1:
        if told.apart:
            return first, told.not_begun
        return first, joined("The rest of it takes", told.takes, {}) if told.takes else Sentence("")
    return first, _following(told.entries)


def _as_far_as_begun(told: _Told, wanted: Mapping[str, tuple[float, str] | str]) -> Sentence:
    """What holds, of what is begun."""
    if not told.asked and not told.entries:
        return Sentence("What is stated holds in the duties asked; no full-power duty is asked.")
    if not told.entries:
        return Sentence("What is stated holds {wanted}.", wanted)
    values = {**told.entries[0].sentence.values, **wanted}
    return Sentence("What is stated holds {wanted}; first of it to give out would be {part}, at {reach}.", values)


def _size_of_everything(told: _Told, wanted: Mapping[str, tuple[float, str] | str]) -> tuple[Sentence, Sentence]:
    """What the parts that are not given must be; then what is known of the others."""
    if told.takes:
        first = joined("{wanted} still takes" if told.fitted else "{wanted} takes", told.takes, wanted)
    else:
        missing = ", ".join(dict.fromkeys(_phrase(r.label) for r in told.unknown))
        first = Sentence("Not given yet: {parts}.", {"parts": missing})
    if told.guessed:
        return first, _check_it(told)
    if not told.fitted:
        return first, Sentence("Nothing is fitted yet, so this is the size of everything.")
    if told.entries:
        values = told.entries[0].sentence.values
        return first, Sentence("What is stated holds; first of it to give out would be {part}, at {reach}.", values)
    return first, Sentence("What is stated holds." if told.asked else NO_FULL_POWER.template)


def _check_it(told: _Told) -> Sentence:
    """What to look at where a verdict rests on a value nobody stated."""
    first = told.guessed[0]
    said = first.rests.sentence if first.rests is not None else Sentence("what nobody stated")
    part, s = _the(first.row) if first.row is not None else ("how fast it goes", "s")
    words = "Check one thing: " + said.template + "; {part} " + ("rests" if s else "rest") + " on it."
    return Sentence(words, {**said.values, "part": part})


def _following(entries: Sequence[_Entry]) -> Sentence:
    first, following = entries[0].where, entries[1]
    if following.where.kind != "power":
        return following.sentence
    values = dict(following.sentence.values)
    load_first = first.kind in ("load", "gate") and first.system != ENGINE
    lead = "No bigger engine mends that. At full power " if load_first else "Next "
    if not following.over:
        return Sentence(
            lead + "{part} would give out first, at {reach}." if load_first else lead + "would be {part}, at {reach}.",
            values,
        )
    if "reach" not in values:
        return Sentence(lead + "{part} {give} at any power.", values)
    return Sentence(
        lead + "{part} {give} first: good for {reach} of {wanted}."
        if load_first
        else lead + "is {part}, good for {reach}.",
        values,
    )
