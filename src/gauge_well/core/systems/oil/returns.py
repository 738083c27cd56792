"""What comes back to the pan: turbo's and heads' returns, standing, cold, and thrown to one side."""

from __future__ import annotations

import numpy as np

from gauge_well.core.flow.pipe import bore_area, gravity_flow
from gauge_well.core.geometry.free_surface import prism
from gauge_well.core.media import oils
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.roots import find_root
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.feeding import oil_of
from gauge_well.core.systems.oil.pan import Pan
from gauge_well.core.typing import Array, Value, as_array, likely

DRAIN_SHARE = 0.25  # half full, half of that foam
DRAIN_SLOPE = np.radians(15.0)  # least fall of a return (common practice)
HEAD_LOSS, HEAD_FOAM = 1.5, 0.5  # K of inlet and way out; half of what comes down is foam (common practice)
STANDS = 0.020  # m of oil over a head's return before it reaches the valve gear (common practice)
FEED = 2.0e-3 / 60.0  # m3/s fed to a head, 1 to 3 L/min (common practice)
FEED_RESERVE = 1.3
COLDEST, WARMEST = 243.15, 423.15  # K between which the oil is sought from which heads keep empty
HEAD_LONG, HEAD_WALLS = 0.4, 0.06  # m along and up a head's inside: neither changes how far it is thrown across


def turbo_drain(facts: OilFacts, oil_temperature: Value) -> Array | None:
    """What a turbo's return lets down [m3/s]: half its bore, halved again for foam (common practice).

    None where bore or slope are not known.
    """
    if facts.drain.bore is None or facts.drain.slope is None:
        return None
    full = gravity_flow(facts.drain.bore, facts.drain.slope, oils.viscosity_walther(oil_of(facts), oil_temperature))
    return np.asarray(DRAIN_SHARE * full)


def hole_flow(bore: Value, length: Value, head: Value, viscosity: Value) -> Array:
    """Oil a short upright hole lets down [m3/s], full: ``(64/Re L/D + K + 1) u^2/2 = g (head + L)``, laminar.

    A quadratic in u. Hagen-Poiseuille with inlet and outlet losses (incropera2007, ch. 8; crane410).

    Parameters
    ----------
    bore, length, head : float or array
        Of the hole, and of the oil over it [m].
    viscosity : float or array
        Kinematic [m2/s].
    """
    d, run = as_array(bore), as_array(length)
    a, b = 0.5 * (HEAD_LOSS + 1.0), 32.0 * as_array(viscosity) * run / d**2
    falls = GRAVITY * (as_array(head) + run)
    return np.asarray(bore_area(d) * 2.0 * falls / (b + np.sqrt(b**2 + 4.0 * a * falls)))


def head_drain(facts: OilFacts, oil_temperature: Value) -> Array | None:
    """What the returns of one head let down [m3/s], an added one with them; None where they are not known."""
    own = facts.head_drain
    if own.bore is None or own.length is None or facts.head_drains is None:
        return None
    thin = oils.viscosity_walther(oil_of(facts), oil_temperature)
    found = HEAD_FOAM * as_array(facts.head_drains) * hole_flow(own.bore, own.length, STANDS, thin)
    added = facts.added_drain
    if added.bore is not None and added.slope is not None:
        found = found + DRAIN_SHARE * gravity_flow(added.bore, added.slope, thin)
    return np.asarray(found)


def head_feed(facts: OilFacts) -> Array:
    """Oil fed to one head [m3/s]."""
    return as_array(FEED if facts.head_feed is None else facts.head_feed)


def drains_from(facts: OilFacts) -> float | None:
    """Oil temperature [K] from which the likely returns let down all that is fed; None where they are not known.

    Colder and at speed the head fills: until then the engine is kept slow.
    """
    if head_drain(facts, WARMEST) is None:
        return None

    def short(t: Array) -> Array:
        found = head_drain(facts, t)
        assert found is not None
        return np.asarray(likely(found) - likely(head_feed(facts)))

    if likely(short(as_array(WARMEST))) <= 0.0:
        return WARMEST
    if likely(short(as_array(COLDEST))) >= 0.0:
        return COLDEST
    return float(find_root(short, as_array(COLDEST), as_array(WARMEST), tolerance=0.05))


def head_pan(facts: OilFacts) -> tuple[Pan, float] | None:
    """The head's inside as a small pan with its oil standing [m3], its return where it lies; None where not said.

    The farther return decides: thrown to the one side, those of the other stand dry, and where there are returns on both
    the near ones still drain.
    """
    if facts.head_width is None or facts.head_side is None:
        return None
    width = likely(facts.head_width)
    outline = np.array([[0.0, HEAD_WALLS], [0.0, 0.0], [HEAD_LONG, 0.0], [HEAD_LONG, HEAD_WALLS]])
    side = 0.5 * width * {"left": 0.98, "right": -0.98, "both": 0.0}[facts.head_side]
    pickup = np.array([0.5 * HEAD_LONG, side, 0.0])
    body = prism(outline, [(0.0, width), (HEAD_LONG, width)])
    pan = Pan(outline, ((0.0, width), (HEAD_LONG, width)), body, pickup, 0.0)
    return pan, STANDS * width * HEAD_LONG
