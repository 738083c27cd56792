"""A boat's speeds by the trade's own rules, and what its duties make of them."""

import numpy as np

from gauge_well.core.duty import hull
from tests.core.systems.boat.builds import boat
from tests.support import NumbersCase, case_of, context_of

KNOT = 0.514444


class Speeds(NumbersCase):
    def test_hull_speed(self) -> None:
        """25 ft of waterline: 1.34 x 5 = 6.7 knots with power enough (common practice)."""
        self.close(hull.fastest("displacement", 25 / 3.28084, 4000.0, 40e3) / KNOT, 6.7, rel=1e-3)

    def test_too_little_power_goes_slower(self) -> None:
        """1,000 pounds a horsepower: 10.665 / 10 = 1.07 for each root of a foot (gerr1989, by hand)."""
        mass, power = 1000 * 0.45359237, 745.7
        self.close(hull.fastest("displacement", 16 / 3.28084, mass, power) / KNOT, 1.0665 * 4, rel=1e-4)

    def test_planing(self) -> None:
        """25 pounds a horsepower: 150 / 5 = 30 knots (common practice; 2 %)."""
        self.close(hull.fastest("planing", 6.0, 25 * 0.45359237 * 100, 74570.0) / KNOT, 30.0, rel=0.02)

    def test_kind_and_length(self) -> None:
        self.assertEqual(hull.hull_by_rule(1600.0, 150e3), "planing")
        self.assertEqual(hull.hull_by_rule(5200.0, 22e3), "displacement")
        self.assertEqual(hull.hull_by_rule(None, 22e3), "displacement")
        self.between(hull.waterline_by_rule(5200.0), 7.0, 9.5)


class Duties(NumbersCase):
    def test_a_boat_has_its_own_facts(self) -> None:
        """Filled by rule, and said so: hull, speeds, how it leans; under sail it leans more."""
        machine = case_of(boat(machine__heel=None, machine__trim=None)).machine
        self.assertEqual(
            (machine.hull, machine.sails, machine.cooled_by, machine.exhaust),
            ("displacement", "no", "exchanger", "wet"),
        )
        self.close(float(np.degrees(machine.heel or 0)), 10.0, abs=0.1)
        sailing = case_of(boat(machine__heel=None, machine__sails="yes")).machine
        self.between(float(np.degrees(sailing.heel or 0)), 20.0, 30.0)

    def test_speed_by_revs(self) -> None:
        """Full ahead at top speed; at 70 % of the revs its cruising speed."""
        cases = context_of(boat()).duties.cases
        self.close(float(cases[1].asked_speed) * 3.6, 13.0, abs=0.05)
        self.close(float(cases[0].asked_speed), 0.7 * float(cases[1].asked_speed), rel=0.01)

    def test_held_at_the_quay(self) -> None:
        """A propeller held takes 1.4 times its power at the same revs: at 85 % of them, .86 of it, standing still."""
        raw = boat()
        raw["duties"] = [{"id": "quay", "kind": "bollard", "ambient": "25 C"}]
        case = context_of(raw).duties.cases[0]
        self.close(float(case.power) / 30e3, 1.4 * 0.85**3, rel=1e-6)
        self.close(float(case.engine_speed), 0.85 * 3000.0, rel=1e-6)
        self.assertEqual(float(case.asked_speed), 0.0)
        self.assertTrue(case.power_driven)

    def test_the_sea_is_as_warm_as_the_air_and_no_warmer_than_any(self) -> None:
        raw = boat()
        for air, sea in (("15 C", 288.15), ("45 C", 305.15)):
            raw["duties"] = [{"id": "d", "kind": "boat", "ambient": air}]
            self.close(context_of(raw).duties.cases[0].sea, sea, abs=0.01)
