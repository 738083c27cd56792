"""What the wanted power asks of the pipe, fitted or not; rules of thumb beside it."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from gauge_well.core.facts import with_facts
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import TUBES
from gauge_well.core.systems.base import Context, Need, Option, Shopping
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import WALL, WIDEST, WORTH, ExhaustFacts
from gauge_well.core.typing import likely

HP = 745.69987158
CFM_PER_HP, CFM_PER_AREA = 2.2, 115.0 / 0.0254**2  # flow-per-power rule: cfm for a hp, cfm through a square metre
USUAL_LENGTH = 4.0
CHOKED = 1e8  # Pa that stand for a tube through which the gas does not go
STEPPED = 0.97  # of the limit: what stepping down aims at where banks merge, so that its one march seldom fails


def _stepped(
    context: Context, facts: ExhaustFacts, found: model.Marched, size: int, limit: float, duty: int
) -> list[float]:
    """Tube of each piece [m], the pieces stepped down in turn from one ``size``, the cheapest step first.

    Gas cools on its way, so that a pipe steps down towards its tip and never up, but where two banks
    merge. Each loss is taken from the march of whole sizes: with wider pipe ahead and narrower behind,
    its gas is cooler and denser than there, so that the sum errs high. Where banks merge it may err low:
    that outcome is marched once more, and steps are taken back where it does not meet the limit.
    """
    shape = (TUBES.size, len(context.duties.cases), found.back_pressure.shape[-1])
    losses = np.stack(
        [np.broadcast_to(p.pressure.upstream - p.downstream, shape)[:, duty, 0] for p in found.pieces], axis=1
    )
    choice, taken = [size] * losses.shape[1], []
    merged = facts.layout == "merged"
    room = (STEPPED if merged else 1.0) * limit - float(losses[size].sum())
    shares = [p.segment.share for p in found.pieces]
    last = len(shares) - 1
    while True:
        free = [i for i in range(last + 1) if i == last or shares[i] != shares[i + 1] or choice[i + 1] < choice[i]]
        steps = [(losses[choice[i] - 1, i] - losses[choice[i], i], i) for i in free if choice[i] > 0]
        if not steps or min(steps)[0] > room:
            break
        cost, i = min(steps)
        room -= cost
        choice[i] -= 1
        taken.append(i)
    whole = model.segments_of(facts) if merged else []
    while merged and taken:
        trial = [replace(s, bore=float(TUBES[t]) - 2.0 * WALL) for s, t in zip(whole, choice, strict=True)]
        if float(model.march(context, facts, trial, context.peak).back_pressure[..., 0].max()) <= limit:
            break
        choice[taken.pop()] += 1
    return [float(TUBES[t]) for t in choice]


def _pieces(tubes: list[float]) -> Need:
    """One sentence for neighbours of one size."""
    slots: dict[str, tuple[float, str]] = {}
    said, start = [], 0
    for i in range(1, len(tubes) + 1):
        if i == len(tubes) or tubes[i] != tubes[start]:
            slots[f"t{start}"] = (tubes[start], "size")
            which = f"piece {start + 1}" if i - start == 1 else f"pieces {start + 1} to {i}"
            said.append(f"{{t{start}}} for {which}")
            start = i
    return Need(
        "pipe",
        "exhaust_tube_by_piece",
        max(tubes),
        "size",
        Sentence("Or piece by piece from the flange: " + ", ".join(said) + ".", slots),
    )


def _sizes(context: Context, facts: ExhaustFacts) -> tuple[model.Marched, list[model.Segment], np.ndarray, np.ndarray]:
    """Every size marched at once: the march, the pieces, back pressure and cost (size, sample) of the worst duty."""
    known = bool(facts.pieces) or facts.pipe.length is not None
    trial = facts if known else with_facts(facts, {"pipe.length": USUAL_LENGTH})
    if not facts.pieces:
        segments = model.segments_of(with_facts(trial, {"pipe.diameter": TUBES[:, None, None]}))
    else:
        segments = [replace(s, bore=TUBES[:, None, None] - 2.0 * s.wall) for s in model.segments_of(facts)]
    found = model.march(context, trial, segments, context.peak)
    shape = (TUBES.size, len(context.duties.cases), found.back_pressure.shape[-1])
    back = np.broadcast_to(np.where(found.choked, CHOKED, found.back_pressure), shape)
    cost = model.power_cost(context.engine, back, context.peak.power)
    return found, segments, back.max(axis=1), cost.max(axis=1)


def _advised(back: np.ndarray, cost: np.ndarray, limit: float, power: float) -> np.ndarray:
    """Place of the size (sample) whose next buys less than 1 % of the power, within the limit."""
    gain = np.append(cost[:-1] - cost[1:], np.zeros((1, cost.shape[1])), axis=0)
    serves = (back <= limit) & (gain < WORTH * power)
    return np.where(serves.any(axis=0), serves.argmax(axis=0), TUBES.size - 1)


def _options(
    context: Context, segments: list[model.Segment], back: np.ndarray, cost: np.ndarray, at: int
) -> list[Option]:
    """The advised size with two narrower and one wider."""
    found = []
    for i in range(max(at - 2, 0), min(at + 2, TUBES.size)):
        if back[i, 0] >= CHOKED:
            continue
        own = [replace(s, bore=float(TUBES[i]) - 2.0 * likely(s.wall)) for s in segments]
        values = (
            ("tube", float(TUBES[i]), "size"),
            ("back pressure", float(back[i, 0]), "pressure_difference"),
            ("costs", float(cost[i, 0]), "power"),
            ("weighs", model.weight(own), "mass"),
        )
        found.append(Option(values, i == at))
    return found


def _shop(tube: float, twin: bool, facts: ExhaustFacts) -> Shopping:
    known = bool(facts.pieces) or facts.pipe.length is not None
    slots: dict[str, tuple[float, str] | str] = {"tube": (tube, "size")}
    return Shopping(
        "Exhaust pipe",
        Sentence("two pipes of {tube}" if twin else "a pipe of {tube}", slots),
        Sentence("two, outside" if twin else "outside"),
        Sentence("{tube}", slots),
        tube,
        "exhaust.pipe.diameter",
        () if known else (("exhaust.pipe.length", USUAL_LENGTH, "length"),),
    )


def needs(context: Context, facts: ExhaustFacts) -> list[Need]:
    """A choice of standard tubes, by marching every size at once: what each costs and weighs, and the one whose next
    buys less than 1 % of the power; the rule beside it."""
    limit, makers = model.limit_of(context.engine, facts)
    found_at, segments, back, cost = _sizes(context, facts)
    advised = _advised(back, cost, limit, context.wanted)
    at = int(advised[0])
    stated = bool(facts.pieces) or facts.pipe.length is not None or facts.pipe.diameter is not None
    if facts.layout == "single" and not stated and TUBES[at] > WIDEST:
        # One pipe of that width is not laid: two.
        facts = replace(facts, layout="twin")
        found_at, segments, back, cost = _sizes(context, facts)
        advised = _advised(back, cost, limit, context.wanted)
        at = int(advised[0])
    twin = facts.layout == "twin"
    values: dict[str, tuple[float, str] | str] = {
        "tube": (float(TUBES[at]), "size"),
        "back": (float(back[at, 0]), "pressure_difference"),
        "cost": (float(cost[at, 0]), "power"),
        "limit": (limit, "pressure_difference"),
    }
    if back[at, 0] <= limit:
        words = "{tube} outside for that length and those parts: {back}, which costs {cost}; the next size buys little."
        sentence = Sentence(("Two tubes of " if twin else "Tube of ") + words, values)
    else:
        by = " that the maker allows" if makers else ""
        sentence = Sentence(
            f"No tube up to {{tube}} stays under {{limit}}{by}: shorter, fewer bends, a freer silencer.", values
        )
    options = _options(context, segments, back, cost, at)
    shop = _shop(float(TUBES[at]), twin, facts) if back[at, 0] <= limit else None
    found = [Need("pipe", "exhaust_tube", TUBES[advised], "size", sentence, options, shop=shop)]
    if facts.pieces and back[at, 0] <= limit:
        duty = int(
            np.argmax(
                np.broadcast_to(found_at.back_pressure, (TUBES.size, len(context.duties.cases), back.shape[1]))[
                    at, :, 0
                ]
            )
        )
        room = float(back[at, 0]) + WORTH / model.cost_rate(context.engine)
        stepped = _stepped(context, facts, found_at, at, min(limit, room), duty)
        if len(set(stepped)) > 1:
            found.append(_pieces(stepped))
    ways = 2.0 if facts.layout == "twin" else 1.0
    area = CFM_PER_HP * context.wanted / HP / CFM_PER_AREA / ways
    rule = float(np.sqrt(4.0 * area / np.pi)) + 2.0 * WALL
    found.append(
        Need(
            "rule",
            "exhaust_tube_by_rule",
            rule,
            "size",
            Sentence(
                "The rule of 2.2 cfm for each hp would say {tube}; it knows nothing of length, bends and silencers.",
                {"tube": (rule, "size")},
            ),
        )
    )
    if context.engine.fuel.spark and context.engine.facts.aspiration == "natural":
        length = model.primary_length(context.engine.rated_speed)
        found.append(
            Need(
                "primaries",
                "primary_length",
                length,
                "size",
                Sentence(
                    "Primaries about {l} long, give or take a fifth, to help at {rpm}.",
                    {"l": (likely(length), "size"), "rpm": (likely(context.engine.rated_speed), "speed_rpm")},
                ),
            )
        )
    return found
