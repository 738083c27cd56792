"""Builds that the tests of mounts share: three of firm rubber under a weighed engine."""

from typing import Any

from tests.support import ROAD, changed

HELD = {
    "engine__dry_mass": "160 kg",
    "machine__drive": "rear",
    "machine__final_drive": "4",
    "machine__gear_ratios": "3.5\n2\n1.4\n1",
    "machine__tyre_diameter": "640 mm",
    "weights__dress": "dry",
    "weights__gearbox": "50 kg",
    "weights__unit_ahead": "200 mm",
    "weights__unit_left": "0 mm",
    "weights__unit_over": "100 mm",
    "installation__lie": "front_long",
}


def mount(ahead: float, left: float, over: float = 0.0, **facts: str) -> dict[str, Any]:
    """A mount as a part of a sheet: mm, and what else is known."""
    places = {"ahead": f"{ahead} mm", "left": f"{left} mm", "over": f"{over} mm"}
    return {"role": "mounts.mounts", "facts": {**places, "stuff": "firm", "rate": "250 N/mm", "side": "0.5", **facts}}


THREE = (mount(500, 280), mount(500, -280), mount(-600, 0))


def bracket(**facts: str) -> dict[str, Any]:
    """A bracket as a part of a sheet: a box 40 x 50 x 3 on an arm of 120."""
    own = {"shape": "box", "wide": "40 mm", "high": "50 mm", "wall": "3 mm", "arm": "120 mm", "aside": "20 mm"}
    return {"role": "mounts.brackets", "facts": {**own, "throat": "3.5 mm", "welder": "shop", **facts}}


def on(*parts: dict[str, Any], **paths: Any) -> dict[str, Any]:
    """The road car on some mounts."""
    raw = changed(ROAD, **(HELD | paths))
    return {**raw, "parts": [*raw["parts"], *parts]}
