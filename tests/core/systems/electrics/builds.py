"""An invented machine of which battery, alternator, draws and wires are stated."""

from typing import Any

from tests.support import changed, parted

_BUILD: dict[str, Any] = {
    "name": "Test loom",
    "machine": {"kind": "road_car", "mass": "1200 kg"},
    "engine": {
        "fuel": "petrol_e10",
        "aspiration": "natural",
        "displacement": "2 L",
        "cylinders": "4",
        "rated_power": "100 kW",
        "rated_speed": "6000 rpm",
        "idle_speed": "750 rpm",
        "limit_speed": "6500 rpm",
    },
    "duties": [
        {"id": "jam", "name": "Jam", "kind": "idle", "ambient": "25 C", "duration": "20 min"},
        {
            "id": "work",
            "name": "Work",
            "kind": "typed",
            "engine_power": "40 kW",
            "engine_speed": "2500 rpm",
            "ambient": "25 C",
        },
    ],
    "oil": {"grade": "10w30"},
    "electrics": {
        "coldest": "-20 C",
        "lead__length": "5 m",
        "lead__area": "50 mm2",
        "body": "0 mohm",
        "battery__amps": "520 A",
        "battery__capacity": "60 Ah",
        "alternator__low": "55 A",
        "alternator__full": "110 A",
        "alternator__ratio": "2.5",
        "starter__power": "1.2 kW",
        "starter__ratio": "12",
    },
}
LOADS = (
    ("control", "9 A"),
    ("pump", "7 A"),
    ("lamps", "10 A"),
    ("wipers", "6 A"),
    ("blower", "14 A"),
    ("screen", "18 A"),
    ("standing", "30 mA"),
)
FAN = {
    "feeds": "fan",
    "amps": "25 A",
    "length": "1.5 m",
    "area": "10 mm2",
    "back": "wire",
    "bundle": "1",
    "lies": "engine",
    "fuse": "40 A",
}


def loom(*runs: dict[str, str], loads: tuple[tuple[str, str], ...] = LOADS, **facts: Any) -> dict[str, Any]:
    """That machine with those draws and runs; facts as ``section__field``."""
    made = parted(changed(_BUILD, **facts))
    more = [{"role": "electrics.loads", "facts": {"what": what, "amps": amps}} for what, amps in loads]
    more += [{"role": "electrics.runs", "facts": run} for run in runs]
    made["parts"] = [*made.get("parts", []), *more]
    return made
