"""The march against SciPy's adaptive integrator on the same balance, and drives of a build against the trade."""

import unittest
from dataclasses import replace

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.drive import course, march, track
from gauge_well.core.drive.march import Body, Heats, Tables
from gauge_well.core.drive.tables import Day
from gauge_well.core.errors import MissingFact
from tests.core.start.made import bare, build

BODY = Body(metal=60e3, coolant=40e3, between=3e3, oil=25e3, oil_to_coolant=300.0)
AIR = 293.15


def tables(conductance: float = 900.0, switches=()) -> Tables:
    rows = np.linspace(243.15, 433.15, 77)
    # Shut up to 360 K, open over 12 K.
    lift = np.clip((rows - 360.0) / 12.0, 0.01, 1.0)
    speeds = np.array([0.0, 10.0, 30.0])
    grown = np.array([0.25, 0.8, 1.3])
    one = conductance * lift[:, None, None] * grown[None, None, :]
    own = np.concatenate([one, 2.0 * one], axis=1)
    return Tables(
        243.15,
        rows[1] - rows[0],
        speeds,
        own,
        np.ones(1),
        np.full((1, 2, 3), AIR),
        25.0,
        switches,
        BODY,
        388.0,
        400.0,
        360.0,
    )


def heats(count: int, at: float = 45e3, speed: float = 20.0) -> Heats:
    time = np.arange(count)
    load = at * (1.0 + 0.5 * np.sin(time / 90.0))
    return Heats(load, 0.15 * load, load, np.full(count, speed), np.full(count, 40.0))


class March(unittest.TestCase):
    def integrated(self, of: Tables, given: Heats, start: float):
        """The same four balances, each second's heat held through it as the march does, by LSODA at 1e-8."""
        rows = of.low + of.step * np.arange(of.conductance.shape[0])
        place = np.interp(given.across[0], of.across, np.arange(of.across.size))
        j = min(int(place), of.across.size - 2)
        column = of.conductance[:, 0, j] + (place - j) * (of.conductance[:, 0, j + 1] - of.conductance[:, 0, j])

        def slope(t, y):
            metal, coolant, oil, wax = y
            at = min(int(t), given.coolant.size - 1)
            u = np.interp(wax, rows, column)
            through, back = BODY.between * (metal - coolant), BODY.oil_to_coolant * (oil - coolant)
            return [
                (given.coolant[at] - through) / BODY.metal,
                (through + back - (u + of.beside) * (coolant - AIR)) / BODY.coolant,
                (given.oil[at] - back - given.oil_to_air[at] * (oil - AIR)) / BODY.oil,
                (coolant - wax) / march.WAX_LAGS,
            ]

        last = given.coolant.size - 1
        done = solve_ivp(
            slope,
            (0.0, last),
            [start] * 4,
            method="LSODA",
            rtol=1e-8,
            atol=1e-6,
            max_step=0.5,
            t_eval=np.arange(last + 1.0),
        )
        return done.y

    def test_it_is_the_integrators_within_a_third_of_a_kelvin(self) -> None:
        of, given = tables(), heats(1800)
        for start in (AIR, 365.0):
            found = march.march(of, BODY, given, (start, start), AIR)
            exact = self.integrated(of, given, start)
            # First order in a second: a third of a kelvin where it warms fastest, a tenth once it is warm.
            self.assertLess(np.max(np.abs(found.coolant - exact[1])), 0.35)
            self.assertLess(np.max(np.abs(found.coolant[900:] - exact[1][900:])), 0.15)
            self.assertLess(np.max(np.abs(found.oil - exact[2])), 0.35)

    def test_at_rest_what_is_made_is_shed(self) -> None:
        of = tables()
        given = Heats(np.full(7200, 40e3), np.full(7200, 6e3), np.zeros(7200), np.full(7200, 20.0), np.full(7200, 40.0))
        found = march.march(of, BODY, given, (365.0, 375.0), AIR)
        tc, to = found.coolant[-1], found.oil[-1]
        row = (tc - of.low) / of.step
        i = int(row)
        u = np.interp(
            20.0, of.across, of.conductance[i, 0] + (row - i) * (of.conductance[i + 1, 0] - of.conductance[i, 0])
        )
        self.assertAlmostEqual((u + of.beside) * (tc - AIR) + 40.0 * (to - AIR), 46e3, delta=5.0)

    def test_the_fan_goes_by_its_thresholds(self) -> None:
        of = tables(conductance=500.0, switches=((368.0, 364.0),))
        found = march.march(of, BODY, heats(3600, at=14e3, speed=0.0), (365.0, 370.0), AIR)
        on = np.flatnonzero(np.diff(found.fan) > 0) + 1
        off = np.flatnonzero(np.diff(found.fan) < 0) + 1
        self.assertTrue(on.size and off.size)
        self.assertTrue(np.all(found.coolant[on - 1] >= 367.5) and np.all(found.coolant[off - 1] <= 364.5))

    def test_it_does_not_pass_boiling(self) -> None:
        found = march.march(tables(conductance=50.0), BODY, heats(3600, at=80e3), (365.0, 370.0), AIR)
        self.assertLessEqual(found.coolant.max(), 400.0)


def drive(speed, grade=0.0, lasts=1800):
    time = np.arange(lasts + 1.0)
    way = np.concatenate([[0.0], np.cumsum(np.broadcast_to(speed, time.size)[1:])])
    rise = np.concatenate([[0.0], np.cumsum(np.broadcast_to(grade * speed, time.size)[1:])])
    return track.of_positions(time, 45.0 + np.degrees(way / track.EARTH), np.full(time.size, 7.0), rise)


class Course(unittest.TestCase):
    def test_a_grade_is_hotter_than_the_level_and_takes_more_fuel(self) -> None:
        case, day = build("quarry-mule"), Day(303.15)
        level, climb = (course.along(case, drive(15.0, g), day) for g in (0.0, 0.06))
        self.assertGreater(climb.marched.coolant.max(), level.marched.coolant.max() + 2.0)
        self.assertGreater(climb.fuel[-1], 2.0 * level.fuel[-1])
        self.assertGreater(np.median(climb.power), 2.0 * np.median(level.power))

    def test_power_on_the_level_is_the_road_load(self) -> None:
        case = build("quarry-mule")
        found = course.along(case, drive(20.0), Day(293.15))
        machine = case.machine
        # m g Crr v + .5 rho CdA v^3 by hand over the driveline's share, and what hangs on the crank.
        rho = 101325.0 / (287.05 * 293.15)
        load = machine.mass * 9.80665 * machine.rolling_resistance * 20.0 + 0.5 * rho * machine.drag_area * 20.0**3
        crank = found.power[900] - (float(machine.electrical_load or 0.0) / 0.55 + 300.0)
        self.assertTrue(1.0 / 0.95 < crank / load < 1.0 / 0.8, crank / load)

    def test_standing_still_it_idles(self) -> None:
        case = build("quarry-mule")
        time = np.arange(601.0)
        found = course.along(case, track.of_speeds(time, np.zeros(601)), Day(293.15))
        self.assertTrue(np.all(found.engine_speed == float(case.engine.idle_speed)))
        self.assertFalse(found.weak.any())
        # common practice: a warm 2.7 L idles on some .8 to 1.6 kg an hour.
        self.assertTrue(0.6 < found.fuel[-1] * 6.0 < 2.0, found.fuel[-1] * 6.0)

    def test_what_is_too_steep_is_said_to_be_so(self) -> None:
        found = course.along(build("quarry-mule"), drive(30.0, 0.2, 300), Day(293.15))
        self.assertTrue(found.weak.all() or found.weak.mean() > 0.9)
        self.assertIn("weak", course.worst(found))

    def test_cold_it_warms_up_and_warm_it_stays(self) -> None:
        case = build("quarry-mule")
        cold = course.along(case, drive(15.0), Day(283.15, start="cold"))
        self.assertAlmostEqual(cold.marched.coolant[0], 283.15, places=6)
        self.assertGreater(cold.marched.coolant[-1], 350.0)
        warm = course.along(case, drive(15.0), Day(283.15))
        self.assertAlmostEqual(warm.marched.coolant[-1], cold.marched.coolant[-1], delta=3.0)

    def test_a_trailer_and_thin_air_cost(self) -> None:
        case = build("quarry-mule")
        plain, towing = (course.along(case, drive(15.0, 0.04), Day(293.15, tow=t)) for t in (0.0, 1.0))
        self.assertGreater(np.median(towing.power), 1.2 * np.median(plain.power))

    def test_what_is_not_known_is_named(self) -> None:
        with self.assertRaises(MissingFact) as told:
            course.along(bare(), drive(15.0), Day(293.15))
        self.assertTrue(told.exception.field.startswith("cooling."))

    def test_worst_moments_are_where_they_are(self) -> None:
        found = course.along(build("quarry-mule"), drive(15.0, 0.05), Day(303.15))
        at = course.worst(found)
        self.assertEqual(found.marched.coolant[at["coolant"]], found.marched.coolant.max())
        self.assertEqual(found.power[at["power"]], found.power.max())
        self.assertTrue(replace(found).limit > 370.0)
