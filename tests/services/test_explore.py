"""What would move a build: every claim against a fresh sizing; the stream; the round; the need sheet."""

import csv
import io
import re
import unittest
from collections.abc import Mapping
from functools import cache
from typing import Any

from gauge_well.core.run import bands, remedy
from gauge_well.core.run.memory import Memory
from gauge_well.core.run.sizing import outline
from gauge_well.services import explore, need
from gauge_well.services.sizing import size_document
from gauge_well.sheet import SheetError, load, resolve
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.edit import Edit, apply_edit
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, forget, row_of


def changes(raw: dict[str, Any]) -> tuple[list[dict[str, Any]], list[dict[str, Any]]]:
    found = [e for e in explore.explore(raw, ("changes",)) if e["event"] == "changes"][-1]
    return found["singles"], found["pairs"]


@cache
def events(name: str) -> list[explore.Event]:
    """All that is worked of a demo build: several tests look at it."""
    return list(explore.explore(demo(name), samples=256))


def of_demo(name: str) -> tuple[list[dict[str, Any]], list[dict[str, Any]]]:
    found = [e for e in events(name) if e["event"] == "changes"][-1]
    return found["singles"], found["pairs"]


def made(raw: dict[str, Any], change: dict[str, Any]) -> dict[str, Any]:
    """The sheet with a change's edits made, as one tap makes them."""
    document = load(raw).document
    for edit in change["edits"]:
        document = apply_edit(document, Edit(edit["path"], edit["text"], edit["evidence"], action=edit["action"]))
    return document


def reach_of(report: Mapping[str, Any]) -> float:
    """Least reach of all rows, also of those that are short by an assumption: a change claims no more than that."""
    watts = [r["reach_w"] for r in report["rows"] if r["kind"] == "power" and r["reach_w"] is not None]
    return min([*watts, 4.0 * report["wanted_w"]])


class Claims(NumbersCase):
    def test_every_change_is_what_a_fresh_sizing_gives(self) -> None:
        """All single changes and every third pair of all demos: each row's fill and reach to 1e-9, headroom to 1 W."""
        for name in NAMES:
            raw = demo(name)
            singles, pairs = of_demo(name)
            self.assertTrue(singles)
            forget()
            before = size_document(raw, "none")
            for change in [*singles, *pairs[::3]]:
                after = size_document(made(raw, change), "none")
                with self.subTest(name, change=change["id"]):
                    if change["headroom_w"] is not None and before["reach_w"] is not None:
                        self.close(change["headroom_w"], reach_of(after) - reach_of(before), abs=1.0)
                    fills = {c["fill"] for b in after["systems"].values() for c in b["checks"]}
                    shown = {round(100 * f) for f in fills}
                    for said in [change["own"], *change["others"]]:
                        percent = said.rsplit(" ", 1)[-1].replace("\u00a0%", "")
                        if percent.isdigit():
                            self.assertIn(int(percent), shown | {p + 1 for p in shown} | {p - 1 for p in shown})

    def test_an_outline_from_memory_equals_one_made_afresh(self) -> None:
        """Row by row and check by check, to rounding: what is remembered is only what is the same."""
        for name in NAMES:
            sheet = load(demo(name))
            case = resolve(sheet).case
            before = outline(case)
            for _, candidate in remedy.candidates(before.context, case):
                edits = explore.edits_of(candidate, sheet)
                try:
                    changed = explore.changed_case(sheet, edits)
                    shared, fresh = outline(changed), outline(changed, Memory(0))
                except SheetError:
                    continue
                with self.subTest(name, change=candidate.id):
                    self.assertEqual(shared.checks.keys(), fresh.checks.keys())
                    for key, check in fresh.checks.items():
                        self.close(shared.checks[key].fill, check.fill, abs=1e-12)
                    for a, b in zip(shared.rows, fresh.rows, strict=True):
                        self.assertEqual((a.reach_code, a.check), (b.reach_code, b.check))
                        for field in ("reach_w", "carries_w"):
                            if getattr(b, field) is not None:
                                self.close(getattr(a, field), getattr(b, field), rel=1e-9)

    def test_edits_read_back_as_the_very_values_meant(self) -> None:
        for units in ({"system": "metric", "power": "kW"}, {"system": "imperial", "power": "hp"}):
            for name in NAMES:
                sheet = load(demo(name) | {"units": units})
                case = resolve(sheet).case
                for _, candidate in remedy.candidates(outline(case).context, case):
                    document = sheet.document
                    for edit in explore.edits_of(candidate, sheet):
                        document = apply_edit(document, edit)
                    try:
                        again = load(document)
                    except SheetError:
                        continue
                    for path, value in candidate.changes.items():
                        section, _, field = path.partition(".")
                        fact = again.sections[section].get(field)
                        with self.subTest(name, path=path):
                            if isinstance(value, float):
                                assert fact is not None
                                self.close(fact.value, value, rel=1e-9)
                            elif value is None:
                                self.assertIsNone(fact)


class Weighing(NumbersCase):
    def test_one_that_breaks_another_limit_is_rejected(self) -> None:
        """A core too thin, with room for one step only: two steps up meets the pulley."""
        raw = changed(ROAD, cooling__core__depth="16 mm", installation__depth_available="138 mm")
        singles, _ = changes(raw)
        found = {c["id"]: c for c in singles}
        self.assertFalse(found["cooling.core_depth_26"]["rejected"])
        deep = found["cooling.core_depth_40"]
        self.assertTrue(deep["rejected"])
        self.assertIn("25\u00a0mm", deep["broken"][0])
        again = size_document(made(raw, deep), "none")
        self.assertGreater(check_of(again, "cooling", "stack")["fill"], 1.0)

    def test_rejected_ones_come_last_and_never_in_pairs(self) -> None:
        raw = changed(ROAD, cooling__core__depth="16 mm", installation__depth_available="138 mm")
        singles, pairs = changes(raw)
        flags = [c["rejected"] for c in singles]
        self.assertEqual(flags, sorted(flags))
        self.assertFalse(any(p["rejected"] or "core_depth_40" in p["id"] for p in pairs))

    def test_best_first_by_what_is_taken_off(self) -> None:
        for name in NAMES:
            singles, _ = of_demo(name)
            bought = [(c["school"], -round(c["buys"], 3)) for c in singles if not c["rejected"]]
            self.assertEqual(bought, sorted(bought), name)

    def test_a_pair_does_more_than_its_better_half(self) -> None:
        singles, pairs = of_demo("quarry-mule")
        alone = {c["id"]: c for c in singles}
        self.assertTrue(pairs)
        for pair in pairs:
            halves = [alone[id] for id in pair["id"].split("+")]
            more = pair["buys"] > max(h["buys"] for h in halves)
            further = (pair["headroom_w"] or 0) > max(h["headroom_w"] or 0 for h in halves)
            self.assertTrue(more or further, pair["id"])

    def test_a_pair_never_sets_one_fact_twice(self) -> None:
        for name in NAMES:
            for pair in of_demo(name)[1]:
                paths = [e["path"] for e in pair["edits"]]
                self.assertEqual(len(paths), len(set(paths)))

    def test_what_lies_beside_is_said(self) -> None:
        """A second pump draws what the first does, and a little more: the line asks more of both (arithmetic)."""
        raw = changed(ROAD, fuel__main__current="6 A", fuel__main__flow="45 L/h", fuel__main__flow_2="30 L/h")
        found = {c["id"]: c for c in changes(raw)[0]}
        one, two = (float(x) for x in re.findall(r"[\d.]+", found["fuel.pump_count"]["beside"][0]))
        self.assertGreater(two, 2.0 * one)
        self.assertLess(two, 2.1 * one)

    def test_a_deeper_pan_costs_ground(self) -> None:
        raw = changed(ROAD, oil__pan__baffle_g=None, oil__pan__baffle="none", installation__pan_ground="190 mm")
        found = {c["id"]: c for c in changes(raw)[0]}["oil.deeper"]
        self.assertIn(
            {"path": "installation.pan_ground", "text": "165 mm", "evidence": "sheet", "action": "set"}, found["edits"]
        )
        self.assertTrue(any(said.startswith("Pan over the ground") for said in found["others"]))

    def test_a_school_stands_behind_a_part_that_does_as_much(self) -> None:
        found = of_demo("chalk-hare")[0]
        ids = [c["id"] for c in found]
        self.assertLess(ids.index("fuel.rail_up"), ids.index("fuel.ceiling"))

    def test_schools_stand_after_all_parts(self) -> None:
        for name in NAMES:
            singles, pairs = of_demo(name)
            for group in (singles, pairs):
                whole = [c["school"] for c in group if not c["rejected"]]
                self.assertEqual(whole, sorted(whole), name)

    def test_no_change_that_cannot_be(self) -> None:
        """No grille in a quarry, no second pump where the engine drives it; another drive for a fan where one goes in."""
        ids = {c["id"] for c in of_demo("quarry-mule")[0]}
        self.assertNotIn("cooling.grille_none", ids)
        mule = {
            c.id
            for _, c in remedy.candidates(outline(case_of(demo("quarry-mule"))).context, case_of(demo("quarry-mule")))
        }
        self.assertNotIn("grille_none", mule)
        belt = changed(ROAD, cooling__fan__drive="belt", cooling__fan__diameter="420 mm")
        offered = {c.id for _, c in remedy.candidates(outline(case_of(belt)).context, case_of(belt))}
        self.assertIn("electric_fan", offered)

    def test_three_where_neither_one_nor_two_mend(self) -> None:
        """Lift pump, injectors and core each short: no single change and no pair mends it, three do, and it is said."""
        raw = changed(
            demo("chalk-hare"),
            fuel__injectors__flow={"text": "400 cc/min", "evidence": "taped"},
            fuel__lift_pump__flow={"text": "62 L/h", "evidence": "taped"},
            fuel__lift_pump__flow_2=None,
            fuel__lift_pump__pressure_2=None,
            cooling__core__width={"text": "350 mm", "evidence": "taped"},
        )
        found = [e for e in explore.explore(raw, ("changes",)) if e["event"] == "changes"][-1]
        self.assertFalse(any(c["mended"] for c in (*found["singles"], *found["pairs"])))
        self.assertIn("these three together do", found["verdict"])
        whole = size_document(made(raw, found["three"]))
        over = [c for b in whole["systems"].values() for c in b["checks"] if c["class"] == "limit" and c["fill"] > 1]
        self.assertEqual(over, [])

    def test_how_sure_a_change_makes_it_is_that_of_the_changed_build(self) -> None:
        """The chance said, against the changed sheet drawn on its own; the same draws, so to the last digit."""
        raw = demo("dripping-well")
        last = [e for e in events("dripping-well") if e["event"] == "changes"][-1]
        best = last["singles"][0]
        after = resolve(load(made(raw, best))).case
        self.assertEqual(best["sure"], bands.chance(after, 256))
        self.assertEqual(last["sure"], bands.chance(resolve(load(raw)).case, 256))
        self.assertGreater(best["sure"], last["sure"])

    def test_nothing_is_offered_that_does_nothing(self) -> None:
        """A higher cap buys nothing where the engine's own limit comes first."""
        raw = changed(ROAD, cooling__cap_pressure="110 kPa", engine__coolant_limit="95 C")
        self.assertNotIn("cooling.cap", {c["id"] for c in changes(raw)[0]})


class Prices(unittest.TestCase):
    def test_a_price_comes_back_with_its_change(self) -> None:
        raw = demo("chalk-hare")
        document = apply_edit(load(raw).document, Edit("fuel.injectors", "240", action="price"))
        found = {c["id"]: c for c in changes(document)[0]}
        self.assertEqual((found["fuel.injectors"]["price"], found["fuel.injectors"]["price_total"]), ("240", 240.0))
        self.assertIsNone(found["fuel.rail_up"]["price_total"])

    def test_a_price_that_is_none_is_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            load(apply_edit(load(ROAD).document, Edit("fuel.injectors", "cheap", action="price")))
        self.assertEqual(caught.exception.problems[0].field, "prices.fuel.injectors")


class Stream(NumbersCase):
    def test_in_order_and_finished(self) -> None:
        found = events("reed-otter")
        kinds = [e["event"] for e in found]
        self.assertEqual((kinds[0], kinds[-1]), ("report", "done"))
        for what in ("changes", "measure"):
            done = [e["done"] for e in found if e["event"] == "progress" and e["what"] == what]
            self.assertEqual(done, sorted(done))
            last = [e for e in found if e["event"] == "progress" and e["what"] == what][-1]
            self.assertEqual(last["done"], last["of"])

    def test_only_what_is_asked(self) -> None:
        kinds = {e["event"] for e in explore.explore(ROAD, ("bands",), samples=256)}
        self.assertEqual(kinds, {"report", "done"})

    def test_the_same_again(self) -> None:
        """Seeded: two runs say the same to the last digit."""
        found = events("reed-otter")
        forget()
        self.assertEqual(found, list(explore.explore(demo("reed-otter"), samples=256)))
        self.assertEqual(found, list(explore.explore(demo("reed-otter"), samples=256)), "from memory")

    def test_an_engine_not_known_says_what_is_missing(self) -> None:
        found = explore.explore(changed(ROAD, engine__displacement=None))
        self.assertEqual(next(e for e in found if e["event"] == "unknown")["missing"], ["engine.displacement"])

    def test_sentences_are_finished(self) -> None:
        for name in NAMES:
            for event in events(name):
                for item in event.get("next", ()):
                    for said in (item["sentence"], item["how"], item["label"]):
                        self.assertNotRegex(said, r"[{}]|nan|inf\b|  ")
                    self.assertTrue(item["how"] and item["label"])
                    # What says the same at both ends is left unsaid.
                    self.assertTrue(item["chance"] >= 0.01 or item["spread_w"])


class Round(NumbersCase):
    def test_grouped_by_where_one_stands(self) -> None:
        places = {p["id"]: {i["path"] for i in p["items"]} for p in explore.measuring_round(ROAD)["places"]}
        self.assertIn("oil.pan.depth", places["stand"])
        self.assertIn("cooling.core.fin_count", places["hand"])
        self.assertIn("installation.depth_available", places["above"])
        self.assertIn("exhaust.pipe.diameter", places["under"])
        self.assertIn("fuel.main.flow", places["tank"])

    def test_what_is_missing_is_asked_first_and_what_is_taped_is_not(self) -> None:
        raw = changed(ROAD, fuel__injectors__flow=None, cooling__core__width={"text": "600 mm", "evidence": "taped"})
        items = {i["path"]: i for p in explore.measuring_round(raw)["places"] for i in p["items"]}
        self.assertEqual(items["fuel.injectors.flow"]["evidence"], "missing")
        self.assertNotIn("cooling.core.width", items)


class NeedSheet(NumbersCase):
    def test_bands_hold_the_likely_need(self) -> None:
        """To 2 %: the largest of several in doubt (oil over the duties) mostly lies over what it is at the likely ones."""
        for name in NAMES:
            for row in need.needs_with_bands(demo(name)):
                if row["low"] is not None and row["high"] is not None and row["value"] is not None:
                    with self.subTest(name, quantity=row["quantity"]):
                        self.assertLessEqual(row["low"], row["value"] * 1.02)
                        self.assertGreaterEqual(row["high"], row["value"] * 0.9999)

    def test_a_needed_flow_follows_the_fuel_for_power(self) -> None:
        """Everything else exact: the need spreads as BSFC does, ln 1.12 x 1.645 / 1.96 (arithmetic); 3 % of it."""
        rows = {r["quantity"]: r for r in need.needs_with_bands(ROAD)}
        row = rows["pump_flow"]
        self.close(row["high"] / row["value"], 1.12 ** (1.644854 / 1.959964), rel=0.03)

    def test_as_csv(self) -> None:
        rows = list(csv.DictReader(io.StringIO(need.as_csv(demo("quarry-mule")))))
        pump = next(r for r in rows if r["Quantity"] == "pump flow")
        self.assertEqual(pump["Unit"], "L/h")
        self.assertLess(float(pump["Low (5 %)"]), float(pump["At least"]))
        self.assertGreater(float(pump["High (95 %)"]), float(pump["At least"]))
        self.assertTrue(all(len(r) == 8 for r in rows))


class Tolerances(NumbersCase):
    def test_an_instruments_row_names_its_duty(self) -> None:
        found = explore.sure_report(demo("quarry-mule"), samples=256)
        row = row_of(found, "core_fan", "load")
        self.assertIsNotNone(row["fill_low"])

    def test_a_case_of_nothing_but_exact_facts_holds_or_not(self) -> None:
        case = case_of(ROAD)
        self.assertIn("cooling.core.width", case.known)


class Governed(NumbersCase):
    def test_no_change_makes_a_governed_engine_stronger(self) -> None:
        """Its gains are said as fills, never as power."""
        singles, pairs = of_demo("dripping-well")
        self.assertTrue(singles)
        for change in (*singles, *pairs):
            self.assertEqual(change["whole"], "", change["id"])
            self.assertNotRegex(change["gain"], "kW|hp", change["id"])
