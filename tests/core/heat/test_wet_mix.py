"""Gas and water mixed: the balance held against steam tables, least water against a search."""

import CoolProp.CoolProp as steam
import numpy as np

from gauge_well.core.heat import wet_mix
from gauge_well.core.media.combustion import MOLAR_MASS, SPECIES, products, sensible_enthalpy
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.media.seawater import evaporation_heat
from gauge_well.core.roots import find_root
from tests.support import NumbersCase

P = 101325.0
GAS = products(FUELS["diesel"], 1.6)
FUEL = 0.148 / float(GAS.mass)  # kg/s, for .148 kg/s of gas
HOT, SEA = 723.15, 305.15


def by_steam_tables(water: float, enters: float) -> float:
    """The same balance with IAPWS-95 for water and steam, solved by halving: liquid in, liquid and vapour out."""
    wet = SPECIES.index("H2O")
    moles = FUEL * np.asarray(GAS.moles)
    own, dry = moles[wet] * MOLAR_MASS[wet], moles.sum() - moles[wet]

    def left(t: float) -> float:
        pressure = steam.PropsSI("P", "T", t, "Q", 1, "Water")
        vapour = min(dry * pressure / (P - pressure) * 0.018015268, water + own)
        steam_made = vapour - own
        # Gas and its own vapour cool as one; what evaporates leaves as vapour, what stays warms as liquid.
        gives = FUEL * float(sensible_enthalpy(GAS, HOT) - sensible_enthalpy(GAS, t))
        liquid_in = 4000.0 * (t - enters)
        evaporates = steam.PropsSI("H", "T", t, "Q", 1, "Water") - steam.PropsSI("H", "T", t, "Q", 0, "Water")
        return gives - water * liquid_in - steam_made * evaporates

    low, high = enters, 371.0
    for _ in range(60):
        middle = 0.5 * (low + high)
        low, high = (middle, high) if left(middle) > 0.0 else (low, middle)
    return low


class Mixed(NumbersCase):
    def test_against_steam_tables(self) -> None:
        """.148 kg/s of gas at 450 C into .3 to 1.5 kg/s (0.2 K: the evaporation's straight line)."""
        for water in (0.3, 0.6, 1.0, 1.5):
            found = float(wet_mix.mixed_temperature(GAS, FUEL, HOT, water, SEA, P))
            self.close(found, by_steam_tables(water, SEA), abs=0.2)

    def test_of_the_order_the_trade_has(self) -> None:
        """61.5, 54, 48 and 43 C (common practice; 3 K), where dry arithmetic says 82 with little water."""
        for water, celsius in ((0.3, 61.5), (0.6, 54.1), (1.0, 47.9), (1.5, 43.2)):
            self.close(float(wet_mix.mixed_temperature(GAS, FUEL, HOT, water, SEA, P)) - 273.15, celsius, abs=3.0)

    def test_heat_of_evaporation(self) -> None:
        """IAPWS-95 from 5 to 95 C (0.4 %)."""
        for celsius in (5.0, 30.0, 60.0, 95.0):
            t = 273.15 + celsius
            tables = steam.PropsSI("H", "T", t, "Q", 1, "Water") - steam.PropsSI("H", "T", t, "Q", 0, "Water")
            self.close(float(evaporation_heat(t)), tables, rel=0.004)

    def test_least_water_is_just_enough(self) -> None:
        """Put in, it gives the limit; found again by a search over the water."""
        for limit in (318.15, 333.15, 353.15):
            least = float(wet_mix.water_for(GAS, FUEL, HOT, limit, 312.15, P))
            self.close(float(wet_mix.mixed_temperature(GAS, FUEL, HOT, least, 312.15, P)), limit, abs=0.01)
            sought = find_root(
                lambda w, limit=limit: wet_mix.mixed_temperature(GAS, FUEL, HOT, w, 312.15, P) - limit,  # type: ignore[misc]
                np.asarray(0.01),
                np.asarray(50.0),
                tolerance=1e-7,
            )
            self.close(least, float(sought), rel=1e-3)

    def test_more_water_is_cooler_and_never_under_its_own(self) -> None:
        water = np.geomspace(0.005, 100.0, 40)
        found = wet_mix.mixed_temperature(GAS, FUEL, HOT, water, SEA, P)
        self.assertTrue(np.all(np.diff(found) < 1e-9))
        self.assertTrue(np.all((found >= SEA) & (found <= HOT)))

    def test_no_water_cools_below_itself(self) -> None:
        self.assertEqual(float(wet_mix.water_for(GAS, FUEL, HOT, 300.0, SEA, P)), np.inf)
