"""A boat's drive against its own balance at rest, its propeller's law, and the trade; the simulated logger."""

import unittest

import numpy as np

from gauge_well.core.drive import course, logger, made
from gauge_well.core.drive.tables import Day, tables_of
from gauge_well.core.drive.track import of_speeds
from gauge_well.core.errors import MissingFact
from gauge_well.core.fitted.doing import Doing, duty_of
from gauge_well.core.fitted.factors import factors_of
from gauge_well.core.fitted.predict import Reading, predict
from tests.core.start.made import build

AIR = 298.15


def under_way(speed, lasts=5400):
    return of_speeds(np.arange(lasts + 1.0), np.full(lasts + 1, speed))


class Boat(unittest.TestCase):
    def test_at_rest_it_is_where_a_steady_reading_has_it(self) -> None:
        case = build("reed-otter")
        top = float(case.machine.top_speed)
        found = course.along(case, under_way(0.95 * top), Day(AIR))
        turns = float(found.engine_speed[-1])
        told = Reading(
            "a", "coolant", 360.0, 2.0, duty_of(case, Doing(ambient=AIR, engine_speed=turns, speed=0.95 * top))
        )
        steady = predict(case, [told], factors_of(case), np.ones((1, len(factors_of(case)))))[0, 0]
        # The thermostat's lift is the march's own: a reading knows only that it is held up.
        self.assertAlmostEqual(found.marched.coolant[-1], steady, delta=2.5)

    def test_revs_and_power_by_the_propellers_law(self) -> None:
        case = build("reed-otter")
        machine = case.machine
        top, cruise = float(machine.top_speed), float(machine.cruise_speed)
        # 70 % of the revs at its cruising speed, all of them at its top; power with their cube (gerr1989).
        np.testing.assert_allclose(course.share_of_revs(machine, np.array([cruise, top])), [0.7, 1.0], rtol=1e-9)
        slow, fast = (course.along(case, under_way(v, 300), Day(AIR)) for v in (cruise, top))
        self.assertAlmostEqual(slow.engine_speed[-1] / fast.engine_speed[-1], 0.7, places=6)
        self.assertAlmostEqual(slow.power[-1] / fast.power[-1], 0.7**3, delta=0.02)

    def test_logged_revs_are_taken_in_place_of_the_speed(self) -> None:
        case = build("reed-otter")
        track = under_way(1.0, 300)
        turns = np.full(track.time.size, 2500.0)
        found = course.along(case, track, Day(AIR), turns)
        self.assertTrue(np.all(found.engine_speed == 2500.0))
        self.assertGreater(found.power[-1], 3.0 * course.along(case, track, Day(AIR)).power[-1])

    def test_a_warmer_sea_is_a_warmer_engine(self) -> None:
        case = build("reed-otter")
        top = float(case.machine.top_speed)
        cold, warm = (course.along(case, under_way(top), Day(AIR, sea=s)) for s in (280.15, 302.15))
        self.assertGreater(warm.marched.coolant[-1], cold.marched.coolant[-1] + 2.0)

    def test_more_revs_shed_more(self) -> None:
        case = build("reed-otter")
        track = under_way(3.0, 300)
        table = tables_of(case, track, np.full(track.time.size, 2000.0), Day(AIR))
        self.assertTrue(np.all(np.diff(table.conductance[-1, 0]) > 0.0))

    def test_what_neither_rolls_nor_has_a_speed_by_its_revs_says_so(self) -> None:
        with self.assertRaises(MissingFact) as told:
            course.along(build("thistle-kite"), under_way(20.0, 300), Day(AIR))
        self.assertEqual(told.exception.field, "engine_speed")


class Logger(unittest.TestCase):
    def played(self, fault="", seed=3, name="quarry-mule", of=made.PASS_ROAD):
        case = build(name)
        top = case.machine.top_speed
        return logger.played(case, made.track_of(of, None if top is None else float(top)), Day(293.15), fault, seed)

    def test_the_same_seed_is_the_same_log(self) -> None:
        one, other, third = self.played(), self.played(), self.played(seed=4)
        np.testing.assert_array_equal(one.channels["coolant"], other.channels["coolant"])
        self.assertGreater(np.abs(one.channels["coolant"] - third.channels["coolant"]).max(), 0.5)

    def test_what_is_wrong_shows(self) -> None:
        sound = self.played()
        for fault in ("blocked", "pump", "gas", "around"):
            wrong = self.played(fault)
            self.assertGreater(np.mean(wrong.channels["coolant"]), np.mean(sound.channels["coolant"]) + 1.0, fault)
        boat = [self.played(f, 3, "reed-otter", made.HARBOUR_DAY).channels["coolant"].max() for f in ("", "scaled")]
        self.assertGreater(boat[1], boat[0] + 5.0)

    def test_gauges_that_are_wrong_are_only_gauges(self) -> None:
        dead, loose = self.played("dead"), self.played("spikes")
        self.assertEqual(np.ptp(dead.channels["oil_temperature"]), 0.0)
        self.assertGreater(np.sum(np.abs(np.diff(loose.channels["coolant"])) > 30.0), 9)

    def test_only_what_a_machine_has_can_be_wrong(self) -> None:
        truck, boat = build("quarry-mule"), build("reed-otter")
        self.assertTrue(logger.FAULTS["blocked"].concerns(truck) and not logger.FAULTS["blocked"].concerns(boat))
        self.assertTrue(logger.FAULTS["scaled"].concerns(boat) and not logger.FAULTS["scaled"].concerns(truck))
        self.assertTrue(logger.FAULTS[""].concerns(boat) and logger.FAULTS["dead"].concerns(truck))
