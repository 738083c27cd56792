"""What a machine did while a gauge was read, as a duty that lasts."""

from __future__ import annotations

from dataclasses import dataclass, replace

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import ROLLS, WARMEST_SEA, DutyFacts
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.typing import likely

COLDEST_SEA = 275.15  # K


@dataclass(frozen=True, kw_only=True)
class Doing:
    """As it is told: air [K] and height [m]; speed [m/s], grade, engine speed [rev/min], power at the crank [W] where they were
    read; the trailer on or not; sea [K]."""

    ambient: float
    altitude: float = 0.0
    speed: float | None = None
    grade: float = 0.0
    engine_speed: float | None = None
    power: float | None = None
    tow: bool = False
    sea: float | None = None


def duty_of(case: BuildCase, told: Doing) -> DutyFacts:
    """A duty of it: by power where that was read, by a propeller's law afloat and aloft, by the road where it rolls, else standing.

    MissingFact names what it lacks.
    """
    kind = case.machine.kind
    plain = DutyFacts(
        name="A reading", kind="idle", ambient=told.ambient, altitude=told.altitude, start="warm", air_speed=told.speed or 0.0,
        engine_speed=told.engine_speed, air_conditioning="no", braking=0.0, cornering=0.0, pulling=0.0, heel=0.0,
        sea=sea_of(case, told.ambient, told.sea),
    )  # fmt: skip
    if told.power is not None:
        turns = need(told.engine_speed, "engine_speed")
        return replace(plain, kind="typed", engine_power=told.power, engine_speed=turns, speed=told.speed)
    if kind in ("boat", "aircraft") and told.engine_speed is not None:
        share = told.engine_speed / likely(need(case.engine.rated_speed, "engine.rated_speed"))
        propelled = "boat" if kind == "boat" else "flight"
        return replace(
            plain, kind=propelled, speed_share=min(share, 1.0), boat_exponent=3.0, engine_speed=None, speed=told.speed
        )
    if told.speed and kind in ROLLS[1]:
        return replace(plain, kind="road", speed=told.speed, grade=told.grade, tow="yes" if told.tow else "no")
    if told.speed and kind == "boat":
        raise MissingFact("engine_speed")
    return plain


def sea_of(case: BuildCase, ambient: float, sea: float | None = None) -> float | None:
    """As read, else as warm as the air, as far as a sea goes [K]; None ashore."""
    if case.machine.kind != "boat":
        return None
    return min(max(ambient, COLDEST_SEA), WARMEST_SEA) if sea is None else sea


def lasting(duty: DutyFacts, ambient: float | None = None) -> DutyFacts:
    """A build's own duty gone on with until nothing moves, in the air [K] of the day."""
    return replace(duty, duration=None, after=None, start="warm", ambient=duty.ambient if ambient is None else ambient)
