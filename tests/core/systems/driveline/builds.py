"""An invented car and its driveline, all of it stated."""

from typing import Any

from tests.support import changed, parted, report

_BUILD: dict[str, Any] = {
    "name": "Test line",
    "machine": {
        "kind": "road_car",
        "mass": "1300 kg",
        "drag_area": "0.65 m2",
        "rolling_resistance": "0.012",
        "drive": "rear",
        "gearbox": "manual",
        "gear_ratios": [["3.5"], ["2.05"], ["1.4"], ["1.0"], ["0.8"]],
        "final_drive": "3.9",
        "tyre_diameter": "620 mm",
    },
    "engine": {
        "fuel": "petrol_e10",
        "aspiration": "natural",
        "displacement": "3 L",
        "cylinders": "6",
        "rated_power": "160 kW",
        "rated_speed": "6000 rpm",
        "peak_torque": "290 Nm",
        "peak_torque_speed": "4000 rpm",
        "idle_speed": "800 rpm",
        "limit_speed": "6500 rpm",
    },
    "duties": [
        {"id": "pull", "name": "Pull", "kind": "pull", "speed": "90 km/h", "ambient": "25 C", "power_share": "60 %"},
        {"id": "road", "name": "Road", "kind": "road", "speed": "110 km/h", "grade": "0 %", "ambient": "25 C"},
    ],
    "oil": {"grade": "10w30"},
    "mounts": {"grip": "0.95", "dump": "2", "axle": "650 kg", "wheel": "300 mm"},
}
CLUTCH = {
    "clutch__outer": "240 mm",
    "clutch__inner": "160 mm",
    "clutch__clamp": "8.5 kN",
    "clutch__friction": "0.30",
    "clutch__release": "10 mm",
}
# In mm: fingers at 20 + 26 + 45 = 91, bearing at 12 + 130 - 48.5 = 93.5: 2.5 free.
STACK = {
    "crank_flange": "20 mm",
    "adapter": "12 mm",
    "flywheel__face": "26 mm",
    "clutch__height": "45 mm",
    "bell": "130 mm",
    "bearing": "48.5 mm",
    "stroke": "14 mm",
}
INPUT = {
    "reach": "10 mm",
    "nose": "16 mm",
    "hole": "26 mm",
    "pilot_in": "2 mm",
    "pilot_long": "14 mm",
    "spline_long": "60 mm",
    "spline_across": "25 mm",
    "clutch__hub_behind": "10 mm",
    "clutch__hub_long": "25 mm",
}


def build(*parts: dict[str, Any], machine: dict[str, Any] | None = None, **facts: Any) -> dict[str, Any]:
    """The car with facts of its driveline."""
    made = parted(changed(_BUILD, **{f"driveline__{name}": value for name, value in facts.items()}))
    made["machine"] = {**made["machine"], **(machine or {})}
    made["parts"] = [*made.get("parts", []), *parts]
    return made


def block(*parts: dict[str, Any], machine: dict[str, Any] | None = None, **facts: Any) -> dict[str, Any]:
    """Its report's driveline."""
    found: dict[str, Any] = report(build(*parts, machine=machine, **facts))["systems"]["driveline"]
    return found


def check(found: dict[str, Any], begins: str) -> dict[str, Any]:
    """One check by its id or how that begins, the worst duty's."""
    rows = [c for c in found["checks"] if c["id"] == begins] or [
        c for c in found["checks"] if c["id"].startswith(begins)
    ]
    return max(rows, key=lambda c: c["fill"] or 0.0)


def part(place: str, **facts: Any) -> dict[str, Any]:
    """A part of a list of the driveline's, its facts as they are typed."""
    return {"role": f"driveline.{place}", "facts": {k: v if k in WORDS else {"text": v, "evidence": "taped"} for k, v in facts.items()}}  # fmt: skip


WORDS = ("line", "steel", "side", "inner", "axle", "taped", "steers", "what", "at", "called")
