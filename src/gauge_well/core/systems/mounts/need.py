"""What a unit asks of its mounts: how much each carries, how stiff a school is, how far apart they must stand."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.mounts.facts import SCHOOLS, MountsFacts
from gauge_well.core.systems.mounts.model import Held
from gauge_well.core.typing import likely


def needs(context: Context, facts: MountsFacts, found: Held) -> list[Need]:
    """Load and stiffness of the mount that carries most, and the torque they must react."""
    feet = found.stood.feet
    rest = found.shocked.carried[:, 0, :, 2]
    k = int(rest[0].argmax())
    rate = feet[k].rate
    school = SCHOOLS[facts.school].label
    first = np.abs(found.torque.cases(np.ones((len(found.rock), 1)))[:, 0]).max(axis=-1)
    return [
        Need(
            "mounts",
            "load",
            rest[:, k] / GRAVITY,
            "mass",
            Sentence(
                "{n} mounts, the heaviest laden for {m} at rest: {school}, about {k} upright.",
                {
                    "n": str(len(feet)).replace("3", "Three").replace("4", "Four"),
                    "m": (likely(rest[:, k]) / GRAVITY, "mass"),
                    "school": school,
                    "k": (likely(rate), "stiffness"),
                },
            ),
        ),
        Need(
            "mounts",
            "torque",
            first,
            "torque",
            Sentence(
                "They react {t}, {case}{cap}.",
                {
                    "t": (likely(first), "torque"),
                    "case": found.torque.turns.called[0],
                    "cap": ", as far as the tyres grip" if found.torque.capped else "",
                },
            ),
        ),
        Need(
            "brackets",
            "shock",
            found.shocked.size.max(axis=(1, 2)),
            "force",
            Sentence(
                "Brackets for {f} at the mount in the worst of its use, and welds for a life of it.",
                {"f": (float(found.shocked.size[0].max()), "force")},
            ),
        ),
    ]
