"""Old shaft and new, the propeller there is on the engine's curve, the one the handbook wishes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.flow import propeller
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.boat import remedies, shafting
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import likely, likely_or_none


@dataclass(frozen=True)
class Shaft:
    """Power [W], speed [rev/min] and torque [N m] at a shaft."""

    power: float
    speed: float
    torque: float


@dataclass(frozen=True)
class PropellerView:
    """Old and new shaft; engine speeds [rev/min] with what reaches the shaft and what the propeller takes [W]; revs reached and
    rated; diameter, pitch, slip wished; slip as it is with what is usual; tips [m/s]; least shaft [m] and its safety; angle
    [rad]."""

    old: Shaft | None
    new: Shaft | None
    speeds: Sequence[float]
    makes: Sequence[float]
    takes: Sequence[float] | None
    reached: float | None
    rated: float
    load: float | None
    by_reading: bool
    repitched: str
    diameter: float | None
    pitch: float | None
    slip: float | None
    speed: float | None
    own_diameter: float | None
    own_pitch: float | None
    own_slip: float | None
    usual_slip: tuple[float, float] | None
    tips: float | None
    tips_most: float
    shaft_least: float | None
    shaft: float | None
    angle: float | None
    tilt: float


def show(context: Context, facts: BoatFacts, options: Options) -> PropellerView:
    """Propeller and shaft of the build."""
    duty_asked(context, options)
    engine = context.engine
    rated = likely(engine.rated_speed)
    speeds = np.linspace(0.4 * rated, 1.1 * rated, 36)
    makes = [likely(shafting.shaft_power(facts, engine.full_load_power(s, context.wanted))) for s in speeds]
    both = shafting.repower(context, facts)
    found = shafting.loaded(context, facts)
    wished = shafting.wished(context, facts)
    slips = shafting.slips(context, facts)
    new = None
    least = tips = None
    if facts.gear_ratio is not None:
        n, power = likely(shafting.shaft_speed(context, facts)), likely(shafting.shaft_power(facts, context.wanted))
        new = Shaft(power, n, likely(propeller.torque(power, n)))
        least = likely(propeller.shaft_for(new.torque, facts.shaft_metal or "stainless"))
        if facts.propeller is not None:
            tips = likely(propeller.tip_speed(facts.propeller, n))
    old = None if both is None else Shaft(likely(both.old_power), likely(both.old_speed), likely(both.old_torque))
    takes = None if found is None else [likely(found.takes) * (s / rated) ** 3 for s in speeds]
    return PropellerView(
        old=old,
        new=new,
        speeds=speeds.tolist(),
        makes=makes,
        takes=takes,
        reached=None if found is None else likely(found.reached),
        rated=rated,
        load=None if found is None or new is None else likely(found.takes) / new.power,
        by_reading=found is not None and found.by_reading,
        repitched=remedies.repitched(context, facts),
        diameter=None if wished is None else likely(wished.diameter),
        pitch=None if wished is None else likely(wished.pitch),
        slip=None if wished is None else likely(wished.slip),
        speed=None if wished is None else likely(wished.speed),
        own_diameter=likely_or_none(facts.propeller),
        own_pitch=likely_or_none(facts.pitch),
        own_slip=None if slips is None else likely(slips[0]),
        usual_slip=None if slips is None else slips[1],
        tips=tips,
        tips_most=propeller.TIP_MOST,
        shaft_least=least,
        shaft=likely_or_none(facts.shaft_diameter),
        angle=likely_or_none(facts.shaft_angle),
        tilt=likely(need(context.installation.engine_pitch, "installation.engine_pitch")),
    )
