"""Why a boat's exhaust steams: its raw water on the way in, through the coolers and into the hose, with something wrong."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import with_facts
from gauge_well.core.start import setting
from gauge_well.core.start.faults.cause import SOUND, SOUND_AS_OFTEN, Cause, Check, Effort, When, Worked
from gauge_well.core.start.faults.group import Group, eased
from gauge_well.core.start.setting import Stood
from gauge_well.core.systems.boat import raw
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import as_array

WORN, BLOCKED, SHUT, SILTED = 0.45, 0.5, 0.08, 0.6  # of the water that is left (common practice)

SINKS = "A boat sinks through a hose that is off: seacock shut first, then off, then on again before it is run."


def causes(case: BuildCase) -> Sequence[Cause]:
    """What keeps the water from the hose."""
    return [
        Cause(SOUND, "Nothing is wrong with it", "Nothing: it runs as it should.", SOUND_AS_OFTEN, whole=True),
        Cause("impeller", "Impeller worn, vanes gone", "A new impeller; find the lost vanes in the cooler.", 3.0),
        Cause("strainer", "Way in is blocked, or draws air", "Strainer, its lid's seal, weed at the fitting.", 3.0),
        Cause("seacock", "Seacock is shut", "Open it; look at the impeller, which has run dry.", 2.0, whole=True),
        Cause("elbow", "Injection elbow or cooler is silted up", "Take the elbow off; clean its water way.", 1.5),
    ]


def checks(case: BuildCase) -> Sequence[Check]:
    """What can be seen and measured."""
    return [
        Check(
            "outlet", "Water at the outlet, idling", "Look over the side.", 0.5,
            outcomes=("spits steadily", "little", "none, only steam"),
        ),
        Check(
            "bucket", "Water at the outlet into a bucket, idling", "Seconds for ten litres.", 2.0, kind="flow", share=0.08
        ),
        Check(
            "hose", "Exhaust hose behind the elbow, by infrared", "On tape; by hand it is hardly warm.", 2.0,
            effort=Effort.TOOL, kind="temperature", error=6.0,
        ),
        Check(
            "cock", "Seacock's lever, strainer's glass", "Along the pipe is open; look for weed.", 1.0, When.OFF,
            outcomes=("open, clear", "open, weed or bubbles", "shut"),
        ),
        Check(
            "lid", "Water rises in the strainer, lid off, seacock opened a moment", "It should run over.", 3.0, When.OFF,
            Effort.TOOL, outcomes=("runs over", "creeps", "nothing"), danger=SINKS,
        ),
        Check(
            "impeller_seen", "Impeller, its cover off", "Seacock shut first. All vanes whole and springy.", 5.0, When.OFF,
            Effort.APART, outcomes=("whole", "worn or vanes gone"),
        ),
        Check(
            "elbow_seen", "Elbow's water way, its hose off", "Seacock shut first. A finger's width and clean.", 5.0,
            When.OFF, Effort.APART, outcomes=("clear", "scaled up"),
        ),
    ]  # fmt: skip


LEFT = {"impeller": WORN, "strainer": BLOCKED, "seacock": SHUT, "elbow": SILTED}


def work(case: BuildCase, air: float, count: int = setting.DRAWS) -> Mapping[tuple[str, float], Worked]:
    """Every cause at every size over the draws; MissingFact where no wet exhaust or no pump is known."""
    if case.machine.kind != "boat" or case.machine.exhaust != "wet":
        raise MissingFact("machine.exhaust")
    if case.systems["boat"].raw_pump.displacement is None:
        raise MissingFact("boat.raw_pump.displacement")
    stood = setting.stand(setting.idle_case(case, air), count)
    return {(c.id, size): _worked(stood, c.id, size) for c in causes(case) for size in c.sizes}


def _worked(stood: Stood, id: str, size: float) -> Worked:
    facts: BoatFacts = stood.drawn.case.systems["boat"]
    left = eased(LEFT.get(id, 1.0), size)
    weaker = with_facts(facts, {"raw_pump.worn": as_array(facts.raw_pump.worn) * left})
    moved = stood.wide(raw.flow(stood.context, facts)) * left
    mixed = stood.wide(raw.mixed(stood.context, weaker, stood.context.mean))
    share = moved[1:] / float(np.median(stood.wide(raw.flow(stood.context, facts))))
    little, none = float(np.mean(share < 0.7)), float(np.mean(share < 0.15))
    weed = 0.85 if id == "strainer" else 0.05
    vanes = 0.93 if id == "impeller" else 0.7 if id == "seacock" else 0.06
    cock = (0.04, 0.02, 0.94) if id == "seacock" else (0.98 - weed, weed, 0.02)
    lid = {"strainer": (0.3, 0.65, 0.05), "seacock": (0.9, 0.07, 0.03)}
    return Worked(
        {"bucket": moved, "hose": mixed},
        {
            "outlet": (1.0 - little, little - none, none),
            "cock": cock,
            "lid": lid.get(id, (0.95, 0.04, 0.01)),
            "impeller_seen": (1.0 - vanes, vanes),
            "elbow_seen": (0.06, 0.94) if id == "elbow" else (0.96, 0.04),
        },
    )


WET = Group("wet", "Water in the exhaust", causes, checks, work)
