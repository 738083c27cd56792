"""Multi-pass cores: the closed form against pass after pass worked with a general heat-transfer library."""

from dataclasses import replace

import numpy as np
from ht import effectiveness_from_NTU

from gauge_well.core.heat import radiator
from gauge_well.core.media import air, coolant
from tests.core.heat.test_radiator import core
from tests.support import NumbersCase

GLYCOL = float(coolant.mass_share(0.5))
T_IN, T_AIR = 373.15, 308.15


class Passes(NumbersCase):
    def test_against_pass_after_pass(self) -> None:
        """Each pass a cross-flow exchanger with its share of the air; the coolant of one enters the next."""
        for passes in (1, 2, 3, 4):
            body = replace(core(0.026), passes=float(passes))
            rho = air.density(T_AIR, 101325.0)
            side = radiator.air_side(body, rho * 5.0 * body.face, 330.0)
            fluid = radiator.coolant_side(body, 0.001, 370.0, GLYCOL)
            found = radiator.shed(body, side, fluid, T_IN, T_AIR)
            t, heat = T_IN, 0.0
            for _ in range(passes):
                c_air, c_cool = float(side.capacity_rate) / passes, float(fluid.capacity_rate)
                least, most = min(c_air, c_cool), max(c_air, c_cool)
                eps = effectiveness_from_NTU(float(found.ua) / passes / least, least / most, subtype="crossflow")
                q = eps * least * (t - T_AIR)
                heat, t = heat + q, t - q / c_cool
            self.close(found.heat, heat, rel=1e-5, note=f"{passes}")
            whole = min(float(side.capacity_rate), float(fluid.capacity_rate)) * (T_IN - T_AIR)
            self.close(found.effectiveness * whole, heat, rel=1e-5)

    def test_more_passes_help_where_the_flow_is_slow(self) -> None:
        """Laminar tubes gain by speed (common practice); arrays of passes work as single ones do."""
        body = replace(core(0.040), passes=np.array([1.0, 2.0]))
        side = radiator.air_side(body, 1.14 * 4.0 * body.face, 330.0)
        fluid = radiator.coolant_side(body, 0.0006, 370.0, GLYCOL)
        heat = radiator.shed(body, side, fluid, T_IN, T_AIR).heat
        self.rising(heat)
        single = replace(core(0.040), passes=2.0)
        side = radiator.air_side(single, 1.14 * 4.0 * single.face, 330.0)
        fluid = radiator.coolant_side(single, 0.0006, 370.0, GLYCOL)
        self.close(heat[1], radiator.shed(single, side, fluid, T_IN, T_AIR).heat, rel=1e-12)
