"""Heat to what stands beside a pipe: rays, view factors of a handbook, balances in another form, an integrator."""

import numpy as np
from scipy.integrate import solve_ivp
from scipy.linalg import solve_banded
from scipy.optimize import brentq
from scipy.stats import qmc

from gauge_well.core.heat import enclosure, neighbour
from tests.support import NumbersCase

SIGMA = 5.670374e-8
BAY = 333.15


def loom(gap: float, size: float = 0.010, radius: float = 0.030) -> neighbour.Thing:
    return neighbour.Thing(radius, gap, size, False)


class Views(NumbersCase):
    def test_by_rays(self) -> None:
        """65,536 rays from a thin line's surface, as it gives away: those that hit the pipe, times its round, over its
        width. 1 % of the closed form at four distances."""
        rays = qmc.Sobol(4, seed=7).random(65536)
        around, up, turn = 2 * np.pi * rays[:, 0], np.arcsin(np.sqrt(rays[:, 1])), 2 * np.pi * rays[:, 2]
        # Cosine-weighted about each place's own normal; along the pipe nothing ends, so that two dimensions decide.
        normal = np.stack([np.cos(around), np.sin(around)], axis=1)
        across = np.stack([-normal[:, 1], normal[:, 0]], axis=1)
        way = np.cos(up)[:, None] * normal + (np.sin(up) * np.cos(turn))[:, None] * across
        for gap in (0.010, 0.025, 0.075, 0.200):
            thing = loom(gap, size=0.001)
            begins = 0.0005 * normal
            to_pipe = np.array([thing.distance, 0.0]) - begins
            along = np.einsum("ij,ij->i", to_pipe, way) / np.einsum("ij,ij->i", way, way)
            nearest = np.linalg.norm(to_pipe - along[:, None] * way, axis=1)
            hit = np.mean((along > 0) & (nearest < 0.030))
            self.close(hit * np.pi, thing.view, rel=0.01, note=str(gap))

    def test_parallel_cylinders_of_a_handbook(self) -> None:
        """Incropera, table 13.1, parallel cylinders of different radii (from memory): a 10 mm loom to 2 %."""
        for gap in (0.025, 0.075, 0.150):
            thing = loom(gap)
            r = thing.size / 2 / thing.radius
            c = float(thing.distance / thing.radius)
            f = (
                np.pi
                + np.sqrt(c**2 - (r + 1) ** 2)
                - np.sqrt(c**2 - (r - 1) ** 2)
                + (r - 1) * np.arccos(r / c - 1 / c)
                - (r + 1) * np.arccos(r / c + 1 / c)
            ) / (2 * np.pi)
            # From pipe to loom per metre: 2 pi R F; over the loom's width.
            self.close(2 * np.pi * thing.radius * f / thing.size, thing.view, rel=0.02, note=str(gap))

    def test_a_plate_under_it(self) -> None:
        """Integrated over the strip's own angles: the cosine over all directions to the pipe, half of each."""
        thing = neighbour.Thing(0.030, 0.055, 0.3, True)
        half = np.arcsin(0.030 / 0.085)
        angles = np.linspace(-half, half, 20001)
        self.close(thing.view, np.trapezoid(np.cos(angles) / 2, angles), rel=1e-6)

    def test_what_a_sheet_leads_aside(self) -> None:
        """A strip of floor by finite differences, fed by ``1/(1 + (x/H)^2)``, giving away 40 W/m2K: its middle to 1 %."""
        for distance, sheet in ((0.030, 0.05), (0.085, 0.05), (0.085, 0.005)):
            x, step = np.linspace(0.0, 2.0, 4001, retstep=True)
            fed = 40.0 / (1 + (x / distance) ** 2)
            k = sheet / step**2
            main, side = np.full(x.size, 2 * k + 40.0), np.full(x.size - 1, -k)
            matrix = np.zeros((3, x.size))
            matrix[1], matrix[0, 1:], matrix[2, :-1] = main, side, side
            matrix[0, 1] = -2 * k  # the same on both sides of the middle
            middle = solve_banded((1, 1), matrix, fed)[0]
            self.close(neighbour.kept_under(distance, sheet), middle, rel=0.01)
        self.close(neighbour.kept_under(0.05, 0.0), 1.0)


class Heat(NumbersCase):
    def test_a_balance_by_a_root(self) -> None:
        """Reciprocity from the pipe's side, and a general root finder: 0.05 K."""
        for gap, pipe in ((0.025, 833.15), (0.075, 687.15), (0.25, 900.0)):
            thing = loom(gap)
            # Of all the pipe gives, the share that the thing's width takes.
            comes = 0.8 * SIGMA * pipe**4 * thing.size * np.arcsin(thing.radius / thing.distance)

            def left(t: float, comes: float = comes) -> float:
                gives = np.pi * 0.010 * (12.0 * (t - BAY) + 0.9 * SIGMA * (t**4 - BAY**4))
                return float(0.9 * comes - gives)

            self.close(neighbour.beside(thing, pipe, BAY, 12.0), brentq(left, BAY, 1500.0), abs=0.05)

    def test_shields(self) -> None:
        """A bright sheet leaves a loom within 3 K of the bay and itself stands at 90 to 145 C; a weathered one lets three
        times as much by or more (common practice)."""
        thing = loom(0.050)
        rises = []
        for dull in (0.1, 0.3):
            sheet = neighbour.shield(thing, 833.15, BAY, 12.0, dull)
            rises.append(float(neighbour.settles(neighbour.let_by(sheet, BAY, dull), BAY, 12.0)) - BAY)
            if dull == 0.1:
                self.between(float(sheet) - 273.15, 90.0, 145.0)
        self.between(rises[0], 0.3, 3.0)
        self.assertGreater(rises[1], 3.0 * rises[0])

    def test_still_air(self) -> None:
        """Less film, hotter; more, colder."""
        self.falling([float(neighbour.beside(loom(0.075), 833.15, BAY, h)) for h in (6.0, 12.0, 25.0)])

    def test_two_lags(self) -> None:
        """A pipe that lags, and a thing that lags behind it, by an adaptive integrator: to 1e-4."""
        for own, pipe in ((300.0, 60.0), (40.0, 90.0), (75.0, 75.0)):

            def slope(t: float, y: np.ndarray, own: float = own, pipe: float = pipe) -> list[float]:
                return [(1.0 - y[0]) / pipe, (y[0] - y[1]) / own]

            for seconds in (20.0, 200.0, 2000.0):
                done = solve_ivp(slope, (0.0, seconds), [0.25, 0.25], rtol=1e-9, atol=1e-10)
                self.close(neighbour.reached(seconds, own, pipe, 0.25), done.y[1, -1], abs=1e-3)
        self.close(neighbour.reached(np.inf, 300.0, 60.0, 0.25), 1.0)

    def test_after_a_stop_by_an_integrator(self) -> None:
        """Pipe and loom cooling in still air, both as their full balances: the peak to 4 K."""
        thing, pipe_heat, own_heat = loom(0.030), 0.0015 * 500 * 7850, 2.5e6 * 0.25 * 0.010

        def slope(t: float, y: np.ndarray) -> list[float]:
            tp, tn = y
            takes = 0.8 * SIGMA * tp**4 * 0.9 * np.arcsin(thing.radius / thing.distance) / np.pi
            return [
                -(8.0 * (tp - BAY) + 0.8 * SIGMA * (tp**4 - BAY**4)) / pipe_heat,
                (takes - 8.0 * (tn - BAY) - 0.9 * SIGMA * (tn**4 - BAY**4)) / own_heat,
            ]

        done = solve_ivp(slope, (0.0, 400.0), [850.0, 360.0], rtol=1e-8, max_step=2.0)
        begins = neighbour.Stopped(850.0, 360.0, pipe_heat, own_heat)
        self.close(neighbour.after_stop(thing, begins, BAY, 8.0, 8.0), done.y[1].max(), abs=4.0)


class Spaces(NumbersCase):
    def test_air_that_carries_heat(self) -> None:
        """4.5 kW at 35 C: 117 C at .05 m3/s, 55 at .2, 45 at .4 (common practice; 2 K)."""
        for flow, t in ((0.05, 117.0), (0.2, 55.0), (0.4, 45.0)):
            self.close(35.0 + float(enclosure.carried(4500.0, 1.1 * flow)), t, abs=2.0)
        self.assertEqual(float(enclosure.carried(100.0, 0.0)), np.inf)

    def test_a_draught_by_a_root(self) -> None:
        """Flow by the stack's pressure through two openings in turn, heat by its warmth, balanced by a root finder: 0.1 %."""
        low, high, height, ambient, heat = 0.02, 0.03, 0.6, 308.15, 800.0
        rho = 101325.0 / (287.05 * ambient)

        def left(over: float) -> float:
            drives = rho * 9.80665 * height * over / ambient
            flow = np.sqrt(2 * drives / rho / (1 / (0.6 * low) ** 2 + 1 / (0.6 * high) ** 2))
            return float(heat - rho * 1006.0 * flow * over)

        over = brentq(left, 0.1, 500.0)
        found, flow = enclosure.draught(heat, enclosure.both_openings(low, high), height, ambient)
        self.close(found, over, rel=1e-3)
        self.close(flow * 1006.0 * found, heat, rel=1e-9)
        # 800 W, .02 and .03 m2, .6 m: 88 C, 13 L/s (common practice).
        self.close(35.0 + float(found), 88.0, abs=4.0)

    def test_a_box(self) -> None:
        """40 W in .3 m2 in 70 C air: 90 C; .01 m3/s through it 73 (common practice; 1 K)."""
        for fan, t in ((0.0, 90.0), (0.01, 73.0)):
            conducts = enclosure.box_conductance(0.3, 0.0, fan, 343.15)
            self.close(70.0 + 40.0 / float(conducts), t, abs=1.0)
        self.falling([float(enclosure.box_conductance(0.3, wall, 0.0, 343.15)) for wall in (0.0, 0.003, 0.010)])

    def test_a_closed_rooms_opening(self) -> None:
        """Bernoulli through a sharp edge at 60 Pa, by hand: 1 m3/s of 1.2 kg/m3 goes at 10 m/s, so through 1 / (.6 x 10) m2."""
        self.close(enclosure.room_opening(1.2, 294.0), 1.0 / (0.6 * 10.0), rel=0.01)
