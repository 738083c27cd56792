"""Pedals and levers: throttle by geometry, vacuum by an integrator and step by step, pedals by work, steering by circles."""

import numpy as np
from scipy.integrate import solve_ivp
from scipy.optimize import brentq

from gauge_well.core.linkage import pedal, steering, throttle, vacuum
from gauge_well.core.linkage.pedal import Linked
from tests.support import NumbersCase


class Throttle(NumbersCase):
    def test_a_round_wheel(self) -> None:
        """38 mm on 32 turn 1.1875 rad, 68 degrees; 85 of them ask a wheel of 25.6 mm: by hand."""
        self.close(np.degrees(throttle.opened(0.038, 0.032)), 68.0, abs=0.1)
        self.close(0.038 / throttle.drawn_for(np.radians(85.0), 1.0), 0.0256, rel=2e-3)

    def test_a_lever_against_its_geometry(self) -> None:
        """Cable far away: what it draws is how far the lever's end goes along it."""
        radius, before = 0.03, np.radians(50.0)
        for turned in np.radians([10.0, 50.0, 85.0]):
            ends = [np.array([np.sin(a - before), np.cos(a - before)]) * radius for a in (0.0, turned)]
            along = ends[1][0] - ends[0][0]
            self.close(throttle.drawn_for(turned, radius, before), along, rel=1e-12)
            self.close(throttle.opened(along, radius, before), turned, rel=1e-9)

    def test_a_plate_opens_little_at_first(self) -> None:
        """Equal steps of pedal open 6, 20, 40, 64, 91 % of the bore: the plate's shadow, from five degrees (from memory)."""
        self.close(
            throttle.flows(np.radians(80.0) * np.arange(1, 6) / 5.0), [0.063, 0.198, 0.396, 0.640, 0.913], abs=2e-3
        )

    def test_a_lever_opens_sooner(self) -> None:
        half = 0.5 * throttle.drawn_for(np.radians(85.0), 0.03, np.radians(50.0))
        self.assertGreater(throttle.opened(half, 0.03, np.radians(50.0)) / np.radians(85.0), 0.5)

    def test_bends_by_small_steps(self) -> None:
        """A thousand small bends each take mu times the pull times the angle."""
        pull = 20.0
        for _ in range(100_000):
            pull -= 0.15 * pull * np.pi / 100_000
        self.close(throttle.eased(20.0, np.pi, 0.15), pull, rel=1e-4)


class Vacuum(NumbersCase):
    def test_applications_step_by_step(self) -> None:
        """65 kPa, 6 L, 1.1 L each: 54.9, 46.4, 39.2, 33.1: three whole ones over 35 (common practice)."""
        each = vacuum.lets_in(0.250, 0.0224)
        self.close(each, 1.1e-3, rel=2e-3)
        depth, whole = 65e3, 0
        while (depth := depth * 6e-3 / (6e-3 + float(each))) > 35e3:
            whole += 1
        self.assertEqual((whole, int(vacuum.applications(65e3, 6e-3, each, 35e3))), (3, 3))
        self.close(vacuum.left(65e3, 6e-3, each, 2.0), 65e3 * (6.0 / 7.0996) ** 2, rel=2e-3)
        self.assertEqual(float(vacuum.applications(30e3, 6e-3, each, 35e3)), 0.0)

    def test_air_mixed_at_one_temperature(self) -> None:
        """Masses add: p V and p_a V_a in V + V_a, the depth measured from the air."""
        air, depth, v, va = 101325.0, 65e3, 6e-3, 1.1e-3
        mixed = ((air - depth) * v + air * va) / (v + va)
        self.close(vacuum.left(depth, v, va, 1.0), air - mixed, rel=1e-12)

    def test_recovery_against_an_integrator(self) -> None:
        """V dp = -Q (1 - d/D) p dt, of a pump of 1.5 L/s that goes to 85 kPa, from 35 to 65."""
        air, v, q, most = 101325.0, 8e-3, 1.5e-3, 85e3

        def falls(t: float, d: np.ndarray) -> np.ndarray:
            return np.asarray(q * (1.0 - d / most) * (air - d) / v)

        def there(t: float, d: np.ndarray) -> float:
            return float(d[0]) - 65e3

        there.terminal = True  # type: ignore[attr-defined]
        found = solve_ivp(falls, (0.0, 500.0), [35e3], events=there, rtol=1e-9, atol=1e-6)
        self.close(vacuum.pumped(v, q, most, 35e3, 65e3, air), found.t_events[0][0], rel=1e-5)

    def test_deeper_than_it_reaches_never_comes(self) -> None:
        self.assertEqual(float(vacuum.pumped(8e-3, 1.5e-3, 60e3, 35e3, 65e3, 101325.0)), np.inf)


class Pedal(NumbersCase):
    LINK = Linked(0.140, 0.010, 6.0, 1.0, 1.8, 1.0)

    def test_by_hand(self) -> None:
        """130 mm over 6 is 21.7 at the slave of equal bores, 12.04 at the bearing; a 15.9 master on 19.05: 15.1 mm."""
        self.close(pedal.slave(self.LINK), 0.130 / 6.0, rel=1e-12)
        self.close(pedal.moves(self.LINK), 0.130 / 6.0 / 1.8, rel=1e-12)
        small = Linked(0.140, 0.010, 6.0, pedal.areas(0.01905, 0.0159), 1.8, 1.0)
        self.close(pedal.slave(small), 0.0151, rel=2e-3)
        self.close(pedal.pad_force(small, 1.0) / pedal.pad_force(self.LINK, 1.0), (15.9 / 19.05) ** 2, rel=1e-9)

    def test_work_balances(self) -> None:
        """Nothing lost: force times way is the same at pad and bearing, whatever the bores."""
        for areas in (0.7, 1.0, 1.6):
            link = Linked(0.150, 0.0, 5.5, areas, 2.0, 1.0)
            self.close(pedal.pad_force(link, 2500.0) * 0.150, 2500.0 * pedal.moves(link), rel=1e-12)

    def test_a_bracket_that_bends_takes_its_way(self) -> None:
        self.close(pedal.slave(self.LINK) - pedal.slave(self.LINK, 0.002), 0.002, rel=1e-9)


class Steering(NumbersCase):
    def test_against_circles_solved(self) -> None:
        """Rod and arm as links: the upright turns until the rod's length is as it was, by a root search."""
        lowered, rod, arm, travel = 0.020, 0.350, 0.130, 0.030

        def off(turn: float) -> float:
            # The wheel's joint: carried in by the suspension's circle, out by the upright's turn; the rod's inner end lowered.
            across = np.sqrt(rod**2 - travel**2) - rod + np.sqrt(rod**2 - lowered**2) - arm * np.sin(turn)
            return float(np.hypot(across, travel + lowered) - rod)

        self.close(steering.toed(lowered, travel, rod, arm), brentq(off, -0.2, 0.2), rel=1e-9)

    def test_nearly_height_times_travel(self) -> None:
        """20 mm lower, 30 mm of bump on a rod of 350 and an arm of 130: 0.75 degrees (common practice)."""
        found = np.degrees(steering.toed(0.020, 0.030, 0.350, 0.130))
        self.close(found, np.degrees(0.020 * 0.030 / (0.350 * 0.130)), rel=0.02)
        self.close(steering.toed(0.0, 0.030, 0.350, 0.130), 0.0, abs=1e-15)

    def test_parked_wheel_grows_with_its_load(self) -> None:
        """The moment goes with the load to 1.5: 4 kN at 200 kPa gives 0.8 / 3 x 566 = 151 N m, by hand."""
        self.close(steering.parked(4000.0, 200e3, 0.8), 0.8 / 3.0 * np.sqrt(4000.0**3 / 200e3), rel=1e-12)
        self.close(steering.parked(8000.0, 200e3, 0.8) / steering.parked(4000.0, 200e3, 0.8), 2.0**1.5, rel=1e-9)

    def test_pump_at_idle(self) -> None:
        """8 cm3 at 800 with all of it kept are 6.4 L/min."""
        self.close(steering.pump_gives(8e-6, 800.0, 1.0) * 6e4, 6.4, rel=1e-9)
