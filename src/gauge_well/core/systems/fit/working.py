"""The working of a gap: where the nearest points lie, and how it stands to what is kept."""

from __future__ import annotations

import numpy as np

from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import close_of
from gauge_well.core.systems.fit.spread import Spread, tightest
from gauge_well.core.typing import likely
from gauge_well.core.working import Step, Working

SHOWN = 5


def steps(facts: FitFacts, found: Spread, index: int) -> list[Step]:
    """Where the bell's face stands, then the tightest pairs: nearest points, gap, what is left of it."""
    w = Working(index)
    pose = found.scene.pose
    long = likely(facts.unit.length or 0.0)
    w.add(
        "z_bell",
        "Crank over the floor, at the bell's face",
        "z_pulley - L * sin_pitch",
        pose.z,
        "length",
        {"z_pulley": likely(facts.crank_height), "L": long, "sin_pitch": float(np.sin(pose.pitch))},
        "arithmetic",
    )
    seen: set[str] = set()
    for k in tightest(found):
        item = close_of(found.scene, found.found, int(found.rows[k]))
        if item.name in seen or len(seen) == SHOWN:
            continue
        seen.add(item.name)
        n = len(seen)
        apart = {f"{c}_{e}": float(p[i]) for e, p in (("a", item.at), ("b", item.other)) for i, c in enumerate("xyz")}
        if item.gap > 0.0:
            w.add(
                f"gap_{n}",
                f"{item.name}, {item.position}",
                "sqrt((x_b - x_a) ** 2 + (y_b - y_a) ** 2 + (z_b - z_a) ** 2)",
                item.gap,
                "size",
                apart,
                "gilbert1988, distance of convex solids",
            )
        else:
            way = {f"u_{c}": float(item.direction[i]) for i, c in enumerate("xyz")}
            w.add(
                f"gap_{n}",
                f"{item.name}, {item.position}: in each other",
                "(x_b - x_a) * u_x + (y_b - y_a) * u_y + (z_b - z_a) * u_z",
                item.gap,
                "size",
                apart | way,
                "gottschalk1996, least overlap over separating axes",
            )
        w.add(
            f"spare_{n}",
            "To spare",
            f"gap_{n} - keep_{n}",
            item.slack,
            "size",
            {f"gap_{n}": item.gap, f"keep_{n}": item.keep},
            "common practice",
        )
    return w.steps
