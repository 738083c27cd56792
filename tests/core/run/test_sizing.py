"""The report: its form, reach against fresh runs, rows, headline order, edges."""

import json
import math

from gauge_well.core.report import REPORT_FORMAT
from gauge_well.core.run import sizing
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES
from tests.support import ROAD, NumbersCase, case_of, changed, demo_document, report, row_of

TOP = {
    "format",
    "build",
    "duties",
    "wanted_w",
    "headline",
    "first_to_give",
    "next_to_give",
    "reach_w",
    "not_judged",
    "rows",
    "systems",
    "notices",
}
ROW = {"system", "part", "kind", "reach_w", "reach_code", "carries_w", "needs_w", "fill", "check", "duty"}
SYSTEM = {
    "state",
    "fill",
    "reach_w",
    "reach_code",
    "unknown",
    "governing",
    "checks",
    "figures",
    "need",
    "working",
    "cautions",
    "notices",
}
CHECK = {
    "id",
    "name",
    "duty",
    "class",
    "scales",
    "demand",
    "capacity",
    "unit",
    "fill",
    "fill_code",
    "state",
    "sentence",
}
ENGINE_FIGURES = {
    "engine_power_w",
    "engine_speed_rpm",
    "torque_n_m",
    "fuel_mass_flow_kg_s",
    "air_mass_flow_kg_s",
    "exhaust_mass_flow_kg_s",
    "fuel_power_w",
    "heat_to_coolant_w",
    "heat_to_oil_w",
    "heat_to_charge_cooler_w",
    "exhaust_power_w",
    "radiation_w",
    "chemical_loss_w",
    "exhaust_gas_temperature_k",
    "energy_residual_w",
}
COOLING_FIGURES = {
    "coolant_out_k",
    "coolant_limit_k",
    "boiling_point_k",
    "limiting_ambient_k",
    "air_to_boil_k",
    "core_air_mass_flow_kg_s",
    "face_velocity_m_s",
    "core_air_pressure_drop_pa",
    "coolant_volume_flow_m3_s",
    "ua_w_k",
    "ntu",
    "effectiveness",
    "heat_shed_w",
    "fan_share",
    "thermostat_open",
    "hose_velocity_m_s",
    "heat_capacity_j_k",
    "end_of_duty_k",
}
OIL_FIGURES = {
    "oil_in_sump_m3",
    "oil_over_pickup_m",
    "g_limit_forward",
    "g_limit_aft",
    "g_limit_left",
    "g_limit_right",
    "pickup_clearance_m",
    "oil_temperature_k",
    "oil_viscosity_m2_s",
    "oil_flow_m3_s",
    "oil_suction_pa",
}
EXHAUST_FIGURES = {
    "exhaust_back_pressure_pa",
    "exhaust_velocity_max_m_s",
    "exhaust_mach_max",
    "exhaust_tip_k",
    "pipe_surface_max_k",
    "primary_length_m",
}
FUEL_FIGURES = {
    "fuel_mass_flow_kg_s",
    "fuel_volume_flow_m3_s",
    "rail_pressure_pa",
    "injector_flow_m3_s",
    "injector_duty",
    "pump_capacity_m3_s",
    "pump_pressure_pa",
    "pump_voltage_v",
    "pump_current_a",
    "line_pressure_drop_pa",
    "suction_pressure_pa",
    "vapour_margin_pa",
    "return_flow_m3_s",
}


EXPECTED = {
    "engine": ENGINE_FIGURES,
    "oil": OIL_FIGURES,
    "exhaust": EXHAUST_FIGURES,
    "cooling": COOLING_FIGURES,
    "fuel": FUEL_FIGURES,
}


def walk(item: object, path: str = "") -> list[tuple[str, float]]:
    """Every number in a report, with its path."""
    if isinstance(item, dict):
        return [found for key, value in item.items() for found in walk(value, f"{path}.{key}")]
    if isinstance(item, list):
        return [found for i, value in enumerate(item) for found in walk(value, f"{path}[{i}]")]
    return [(path, float(item))] if isinstance(item, float) else []


class Form(NumbersCase):
    def test_as_laid_down(self) -> None:
        for name in NAMES:
            found = report(demo_document(name))
            with self.subTest(name):
                self.assertEqual(found["format"], REPORT_FORMAT)
                self.assertLessEqual(TOP, set(found))
                for block in found["systems"].values():
                    self.assertLessEqual(SYSTEM, set(block))
                    for check in block["checks"]:
                        self.assertLessEqual(CHECK, set(check))
                        self.assertTrue(check["sentence"].strip())
                for row in found["rows"]:
                    self.assertLessEqual(ROW, set(row))

    def test_figures_named_in_the_design(self) -> None:
        found = report(ROAD)["systems"]
        for system, names in EXPECTED.items():
            for duty, figures in found[system]["figures"].items():
                self.assertEqual(names - set(figures), set(), f"{system} {duty}")

    def test_json_without_nan(self) -> None:
        for raw in (*map(demo_document, NAMES), ROAD, changed(ROAD, cooling={}, fuel={})):
            text = json.dumps(report(raw, "all"), allow_nan=False)
            self.assertTrue(all(math.isfinite(v) for _, v in walk(json.loads(text))))

    def test_fills_are_clamped(self) -> None:
        for name in NAMES:
            for block in report(demo_document(name))["systems"].values():
                self.between([c["fill"] for c in block["checks"]] or [0.0], 0.0, 9.99)

    def test_what_is_left_out_is_said(self) -> None:
        self.assertEqual(report(ROAD)["not_judged"], [])
        found = report({**ROAD, "scope": {"air": "left_out"}})["not_judged"]
        self.assertEqual([n["system"] for n in found], ["Air"])

    def test_every_system_warns(self) -> None:
        blocks = {**report(ROAD)["systems"], **report(demo_document("reed-otter"))["systems"]}
        for id in SYSTEMS:
            self.assertTrue(blocks[id]["cautions"])

    def test_same_twice(self) -> None:
        self.assertEqual(report(ROAD, "all"), report(ROAD, "all"))


class Reach(NumbersCase):
    def test_a_fresh_run_at_the_reach_is_at_the_brim(self) -> None:
        """Setting the wanted power to a row's reach gives that row's check a fill of one."""
        compared = 0
        for name in NAMES:
            raw = demo_document(name)
            for row in report(raw)["rows"]:
                if row["kind"] != "power" or row["reach_code"] != "value":
                    continue
                try:
                    again = row_of(report(changed(raw, wanted=f"{row['reach_w']} W")), row["part"], "power")
                except SheetError:
                    continue  # beyond what such an engine may claim
                compared += 1
                # Oil takes the coolant's heat on as straight with power.
                with self.subTest(name=name, part=row["part"]):
                    self.close(again["fill"], 1.0, abs=1e-2 if row["system"] == "oil" else 2e-3)
        self.assertGreaterEqual(compared, 6)

    def test_not_wanted_over_fill_where_physics_bends(self) -> None:
        """Dead time does not shrink with power, nor does a boosted rail's pump see less pressure: reach is
        not wanted over fill."""
        found = row_of(report(demo_document("chalk-hare")), "injectors", "power")
        simple = report(demo_document("chalk-hare"))["wanted_w"] / found["fill"]
        self.assertGreater(abs(found["reach_w"] / simple - 1.0), 0.003)
        pump = report(demo_document("quarry-mule"))
        row = row_of(pump, "core_fan", "power")
        self.assertGreater(abs(row["reach_w"] / (pump["wanted_w"] / row["fill"]) - 1.0), 0.005)

    def test_codes_at_the_ends(self) -> None:
        big = report(changed(ROAD, fuel__injectors__flow="5000 cc/min"))
        self.assertEqual(row_of(big, "injectors", "power")["reach_code"], "above")
        self.assertIsNone(row_of(big, "injectors", "power")["reach_w"])
        small = report(changed(ROAD, fuel__injectors__flow="10 cc/min"))
        self.assertEqual(row_of(small, "injectors", "power")["reach_code"], "below")
        self.assertEqual(row_of(small, "stack", "gate")["reach_code"], "gate")
        none = report(changed(ROAD, fuel__injectors__flow=None))
        self.assertEqual(row_of(none, "injectors", "power")["reach_code"], "unknown")

    def test_whole_reach_is_the_lowest(self) -> None:
        found = report(demo_document("chalk-hare"))
        rows = [r["reach_w"] for r in found["rows"] if r["kind"] == "power" and r["reach_w"] is not None]
        self.close(found["reach_w"], min(rows))

    def test_load_row_carries_against_needs(self) -> None:
        """The engine power carried there, set as a typed duty at that speed, fills the core to the brim."""
        raw = demo_document("quarry-mule")
        found = report(raw)
        row = row_of(found, "core_fan", "load")
        figures = found["systems"]["engine"]["figures"]["grade"]
        duty = {
            "id": "grade",
            "kind": "typed",
            "engine_power": f"{row['carries_w']} W",
            "engine_speed": f"{figures['engine_speed_rpm']} rpm",
            "air_speed": "70 km/h",
            "ambient": "38 C",
            "duration": "10 min",
        }
        again = report(changed(raw, duties=[duty]))
        self.close(row_of(again, "core_fan", "load")["fill"], 1.0, abs=3e-3)


class Headline(NumbersCase):
    WEAK = [
        {"id": "hill", "name": "Hill", "kind": "road", "speed": "110 km/h", "grade": "32 %", "ambient": "20 C"},
        {"id": "pull", "kind": "pull", "ambient": "20 C"},
    ]

    def test_demos(self) -> None:
        """Each with a different first thing to give out, oil on one of them; one holds."""
        first = {}
        for name in NAMES:
            found = report(demo_document(name))
            first[name] = (found["first_to_give"]["system"], found["first_to_give"]["check"])
        self.assertEqual(len(set(first.values())), len(NAMES))
        self.assertEqual([n for n in NAMES if report(demo_document(n))["state"] == "holds"], ["dripping-well"])

    def test_a_gate_comes_first(self) -> None:
        raw = changed(demo_document("quarry-mule"), installation__depth_available="100 mm")
        found = report(raw)
        self.assertEqual(found["first_to_give"]["check"], "stack")
        self.assertIn("Depth to the pulley", found["headline"]["sentence"])

    def test_then_a_load_that_is_short(self) -> None:
        found = report(demo_document("quarry-mule"))
        self.assertEqual(
            found["first_to_give"], {"system": "cooling", "check": "heat", "duty": "grade", "kind": "load"}
        )
        self.assertIn("No bigger engine mends that", found["headline"]["next"])

    def test_then_an_engine_too_weak(self) -> None:
        found = report(
            changed(
                ROAD,
                duties=self.WEAK,
                cooling__core__width="1200 mm",
                cooling__core__height="800 mm",
                cooling__fan__diameter="2x 400 mm",
            )
        )
        self.assertEqual(found["first_to_give"]["check"], "enough")
        self.assertRegex(found["headline"]["sentence"], r"holds \d+ of 110")
        self.assertEqual(found["state"], "short")

    def test_then_the_lowest_reach(self) -> None:
        found = report(demo_document("chalk-hare"))
        self.assertEqual(found["first_to_give"]["check"], "injector_duty")
        self.assertRegex(found["headline"]["sentence"], r"^Good for \d+ of 218")

    def test_what_is_known_holds_but_something_is_missing(self) -> None:
        found = report(changed(ROAD, cooling={"core.width": "600 mm", "fan.drive": "none"}))
        self.assertEqual(found["state"], "unknown")
        self.assertRegex(found["headline"]["sentence"], r"^125\skW still takes a 0\.1\d+\sm² core\.$")
        self.assertIn("What is stated holds; first of it to give out would be the", found["headline"]["next"])

    def test_nothing_fitted(self) -> None:
        found = report(changed(ROAD, cooling={}, fuel={}, oil={}, exhaust={}))
        self.assertEqual(found["state"], "unknown")
        self.assertRegex(found["headline"]["sentence"], "takes a .* core, .* of fuel at .*, four injectors")
        self.assertTrue(found["systems"]["cooling"]["need"] and found["systems"]["fuel"]["need"])

    def test_no_full_power_duty_is_no_all_clear(self) -> None:
        easy = changed(
            ROAD, duties=[{"id": "m", "name": "Lane", "kind": "road", "speed": "60 km/h", "ambient": "15 C"}]
        )
        found = report(easy)
        self.assertIn("no full-power duty is asked", found["headline"]["sentence"])
        self.assertNotIn("four times", found["headline"]["next"])
        none = report(easy | {"duties": []})
        self.assertEqual(none["headline"]["sentence"], "No duty is asked of it.")

    def test_an_engine_not_known_is_said(self) -> None:
        found = report(changed(ROAD, engine={"fuel": "petrol"}))
        self.assertEqual((found["state"], found["rows"]), ("unknown", []))
        self.assertEqual(found["unknown"], ["engine.displacement"])


class Independence(NumbersCase):
    def test_one_systems_refusal_leaves_the_others(self) -> None:
        """A core error inside a system makes it unknown and names its field; the rest is sized."""
        case = case_of(ROAD)
        broken = dict(case.systems) | {"cooling": case_of(changed(ROAD, cooling__exit_area=None)).systems["cooling"]}
        object.__setattr__(broken["cooling"].hose, "bore", None)
        found = sizing.size(
            sizing.BuildCase(
                name=case.name,
                engine=case.engine,
                machine=case.machine,
                installation=case.installation,
                duties=case.duties,
                systems=broken,
                wanted=None,
            )
        )
        self.assertEqual(found.systems["cooling"].state, "unknown")
        self.assertEqual(found.systems["cooling"].unknown[0].missing, ["cooling.hose.bore"])
        self.assertEqual(found.systems["fuel"].state, "holds")

    def test_more_power_never_helps(self) -> None:
        for row in ("core_fan", "pump", "injectors"):
            fills = [row_of(report(changed(ROAD, wanted=f"{p} kW")), row, "power")["fill"] for p in (80, 110, 140)]
            self.rising(fills, row)

    def test_governed_engines_are_marked(self) -> None:
        self.assertTrue(report(demo_document("dripping-well"))["governed"])
        self.assertFalse(report(ROAD)["governed"])
