"""Parts side by side: each column against a fresh sizing of the sheet it is fitted in."""

from typing import Any

from gauge_well.services.compare import MOST, compared
from gauge_well.services.errors import NotFound
from gauge_well.services.sizing import size_document
from gauge_well.sheet import SheetError, load
from gauge_well.sheet.edit import Edit, apply_edit
from tests.support import ROAD, NumbersCase, changed

CORE = {"width": "600 mm", "height": "400 mm", "depth": "26 mm"}


def with_yard(kind: str, base: dict[str, Any] = ROAD, **facts: dict[str, Any]) -> dict[str, Any]:
    """A sheet with parts of a kind on the yard, by their ids."""
    return base | {"parts": [*base["parts"], *({"id": id, "kind": kind, "facts": own} for id, own in facts.items())]}


YARD = with_yard("core", a=CORE | {"width": "700 mm", "depth": "40 mm"}, c=CORE | {"depth": "56 mm"}, d=CORE)


def fitted(raw: dict[str, Any], place: str, id: str) -> dict[str, Any]:
    return apply_edit(load(raw).document, Edit(place, id, action="fit"))


class Columns(NumbersCase):
    def test_each_is_what_a_fresh_sizing_of_it_fitted_gives(self) -> None:
        """Figures of the duty that governs what is fitted, and the fullest limit of the system, to 1e-9."""
        for column in compared(YARD, "cooling.core")["columns"][1:]:
            block = size_document(fitted(YARD, "cooling.core", column["id"]), "none")["systems"]["cooling"]
            with self.subTest(column["id"]):
                for name, value in column["figures"].items():
                    self.close(value, block["figures"][column["duty_id"]][name], rel=1e-9)
                self.assertTrue(any(abs(column["fill"] - c["fill"]) < 1e-9 for c in block["checks"]))

    def test_one_stated_as_what_is_fitted_gives_the_same(self) -> None:
        """A pump known as fitted and as one of the yard is one code path: to the last digit the same figures."""
        raw = with_yard("pump", twin=dict(next(p for p in ROAD["parts"] if p.get("role") == "fuel.main")["facts"]))
        here, twin = compared(raw, "fuel.main")["columns"]
        self.assertEqual((here["figures"], here["fill"]), (twin["figures"], twin["fill"]))
        self.assertEqual(here["facts"], twin["facts"])

    def test_the_first_is_what_is_fitted(self) -> None:
        first = compared(YARD, "cooling.core")["columns"][0]
        self.assertEqual((first["id"], first["fitted"], first["facts"]["width"]["text"]), ("core", True, "600 mm"))

    def test_all_at_one_duty(self) -> None:
        self.assertEqual(len({c["duty_id"] for c in compared(YARD, "cooling.core")["columns"]}), 1)

    def test_one_too_deep_says_what_it_breaks(self) -> None:
        raw = changed(YARD, installation__depth_available="140 mm")
        columns = {c["id"]: c for c in compared(raw, "cooling.core")["columns"]}
        self.assertEqual(columns["c"]["breaks"], ["Depth to the pulley"])

    def test_one_that_cannot_be_says_why_and_the_rest_stand(self) -> None:
        tested = {"test_heat": "900 kW", "test_air_speed": "8 m/s", "test_coolant_flow": "120 L/min"}
        raw = with_yard("core", a=CORE | tested | {"test_difference": "60 K"}, b=CORE | {"width": "700 mm"})
        columns = {c["id"]: c for c in compared(raw, "cooling.core")["columns"]}
        self.assertIn("No core of that size", columns["a"]["why"])
        self.assertIsNotNone(columns["b"]["fill"])

    def test_a_larger_pump_gives_more(self) -> None:
        at = {"pressure": "3 bar"}
        raw = with_yard("pump", a=at | {"flow": "155 L/h"}, b=at | {"flow": "190 L/h"})
        self.rising([c["figures"]["pump_capacity_m3_s"] for c in compared(raw, "fuel.main")["columns"]])

    def test_another_pump_keeps_nothing_of_this_one(self) -> None:
        """Fitted, one stated by a table gives what a sheet of it alone gives: neither wear nor a second point stays."""
        table = "2 bar, 210 L/h\n3 bar, 190 L/h\n5 bar, 150 L/h"
        worn = changed(ROAD, fuel__main__wear="20 %", fuel__main__current="6 A")
        column = compared(with_yard("pump", worn, b={"table": table}), "fuel.main")["columns"][1]
        alone = changed(ROAD, fuel={"injectors.flow": "380 cc/min", "main.table": table})
        given = size_document(alone)["systems"]["fuel"]["figures"][column["duty_id"]]
        self.close(column["figures"]["pump_capacity_m3_s"], given["pump_capacity_m3_s"], rel=1e-9)
        self.assertEqual(column["facts"]["table"]["shown"], "3 rows")

    def test_nothing_fitted_yet(self) -> None:
        """Which of these to buy, before anything is there."""
        raw = with_yard("core", changed(ROAD, cooling={"fan.drive": "puller", "fan.diameter": "400 mm"}), a=CORE)
        columns = compared(raw, "cooling.core")["columns"]
        self.assertIn("missing", columns[0]["why"])
        self.assertIsNotNone(columns[1]["figures"]["heat_carried_w"])

    def test_no_more_than_can_be_looked_at(self) -> None:
        found = compared(with_yard("core", **{f"n{i}": CORE for i in range(MOST + 3)}), "cooling.core")
        self.assertEqual((len(found["columns"]), found["more"]), (MOST + 1, 3))

    def test_places_that_are_not_compared(self) -> None:
        for place in ("oil.pickup", "cooling.nothing", "kitchen.sink", "exhaust.pieces"):
            with self.subTest(place), self.assertRaises(NotFound):
                compared(ROAD, place)

    def test_a_table_that_rises_is_refused_by_its_place(self) -> None:
        with self.assertRaises(SheetError) as caught:
            compared(with_yard("pump", a={"table": "3 bar, 190 L/h\n4, 150 L/h"}), "fuel.main")
        self.assertEqual(caught.exception.problems[0].field, "parts.a.table")

    def test_what_lies_on_the_yard_changes_nothing_that_is_fitted(self) -> None:
        self.assertEqual(size_document(YARD)["rows"], size_document(ROAD)["rows"])
