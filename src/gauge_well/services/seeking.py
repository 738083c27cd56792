"""Searches of a station that take seconds: how far they are, then what they come to."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Any

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.run import contexts
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Progress, Seek
from gauge_well.services import render
from gauge_well.services.changing import edits_of, offered
from gauge_well.services.errors import NotFound
from gauge_well.services.sizing import check, refused

SEEKS: Mapping[tuple[str, str], Seek] = {
    (id, name): seek for id, system in SYSTEMS.items() for name, seek in system.seeks.items()
}


def sought(raw: Mapping[str, Any], station: str, name: str) -> Iterator[dict[str, Any]]:
    """Events: ``progress`` (what, done, of), then ``answer`` with its data and the edits it comes to, or ``unknown``.

    NotFound where there is none of that name.
    """
    if (station, name) not in SEEKS:
        raise NotFound("search")
    sheet, resolved = check(raw)
    seek = SEEKS[station, name]
    try:
        context, _ = contexts.make_context(resolved.case, memory=MEMORY)
        for item in seek.seek(context, resolved.case.systems[station]):
            if isinstance(item, Progress):
                yield {"event": "progress", "what": item.what, "done": item.done, "of": item.of}
                continue
            offer = seek.offer(item)
            edits = [] if offer is None else [offered(edit) for edit in edits_of(offer, sheet)]
            yield {"event": "answer", "data": render.plain(item, sheet.prefer), "edits": edits}
    except MissingFact as error:
        yield {"event": "unknown", "missing": [error.field]}
    except CoreError as error:
        raise refused(error, sheet) from error
