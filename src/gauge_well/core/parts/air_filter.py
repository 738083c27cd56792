"""An air filter: what its paper or gauze lets through."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Filter"
# Resistance of the medium, ``dp = mu alpha u`` with u through its own area [1/m], and what it is by service (common practice).
MEDIA: Mapping[str, tuple[str, float]] = {
    "paper": ("paper or felt", 1.1e8),
    "gauze": ("oiled gauze", 0.6e8),
    "foam": ("oiled foam", 0.8e8),
    "none": ("none, an open trumpet", 0.0),
}
AT_SERVICE = 3.0


@dataclass(frozen=True)
class AirFilterFacts:
    """Medium, its area and what it takes. SI."""

    medium: str | None = choice(
        "Filter", {k: v[0] for k, v in MEDIA.items()}, group=GROUP, help="Paper where not said."
    )
    area: Value | None = quantity(
        "Area of its medium",
        "area",
        0.01,
        20.0,
        needed=True,
        group=GROUP,
        help="Pleats laid out flat: twice the pleat's depth x length x their number. Not the face.",
    )
    drop: Value | None = quantity(
        "Takes, at the flow of its sheet",
        "pressure_small",
        10.0,
        1e4,
        group=GROUP,
        help="In place of the medium's own.",
    )
    drop_flow: Value | None = quantity("that flow", "air_flow", 0.005, 5.0, group=GROUP, follows="drop", spread="exact")
    outlet: Value | None = quantity("Its outlet, inside", "length", 0.02, 0.4, group=GROUP, spread="gauge")


WAYS: Mapping[str, Way] = {
    "area": Way("hand", "Count the pleats; twice their depth, times their length, times their number."),
    "drop": Way("papers", "The filter's sheet; or a water tube behind it at full load."),
    "outlet": Way("hand", "Calliper across its outlet."),
}

AIR_FILTER = Kind("air_filter", "Air filter", AirFilterFacts, WAYS)
