"""JSON Schema of the build sheet."""

from __future__ import annotations

from typing import Any

from gauge_well.sheet.document import FORMAT, BuildDocument


def json_schema() -> dict[str, Any]:
    """Schema of the document (2020-12), as shipped in ``docs/build-sheet.schema.json``."""
    schema: dict[str, Any] = BuildDocument.model_json_schema()
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "$id": FORMAT} | schema
