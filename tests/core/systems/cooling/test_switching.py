"""The fan in a jam: heat that goes up and down, thresholds, what is missing."""

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.heat.transient import Body, ShedTable, march
from gauge_well.core.systems.cooling import switching
from gauge_well.core.systems.cooling.gauge import thresholds
from gauge_well.core.systems.cooling.views import at_duty
from gauge_well.core.typing import likely
from tests.support import NumbersCase, changed, context_of, demo_document, drawn, facts_of

TRUCK = demo_document("quarry-mule")


def jam(**facts: str) -> tuple[switching.Jam, dict[str, switching.Told]]:
    """The truck's stop and go as a jam, by what is missing."""
    raw = changed(TRUCK, **{f"cooling__{name}": value for name, value in facts.items()})
    found = switching.jam(at_duty(context_of(raw), 0, None), facts_of(raw, "cooling"))
    assert found is not None
    return found, {case.id: switching.told(found, i) for i, case in enumerate(found.cases)}


class March(NumbersCase):
    def test_heat_in_steps_against_an_integrator(self) -> None:
        """Two nodes, heat 40 s at 6 kW and 20 s at 18, shed straight with temperature: 0.05 K after ten minutes."""
        metal, coolant, between, rate = 60e3, 40e3, 2000.0, 300.0
        rows = np.linspace(250.0, 450.0, 101)
        table = ShedTable(250.0, 2.0, (rate * (rows - 310.0)).reshape(-1, 1, 1))
        at = np.arange(300) * 2.0 % 60.0
        heat = np.where(at < 40.0, 6e3, 18e3)[:, None]
        body = Body(*(np.array([v]) for v in (metal, coolant, between)))
        done = march(table, body, heat, (np.array([350.0]), np.array([340.0])), 600.0, 2.0)

        def slope(t: float, y: np.ndarray) -> list[float]:
            made = 6e3 if t % 60.0 < 40.0 else 18e3
            through = between * (y[0] - y[1])
            return [(made - through) / metal, (through - rate * (y[1] - 310.0)) / coolant]

        exact = solve_ivp(slope, (0.0, 600.0), [350.0, 340.0], max_step=0.5, rtol=1e-8)
        self.close([done.metal[-1, 0], done.coolant[-1, 0]], exact.y[:, -1], abs=0.05)

    def test_a_jams_heat_is_the_dutys(self) -> None:
        """40 s at .6 and 20 s at 1.8 (by hand): a mean of 1."""
        (stands, low), (creeps, high) = switching.STANDS, switching.CREEPS
        self.close((stands * low + creeps * high) / (stands + creeps), 1.0)


class Missing(NumbersCase):
    def test_each_thing_that_may_be(self) -> None:
        """As it is switched it holds; at half speed hotter, without a fan at its limit soonest (common practice)."""
        found, told = jam()
        self.assertEqual([c.id for c in found.cases], ["fitted", "sensor", "request", "fuse"])
        self.rising([told[id].peak for id in ("fitted", "sensor")])
        assert told["sensor"].to_limit is not None and told["fuse"].to_limit is not None
        self.assertLess(told["fuse"].to_limit, 0.5 * told["sensor"].to_limit)
        self.assertEqual((told["fuse"].share, told["fuse"].starts), (0.0, 0.0))
        assert told["fuse"].to_limit is not None
        self.assertIsNone(told["fitted"].to_limit)
        self.assertLessEqual(told["fuse"].peak, found.boiling)

    def test_what_the_controller_does_is_what_was_said(self) -> None:
        _, told = jam(fan_sensor_lost="full", fan_request_lost="as_ever")
        self.close(told["request"].peak, told["fitted"].peak, abs=0.01)
        self.assertEqual(told["sensor"].share, 1.0)
        self.assertIsNone(told["sensor"].to_limit)

    def test_by_a_switch_and_by_hand(self) -> None:
        self.assertEqual(set(jam(fan_by="switch")[1]), {"fitted", "switch_open", "switch_shut", "fuse"})
        _, told = jam(fan_by="hand")
        self.close(told["forgotten"].peak, told["fuse"].peak)

    def test_a_switch_in_its_line(self) -> None:
        """Both must let it: it comes on at the hotter of the two, and its own failing is a case."""
        raw = changed(TRUCK, cooling__fan_on="92 C", cooling__fan_off="88 C", cooling__fan_line_switch="101 C")
        ((on, off),) = thresholds(facts_of(raw, "cooling"), 1)
        self.close([likely(on) - 273.15, likely(off) - 273.15], [101.0, 97.0])
        _, told = jam(fan_line_switch="101 C")
        self.assertIn("line", told)
        self.assertGreater(told["fitted"].peak, jam()[1]["fitted"].peak)

    def test_staged_fans(self) -> None:
        """One half gone: hotter than both, cooler than none."""
        _, told = jam(fan__count="2", fan_stages="staged", fan__diameter="300 mm")
        self.assertTrue(told["fitted"].peak < told["stage"].peak <= told["fuse"].peak)

    def test_no_electric_fan(self) -> None:
        raw = changed(TRUCK, cooling__fan__drive="none")
        view = drawn("cooling", "jam", context_of(raw), facts_of(raw, "cooling"), {"duty": 0.0})
        self.assertEqual((view["cases"], view["limit"]), ([], None))
