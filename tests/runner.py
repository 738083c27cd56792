"""Runs test modules and checks on two processes at once, longest first, and says where the time went."""

from __future__ import annotations

import io
import json
import os
import subprocess
import threading
import time
import traceback
import unittest
from collections.abc import Callable, Iterator, Mapping, Sequence
from concurrent.futures import Future, ProcessPoolExecutor, as_completed
from contextlib import contextmanager
from dataclasses import dataclass, field
from multiprocessing import get_context, parent_process
from pathlib import Path

WORKERS = 2
SLOWEST = 10
# Times of the last run, kept on the machine only: they decide what is begun first, never what is run.
TIMES = Path(__file__).parent / ".times.json"


@dataclass(frozen=True)
class Module:
    """Tests of one file; ``names`` narrows it to some of them."""

    name: str
    names: tuple[str, ...] = ()

    def asked(self, names: Sequence[str]) -> list[str]:
        """Which of some names of folders, modules, classes or tests speak of it, or of something in it."""
        own = self.name + "."
        return [
            n if n.startswith(own) else self.name for n in names if f"{n}.".startswith(own) or own.startswith(f"{n}.")
        ]

    @property
    def stage(self) -> str:
        """Folder under ``tests``, by which time is told."""
        parts = self.name.split(".")
        return parts[1] if len(parts) > 2 else "house"


@dataclass(frozen=True)
class Check:
    """A style or type check: a command that says nothing or fails."""

    name: str
    command: tuple[str, ...]
    folder: str
    stage: str = "style and types"


@dataclass(frozen=True)
class Ran:
    """What came of one module or check."""

    unit: Module | Check
    seconds: float
    run: int = 0
    passed: int = 0
    failed: int = 0
    skipped: int = 0
    faults: Sequence[tuple[str, str]] = ()
    times: Sequence[tuple[str, float]] = ()


class Timed(unittest.TextTestResult):
    """A result that keeps how long each test took."""

    def __init__(self, *args: object, **options: object) -> None:
        super().__init__(*args, **options)  # type: ignore[arg-type]
        self.times: list[tuple[str, float]] = []

    def startTest(self, test: unittest.TestCase) -> None:
        """Note the time."""
        super().startTest(test)
        self._began = time.monotonic()

    def stopTest(self, test: unittest.TestCase) -> None:
        """Note how long it took."""
        self.times.append((test.id(), time.monotonic() - self._began))
        super().stopTest(test)


def run_module(module: Module) -> Ran:
    """Run one module's tests; warnings are errors."""
    began = time.monotonic()
    suite = unittest.TestLoader().loadTestsFromNames(module.names or [module.name])
    runner = unittest.TextTestRunner(io.StringIO(), verbosity=0, warnings="error", resultclass=Timed)
    result = runner.run(suite)
    assert isinstance(result, Timed)
    faults = [(test.id(), said) for test, said in (*result.failures, *result.errors)]
    faults += [(test.id(), "passed, though expected to fail") for test in result.unexpectedSuccesses]
    if not result.testsRun and not faults:
        faults = [(module.name, "no test in it was run")]
    # Several parts of one test may fail; a class whose setting up failed ran none of its tests.
    broken = {getattr(test, "test_case", test).id() for test, _ in (*result.failures, *result.errors)}
    broken |= {test.id() for test in result.unexpectedSuccesses}
    passed = result.testsRun - len(broken & {name for name, _ in result.times}) - len(result.skipped)
    return Ran(
        module,
        time.monotonic() - began,
        result.testsRun,
        passed,
        max(len(broken), len(faults) > 0),
        len(result.skipped),
        faults,
        result.times,
    )


def run_check(check: Check) -> Ran:
    """Run one check; what it printed is kept where it failed."""
    began = time.monotonic()
    found = subprocess.run(check.command, cwd=check.folder, capture_output=True, text=True, check=False)
    faults = [(check.name, found.stdout + found.stderr)] if found.returncode else []
    return Ran(check, time.monotonic() - began, failed=len(faults), faults=faults)


def run_unit(unit: Module | Check) -> Ran:
    """Run a module or a check."""
    return run_module(unit) if isinstance(unit, Module) else run_check(unit)


def known_times() -> dict[str, float]:
    """Seconds by name of the last run; empty on a new machine."""
    try:
        found = json.loads(TIMES.read_text())
    except (OSError, ValueError):
        return {}
    return {k: float(v) for k, v in found.items()} if isinstance(found, dict) else {}


# Seconds a module takes where no last run says: a browser's waits are long, arithmetic is not.
USUAL = {"launch": 70.0, "browser": 60.0, "web": 35.0, "services": 30.0, "style and types": 30.0, "cli": 8.0}


def longest_first(units: Sequence[Module | Check], known: Mapping[str, float]) -> list[Module | Check]:
    """In the order they are begun."""

    def expected(unit: Module | Check) -> float:
        return known.get(unit.name, USUAL.get(unit.stage, 2.0))

    return sorted(units, key=expected, reverse=True)


@dataclass
class Tally:
    """Counts and times of a run as they come in."""

    tell: Callable[[str], None]
    passed: int = 0
    failed: int = 0
    skipped: int = 0
    times: list[tuple[str, float]] = field(default_factory=list)
    units: dict[str, float] = field(default_factory=dict)
    stages: dict[str, list[float]] = field(default_factory=dict)

    def take(self, ran: Ran) -> None:
        """Count one module or check and say what failed in it."""
        unit = ran.unit
        self.units[unit.name] = ran.seconds
        stage = self.stages.setdefault(unit.stage, [0.0, 0.0])
        stage[0] += ran.seconds
        stage[1] += ran.run
        self.times += ran.times
        self.passed += ran.passed
        self.skipped += ran.skipped
        self.failed += ran.failed
        for name, said in ran.faults:
            self.tell(f"\nFAILED {name}\n{said}")

    def report(self, seconds: float) -> None:
        """Time by stage, the slowest tests, and the counts alone on the closing line."""
        self.tell("\nTime by stage (two processes side by side):")
        for stage, (spent, count) in sorted(self.stages.items(), key=lambda s: -s[1][0]):
            self.tell(f"  {stage:16} {spent:6.1f} s" + (f"  {count:4.0f} tests" if count else ""))
        self.tell(f"  {'all, by the clock':16} {seconds:5.1f} s")
        self.tell(f"\nThe {SLOWEST} slowest tests:")
        for name, spent in sorted(self.times, key=lambda t: -t[1])[:SLOWEST]:
            self.tell(f"  {spent:6.1f} s  {name.removeprefix('tests.')}")
        skipped = f", {self.skipped} skipped" if self.skipped else ""
        self.tell(f"\n{self.passed} passed, {self.failed} failed{skipped}")


@contextmanager
def _workers(count: int) -> Iterator[ProcessPoolExecutor]:
    """Worker processes; broken off, what has not begun is dropped."""
    context = get_context("forkserver")
    context.set_forkserver_preload(["tests.support"])  # what nearly all import, once for all workers
    pool = ProcessPoolExecutor(count, mp_context=context, initializer=_end_with_parent)
    try:
        yield pool
    except BaseException:
        pool.shutdown(wait=False, cancel_futures=True)
        raise
    pool.shutdown()


def _end_with_parent() -> None:
    """A worker whose parent is gone ends, and its browser with it."""

    def watch() -> None:
        parent = parent_process()
        if parent is not None:
            parent.join()
            os._exit(1)

    threading.Thread(target=watch, daemon=True).start()


def run_all(units: Sequence[Module | Check], tell: Callable[[str], None], workers: int = WORKERS) -> Tally:
    """Run everything, longest first; a worker that dies fails what it was at."""
    known, tally = known_times(), Tally(tell)
    with _workers(workers) as pool:
        begun: dict[Future[Ran], Module | Check] = {pool.submit(run_unit, u): u for u in longest_first(units, known)}
        for future in as_completed(begun):
            unit = begun[future]
            try:
                ran = future.result()
            except Exception:
                ran = Ran(unit, 0.0, failed=1, faults=[(unit.name, traceback.format_exc())])
            tally.take(ran)
            if not ran.faults:
                tell(f"  {ran.seconds:6.1f} s  {unit.name}")
    TIMES.write_text(json.dumps(known | tally.units, indent=1, sort_keys=True))
    return tally
