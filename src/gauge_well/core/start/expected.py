"""What each gauge should read at a first start, with its band, and where the engine is stopped."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.evidence import RULE
from gauge_well.core.sentence import Sentence
from gauge_well.core.start import setting, warming
from gauge_well.core.start.faults import charge
from gauge_well.core.start.faults.oil import crank_speed, oils, pressure
from gauge_well.core.start.setting import Setting, Stood
from gauge_well.core.systems.boat import raw
from gauge_well.core.systems.cooling import bench_run, gauge
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.electrics import charging, cranking
from gauge_well.core.systems.fuel.circuit import circuit_of, demand
from gauge_well.core.systems.fuel.network import network_of
from gauge_well.core.systems.oil import feeding
from gauge_well.core.typing import Array, likely

LOW, HIGH = 5.0, 95.0  # percentiles of a band
OIL_SEEN = 5.0  # s by which a primed engine shows pressure (common practice)
VOLTS_LEAST, VOLTS_AFTER = 12.8, 120.0  # V of a 12 V system, s after the start (common practice)
PORTS_APART, PORTS_AFTER = 40.0, 60.0  # K between ports, s after the start (common practice)
WATER_AFTER = 15.0  # s by which a boat's outlet runs (common practice)
HOSE_OIL = 15.0  # K by which oil is warmer than water that is fed from a hose, idling (common practice)
HOSE_LOW, HOSE_HIGH = 313.7, 316.5  # K at the outlet of an engine fed from a hose: 105 to 110 degF (common practice)
# Of its swept volume that an idling engine takes in, at its manifold's density, either way: what is left of the burned gas
# spreads into so deep a manifold (common practice).
BREATHES, BREATHES_HALF = 0.65, 0.1
DEPTH_LEAST = 20e3  # Pa under which a throttled engine does not idle
MANIFOLD_AIR, GAS = 310.0, 287.05  # K, J/kgK
CRANK_POSTS = 9.6  # V at the posts of a sound battery, cranking (common practice)
CURVE = 61  # points of a curve
# Half-ranges of the gauges in a machine, as so much [SI] and as a share (common practice); of 95 %, NINETY of it is of 90.
READS: Mapping[str, tuple[float, float]] = {
    "pressure_gauge": (8e3, 0.03),
    "pressure_difference": (2e3, 0.03),
    "temperature": (3.0, 0.0),
    "voltage": (0.1, 0.0),
    "flow": (0.0, 0.08),
}
NINETY = 1.645 / 1.96


@dataclass(frozen=True)
class Point:
    """A point of a curve: time since the start [s] or oil temperature [K], the likely value and its band."""

    at: float
    value: float
    low: float
    high: float

    def read(self, error: float, share: float) -> Point:
        """The same as a gauge of a half-range reads it: both doubts by root of squares."""
        half = (error + share * abs(self.value)) * NINETY
        low, high = (np.hypot(self.value - self.low, half), np.hypot(self.high - self.value, half))
        return replace(self, low=self.value - float(low), high=self.value + float(high))


@dataclass(frozen=True)
class Band:
    """The likely value and the 5th and 95th percentile; None where one is without end."""

    likely: float | None
    low: float | None
    high: float | None


@dataclass(frozen=True, kw_only=True)
class Expected:
    """One reading: what is likely and its band [SI], and where the engine is stopped.

    ``least``/``most``: stopped under or over that, from ``after`` seconds on. ``steps``: where it is taken.
    ``curve`` over time since the start; ``by_oil`` over the oil's temperature. ``missing``: facts without which it is
    not foretold, the stop standing alone. ``rests``: what nobody stated and it rests on, as a field.
    """

    id: str
    label: str
    kind: str
    steps: tuple[str, ...]
    how: Sentence
    likely: float | None = None
    low: float | None = None
    high: float | None = None
    least: float | None = None
    most: float | None = None
    after: float = 0.0
    curve: tuple[Point, ...] = ()
    by_oil: tuple[Point, ...] = ()
    missing: tuple[str, ...] = ()
    rests: tuple[str, ...] = ()

    def within(self, band: Band) -> Expected:
        """The same with its likely value and band, its gauge's own error with it."""
        if band.likely is None or band.low is None or band.high is None:
            return replace(self, likely=band.likely, low=band.low, high=band.high)
        own = Point(0.0, band.likely, band.low, band.high).read(*READS.get(self.kind, (0.0, 0.0)))
        return replace(self, likely=own.value, low=own.low, high=own.high)


def _band(values: Array) -> Band:
    """The likely value, which stands first, and the band of the draws."""
    own, low, high = _ends(values)
    return Band(own, low, high)


def _ends(values: Array) -> tuple[float, float, float]:
    low, high = np.percentile(values[1:], [LOW, HIGH]) if values.size > 1 else (values[0], values[0])
    own = float(values[0])
    return own, min(float(low), own), max(float(high), own)


# What each reading is, by its name.
KIND: Mapping[str, str] = {
    "crank_volts": "voltage",
    "oil_crank": "pressure_gauge",
    "oil_cold": "pressure_gauge",
    "oil_warm": "pressure_gauge",
    "rail": "pressure_gauge",
    "vacuum": "pressure_difference",
    "coolant": "temperature",
    "opens": "time",
    "fan_on": "temperature",
    "volts": "voltage",
    "outlet": "temperature",
    "ports": "temperature_difference",
    "water": "flow",
}

# Facts that decide each reading, in the order in which they do.
DECIDES: Mapping[str, tuple[str, ...]] = {
    "crank_volts": ("electrics.battery.amps", "electrics.starter.power"),
    "oil_crank": ("oil.grade", "oil.pump.relief", "oil.crank_speed"),
    "oil_cold": ("oil.pump.relief", "oil.grade"),
    "oil_warm": ("engine.idle_speed", "oil.grade", "engine.thermostat"),
    "rail": ("fuel.regulator.pressure", "fuel.regulator.reference"),
    "coolant": ("engine.thermostat", "cooling.coolant_volume", "engine.dry_mass", "cooling.fan_on"),
    "opens": ("engine.thermostat", "cooling.coolant_volume", "engine.dry_mass"),
    "fan_on": ("cooling.fan_on",),
    "volts": ("electrics.alternator.low", "electrics.alternator.ratio"),
    "vacuum": ("engine.idle_speed", "engine.bsfc"),
    "water": ("boat.raw_pump.ratio", "boat.raw_pump.worn"),
}


def unstated(case: BuildCase, paths: Sequence[str]) -> tuple[str, ...]:
    """Of some facts, those nobody stated."""
    known = ((path, case.known.get(path)) for path in paths)
    return tuple(path for path, k in known if k is not None and k.evidence == RULE)


def _points(at: Array, values: Array, kind: str) -> tuple[Point, ...]:
    """Points of a curve from its draws (point, sample), as such a gauge reads them."""
    found = (Point(float(t), *_ends(row)) for t, row in zip(at, values, strict=True))
    return tuple(p.read(*READS.get(kind, (0.0, 0.0))) for p in found)


def _or_missing(made: Expected, work: Callable[[], Expected]) -> Expected:
    """What is foretold, or the reading with its stop alone, naming what it lacks."""
    try:
        return work()
    except MissingFact as error:
        return replace(made, missing=(error.field,))


def expected(case: BuildCase, where: Setting) -> Sequence[Expected]:
    """Every reading of a first start in this place and air; MissingFact where the engine is not known enough."""
    idle = setting.stand(setting.idle_case(case, where.air))
    fast = setting.stand(setting.idle_case(case, where.air, setting.FAST))
    found = [*_cranking(idle, where), *_oil(case, idle, where)]
    if where.place == "machine":
        found += [*_rail(idle), *_coolant(fast), *_volts(idle)]
    if where.place == "hose":
        found.append(_hose(fast))
    if case.engine.fuel != "diesel" and case.systems["controls"].plate != "no":
        found.append(_vacuum(idle))
    if case.machine.kind == "boat" and case.machine.exhaust == "wet" and where.place == "machine":
        found += _water(idle)
    if where.place != "dry":
        found.append(_ports())
    return [replace(e, rests=(*e.rests, *unstated(case, DECIDES.get(e.id, ())))) for e in found]


def _cranking(stood: Stood, where: Setting) -> list[Expected]:
    facts = stood.drawn.case.systems["electrics"]
    by = charging.nominal(facts) / 12.0
    made = Expected(
        id="crank_volts",
        label="Battery's posts, cranking",
        kind=KIND["crank_volts"],
        steps=("prime",),
        how=Sentence("A meter on the posts."),
        least=CRANK_POSTS * by - 1.0 * by,
        after=2.0,
    )

    def work() -> Expected:
        if facts.battery.amps is None or facts.lead.length is None or facts.lead.area is None:
            lacks = "battery.amps" if facts.battery.amps is None else "lead.length"
            raise MissingFact(f"electrics.{lacks}")
        found = cranking.cold(stood.context, facts, where.air)
        assert found is not None
        return made.within(_band(stood.wide(found.turned.at_battery)))

    return [_or_missing(made, work)]


HOSE_DOWN = "Let it down to its idle towards the end."


def least_idle(stood: Stood) -> float:
    """Least oil pressure idling by the school chosen [Pa gauge]."""
    facts = stood.drawn.case.systems["oil"]
    rated, idle = (likely(v) for v in (stood.context.engine.rated_speed, stood.context.engine.facts.idle_speed))
    try:
        return likely(feeding.least_pressure(facts, idle, rated))
    except MissingFact:
        return feeding.PSI_PER_SPEED * idle


def _oil(case: BuildCase, stood: Stood, where: Setting) -> list[Expected]:
    cold, hot = oils(stood, where.air)
    if where.place == "hose":
        # Water that leaves bath-warm keeps the oil little warmer.
        hot = hot - stood.wide(stood.context.engine.facts.thermostat) + 0.5 * (HOSE_LOW + HOSE_HIGH) + HOSE_OIL
    idle = stood.wide(stood.context.engine.facts.idle_speed)
    least = least_idle(stood)
    crank = crank_speed(case)
    say = Sentence("Cranked at {n}, oil at {t}.", {"n": (crank, "speed_rpm"), "t": (where.air, "temperature")})
    first = Expected(id="oil_crank", label="Oil pressure, cranking", kind=KIND["oil_crank"], steps=("prime",), how=say)
    second = Expected(
        id="oil_cold",
        label="Oil pressure, idling cold",
        kind=KIND["oil_cold"],
        steps=("first", "dry"),
        how=Sentence("In the first five seconds; then it stays up."),
        least=least,
        after=OIL_SEEN,
    )
    third = Expected(
        id="oil_warm",
        label="Oil pressure, idling warm",
        kind=KIND["oil_warm"],
        steps=("long",),
        how=Sentence(HOSE_DOWN if where.place == "hose" else "Let it down to its idle once the thermostat has opened."),
        least=least,
        after=OIL_SEEN,
    )

    def by_oil() -> tuple[Point, ...]:
        at = np.array([273.15, 293.15, 313.15, 333.15, 353.15, 373.15])
        return _points(at, np.stack([pressure(stood, idle, np.full(stood.samples, t)) for t in at]), KIND["oil_warm"])

    found = [
        _or_missing(first, lambda: first.within(_band(pressure(stood, crank, cold)))),
        _or_missing(second, lambda: second.within(_band(pressure(stood, idle, cold)))),
        _or_missing(third, lambda: replace(third.within(_band(pressure(stood, idle, hot))), by_oil=by_oil())),
    ]
    return found if where.place == "machine" else [e for e in found if e.id != "oil_warm" or where.place == "hose"]


def _rail(stood: Stood) -> list[Expected]:
    facts = stood.drawn.case.systems["fuel"]
    if facts.main.drive != "electric" or facts.regulator.place not in ("returned", "dead_headed"):
        return []
    made = Expected(
        id="rail",
        label="Fuel pressure at the rail, idling",
        kind=KIND["rail"],
        steps=("first", "long"),
        how=Sentence("A gauge teed in at the rail."),
    )

    def work() -> Expected:
        circuit = circuit_of(stood.context, facts)
        point = network_of(stood.context, circuit).point(demand(stood.context.mean, circuit), circuit.rail_gauge)
        lower = stood.wide(_depth(stood)) if facts.regulator.reference == "manifold" else 0.0
        return made.within(_band(stood.wide(point.rail) - lower))

    return [_or_missing(made, work)]


def _depth(stood: Stood) -> Array:
    """Vacuum in the manifold of an idling, throttled engine [Pa] over the draws, from the air that its fuel asks.

    ``p = m R T / (eta V n / n_rev)`` with the manifold at 37 degC and ``eta`` .65 of its swept volume (heywood1988, ch. 2; the share common practice).
    """
    context = stood.context
    engine = context.engine
    swept = engine.displacement * np.asarray(engine.facts.idle_speed) * engine.swept_rate_factor
    rng = np.random.default_rng(31)
    breathes = BREATHES + BREATHES_HALF / 2.0 * rng.normal(size=stood.samples)
    breathes[0] = BREATHES
    inside = stood.wide(context.mean.air_mass_flow) * GAS * MANIFOLD_AIR / (breathes * stood.wide(swept))
    return np.asarray(np.maximum(stood.wide(context.duties.column("pressure")) - inside, 0.0))


def _vacuum(stood: Stood) -> Expected:
    made = Expected(
        id="vacuum",
        label="Manifold's vacuum, idling warm",
        kind=KIND["vacuum"],
        steps=("long",),
        how=Sentence("A gauge on the manifold; steady, not swinging."),
    )
    if stood.context.engine.facts.aspiration == "supercharged":
        made = replace(made, how=Sentence("A gauge between throttle and engine; steady, not swinging."))
    depth = _depth(stood)
    if depth[0] < DEPTH_LEAST:
        # Whatever is taken to hang on it leaves so small an engine no idle of its own.
        return replace(made, missing=("machine.electrical_load",))
    return made.within(_band(depth))


def _coolant(stood: Stood) -> list[Expected]:
    facts = stood.drawn.case.systems["cooling"]
    speed = setting.FAST * likely(stood.context.engine.facts.idle_speed)
    made = Expected(
        id="coolant",
        label="Coolant, engine's outlet",
        kind=KIND["coolant"],
        steps=("long",),
        how=Sentence("Held at {n}; the gauge, or infrared on the outlet neck.", {"n": (speed, "speed_rpm")}),
    )

    def work() -> list[Expected]:
        loop = warming.loop_of(stood, facts, warming.Trouble())
        found = warming.warm([loop])
        rows = np.unique(np.linspace(0, found.time.size - 1, CURVE).astype(int))
        curve = _points(found.time[rows], found.coolant[rows, 0], KIND["coolant"])
        most = warming.hottest_allowed(stood.context, loop)
        opens = warming.opens_after(loop, found)
        result = [
            replace(made.within(_band(found.coolant[-1, 0])), curve=curve, most=most),
            Expected(
                id="opens",
                label="Thermostat opens: top hose hot",
                kind=KIND["opens"],
                steps=("long",),
                how=Sentence(OPENS if np.isfinite(opens[0]) else STAYS_SHUT),
            ).within(_times(opens)),
        ]
        fans = _fan_at(stood, found, facts) if loop.switches else None
        if fans is not None:
            result.append(fans)
        return result

    try:
        return work()
    except MissingFact as error:
        own = stood.wide(stood.context.engine.facts.coolant_limit)
        return [replace(made, missing=(error.field,), most=float(own[0]) - warming.STOP_UNDER)]


OPENS = "The hose warms at once, the gauge dips a little."
STAYS_SHUT = "May not open within half an hour in this air with no load on it."


def _times(values: Array) -> Band:
    """Band of times, None where one is without end."""
    ordered = np.sort(values[1:])
    low, high = (float(ordered[int(q / 100.0 * (ordered.size - 1))]) for q in (LOW, HIGH))
    return Band(*(v if np.isfinite(v) else None for v in (float(values[0]), low, high)))


def _fan_at(stood: Stood, found: warming.Warmed, facts: CoolingFacts) -> Expected | None:
    """Where the fan comes on, and after how long it first does."""
    on = stood.wide(gauge.thresholds(facts, 1)[0][0])
    comes = found.state[:, 0] > 0
    time = np.where(comes.any(axis=0), found.time[np.argmax(comes, axis=0)], np.inf)
    if stood.drawn.case.systems["cooling"].fan.drive in (None, "none"):
        return None
    after = float(time[0])
    way = "It blows the right way: paper is drawn to the core."
    how = Sentence("Some {t} after the start. " + way, {"t": (after, "time")})
    if not np.isfinite(after):
        how = Sentence("Hardly within half an hour in this air; by its test, or warmer. " + way)
    return Expected(
        id="fan_on", label="Fan comes on at", kind=KIND["fan_on"], steps=("long",), how=how
    ).within(_band(on))  # fmt: skip


def _volts(stood: Stood) -> list[Expected]:
    facts = stood.drawn.case.systems["electrics"]
    by = charging.nominal(facts) / 12.0
    made = Expected(
        id="volts",
        label="Battery's posts, idling",
        kind=KIND["volts"],
        steps=("long",),
        how=Sentence("Two minutes after the start, lamps off."),
        least=VOLTS_LEAST * by,
        after=VOLTS_AFTER,
    )

    def work() -> Expected:
        if facts.alternator.full is None:
            raise MissingFact("electrics.alternator.full")
        idle = stood.wide(stood.context.engine.facts.idle_speed)
        holds = np.full(stood.samples, charge.SET * by)
        holds[1:] += charge.SPREAD * by / 2.0 * np.random.default_rng(32).normal(size=stood.samples - 1)
        asked = stood.wide(charging.total([d for d in charging.draws(stood.context, facts) if d.id], "idle"))
        shown = charge.posts(stood, idle, asked, charge.Trouble(), 1.0, holds)[0]
        return replace(made.within(_band(shown)), rests=() if facts.loads else ("electrics.loads",))

    return [_or_missing(made, work)]


def _hose(stood: Stood) -> Expected:
    """The outlet of an engine fed from a hose: what the flow is set by."""
    middle = 0.5 * (HOSE_LOW + HOSE_HIGH)
    run = bench_run.turning(stood.context, setting.FAST * likely(stood.context.engine.facts.idle_speed))
    fed = bench_run.hose_fed(run.heat_to_coolant, bench_run.TAP, middle, bench_run.TAP_PRESSURE)
    how = Sentence("By the tap: some {q} through it. By hand: as hot as a bath.", {"q": (fed.flow, "flow")})
    limit = likely(stood.context.engine.facts.coolant_limit) - warming.STOP_UNDER
    return Expected(
        id="outlet", label="Water at the outlet", kind=KIND["outlet"], steps=("long",), how=how,
        likely=middle, low=HOSE_LOW, high=HOSE_HIGH, most=min(limit, HOSE_MOST),
    )  # fmt: skip


HOSE_MOST = 343.15  # K at an outlet fed from a hose: past that it boils round the chambers (common practice)


def _ports() -> Expected:
    """Ports by infrared, alike: the one that lies far under the others does not fire."""
    return Expected(
        id="ports",
        label="Exhaust, hottest port over coldest",
        kind=KIND["ports"],
        steps=("long",),
        how=Sentence("By infrared a minute after the start, each at the same place. The cold one does not fire."),
        likely=0.0,
        low=0.0,
        high=PORTS_APART,
        after=PORTS_AFTER,
    )


def _water(stood: Stood) -> list[Expected]:
    facts = stood.drawn.case.systems["boat"]
    made = Expected(
        id="water",
        label="Raw water at the outlet",
        kind=KIND["water"],
        steps=("first", "long"),
        how=Sentence("Seen over the side; ten litres by the watch."),
        least=1e-9,
        after=WATER_AFTER,
    )

    def work() -> Expected:
        moved = stood.wide(raw.flow(stood.context, facts))
        return replace(made.within(_band(moved)), least=0.3 * float(moved[0]))

    return [_or_missing(made, work)]
