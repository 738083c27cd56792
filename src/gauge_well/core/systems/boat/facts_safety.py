"""What is stated of the engine room, its vapour, and of what keeps the sea out."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Several, Way, choice, quantity, several
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.parts.bilge_pump import BILGE_PUMP, BilgePumpFacts
from gauge_well.core.typing import Value

ROOM, FLOOD = "Engine room", "Flooding"
# Petrol, gas and their like: vapour that burns from a spark.
VAPOUR = ("engine.fuel", tuple(id for id, fuel in FUELS.items() if fuel.spark))
# W/m2K through walls and hull (common practice).
LININGS: Mapping[str, tuple[str, float]] = {
    "bare": ("bare hull and bulkheads", 5.0),
    "lined": ("lined against noise and heat", 1.2),
}


@dataclass(frozen=True)
class SafetyFacts:
    """Room, blower, ignition protection, bilge pumps. SI."""

    room_volume: Value | None = quantity(
        "Engine room holds", "volume", 0.05, 200.0, group=ROOM, help="Net of engine and tanks."
    )
    room_skin: Value | None = quantity("its walls and hull", "area", 0.2, 400.0, group=ROOM)
    room_vents: Value | None = quantity(
        "Vents low, and as much high", "area", 1e-4, 10.0, group=ROOM, help="Each; grilles and bends taken off."
    )
    vents_rise: Value | None = quantity("High over low", "height", 0.05, 4.0, group=ROOM, follows="room_vents")
    lining: str | None = choice("They are", {k: v[0] for k, v in LININGS.items()}, group=ROOM)
    blower: Value | None = quantity("Blower moves", "air_flow", 0.001, 2.0, group=ROOM, when=VAPOUR)
    blower_low: str | None = choice("Its duct draws from the bottom third", YES_NO, group=ROOM, when=VAPOUR)
    ignition_protected: str | None = choice("All electrics in it ignition-protected", YES_NO, group=ROOM, when=VAPOUR)
    bilge_pumps: Several[BilgePumpFacts] = several(BILGE_PUMP, "Bilge pump", row="bilge", needs=())
    depth: Value = quantity(
        "Deepest skin fitting under the waterline", "height", 0.05, 3.0, group=FLOOD, help="What a hose off it lets in."
    )


WAYS: Mapping[str, Way] = {
    "room_volume": Way("under", "Length x width x height, less engine and tanks."),
    "room_skin": Way("under", "Each wall's height x width, and the hull's."),
    "room_vents": Way("above", "Height x width of each, less grille and bends: the smaller of low and high."),
    "vents_rise": Way("above", "Middle to middle, upright."),
    "blower": Way("papers", "Its plate, less a third for its duct."),
    "depth": Way("under", "A clear hose full of water from the waterline's mark down to it."),
}
