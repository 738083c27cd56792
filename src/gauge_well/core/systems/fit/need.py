"""The space an engine asks for: its own outside, and the gaps kept all round."""

from __future__ import annotations

from gauge_well.core.facts import need
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.rooms import moving
from gauge_well.core.typing import as_array, likely


def needs(context: Context, facts: FitFacts) -> list[Need]:
    """Length, height and width, where its two sizes are known; across the machine the gearbox stands in its length."""
    unit, case = facts.unit, facts.gearcase
    if unit.length is None or unit.cover is None:
        return []
    lie = context.installation.lie
    across = lie == "front_trans"
    box = as_array(case.bell_length) + case.length if case.there == "yes" else as_array(0.0)
    long = as_array(unit.length) + (box if across or lie in ("mid", "boat") else 0.0)
    long = long + facts.keep_belt + facts.keep_metal + (0.0 if across else facts.bay.stack_depth)
    wide = as_array(unit.left) + unit.right + 2.0 * as_array(facts.keep_metal)
    high = as_array(unit.cover) + unit.pan + facts.keep_bonnet + need(moving(context, facts).bounce, "fit.bounce")
    found = []
    for id, value, words in (
        ("width" if across else "length", long, "{v} from rail to rail" if across else "{v} from panel to wall"),
        ("length" if across else "width", wide, "{v} along the machine" if across else "{v} across, at its widest"),
        ("height", high, "{v} from the pan's floor to the bonnet's frame"),
    ):
        found.append(Need("place", id, value, "length", Sentence(words, {"v": (likely(value), "length")})))
    return found
