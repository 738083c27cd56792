"""What the wanted power asks of filter, pipes, throttle and openings, fitted or not."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.media import air
from gauge_well.core.parts.air_filter import MEDIA
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import DUCTS, THROTTLES, at_least
from gauge_well.core.systems.air import intake, warmth
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.typing import Array, duty_value, duty_values, likely

FILTER_NEW = 500.0  # Pa a new filter may take (common practice)
SPEED = 25.0  # m/s in snorkel and intake pipe (common practice)
THROTTLE_COST = 0.015  # of the power that an open throttle may take (common practice)


def needs(context: Context, facts: AirFacts) -> list[Need]:
    """Media area, bores, throttle; a boat's or a closed room's opening."""
    op = context.peak
    worst = int(np.argmax(duty_values(op.air_mass_flow, len(context.duties.cases))))
    flow = _of(op.air_mass_flow, worst)
    case = context.duties.cases[worst]
    t, p = likely(case.ambient), likely(case.pressure)
    rho = air.density(t, p)
    medium = facts.filter.medium if facts.filter.medium not in (None, "none") else "paper"
    area = np.asarray(air.viscosity(t) * MEDIA[medium or "paper"][1] * flow / rho / FILTER_NEW)
    said = Sentence(
        f"{{area}} of {MEDIA[medium or 'paper'][0]}, laid out flat, takes {{new}} new at {{flow}} of air; three times that at service.",
        {
            "area": (likely(area), "area"),
            "new": (FILTER_NEW, "pressure_small"),
            "flow": (likely(flow / rho), "air_flow"),
        },
    )
    found = [Need("intake", "filter_area", area, "area", said)]
    bore = np.asarray(np.sqrt(4.0 * flow / rho / SPEED / np.pi))
    found.append(_bore("intake", "intake_bore", "Snorkel and intake pipe", bore, "{v} of air in it", SPEED))
    if context.engine.fuel.spark:
        found.append(_throttle(context, flow, worst))
    if context.engine.facts.aspiration != "natural":
        charge = intake.charge(context, facts, op)
        assert charge is not None
        through = _of(air.density(charge.hot, charge.pressure), worst)
        wide = np.asarray(np.sqrt(4.0 * flow / through / intake.CHARGE_SPEED / np.pi))
        found.append(_bore("charge", "charge_bore", "Charge pipes", wide, "{v} in the hot one", intake.CHARGE_SPEED))
    if context.machine.kind in ("boat", "generator"):
        found += _opening(context)
    return found


def _of(value: Array, duty: int) -> Array:
    """One duty's samples of an array that ends in (duty, sample); the first power step where there are more."""
    own = value[..., duty if value.shape[-2] > 1 else 0, :] if value.ndim > 1 else value
    return np.asarray(own.reshape(-1, own.shape[-1])[0] if own.ndim > 1 else own)


def _bore(part: str, quantity: str, name: str, bore: Array, words: str, speed: float) -> Need:
    sold = at_least(DUCTS, likely(bore))
    values = {"b": (likely(bore), "size"), "v": (speed, "speed_m_s"), "s": (sold or likely(bore), "size")}
    return Need(part, quantity, bore, "size", Sentence(f"{name}: {{b}} inside gives {words}; {{s}} is sold.", values))


def _throttle(context: Context, flow: Array, duty: int) -> Need:
    """Bore at which an open throttle costs 1.5 % of the power, in the air that it meets."""
    warm, pressure = (duty_value(v, duty) for v in intake.at_throttle(context, context.peak))
    rho = air.density(warm, pressure)
    rate = intake.PRESSURE_COST[context.engine.facts.aspiration == "natural"]
    head = THROTTLE_COST / rate * pressure / intake.THROTTLE_LOSS
    bore = np.asarray(np.sqrt(4.0 * flow / (rho * np.sqrt(2.0 * head / rho)) / np.pi))
    sold = at_least(THROTTLES, likely(bore))
    words = "One throttle of {b} costs 1.5 % of the power wide open; {s} is made. Larger is jumpier at part load."
    values = {"b": (likely(bore), "size"), "s": (sold or likely(bore), "size")}
    return Need("throttle", "throttle_bore", bore, "size", Sentence(words, values))


def _opening(context: Context) -> Sequence[Need]:
    asked = warmth.room(context, context.peak)
    worst = np.max(asked.wanted, axis=-2).reshape(-1)
    burning = float(np.max(asked.burning[..., 0]))
    words = "A closed engine space: {wanted} open to outside keep it 15 K over the air there; {burning} of it the engine breathes."
    values = {"wanted": (likely(worst), "area"), "burning": (burning, "area")}
    return [Need("room", "room_opening", worst, "area", Sentence(words, values))]
