"""The wet exhaust's heights, volumes and pressures against what keeps the sea out."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import FILL_MAX, Check, CheckClass, Scales, Unknown, gap_fill, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat import wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, as_array, duty_values, likely


def _height(id: str, name: str, part: str, found: wet.Least, kept: float, words: str, danger: bool = True) -> Check:
    """A height where it is least against the one kept."""
    values: dict[str, tuple[float, str] | str] = {
        "least": (likely(found.value), "height"),
        "under": (-likely(found.value), "height"),
        "rest": (likely(found.rest), "height"),
        "kept": (kept, "height"),
        "position": found.position,
    }
    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="height",
        demand=kept,
        capacity=found.value,
        fill=gap_fill(found.value, kept),
        sentences=lambda: (Sentence(words, values),),
        danger=danger,
    )


def riser_checks(context: Context, facts: BoatFacts) -> list[Check]:
    """What water must climb over to reach the engine, over the sea; the injection under it; the silencer's lip well under it."""
    found: list[Check] = []
    try:
        name, top = wet.crest(facts)
    except MissingFact:
        return []
    called = wet.POINTS[name]
    over = wet.least(context, top)
    words = f"The {called} stands {{least}} over the sea {{position}}, {{rest}} at rest; keep {{kept}}."
    if likely(over.value) < 0.0:
        words = f"The {called} lies {{under}} under the sea {{position}}: nothing keeps it out of the engine."
    found.append(_height("riser", called.capitalize(), "riser", over, wet.RISER_OVER, words))
    if facts.injection_over is not None:
        under = wet.least(context, top, wet.point(facts, "injection"))
        words = f"Water is injected {{least}} under the {called} {{position}}; keep {{kept}}, the elbow falling all the way."
        if likely(under.value) < 0.0:
            words = f"Water is injected over the {called}, by {{under}} {{position}}: it runs back into the engine."
        back = likely(under.value) < 0.0
        found.append(_height("elbow", "Injection", "riser", under, wet.ELBOW_UNDER, words, back))
    try:
        leg = wet.least(context, top, wet.lip(facts))
    except MissingFact:
        return found
    words = f"Water that stands at the silencer's lip lies {{least}} under the {called} {{position}}; keep {{kept}}."
    if likely(leg.value) < 0.0:
        words = f"The silencer's lip lies {{under}} over the {called} {{position}}: what it holds runs into the engine."
    floods = likely(leg.value) < 0.0
    found.append(_height("water_leg", "Water leg to the silencer", "riser", leg, wet.WATER_LEG, words, floods))
    return found


def siphon_checks(context: Context, facts: BoatFacts) -> tuple[list[Check], list[Unknown]]:
    """A siphon break where the injection lies near the water or under it: there, in the right place, high enough."""
    if facts.injection_over is None:
        return [], [Unknown("siphon", "Siphon break", "siphon", ("boat.injection_over",))]
    at = wet.least(context, wet.point(facts, "injection"))
    needed = wet.breaks_needed(at)
    if likely(needed) == 0.0 and facts.siphon != "fitted":
        return [], []
    if facts.siphon is None:
        return [], [Unknown("siphon", "Siphon break", "siphon", ("boat.siphon",))]
    if facts.siphon == "none":
        words = (
            "Water is injected {least} over the sea {position}, and nothing breaks the siphon: stopped, the sea runs on into "
            "silencer and engine."
        )
        if likely(at.value) < 0.0:
            words = words.replace("{least} over", "{under} under")
        none = wet.Least(np.minimum(at.value, 0.0), at.rest, at.position)
        values: dict[str, tuple[float, str] | str] = {
            "least": (likely(at.value), "height"),
            "under": (-likely(at.value), "height"),
            "position": at.position,
        }
        return [_siphon(none.value, np.maximum(gap_fill(none.value, wet.BREAK_OVER), 0.0), Sentence(words, values))], []
    if facts.siphon_sits == "before":
        words = "The siphon break sits ahead of the raw-water pump: there it lets the pump draw air and breaks no siphon. Behind it."
        return [_siphon(at.value, np.full_like(as_array(at.value), FILL_MAX), Sentence(words))], []
    if facts.siphon_top == "below":
        words = "The siphon break sits below its loop's top: water over it goes on siphoning. At the very top."
        return [_siphon(at.value, np.full_like(as_array(at.value), FILL_MAX), Sentence(words))], []
    lacks = wet.known(facts, "siphon_over", "siphon_sits", "siphon_top")
    if lacks:
        return [], [Unknown("siphon", "Siphon break", "siphon", lacks)]
    break_ = wet.least(context, wet.point(facts, "siphon"))
    words = "The siphon break stands {least} over the sea {position}, {rest} at rest; keep {kept} there."
    if likely(break_.value) < 0.0:
        words = "The siphon break goes {under} under the sea {position}: it breaks nothing. Keep {kept}."
    return [_height("siphon", "Siphon break", "siphon", break_, wet.BREAK_OVER, words)], []


def _siphon(actual: Array, fill: Array, said: Sentence) -> Check:
    return Check(
        id="siphon",
        name="Siphon break",
        part="siphon",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="height",
        demand=wet.BREAK_OVER,
        capacity=actual,
        fill=fill,
        sentences=lambda: (said,),
        danger=True,
    )


def hose_checks(context: Context, facts: BoatFacts) -> list[Check]:
    """The hose's highest place and the outlet over the sea; the fall between them."""
    found = []
    if facts.high_over is not None:
        high = wet.least(context, wet.point(facts, "high"))
        words = "The hose's highest place stands {least} over the sea {position}, {rest} at rest; keep {kept}."
        if likely(high.value) < 0.0:
            words = "The hose's highest place goes {under} under the sea {position}: it runs in over it."
        found.append(_height("high_point", "Hose's highest place", "hose", high, wet.HIGH_OVER, words))
    if facts.outlet_over is not None and facts.flap in (None, "none"):
        outlet = wet.point(facts, "outlet")
        rest = wet.Least(*(2 * (as_array(outlet.over) - wet.sinks(context),)), "at rest")
        words = "The outlet stands {least} over the sea {position}, and nothing shuts it; keep {kept}, or fit a flap."
        if likely(rest.value) < 0.0:
            words = "The outlet lies {under} under the sea {position}, and nothing shuts it. A flap or a valve."
        found.append(_height("outlet", "Outlet", "hose", rest, wet.OUTLET_OVER, words, False))
    return found


def silencer_checks(context: Context, facts: BoatFacts) -> list[Check]:
    """What runs back from the hose and a third of it, against what the silencer holds leaning; how long it may crank."""
    try:
        holds, runs = wet.usable(context, facts), wet.drain_back(facts)
    except MissingFact:
        return []
    values: dict[str, tuple[float, str] | str] = {
        "runs": (likely(runs), "volume"),
        "holds": (likely(holds.value), "volume"),
        "rest": (likely(holds.rest), "volume"),
        "position": holds.position,
    }
    words = "{runs} run back when it stops; up to its lip the silencer holds {holds} {position}, {rest} at rest; a third is kept over."
    if likely(runs) > likely(holds.value):
        words = "{runs} run back when it stops; the silencer holds {holds} {position}: the rest goes to the engine."
    found = [
        Check(
            id="silencer",
            name="Silencer against drain-back",
            part="silencer",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="volume",
            demand=wet.SPARE * runs,
            capacity=holds.value,
            fill=ratio_fill(wet.SPARE * runs, holds.value),
            sentences=lambda: (Sentence(words, values),),
            danger=likely(runs) > likely(holds.value),
        )
    ]
    try:
        seconds = wet.crank_time(context, facts)
    except MissingFact:
        return found
    tries = int(likely(seconds) // wet.TRY)
    count = f"{tries} {'try' if tries == 1 else 'tries'} of ten seconds" if tries else "not one try of ten seconds"
    found.append(
        Check(
            id="flood",
            name="Cranking until it floods",
            part="silencer",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="time",
            demand=wet.CRANK_LEAST,
            capacity=seconds,
            fill=gap_fill(seconds, wet.CRANK_LEAST),
            sentences=lambda: (
                Sentence(
                    "It may crank {s} with the sea cock open, "
                    + count
                    + ", until the silencer stands full; keep {least}. For longer shut the cock, open it as it fires.",
                    {"s": (likely(seconds), "time"), "least": (wet.CRANK_LEAST, "time")},
                ),
            ),
        )
    )
    return found


def back_checks(context: Context, facts: BoatFacts, op: Operation) -> list[Check]:
    """Back pressure running against what the maker allows."""
    try:
        found = wet.back(context, facts, op)
    except MissingFact:
        return []
    limit = as_array(facts.tolerated)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        words = "{total} of back pressure running, {limit} allowed; at the start it lifts a full hose, {start}."
        start = likely(found.start)
        return tuple(
            Sentence(
                words,
                {
                    "total": (total, "pressure_difference"),
                    "limit": (likely(limit), "pressure_difference"),
                    "start": (start, "pressure_difference"),
                },
            )
            for total in duty_values(found.total, count)
        )

    return [
        Check(
            id="lift",
            name="Back pressure",
            part="hose",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="pressure_difference",
            demand=found.total,
            capacity=limit,
            fill=ratio_fill(found.total, limit),
            sentences=said,
        )
    ]


def unknowns(context: Context, facts: BoatFacts) -> list[Unknown]:
    """What of a wet exhaust that was begun is not stated."""
    rows = (
        ("riser", "Manifold's port", "riser", ("manifold_over",)),
        ("elbow", "Injection", "riser", ("injection_over",)),
        ("high_point", "Hose's highest place", "hose", ("high_over",)),
        ("lift", "Back pressure", "hose", ("hose.bore", "high_over", "silencer_over")),
        (
            "silencer",
            "Silencer against drain-back",
            "silencer",
            ("silencer.length", "silencer.width", "silencer.height", "silencer.lip", "hose.bore"),
        ),
    )
    found = []
    for id, name, part, names in rows:
        lacks = wet.known(facts, *names)
        if lacks:
            found.append(Unknown(id, name, part, lacks))
    return found
