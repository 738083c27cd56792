"""Changes of pan, pickup, oil, cooler and return worth trying."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.oils import OILS
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import OIL_COOLERS, above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.oil import drysump, feeding
from gauge_well.core.systems.oil.checks_flow import COLD_SAID
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.feeding import oil_of
from gauge_well.core.systems.oil.need import HOSES
from gauge_well.core.systems.oil.rules import PRECHARGE, SPENT, THROWN
from gauge_well.core.typing import likely, over_duties

DEEPER, MORE_OIL, NEARER = 0.025, 0.5e-3, 0.04  # m, m3, m
BAFFLE_OVER = 1.15  # of what the duties ask, rounded up to a tenth of g
LEAST_CLEARANCE = 0.006
DRAINS = (10e-3, 12e-3, 16e-3, 19e-3, 22e-3, 25e-3)
PICKUPS = (10e-3, 12e-3, 16e-3, 20e-3, 25e-3, 32e-3, 40e-3)
SLOPE = np.radians(20.0)
TRAP, ACCUMULATOR = 1.0e-3, 2.8e-3  # m3, m3 as sold (common practice)
STAGES, RESERVE, OIL_TO_TANK, TALLER = 3.0, 1.2, 1.4, 1.3
TANK_SHAPE = 0.75  # across over the root of its volume: some two across high
ADDED, ADDED_FALLS = 0.012, np.radians(45.0)


def candidates(context: Context, facts: OilFacts) -> list[Candidate]:
    """Baffle, pan, pickup, oil, cooler, return: each a step from what is there."""
    wet = [] if drysump.is_dry(facts) else [*_cover(context, facts), *_pan(context, facts), *_mouth(facts)]
    return [*wet, *_dry(facts), *_oil(context, facts), *_cooler(facts), *_pipes(facts), *_air(facts)]


def _cover(context: Context, facts: OilFacts) -> Iterator[Candidate]:
    if facts.pan.shape is None:
        return
    cases = context.duties.cases
    asked = max(likely(g) for c in cases for g in (c.braking, c.cornering, c.pulling))
    good = float(np.ceil(10.0 * BAFFLE_OVER * asked) / 10.0)
    have = (
        likely(facts.pan.baffle_g) / GRAVITY if facts.pan.baffle == "given" and facts.pan.baffle_g is not None else 0.0
    )
    if good <= have + 0.05:
        return  # what is fitted is good for all that is asked
    yield Candidate(
        "baffle",
        "pan",
        Sentence("Trap-door baffle good for {g}", {"g": (good * GRAVITY, "acceleration")}),
        {"oil.pan.baffle": "given", "oil.pan.baffle_g": good * GRAVITY},
    )
    yield from _held(facts)
    yield dry_sump(context, facts)


def _held(facts: OilFacts) -> Iterator[Candidate]:
    """A trap door round the pickup, or an accumulator, that ride out what uncovers it."""
    if facts.pan.baffle in ("unknown", "none") and facts.pan.baffle_g is None:
        yield Candidate(
            "trap",
            "pan",
            Sentence("Trap door that holds {v} round the pickup", {"v": (TRAP, "volume")}),
            {"oil.pan.baffle": "trap", "oil.pan.held": TRAP, "oil.thrown": THROWN},
        )
    if facts.accumulator.volume is None:
        yield accumulator()


def accumulator() -> Candidate:
    """An accumulator of a size that is sold, charged as is usual."""
    return Candidate(
        "accumulator",
        "pan",
        Sentence("Oil accumulator of {v}", {"v": (ACCUMULATOR, "volume")}),
        {
            "oil.accumulator.volume": ACCUMULATOR,
            "oil.accumulator.precharge": PRECHARGE,
            "oil.accumulator.spent": SPENT,
            "oil.thrown": THROWN,
        },
    )


def dry_sump(context: Context, facts: OilFacts) -> Candidate:
    """A dry sump of usual size for the engine: scavenge stages and an upright tank."""
    rated = context.engine.rated_speed
    flow = likely(over_duties(feeding.hot_flow(context, facts)))
    size = max(float(drysump.gross(np.asarray(flow), drysump.FILLED)), OIL_TO_TANK * likely(facts.oil_quantity))
    across = TANK_SHAPE * size ** (1.0 / 3.0)
    moved = drysump.SCAVENGE * RESERVE * likely(feeding.pump_flow(facts, rated))
    return Candidate(
        "dry_sump",
        "pan",
        Sentence("Dry sump: {n} scavenge stages, a tank of {v}", {"n": (STAGES, "count"), "v": (size, "volume")}),
        {
            "oil.sump": "dry",
            "oil.scavenge.stages": STAGES,
            "oil.scavenge.displacement": moved * 60.0 / (STAGES * 0.5 * likely(rated)),
            "oil.scavenge.ratio": 0.5,
            "oil.tank.shape": "upright",
            "oil.tank.across": across,
            "oil.tank.height": size / (0.25 * np.pi * across**2),
            "oil.tank.filled": drysump.FILLED,
        },
    )


def _dry(facts: OilFacts) -> Iterator[Candidate]:
    """Of a dry sump a stage more, a taller tank."""
    own, tank = facts.scavenge, facts.tank
    if not drysump.is_dry(facts):
        return
    if own.stages is not None:
        n = likely(own.stages)
        words = Sentence("Scavenge stages {a} → {b}", {"a": (n, "count"), "b": (n + 1.0, "count")})
        yield Candidate("stage", "scavenge", words, {"oil.scavenge.stages": n + 1.0})
    if tank.height is not None and tank.shape is not None:
        high = likely(tank.height)
        words = Sentence("Tank {a} → {b} high", {"a": (high, "size"), "b": (TALLER * high, "size")})
        yield Candidate(
            "tank",
            "tank",
            words,
            {"oil.tank.height": TALLER * high, "oil.oil_quantity": TALLER * likely(facts.oil_quantity)},
        )


def _mouth(facts: OilFacts) -> Iterator[Candidate]:
    """The pickup set parallel to the floor; a spacer, or a shorter pickup, where its mouth comes too near the floor."""
    said = (facts.pickup.mouth_pitch, facts.pickup.mouth_roll, facts.pan.floor_roll)
    lean = 0.0 if facts.pan.floor_roll is None else likely(facts.pan.floor_roll)
    if any(v is not None and abs(likely(v)) > np.radians(1.0) for v in said):
        words = Sentence("Pickup's mouth set parallel to the floor")
        yield Candidate("mouth", "pan", words, {"oil.pickup.mouth_pitch": 0.0, "oil.pickup.mouth_roll": lean})
    if facts.pickup.drop is None or facts.pan.depth is None:
        return
    gasket, drop = (0.0 if v is None else likely(v) for v in (facts.gasket, facts.pickup.drop))
    short = LEAST_CLEARANCE - (likely(facts.pan.depth) + gasket - drop)
    if short > 1e-4:
        yield Candidate(
            "spacer",
            "pan",
            Sentence("Spacer of {s} under the pan", {"s": (gasket + short, "size")}),
            {"oil.gasket": gasket + short},
        )
        yield Candidate(
            "pickup_shorter",
            "pan",
            Sentence("Pickup's mouth {a} → {b} below the block", {"a": (drop, "size"), "b": (drop - short, "size")}),
            {"oil.pickup.drop": drop - short},
        )


def _air(facts: OilFacts) -> Iterator[Candidate]:
    """The breather's next hose; an added return for each head."""
    if facts.breather.bore is not None:
        now = likely(facts.breather.bore)
        for size in above(HOSES, now, 1):
            words = Sentence("Breather {a} → {b}", {"a": (now, "size"), "b": (size, "size")})
            yield Candidate("breather", "breather", words, {"oil.breather.bore": size})
    if facts.head_drain.bore is not None and facts.added_drain.bore is None:
        words = Sentence(
            "A return of {b} added to each head, falling at {s}", {"b": (ADDED, "size"), "s": (ADDED_FALLS, "angle")}
        )
        yield Candidate(
            "added_return", "drain", words, {"oil.added_drain.bore": ADDED, "oil.added_drain.slope": float(ADDED_FALLS)}
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


def _oil(context: Context, facts: OilFacts) -> Iterator[Candidate]:
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
    thinner = sorted(
        (o for o in OILS.values() if likely(o.at_100) < 0.95 * likely(oil_of(facts).at_100)),
        key=lambda o: -likely(o.at_100),
    )
    if thinner and min(c.ambient for c in context.duties.cases) <= COLD_SAID:
        yield Candidate("thinner", "suction", Sentence(f"{thinner[0].label} oil"), {"oil.grade": thinner[0].id})


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
