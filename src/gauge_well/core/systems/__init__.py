"""The systems, in the order of work. A new system is a folder here and a line in this table."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.systems import (
    air,
    belts,
    boat,
    controls,
    cooling,
    driveline,
    electrics,
    exhaust,
    fit,
    fuel,
    mounts,
    oil,
    routes,
    weights,
)
from gauge_well.core.systems.base import System

SYSTEMS: Mapping[str, System] = {
    s.id: s
    for s in (
        oil.SYSTEM,
        exhaust.SYSTEM,
        cooling.SYSTEM,
        fuel.SYSTEM,
        air.SYSTEM,
        boat.SYSTEM,
        fit.SYSTEM,
        weights.SYSTEM,
        mounts.SYSTEM,
        belts.SYSTEM,
        electrics.SYSTEM,
        routes.SYSTEM,
        driveline.SYSTEM,
        controls.SYSTEM,
    )
}
# In the order in which a builder asks: what cools it, what feeds it, what it holds, how it gets out.
ASKED = sorted(SYSTEMS, key=lambda id: SYSTEMS[id].asked)
