"""Wire against the standards' tables and a heat balance; battery, starter and alternator by hand and by roots."""

import numpy as np
from scipy.optimize import brentq

from gauge_well.core.electrical import alternator, battery, starter, wires
from tests.support import NumbersCase

# ISO 6722, most resistance at 20 degC [mohm/m] by area [mm2] (from memory).
ISO_6722 = {0.5: 37.1, 1.0: 18.5, 2.5: 7.60, 6.0: 3.14, 16.0: 1.16, 50.0: 0.368, 95.0: 0.196}
# IEC 60228 class 5 of plain copper [ohm/km] (from memory): other strands, the same copper.
IEC_60228 = {1.5: 13.3, 10.0: 1.91, 35.0: 0.554, 70.0: 0.272}


class Wire(NumbersCase):
    def test_resistance_by_the_standard(self) -> None:
        for mm2, mohm in ISO_6722.items():
            self.close(float(wires.per_metre(mm2 * 1e-6, 293.15)), mohm * 1e-3, rel=1e-9)

    def test_near_the_other_standard_for_flexible_copper(self) -> None:
        for mm2, mohm in IEC_60228.items():
            self.close(float(wires.per_metre(mm2 * 1e-6, 293.15)), mohm * 1e-3, rel=0.06)

    def test_warm_it_resists_more(self) -> None:
        """Copper's 0.393 % a kelvin: 24 % more at 80 degC."""
        self.close(float(wires.per_metre(4e-6, 353.15) / wires.per_metre(4e-6, 293.15)), 1.2358, rel=1e-3)

    def test_between_sizes_it_goes_with_its_copper(self) -> None:
        for mm2 in (1.31, 3.31, 8.37, 42.4):
            self.close(float(wires.per_metre(mm2 * 1e-6, 293.15)), 1.724e-8 / (mm2 * 1e-6), rel=0.11)

    def test_amps_by_a_heat_balance(self) -> None:
        """Insulation at 105 degC in air of 30: what a horizontal cylinder sheds (free convection and radiation) is I^2 r; the table
        lies 0 to 35 % under it."""
        air, skin = 303.15, 378.15
        for mm2 in (1.0, 2.5, 6.0, 16.0, 50.0):
            over = 2e-3 * (0.5 + 0.02 * np.sqrt(mm2))
            outside = np.sqrt(4.0 * mm2 / np.pi * 1.25) * 1e-3 + over
            film = (air + skin) / 2.0
            rayleigh = 9.81 / film * (skin - air) * outside**3 / (1.9e-5**2) * 0.71
            nusselt = (0.60 + 0.387 * rayleigh ** (1 / 6) / (1 + (0.559 / 0.71) ** (9 / 16)) ** (8 / 27)) ** 2
            shed = np.pi * outside * (nusselt * 0.028 / outside * (skin - air) + 0.9 * 5.67e-8 * (skin**4 - air**4))
            amps = np.sqrt(shed / float(wires.per_metre(mm2 * 1e-6, skin)))
            told = float(wires.bears(mm2 * 1e-6, "cabin", 1.0))
            self.assertLess(told, 1.03 * amps)
            self.assertGreater(told, 0.62 * amps)

    def test_tables_of_amps(self) -> None:
        """ISO 10133 class, single, 105 degC (from memory); by the engine .85, three in a loom .7."""
        self.close(float(wires.bears(2.5e-6, "cabin", 1.0)), 35.0, rel=1e-9)
        self.close(float(wires.bears(50e-6, "cabin", 1.0)), 270.0, rel=1e-9)
        self.close(float(wires.bears(10e-6, "engine", 3.0)), 90.0 * 0.85 * 0.7, rel=1e-9)
        self.assertEqual(
            [float(wires.bundled(n)) for n in (1, 2, 3, 4, 6, 7, 24, 60)], [1.0, 0.8, 0.7, 0.6, 0.6, 0.5, 0.5, 0.5]
        )

    def test_gauges_lie_near_the_metric_table(self) -> None:
        """ABYC E-11's amps are allowed at its own sheath and ambient: within a third of the metric table's."""
        for mm2, amps in wires.AWG.values():
            self.close(float(wires.bears(mm2 * 1e-6, "cabin", 1.0)), amps, rel=0.35)

    def test_fuses_between(self) -> None:
        self.assertEqual(wires.fuses(33.3, 53.5), [40, 50])
        self.assertEqual(wires.fuses(33.3, 35.0), [])


class Battery(NumbersCase):
    def test_by_its_rating(self) -> None:
        """EN 50342-1: at -18 degC its amps pull it to 7.5 V."""
        own = float(battery.resistance(520.0, "en", battery.COLD))
        self.close(12.6 - 520.0 * own, 7.5, rel=1e-9)

    def test_the_same_battery_by_another_standard(self) -> None:
        """300 A by DIN are 500 by EN (common practice)."""
        self.close(
            float(battery.resistance(300.0, "din", 260.0)), float(battery.resistance(500.0, "en", 260.0)), rel=1e-9
        )


class Starter(NumbersCase):
    def test_cranking_is_the_root_of_the_torque_balance(self) -> None:
        """Motor torque at the crank by k (V - k w - ...) / R, set against what the engine asks: found by bisection."""
        asked, ratio, own, rest, leads = 70.0, 12.0, 5.5e-3, 9.8e-3, 2.0e-3
        got = starter.cranks(asked, ratio, own, rest, leads, 12.5, 12.0)

        def balance(rpm: float) -> float:
            turns = rpm * np.pi / 30.0 * ratio
            amps = (12.5 - starter.K * turns) / (own + rest + leads)
            return (starter.K * amps - starter.DRAG) * ratio * starter.MESH - asked

        self.close(float(got.speed), brentq(balance, 0.0, 600.0), rel=1e-9)
        self.close(float(got.at_battery), 12.5 - float(got.amps) * rest, rel=1e-9)
        self.close(float(got.at_starter), float(got.at_battery) - float(got.amps) * leads, rel=1e-9)

    def test_one_that_stalls_takes_all_there_is(self) -> None:
        got = starter.cranks(900.0, 12.0, 5.5e-3, 9.8e-3, 2.0e-3, 12.5, 12.0)
        self.assertEqual(float(got.speed), 0.0)
        self.close(float(got.amps), 12.5 / 17.3e-3, rel=1e-9)

    def test_two_in_series_do_as_one_of_twice_the_volts(self) -> None:
        """Twice the volts with four times the resistances turn it as fast with half the amps."""
        one = starter.cranks(60.0, 12.0, 5e-3, 8e-3, 2e-3, 12.5, 12.0)
        two = starter.cranks(60.0, 12.0, 20e-3, 32e-3, 8e-3, 25.0, 24.0)
        self.close(float(two.speed), float(one.speed), rel=1e-9)
        self.close(float(two.amps), float(one.amps) / 2.0, rel=1e-9)

    def test_drag_of_a_two_litre_petrol_engine(self) -> None:
        """About 30 N m warm, 40 at freezing, 70 at -20 degC in 10W-30 (common practice)."""
        for thick, torque in ((260.0, 31.0), (950.0, 42.0), (6600.0, 70.0)):
            self.close(float(starter.engine_torque(2e-3, 1.5e5, thick)), torque, rel=0.02)


class Alternator(NumbersCase):
    def test_both_figures_of_its_plate(self) -> None:
        for low, full, at in ((55.0, 110.0, 1500.0), (30.0, 65.0, 1800.0), (70.0, 120.0, 1500.0)):
            self.close(float(alternator.gives(at, low, full, at)), low, rel=1e-3)
            self.close(float(alternator.gives(6000.0, low, full, at)), full, rel=1e-6)

    def test_nothing_under_its_cut_in_and_ever_more_over_it(self) -> None:
        over = alternator.gives(np.linspace(500.0, 16000.0, 200), 55.0, 110.0, 1500.0)
        self.assertTrue((over[: int(200 * 600 / 15500)] == 0.0).all())
        self.assertTrue((np.diff(over) >= 0.0).all())
