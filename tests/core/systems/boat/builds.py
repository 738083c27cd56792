"""An invented boat of which all is stated, near what fills it."""

from typing import Any

from tests.support import changed, parted

_BOAT: dict[str, Any] = {
    "name": "Test boat",
    "machine": {
        "kind": "boat",
        "mass": "4 t",
        "waterline_length": "8 m",
        "top_speed": "13 km/h",
        "heel": "20 deg",
        "trim": "5 deg",
    },
    "engine": {
        "fuel": "diesel",
        "aspiration": "natural",
        "displacement": "2 L",
        "cylinders": "4",
        "rated_power": "30 kW",
        "rated_speed": "3000 rpm",
    },
    "duties": [
        {"id": "cruise", "name": "Cruise", "kind": "boat", "speed_share": "70 %", "ambient": "25 C", "sea": "20 C"},
        {"id": "full", "name": "Full ahead", "kind": "boat", "ambient": "25 C", "sea": "20 C", "duration": "60 min"},
    ],
    "boat": {
        "pump_over": "0 mm",
        "manifold_over": "400 mm",
        "manifold_aft": "0.5 m",
        "injection_over": "250 mm",
        "injection_aft": "0.7 m",
        "silencer_over": "-230 mm",
        "silencer_aft": "1.4 m",
        "high_over": "800 mm",
        "high_aft": "3 m",
        "outlet_over": "250 mm",
        "outlet_aft": "3.6 m",
        "siphon": "fitted",
        "siphon_over": "620 mm",
        "siphon_aft": "0 m",
        "siphon_left": "0 m",
        "siphon_sits": "after",
        "siphon_top": "top",
        "gear_ratio": "2",
        "shaft_diameter": "35 mm",
        "raw_pump.displacement": "20 cc",
        "raw_pump.worn": "85 %",
        "intake.loss": "1",
        "suction.loss": "1.5",
        "strainer_loss": "1.5",
        "intake.bore": "32 mm",
        "suction.bore": "32 mm",
        "suction.length": "1.2 m",
        "delivery.bore": "25 mm",
        "delivery.length": "1.5 m",
        "silencer.length": "300 mm",
        "silencer.width": "400 mm",
        "silencer.height": "300 mm",
        "silencer.lip": "220 mm",
        "hose.bore": "63 mm",
        "hose.length": "2.5 m",
    },
    "cooling": {"exchanger.conductance": "1200 W/K"},
}

BOAT = parted(_BOAT)


def boat(**facts: Any) -> dict[str, Any]:
    """The boat with some of its facts changed: ``riser_over="0 mm"``, ``hose__bore=None``, ``machine__heel="10 deg"``."""
    sections = ("machine", "engine", "cooling", "oil", "installation", "exhaust", "boat")
    named = {n if n.split("__")[0] in sections else f"boat__{n}": v for n, v in facts.items()}
    return changed(BOAT, **named)
