"""Usual circuits, each by the choices it is made of."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class Preset:
    """A usual circuit: the choices it is made of; sizes then follow by rule."""

    label: str
    choices: Mapping[str, str]


PRESETS: Mapping[str, Preset] = {
    "returned": Preset(
        "Petrol, returned",
        {
            "injection": "port",
            "regulator.place": "returned",
            "lift": "none",
            "main.drive": "electric",
            "pump_place": "tank",
        },
    ),
    "dead_headed": Preset(
        "Petrol, dead-headed",
        {
            "injection": "port",
            "regulator.place": "dead_headed",
            "lift": "none",
            "main.drive": "electric",
            "pump_place": "tank",
        },
    ),
    "pot": Preset(
        "Petrol, surge pot",
        {
            "injection": "port",
            "regulator.place": "returned",
            "lift": "pot",
            "main.drive": "electric",
            "pump_place": "outside",
        },
    ),
    "carburettor": Preset(
        "Carburettor",
        {
            "injection": "carburettor",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "engine",
            "pump_place": "outside",
        },
    ),
    "mechanical": Preset(
        "Mechanical diesel, lift pump",
        {
            "injection": "mechanical",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "engine",
            "pump_place": "outside",
        },
    ),
    "siphon": Preset(
        "Mechanical diesel, own suction",
        {
            "injection": "mechanical",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "none",
            "pump_place": "outside",
        },
    ),
    "common_rail": Preset(
        "Common-rail supply",
        {
            "injection": "common_rail",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "electric",
            "pump_place": "tank",
        },
    ),
    "gravity": Preset(
        "Gravity to a carburettor",
        {
            "injection": "carburettor",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "none",
            "pump_place": "outside",
        },
    ),
}
