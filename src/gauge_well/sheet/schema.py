"""JSON Schema of the build sheet."""

from __future__ import annotations

from typing import Any

from gauge_well.sheet.document import FORMAT, PART_MODELS, BuildDocument


def _untitled(item: Any) -> None:
    """Take out titles that only say a field's name again, and defaults of nothing."""
    if isinstance(item, dict):
        for field in item.get("properties", {}).values():
            field.pop("title", None)
            if field.get("default", 0) is None:
                field.pop("default")
        for value in item.values():
            _untitled(value)
    elif isinstance(item, list):
        for value in item:
            _untitled(value)


def json_schema() -> dict[str, Any]:
    """Schema of the document (2020-12), as shipped in ``docs/build-sheet.schema.json``."""
    schema: dict[str, Any] = BuildDocument.model_json_schema()
    _untitled(schema)
    for model in PART_MODELS.values():
        part = schema["$defs"][model.__name__]
        # By hand the kind may be left out where a role says it, and the id always.
        part.pop("required")
        part["anyOf"] = [{"required": ["kind"]}, {"required": ["role"]}]
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", "$id": FORMAT} | schema
