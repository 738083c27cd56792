"""The start itself, step by step: how long each runs, how long it rests, when it is stopped at once."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.run.contexts import make_context
from gauge_well.core.sentence import Sentence
from gauge_well.core.start import priming, setting
from gauge_well.core.start.expected import unstated
from gauge_well.core.start.holds import GASES
from gauge_well.core.start.setting import Setting
from gauge_well.core.systems.cooling import bench_run
from gauge_well.core.systems.oil.priming import REST, TRY
from gauge_well.core.typing import likely

FIRST_LEAST, FIRST_MOST = 15.0, 20.0  # s of a first run (common practice)
LONG_LEAST, LONG_MOST = 600.0, 1200.0  # s of a second one (common practice)
COOLS, WATCH = 3600.0, 900.0  # s until it is cold enough to retorque; of an hour's cooling it is looked at
GLOW_DIRECT, GLOW_CHAMBER = 5.0, 15.0  # s of glowing in this air (common practice)


@dataclass(frozen=True)
class Step:
    """One step.

    ``least`` and ``most``: how long it runs [s], None where no clock says; ``rest``: after each try [s]; ``tries``: after
    how many it is given up. ``runs``: the engine fires. ``shouts``: what ends it at once that no gauge shows. ``rests``: what nobody
    stated of what its figures are made of.
    """

    id: str
    label: str
    do: Sentence
    least: float | None = None
    most: float | None = None
    rest: float = 0.0
    tries: int = 1
    runs: bool = False
    shouts: tuple[str, ...] = ()
    caution: str = ""
    look: tuple[str, ...] = ()
    missing: tuple[str, ...] = ()
    rests: tuple[str, ...] = ()


SHOUTS = ("knock", "fuel smell or a wet joint", "revs that rise by themselves")
HOT_SHOUTS = ("steam", "smoke under it")

OUT_OF_LINE = (
    "Plugs or injectors out: injection and ignition off, nobody in line with the holes: petrol sprays from them."
)
STOP_HELD = "Stop held, glow off: it must not fire. Hands off the belts."


# Facts that decide how long priming takes.
PRIMED_BY = ("oil.pump.displacement", "oil.pickup.length", "oil.pickup.bore", "oil.dry_volume")
FUEL_BY = ("fuel.line.bore", "fuel.line.length", "fuel.suction.length", "fuel.main.flow")


def _prime(case: BuildCase, where: Setting) -> Step:
    facts = case.systems["oil"]
    diesel = case.engine.fuel == "diesel"
    caution = STOP_HELD if diesel else OUT_OF_LINE if facts.priming == "plugs_out" else "Injection and ignition off."
    try:
        found = priming.oil(case, where.air)
    except MissingFact as error:
        return Step(
            "prime", "Crank to oil pressure",
            Sentence("15 s, a minute's rest for the starter; no pressure after three tries: stop, the pump is not primed."),
            least=1.0, most=TRY, rest=REST, tries=3, caution=caution, missing=(error.field,),
        )  # fmt: skip
    words = "Pressure after some {t}, {turns} turns at {n}: {tries}. None after {most}: pump not primed, relief, wrong way round."
    tries = "in one go of 15 s" if found.tries == 1 else f"{found.tries} goes of 15 s, a minute's rest between"
    return Step(
        "prime",
        "Crank to oil pressure",
        Sentence(
            words,
            {
                "t": (found.seconds, "time"),
                "turns": f"{found.turns:.0f}",
                "n": (found.speed, "speed_rpm"),
                "tries": tries,
                "most": f"{found.most_tries} goes",
            },
        ),
        least=1.0,
        most=TRY,
        rest=REST,
        tries=found.most_tries,
        caution=caution,
        rests=unstated(case, PRIMED_BY),
    )


def _fuel(case: BuildCase, where: Setting) -> Step:
    if case.engine.fuel in GASES:
        return Step(
            "fuel", "Gas to the engine",
            Sentence("Tap opened slowly, a quarter turn; soap at each joint again; nose low for propane, high for natural gas."),
            caution="Gas gathers where it cannot be seen: a leak is let out, not lit. Its fitter is licensed.",
        )  # fmt: skip
    usual = Sentence("Key on and off until the pump's sound drops; by hand until it goes hard.")
    try:
        found = priming.fuel(case, where.air)
    except MissingFact as error:
        return Step("fuel", "Fuel to the engine", usual, missing=(error.field,))
    values: dict[str, tuple[float, str] | str] = {"v": (found.to_fill, "volume")}
    if found.strokes is not None:
        values["n"] = str(found.strokes)
        say = "Some {n} strokes of a hand primer for {v}, bleed screw open until it runs without bubbles."
    else:
        assert found.seconds is not None
        values |= {"t": (found.seconds, "time"), "n": "once" if found.keys == 1 else f"{found.keys} times"}
        say = "Pump runs {t} for {v}: key on and off, {n}. Then look at every joint again."
    return Step(
        "fuel",
        "Fuel to the engine",
        Sentence(say, values),
        caution="Ignition off, cloth at each joint.",
        rests=unstated(case, FUEL_BY),
    )


def _glow(case: BuildCase) -> list[Step]:
    if case.engine.fuel != "diesel":
        return []
    lasts = GLOW_DIRECT if (case.engine.chamber or "direct") == "direct" else GLOW_CHAMBER
    return [
        Step(
            "glow", "Glow", Sentence("Then crank at once, 15 s at most."), least=lasts, most=2.0 * lasts,
            caution="Never starting spray with glow plugs hot.",
        )
    ]  # fmt: skip


def _first(case: BuildCase) -> Step:
    look = ("oil pressure within five seconds", "fuel and oil joints", "belts run true", "fan turns the right way")
    boat = case.machine.kind == "boat"
    return Step(
        "first",
        "First run",
        Sentence("15 to 20 s, then off, whatever it does. Oil pressure within five seconds, or off at once."),
        least=FIRST_LEAST,
        most=FIRST_MOST,
        rest=120.0,
        tries=3,
        runs=True,
        shouts=(*SHOUTS, "no oil pressure in 5 s", *(("no water at the outlet in 15 s",) if boat else ())),
        look=look,
    )


def _dry(case: BuildCase, where: Setting) -> Step:
    """As long as nothing cools it: the least of what ends it."""
    context, _ = make_context(setting.idle_case(case, where.air))
    lasts = bench_run.DRY_SECONDS
    try:
        run = bench_run.turning(context, case.engine.idle_speed)
        limit = likely(case.engine.coolant_limit)
        reasons = bench_run.nothing_fitted(context, run.heat_to_coolant, run.heat_to_coolant, 0.0, limit)
        lasts = min(r.seconds for r in reasons if r.id in ("dry", "chambers"))
    except MissingFact:
        pass
    return Step(
        "dry",
        "Dry run",
        Sentence("{t} at most: nothing cools it. Once, then an hour's rest.", {"t": (lasts, "time")}),
        least=min(20.0, 0.8 * lasts),
        most=lasts,
        rest=COOLS,
        tries=2,
        runs=True,
        shouts=(*SHOUTS, "no oil pressure in 5 s"),
        look=("oil pressure within five seconds", "all cylinders fire", "no leak"),
    )


def _long(case: BuildCase, where: Setting) -> Step:
    speed = setting.FAST * likely(case.engine.idle_speed)
    fed = where.place == "hose"
    words = "Ten minutes at least, twenty at most, at {n}; then its idle. "
    words += (
        "Water on first, off last; outlet bath-warm." if fed else "Until thermostat and fan have been seen to work."
    )
    return Step(
        "long",
        "Long run",
        Sentence(words, {"n": (speed, "speed_rpm")}),
        least=LONG_LEAST,
        most=LONG_MOST,
        rest=COOLS,
        tries=3,
        runs=True,
        shouts=(*SHOUTS, *HOT_SHOUTS),
        caution="" if fed else "A fan starts by itself. The cap stays shut until the top hose can be held.",
        look=("leaks, all round and under it", "temperatures, one port against the other", "idle, smoke, sounds"),
    )


def steps(case: BuildCase, where: Setting) -> Sequence[Step]:
    """The start in this place, in order; MissingFact where the engine is not known enough."""
    before = [_prime(case, where), _fuel(case, where), *_glow(case)]
    if where.place == "dry":
        return [*before, _dry(case, where)]
    after = [
        Step(
            "cool", "Cool down", Sentence("An hour at least, until the block is hand-warm."), least=COOLS, most=None,
            caution="The cap stays shut meanwhile.",
        ),
        Step(
            "retorque", "Retorque, levels, new marks",
            Sentence("Manifolds, mounts, hose clamps, drain plugs, once, cold; oil, coolant, gearbox; a fresh mark on each."),
            look=("oil", "coolant", "gearbox", "each joint dry", "a mark across every bolt"),
        ),
    ]  # fmt: skip
    return [*before, _first(case), _long(case, where), *after]
