"""Each step of the working, worked again from its own inputs, so that formula and code cannot drift apart."""

from collections.abc import Callable, Iterator, Sequence
from contextlib import ExitStack
from types import ModuleType
from typing import Any
from unittest import mock

import numpy as np

from gauge_well.core.engine import report
from gauge_well.core.run import sizing
from gauge_well.core.run.memory import Memory
from gauge_well.core.sources import ARITHMETIC, BIBLIOGRAPHY, COMMON_PRACTICE, STATED
from gauge_well.core.systems import air, cooling, exhaust, fit, fuel, oil
from gauge_well.core.working import Step
from gauge_well.sheet.demo import NAMES
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, with_fuel
from tests.core.systems.oil.builds import DRY, WET
from tests.core.tracing import trace
from tests.support import ROAD, NumbersCase, case_of, changed, demo_document

ALLOWED = {
    name: getattr(np, name) for name in ("sqrt", "exp", "log", "log10", "tanh", "arcsin", "minimum", "maximum", "abs")
}
BUILDS = {
    **{name: demo_document(name) for name in NAMES},
    "road": ROAD,
    "dead-headed": changed(
        ROAD, fuel__regulator__place="dead_headed", cooling__fan__shroud="flaps", engine__aspiration="supercharged"
    ),
    "pot": with_fuel(FIVE, **POT, main__count="2", tank__volume="60 L", tank__vent_bore="2 mm", main__relief="4 bar"),
    "staged": with_fuel(FIVE, **{**POT, "lift": "series"}, main__count="2", pump_staging="demand"),
    "head": with_fuel(DIESEL, main__drive="none", end_height="-1 m"),
    "wet": WET,
    "dry": DRY,
    "typed": changed(
        ROAD,
        duties=[
            {"id": "bench", "kind": "typed", "engine_power": "60 kW", "engine_speed": "4000 rpm"},
            {"id": "idle", "kind": "idle", "air_conditioning": "yes"},
        ],
    ),
    "bare": changed(ROAD, cooling__fan__shroud="none", fuel__injection="carburettor", fuel__regulator__pressure=None),
}

WORKINGS = {
    "engine": report,
    "oil": oil.working,
    "exhaust": exhaust.working,
    "cooling": cooling.working,
    "fuel": fuel.working,
    "fit": fit.working,
    "air": air.working,
}


def closes(step: Step) -> bool:
    """Whether a step's formula gives its value from its inputs: to 1e-6, a solved one to 1e-3 of its scale."""
    value = eval(step.formula, {"__builtins__": {}}, ALLOWED | dict(step.inputs))
    if step.solved:
        return bool(abs(value / step.scale) <= 1e-3)
    return bool(abs(value - step.value) <= 1e-12 + 1e-6 * abs(step.value))


class Working(NumbersCase):
    def steps(self) -> list[tuple[str, Step]]:
        found = []
        for name, raw in BUILDS.items():
            found_ = sizing.size(case_of(raw), explain="all")
            for id, block in found_.systems.items():
                for duty, steps in block.working.items():
                    found += [(f"{name} {id} {duty} {step.symbol}", step) for step in steps]
        return found

    def test_formula_gives_the_value(self) -> None:
        for where, step in self.steps():
            self.assertTrue(closes(step), f"{where}: {step}")

    def test_steps_are_named_once_and_sourced(self) -> None:
        for name, raw in BUILDS.items():
            for id, block in sizing.size(case_of(raw), explain="all").systems.items():
                for duty, steps in block.working.items():
                    symbols = [s.symbol for s in steps]
                    self.assertEqual(len(symbols), len(set(symbols)), f"{name} {id} {duty}")
                    self.assertTrue(all(s.source for s in steps))

    def test_every_published_source_is_in_the_bibliography(self) -> None:
        plain = {COMMON_PRACTICE, ARITHMETIC, STATED}
        for where, step in self.steps():
            for part in step.source.split(";"):
                key = part.strip().split(",")[0].split(" ")[0]
                if any(ch.isdigit() for ch in key) and step.source not in plain:
                    self.assertIn(key, BIBLIOGRAPHY, where)

    def test_every_duty_has_working(self) -> None:
        whole = sizing.size(case_of(ROAD), explain="all")
        for block in whole.systems.values():
            self.assertEqual(set(block.working), {"motorway", "grade", "pull"})
        self.assertEqual(sizing.size(case_of(ROAD), explain="none").systems["fuel"].working, {})
        self.assertEqual(set(sizing.size(case_of(ROAD), explain="pull").systems["fuel"].working), {"pull"})


class Meaning(NumbersCase):
    """A step that could not be wrong says nothing: its value comes from the model, its inputs from before it."""

    def calls(self) -> Iterator[tuple[str, str, ModuleType, Callable[..., list[Step]], Sequence[Any]]]:
        """Every call of a system's ``steps`` that whole reports of the builds make."""
        made: list[tuple[str, ModuleType, Any, tuple[Any, ...]]] = []
        with ExitStack() as patches:
            for id, module in WORKINGS.items():
                own = module.steps
                patches.enter_context(
                    mock.patch.object(
                        module, "steps", lambda *a, id=id, m=module, o=own: made.append((id, m, o, a)) or o(*a)
                    )
                )
            for name, raw in BUILDS.items():
                made.clear()
                duties = "all" if name in (*NAMES, "typed") else "governing"
                sizing.size(case_of(raw), explain=duties, memory=Memory(0))
                yield from ((name, *call) for call in made)

    def test_no_step_is_one_of_its_inputs(self) -> None:
        """But the engine's power where the builder types it."""
        for name, raw in BUILDS.items():
            for id, block in sizing.size(case_of(raw), explain="all").systems.items():
                for step in (s for steps in block.working.values() for s in steps):
                    stated = step.source == STATED
                    self.assertEqual(step.formula in step.inputs, stated, f"{name} {id} {step.symbol}")
                    self.assertTrue(not stated or (name, id, step.symbol) == ("typed", "engine", "P"))

    def test_each_step_can_be_wrong(self) -> None:
        """With what the model says of a step's value off by a hundredth, and nothing else, the step no longer closes.

        One whose inputs were solved back from its value, or that was worked out beside the model, closes all the same.
        """
        proved: set[tuple[str, str, str]] = set()
        left: dict[tuple[str, str, str], str] = {}
        for name, id, module, own, args in self.calls():
            for traced in trace(module, own, args):
                step = traced.step
                key = (id, step.symbol, step.formula)
                if key in proved or step.source == STATED:
                    continue
                self.assertTrue(traced.path, f"{name} {id} {step.symbol} is worked out in the working itself")
                after = {t.step.symbol: t.step for t in trace(module, own, args, traced.path)}
                if step.symbol in after and not closes(after[step.symbol]):
                    proved.add(key)
                    left.pop(key, None)
                else:
                    left[key] = f"{name} {args[-1] if isinstance(args[-1], int) else ''} {traced.path}"
        self.assertEqual(left, {}, "\n".join(map(str, left.items())))
        self.assertGreater(len(proved), 60)
