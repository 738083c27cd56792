"""What no belt's way can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.parts.pulley import BELTS
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.typing import likely, likely_or


def refuse(facts: BeltsFacts) -> None:
    """Raise :class:`CoreError` for two cranks or two arms on a belt, or two of its pulleys in one place."""
    for belt in BELTS:
        own = [(id, p) for id, p in facts.pulleys if p.on == belt]
        for what, words in (("crank", "One crank drives a belt."), ("tensioner", "One arm keeps a belt tight.")):
            found = [id for id, pulley in own if pulley.what == what]
            if len(found) > 1:
                raise CoreError("two_of", f"belts.pulleys.{found[1]}.what", what, "one on each belt", words)
        placed = [
            (id, likely_or(p.right), likely_or(p.up), likely(p.diameter))
            for id, p in own
            if p.diameter is not None and (p.what == "crank" or (p.right is not None and p.up is not None))
        ]
        for i, (id, x, y, d) in enumerate(placed):
            for _, a, b, e in placed[:i]:
                if float(((x - a) ** 2 + (y - b) ** 2) ** 0.5) < 0.5 * abs(d - e) + 1e-6:
                    words = "That pulley lies inside another of its belt."
                    raise CoreError("inside_another", f"belts.pulleys.{id}.right", x, "clear of the others", words)
