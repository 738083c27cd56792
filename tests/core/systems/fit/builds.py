"""Builds that the tests of fit share: five tapes, and a bay known all round."""

from collections.abc import Sequence
from typing import Any

from gauge_well.core.systems.fit.gaps import Close
from tests.support import ROAD, changed

FIVE = {
    "unit.length": "600 mm",
    "unit.cover": "385 mm",
    "bay.length": "950 mm",
    "bay.rails": "860 mm",
    "bay.edge": "850 mm",
}
# All that a gap by hand hangs on; solid mounts, so that nothing rocks but what a test asks.
TAPED = {
    **FIVE,
    "from_panel": "260 mm",
    "crank_height": "400 mm",
    "crank_left": "0 mm",
    "unit.pan": "200 mm",
    "unit.pan_shallow": "120 mm",
    "unit.block": "150 mm",
    "unit.left": "260 mm",
    "unit.right": "240 mm",
    "unit.bell": "160 mm",
    "bay.bonnet_rear": "20 mm",
    "bay.bonnet_front": "20 mm",
    "bay.stack_depth": "130 mm",
    "bay.member_front": "150 mm",
    "bay.member_rear": "30 mm",
    "bay.member_top": "240 mm",
    "bay.tunnel_width": "420 mm",
    "bay.tunnel_roof": "640 mm",
    "rock": "0 deg",
    "rock_height": "96.25 mm",
    "bounce": "0 mm",
}


def fitted(**paths: Any) -> dict[str, Any]:
    """The taped bay with some of its facts set."""
    return changed(changed(ROAD, fit=TAPED), **paths)


def exactly(raw: dict[str, Any]) -> dict[str, Any]:
    """A build of which everything stated of fit and lie is known to a hair, so that what a test doubts stands alone."""

    def known(name: str, value: Any) -> Any:
        words = str(value).split()
        if isinstance(value, dict) or len(words) != 2 or words[1] not in ("mm", "deg"):
            return value
        return {"text": value, "evidence": "taped", "tolerance": f"0.001 {words[1]}"}

    parts = [
        {**p, "facts": {n: known(n, v) for n, v in p["facts"].items()}}
        if str(p.get("role", "")).startswith("fit.")
        else p
        for p in raw["parts"]
    ]
    level = {f"engine_{n}": known(n, "0 deg") for n in ("yaw", "pitch", "roll")}
    fit = {n: known(n, v) for n, v in raw.get("fit", {}).items()}
    return {**raw, "parts": parts, "fit": fit, "installation": raw.get("installation", {}) | level}


def solid(what: str, moves: str, **facts: str) -> dict[str, Any]:
    """A thing in the bay, as a part of a sheet."""
    return {"role": "fit.solids", "facts": {"what": what, "moves": moves, **facts}}


def with_things(raw: dict[str, Any], *things: dict[str, Any]) -> dict[str, Any]:
    """A build with things in its bay."""
    return {**raw, "parts": [*raw["parts"], *things]}


def by_machine(close: Sequence[Close]) -> dict[str, Close]:
    """The tightest pair against each thing of the machine, by the thing's id."""
    found: dict[str, Close] = {}
    for item in close:
        found.setdefault(item.machine.whole, item)
    return found
