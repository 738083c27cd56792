"""Margins of the loop: pump's inlet, expansion, boiling in the block, the cold day; remedies that follow."""

import numpy as np

from gauge_well.core.media import coolant
from gauge_well.core.systems.cooling import circuit, remedies
from gauge_well.core.systems.cooling.gauge import core_shed_at
from gauge_well.core.systems.cooling.model import heat_made, pick_fan, plant_of, prepare
from tests.support import ROAD, NumbersCase, changed, check_of, context_of, facts_of, report

GLYCOL = coolant.mass_share(0.5)


def solved(raw: dict):
    context = context_of(raw)
    return context, prepare(context, plant_of(context, facts_of(raw, "cooling")))


class Inlet(NumbersCase):
    def test_fill_by_hand(self) -> None:
        """(held - inlet) over (held - vapour - 15 kPa), in the duty where it is fullest."""
        _, cooling = solved(ROAD)
        found = circuit.circuit_of(cooling)
        p = found.pressures.pump_inlet
        fill = (found.held - p) / (found.held - found.vapour - 15e3)
        self.close(check_of(report(ROAD), "cooling", "pump_inlet")["fill"], float(fill.max()), rel=1e-6)

    def test_vapour_is_that_of_the_mix_at_the_inlet(self) -> None:
        _, cooling = solved(ROAD)
        found = circuit.circuit_of(cooling)
        self.close(coolant.boiling_point(found.vapour, GLYCOL), found.inlet_temperature, abs=0.05)
        self.assertTrue(bool(np.all(found.inlet_temperature < cooling.plant.limit)))

    def test_an_open_system_stands_nearer_to_it(self) -> None:
        fills = [
            check_of(report(changed(ROAD, cooling__cap_pressure=p)), "cooling", "pump_inlet")["fill"]
            for p in ("150 kPa", "100 kPa", "0 kPa")
        ]
        self.rising(fills)

    def test_a_teed_header_mends_it(self) -> None:
        self.close(check_of(report(changed(ROAD, cooling__header="remote")), "cooling", "pump_inlet")["fill"], 0.0)

    def test_spinning_the_pump_faster_brings_it_nearer(self) -> None:
        fills = [
            check_of(report(changed(ROAD, cooling__pump__ratio=r)), "cooling", "pump_inlet")["fill"]
            for r in ("1", "1.5", "2")
        ]
        self.rising(fills)


class Expansion(NumbersCase):
    def test_by_density(self) -> None:
        """9 L from 20 degC to the limit: some 6 to 8 % (common practice for half and half), and by the table's densities."""
        raw = changed(
            ROAD, cooling__coolant_volume="9 L", cooling__header_tank__volume="1 L", cooling__header_fill="30 %"
        )
        _, cooling = solved(raw)
        grown = float(circuit.expansion(cooling)[0])
        hot = float(cooling.plant.limit.max())
        by_hand = 0.009 * float(
            coolant.properties(293.15, GLYCOL).density / coolant.properties(hot, GLYCOL).density - 1.0
        )
        self.close(grown, by_hand, rel=1e-9)
        self.between(grown / 0.009, 0.055, 0.085)
        self.close(check_of(report(raw), "cooling", "expansion")["fill"], grown / 0.0007, rel=1e-6)

    def test_not_judged_without_a_header(self) -> None:
        self.assertNotIn("expansion", {c["id"] for c in report(ROAD)["systems"]["cooling"]["checks"]})


class Cold(NumbersCase):
    def test_by_hand(self) -> None:
        """All that goes out at 5 K under the thermostat goes with the air: heater 80 W/K and the skin of a 150 kg
        engine, 20 W/K, and what leaks through the shut thermostat, found from the heat shed there."""
        duty = {"id": "d", "kind": "typed", "engine_power": "1 kW", "engine_speed": "1200 rpm", "ambient": "0 C"}
        raw = changed(ROAD, duties=[duty], engine__dry_mass="150 kg")
        context, cooling = solved(raw)
        at = float(np.ravel(cooling.plant.thermostat)[0]) - 5.0
        leak = float(core_shed_at(cooling, np.full((1, 1, 1), at), pick_fan(cooling.airs, 0))[0, 0, 0]) / (at - 273.15)
        # The oil's own air takes of the coolant what it takes for each kelvin, here by way of the block.
        heat, oil, limit = (
            float(np.ravel(v)[0])
            for v in (heat_made(context, cooling, context.mean), cooling.pull, cooling.plant.limit)
        )
        self.assertGreater(oil, 1.0)
        expected = at - (heat + oil * (limit - 273.15)) / (80.0 + 20.0 + leak + oil)
        self.close(circuit.overcooled_ambient(context, cooling, context.mean)[0, 0, 0], expected, abs=0.1)
        self.between(leak, 1.0, 60.0)

    def test_more_heaters_cool_it_sooner(self) -> None:
        duty = {"id": "d", "kind": "road", "speed": "50 km/h", "ambient": "0 C"}
        found = [
            report(changed(ROAD, duties=[duty], cooling__heater__count=n))["systems"]["cooling"]["figures"]["d"][
                "overcooled_ambient_k"
            ]
            for n in ("1", "2", "3")
        ]
        self.rising(found)

    def test_without_a_thermostat_it_runs_cold(self) -> None:
        duty = {"id": "d", "kind": "road", "speed": "100 km/h", "ambient": "20 C"}
        raw = changed(ROAD, duties=[duty], cooling__thermostat_kind="none")
        codes = {n["code"] for n in report(raw)["systems"]["cooling"]["notices"]}
        self.assertIn("overcooled", codes)
        fitted = {n["code"] for n in report(changed(ROAD, duties=[duty]))["systems"]["cooling"]["notices"]}
        self.assertNotIn("overcooled", fitted)


class Notices(NumbersCase):
    def test_hose_collapse(self) -> None:
        """A long thin return is sucked flat at rated speed with the cap just off; a short wide one is not."""
        thin = changed(ROAD, cooling__hose_back="28 mm, 4 m, bend", cooling__header="core_cold")
        wide = changed(ROAD, cooling__hose_back="51 mm, 400 mm, bend", cooling__header="core_cold")
        said = [{n["code"] for n in report(r)["systems"]["cooling"]["notices"]} for r in (thin, wide)]
        self.assertIn("hose_collapse", said[0])
        self.assertNotIn("hose_collapse", said[1])

    def test_a_flow_no_core_takes_still_reads(self) -> None:
        """3,000 L/min through a core 50 mm wide: absurd pressures, but an answer."""
        raw = changed(ROAD, cooling__coolant_flow="3000 L/min", cooling__core__width="50 mm")
        self.assertGreater(report(raw)["systems"]["cooling"]["figures"]["pull"]["block_boiling_margin_k"], 0.0)

    def test_block_margin_rises_with_the_cap(self) -> None:
        margins = [
            report(changed(ROAD, cooling__cap_pressure=p))["systems"]["cooling"]["figures"]["pull"][
                "block_boiling_margin_k"
            ]
            for p in ("50 kPa", "100 kPa", "150 kPa")
        ]
        self.assertTrue(all(m > 5.0 for m in margins))
        self.assertGreater(margins[2], margins[0])


class Remedies(NumbersCase):
    def found(self, raw: dict) -> dict:
        return {c.id: c for c in remedies.candidates(context_of(raw), facts_of(raw, "cooling"))}

    def test_two_passes_of_a_measured_loop_slow_it(self) -> None:
        """The pump stays what it is: through two passes it moves less than was measured through one."""
        raw = changed(ROAD, cooling__coolant_flow="90 L/min", cooling__coolant_flow_speed="5000 rpm")
        changes = self.found(raw)["core_passes"].changes
        self.assertEqual(changes["cooling.core.passes"], 2.0)
        self.between(changes["cooling.coolant_flow"] * 6e4, 40.0, 89.9)
        self.assertNotIn("cooling.coolant_flow", self.found(ROAD)["core_passes"].changes)

    def test_wider_hoses_of_a_measured_loop_quicken_it(self) -> None:
        raw = changed(ROAD, cooling__coolant_flow="90 L/min", cooling__hose__bore="32 mm")
        self.assertGreater(self.found(raw)["hose_bore"].changes["cooling.coolant_flow"] * 6e4, 90.0)

    def test_offered_where_they_fit(self) -> None:
        self.assertNotIn("charge_front", self.found(ROAD))
        self.assertNotIn("restrictor", self.found(ROAD))
        held = changed(ROAD, cooling__restrictor="main", cooling__restrictor_bore="18 mm")
        self.assertIn("restrictor", self.found(held))
        self.assertTrue(self.found(ROAD)["heater"].school)
        bare = changed(ROAD, cooling__heater__count="0")
        self.assertFalse(self.found(bare)["heater"].school)
        self.assertNotIn("header", self.found(ROAD))
        self.assertIn("header", self.found(changed(ROAD, cooling__cap_pressure="0 kPa", cooling__pump__ratio="1.6")))
        self.assertNotIn("pump_ratio", self.found(changed(ROAD, cooling__pump__drive="electric")))
