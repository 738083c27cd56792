"""What torque comes where, what caps it, and what each thing there stands."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.driveline import carried, checks
from gauge_well.core.systems.driveline.facts import LOCKS, RESERVES, DrivelineFacts
from gauge_well.core.systems.torqued import asked, peak_torque
from gauge_well.core.typing import likely, likely_or_none


@dataclass(frozen=True)
class Place:
    """Torque at a place on its way out [N m], and how it comes about."""

    name: str
    torque: float
    words: str


@dataclass(frozen=True)
class Loaded:
    """A thing that carries: what is asked of it and what it stands, of its kind; its share."""

    id: str
    name: str
    asked: float
    stands: float
    kind: str
    fill: float


@dataclass(frozen=True)
class CarriedView:
    """Places from the engine to one wheel; things that carry; whether the tyres cap it; clutch with its reserve."""

    places: Sequence[Place]
    loaded: Sequence[Loaded]
    capped: bool
    clutch: float | None
    reserve: float
    driven: bool


def show(context: Context, facts: DrivelineFacts, options: Options) -> CarriedView:
    """At the wanted power."""
    at = asked(context, context.peak)
    torque = likely(peak_torque(context))
    places = [Place("Engine", torque, "its peak, at the power wanted")]
    found = carried.driven(context)
    capped = False
    if found is not None:
        capped = carried.capped(context, facts, found, at)
        why = "capped by the tyres" if capped else f"{likely(found.dump):.2g} times, the clutch let go"
        places.append(Place("Behind the lowest gear", likely(found.output), "pulling, before anything slips"))
        for name, place, words in (
            ("Shaft before an axle", "shaft", why),
            ("An axle, both wheels", "axle", why),
            ("One wheel", "wheel", LOCKS[facts.locks].label.split(":")[0] + " differential"),
        ):
            places.append(Place(name, likely(carried.at_place(context, facts, found, at, place)), words))
    loaded = [
        Loaded(c.id, c.name, likely(c.demand), likely(c.capacity), c.kind, float(c.fill.flat[0]))
        for c in checks.torque_checks(context, facts, context.peak)
    ]
    holds = carried.held(facts)
    return CarriedView(places, loaded, capped, likely_or_none(holds), RESERVES[facts.reserve][1], found is not None)
