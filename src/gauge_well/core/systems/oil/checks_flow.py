"""Oil on its way: temperature, suction, pressure, what comes back, what blows by."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_fill, gate, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import breathing, feeding, returns
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.feeding import Leak
from gauge_well.core.systems.oil.warmth import Ways
from gauge_well.core.typing import Array, as_array, duty_values, likely

FAST_IDLE = 1.3  # of idle, cold (common practice)
COLD_SAID = 278.15  # K: colder, thick oil is judged


def drain_checks(facts: OilFacts, hot: Array) -> list[Check]:
    """A turbo's return: its fall against 15 degrees, and what it lets down in the coolest duty."""
    flows = returns.turbo_drain(facts, np.min(hot, axis=-2))
    if flows is None or facts.drain.slope is None or facts.turbo_oil_flow is None:
        return []
    slope, has, asks = (as_array(np.squeeze(v)) for v in (facts.drain.slope, flows, facts.turbo_oil_flow))
    falls = {"has": (likely(slope), "angle"), "asks": (returns.DRAIN_SLOPE, "angle")}
    comes = {"has": (likely(has), "flow"), "asks": (likely(asks), "flow")}
    return [
        Check(
            id="turbo_drain_slope",
            name="Turbo's oil return falls",
            part="drain",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="angle",
            demand=returns.DRAIN_SLOPE,
            capacity=slope,
            fill=gap_fill(slope, returns.DRAIN_SLOPE),
            sentences=lambda: (Sentence("Falls at {has}; {asks} at least.", falls),),
        ),
        Check(
            id="turbo_drain_flow",
            name="Turbo's oil return lets down",
            part="drain",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="flow",
            demand=asks,
            capacity=has,
            fill=ratio_fill(asks, has),
            code="" if likely(has) > 0.0 else "level",
            sentences=lambda: (Sentence("Lets down {has} half full and foaming; {asks} comes.", comes),),
        ),
    ]


def temperature_check(context: Context, facts: OilFacts, ways: Ways, hot: Array) -> Check:
    """Oil over the air against its limit over the air."""
    limit = as_array(facts.oil_limit)
    count = len(context.duties.cases)
    demand, capacity = np.maximum(hot - ways.ambient, 0.0), limit - ways.ambient
    return Check(
        id="oil_temperature",
        name="Oil temperature",
        part="cooler",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="temperature_difference",
        demand=demand,
        capacity=capacity,
        fill=ratio_fill(demand, capacity),
        sentences=lambda: tuple(
            Sentence(
                "Reaches {t}; {limit} is allowed.", {"t": (t, "temperature"), "limit": (likely(limit), "temperature")}
            )
            for t in duty_values(hot, count)
        ),
    )


def suction_check(context: Context, facts: OilFacts, leak: Leak, hot: Array, speed: Array) -> Check:
    """Lost on the way to the pump against what leaves 55 kPa absolute at its inlet."""
    lost = feeding.suction_drop(facts, feeding.drawn_flow(facts, leak, speed, hot), hot)
    allowed = context.duties.column("pressure") - feeding.SUCTION_LEAST
    count = len(context.duties.cases)
    return Check(
        id="oil_suction",
        name="Oil suction",
        part="suction",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="pressure_difference",
        demand=lost,
        capacity=allowed,
        fill=ratio_fill(lost, allowed),
        code="" if np.all(allowed > 0.0) else "cannot_suck",
        sentences=lambda: tuple(
            Sentence(
                "{lost} lost to the pump with hot oil; {allowed} is allowed.",
                {"lost": (loss, "pressure_difference"), "allowed": (most, "pressure_difference")},
            )
            for loss, most in zip(duty_values(lost, count), duty_values(allowed, count), strict=True)
        ),
    )


def cold_check(context: Context, facts: OilFacts, leak: Leak) -> list[Check]:
    """Cold oil as the coldest duty finds it: the engine speed its pickup passes, against a fast idle; none over 5 degC.

    A cost, not a limit: the engine is kept under that speed until warm.
    """
    coldest = min(context.duties.cases, key=lambda c: c.ambient)
    if coldest.ambient > COLD_SAID:
        return []
    idle = as_array(context.engine.facts.idle_speed)
    rated = as_array(context.engine.rated_speed)
    up_to = feeding.suction_speed(facts, leak, coldest.ambient, coldest.pressure, rated)
    values: dict[str, tuple[float, str] | str] = {
        "t": (coldest.ambient, "temperature"),
        "oil": feeding.oil_of(facts).label,
        "rpm": (likely(up_to), "speed_rpm"),
        "idle": (likely(idle), "speed_rpm"),
    }
    words = "At {t} the pickup passes enough {oil} at every speed."
    if likely(up_to) < 0.98 * likely(rated):
        words = "At {t} the pickup passes {oil} for {rpm} and no more: keep under it until warm."
    if likely(up_to) < likely(idle):
        words = "At {t} {oil} comes through the pickup for {rpm} only, under the idle of {idle}: a thinner oil."
    return [
        Check(
            id="cold_suction",
            name="Cold oil to the pump",
            part="suction",
            check_class=CheckClass.COST,
            scales=Scales.GATE,
            kind="speed_rpm",
            demand=FAST_IDLE * idle,
            capacity=up_to,
            fill=ratio_fill(FAST_IDLE * idle, up_to),
            sentences=lambda: (Sentence(words, values),),
        )
    ]


def pressure_check(context: Context, facts: OilFacts, leak: Leak, hot: Array, speed: Array) -> Check | None:
    """Pressure hot against the school's least; None without a reading."""
    found = feeding.gauge_pressure(facts, leak, speed, hot)
    if found is None:
        return None
    wanted = feeding.least_pressure(facts, speed, context.engine.rated_speed)
    count = len(context.duties.cases)
    return Check(
        id="oil_pressure",
        name="Oil pressure",
        part="pressure",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="pressure_gauge",
        demand=wanted,
        capacity=found,
        fill=gap_fill(found, wanted),
        sentences=lambda: tuple(
            Sentence(
                "{has} at {rpm}; {asks} is wanted.",
                {"has": (has, "pressure_gauge"), "asks": (asks, "pressure_gauge"), "rpm": (rpm, "speed_rpm")},
            )
            for has, asks, rpm in zip(*(duty_values(as_array(v), count) for v in (found, wanted, speed)), strict=True)
        ),
    )


def head_check(facts: OilFacts, hot: Array) -> list[Check]:
    """What the returns of a head let down in the coolest duty against what it is fed, with a third over."""
    drained = returns.head_drain(facts, np.min(hot, axis=-2))
    if drained is None:
        return []
    asks, has = returns.FEED_RESERVE * returns.head_feed(facts), np.squeeze(drained)
    warm = returns.drains_from(facts)
    words = (
        "Each head's returns let down {capacity}; {demand} is wanted of them. Full from {warm}: kept slow until then."
    )
    return [
        gate(
            "head_drain",
            "Head's oil returns",
            "drain",
            asks,
            has,
            "flow",
            words,
            lambda: {"warm": (warm if warm is not None else returns.WARMEST, "temperature")},
        )
    ]


def breather_checks(context: Context, facts: OilFacts, peak: Operation) -> list[Check]:
    """Crankcase over the air outside at full load, the engine worn, against a kilopascal."""
    found = breathing.crankcase(facts, breathing.blow_by(facts, peak, worn=True))
    if found is None:
        return []
    count = len(context.duties.cases)
    said = "Crankcase {p} over the air with worn rings; {most} is kept to."
    if facts.blow_by is not None:
        said = "Crankcase {p} over the air at the blow-by measured; {most} is kept to."
    most = breathing.CRANKCASE_MOST
    return [
        Check(
            id="breather",
            name="Breather",
            part="breather",
            check_class=CheckClass.LIMIT,
            scales=None if facts.blow_by is None else Scales.GATE,
            kind="pressure_small",
            demand=found if facts.blow_by is None else np.max(found),
            capacity=most,
            fill=ratio_fill(found, most),
            sentences=lambda: tuple(
                Sentence(said, {"p": (p, "pressure_small"), "most": (most, "pressure_small")})
                for p in duty_values(found, count if facts.blow_by is None else 1)
            ),
        )
    ]
