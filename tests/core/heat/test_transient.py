"""The march against SciPy's integrator at tight tolerance, and against the exponential by hand."""

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.heat.transient import Body, ShedTable, march
from tests.support import NumbersCase

LOW, STEP = 243.15, 2.0
ROWS = LOW + STEP * np.arange(106)


def smooth(t: np.ndarray) -> np.ndarray:
    """Heat that rises steeply about 365 K, as a thermostat opens."""
    return 300.0 * (t - 310.0) + 30e3 / (1.0 + np.exp(-(t - 367.0) / 4.0))


def table(*columns: np.ndarray) -> ShedTable:
    return ShedTable(LOW, STEP, np.stack(columns, axis=1)[:, :, None])


BODY = Body(np.array([45e3]), np.array([38e3]), np.array([3600.0]))


class March(NumbersCase):
    def test_against_the_integrator(self) -> None:
        """The same straight pieces given to DOP853 at 1e-10: within 0.01 K over twenty minutes, steps of 2 s."""
        shed = table(smooth(ROWS))

        def rates(_: float, y: np.ndarray) -> list[float]:
            through = 3600.0 * (y[0] - y[1])
            return [(40e3 - through) / 45e3, (through - float(np.interp(y[1], ROWS, smooth(ROWS)))) / 38e3]

        exact = solve_ivp(
            rates,
            (0.0, 1200.0),
            [300.0, 300.0],
            method="DOP853",
            rtol=1e-10,
            atol=1e-8,
            max_step=1.0,
            t_eval=[60, 300, 1200],
        )
        done = march(shed, BODY, np.array([40e3]), (np.array([300.0]), np.array([300.0])), 1200.0, 2.0)
        for at, time in enumerate((60, 300, 1200)):
            row = int(time / 2)
            self.close(done.metal[row, 0], exact.y[0, at], abs=0.01, note=f"{time}")
            self.close(done.coolant[row, 0], exact.y[1, at], abs=0.01, note=f"{time}")

    def test_one_lump_is_the_exponential(self) -> None:
        """Metal tied hard to the coolant and a straight loss: T = Ta + Q/U + (T0 - Ta - Q/U) exp(-t U / C), by hand."""
        u, ta, q, c = 900.0, 310.0, 40e3, 83e3
        body = Body(np.array([45e3]), np.array([38e3]), np.array([2e5]))
        done = march(table(u * (ROWS - ta)), body, np.array([q]), (np.array([340.0]), np.array([340.0])), 90.0, 0.1)
        end = ta + q / u
        expected = end + (340.0 - end) * np.exp(-done.time * u / c)
        self.close(done.coolant[:, 0], expected, abs=0.12)

    def test_steady_is_where_shed_meets_made(self) -> None:
        done = march(table(smooth(ROWS)), BODY, np.array([20e3]), (np.array([360.0]), np.array([360.0])), 6000.0, 2.0)
        self.close(np.interp(done.coolant[-1, 0], ROWS, smooth(ROWS)), 20e3, rel=1e-4)
        self.close(done.metal[-1, 0] - done.coolant[-1, 0], 20e3 / 3600.0, rel=1e-4)

    def test_fan_goes_between_its_thresholds(self) -> None:
        """On at 372, off at 367: once it has reached them the coolant stays there but for a step's overshoot."""
        shed = table(200.0 * (ROWS - 310.0), 900.0 * (ROWS - 310.0))
        begin = (np.array([365.0]), np.array([365.0]))
        done = march(shed, BODY, np.array([25e3]), begin, 3000.0, 2.0, [(372.0, 367.0)])
        late = done.coolant[200:, 0]
        self.between(late, 366.0, 373.0)
        self.assertEqual(set(np.unique(done.state)), {0, 1})
        self.assertGreater(int(np.sum(np.diff(done.state[:, 0]) > 0)), 5)

    def test_held_states_do_not_switch(self) -> None:
        shed = table(200.0 * (ROWS - 310.0), 900.0 * (ROWS - 310.0))
        begin = (np.array([365.0]), np.array([365.0]))
        done = march(shed, BODY, np.array([25e3]), begin, 600.0, 2.0, [(372.0, 367.0)], np.array([0]))
        self.assertEqual(int(done.state.max()), 0)
        self.assertGreater(float(done.coolant[-1, 0]), 380.0)

    def test_first_over(self) -> None:
        """No loss, one lump: 30 K at 40 kW on 83 kJ/K takes 62.25 s; a limit it starts over at once, one it never meets never."""
        body = Body(np.array([45e3]), np.array([38e3]), np.array([2e4]))
        begin = (np.array([340.0]), np.array([340.0]))
        done = march(table(0.0 * ROWS), body, np.array([40e3]), begin, 200.0, 0.5)
        self.close(done.first_over(370.0), 62.25, abs=1.5)
        self.close(done.first_over(330.0), 0.0)
        self.assertTrue(np.isinf(done.first_over(1000.0))[0])

    def test_points_do_not_mix(self) -> None:
        two = ShedTable(LOW, STEP, np.stack([smooth(ROWS), 0.5 * smooth(ROWS)], axis=1)[:, None, :])
        body = Body(*(np.repeat(v, 2) for v in (BODY.metal, BODY.coolant, BODY.between)))
        begin = (np.full(2, 350.0), np.full(2, 350.0))
        both = march(two, body, np.array([20e3, 20e3]), begin, 300.0, 2.0)
        one = march(table(smooth(ROWS)), BODY, np.array([20e3]), (begin[0][:1], begin[1][:1]), 300.0, 2.0)
        self.close(both.coolant[:, 0], one.coolant[:, 0], abs=1e-9)
        self.assertGreater(float(both.coolant[-1, 1]), float(both.coolant[-1, 0]))
