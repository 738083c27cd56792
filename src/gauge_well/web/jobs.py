"""Long work that routes hand to the bench: what it is called, and how it is done."""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator, Mapping
from contextlib import closing
from typing import Any

from flask import Response, current_app

from gauge_well.services import (
    catalogue,
    compare,
    driving,
    explore,
    faults,
    need,
    options,
    order,
    order_files,
    outlining,
    photographs,
    readings,
    recordings,
    seeking,
    shaping,
    shopping,
    starting,
)
from gauge_well.web.api import hung_up
from gauge_well.web.bench import HungUp, Runner
from gauge_well.web.documents import STREAM

Job = Callable[..., Iterator[Any]]


def _once(call: Callable[..., Any]) -> Job:
    """A job of one item: what a call returns."""

    def run(*args: Any) -> Iterator[Any]:
        yield call(*args)

    return run


JOBS: Mapping[str, Job] = {
    # Looked up when it is called, so that a test can put another in its place.
    "explore": lambda *args: explore.explore(*args),
    "shape": _once(shaping.taken),
    "scene": _once(shaping.written),
    "outline": _once(outlining.taken),
    "outlined": _once(outlining.written),
    "seek": lambda *args: seeking.sought(*args),
    "sure_report": _once(explore.sure_report),
    "solve": _once(explore.solve_for),
    "compare": _once(compare.compared),
    "need": _once(need.needs_with_bands),
    "need_csv": _once(need.as_csv),
    "photograph": _once(photographs.made),
    "catalogue": _once(catalogue.read),
    "shop": lambda *args: shopping.shopped(*args),
    "options": _once(options.options_of),
    "order": _once(order.order_of),
    "order_csv": _once(order_files.tasks_csv),
    "things_csv": _once(order_files.things_csv),
    "order_ics": _once(order_files.calendar),
    "start": _once(starting.start_of),
    "faults": _once(faults.faults_of),
    "thresholds_csv": _once(starting.thresholds_csv),
    "readings": _once(readings.readings_of),
    "drive": _once(driving.drive_of),
    "logger": _once(driving.logged_csv),
    "recording_read": _once(recordings.preview),
    "recording_packed": _once(recordings.packed),
    "play": lambda *args: faults.play(*args),
}


def _runner() -> Runner:
    runner: Runner = current_app.extensions["gauge_well_bench"]
    return runner


def stream(name: str, *args: Any) -> Iterator[Any]:
    """What a job gives, as it comes; the job ends when this is closed, or whoever asked has hung up."""
    return _runner().stream(name, args, hung_up())


def work(name: str, *args: Any) -> Any:
    """What a job of one item gives."""
    items = stream(name, *args)
    try:
        return first(items)
    finally:
        items.close()  # type: ignore[attr-defined]


def first(items: Iterator[Any]) -> Any:
    """The first of what a job gives.

    Raises
    ------
    HungUp
        Where it ended before, for nobody waits for it any more.
    """
    for item in items:
        return item
    raise HungUp


def streamed(name: str, *args: Any) -> Response:
    """What a job gives as an answer, one event a line as it is worked; close the connection and the rest is dropped."""
    return as_lines(stream(name, *args))


def as_lines(events: Iterator[Any]) -> Response:
    """Events as an answer, one a line as they come."""
    # A sheet that does not stand, or work there is no room for, is refused before anything is sent.
    opening = first(events)

    def lines() -> Iterator[str]:
        with closing(events):  # type: ignore[type-var]
            yield json.dumps(opening, allow_nan=False, ensure_ascii=False) + "\n"
            for event in events:
                yield json.dumps(event, allow_nan=False, ensure_ascii=False) + "\n"

    return Response(lines(), mimetype=STREAM, headers={"Cache-Control": "no-store", "X-Accel-Buffering": "no"})
