"""Duties solved into engine points and air: arrays on the duty axis."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.duty.facts import GEARBOXES, HELD, POWER_DRIVEN, PROPELLED, DutyFacts, MachineFacts
from gauge_well.core.duty.road import Held, Vehicle, hold, vehicle_of
from gauge_well.core.engine.model import Engine
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import need, need_number
from gauge_well.core.media import air
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.typing import Array, Value, as_array, likely, settled

ALTERNATOR_EFFICIENCY = 0.55
STEERING = 300.0  # W
AIR_CONDITIONING_IDLE, AIR_CONDITIONING_DRIVING = 3000.0, 2000.0
CONDENSER_HEAT = 7000.0
COOLS_FROM = 15e3  # W of engine that a whole air-conditioning wants; a smaller engine's is smaller (common practice)
# A duty so short [s] may be swallowed by the metal; it comes back after so many times its own length (common practice).
SWALLOWED, REPEATS = 300.0, 6.0
SLOW = 3.0  # m/s of air: under it a machine counts as standing (common practice)
PAST = 3.0  # times the rated speed: no engine is turned faster, and no relation here knows it there


@dataclass(frozen=True)
class Accessories:
    """What hangs on the crank besides the machine [W]: alternator by what it gives, steering, air-conditioning."""

    electrical: Value
    steering: float
    air_conditioning: float

    @property
    def total(self) -> Value:
        """All of it at the crank."""
        return self.electrical / ALTERNATOR_EFFICIENCY + self.steering + self.air_conditioning


NO_ACCESSORIES = Accessories(0.0, 0.0, 0.0)


@dataclass(frozen=True)
class Case:
    """One duty solved at the wanted power; what is a Value may be samples."""

    id: str
    name: str
    kind: str
    power_driven: bool
    power: Value
    engine_speed: Value
    peak_power: Value
    peak_speed: Value
    air_speed: Value
    ambient: float
    pressure: float
    duration: float
    start: str
    after: str
    condenser_heat: float
    gearbox_heat: Value
    asked_speed: float
    held: Held | None
    altitude: float = 0.0
    sea: float = 0.0  # K of the water a boat lies in
    tow: float = 0.0
    grade: float = 0.0
    accessories: Accessories = NO_ACCESSORIES
    share: Value = 0.0  # of what the engine can make, where the duty asks for one
    breathing: Value = 1.0  # share of its full power that the air of the duty lets the engine make
    wide_open: float = 0.0
    braking: Value = 0.0  # g
    cornering: Value = 0.0
    pulling: Value = 0.0
    heel: Value = 0.0  # rad
    # Over the samples, what is asked of it where nobody said and a rule supposes it; the field has its likely value.
    supposed: Mapping[str, Array] = field(default_factory=dict)

    @property
    def peaks(self) -> bool:
        """Whether its peak differs from its mean, at the likely values."""
        power, speed = (
            likely(self.peak_power) != likely(self.power),
            likely(self.peak_speed) != likely(self.engine_speed),
        )
        return power or speed


@dataclass(frozen=True)
class Duties:
    """All duties as arrays of shape (1, duty, 1), or (1, duty, sample)."""

    cases: tuple[Case, ...]
    vehicle: Vehicle | None

    def column(self, name: str) -> Array:
        """Return one attribute of all cases on the duty axis."""
        values = [case.supposed.get(name, getattr(case, name)) for case in self.cases]
        if any(isinstance(value, np.ndarray) for value in values):
            return np.stack(np.broadcast_arrays(*values))[None]
        return np.array(values, dtype=float)[None, :, None]

    @property
    def named(self) -> list[tuple[str, str]]:
        """Id and name of each."""
        return [(case.id, case.name) for case in self.cases]

    @property
    def standing(self) -> NDArray[np.bool_]:
        """Which duties stand as good as still, (duty, 1): hardly any air."""
        return np.array([[likely(case.air_speed) < SLOW] for case in self.cases])

    @property
    def power_driven(self) -> list[bool]:
        """Which duties follow the wanted power."""
        return [case.power_driven for case in self.cases]


def _in_g(value: Value | None) -> Value:
    return 0.0 if value is None else value / GRAVITY


def _accessories(facts: DutyFacts, machine: MachineFacts, idling: bool, cooling: float) -> Accessories:
    cold = cooling * (AIR_CONDITIONING_IDLE if idling else AIR_CONDITIONING_DRIVING)
    electrical = machine.electrical_load if machine.electrical_load is not None else 0.0
    return Accessories(electrical, STEERING, cold if facts.air_conditioning == "yes" else 0.0)


def solve_duty(
    id: str,
    facts: DutyFacts,
    machine: MachineFacts,
    engine: Engine,
    wanted: float,
    names: Mapping[str, str],
) -> tuple[Case, Vehicle | None]:
    """Solve one duty; MissingFact names what it lacks. ``names``: every duty's id by its name, small letters."""
    where = f"duties.{id}"
    kind = facts.kind
    if kind is None:
        raise MissingFact(f"{where}.kind")
    outside = need(facts.ambient, f"{where}.ambient")
    ambient = likely(outside)
    altitude = need_number(facts.altitude, f"{where}.altitude")
    pressure = float(air.pressure_isa(altitude))
    density = air.density(outside, pressure)
    sea: Value = facts.sea if facts.sea is not None else 0.0
    air_speed: Value = facts.air_speed
    speed = need_number(facts.speed, f"{where}.speed") if facts.speed is not None else 0.0
    idling = kind == "idle" or speed < 6.0
    cooling = min(likely(engine.rated_power) / COOLS_FROM, 1.0)
    accessories = _accessories(facts, machine, idling, cooling)
    pinned = need_number(facts.engine_speed, "") if facts.engine_speed is not None else None
    held: Held | None = None
    vehicle: Vehicle | None = None
    grade: Value = facts.grade if facts.grade is not None else 0.0
    asked: Value = speed
    tow = 1.0 if facts.tow == "yes" else 0.0
    peak_power: Value | None = None
    share: Value = 0.0
    power: Value
    rpm: Value
    rated = engine.rated_speed
    # What the engine makes at most in the air of this duty.
    breathing = settled(engine.breathing(outside, pressure))
    able = settled(as_array(wanted * breathing))
    if kind == "road":
        asked = need(facts.speed, f"{where}.speed")
        vehicle = vehicle_of(machine)
        held = hold(engine, vehicle, able, asked, grade, density, tow, accessories.total, pinned)
        power, rpm = held.power, held.engine_speed
        weak = as_array(held.speed) < asked
        air_speed = settled(np.where(weak, np.minimum(air_speed, held.speed), air_speed))
    elif kind == "idle":
        power = accessories.total
        rpm = pinned if pinned is not None else engine.facts.idle_speed
    elif kind in PROPELLED:
        of_speed = as_array(need(facts.speed_share, f"{where}.speed_share"))
        exponent = as_array(need(facts.boat_exponent, f"{where}.boat_exponent"))
        takes = HELD if kind == "bollard" else 1.0
        share = settled(np.minimum(takes * of_speed**exponent, 1.0))
        power = able * share
        rpm = pinned if pinned is not None else settled(of_speed * rated)
    elif kind == "typed":
        power = need_number(facts.engine_power, f"{where}.engine_power")
        rpm = need_number(facts.engine_speed, f"{where}.engine_speed")
    else:
        share = need(facts.power_share, f"{where}.power_share")
        power = share * able
        rpm = pinned if pinned is not None else rated
        if kind in ("pull", "run"):
            peak_power = able
    if np.any(as_array(rpm) > PAST * as_array(rated)):
        rpm = np.minimum(rpm, PAST * rated)
    box = GEARBOXES[machine.gearbox or "manual"][1]
    case = Case(
        id=id,
        name=facts.name or id,
        kind=kind,
        power_driven=kind in POWER_DRIVEN,
        power=power,
        engine_speed=rpm,
        peak_power=power if peak_power is None else peak_power,
        peak_speed=rpm if peak_power is None else rated,
        air_speed=air_speed,
        ambient=ambient,
        pressure=pressure,
        duration=need_number(facts.duration, "") if facts.duration is not None else np.inf,
        start=facts.start,
        after=followed(facts.after, names),
        condenser_heat=cooling * CONDENSER_HEAT if facts.air_conditioning == "yes" else 0.0,
        gearbox_heat=box * power + _slip_heat(machine, held),
        asked_speed=speed,
        held=held,
        altitude=altitude,
        sea=likely(sea),
        tow=tow,
        grade=likely(grade),
        accessories=accessories,
        share=share,
        breathing=breathing,
        supposed={
            name: value
            for name, value in (("ambient", outside), ("sea", sea), ("grade", grade), ("asked_speed", asked))
            if isinstance(value, np.ndarray)
        },
        wide_open=0.0 if peak_power is None else 1.0,
        **_motion(facts),
    )
    return case, vehicle


def _slip_heat(machine: MachineFacts, held: Held | None) -> Value:
    """What a slipping converter makes of the engine's power [W]; a clutch warms its bell housing, not the coolant."""
    if held is None or not (machine.gearbox or "manual").startswith("automatic"):
        return 0.0
    return held.power * (1.0 - held.through)


def _motion(facts: DutyFacts) -> dict[str, Any]:
    return {
        "braking": _in_g(facts.braking),
        "cornering": _in_g(facts.cornering),
        "pulling": _in_g(facts.pulling),
        "heel": facts.heel,
    }


def ids_by_name(duties: Sequence[tuple[str, DutyFacts]]) -> dict[str, str]:
    """Id of every duty by its id and by its name, in small letters."""
    return {key.lower(): id for id, facts in duties for key in (facts.name or id, id)}


def followed(after: str | None, names: Mapping[str, str]) -> str:
    """Id of the duty that one follows; empty where it follows none."""
    return names.get((after or "").strip().lower(), "")


def refuse(duties: Sequence[tuple[str, DutyFacts]]) -> None:
    """Raise :class:`CoreError` for a duty said to follow one there is none of, or that follows itself in a ring."""
    names = ids_by_name(duties)
    before: dict[str, str] = {}
    for id, facts in duties:
        if facts.after is None or not facts.after.strip():
            continue
        first = followed(facts.after, names)
        if not first:
            known = ", ".join(f.name or i for i, f in duties if i != id)
            raise CoreError(
                "no_duty", f"duties.{id}.after", facts.after, known, "There is no duty of that name to follow."
            )
        before[id] = first
    for id in before:
        seen, at = {id}, before[id]
        while at in before and at not in seen:
            seen.add(at)
            at = before[at]
        if at in seen:
            message = "These duties follow each other in a ring: one of them must have a start of its own."
            raise CoreError("duty_ring", f"duties.{id}.after", at, "a duty that does not lead back here", message)


def refuse_speeds(duties: Sequence[tuple[str, DutyFacts]], rated: float) -> None:
    """Raise :class:`CoreError` for a stated engine speed that the engine, of a rated speed [rev/min], never sees."""
    for id, facts in duties:
        if facts.engine_speed is not None and likely(facts.engine_speed) > PAST * rated:
            raise CoreError(
                "past_rated_speed",
                f"duties.{id}.engine_speed",
                likely(facts.engine_speed),
                f"{PAST * rated:.0f} rpm at most",
                f"Over {PAST:.0f} times the engine's rated speed: no engine is turned so fast.",
            )


def solve(
    duties: Sequence[tuple[str, DutyFacts]], machine: MachineFacts, engine: Engine, wanted: float
) -> tuple[Duties, dict[str, str]]:
    """Solve all duties; those that lack a fact are left out and named with it."""
    cases: list[Case] = []
    missing: dict[str, str] = {}
    vehicle: Vehicle | None = None
    names = ids_by_name(duties)
    for id, facts in duties:
        try:
            case, seen = solve_duty(id, facts, machine, engine, wanted, names)
        except MissingFact as error:
            missing[id] = error.field
            continue
        cases.append(case)
        vehicle = vehicle or seen
    return Duties(tuple(cases), vehicle), missing
