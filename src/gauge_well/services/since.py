"""What was changed in a build since its verdict last was another."""

from __future__ import annotations

from typing import Any

from gauge_well.services import history

CHANGES = 60  # that are listed


def since(engine: Any, id: str) -> dict[str, Any]:
    """The verdict as it stands and as it was before, and the changes since; none where it never was another."""
    listed = history.revisions(engine, id)["revisions"]
    if not listed:
        return {"now": "", "before": "", "changes": []}
    now = listed[0]["verdict"]
    at = next((k for k, r in enumerate(listed) if r["verdict"] and r["verdict"] != now), None)
    if at is None:
        return {"now": now, "before": "", "changes": []}
    changes = [{name: r[name] for name in ("revision", "note", "created_at")} for r in listed[:at]]
    return {"now": now, "before": listed[at]["verdict"], "changes": changes[-CHANGES:]}
