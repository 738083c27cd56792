"""Each step of the working, worked again from its own inputs, so that formula and code cannot drift apart."""

import numpy as np

from gauge_well.core import sizing
from gauge_well.core.sources import ARITHMETIC, BIBLIOGRAPHY, COMMON_PRACTICE
from gauge_well.core.working import Step
from gauge_well.sheet.demo import NAMES
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, with_fuel
from tests.support import ROAD, NumbersCase, case_of, changed, demo_document

ALLOWED = {name: getattr(np, name) for name in ("sqrt", "exp", "log", "log10", "tanh", "minimum", "maximum", "abs")}
BUILDS = {
    **{name: demo_document(name) for name in NAMES},
    "road": ROAD,
    "dead-headed": changed(ROAD, fuel__rail="dead_headed", cooling__shroud="flaps", engine__aspiration="supercharged"),
    "pot": with_fuel(FIVE, **POT, pump_count="2", tank_volume="60 L", vent_bore="2 mm", relief_pressure="4 bar"),
    "staged": with_fuel(FIVE, **{**POT, "lift": "series"}, pump_count="2", pump_staging="demand"),
    "head": with_fuel(DIESEL, pump_drive="none", end_height="-1 m"),
    "bare": changed(ROAD, cooling__shroud="none", fuel__injection="carburettor", fuel__rail_pressure=None),
}


class Working(NumbersCase):
    def steps(self) -> list[tuple[str, Step]]:
        found = []
        for name, raw in BUILDS.items():
            report = sizing.size(case_of(raw), explain="all")
            for id, block in report["systems"].items():
                for duty, steps in block["working"].items():
                    found += [(f"{name} {id} {duty} {step.symbol}", step) for step in steps]
        return found

    def test_formula_gives_the_value(self) -> None:
        for where, step in self.steps():
            value = eval(step.formula, {"__builtins__": {}}, ALLOWED | dict(step.inputs))
            if step.solved:
                self.close(value / step.scale, 0.0, abs=1e-3, note=where)
            else:
                self.close(value, step.value, rel=1e-6, abs=1e-12, note=where)

    def test_steps_are_named_once_and_sourced(self) -> None:
        for name, raw in BUILDS.items():
            for id, block in sizing.size(case_of(raw), explain="all")["systems"].items():
                for duty, steps in block["working"].items():
                    symbols = [s.symbol for s in steps]
                    self.assertEqual(len(symbols), len(set(symbols)), f"{name} {id} {duty}")
                    self.assertTrue(all(s.source for s in steps))

    def test_every_published_source_is_in_the_bibliography(self) -> None:
        plain = {COMMON_PRACTICE, ARITHMETIC}
        for where, step in self.steps():
            for part in step.source.split(";"):
                key = part.strip().split(",")[0].split(" ")[0]
                if any(ch.isdigit() for ch in key) and step.source not in plain:
                    self.assertIn(key, BIBLIOGRAPHY, where)

    def test_every_duty_has_working(self) -> None:
        report = sizing.size(case_of(ROAD), explain="all")
        for block in report["systems"].values():
            self.assertEqual(set(block["working"]), {"motorway", "grade", "pull"})
        self.assertEqual(sizing.size(case_of(ROAD), explain="none")["systems"]["fuel"]["working"], {})
        self.assertEqual(set(sizing.size(case_of(ROAD), explain="pull")["systems"]["fuel"]["working"]), {"pull"})
