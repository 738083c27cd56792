"""An invented engine's front: five pulleys, an arm, a belt that serves."""

from typing import Any

from tests.support import changed, parted

# What, right, up, diameter [mm], side; the belt runs counter-clockwise through them.
FRONT: tuple[tuple[str, float, float, float, str], ...] = (
    ("crank", 0, 0, 140, "grooved"),
    ("steering", 185, 235, 130, "grooved"),
    ("water_pump", 15, 175, 126, "back"),
    ("alternator", -190, 255, 58, "grooved"),
    ("tensioner", -112, 90, 76, "back"),
)
ARM = {"pivot_right": "-147 mm", "pivot_up": "167 mm", "spring": "24 Nm", "travel": "40 deg"}
_BUILD: dict[str, Any] = {
    "name": "Test front",
    "machine": {"kind": "road_car", "mass": "1200 kg", "electrical_load": "700 W"},
    "engine": {
        "fuel": "petrol_e10",
        "aspiration": "natural",
        "displacement": "2 L",
        "cylinders": "4",
        "rated_power": "100 kW",
        "rated_speed": "6000 rpm",
        "idle_speed": "800 rpm",
        "limit_speed": "6500 rpm",
    },
    "duties": [{"id": "road", "name": "Road", "kind": "road", "speed": "100 km/h", "ambient": "25 C"}],
}


def pulley(what: str, right: float, up: float, size: float, side: str, **more: str) -> dict[str, Any]:
    """A pulley as a sheet has it."""
    place = {} if what == "crank" else {"right": f"{right} mm", "up": f"{up} mm"}
    return {"role": "belts.pulleys", "facts": {"what": what, "diameter": f"{size} mm", "side": side, **place, **more}}


def front(*rows: tuple[Any, ...], arm: dict[str, str] | None = None, **facts: Any) -> dict[str, Any]:
    """A build with those pulleys, else the whole front; facts as ``section__field``."""
    own = rows or FRONT
    pulleys = [
        pulley(
            *row[:5],
            **(ARM if arm is None else arm) if row[0] == "tensioner" else {},
            **(row[5] if len(row) > 5 else {}),
        )
        for row in own
    ]
    made = parted(changed(_BUILD, **facts))
    made["parts"] = [*made.get("parts", []), *pulleys]
    return made
