"""The verdict in a sentence: what gives out first, and what is next after that."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from gauge_well.core.checks import State
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import likely

Row = Mapping[str, Any]
NO_FULL_POWER = Sentence("Holds in the duties asked, as far as is known; no full-power duty is asked.")
ADD_PULL = Sentence("Add a full-throttle pull or rated work to see what gives out first.")


def compose(context: Context, blocks: Mapping[str, Any], rows: Sequence[Row]) -> dict[str, Any]:
    """Headline, first and next to give, whole reach and state.

    Order: (1) a gate or danger that fails; (2) a load-driven duty that is short; (3) an engine too
    weak for a duty; (4) the lowest reach.
    """
    names = {c.id: c.name for c in context.duties.cases}
    gates = sorted((r for r in rows if r["kind"] == "gate" and r["fill"] > 1.0), key=lambda r: -r["fill"])
    loads = sorted(
        (r for r in rows if r["kind"] == "load" and r["fill"] is not None and r["fill"] > 1.0),
        key=lambda r: -r["fill"],
    )
    weak = [c for c in context.duties.cases if c.held is not None and c.held.too_weak]
    # An engine that cannot hold the speed is judged for cooling at the speed it does hold.
    power = sorted(
        (r for r in rows if r["kind"] == "power" and r["reach_code"] in ("value", "below")),
        key=lambda r: r["reach_w"] if r["reach_w"] is not None else 0.0,
    )
    unknown = [r for r in rows if r["reach_code"] == "unknown"]
    entries: list[tuple[Sentence, dict[str, str]]] = []
    entries += [(_gate(r), _where(r)) for r in gates]
    entries += [(_load(r, names), _where(r)) for r in loads]
    entries += [
        (
            Sentence(
                "Too weak for the {duty}: holds {held} of {asked}.",
                {
                    "duty": _phrase(c.name),
                    "held": (likely(c.held.speed), "speed") if c.held else "",
                    "asked": (c.asked_speed, "speed"),
                },
            ),
            {"system": "engine", "check": "enough", "duty": c.id, "kind": "load"},
        )
        for c in weak
    ]
    short = bool(entries)
    asked = any(c.power_driven for c in context.duties.cases)
    for row in power:
        over = row["reach_w"] is None or row["reach_w"] < context.wanted * 0.9999
        short = short or over
        entries.append((_power(row, context.wanted, names, over), _where(row)))
    state = State.SHORT if short else State.UNKNOWN if unknown else State.HOLDS
    reach = power[0] if power else None
    above = any(r["kind"] == "power" and r["reach_code"] == "above" for r in rows)
    first, following = _sentences(entries, unknown, short, context, above, asked)
    return {
        "state": state.value,
        "headline": {"sentence": first, "next": following},
        "first_to_give": entries[0][1] if entries else None,
        "next_to_give": entries[1][1] if len(entries) > 1 else None,
        "reach_w": reach["reach_w"] if reach else None,
        "reach_code": reach["reach_code"] if reach else ("above" if above else "unknown"),
        "unknown": sorted({field for r in unknown for field in r["missing"]}),
    }


def left_out(field: str) -> dict[str, Sentence]:
    """What the headline says where nothing can be sized."""
    if field == "duties":
        return {"sentence": Sentence("No duty is asked of it."), "next": Sentence("Add what it must do.")}
    if field.startswith("duties."):
        return {
            "sentence": Sentence("No duty is known well enough to size anything."),
            "next": Sentence("{field} is missing.", {"field": field}),
        }
    return {
        "sentence": Sentence("Not enough is known of the engine to size anything."),
        "next": Sentence("{field} is missing.", {"field": field}),
    }


def _where(row: Row) -> dict[str, str]:
    return {"system": row["system"], "check": row["check"], "duty": row["duty"], "kind": row["kind"]}


def _phrase(name: str) -> str:
    return name[:1].lower() + name[1:]


def _the(label: str) -> tuple[str, str]:
    """A part with its article, and the ending of its verb: injectors carry, the pump carries."""
    plural = label.endswith("s") or " and " in label
    return "the " + _phrase(label), "" if plural else "s"


def _gate(row: Row) -> Sentence:
    sentence: Sentence = row["sentence"]
    return Sentence(f"{row['label']}: " + _phrase(sentence.template), sentence.values)


def _load(row: Row, names: Mapping[str, str]) -> Sentence:
    part, s = _the(row["label"])
    duty = _phrase(names.get(row["duty"], row["duty"]))
    if row["carries_w"] is None:
        return Sentence(
            "{part} cannot serve the {duty} at any load.", {"part": part[:1].upper() + part[1:], "duty": duty}
        )
    return Sentence(
        "Cannot hold the {duty}: {part} " + ("carries" if s else "carry") + " {carries} of {needs}.",
        {"duty": duty, "part": part, "carries": (row["carries_w"], "power"), "needs": (row["needs_w"], "power")},
    )


def _power(row: Row, wanted: float, names: Mapping[str, str], over: bool) -> Sentence:
    part, s = _the(row["label"])
    values: dict[str, tuple[float, str] | str] = {
        "part": part,
        "duty": _phrase(names.get(row["duty"], row["duty"])),
        "wanted": (wanted, "power"),
        "give": f"give{s} out",
    }
    if row["reach_w"] is None:
        return Sentence("Good for hardly any of {wanted}: {part} {give} first ({duty}).", values)
    values["reach"] = (row["reach_w"], "power")
    if over:
        return Sentence("Good for {reach} of {wanted}: {part} {give} first ({duty}).", values)
    return Sentence("Holds {wanted}. First to give out would be {part}, at {reach}.", values)


def _sentences(
    entries: Sequence[tuple[Sentence, Mapping[str, str]]],
    unknown: Sequence[Row],
    short: bool,
    context: Context,
    above: bool,
    asked: bool,
) -> tuple[Sentence, Sentence]:
    missing = ", ".join(dict.fromkeys(_phrase(r["label"]) for r in unknown))
    buy = Sentence("Not given yet: {parts}. The need sheet says what to look for.", {"parts": missing})
    if not entries:
        wanted: dict[str, tuple[float, str] | str] = {"wanted": (context.wanted, "power")}
        if not asked:
            return NO_FULL_POWER, buy if unknown else ADD_PULL
        if unknown:
            known = Sentence("What is known holds at {wanted}.", wanted)
            return known if above else Sentence("Nothing is fitted yet that can be judged."), buy
        return Sentence("Holds {wanted}.", wanted), Sentence("Nothing gives out below four times that power.")
    first = entries[0][0]
    if not short and unknown:
        holds = Sentence("What is known holds at {wanted}.", {"wanted": (context.wanted, "power")})
        return holds, buy
    if len(entries) == 1:
        return first, buy if unknown else Sentence("")
    following, where = entries[1]
    if where["kind"] != "power":
        return first, following
    values = dict(following.values)
    load_first = entries[0][1]["kind"] in ("load", "gate") and entries[0][1]["system"] != "engine"
    lead = "No bigger engine mends that. At full power " if load_first else "Next "
    if following.template.startswith("Holds"):
        return first, Sentence(
            lead + "{part} would give out first, at {reach}." if load_first else lead + "would be {part}, at {reach}.",
            values,
        )
    if "reach" not in values:
        return first, Sentence(lead + "{part} {give} at any power.", values)
    return first, Sentence(
        lead + "{part} {give} first: good for {reach} of {wanted}."
        if load_first
        else lead + "is {part}, good for {reach}.",
        values,
    )
