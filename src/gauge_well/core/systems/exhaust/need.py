"""What the wanted power asks of the pipe, fitted or not; rules of thumb beside it."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import TUBES, WALL, ExhaustFacts

HP = 745.69987158
CFM_PER_HP, CFM_PER_AREA = 2.2, 115.0 / 0.0254**2  # flow-per-power rule: cfm for a hp, cfm through a square metre
USUAL_LENGTH = 4.0


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
    back = model.march(context, trial, segments, context.peak).back_pressure
    worst = np.broadcast_to(back, (TUBES.size, len(context.duties.cases), 1)).max(axis=(1, 2))
    enough = np.flatnonzero(worst <= limit)
    pipes = "two tubes" if facts.layout == "twin" else "tube"
    found = []
    if enough.size:
        tube = float(TUBES[int(enough[0])])
        found.append(
            Need(
                "pipe",
                "exhaust_tube",
                tube,
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
    else:
        found.append(
            Need(
                "pipe",
                "exhaust_tube",
                float("nan"),
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
        length = float(model.primary_length(context.engine.rated_speed))
        found.append(
            Need(
                "primaries",
                "primary_length",
                length,
                "size",
                Sentence(
                    "Primaries about {l} long, give or take a fifth, to help at {rpm}.",
                    {"l": (length, "size"), "rpm": (context.engine.rated_speed, "speed_rpm")},
                ),
            )
        )
    return found
