"""``./gw fuzz [--calls N | --seconds N] [--sheets N] [--seed N]``: calls against the OpenAPI document, sheets in process."""

from __future__ import annotations

import argparse
import logging
import os
import random
import sys
import time
import traceback
import uuid
from collections import Counter
from concurrent.futures import ProcessPoolExecutor

from gauge_well.core.run import bands
from gauge_well.services.sizing import check, report_of
from gauge_well.sheet import SheetError
from gauge_well.web.app import create_app
from tests import database
from tests.database import SHELF
from tests.fuzzing.calls import Tally, rounds, until
from tests.fuzzing.sheets import sheet_of

BATCH = 250
DRAWS = 16


def some_sheets(number: int, count: int) -> tuple[Counter[str], list[str]]:
    """Sheets from a seed: read, sized with all their working, and drawn; how they ended, and what was wrong."""
    chance, ends, faults = random.Random(number), Counter[str](), []
    for index in range(count):
        raw = sheet_of(chance)
        try:
            sheet, resolved = check(raw)
            state = report_of(sheet, resolved, "all")["state"]
            if state != "unknown" or index % 8 == 0:
                bands.sure(resolved.case, DRAWS)
            ends[state] += 1
        except SheetError:
            ends["refused"] += 1
        except Exception:
            ends["fault"] += 1
            faults.append(f"seed {number}, sheet {index}\n{traceback.format_exc()[-1500:]}")
    return ends, faults


def sheets(number: int, count: int) -> tuple[Counter[str], list[str]]:
    """The same on every core."""
    ends, faults = Counter[str](), list[str]()
    with ProcessPoolExecutor() as pool:
        for found, wrong in pool.map(
            some_sheets, range(number, number + -(-count // BATCH)), [BATCH] * -(-count // BATCH)
        ):
            ends += found
            faults += wrong
            print(f"\r  {ends.total()} sheets", end="", file=sys.stderr, flush=True)
    print(file=sys.stderr)
    return ends, faults


def calls(number: int, count: int, seconds: float) -> Tally:
    """Calls against a database of its own, so many of them, or for so long."""
    end = time.monotonic() + seconds
    name = f"fuzz_{uuid.uuid4().hex[:12]}"
    app = create_app(database.make(name, database.template(SHELF)), {})
    engine = app.extensions["gauge_well_engine"]
    try:
        told = 0

        def enough(tally: Tally) -> bool:
            nonlocal told
            if tally.calls - told >= 500:
                told = tally.calls
                print(f"  {tally.told()}", file=sys.stderr, flush=True)
            return time.monotonic() >= end if seconds else tally.calls >= count

        return until(rounds(app, engine, number), enough)
    finally:
        engine.dispose()
        database.drop(name)


def main() -> int:
    """Print what was found; 1 where anything was wrong."""
    parser = argparse.ArgumentParser()
    parser.add_argument("--calls", type=int, default=1000)
    parser.add_argument("--seconds", type=float, default=0.0, help="call for so long instead")
    parser.add_argument("--sheets", type=int, default=1000)
    parser.add_argument("--seed", type=int, default=1)
    options = parser.parse_args()
    logging.getLogger("gauge_well").setLevel(logging.CRITICAL)
    faults: list[str] = []
    if options.sheets:
        ends, wrong = sheets(options.seed, options.sheets)
        faults += wrong
        print(f"{ends.total()} sheets: " + ", ".join(f"{end} {count}" for end, count in sorted(ends.items())))
    if options.calls or options.seconds:
        os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
        tally = calls(options.seed, options.calls, options.seconds)
        faults += tally.faults
        print(tally.told())
    for fault in faults[:20]:
        print("\n" + fault)
    return 1 if faults else 0


if __name__ == "__main__":
    sys.exit(main())
