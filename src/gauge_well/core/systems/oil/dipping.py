"""Where the crank and its big ends dip into the oil."""

from __future__ import annotations

import numpy as np

from gauge_well.core.geometry.free_surface import surface_height
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan
from gauge_well.core.typing import Array, Value, as_array, likely

ROD = 0.038  # m of rod and cap outside the crank's throw, 35 to 40 (common practice)
OVERFILLED = 0.5e-3  # m3 too much, as it happens (common practice)


def swing(context: Context) -> float:
    """Radius [m] of what the big ends sweep: the throw and a rod's end."""
    return 0.5 * likely(context.engine.facts.stroke) + ROD


def clear(context: Context, facts: OilFacts, pan: Pan, normal: Array, volume: Value) -> Array | None:
    """Oil's surface below what the big ends sweep [m], negative where they dip; None where the crank's place is not known.

    Parameters
    ----------
    context : Context
    facts : OilFacts
    pan : Pan
    normal : array (..., 3)
        Of the surface, engine axes.
    volume : float or array (...)
        Oil in the pan [m3].

    Notes
    -----
    The lowest point of a cylinder of that radius about the crank, along the normal, over the pan's length:
    ``min(n . r_crank) - R sqrt(ny^2 + nz^2) - d``.
    """
    if facts.crank_height is None:
        return None
    n, here = as_array(normal), pan.likely
    level = surface_height(here.body, n, as_array(volume))
    ends = float(here.outline[:, 0].min()), float(here.outline[:, 0].max())
    crank = np.minimum(*(n[..., 0] * x for x in ends)) + n[..., 2] * likely(facts.crank_height)
    return np.asarray(crank - swing(context) * np.hypot(n[..., 1], n[..., 2]) - level)
