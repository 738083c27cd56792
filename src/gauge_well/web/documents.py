"""The OpenAPI document made true: every refusal, the sheet's own schema, the fence of every write."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from pydantic import BaseModel
from pydantic.json_schema import models_json_schema

from gauge_well.sheet.document import BuildDocument

SCHEMAS = "#/components/schemas/"
SHEET = SCHEMAS + "BuildDocument"
PROBLEM = "application/problem+json"
# Titles of what any request may meet, by what it carries; a route's own refusals stand beside it.
ANY = {
    "400": "The request is not well-formed, or is sent to a host that is not served here",
    "500": "The program failed",
    "503": "The database does not answer, or too much is being worked",
}
WRITING = {"403": "The request comes from another site"}
BODY = {
    "413": "The request is too large",
    "415": "The request is no JSON",
    "422": "A field cannot be taken: it is named",
}


STREAM = "application/x-ndjson"
STREAMED = "Event"  # as models end that are given one a line


PHOTOGRAPHS, CATALOGUE = "/api/photographs", "/api/catalogue"
RECORDINGS = ("/api/recordings", "/api/recordings/read")
RAW = (
    "/api/shape",
    "/api/outline",
    "/api/pins",
    CATALOGUE,
    PHOTOGRAPHS,
    *RECORDINGS,
)  # routes that take a file's bytes as they are
BYTES, BINARY = "application/octet-stream", {"type": "string", "format": "binary"}


def _media(answer: dict[str, Any]) -> dict[str, Any]:
    """An answer with the media type it is really sent as."""
    content = answer.get("content", {})
    if any(c.get("schema", {}).get("$ref", "").endswith(STREAMED) for c in content.values()):
        return answer | {"content": {STREAM: next(iter(content.values()))}}
    return answer


def _problem(said: str, schema: str = "Problem") -> dict[str, Any]:
    return {"description": said, "content": {PROBLEM: {"schema": {"$ref": SCHEMAS + schema}}}}


def _responses(method: str, operation: dict[str, Any]) -> dict[str, Any]:
    """An operation's answers with every refusal it may meet."""
    common = ANY | (WRITING if method != "get" else {}) | (BODY if "requestBody" in operation else {})
    if operation.get("parameters"):
        common = common | {"422": BODY["422"]}
    found: dict[str, Any] = {}
    for status, answer in operation["responses"].items():
        if int(status) < 400:
            found[status] = _media(answer)
            continue
        schemas = [c["schema"]["$ref"] for c in answer.get("content", {}).values() if "$ref" in c.get("schema", {})]
        name = schemas[0].removeprefix(SCHEMAS) if schemas else "Problem"
        found[status] = _problem(answer.get("description") or common.get(status, ""), name)
    return dict(sorted(({s: _problem(said) for s, said in common.items()} | found).items()))


def _with_sheet(node: Any) -> Any:
    """Put the sheet's own schema where a model marks a document."""
    if isinstance(node, dict):
        mark = node.get("title")
        if mark == "x-sheet-whole":
            return {"$ref": SHEET}
        if mark == "x-sheet-kept":
            return {
                "anyOf": [{"$ref": SHEET}, {"type": "object", "additionalProperties": True}],
                "description": "As it was kept; a newer program may have written it.",
            }
        # A default of nothing says no more than that the field may be left out.
        return {k: _with_sheet(v) for k, v in node.items() if not (k == "default" and v is None)}
    return [_with_sheet(item) for item in node] if isinstance(node, list) else node


def true_document(document: dict[str, Any], answered: Iterable[type[BaseModel]]) -> dict[str, Any]:
    """The library's document with what it cannot know, and the models that answers are made of."""
    asked = [(model, "validation") for model in sorted(answered, key=lambda m: m.__name__)]
    template = SCHEMAS + "{model}"
    _, models = models_json_schema([*asked, (BuildDocument, "validation")], ref_template=template)  # type: ignore[list-item]
    document["components"]["schemas"] |= models["$defs"]
    found: dict[str, Any] = _with_sheet(document)
    for address, path in found["paths"].items():
        for method, operation in path.items():
            if address in RAW:
                operation["requestBody"] = {"required": True, "content": {BYTES: {"schema": BINARY}}}
            operation["responses"] = _responses(method, operation)
            for parameter in operation.get("parameters", ()):
                if parameter["in"] == "header":
                    # Its absence has an answer of its own, so the model lets it pass.
                    parameter["required"] = True
                    parameter["schema"] = {"type": "string", "pattern": '^"?[0-9]{1,9}"?$'}
    return found
