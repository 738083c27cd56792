"""Parts side by side: each column against a fresh sizing of the sheet it is fitted in."""

from typing import Any

from gauge_well.services.compare import compared, fit_edits
from gauge_well.services.errors import NotFound
from gauge_well.services.sizing import size_document
from gauge_well.sheet import SheetError, load
from gauge_well.sheet.edit import Edit, apply_edit
from tests.support import ROAD, NumbersCase, changed


def with_candidates(section: str = "cooling", **facts: dict[str, Any]) -> dict[str, Any]:
    return changed(ROAD, candidates={section: [{"id": id, "name": id, "facts": own} for id, own in facts.items()]})


YARD = with_candidates(
    a={"core.width": "700 mm", "core.depth": "40 mm"},
    b={"fan.diameter": "2x 280 mm", "fan.count": "2"},
    c={"core.depth": "56 mm", "fan.drive": "puller"},
    d={"core.width": "400 mm"},
)


class Columns(NumbersCase):
    def test_each_is_what_a_fresh_sizing_of_it_fitted_gives(self) -> None:
        """Figures of the duty that governs, and the fullest limit of the system, to 1e-9."""
        sheet = load(YARD)
        found = compared(YARD, "cooling")
        for column, candidate in zip(found["columns"][1:], sheet.candidates["cooling"], strict=True):
            document = sheet.document
            for edit in fit_edits(candidate, "cooling", sheet):
                document = apply_edit(document, edit)
            fresh = size_document(document, "none")
            block = fresh["systems"]["cooling"]
            with self.subTest(candidate.id):
                for name, value in column["figures"].items():
                    self.close(value, block["figures"][column["duty_id"]][name], rel=1e-9)
                fills = [c["fill"] for c in block["checks"]]
                self.assertTrue(any(abs(column["fill"] - fill) < 1e-9 for fill in fills))

    def test_the_first_is_what_is_fitted(self) -> None:
        first = compared(YARD, "cooling")["columns"][0]
        self.assertEqual((first["id"], first["facts"]["core_width"]["text"]), ("", "600 mm"))

    def test_one_too_deep_says_what_it_breaks(self) -> None:
        raw = changed(YARD, installation__depth_available="140 mm")
        columns = {c["id"]: c for c in compared(raw, "cooling")["columns"]}
        self.assertEqual(columns["c"]["breaks"], ["Depth to the pulley"])

    def test_one_that_cannot_be_says_why_and_the_rest_stand(self) -> None:
        raw = with_candidates(
            "cooling",
            a={
                "core.test_heat": "900 kW",
                "core.test_air_speed": "8 m/s",
                "core.test_coolant_flow": "2 L/s",
                "core.test_difference": "60 K",
            },
            b={"core.width": "700 mm"},
        )
        raw["candidates"]["cooling"][0]["facts"]["test_coolant_flow"] = "120 L/min"
        columns = {c["id"]: c for c in compared(raw, "cooling")["columns"]}
        self.assertIn("No core of that size", columns["a"]["why"])
        self.assertIsNotNone(columns["b"]["fill"])

    def test_three_pumps(self) -> None:
        raw = with_candidates("fuel", a={"main.flow": "155 L/h"}, b={"main.flow": "190 L/h"}, c={"main.count": "2"})
        gives = [c["figures"]["pump_capacity_m3_s"] for c in compared(raw, "fuel")["columns"]]
        self.assertEqual(len(gives), 4)
        self.assertGreater(min(gives[1:]), gives[0])

    def test_nothing_fitted_yet(self) -> None:
        """Which of these to buy, before anything is there."""
        raw = changed(YARD, cooling={"fan.drive": "puller", "fan.diameter": "400 mm"})
        raw["candidates"]["cooling"] = [
            {"id": "a", "name": "a", "facts": {"core.width": "600 mm", "core.height": "400 mm", "core.depth": "26 mm"}}
        ]
        columns = compared(raw, "cooling")["columns"]
        self.assertIn("missing", columns[0]["why"])
        self.assertIsNotNone(columns[1]["figures"]["heat_carried_w"])

    def test_systems_that_are_not_compared(self) -> None:
        with self.assertRaises(NotFound):
            compared(ROAD, "oil")


class OnTheSheet(NumbersCase):
    def problem(self, raw: dict[str, Any]) -> str:
        with self.assertRaises(SheetError) as caught:
            load(raw)
        return caught.exception.problems[0].field

    def test_what_cannot_be_read_is_named(self) -> None:
        self.assertEqual(self.problem(with_candidates(a={"core.width": "wide"})), "candidates.cooling.a.core_width")
        self.assertEqual(self.problem(with_candidates(a={"core_weight": "3 kg"})), "candidates.cooling.a.core_weight")
        self.assertEqual(self.problem(with_candidates(a={"shroud": "paper"})), "candidates.cooling.a.shroud")
        self.assertEqual(self.problem(with_candidates("kitchen", a={})), "candidates.kitchen")
        twice = with_candidates(a={})
        twice["candidates"]["cooling"] *= 2
        self.assertEqual(self.problem(twice), "candidates.cooling.a")
        many = with_candidates(**{f"n{i}": {} for i in range(6)})
        self.assertEqual(self.problem(many), "candidates.cooling")

    def test_edited_a_field_at_a_time(self) -> None:
        document = load(ROAD).document
        for edit in (
            Edit("candidates.cooling.a", "From the yard"),
            Edit("candidates.cooling.a.core_width", "27 1/2 in", "taped"),
            Edit("candidates.cooling.a.shroud", "none"),
            Edit("candidates.cooling.a.price", "90"),
            Edit("candidates.cooling.a.name", "Van core"),
        ):
            document = load(apply_edit(document, edit)).document
        kept = document["candidates"]["cooling"][0]
        self.assertEqual((kept["name"], kept["price"], kept["facts"]["shroud"]), ("Van core", "90", "none"))
        self.assertEqual(kept["facts"]["core_width"]["evidence"], "taped")
        gone = load(apply_edit(document, Edit("candidates.cooling.a"))).document
        self.assertNotIn("candidates", gone)

    def test_odd_edits_are_refused(self) -> None:
        document = load(YARD).document
        for edit in (
            Edit("candidates.cooling.z"),
            Edit("candidates.cooling.z.core_width", "600 mm"),
            Edit("candidates.cooling.a", "again"),
            Edit("candidates.cooling.a.no_such", "600 mm"),
        ):
            with self.subTest(edit=edit), self.assertRaises(SheetError):
                apply_edit(document, edit)

    def test_a_candidate_changes_nothing_that_is_fitted(self) -> None:
        self.assertEqual(size_document(YARD)["rows"], size_document(ROAD)["rows"])


class Pumps(NumbersCase):
    def test_another_pump_does_not_keep_this_ones_points(self) -> None:
        """One stated by its point alone, one by a table: what they give is what a sheet of theirs alone gives."""
        table = "2 bar, 210 L/h\n3 bar, 190 L/h\n5 bar, 150 L/h"
        raw = with_candidates("fuel", a={"main.flow": "190 L/h"}, b={"main.table": table}, c={"line.bore": "6 mm"})
        fitted = changed(ROAD, fuel__main__wear="20 %", fuel__main__current="6 A")
        columns = {c["id"]: c for c in compared(fitted | {"candidates": raw["candidates"]}, "fuel")["columns"]}
        bare = {"injectors.flow": "380 cc/min"}
        for id, own in (("a", {"main.flow": "190 L/h", "pump_pressure": "3 bar"}), ("b", {"main.table": table})):
            block = size_document(changed(ROAD, fuel=bare | own))["systems"]["fuel"]
            given = block["figures"][columns[id]["duty_id"]]["pump_capacity_m3_s"]
            self.close(columns[id]["figures"]["pump_capacity_m3_s"], given, rel=1e-9, note=id)
        cleared = {e["path"] for e in columns["b"]["edits"] if e["text"] is None}
        self.assertEqual(
            cleared, {f"fuel.pump_{n}" for n in ("flow", "pressure", "flow_2", "pressure_2", "wear", "current")}
        )
        self.assertEqual([e["path"] for e in columns["c"]["edits"]], ["fuel.line.bore"])

    def test_a_table_is_shown_by_its_rows(self) -> None:
        raw = with_candidates("fuel", a={"main.table": "3 bar, 190 L/h\n5 bar, 150 L/h"})
        self.assertEqual(compared(raw, "fuel")["columns"][1]["facts"]["pump_table"]["shown"], "2 rows")

    def test_a_table_that_rises_is_refused_by_its_place(self) -> None:
        raw = with_candidates("fuel", a={"main.table": "3 bar, 190 L/h\n4, 150 L/h"})
        with self.assertRaises(SheetError) as caught:
            compared(raw, "fuel")
        self.assertEqual(caught.exception.problems[0].field, "candidates.fuel.a.pump_table")
