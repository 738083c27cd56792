"""An answer made small: what differs from the one that is held already."""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any

from gauge_well.core.run.memory import Memory, digest

Answer = Mapping[str, Any]

# Of the answers last given, what was worked for them: facts and report, by what they stand on.
_GIVEN = Memory(40)


def stands_on(document: Mapping[str, Any]) -> str:
    """A document's own mark: what is answered of it follows from it alone."""
    return digest(json.dumps(document, sort_keys=True)).hex()


def given(answer: Answer, held: str | None = None) -> dict[str, Any]:
    """The answer as it is given: whole, or less what it shares with the one that stood on ``held``.

    Blocks, rows and facts that are the same are left out, ``gone`` names the facts that are no more, ``since`` says of
    what it is the difference. Whole where that answer is forgotten, or is of another machine's systems.
    """
    before: Answer | None = _GIVEN.find(held) if held else None
    _GIVEN.recall(answer["stands_on"], lambda: answer)
    whole = dict(answer) | {"since": None, "gone": []}
    if before is None or not answer["report"] or not before["report"]:
        return whole
    report, old = answer["report"], before["report"]
    if list(report["systems"]) != list(old["systems"]):
        return whole
    rows, old_rows = (_by_system(r["rows"]) for r in (report, old))
    changed = {
        id: block
        for id, block in report["systems"].items()
        if block != old["systems"][id] or rows.get(id) != old_rows.get(id)
    }
    return whole | {
        "since": held,
        "facts": {path: fact for path, fact in answer["facts"].items() if before["facts"].get(path) != fact},
        "gone": [path for path in before["facts"] if path not in answer["facts"]],
        "report": report | {"systems": changed, "rows": [row for id in changed for row in rows.get(id, [])]},
    }


def _by_system(rows: list[dict[str, Any]]) -> dict[str, list[dict[str, Any]]]:
    found: dict[str, list[dict[str, Any]]] = {}
    for row in rows:
        found.setdefault(row["system"], []).append(row)
    return found
