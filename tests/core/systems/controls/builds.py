"""The driveline's car with facts of its controls."""

from typing import Any

from tests.core.systems.driveline.builds import CLUTCH, STACK
from tests.core.systems.driveline.builds import build as car
from tests.support import parted, report

CABLE = {"throttle": "cable", "pedal_moves": "38 mm", "wheel": "32 mm", "opens": "85 deg", "slack": "0 mm"}
VACUUM = {"depth": "65 kPa", "bore": "250 mm", "stroke": "22.4 mm", "holds": "6 L"}
PEDAL = {"pad": "140 mm", "pad_lost": "10 mm", "pedal_ratio": "6", "master": "19.05 mm", "slave": "19.05 mm", "fork": "1.8", "through": "100 %", "gives": "0 mm"}  # fmt: skip
LEVER = {"shifter": "direct", "above": "300 mm", "below": "60 mm", "throw": "10 mm"}
RACK = {"lowered": "20 mm", "rod": "350 mm", "steer_arm": "130 mm", "bump": "30 mm"}


def build(
    *parts: dict[str, Any], machine: dict[str, Any] | None = None, clutch: bool = True, **facts: Any
) -> dict[str, Any]:
    """The car; its driveline with a clutch and a stack, or bare."""
    made = car(machine=machine, **({**CLUTCH, **{k: v for k, v in STACK.items() if k != "stroke"}} if clutch else {}))
    made = parted({**made, "controls": facts})
    made["parts"] = [*made.get("parts", []), *parts]
    return made


def block(
    *parts: dict[str, Any], machine: dict[str, Any] | None = None, clutch: bool = True, **facts: Any
) -> dict[str, Any]:
    """Its report's controls."""
    found: dict[str, Any] = report(build(*parts, machine=machine, clutch=clutch, **facts))["systems"]["controls"]
    return found


def part(place: str, **facts: Any) -> dict[str, Any]:
    """A part of a list of the controls', its facts as they are typed."""
    return {"role": f"controls.{place}", "facts": {k: v if k in ("what", "by", "has") else {"text": v, "evidence": "taped"} for k, v in facts.items()}}  # fmt: skip
