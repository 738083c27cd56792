"""A dry sump: stages that empty the pan, the tank that holds the oil and stays covered."""

from __future__ import annotations

from functools import lru_cache

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.geometry.free_surface import prism, volume_below
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import covering, feeding
from gauge_well.core.systems.oil.covering import Coverage
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan
from gauge_well.core.typing import Array, as_array, likely

SCAVENGE, SCAVENGE_MOST = 2.0, 3.0  # times the pressure flow: a third to a half of it is foam (common practice)
RESIDENCE = 8.0  # s in the tank to part from its air, 8 to 15 (common practice)
TANK_SPEED, FOAM_SPEED = 1.5, 2.0  # m/s from tank to pump, falling; of foam to the tank (common practice)
VACUUM_MOST = 35e3  # Pa under the air outside, at which seals are drawn in (common practice)
FACETS, ROUND = 6, 16  # planes that cut a round tank standing; sides of one lying
RUNNING = 0.25  # of what is kept over the inlets of pump sumps (common practice)
FILLED = 0.75  # of a tank, the rest for foam (common practice)
UP = np.array([0.0, 0.0, 1.0])


def is_dry(facts: OilFacts) -> bool:
    """Whether the build has a dry sump."""
    return facts.sump == "dry"


@lru_cache(maxsize=32)
def _tank(shape: str, across: float, height: float, along: float, outlet: float) -> Pan:
    half = 0.5 * across
    stations: tuple[tuple[float, float], ...]
    if shape == "box":
        outline = np.array([[0.0, height], [0.0, 0.0], [along, 0.0], [along, height]])
        stations, middle = ((0.0, across), (along, across)), 0.5 * along
    elif shape == "upright":
        x = half * (1.0 - np.cos(np.linspace(0.0, np.pi, FACETS + 1)))
        outline = np.array([[0.0, height], [0.0, 0.0], [across, 0.0], [across, height]])
        # Widths that give each strip of the circle its own area: between two cuts it is linear.
        wide = 2.0 * np.sqrt(np.maximum(half**2 - (x - half) ** 2, 0.0))
        scale = np.pi * half**2 / float(np.trapezoid(wide, x))
        stations, middle = tuple((float(a), float(b)) for a, b in zip(x, scale * wide, strict=True)), half
    else:
        turn = np.linspace(0.0, 2.0 * np.pi, ROUND, endpoint=False)
        round_ = half * np.stack([1.0 + np.sin(turn), 1.0 - np.cos(turn)], axis=-1)
        scale = np.sqrt(np.pi / (0.5 * ROUND * np.sin(2.0 * np.pi / ROUND)))
        outline = half + (round_ - half) * scale
        stations, middle = ((float(outline[:, 0].min()), height), (float(outline[:, 0].max()), height)), half
    body = prism(outline, stations)
    return Pan(outline, stations, body, np.array([middle, 0.0, outlet]), 0.0)


def tank_of(facts: OilFacts) -> Pan:
    """The tank as a vessel that tilts, its outlet as its pickup, in the machine's axes; MissingFact where it is not known.

    A lying one lies along the machine, its round end seen from behind: its axes are turned a quarter.
    """
    own = facts.tank
    need(None if own.shape is None else 1.0, "oil.tank.shape")
    shape = own.shape
    across, height = (likely(need(getattr(own, n), f"oil.tank.{n}")) for n in ("across", "height"))
    along = likely(need(own.along, "oil.tank.along")) if shape == "box" else across
    return _tank(str(shape), across, height, along, 0.0 if own.outlet is None else likely(own.outlet))


def volume(facts: OilFacts) -> Array:
    """What the whole tank holds [m3], with the doubts of its sizes; MissingFact where it is not known."""
    own = facts.tank
    across, height = (as_array(need(getattr(own, n), f"oil.tank.{n}")) for n in ("across", "height"))
    if own.shape == "box":
        return np.asarray(across * need(own.along, "oil.tank.along") * height)
    return np.asarray(bore_area(across) * height)


def rotation(facts: OilFacts) -> Array:
    """Tank to machine: a lying one is drawn across its own length."""
    if facts.tank.shape == "lying":
        return np.array([[0.0, 1.0, 0.0], [-1.0, 0.0, 0.0], [0.0, 0.0, 1.0]])
    return np.eye(3)


def filled(facts: OilFacts) -> float:
    """Share of the tank that is filled."""
    return FILLED if facts.tank.filled is None else likely(facts.tank.filled)


def in_tank(facts: OilFacts) -> Array:
    """Oil in the tank running [m3]: less what is under way in engine and lines."""
    quantity = as_array(facts.oil_quantity)
    return np.maximum(quantity - as_array(facts.oil_up), 0.05 * quantity)


def coverage(context: Context, facts: OilFacts) -> Coverage:
    """What stays over the tank's outlet in every duty; MissingFact where the tank is not known."""
    over = _over_outlet(facts, feeding.hot_flow(context, facts), len(context.duties.cases))
    return covering.worked(context, tank_of(facts), rotation(facts), in_tank(facts), over)


def _over_outlet(facts: OilFacts, drawn: Array, duties: int) -> Array:
    """Oil a tank's outlet wants over it in each duty [m], (duty, 1) or (duty, 1, sample).

    A quarter of ``S = D (1 + 2.3 v / sqrt(g D))``, which pump sumps for water keep (hi98), as of a pickup; 10 mm at least
    and where the bore of its line is not known.
    """
    wanted = as_array(covering.COVER)
    if facts.tank_line.bore is not None:
        bore = as_array(facts.tank_line.bore)
        froude = drawn / bore_area(bore) / np.sqrt(GRAVITY * bore)
        wanted = np.maximum(covering.COVER, RUNNING * bore * (1.0 + 2.3 * froude))
    wide: Array = np.broadcast_to(wanted, np.broadcast_shapes(wanted.shape, (1, duties, 1)))[0]
    return wide if wide.shape[-1] == 1 else wide[:, None, :]


def scavenged(facts: OilFacts, speed: Array) -> Array | None:
    """What all stages move [m3/s] at an engine speed [rev/min]; None where they are not known."""
    own = facts.scavenge
    if own.stages is None or own.displacement is None or own.ratio is None:
        return None
    return np.asarray(as_array(own.stages) * own.displacement * own.ratio * speed / 60.0)


def residence(facts: OilFacts, drawn: Array) -> Array:
    """Seconds that oil rests in the tank where so much of it is drawn [m3/s]."""
    return np.asarray(in_tank(facts) / np.maximum(drawn, 1e-9))


def gross(flow: Array, filled: float) -> Array:
    """Tank [m3] in which a flow rests so long as it takes to part from its air: ``q t / fill``."""
    return np.asarray(flow * RESIDENCE / filled)


def line_speed(bore: float, flow: float) -> float:
    """Speed in a line [m/s]."""
    return float(flow / bore_area(bore))


def sight(facts: OilFacts, steps: int) -> list[tuple[float, float]]:
    """Volume under each height of the tank, (height [m], volume [m3]): marks of a sight tube, standing level."""
    tank = tank_of(facts)
    top = likely(need(facts.tank.across if facts.tank.shape == "lying" else facts.tank.height, "oil.tank.height"))
    heights = np.linspace(0.0, top, steps + 1)[1:]
    held = volume_below(tank.body, np.broadcast_to(UP, (steps, 3)), heights)
    return [(float(h), float(v)) for h, v in zip(heights, held, strict=True)]
