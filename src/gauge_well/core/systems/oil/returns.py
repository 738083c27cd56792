"""What comes back to the pan: turbo's and heads' returns."""

from __future__ import annotations

import numpy as np

from gauge_well.core.flow.pipe import gravity_flow
from gauge_well.core.media import oils
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.feeding import oil_of
from gauge_well.core.typing import Array, Value

DRAIN_SHARE = 0.25  # half full, half of that foam
DRAIN_SLOPE = np.radians(15.0)  # least fall of a return (common practice)


def turbo_drain(facts: OilFacts, oil_temperature: Value) -> Array | None:
    """What a turbo's return lets down [m3/s]: half its bore, halved again for foam (common practice).

    None where bore or slope are not known.
    """
    if facts.drain.bore is None or facts.drain.slope is None:
        return None
    oil = oil_of(facts)
    full = gravity_flow(facts.drain.bore, facts.drain.slope, oils.viscosity_walther(oil, oil_temperature))
    return np.asarray(DRAIN_SHARE * full)
