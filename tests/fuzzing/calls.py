"""Calls at random from the OpenAPI document itself, answers held against it.

The document says what may be sent and what may come back; a call that is answered 5xx, with a status or a media type
that is not in it, or with a body of another shape is a fault. What makes calls go deep (ids that exist, revisions that
stand, sheets that can be sized) is put in by chance.
"""

from __future__ import annotations

import random
import time
from collections import Counter
from collections.abc import Callable, Iterator
from dataclasses import dataclass, field
from typing import Any

import hypothesis
import schemathesis
from hypothesis import HealthCheck, Phase, seed, settings
from schemathesis import Case
from schemathesis.checks import CHECKS, load_all_checks
from schemathesis.core.failures import FailureGroup
from sqlalchemy import Engine

from gauge_well.core.systems import SYSTEMS
from gauge_well.services import builds, shelf
from gauge_well.sheet.demo import NAMES
from gauge_well.web.documents import SHEET
from tests.fuzzing.sheets import sheet_of

HELD = (
    "not_a_server_error",
    "status_code_conformance",
    "content_type_conformance",
    "response_schema_conformance",
)
EACH = 6  # calls of an operation before the next
DEEP = 0.8  # calls that are given what exists
LONG = ("/api/explore", "/api/seek/")  # worked for seconds: asked less often
SHELF_MOST = 40


@dataclass
class Tally:
    """What was called, what was answered, what was wrong."""

    calls: int = 0
    statuses: Counter[int] = field(default_factory=Counter)
    faults: list[str] = field(default_factory=list)

    def told(self) -> str:
        """In a line."""
        counts = ", ".join(f"{status}: {count}" for status, count in sorted(self.statuses.items()))
        return f"{self.calls} calls ({counts}), {len(self.faults)} faults"


class Deep:
    """Puts into a call what exists."""

    def __init__(self, engine: Engine, chance: random.Random) -> None:
        self.engine, self.chance = engine, chance

    def _build(self) -> tuple[str, int]:
        cards = shelf.shelf(self.engine, limit=200)["builds"]
        while len(cards) > SHELF_MOST:
            gone = cards.pop()
            builds.delete(self.engine, gone["id"], gone["revision"])
        if not cards:
            builds.undelete(self.engine, NAMES[0])
            return self._build()
        card = self.chance.choice(cards)
        return str(card["id"]), int(card["revision"])

    def fill(self, case: Case) -> None:
        """Ids, revisions, stations and sheets, where the call has a place for them."""
        if self.chance.random() > DEEP:
            return
        path = dict(case.path_parameters or {})
        if "id" in path:
            path["id"], revision = self._build()
            if "revision" in path:
                path["revision"] = self.chance.randint(1, max(revision, 1))
            if case.headers is not None and "If-Match" in case.headers and self.chance.random() < DEEP:
                case.headers["If-Match"] = f'"{revision}"'
        if "system" in path:
            path["system"] = self.chance.choice([*SYSTEMS, "engine"])
        if path:
            case.path_parameters = path
        if isinstance(case.body, dict):
            if isinstance(case.body.get("sheet"), dict):
                case.body["sheet"] = sheet_of(self.chance)
            for edit in case.body.get("edits", ()) if isinstance(case.body.get("edits"), list) else ():
                if isinstance(edit, dict):
                    edit["path"] = self.chance.choice(("machine.mass", "engine.rated_power", "cooling.core.width"))
            case.body.pop("samples", None)


def rounds(app: Any, engine: Engine, number: int) -> Iterator[Tally]:
    """Call every operation some times over, for ever; the tally so far after each operation."""
    load_all_checks()
    checks = [CHECKS.get_one(name) for name in HELD]
    document = app.test_client().get("/api/openapi.json").get_json()
    for body in document["components"]["schemas"].values():
        _any_sheet(body.get("properties", {}))
    schema = schemathesis.openapi.from_dict(document)
    schema.app = app
    operations = [found.ok() for found in schema.get_all_operations()]
    tally = Tally()
    chance = random.Random(number)
    deep = Deep(engine, chance)
    # Many are drawings, and stand beside each other in the document: in its order a short run would see little else.
    chance.shuffle(operations)
    turn = 0
    while True:
        for operation in operations:
            turn += 1
            each = 2 if operation.path.startswith(LONG) else EACH
            _some(operation, each, number + turn, deep, checks, tally)
            yield tally


def _any_sheet(properties: dict[str, Any]) -> None:
    """Ask for no more of a sheet that is sent than that it be an object: sheets of our own go deeper, and sooner."""
    sheet = properties.get("sheet", {})
    if SHEET in (sheet.get("$ref"), *(option.get("$ref") for option in sheet.get("anyOf", ()))):
        properties["sheet"] = {"type": "object", "maxProperties": 3}


def _some(operation: Any, each: int, number: int, deep: Deep, checks: list[Any], tally: Tally) -> None:
    """Some calls of one operation."""

    @seed(number)
    @settings(
        max_examples=each,
        database=None,
        deadline=None,
        phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @hypothesis.given(case=operation.as_strategy())
    def run(case: Case) -> None:
        deep.fill(case)
        tally.calls += 1
        try:
            response = case.call()
            tally.statuses[response.status_code] += 1
            case.validate_response(response, checks=checks)
        except (Exception, FailureGroup) as error:
            tally.faults.append(f"{operation.method.upper()} {operation.path}: {str(error)[:1500]}")

    run()


LEAST = 600  # calls, however slow the machine


def until(found: Iterator[Tally], done: Callable[[Tally], bool]) -> Tally:
    """Go on until enough was called."""
    tally = next(found)
    while not done(tally):
        tally = next(found)
    return tally


def for_seconds(app: Any, engine: Engine, seconds: float, number: int) -> Tally:
    """Call for so long, from a seed, and on a slow machine until :data:`LEAST` calls are made."""
    end = time.monotonic() + seconds

    def done(tally: Tally) -> bool:
        return time.monotonic() >= end and sum(tally.statuses.values()) >= LEAST

    return until(rounds(app, engine, number), done)
