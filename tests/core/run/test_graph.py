"""What the systems declare to read is all they read: every fact of the demo builds is moved, and nothing else moves."""

import dataclasses
import unittest
from collections.abc import Collection, Iterator, Mapping
from contextlib import suppress
from dataclasses import replace
from functools import cache
from typing import Any
from unittest import mock

import numpy as np

from gauge_well.core.case import BuildCase, fact_at, with_value
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.engine import report as engine_report
from gauge_well.core.errors import CoreError
from gauge_well.core.facts import Spec, specs
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.reads import (
    ENGINE,
    FANS_DRAW,
    FANS_FULL,
    OIL_PULL,
    OIL_SHARE,
    OPERATION,
    RAW_FLOW,
    RAW_HEAT,
    RAW_IN,
    Hand,
    declared,
    hand,
    key_of,
)
from gauge_well.core.run import contexts, graph, runs, sizing
from gauge_well.core.run.graph import affected, declarations, ordered, readers, steps_of, takers
from gauge_well.core.run.measure import hold
from gauge_well.core.run.memory import Memory
from gauge_well.core.run.sampling import SECTIONS, draw
from gauge_well.core.run.solve import solve_for
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context, Result
from gauge_well.sheet.demo import NAMES
from gauge_well.sheet.sections import spec_of
from tests.core.systems.fuel.builds import with_fuel
from tests.support import ROAD, NumbersCase, case_of, changed, demo_document

# A fuel tank whose pickup is thrown about, in a build whose pan is.
TANK = {
    "tank.length": "700 mm",
    "tank.width": "400 mm",
    "tank.height": "250 mm",
    "tank.volume": "60 L",
    "tank.pickup_x": "-200 mm",
    "tank.pickup_y": "0 mm",
    "tank.pickup_height": "50 mm",
    "tank.pickup_in": "open",
}
# Everything that may lie somewhere does, one duty follows another, and one is typed.
LAID_OUT = changed(
    with_fuel(ROAD, **ROAD["fuel"], **TANK),
    installation={
        "depth_available": "130 mm",
        "depth_ahead": "90 mm",
        "opening_width": "580 mm",
        "opening_height": "390 mm",
        "engine_pitch": "4 deg",
        "engine_roll": "8 deg",
        "engine_yaw": "10 deg",
        "pan_ground": "150 mm",
        "pan_crossmember": "20 mm",
        "pan_steering": "15 mm",
        "exhaust_ground": "140 mm",
        "exhaust_loom": "60 mm",
        "exhaust_fuel": "80 mm",
    },
    engine__aspiration="turbo",
    engine__boost="0.5 bar",
    engine__heat_school="maker",
    engine__coolant_heat="70 kW",
    engine__torque_curve="1000 rpm, 150 N m\n3000 rpm, 205 N m\n5000 rpm, 215 N m\n6000 rpm, 199 N m",
    cooling__gearbox_cooler="yes",
    fuel__tank__pickup_x="200 mm",
    oil__pan__baffle="none",
    oil__pan__baffle_g=None,
    machine__trailer_mass="900 kg",
    duties=[
        {"id": "towing", "name": "Towing", "kind": "road", "speed": "70 km/h", "grade": "5 %", "tow": "yes"},
        {"id": "stop", "kind": "idle", "after": "Towing", "duration": "10 min", "air_conditioning": "yes"},
        {"id": "sea", "kind": "boat", "speed_share": "80 %", "boat_exponent": "3"},
        {"id": "bench", "kind": "typed", "engine_power": "60 kW", "engine_speed": "4000 rpm", "air_speed": "40 km/h"},
        {"id": "pull", "kind": "pull", "start": "cold", "pulling": "0.9 g", "braking": "1.0 g", "cornering": "1 g"},
    ],
)
BEHIND = changed(LAID_OUT, fuel__tank__pickup_x="-200 mm", installation__opening_height="340 mm")
HIGH = changed(ROAD, engine__aspiration="turbo", duties=[{"id": "pull", "kind": "pull", "altitude": "3500 m"}])
CRAWL = changed(
    ROAD,
    machine__kind="off_road",
    machine__gearbox="manual",
    duties=[{"id": "c", "kind": "road", "speed": "2 km/h", "grade": "28 %"}],
)
# Across the machine, weighed, on mounts whose tyres let all torque pass.
ACROSS = changed(
    demo_document("quarry-mule"),
    installation__lie="front_trans",
    machine__gearbox="manual",
    machine__mass="2700 kg",  # more than the ledger comes to
    mounts__grip="3",
)
# Hardly any air: it may count as standing.
CREEPS = changed(
    demo_document("quarry-mule"),
    cooling={},
    duties=[
        {"id": "c", "kind": "typed", "engine_power": "20 kW", "engine_speed": "2000 rpm", "air_speed": "2.95 m/s"},
    ],
)
STILL = {"id": "pull", "kind": "pull", "pulling": "0 g", "cornering": "0 g", "heel": "0 deg"}


def facts_of(case: BuildCase) -> Iterator[tuple[str, Spec, Any]]:
    """Every fact there is in a case: path, what may stand there, what does."""
    for section, facts in SECTIONS.items():
        for name, spec in specs(facts).items():
            yield f"{section}.{name}", spec, fact_at(case, f"{section}.{name}")
    for id, duty in case.duties:
        for name, spec in specs(DutyFacts).items():
            yield f"duties.{id}.{name}", spec, getattr(duty, name)


def moved(spec: Spec, value: Any) -> Iterator[Any]:
    """Other values for a fact: the next of its choices, or one a little off within its range."""
    if value is None:
        return
    if spec.kind == "text":
        # A name is only said; what a duty follows is where it starts.
        yield from [None] if spec.label == "Straight after" else []
        return
    if spec.choices is not None:
        names = list(spec.choices)
        yield names[(names.index(value) + 1) % len(names)]
        return
    if spec.kind == "table":
        yield tuple(tuple(1.013 * cell for cell in row) for row in value)
        return
    step = 1.0 if spec.kind == "count" else 0.03 * value or min(0.01, 0.1 * spec.high)
    yield value + step if value + step <= spec.high else value - step


def flat(value: Any) -> Any:
    """A result as something that compares exactly and at once."""
    if isinstance(value, np.ndarray):
        return value.shape, value.tobytes()
    if isinstance(value, Mapping):
        return [(key, flat(item)) for key, item in value.items()]
    if isinstance(value, list | tuple):
        return [flat(item) for item in value]
    if dataclasses.is_dataclass(value):
        return [flat(getattr(value, f.name)) for f in dataclasses.fields(value)]
    return value


def told_by(id: str, context: Context, case: BuildCase) -> Any:
    """Everything one system says in a context."""
    system = SYSTEMS[id]
    if system.applies(case.machine) is not None:
        return "not judged"
    try:
        r = system.solve(context, case.systems[id])
        checks = [(c.id, c.part, c.demand, c.capacity, c.fill) for c in r.checks(context.mean, context.peak)]
        return flat([checks, r.unknown, r.figures(), r.needs(), r.notices(), r.beside(), list(r.looks())])
    except CoreError as error:
        return repr(error)


def results_of(case: BuildCase, steps: Collection[str]) -> dict[str, Any]:
    """Everything some steps say of a build at its wanted power."""
    context, missing = contexts.make_context(case, engine=contexts.validate(case))
    told = {id: told_by(id, context, case) for id in SYSTEMS.keys() & steps}
    if ENGINE in steps:
        told[ENGINE] = flat([engine_report.figures(context.mean), engine_report.figures(context.peak), missing])
    return told


def given_of(case: BuildCase) -> dict[str, Any]:
    """What the systems hand to each other."""
    return {figure: flat(value) for figure, value in contexts.make_context(case)[0].given.items()}


def _bar(what: str, moves: str, start: tuple[int, int, int], to: tuple[int, int, int]) -> dict[str, Any]:
    """A round thing in the bay, as a part of a sheet; mm."""
    names = ("ahead", "left", "over", "to_ahead", "to_left", "to_over")
    places = {name: f"{v} mm" for name, v in zip(names, (*start, *to), strict=True)}
    facts = {"what": what, "moves": moves, "shape": "round", "diameter": "60 mm", **places}
    return {"role": "fit.solids", "facts": facts}


class Declarations(unittest.TestCase):
    def test_what_is_declared_exists(self) -> None:
        """Each fact read is one a sheet has; each figure taken is given by somebody else."""
        given = {figure for d in declarations().values() for figure in d.gives}
        for id, said in declarations().items():
            for key in said.reads:
                section, name = key.split(".")
                self.assertIsNotNone(spec_of(f"duties.x.{name}" if section == "duties" else key), key)
                self.assertNotEqual(section, id if id in SYSTEMS else "", key)
            self.assertLessEqual(said.asks, given | {OPERATION}, id)
            self.assertTrue(said.asks.isdisjoint(said.gives), id)

    def test_what_is_given_is_what_is_declared(self) -> None:
        for name in NAMES:
            case = case_of(demo_document(name))
            context, _ = contexts.make_context(case)
            for id, system in SYSTEMS.items():
                for step in system.declares.hands if system.applies(case.machine) is None else ():
                    self.assertEqual(set(step.work(context, case.systems[id])), step.gives, id)

    def test_no_result_moves_that_is_not_declared(self) -> None:
        """Every stated and ruled fact of the demo builds, one at a time, by all whom it is not said to reach.

        A system is a function of the context and its own facts, so that another's facts reach it by what it is given.
        """
        tried = 0
        for name in NAMES:
            case = case_of(demo_document(name))
            before, given = results_of(case, declarations()), given_of(case)
            for path, spec, value in facts_of(case):
                section, others = path.split(".")[0], declarations().keys() - affected(path)
                for other in moved(spec, value) if others else ():
                    changed_case = with_value(case, path, other)
                    tried += 1
                    with self.subTest(name, path=path), suppress(CoreError):  # a value no such build can have
                        if section in SYSTEMS:
                            now = given_of(changed_case)
                            figures = {f for f in now.keys() | given.keys() if now.get(f) != given.get(f)}
                            # What it hands on, and what those who take that hand on in their turn.
                            reached = affected(path) & SYSTEMS.keys()
                            self.assertLessEqual(figures, {f for id in reached for f in SYSTEMS[id].declares.gives})
                        else:
                            after = results_of(changed_case, others)
                            self.assertEqual({id for id, told in after.items() if told != before[id]}, set())
        self.assertGreater(tried, 600)

    def test_a_figure_moves_only_those_who_take_it(self) -> None:
        """Each figure given, a tenth up; and it moves at least one of them: gaps where nobody taped them, and in a boat."""
        self.moves_its_takers(demo_document("reed-otter"), {RAW_FLOW, RAW_IN, RAW_HEAT})
        raw = changed(demo_document("quarry-mule"), machine__drive="four")
        raw["installation"] = {"engine_pitch": "3 deg"}
        raw["driveline"] |= {"box_cooler": "tank", "cooler_gives": "60 W/K"}
        # Where a neighbour's heat is worked, its gap by a rule is not asked.
        raw["parts"] = [p for p in raw["parts"] if p.get("role") != "exhaust.neighbours"]
        raw["parts"] += [
            _bar("pipe", "unit", (300, -300, -200), (-200, 0, 0)),
            _bar("hose", "body", (200, -300, 400), (-200, 0, 0)),
            _bar("tank", "body", (-100, -340, 420), (-200, 0, 0)),
        ]
        self.moves_its_takers(raw)

    def moves_its_takers(self, raw: dict[str, Any], only: Collection[str] | None = None) -> None:
        """Of those there are in such a machine; of some figures alone."""
        case = case_of(raw)
        context, _ = contexts.make_context(case)
        there = {id for id, system in SYSTEMS.items() if system.applies(case.machine) is None}
        before = {id: told_by(id, context, case) for id in there}
        for figure, value in context.given.items():
            if not takers([figure]) & there or (only is not None and figure not in only):
                continue  # handed on beside what somebody takes, or not known here
            other = 1.1 * value if np.any(value) else value + 1.0
            after = replace(context, given={**context.given, figure: other})
            found = {id for id in there if told_by(id, after, case) != before[id]}
            self.assertTrue(found and found <= takers([figure]), figure)

    def test_what_is_declared_is_read(self) -> None:
        """Each fact that a system says it reads moves it in one of the builds, when moved: none is declared in vain."""
        fast = changed(demo_document("quarry-mule"), driveline__driven_to=None)
        cases = [
            case_of(raw) for raw in (*map(demo_document, NAMES), fast, LAID_OUT, BEHIND, HIGH, CRAWL, ACROSS, CREEPS)
        ]
        left = {(id, key) for id, said in declarations().items() for key in said.reads}
        for case in cases:
            before = results_of(case, declarations())
            for path, spec, value in facts_of(case):
                wanted = {id for id, key in left if key == key_of(path)}
                for other in moved(spec, value) if wanted else ():
                    with suppress(CoreError):
                        after = results_of(with_value(case, path, other), wanted)
                        left -= {(id, key_of(path)) for id in wanted if after[id] != before[id]}
        self.assertEqual(left, set())

    def test_readers_and_those_they_hand_on_to(self) -> None:
        """Among the first four: others may come to read what they read."""
        four = {ENGINE, "oil", "exhaust", "cooling", "fuel"}
        # By the metal that warms, and by how the engine rocks on its mounts, which fit's rooms are worked with.
        self.assertEqual(affected("engine.dry_mass") & four, four - {ENGINE})
        # What the fans draw is the volts that the fuel pump is left.
        self.assertEqual(affected("engine.thermostat") & four, {"oil", "cooling", "fuel"})
        self.assertEqual(affected("oil.pan.depth") & four, {"oil", "cooling", "fuel"})
        self.assertEqual(affected("fuel.line.bore") & four, {"fuel"})
        self.assertEqual(affected("installation.exhaust_loom") & four, {"exhaust"})
        self.assertEqual(affected("duties.pull.braking") & four, {"oil", "cooling", "fuel"})
        self.assertEqual(affected("engine.bsfc") & four, four)
        self.assertEqual(readers("duties.pull.heel") & four, {"oil", "fuel"})
        self.assertEqual(takers([OIL_SHARE, OIL_PULL]) & four, {"cooling"})
        self.assertEqual(takers([OPERATION]), set(SYSTEMS))
        self.assertTrue(ENGINE in readers("machine.mass") and ENGINE not in readers("duties.pull.heel"))


def hands(gives: str, takes: str = "") -> tuple[Hand]:
    return (hand(dict, gives=gives, takes=takes),)


class Order(unittest.TestCase):
    """Steps come after what they take from; a ring is refused."""

    def test_each_after_what_it_takes(self) -> None:
        """A pulley's speed before the alternator, its current before the belt's slip, whatever order they are named in."""
        said = {
            "slip": declared(hands=hands("lost", "current speed")),
            "current": declared(hands=hands("current", "speed")),
            "route": declared(hands=hands("speed")),
            "bay": declared(takes="lost"),
        }
        found = ordered(steps_of(said))
        self.assertEqual([step.system for step in found if step.gives], ["route", "current", "slip"])
        judged = {step.system: n for n, step in enumerate(found) if not step.gives}
        self.assertGreater(judged["bay"], [step.gives for step in found].index(frozenset({"lost"})))

    def test_a_ring_is_refused_and_named(self) -> None:
        ring = {"fan": declared(hands=hands("current", "volts")), "wires": declared(hands=hands("volts", "current"))}
        with self.assertRaisesRegex(ValueError, "fan.*wires|wires.*fan"):
            ordered(steps_of(ring))

    def test_two_may_serve_each_other_by_steps(self) -> None:
        """Oil and coolant take from each other: oil hands its heat on before it is judged on the coolant's."""
        both = {
            "oil": declared(takes="coolant", hands=hands("heat")),
            "water": declared(takes="heat", hands=hands("coolant", "heat")),
        }
        self.assertEqual([s.system for s in ordered(steps_of(both)) if s.gives], ["oil", "water"])

    def test_a_system_hands_on_in_several_steps(self) -> None:
        """The belt's way before the alternator, its slip after: one system, two nodes."""
        said = {
            "belts": declared(hands=(*hands("speed"), *hands("slip", "current"))),
            "electrics": declared(hands=hands("current", "speed")),
            "bay": declared(takes="slip"),
        }
        giving = [sorted(step.gives) for step in ordered(steps_of(said)) if step.gives]
        self.assertEqual(giving, [["speed"], ["current"], ["slip"]])

    def test_what_nobody_takes_is_not_worked(self) -> None:
        self.assertEqual([s for s in steps_of({"fan": declared(hands=hands("current"))}) if s.gives], [])


class Fans(NumbersCase):
    def test_their_share_reaches_whom_it_serves(self) -> None:
        """A system that takes what the fans draw has it, as the station shows it; drawn too."""
        raw = demo_document("quarry-mule")
        # As it is handed on, before wires take of the volts.
        raw["parts"] = [p for p in raw["parts"] if not str(p.get("role")).startswith("electrics.")]
        case = case_of(raw)
        told: dict[str, Any] = {}

        def solve(context: Any, facts: Any) -> Result:
            told.update(context.given)
            return SYSTEMS["exhaust"].solve(context, facts)

        wires = replace(
            SYSTEMS["exhaust"], id="wires", declares=declared(takes=f"{FANS_DRAW} {FANS_FULL}"), solve=solve
        )
        with mock.patch.dict(SYSTEMS, {"wires": wires}):
            graph.forget()
            wired = replace(case, systems={**case.systems, "wires": case.systems["exhaust"]})
            runs.run(draw(wired, 64))
            drawn = np.array(told[FANS_DRAW])
            found = sizing.size(wired)
        graph.forget()
        shown = found.systems["cooling"].figures
        draws, full = (np.broadcast_to(told[n], (1, len(case.duties), 1))[0, :, 0] for n in (FANS_DRAW, FANS_FULL))
        self.close(draws, [shown[id]["fan_power_w"] for id, _ in case.duties], rel=1e-9)
        self.close(draws, full * np.array([shown[id]["fan_share"] for id, _ in case.duties]), rel=1e-9)
        self.assertGreater(float(full.min()), 100.0)
        self.assertEqual(drawn.shape[-1], 65)
        self.close(drawn[0, :, 0], draws, rel=1e-9, note="the likely sample first")


@cache
def drawn_road() -> tuple[BuildCase, runs.Run]:
    """A build with pan and tank, drawn; every fact a guess."""
    raw = with_fuel(ROAD, **ROAD["fuel"], **TANK)
    case = case_of(changed(raw, oil__pan__baffle_g="0.6 g"))
    return case, runs.run(draw(case, 256))


class TakenOver(NumbersCase):
    def test_a_run_in_part_is_the_whole_run(self) -> None:
        """Each fact in doubt held at its likely value: limits as a whole run gives them, to the last digit."""
        case, base = drawn_road()
        by_key: dict[tuple[str, ...], list[str]] = {}
        for path in base.drawn.z:
            by_key.setdefault((*sorted(affected(path)), path.split(".")[0]), []).append(path)
        for paths in by_key.values():
            path = paths[0]
            held = hold(base.drawn, case, [path])
            part, whole = runs.run(held), runs.run(held, Memory(0))
            with self.subTest(path):
                self.assertEqual({x.key for x in part.limits}, {x.key for x in whole.limits})
                fills = {x.key: x.fill for x in whole.limits}
                for limit in part.limits:
                    self.close(limit.fill, fills[limit.key], abs=1e-12, note=str(limit.key))


class TankMoves(NumbersCase):
    def test_the_tanks_motion_is_sampled(self) -> None:
        """Braking in doubt spreads what keeps the tank's pickup covered as it spreads what the pan must cover."""
        _, base = drawn_road()
        spread = {x.check: float(np.ptp(x.fill[1:])) for x in base.limits}
        self.assertGreater(spread["tank_cover"], 0.05)
        self.assertGreater(spread["pickup"], 0.05)
        still = runs.run(draw(case_of(with_fuel(ROAD, **ROAD["fuel"], **TANK)), 256, facts=False))
        alone = {x.check: float(np.ptp(x.fill[1:])) for x in still.limits}
        self.close(alone["tank_cover"], 0.0, abs=1e-12)

    def test_solving_for_braking_touches_the_tank(self) -> None:
        raw = with_fuel(ROAD, **ROAD["fuel"], **TANK | {"tank.pickup_x": "-60 mm", "tank_reserve": "60 %"})
        case = case_of(raw)
        spec = spec_of("duties.pull.braking")
        assert spec is not None
        hard = with_value(case, "duties.pull.braking", 9.0)
        found = solve_for(hard, "duties.pull.braking", spec)
        self.assertIn(("fuel", "tank_cover", ""), found.touches)
        self.assertIn(("oil", "pickup", ""), found.touches)
        assert found.high is not None and found.sure_high is not None
        self.assertLess(found.sure_high, found.high.value)

    def test_a_plane_through_a_sampled_surface(self) -> None:
        """By hand: braking at a tilts the surface by a, so that what covers a mouth z over the floor and x behind the
        middle is length x width x (z + a x), as long as no corner is dry (trapezoid)."""
        case = case_of(changed(with_fuel(ROAD, **ROAD["fuel"], **TANK), duties=[STILL | {"braking": "0.1 g"}]))
        g = np.array([0.10, 0.12, 0.16])
        drawn = with_value(case, "duties.pull.braking", g * GRAVITY)
        context, _ = contexts.make_context(drawn)
        result = SYSTEMS["fuel"].solve(context, drawn.systems["fuel"])
        check = next(c for c in result.checks(context.mean, context.peak) if c.id == "tank_cover")
        self.close(np.ravel(check.demand), 0.7 * 0.4 * (0.050 + 0.2 * g), rel=1e-9)
