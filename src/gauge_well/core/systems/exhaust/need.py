"""What the wanted power asks of the pipe, fitted or not; rules of thumb beside it."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import TUBES, WALL, ExhaustFacts
from gauge_well.core.typing import likely

HP = 745.69987158
CFM_PER_HP, CFM_PER_AREA = 2.2, 115.0 / 0.0254**2  # flow-per-power rule: cfm for a hp, cfm through a square metre
USUAL_LENGTH = 4.0
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


def needs(context: Context, facts: ExhaustFacts) -> list[Need]:
    """Smallest standard tube that meets the limit, by marching every size at once; the rule beside it."""
    limit, _ = model.tolerated(context, facts)
    known = facts.pipes is not None or facts.pipe_length is not None
    trial = facts if known else replace(facts, pipe_length=USUAL_LENGTH)
    if facts.pipes is None:
        trial = replace(trial, pipe_diameter=TUBES[:, None, None])
        segments = model.segments_of(trial)
    else:
        bore = TUBES[:, None, None] - 2.0 * WALL
        segments = [replace(s, bore=bore) for s in model.segments_of(facts)]
    found_at = model.march(context, trial, segments, context.peak)
    pressure = found_at.back_pressure
    back = np.broadcast_to(pressure, (TUBES.size, len(context.duties.cases), pressure.shape[-1]))
    fits = back.max(axis=1) <= limit
    # Past the widest tube there is none: infinite, so that it keeps its place among samples.
    tubes = np.append(TUBES, np.inf)[np.where(fits.any(axis=0), fits.argmax(axis=0), TUBES.size)]
    worst = back[..., 0].max(axis=1)
    enough = np.flatnonzero(fits[:, 0])
    pipes = "two tubes" if facts.layout == "twin" else "tube"
    found = []
    if enough.size:
        tube = float(TUBES[int(enough[0])])
        found.append(
            Need(
                "pipe",
                "exhaust_tube",
                tubes,
                "size",
                Sentence(
                    "{n} of {tube} outside for that length and those parts: {back} of {limit}.",
                    {
                        "n": pipes.capitalize(),
                        "tube": (tube, "size"),
                        "back": (float(worst[int(enough[0])]), "pressure_difference"),
                        "limit": (limit, "pressure_difference"),
                    },
                ),
            )
        )
        if facts.pipes is not None:
            duty = int(np.argmax(back[int(enough[0]), :, 0]))
            stepped = _stepped(context, facts, found_at, int(enough[0]), limit, duty)
            if len(set(stepped)) > 1:
                found.append(_pieces(stepped))
    else:
        found.append(
            Need(
                "pipe",
                "exhaust_tube",
                tubes,
                "size",
                Sentence(
                    "No tube up to {most} meets {limit}: shorter, fewer bends, a freer silencer.",
                    {"most": (float(TUBES[-1]), "size"), "limit": (limit, "pressure_difference")},
                ),
            )
        )
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
