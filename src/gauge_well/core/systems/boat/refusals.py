"""What no boat's exhaust or coupling can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import likely


def refuse(facts: BoatFacts) -> None:
    """Raise :class:`CoreError` for a lip over the box's own roof, feet the wrong way round, a pump's flow without its speed."""
    box = facts.silencer
    if box.lip is not None and box.height is not None and likely(box.lip) >= likely(box.height):
        raise CoreError(
            "lip_over_box",
            "boat.silencer.lip",
            likely(box.lip),
            f"under {likely(box.height):.3g} m, the silencer's height",
            "The inlet's lip lies inside the silencer.",
        )
    if box.width is not None and abs(likely(box.lip_left)) > 0.5 * likely(box.width):
        raise CoreError(
            "lip_outside",
            "boat.silencer.lip_left",
            likely(box.lip_left),
            "within the silencer",
            "The inlet lies in its lid.",
        )
    front, back = facts.feet_front, facts.feet_back
    if front is not None and back is not None and likely(front) <= likely(back):
        raise CoreError(
            "feet_crossed",
            "boat.feet_front",
            likely(front),
            f"more than the back feet's {likely(back):.3g} m",
            "The front feet lie further from the coupling than the back ones.",
        )
    if facts.raw_pump.flow is not None and facts.raw_pump.flow_speed is None:
        raise CoreError(
            "speed_missing",
            "boat.raw_pump.flow_speed",
            None,
            "the speed the pump does it at",
            "A raw-water pump's flow goes with its speed.",
        )
