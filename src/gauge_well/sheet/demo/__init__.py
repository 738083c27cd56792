"""Demo builds: our own invention, one JSON file each."""

from __future__ import annotations

import json
from importlib import resources
from typing import Any

NAMES = ("quarry-mule", "dripping-well", "chalk-hare", "reed-otter", "salt-heron", "thistle-kite")


def demo(name: str) -> dict[str, Any]:
    """Raw document of a demo build; KeyError when there is none of that name."""
    if name not in NAMES:
        raise KeyError(name)
    text = (resources.files(__package__) / f"{name}.json").read_text(encoding="utf-8")
    document: dict[str, Any] = json.loads(text)
    return document
