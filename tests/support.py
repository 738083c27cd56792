"""What many tests share: builds from a few facts, contexts of the core, closeness."""

from __future__ import annotations

import copy
import csv
import signal
import sys
import time
import unittest
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from pathlib import Path
from types import FrameType
from typing import Any

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.pipe import PIECES
from gauge_well.core.run import contexts
from gauge_well.core.run.memory import ANSWERS, MEMORY
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context
from gauge_well.services import render
from gauge_well.services.sizing import size_document
from gauge_well.sheet import FORMAT, load, resolve
from gauge_well.sheet.demo import demo
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.units.printing import Preference

ROOT = Path(__file__).resolve().parents[1]
DATA = Path(__file__).parent / "data"

# A sound road build, every part fitted; single tests change what they speak of.
_ROAD: dict[str, Any] = {
    "name": "Test road car",
    "machine": {"kind": "road_car", "mass": "1400 kg", "drag_area": "0.68 m2"},
    "engine": {
        "fuel": "petrol",
        "aspiration": "natural",
        "displacement": "2.5 L",
        "rated_power": "125 kW",
        "rated_speed": "6000 rpm",
    },
    "installation": {"depth_available": "160 mm"},
    "duties": [
        {"id": "motorway", "kind": "road", "speed": "120 km/h", "ambient": "35 C"},
        {"id": "grade", "kind": "road", "speed": "80 km/h", "grade": "6 %", "ambient": "38 C", "duration": "450 s"},
        {"id": "pull", "kind": "pull", "ambient": "35 C"},
    ],
    "oil": {
        "pan.shape": "rear_well",
        "pan.length": "460 mm",
        "pan.width": "240 mm",
        "pan.depth": "140 mm",
        "pan.well_length": "240 mm",
        "pan.shallow_depth": "50 mm",
        "pickup.x": "120 mm",
        "pan.baffle_g": "0.9 g",
        "oil_quantity": "5 L",
        "cooler.into": "air",
        "cooler.conductance": "40 W/K",
    },
    "exhaust": {"pipe.diameter": "63.5 mm", "pipe.length": "4 m"},
    "cooling": {
        "core.width": "600 mm",
        "core.height": "400 mm",
        "core.depth": "26 mm",
        "fan.drive": "puller",
        "fan.diameter": "400 mm",
    },
    "fuel": {
        "injectors.flow": "380 cc/min",
        "main.flow": "120 L/h",
        "main.pressure": "3 bar",
        "main.flow_2": "90 L/h",
        "main.pressure_2": "5 bar",
    },
}


def parted(raw: Mapping[str, Any]) -> dict[str, Any]:
    """A sheet in which a part's facts may stand in their section as ``place.fact``, as a document of today's format."""
    found: dict[str, Any] = {"format": FORMAT, **copy.deepcopy(dict(raw))}
    for section in SYSTEMS:
        held = found.get(section, {})
        for name in [name for name in held if "." in name or "__" in name]:
            value = held.pop(name)
            place, _, inner = name.replace("__", ".").partition(".")
            role = f"{section}.{place}"
            part = next((p for p in found.setdefault("parts", []) if p.get("role") == role), None)
            if part is None:
                part = {"role": role, "facts": {}}
                found["parts"].append(part)
            part["facts"].pop(inner, None)
            part["facts"] |= {} if value is None else {inner: value}
    run = found.get("exhaust", {}).pop("pipes", None)
    if run is not None:
        others = [p for p in found.get("parts", []) if p.get("role") != "exhaust.pieces"]
        found["parts"] = others + [piece(line) for line in run.splitlines()]
    return found


def piece(line: str) -> dict[str, Any]:
    """A piece of an exhaust from a line: outside, length, bends, what it is or its loss factor."""
    outside, length, bends, what = (cell.strip() for cell in line.split(","))
    kind = {"piece": what} if what in PIECES else {"piece": "own", "loss": what}
    return {"role": "exhaust.pieces", "facts": {"diameter": outside, "length": length, "bends": bends, **kind}}


def changed(base: Mapping[str, Any], **paths: Any) -> dict[str, Any]:
    """A copy with fields set by ``section__field`` or ``section__place__field``; None takes one out. A section given
    whole takes the place of all that was stated in it, its parts with it."""
    raw: dict[str, Any] = copy.deepcopy(dict(base))
    for path, value in paths.items():
        head, *rest = path.split("__")
        if not rest:
            raw[head] = copy.deepcopy(value)
            if value is None:
                raw.pop(head)
            if head in SYSTEMS and "parts" in raw:
                raw["parts"] = [p for p in raw["parts"] if not str(p.get("role")).startswith(f"{head}.")]
        elif value is None and "." not in (name := ".".join(rest)):
            raw.setdefault(head, {}).pop(name, None)
        else:
            raw.setdefault(head, {})[".".join(rest)] = value
    return parted(raw)


ROAD = parted(_ROAD)


def case_of(raw: Mapping[str, Any]) -> BuildCase:
    """The SI case of a raw sheet."""
    return resolve(load(raw)).case


def context_of(raw: Mapping[str, Any]) -> Context:
    """Engine and duties of a raw sheet, solved."""
    return contexts.make_context(case_of(raw))[0]


def facts_of(raw: Mapping[str, Any], system: str) -> Any:
    """One system's facts of a raw sheet, rules filled."""
    return case_of(raw).systems[system]


def drawn(station: str, view: str, context: Context, facts: Any, options: Mapping[str, float] | None = None) -> Any:
    """A station's drawing as plain data; where it cannot be made, what is ``unknown`` for it."""
    try:
        found = SYSTEMS[station].views[view].show(context, facts, options or {})
    except MissingFact as error:
        return {"unknown": [error.field]}
    return render.plain(found, Preference())


def forget() -> None:
    """Nothing of what was worked before is known any more."""
    MEMORY.forget()
    ANSWERS.forget()


def report(raw: Mapping[str, Any], explain: str = "governing") -> dict[str, Any]:
    """Plain report of a raw sheet."""
    return size_document(raw, explain)


def check_of(found: Mapping[str, Any], system: str, check: str, duty: str = "") -> dict[str, Any]:
    """One check of a report."""
    for item in found["systems"][system]["checks"]:
        if item["id"] == check and item["duty"] == duty:
            return dict(item)
    raise AssertionError(f"no check {system}.{check} in {duty!r}")


def row_of(found: Mapping[str, Any], part: str, kind: str) -> dict[str, Any]:
    """One row of a report."""
    for item in found["rows"]:
        if item["part"] == part and item["kind"] == kind:
            return dict(item)
    raise AssertionError(f"no row {part} {kind}")


def demo_document(name: str) -> dict[str, Any]:
    """A demo's raw sheet."""
    return demo(name)


def table(name: str) -> list[dict[str, float]]:
    """Rows of a published table in ``tests/data``; lines that begin with # name the source."""
    lines = [line for line in (DATA / name).read_text().splitlines() if line and not line.startswith("#")]
    return [{key: float(value) for key, value in row.items()} for row in csv.DictReader(lines)]


def calls(work: Callable[[], object]) -> int:
    """How many Python calls a piece of work makes: the same on a busy machine as on an idle one."""
    count = 0

    def count_one(frame: FrameType, event: str, argument: object) -> None:
        nonlocal count
        count += event == "call"

    sys.setprofile(count_one)
    try:
        work()
    finally:
        sys.setprofile(None)
    return count


@contextmanager
def watched(seconds: int = 20) -> Iterator[None]:
    """Fail what hangs: no measure of speed, only an end to waiting."""

    def late(number: int, frame: FrameType | None) -> None:
        raise AssertionError(f"still at it after {seconds} s")

    before = signal.signal(signal.SIGALRM, late)
    signal.alarm(seconds)
    try:
        yield
    finally:
        signal.alarm(0)
        signal.signal(signal.SIGALRM, before)


def until(done: Callable[[], object], seconds: float = 180.0) -> None:
    """Wait for something that comes by itself; patience for a machine that does other work, not a measure of speed."""
    end = time.monotonic() + seconds
    while not done():
        if time.monotonic() > end:
            raise AssertionError(f"it did not come in {seconds:.0f} s")
        time.sleep(0.05)


class NumbersCase(unittest.TestCase):
    """Assertions on numbers and arrays with a stated tolerance."""

    def close(self, actual: Any, expected: Any, *, rel: float = 0.0, abs: float = 0.0, note: str = "") -> None:
        """Every element within ``abs + rel |expected|``."""
        a, e = np.asarray(actual, dtype=float), np.asarray(expected, dtype=float)
        off = np.max(np.abs(a - e) - (abs + rel * np.abs(e)))
        self.assertLessEqual(float(off), 0.0, f"{note} {a} is not {e} within rel {rel} abs {abs}")

    def between(self, actual: Any, low: float, high: float, note: str = "") -> None:
        """Every element within a band, ends included."""
        a = np.asarray(actual, dtype=float)
        self.assertTrue(bool(np.all((a >= low) & (a <= high))), f"{note} {a} is not within {low} to {high}")

    def falling(self, values: Any, note: str = "") -> None:
        """Each value below the one before."""
        self.assertTrue(bool(np.all(np.diff(np.asarray(values, dtype=float)) < 0.0)), f"{note} {values}")

    def rising(self, values: Any, note: str = "") -> None:
        """Each value above the one before."""
        self.assertTrue(bool(np.all(np.diff(np.asarray(values, dtype=float)) > 0.0)), f"{note} {values}")


def edited(
    *edits: tuple[str, str | None], document: dict[str, Any] | None = None, action: str = "set"
) -> dict[str, Any]:
    """A document with fields set one by one, as they are typed; a road car's where none is given."""
    found = dict(ROAD) if document is None else document
    for path, text in edits:
        found = apply_edit(found, Edit(path, text, action=action))
    return found
