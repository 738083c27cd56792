"""Changes of pan, pickup, oil, cooler and return worth trying."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.oils import OILS
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import OIL_COOLERS, above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.feeding import oil_of
from gauge_well.core.typing import likely

DEEPER, MORE_OIL, NEARER = 0.025, 0.5e-3, 0.04  # m, m3, m
BAFFLE_OVER = 1.15  # of what the duties ask, rounded up to a tenth of g
LEAST_CLEARANCE = 0.006
DRAINS = (10e-3, 12e-3, 16e-3, 19e-3, 22e-3, 25e-3)
PICKUPS = (10e-3, 12e-3, 16e-3, 20e-3, 25e-3, 32e-3, 40e-3)
SLOPE = np.radians(20.0)


def candidates(context: Context, facts: OilFacts) -> list[Candidate]:
    """Baffle, pan, pickup, oil, cooler, return: each a step from what is there."""
    return [*_cover(context, facts), *_pan(context, facts), *_oil(facts), *_cooler(facts), *_pipes(facts)]


def _cover(context: Context, facts: OilFacts) -> Iterator[Candidate]:
    if facts.pan.shape is None:
        return
    cases = context.duties.cases
    asked = max(likely(g) for c in cases for g in (c.braking, c.cornering, c.pulling))
    good = float(np.ceil(10.0 * BAFFLE_OVER * asked) / 10.0)
    have = (
        likely(facts.pan.baffle_g) / GRAVITY if facts.pan.baffle == "given" and facts.pan.baffle_g is not None else 0.0
    )
    if good > have + 0.05:
        yield Candidate(
            "baffle",
            "pan",
            Sentence("Trap-door baffle good for {g}", {"g": (good * GRAVITY, "acceleration")}),
            {"oil.pan.baffle": "given", "oil.pan.baffle_g": good * GRAVITY},
        )


def _pan(context: Context, facts: OilFacts) -> Iterator[Candidate]:
    ground = context.installation.pan_ground
    if facts.pan.depth is not None and facts.pan.shape in ("box", "rear_well", "front_well"):
        depth = likely(facts.pan.depth)
        long = facts.pan.length if facts.pan.shape == "box" else facts.pan.well_length
        changes: dict[str, float | str | None] = {"oil.pan.depth": depth + DEEPER}
        if long is not None and facts.pan.width is not None:
            added = DEEPER * likely(long) * likely(facts.pan.width)
            changes["oil.oil_quantity"] = likely(facts.oil_quantity) + added
        if ground is not None:
            changes["installation.pan_ground"] = likely(ground) - DEEPER
        yield Candidate(
            "deeper",
            "pan",
            Sentence(
                "Deep part {a} → {b}, filled to the same mark", {"a": (depth, "size"), "b": (depth + DEEPER, "size")}
            ),
            changes,
        )
    if facts.pickup.x is None or facts.pan.shape is None:
        return
    now = likely(facts.pickup.x)
    low, high = _deep_part(facts)
    for id, to in (("pickup_back", max(now - NEARER, low)), ("pickup_forward", min(now + NEARER, high))):
        if abs(to - now) > 0.005 and low <= to <= high:
            yield Candidate(
                id,
                "pan",
                Sentence("Pickup {a} → {b} from the flywheel end", {"a": (now, "size"), "b": (to, "size")}),
                {"oil.pickup.x": to},
            )
    if likely(facts.pickup.clearance) > LEAST_CLEARANCE + 1e-3:
        gap = likely(facts.pickup.clearance)
        yield Candidate(
            "pickup_lower",
            "pan",
            Sentence("Pickup {a} → {b} over the floor", {"a": (gap, "size"), "b": (LEAST_CLEARANCE, "size")}),
            {"oil.pickup.clearance": LEAST_CLEARANCE},
        )


def _deep_part(facts: OilFacts) -> tuple[float, float]:
    """Where along the pan its pickup may stand [m], clear of the walls."""
    length = likely(facts.pan.length) if facts.pan.length is not None else 2.0
    low, high = 0.0, length
    if facts.pan.well_length is not None and facts.pan.shape in ("rear_well", "front_well"):
        well = likely(facts.pan.well_length)
        low, high = (0.0, well) if facts.pan.shape == "rear_well" else (length - well, length)
    return low + 0.02, high - 0.02


def _oil(facts: OilFacts) -> Iterator[Candidate]:
    if facts.pan.shape is not None:
        now = likely(facts.oil_quantity)
        yield Candidate(
            "more_oil",
            "pan",
            Sentence("Oil {a} → {b}", {"a": (now, "volume"), "b": (now + MORE_OIL, "volume")}),
            {"oil.oil_quantity": now + MORE_OIL},
        )
    thicker = sorted(
        (o for o in OILS.values() if likely(o.at_100) > 1.05 * likely(oil_of(facts).at_100)),
        key=lambda o: likely(o.at_100),
    )
    if thicker and facts.hot_pressure is not None:
        yield Candidate("grade", "pressure", Sentence(f"{thicker[0].label} oil"), {"oil.grade": thicker[0].id})


def _cooler(facts: OilFacts) -> Iterator[Candidate]:
    if facts.cooler.into in (None, "none"):
        for size in OIL_COOLERS[1:6:2]:
            for kind, where in (("air", "in the air"), ("water", "in the coolant")):
                yield Candidate(
                    f"cooler_{kind}_{size:.0f}",
                    "cooler",
                    Sentence("Oil cooler of {ua} " + where, {"ua": (size, "conductance")}),
                    {"oil.cooler.into": kind, "oil.cooler.conductance": size},
                )
    elif facts.cooler.conductance is not None:
        now = likely(facts.cooler.conductance)
        for size in above(OIL_COOLERS, now, 1):
            words = Sentence("Oil cooler {a} → {b}", {"a": (now, "conductance"), "b": (size, "conductance")})
            yield Candidate("cooler", "cooler", words, {"oil.cooler.conductance": size})


def _pipes(facts: OilFacts) -> Iterator[Candidate]:
    if facts.drain.bore is not None:
        now = likely(facts.drain.bore)
        for size in above(DRAINS, now, 1):
            words = Sentence("Turbo's return {a} → {b}", {"a": (now, "size"), "b": (size, "size")})
            yield Candidate("drain_bore", "drain", words, {"oil.drain.bore": size})
    if facts.drain.slope is not None and likely(facts.drain.slope) < SLOPE:
        words = Sentence("Turbo's return falling at {b}", {"b": (SLOPE, "angle")})
        yield Candidate("drain_slope", "drain", words, {"oil.drain.slope": float(SLOPE)})
    now = likely(facts.pickup.bore)
    for size in above(PICKUPS, now, 1):
        words = Sentence("Pickup pipe {a} → {b}", {"a": (now, "size"), "b": (size, "size")})
        yield Candidate("pickup_bore", "suction", words, {"oil.pickup.bore": size})
