"""A core report turned into plain JSON: sentences and working printed in the build's units."""

from __future__ import annotations

import math
import re
from collections.abc import Mapping
from dataclasses import is_dataclass
from typing import Any

from gauge_well.core.sentence import Sentence
from gauge_well.core.validity import Notice
from gauge_well.core.working import Step
from gauge_well.units import show
from gauge_well.units.printing import Preference

# "79 hp of 88 hp" reads better as "79 of 88 hp".
_TWICE = re.compile(r"(\d[\d.,]*)\u00a0(\S+?) (of|to|→|×) (−?-?\d[\d.,]*)\u00a0\2(?=[\s.,;:)]|$)")


def sentence(item: Sentence, prefer: Preference) -> str:
    """Print a sentence with its quantities."""
    values = {
        key: value if isinstance(value, str) else show(value[0], value[1], prefer) for key, value in item.values.items()
    }
    return _TWICE.sub("\\1 \\3 \\4\u00a0\\2", item.template.format(**values)).strip()


def _number(value: float) -> float | None:
    return float(value) if math.isfinite(value) else None


def _step(item: Step, prefer: Preference) -> dict[str, Any]:
    return {
        "symbol": item.symbol,
        "name": item.name,
        "formula": item.formula,
        "value": _number(item.value),
        "kind": item.kind,
        "shown": show(item.value, item.kind, prefer),
        "inputs": {key: _number(value) for key, value in item.inputs.items()},
        "source": item.source,
        "solved": item.solved,
    }


_AS_IS = frozenset({str, int, bool, type(None)})


def plain(item: Any, prefer: Preference) -> Any:
    """Plain JSON of anything in a report; numbers that are not finite become null."""
    kind = type(item)
    # The commonest first: a report is some ten thousand of these.
    if kind is float:
        return item if math.isfinite(item) else None
    if kind in _AS_IS:
        return item
    if kind is dict:
        return {key: plain(value, prefer) for key, value in item.items()}
    if kind is list or kind is tuple:
        return [plain(value, prefer) for value in item]
    if kind is Sentence:
        return sentence(item, prefer)
    if kind is Step:
        return _step(item, prefer)
    if kind is Notice:
        return {
            "code": item.code,
            "sentence": sentence(item.sentence, prefer),
            "field": item.field,
            "duty": item.duty,
            "part": item.part,
        }
    if is_dataclass(item):
        return {key.rstrip("_"): plain(value, prefer) for key, value in vars(item).items()}
    if isinstance(item, Mapping):
        return {key: plain(value, prefer) for key, value in item.items()}
    if isinstance(item, float):
        return _number(item)
    return item
