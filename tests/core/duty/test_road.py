"""Road load, gears and engines too weak: by hand, against a scalar search, and by the trade's figures."""

import numpy as np
from scipy.optimize import brentq

from gauge_well.core.duty import road
from gauge_well.core.engine.model import engine_of
from tests.support import ROAD, NumbersCase, case_of, changed, context_of

RHO = 1.2


def parts(**paths: object) -> tuple[object, road.Vehicle]:
    case = case_of(changed(ROAD, **paths))
    return engine_of(case.engine), road.vehicle_of(case.machine)


class Load(NumbersCase):
    def test_by_hand(self) -> None:
        """1400 kg, 0.012, 6 %, 80 km/h, 0.68 m2, 92 %: 28.2 kW; worked with cos and sin of the angle."""
        v, a = 80 / 3.6, np.arctan(0.06)
        force = 1400 * 9.80665 * (0.012 * np.cos(a) + np.sin(a)) + 0.5 * 1.2 * 0.68 * v**2
        self.close(road.road_power(v, 1400.0, 0.012, 0.06, 1.2, 0.68, 0.92), v * force / 0.92, rel=1e-12)
        self.close(v * force / 0.92, 28.6e3, rel=0.01)

    def test_a_hundred_miles_an_hour_asks_about_fifty_kilowatts(self) -> None:
        """160 km/h on the level (common practice)."""
        self.close(road.road_power(160 / 3.6, 1400.0, 0.012, 0.0, 1.2, 0.68, 0.9), 48e3, rel=0.12)

    def test_never_below_nought(self) -> None:
        self.close(road.road_power(20.0, 1400.0, 0.012, -0.2, 1.2, 0.7, 0.9), 0.0)

    def test_trailer_adds_its_mass_and_drag(self) -> None:
        _, alone = parts()
        _, towing = parts(machine__trailer_mass="1000 kg", machine__trailer_drag_area="0.5 m2")
        extra = towing.power(20.0, 0.05, RHO, 1.0) - alone.power(20.0, 0.05, RHO, 0.0)
        self.close(extra, road.road_power(20.0, 1000.0, 0.012, 0.05, RHO, 0.5, 0.92), rel=1e-9)
        self.close(towing.power(20.0, 0.05, RHO, 0.0), alone.power(20.0, 0.05, RHO, 0.0), rel=1e-12)


class Gears(NumbersCase):
    BOX = {
        "machine__gear_ratios": "3.6\n2.1\n1.4\n1.0\n0.8",
        "machine__final_drive": "4.1",
        "machine__tyre_diameter": "620 mm",
    }

    def test_speed_from_ratio(self) -> None:
        """Top gear 0.8 x 4.1 at 100 km/h on a 620 mm tyre, 3 % under its size rolling: by hand."""
        _, vehicle = parts(**self.BOX)
        rpm = 100 / 3.6 / (np.pi * 0.62 * 0.97) * 60 * 0.8 * 4.1
        self.close(vehicle.gears[-1] * 100 / 3.6, rpm, rel=1e-9)

    def test_tallest_comfortable_gear(self) -> None:
        """On the level the tallest with 15 % in hand; up a hill a lower one."""
        engine, vehicle = parts(**self.BOX)
        level = road.hold(engine, vehicle, 125e3, 25.0, 0.0, RHO, 0.0, 900.0, None)
        hill = road.hold(engine, vehicle, 125e3, 25.0, 0.14, RHO, 0.0, 900.0, None)
        self.assertFalse(level.too_weak or hill.too_weak)
        self.close(level.engine_speed, vehicle.gears[-1] * 25.0, rel=1e-9)
        self.assertGreater(hill.engine_speed, level.engine_speed)
        self.assertGreaterEqual(hill.available, 1.15 * hill.required)

    def test_pinned_gear(self) -> None:
        engine, vehicle = parts()
        self.close(road.hold(engine, vehicle, 125e3, 25.0, 0.0, RHO, 0.0, 0.0, 4321.0).engine_speed, 4321.0)

    def test_unknown_gearing_cruises_at_two_fifths(self) -> None:
        """0.40 of rated speed at 100 km/h (common practice)."""
        engine, vehicle = parts()
        held = road.hold(engine, vehicle, 125e3, 27.78, 0.0, RHO, 0.0, 900.0, None)
        self.close(held.engine_speed, 0.40 * 6000.0, rel=0.01)


class Crawling(NumbersCase):
    def test_the_clutch_slips(self) -> None:
        """2.5 mph up 30 % in a first gear that idles at 7 km/h: the engine stands at 0.35 of rated speed and makes the
        torque the wheels take; what it makes over what they take is as the two speeds, by hand."""
        engine, vehicle = parts(**Gears.BOX)
        v = 2.5 * 0.44704
        held = road.hold(engine, vehicle, 125e3, v, 0.30, RHO, 0.0, 0.0, None)
        self.assertFalse(held.too_weak)
        self.close(held.engine_speed, 0.35 * 6000.0, rel=1e-9)
        self.close(held.through, vehicle.gears[0] * v / 2100.0, rel=1e-9)
        self.close(held.power, float(vehicle.power(v, 0.30, RHO, 0.0)) / held.through, rel=1e-9)
        self.between(held.power, 8e3, 30e3)

    def test_a_converter_gives_torque_for_slip(self) -> None:
        _, clutch = parts(**Gears.BOX)
        engine, converter = parts(**Gears.BOX, machine__gearbox="automatic")
        slow = [road.hold(engine, m, 125e3, 1.1, 0.30, RHO, 0.0, 0.0, None).power for m in (clutch, converter)]
        self.assertLess(slow[1], 0.7 * slow[0])

    def test_its_heat_is_counted(self) -> None:
        """Crawling makes more heat for the coolant than the wheels' power alone would."""
        duty = {"id": "c", "kind": "road", "speed": "2.5 mph", "grade": "30 %", "ambient": "30 C"}
        case = context_of(changed(ROAD, duties=[duty])).duties.cases[0]
        assert case.held is not None
        self.assertLess(case.held.through, 0.9)
        self.assertGreater(case.power, 1.1 * case.held.required)


class Enough(NumbersCase):
    def test_too_weak_balances(self) -> None:
        """Full load in the gear held equals what the road asks at the speed found."""
        engine, vehicle = parts(engine__rated_power="30 kW", machine__trailer_mass="1500 kg")
        held = road.hold(engine, vehicle, 30e3, 25.0, 0.08, RHO, 1.0, 900.0, None)
        self.assertTrue(held.too_weak)
        self.assertLess(held.speed, 25.0)
        asked = float(vehicle.power(held.speed, 0.08, RHO, 1.0)) + 900.0
        self.close(held.power, asked, rel=0.01)
        self.close(held.available / held.required, 30e3 / float(vehicle.power(25.0, 0.08, RHO, 1.0) + 900.0), rel=0.15)

    def test_top_speed_against_a_scalar_search(self) -> None:
        engine, vehicle = parts()
        found = road.top_speed(engine, vehicle, 125e3, RHO, 900.0)

        def spare(v: float) -> float:
            at = road.choose_gear(engine, vehicle, 125e3, np.array([v]), 0.0, RHO, 0.0, 900.0, None)
            return float(at.most[0] - at.required[0])

        self.close(found, brentq(spare, 20.0, 100.0, xtol=1e-6), abs=0.05)
        self.between(found * 3.6, 200.0, 240.0, "a 125 kW car (common practice)")

    def test_steepest_grade_is_just_held(self) -> None:
        engine, vehicle = parts()
        grade = road.steepest_grade(engine, vehicle, 125e3, 80 / 3.6, RHO, 0.0, 900.0)
        at = road.choose_gear(engine, vehicle, 125e3, np.array([80 / 3.6]), grade, RHO, 0.0, 900.0, None)
        self.close(at.most[0], at.required[0], rel=1e-6)

    def test_time_to_a_speed(self) -> None:
        """Never under the closed forms (constant power 1.05 m v2 / 2P, and half a g), and for a 125 kW car of
        1400 kg 7 to 11 s to 100 km/h (common practice)."""
        engine, vehicle = parts()
        v = 100 / 3.6
        found = road.time_to_speed(engine, vehicle, 125e3, v, RHO, 900.0)
        assert found is not None
        self.assertGreater(found, 1.05 * 1400 * v**2 / (2 * 125e3 * 0.92))
        self.assertGreater(found, v / (0.5 * 9.80665))
        self.between(found, 6.0, 11.0)
        self.assertLess(road.time_to_speed(engine, vehicle, 200e3, v, RHO, 900.0) or 99.0, found)
        self.assertIsNone(road.time_to_speed(engine, vehicle, 5e3, v, RHO, 900.0))

    def test_hopeless_climb(self) -> None:
        engine, vehicle = parts(machine__mass="40 t")
        held = road.hold(engine, vehicle, 125e3, 20.0, 0.9, RHO, 0.0, 900.0, None)
        self.assertTrue(held.too_weak)
        self.between(held.speed, 0.0, 3.0)
        self.assertEqual(road.steepest_grade(engine, vehicle, 125e3, 80 / 3.6, RHO, 0.0, 200e3), 0.0)
