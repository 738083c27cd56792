"""The circuit as one network: every kind against a general root finder, mass conserved, what limits it."""

from collections.abc import Callable
from typing import Any

import fluids
import numpy as np
from scipy.optimize import root

from gauge_well.core.systems.fuel.circuit import Circuit, demand
from gauge_well.core.systems.fuel.network import Network, Point, network_of, return_limited
from gauge_well.core.systems.fuel.presets import PRESETS
from gauge_well.core.systems.fuel.pump import curve_of
from gauge_well.core.typing import likely
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, circuit, with_fuel
from tests.support import ROAD, NumbersCase, changed, check_of, drawn, facts_of, report

OUTSIDE = {"pump_place": "outside", "suction.length": "2 m", "suction.bore": "9 mm", "line.bore": "6 mm"}
ONE_POINT = {"main.flow_2": None, "main.pressure_2": None}
CARB = {**PRESETS["carburettor"].choices, "main.flow": "90 L/h", "main.pressure": "0.2 bar", **ONE_POINT}


def drop(c: Circuit, q: float, name: str, loss: float) -> float:
    """A line by a general fluids library: drawn tube by Colebrook, fittings on the dynamic head."""
    f = c.facts
    bore, length = (float(likely(getattr(getattr(f, name), n))) for n in ("bore", "length"))
    if abs(q) < 1e-12:
        return 0.0
    speed = q / (np.pi / 4 * bore**2)
    re = abs(speed) * bore / float(c.viscosity)
    factor = fluids.friction_factor(Re=re, eD=1.5e-6 / bore, Method="Churchill_1977")
    return float((factor * length / bore + loss) * c.fuel.density * speed * abs(speed) / 2)


class System:
    """One duty's unknowns written out anew: flows in 1e-5 m3/s, pressures in 1e5 Pa, amps as they are."""

    def __init__(self, c: Circuit, taken: float, back: float) -> None:
        self.c, self.taken, self.back = c, taken, back
        self.f = c.facts
        copper = 1.724e-8 * (1 + 3.93e-3 * (likely(self.f.fuel_temperature) + 20 - 293.15)) * 1.03
        self.wire = 2 * copper * likely(self.f.wire.length) / likely(self.f.wire.area)

    def motor(self, which: str, dp: float, rated_dp: float) -> tuple[float, float]:
        """Amps and volts over rating of a pump that works against ``dp``."""
        given = self.f.main.current if which == "main" else self.f.lift_pump.current
        curve = curve_of(getattr(self.f, which), which)
        rated = likely(given) if given is not None else rated_dp * likely(curve.flow_at(rated_dp, 1.0)) / (0.22 * 13.5)
        amps = max(rated, 1.0) * (0.5 + 0.5 * dp / rated_dp)
        return amps, (likely(self.f.supply_voltage) - amps * self.wire) / 13.5

    def pumped(self, which: str, dp: float) -> float:
        rated = max(likely(getattr(self.f, which).pressure), 20e3)
        ratio = 1.0
        if which == "lift_pump" or self.f.main.drive == "electric":
            ratio = self.motor(which, dp, rated)[1]
        return float(curve_of(getattr(self.f, which), which).flow_at(dp, ratio))

    def suck(self, q: float) -> float:
        head = self.c.fuel.density * 9.80665 * likely(self.f.suction_lift)
        return drop(self.c, q, "suction", 1.5) + likely(self.f.sieve.drop) * q / float(self.c.design_flow) + head

    def feed(self, q: float) -> float:
        return drop(self.c, q, "line", likely(self.f.line.loss)) + self.filtered(q)

    def filtered(self, q: float) -> float:
        return likely(self.f.filter.drop) * q / float(self.c.design_flow)


def solved(equations: Callable[[Any], list[float]], start: list[float]) -> Any:
    """The unknowns by a general root finder."""
    found = root(equations, start, tol=1e-12)
    assert found.success, found.message
    return found.x


class AgainstARootFinder(NumbersCase):
    """Table rows are 1/32 of shut-off apart: 5 parts in 10,000 of flows and pressures."""

    def at(
        self, raw: dict[str, Any], duty: int, idle: bool = False
    ) -> tuple[Network, Point, System, Callable[[Any], float]]:
        context, c = circuit(raw)
        op = c.idle if idle else context.peak
        network = network_of(context, c, op.speed)
        point = network.at(op)

        def pick(value: Any) -> float:
            a = np.asarray(value)
            return (
                float(np.broadcast_to(a, (1, len(context.duties.cases), 1))[0, duty, 0])
                if a.ndim > 1
                else float(a.flat[0])
            )

        return network, point, System(c, pick(point.taken), pick(point.back)), pick

    def same(self, pairs: dict[str, tuple[float, float]]) -> None:
        for name, (got, expected) in pairs.items():
            self.close(got, expected, rel=5e-4, abs=1e-9, note=name)

    def test_returned_with_flow_to_spare(self) -> None:
        for idle in (False, True):
            _, point, s, pick = self.at(with_fuel(FIVE, **OUTSIDE), 1, idle)
            q, dp = solved(
                lambda x, s=s: [
                    s.pumped("main", x[1] * 1e5) * 1e5 - x[0],
                    (s.back + s.feed(x[0] * 1e-5) + s.suck(x[0] * 1e-5)) / 1e5 - x[1],
                ],
                [3.0, 3.5],
            )
            amps, ratio = s.motor("main", dp * 1e5, 3e5)
            self.same(
                {
                    "flow": (pick(point.through), q * 1e-5),
                    "across": (pick(point.across), dp * 1e5),
                    "amps": (pick(point.amps), amps),
                    "volts": (pick(point.volts), ratio * 13.5),
                    "returned": (pick(point.returned), q * 1e-5 - s.taken),
                    "rail": (pick(point.rail), s.back),
                }
            )

    def test_a_pump_that_cannot_hold_the_rail(self) -> None:
        """The engine takes what it burns, and the rail falls to what is left."""
        raw = with_fuel(FIVE, main__flow="95 L/h", main__flow_2="80 L/h", line__bore="4 mm")
        _, point, s, pick = self.at(raw, 2)
        dp, rail = solved(
            lambda x: [
                (s.pumped("main", x[0] * 1e5) - s.taken) * 1e5,
                (x[1] * 1e5 + s.feed(s.taken) + s.suck(s.taken)) / 1e5 - x[0],
            ],
            [3.0, 2.0],
        )
        self.assertLess(rail * 1e5, s.back)
        self.same(
            {
                "rail": (pick(point.rail), rail * 1e5),
                "across": (pick(point.across), dp * 1e5),
                "through": (pick(point.through), s.taken),
                "returned": (pick(point.returned), 0.0),
            }
        )

    def test_dead_headed(self) -> None:
        _, point, s, pick = self.at(with_fuel(FIVE, regulator__place="dead_headed", **OUTSIDE), 2)
        q, _ = solved(
            lambda x: [
                s.pumped("main", x[1] * 1e5) * 1e5 - x[0],
                (s.back + s.filtered(x[0] * 1e-5) + s.suck(x[0] * 1e-5)) / 1e5 - x[1],
            ],
            [3.0, 3.5],
        )
        rail = s.back - drop(s.c, s.taken, "line", likely(s.f.line.loss))
        self.same({"flow": (pick(point.through), q * 1e-5), "rail": (pick(point.rail), rail)})

    def test_lift_pump_into_the_main_one(self) -> None:
        raw = with_fuel(FIVE, **{**POT, **OUTSIDE, "lift": "series", "suction.bore": "12 mm"})
        _, point, s, pick = self.at(raw, 2)
        q, dp, lift = solved(
            lambda x: [
                s.pumped("main", x[1] * 1e5) * 1e5 - x[0],
                s.pumped("lift_pump", x[2] * 1e5) * 1e5 - x[0],
                (s.back + s.feed(x[0] * 1e-5) + s.suck(x[0] * 1e-5) + drop(s.c, x[0] * 1e-5, "lift_line", 1.5)) / 1e5
                - x[1]
                - x[2],
            ],
            [3.0, 3.5, 0.2],
        )
        inlet = lift * 1e5 - s.suck(q * 1e-5) - drop(s.c, q * 1e-5, "lift_line", 1.5)
        self.same({"flow": (pick(point.through), q * 1e-5), "across": (pick(point.across), dp * 1e5)})
        self.close(pick(point.inlet), inlet, rel=5e-3, note="inlet is a small difference of large pressures")

    def test_surge_pot(self) -> None:
        _, point, s, pick = self.at(with_fuel(FIVE, **{**OUTSIDE, **POT, "line.bore": "6 mm"}), 2)
        main, dp, lifted, gain = solved(
            lambda x: [
                s.pumped("main", x[1] * 1e5) * 1e5 - x[0],
                (
                    s.back
                    + s.feed(x[0] * 1e-5)
                    + drop(s.c, x[0] * 1e-5, "pot_line", 1.5)
                    + s.c.fuel.density * 9.80665 * likely(s.f.pot_lift)
                )
                / 1e5
                - x[1],
                s.pumped("lift_pump", x[3] * 1e5) * 1e5 - x[2],
                (
                    s.suck(x[2] * 1e-5)
                    + drop(s.c, x[2] * 1e-5, "lift_line", 1.5)
                    + drop(s.c, x[2] * 1e-5 - s.taken, "overflow", 1.5)
                )
                / 1e5
                - x[3],
            ],
            [3.0, 3.5, 4.0, 0.1],
        )
        self.same(
            {
                "main": (pick(point.through), main * 1e-5),
                "lift": (pick(point.lifted), lifted * 1e-5),
                "across": (pick(point.across), dp * 1e5),
            }
        )
        self.close(pick(point.drawn), lifted * 1e-5, rel=5e-4)
        self.assertGreater(gain, 0.0)

    def test_a_diaphragm_pump_turns_with_the_engine(self) -> None:
        """Half the speed it is rated at moves half the flow at the same pressure."""
        raw = changed(
            with_fuel(ROAD, **CARB),
            duties=[{"id": "t", "kind": "typed", "engine_power": "30 kW", "engine_speed": "3000 rpm"}],
        )
        _, point, s, pick = self.at(raw, 0)
        q, dp = solved(
            lambda x: [
                0.5 * s.pumped("main", x[1] * 1e5) * 1e5 - x[0],
                (s.back + s.feed(x[0] * 1e-5) + s.suck(x[0] * 1e-5)) / 1e5 - x[1],
            ],
            [1.0, 0.2],
        )
        self.same({"able": (pick(point.able), q * 1e-5), "across": (pick(point.able_across), dp * 1e5)})

    def test_head_alone(self) -> None:
        """A tank 1 m over the float bowl: the flow whose losses leave 0.3 kPa of the head."""
        raw = with_fuel(ROAD, **PRESETS["gravity"].choices, end_height="-1 m", suction_lift="0")
        _, point, s, pick = self.at(raw, 2)
        head = s.c.fuel.density * 9.80665
        (q,) = solved(lambda x: [(head - s.feed(x[0] * 1e-5) - s.suck(x[0] * 1e-5) - s.back) / 1e3], [1.0])
        self.close(pick(point.able), q * 1e-5, rel=2e-3)
        self.assertIsNone(point.network.main.pump)

    def test_a_return_too_narrow_lifts_the_rail(self) -> None:
        raw = with_fuel(FIVE, return_line__bore="2.2 mm", return_line__length="5 m")
        _, point, s, pick = self.at(raw, 0, idle=True)
        _, rail = solved(
            lambda x: [
                s.pumped("main", x[1] * 1e5 + s.feed(x[0] * 1e-5) + s.suck(x[0] * 1e-5)) * 1e5 - x[0],
                drop(s.c, x[0] * 1e-5 - s.taken, "return_line", likely(s.f.return_line.loss)) / 1e5 - x[1],
            ],
            [2.0, 4.0],
        )
        self.assertGreater(rail, 3.3)
        self.close(pick(return_limited(point)), rail * 1e5, rel=2e-3)
        found = check_of(report(raw), "fuel", "return_pressure")
        self.assertGreater(found["fill"], 1.0)
        self.assertIn("the rail stands at", found["sentence"])


class Mass(NumbersCase):
    def test_what_goes_into_a_node_comes_out(self) -> None:
        """Of every preset, at full load and at idle: pump = engine + return; lift = pot + overflow; as drawn."""
        for id, preset in PRESETS.items():
            diesel = preset.choices["injection"] in ("mechanical", "common_rail")
            low = (
                {"main.flow": "90 L/h", "main.pressure": "0.4 bar", **ONE_POINT}
                if preset.choices["injection"] != "port"
                else {}
            )
            raw = with_fuel(DIESEL if diesel else ROAD, **{**POT, **low, **preset.choices})
            context, c = circuit(raw)
            for idle in (0.0, 1.0):
                found = drawn("fuel", "circuit", context, c.facts, {"idle": idle})
                parts = {p["id"]: p for p in found["parts"]}
                with self.subTest(id, idle=idle):
                    spilled = found["flows"]["taken"] - found["flows"]["burned"]
                    pump = parts["pump" if "pump" in parts else "line"]["flow"]
                    back = parts["regulator"]["flow"] if "regulator" in parts else 0.0
                    self.close(pump, found["flows"]["taken"] + back, rel=1e-9, abs=1e-15)
                    if "return" in parts and "regulator" not in parts:
                        self.close(parts["return"]["flow"], spilled, rel=1e-9)
                    if "pot" in parts:
                        self.close(parts["lift"]["flow"], parts["pot"]["flow"] + parts["pot"]["over"], rel=1e-9)
                        self.close(parts["tank"]["flow"], parts["lift"]["flow"], rel=1e-12)

    def test_pressures_add_up_along_the_feed(self) -> None:
        """From the pump's outlet less filter and line stands what is at the rail, to the table's 5 in 10,000."""
        context, c = circuit(with_fuel(FIVE, **OUTSIDE))
        parts = {p["id"]: p for p in drawn("fuel", "circuit", context, c.facts, {"duty": 2.0})["parts"]}
        left = parts["pump"]["pressure"] - parts["filter"]["drop"] - parts["line"]["drop"]
        self.close(left, parts["end"]["pressure"], rel=5e-4)
        self.close(parts["pump"]["inlet"] + parts["pump"]["gain"], parts["pump"]["pressure"], rel=1e-12)


class Lines(NumbersCase):
    def test_against_a_fluids_library(self) -> None:
        """Feed and return over a hundredfold of flow, petrol and diesel; under Re 2040 the library goes over to the
        laminar law, from which Churchill's one form stands by less than 1 in 1,000."""
        for raw in (FIVE, DIESEL):
            _, c = circuit(with_fuel(raw, **OUTSIDE))
            for q in np.geomspace(1e-6, 1e-4, 9):
                for name, loss, ours in (
                    ("line", 6.0, c.line_drop(q) - c.filter_drop(q)),
                    ("return_line", 8.0, c.return_drop(q)),
                ):
                    self.close(ours, drop(c, float(q), name, loss), rel=1e-3, note=f"{name} {q}")

    def test_half_the_bore_moves_the_drawing(self) -> None:
        """A dead-headed rail falls, its injectors open longer; a returned pump works harder on fewer volts."""
        seen: dict[str, list[dict[str, Any]]] = {}
        for rail in ("returned", "dead_headed"):
            for bore in ("8 mm", "4 mm"):
                context, c = circuit(with_fuel(FIVE, regulator__place=rail, line__bore=bore, wire__length="8 m"))
                parts = {p["id"]: p for p in drawn("fuel", "circuit", context, c.facts, {"duty": 2.0})["parts"]}
                seen.setdefault(rail, []).append(parts)
        wide, narrow = seen["dead_headed"]
        self.assertGreater(wide["end"]["pressure"], narrow["end"]["pressure"] + 5e3)
        self.assertGreater(narrow["injectors"]["share"], wide["injectors"]["share"] * 1.02)
        wide, narrow = seen["returned"]
        self.assertGreater(wide["pump"]["volts"], narrow["pump"]["volts"])
        self.assertGreater(narrow["pump"]["gain"], wide["pump"]["gain"])
        self.assertGreater(wide["pump"]["flow"], narrow["pump"]["flow"])


class Named(NumbersCase):
    def test_a_loop_without_a_pump(self) -> None:
        """Nothing pumps and the tank lies under the engine: said, with what else is wrong, and nothing lost."""
        raw = with_fuel(FIVE, main__drive="none", suction_lift="0.3 m", end_height="0.2 m")
        found = check_of(report(raw), "fuel", "head_flow", "pull")
        self.close([found["capacity"], found["fill"]], [0.0, 9.99])
        self.assertIn("Nothing pushes fuel to the engine: no pump", found["sentence"])
        self.assertIn("injector_duty", {c["id"] for c in report(raw)["systems"]["fuel"]["checks"]})

    def test_a_lift_pump_that_is_not_known(self) -> None:
        raw = with_fuel(FIVE, **{**POT, "lift_pump.flow": None, "pot.volume": None})
        missing = {u["check"]: u["missing"] for u in report(raw)["systems"]["fuel"]["unknown"]}
        self.assertEqual(missing["lift_flow"], ["fuel.lift_pump.flow"])
        self.assertEqual(missing["pot_holds"], ["fuel.pot.volume"])

    def test_the_limiting_part_is_marked(self) -> None:
        context, c = circuit(FIVE)
        small = facts_of(with_fuel(FIVE, injectors__flow="300 cc/min"), "fuel")
        self.assertEqual(drawn("fuel", "circuit", context, small, {"duty": 2.0})["limits"], "injectors")
        weak = facts_of(with_fuel(FIVE, main__flow="80 L/h", main__flow_2="60 L/h"), "fuel")
        self.assertEqual(drawn("fuel", "circuit", context, weak, {"duty": 2.0})["limits"], "pump")
        self.assertIsNotNone(demand(context.peak, c))


class Pot(NumbersCase):
    def test_lift_serves_what_leaves_the_pot(self) -> None:
        """Return into the pot: the lift pump replaces what is burned; into the tank: the main pump's whole flow."""
        context, _ = circuit(FIVE)
        burned = 200.0 * 0.340 / 3600 / 745.0
        into_pot = check_of(report(with_fuel(FIVE, **POT)), "fuel", "lift_flow", "pull")
        self.close(into_pot["demand"], 1.2 * burned, rel=1e-6)
        raw = with_fuel(FIVE, **POT, return_to="tank")
        c = circuit(raw)[1]
        through = float(network_of(context, c).at(context.peak).through[0, 2, 0])
        self.close(check_of(report(raw), "fuel", "lift_flow", "pull")["demand"], 1.2 * through, rel=1e-6)

    def test_how_long_a_pot_lasts(self) -> None:
        """1.5 L at 91.3 L/h is 59 s; 3 s are asked: a twentieth."""
        found = check_of(report(with_fuel(FIVE, **POT)), "fuel", "pot_holds", "pull")
        burned = 200.0 * 0.340 / 3600 / 745.0
        self.close(found["fill"], 3.0 * burned / 1.5e-3, rel=1e-6)

    def test_main_pump_behind_a_pot_has_its_own_inlet(self) -> None:
        """0.1 m under the pot's fuel: some 0.7 kPa of head less the hose."""
        found = report(with_fuel(FIVE, **POT))
        self.close(check_of(found, "fuel", "main_inlet", "pull")["fill"], 0.0, abs=0.02)
        self.assertIn("lift pump's inlet", check_of(found, "fuel", "suction", "pull")["sentence"])
