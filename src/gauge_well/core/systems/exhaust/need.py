"""What the wanted power asks of the pipe, fitted or not; rules of thumb beside it."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import with_facts
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import TUBES
from gauge_well.core.systems.base import Context, Need, Option, Shopping
from gauge_well.core.systems.exhaust import costs, model, pieces, primaries, tubes, warmth
from gauge_well.core.systems.exhaust.facts import WIDEST, WORTH, ExhaustFacts
from gauge_well.core.systems.exhaust.tubes import CHOKED, USUAL_LENGTH, Sizes, own_size
from gauge_well.core.typing import likely

STEPPED = 0.97  # of the limit: what stepping down aims at where banks merge, so that its one march seldom fails


def _stepped(context: Context, facts: ExhaustFacts, sizes: Sizes, size: int, limit: float, duty: int) -> list[float]:
    """Tube of each piece [m], the pieces stepped down in turn from one ``size``, the cheapest step first.

    Gas cools on its way, so that a pipe steps down towards its tip and never up, but where two banks
    merge. Each loss is taken from the march of whole sizes: with wider pipe ahead and narrower behind,
    its gas is cooler and denser than there, so that the sum errs high; it leaves out the steps between sizes, and
    where banks merge it may err low: that outcome is marched once more, and steps are taken back where it does not
    meet the limit.
    """
    found = sizes.found
    shape = (TUBES.size, len(context.duties.cases), found.back_pressure.shape[-1])
    losses = np.stack(
        [np.broadcast_to(p.pressure.upstream - p.downstream, shape)[:, duty, 0] for p in found.pieces], axis=1
    )
    choice, taken = [size] * losses.shape[1], []
    room = (STEPPED if facts.layout == "merged" else 1.0) * limit - float(losses[size].sum())
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
    while taken:
        tried = with_facts(
            facts, {f"pieces.{id}.diameter": float(TUBES[t]) for (id, _), t in zip(facts.pieces, choice, strict=True)}
        )
        trial = pieces.segments_of(tried, context.engine)
        if float(model.march(context, facts, trial, context.peak).back_pressure[..., 0].max()) <= limit:
            break
        choice[taken.pop()] += 1
    return [float(TUBES[t]) for t in choice]


def _pieces(sold: list[float]) -> Need:
    """One sentence for neighbours of one size."""
    slots: dict[str, tuple[float, str]] = {}
    said, start = [], 0
    for i in range(1, len(sold) + 1):
        if i == len(sold) or sold[i] != sold[start]:
            slots[f"t{start}"] = (sold[start], "size")
            which = f"piece {start + 1}" if i - start == 1 else f"pieces {start + 1} to {i}"
            said.append(f"{{t{start}}} for {which}")
            start = i
    return Need(
        "pipe",
        "exhaust_tube_by_piece",
        max(sold),
        "size",
        Sentence("Or piece by piece from the flange: " + ", ".join(said) + ".", slots),
    )


def _options(sizes: Sizes, at: int) -> list[Option]:
    """The advised size with two narrower and one wider."""
    found = []
    for i in range(max(at - 2, 0), min(at + 2, TUBES.size)):
        if sizes.back[i, 0] >= CHOKED:
            continue
        values = (
            ("tube", float(TUBES[i]), "size"),
            ("back pressure", float(sizes.back[i, 0]), "pressure_difference"),
            ("costs", float(sizes.cost[i, 0]), "power"),
            ("weighs", pieces.weight(own_size(sizes.segments, i)), "mass"),
        )
        found.append(Option(values, i == at))
    return found


def _shop(tube: float, twin: bool, facts: ExhaustFacts) -> Shopping:
    slots: dict[str, tuple[float, str] | str] = {"tube": (tube, "size")}
    return Shopping(
        "Exhaust pipe",
        Sentence("two pipes of {tube}" if twin else "a pipe of {tube}", slots),
        Sentence("two, outside" if twin else "outside"),
        Sentence("{tube}", slots),
        tube,
        "exhaust.pipe.diameter",
        () if tubes.known(facts) else (("exhaust.pipe.length", USUAL_LENGTH, "length"),),
    )


def needs(context: Context, facts: ExhaustFacts) -> list[Need]:
    """A choice of standard tubes, by marching every size at once: what each costs and weighs, and the one whose next
    buys less than 1 % of the power; rules, primaries and the gaps neighbours need beside it."""
    limit, makers = costs.limit_of(context.engine, facts)
    sizes = tubes.at_every_size(context, facts)
    best = tubes.advised(sizes, limit, context.wanted)
    at = int(best[0])
    stated = tubes.known(facts) or facts.pipe.diameter is not None
    if facts.layout == "single" and not stated and TUBES[at] > WIDEST:
        # One pipe of that width is not laid: two.
        facts = replace(facts, layout="twin")
        sizes = tubes.at_every_size(context, facts)
        best = tubes.advised(sizes, limit, context.wanted)
        at = int(best[0])
    twin = facts.layout == "twin"
    back, cost = sizes.back, sizes.cost
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
    shop = _shop(float(TUBES[at]), twin, facts) if back[at, 0] <= limit else None
    found = [Need("pipe", "exhaust_tube", TUBES[best], "size", sentence, _options(sizes, at), shop=shop)]
    if facts.pieces and back[at, 0] <= limit and not any(p.bank or p.piece == "primaries" for _, p in facts.pieces):
        shape = (TUBES.size, len(context.duties.cases), back.shape[1])
        duty = int(np.argmax(np.broadcast_to(sizes.found.back_pressure, shape)[at, :, 0]))
        room = float(back[at, 0]) + WORTH / costs.cost_rate(context.engine)
        stepped = _stepped(context, facts, sizes, at, min(limit, room), duty)
        if len(set(stepped)) > 1:
            found.append(_pieces(stepped))
    found.append(_rule(context, facts))
    if context.engine.fuel.spark and context.engine.facts.aspiration == "natural":
        found += _primaries(context)
    return [*found, *_gaps(context, facts)]


def _rule(context: Context, facts: ExhaustFacts) -> Need:
    ways = 2.0 if facts.layout == "twin" else 1.0
    rule, area = tubes.by_flow(context.wanted, ways), tubes.by_area(context.wanted, ways)
    words = (
        "The rule of 2.2 cfm for each hp would say {tube}, that of a square inch for each 60 hp {area}; they know nothing "
        "of length, bends and silencers."
    )
    return Need(
        "rule", "exhaust_tube_by_rule", rule, "size", Sentence(words, {"tube": (rule, "size"), "area": (area, "size")})
    )


def _primaries(context: Context) -> list[Need]:
    asked = primaries.primaries(context.engine)
    speed = (likely(context.engine.rated_speed), "speed_rpm")
    long = Sentence(
        "Primaries about {l} long, give or take a fifth, to help at {rpm}.", {"l": (asked.length, "size"), "rpm": speed}
    )
    wide = Sentence(
        "of {b} inside by the gas's speed, {rule} by the old rule; a collector of {c}.",
        {"b": (asked.bore, "size"), "rule": (asked.by_rule, "size"), "c": (asked.collector, "size")},
    )
    return [
        Need("primaries", "primary_length", asked.length, "size", long),
        Need("primaries", "primary_bore", asked.bore, "size", Sentence(f"Primaries {wide.template}", wide.values)),
    ]


def _gaps(context: Context, facts: ExhaustFacts) -> list[Need]:
    """The gap each neighbour needs bare, in its worst duty."""
    if not facts.neighbours or not tubes.known(facts):
        return []
    try:
        _, base = model.marched(context, facts)
    except MissingFact:
        return []
    found = []
    for at in warmth.known(context, facts, base):
        gap = warmth.gap_wanted(context, at)
        if gap is not None:
            gap = max(gap, warmth.FUEL_GAP) if at.what.fuel else gap
            words = "{what}: {gap} from the {cover} {piece} keeps it under {limit}."
            values: dict[str, tuple[float, str] | str] = {
                "what": at.what.name.capitalize(),
                "gap": (gap, "size"),
                "cover": at.piece.segment.covering,
                "piece": at.piece.segment.name,
                "limit": (likely(at.limit), "temperature"),
            }
            found.append(Need(f"gap_{at.id}", "gap_needed", gap, "size", Sentence(words, values)))
    return found
