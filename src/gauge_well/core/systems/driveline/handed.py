"""What the driveline hands on: what lets its clutch go."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.reads import BEARING_FREE, RELEASE_FORCE, RELEASE_WAY
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline import stack
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Array, Value, as_array


def released(context: Context, facts: DrivelineFacts) -> Mapping[str, Array]:
    """Force and way at the bearing, free way before it; without end where not known."""
    own = facts.clutch
    manual = not stack.automatic(context)
    free = stack.play(facts).total

    def known(value: Value | None) -> Array:
        return as_array(value) if value is not None and manual else as_array(np.inf)

    return {
        RELEASE_FORCE: known(own.force),
        RELEASE_WAY: known(own.release),
        BEARING_FREE: known(None if free is None else np.maximum(free, 0.0)),
    }
