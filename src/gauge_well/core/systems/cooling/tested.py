"""A core known by one test point: what it really sheds against what its sizes say."""

from __future__ import annotations

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.heat import radiator
from gauge_well.core.heat.radiator import AirSide, CoolantSide, RadiatorCore
from gauge_well.core.roots import find_root
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.typing import Array, Value, as_array

# Air of a core test: 20 °C at sea level (common practice).
AIR_IN, AIR_DENSITY = 293.15, 1.204
FILM_SHARE = 0.3  # of the inlet difference that the air's film stands over its inlet
LEAST, MOST = 0.1, 10.0  # of the conductance its sizes say, beyond which a test is not believed
FIELDS = ("test_heat", "test_air_speed", "test_coolant_flow", "test_difference")


def missing(facts: CoolingFacts) -> tuple[str, ...]:
    """Fields a test point still lacks; none where no part of one is given."""
    absent = tuple(name for name in FIELDS if getattr(facts.core, name) is None)
    return () if len(absent) == len(FIELDS) else absent


def given(facts: CoolingFacts) -> bool:
    """Whether a whole test point is there."""
    return all(getattr(facts.core, name) is not None for name in FIELDS)


def _sides(core: RadiatorCore, facts: CoolingFacts, glycol: Value) -> tuple[AirSide, CoolantSide, Array]:
    """Both sides of the core under its test, and the inlet difference [K]."""
    speed, flow, difference = (as_array(need(getattr(facts.core, name), f"cooling.core.{name}")) for name in FIELDS[1:])
    side = radiator.air_side(core, AIR_DENSITY * speed * core.face, AIR_IN + FILM_SHARE * difference)
    fluid = radiator.coolant_side(core, flow, AIR_IN + difference, glycol)
    return side, fluid, difference


def heat_at(core: RadiatorCore, facts: CoolingFacts, glycol: Value, scale: Value) -> Array:
    """Heat [W] the core would shed under its test with its conductance times ``scale``, as new."""
    side, fluid, difference = _sides(core, facts, glycol)
    return radiator.shed(core, side, fluid, AIR_IN + difference, AIR_IN, scale).heat


def scale_of(core: RadiatorCore, facts: CoolingFacts, glycol: Value) -> Array:
    """What the conductance of a core is multiplied by so that it sheds what its test says; 1 without one.

    The effectiveness rises with the conductance, so that one bracketed root in ln of the scale serves; held
    between a tenth and ten times. Ageing is taken off afterwards: tests are of new cores.
    """
    if not given(facts):
        return np.asarray(1.0)
    heat = as_array(need(facts.core.test_heat, "cooling.core.test_heat"))
    shape = np.broadcast_shapes(heat.shape, heat_at(core, facts, glycol, 1.0).shape)
    ends = (np.full(shape, np.log(end)) for end in (LEAST, MOST))
    found = find_root(lambda x: heat_at(core, facts, glycol, np.exp(x)) - heat, *ends, tolerance=1e-6)
    return np.exp(found)
