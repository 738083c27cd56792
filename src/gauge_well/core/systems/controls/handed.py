"""What the controls hand on: how far the clutch pedal moves its bearing."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.linkage import pedal
from gauge_well.core.reads import BEARING_STROKE
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import Array, as_array


def stroke(context: Context, facts: ControlsFacts) -> Mapping[str, Array]:
    """[m]; without end where the pedal is not stated."""
    link = model.link_of(facts)
    return {BEARING_STROKE: as_array(np.inf) if link is None else pedal.moves(link, facts.gives)}
