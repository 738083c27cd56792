"""Where a first start is done and in what air, and the build as it then stands: idling, and under its own duties."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.duty.model import Duties
from gauge_well.core.engine.model import engine_of
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.run.sampling import Drawn, draw
from gauge_well.core.run.scope import LEFT_OUT
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import likely

AIR = 288.15  # K of the day, where nobody says (common practice)
FAST = 1.5  # times its idle that an engine is held at while it warms (common practice)
PLACES: Mapping[str, str] = {
    "dry": "on the stand, dry",
    "hose": "on the stand, fed from a hose",
    "machine": "in the machine",
}
DRAWS = 64  # of the build within its tolerances, that bands and doubts are taken from
LASTS = 60.0  # s from which a duty is long enough to be read by (common practice)


@dataclass(frozen=True)
class Setting:
    """The place, the air of the day [K] and the sea's, K."""

    place: str = "machine"
    air: float = AIR


# What has no say in a first start's gauges; left out of these runs, so that a phone need not wait for them.
NO_SAY = ("fit", "mounts", "weights", "routes", "driveline", "exhaust", "air", "belts")


def _told(case: BuildCase) -> BuildCase:
    return replace(case, scope={**case.scope, **dict.fromkeys(NO_SAY, LEFT_OUT)})


def idle_case(case: BuildCase, air: float, share: float = 1.0) -> BuildCase:
    """The build standing with its engine at so many times its idle, nothing switched on but what it needs, from cold.

    MissingFact where too little is known of the engine.
    """
    engine_of(case.engine)  # says what is missing of an engine of which too little is known
    speed = share * likely(case.engine.idle_speed)
    idle = DutyFacts(
        name="Idle" if share == 1.0 else "Fast idle",
        kind="idle",
        air_speed=0.0,
        ambient=air,
        sea=_sea(case, air),
        altitude=likely(case.duties[0][1].altitude) if case.duties else 0.0,
        engine_speed=speed if share != 1.0 else None,
        start="cold",
        air_conditioning="no",
        braking=0.0,
        cornering=0.0,
        pulling=0.0,
        heel=0.0,
    )
    return replace(_told(case), duties=(("idle", idle),))


def _sea(case: BuildCase, air: float) -> float | None:
    """As warm as the air, as far as a sea goes [K]; None ashore."""
    return min(max(air, 275.15), 305.15) if case.machine.kind == "boat" else None


def in_todays_air(case: BuildCase, id: str, air: float) -> BuildCase:
    """The build in one of its own duties, in the air of the day."""
    duty = dict(case.duties)[id]
    return replace(_told(case), duties=((id, replace(duty, ambient=air, after=None)),))


def loads(duties: Duties) -> tuple[str, str]:
    """Duties that a drive reads by: the lightest and the heaviest that last and are not idling; empty where there is none.

    One that is meant as lightest and heaviest alike counts as the heaviest.
    """
    lasting = [c for c in duties.cases if c.kind != "idle" and c.duration >= LASTS]
    if not lasting:
        return "", ""
    by_power = sorted(lasting, key=lambda c: likely(c.power))
    light, heavy = by_power[0], by_power[-1]
    return ("", heavy.id) if light is heavy else (light.id, heavy.id)


@dataclass(frozen=True)
class Stood:
    """A build in one state, drawn: its context over the draws and its case."""

    drawn: Drawn
    context: Context

    @property
    def samples(self) -> int:
        """Draws and the likely one before them."""
        return 1 + self.drawn.count

    def wide(self, value: object) -> np.ndarray:
        """A value of the one duty over the draws (sample,)."""
        a = np.asarray(value, dtype=np.float64)
        return np.array(np.broadcast_to(a.reshape(-1) if a.size in (1, self.samples) else a[0, 0], (self.samples,)))


def stand(case: BuildCase, count: int = DRAWS) -> Stood:
    """The build of one duty over its draws; MissingFact where too little is known of the engine."""
    drawn = draw(case, count)
    context, _ = make_context(drawn.case, doubts=drawn.doubts, memory=MEMORY, columns=1 + count)
    return Stood(drawn, context)
