"""Changes of runs worth trying."""

from __future__ import annotations

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.routes import runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import likely


def candidates(context: Context, facts: RoutesFacts) -> list[Candidate]:
    """A longer piece, a clip more, a shield, a grommet."""
    found = []
    for run in runs.all_of(facts):
        place, own = f"routes.routes.{run.id}", run.facts
        needed = runs.needed(context, facts, run)
        if needed is not None and own.length is not None and likely(needed) > likely(own.length):
            words = Sentence(f"{run.name}: {{a}} → {{b}}", {"a": (likely(own.length), "length"), "b": (likely(needed), "length")})  # fmt: skip
            found.append(Candidate(f"length_{run.id}", "routes", words, {f"{place}.length": likely(needed)}))
        if own.clips is not None and likely(own.clips) > run.what.clips:
            words = Sentence(f"{run.name}: clipped every {{b}}", {"b": (run.what.clips, "length")})
            found.append(Candidate(f"clips_{run.id}", "routes", words, {f"{place}.clips": run.what.clips}))
        if own.hot_gap is not None and own.shielded == "none" and likely(own.hot_gap) < run.what.bare:
            found.append(Candidate(f"shield_{run.id}", "routes", Sentence(f"{run.name}: a shield"), {f"{place}.shielded": "yes"}))  # fmt: skip
        if own.edge == "bare":
            found.append(Candidate(f"edge_{run.id}", "routes", Sentence(f"{run.name}: a grommet"), {f"{place}.edge": "grommet"}))  # fmt: skip
    return found
