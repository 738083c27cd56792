"""How sure, what would move it, what to measure next: made by a tap, undone after a reload, measured on a phone."""

import re
from pathlib import Path

from playwright.sync_api import Locator, expect

from gauge_well.services import builds
from tests.browser.pages import PHONE, BrowserCase
from tests.support import ROAD, changed

SHORT = changed(ROAD, fuel__injectors__flow="240 cc/min", fuel__regulator__pressure="300 kPa")


class WhatWouldMoveIt(BrowserCase):
    explores = True

    def setUp(self) -> None:
        super().setUp()
        self.build = self.build_of(SHORT)

    def change(self, id: str) -> Locator:
        return self.page.locator(f'[data-change="{id}"]')

    def injectors(self) -> str:
        return str(builds.get(self.engine, self.build)["facts"]["fuel.injectors.flow"]["text"])

    def test_made_and_undone_after_a_reload(self) -> None:
        page = self.go(f"/builds/{self.build}")
        heading = page.get_by_role("heading", level=1)
        expect(heading).to_contain_text("injectors give out first")
        with self.saved():
            self.change("fuel.injectors").get_by_role("button", name="Make it").click()
        expect(heading).to_contain_text("Holds 125")
        self.assertEqual(self.injectors(), "270 cc/min")
        page.reload()
        self.settle()
        expect(heading).to_contain_text("Holds 125")
        with self.saved():
            page.get_by_role("button", name="Undo").click()
        expect(heading).to_contain_text("injectors give out first")
        self.assertEqual(self.injectors(), "240 cc/min")
        with self.saved():
            page.get_by_role("button", name="Redo").click()
        expect(heading).to_contain_text("Holds 125")

    def test_pairs_and_whiskers_come_after(self) -> None:
        page = self.go(f"/builds/{self.build}")
        expect(page.locator(".whisker").first).to_be_visible()
        expect(page.get_by_text(re.compile("of cases within the tolerances")).first).to_be_visible()
        expect(page.get_by_text("whisker: 90 of 100 cases")).to_be_visible()
        expect(page.get_by_role("heading", name="Two together")).to_be_visible()

    def test_a_price_is_kept_and_sorts(self) -> None:
        page = self.go(f"/builds/{self.build}")
        card = self.change("fuel.injectors")
        card.get_by_role("button", name="price").click()
        card.get_by_label(re.compile("Price of")).fill("cheap")
        card.get_by_label(re.compile("Price of")).press("Enter")
        expect(card.get_by_role("alert")).to_contain_text("is not a price")
        card.get_by_label(re.compile("Price of")).fill("240")
        with self.saved():
            card.get_by_label(re.compile("Price of")).press("Enter")
        expect(card.get_by_text("costs 240")).to_be_visible()
        self.segment("In the order of", "by money").click()
        expect(page.locator("[data-change]").first).to_have_attribute("data-change", "fuel.injectors")

    def test_an_edit_drops_what_was_being_worked(self) -> None:
        """The stream of the build as it was is let go, and the next one's is taken."""
        page = self.go(f"/builds/{self.build}/fuel")
        expect(self.change("fuel.injectors")).to_be_visible()
        self.give("fuel.injectors.flow", "450 cc/min")
        expect(page.locator('[data-change^="fuel.injectors"]').first).to_contain_text("450 →")
        expect(page.get_by_role("heading", level=1)).to_contain_text("holds")

    def test_the_key_leads_there(self) -> None:
        page = self.go(f"/builds/{self.build}/fuel")
        expect(self.change("fuel.injectors")).to_be_visible()
        page.keyboard.press("i")
        self.assertTrue(page.evaluate("() => document.activeElement.hasAttribute('data-instead')"))

    def test_a_what_if_gets_its_bands_when_the_line_rests(self) -> None:
        page = self.go(f"/builds/{self.build}")
        expect(page.locator(".whisker").first).to_be_visible()
        line = page.get_by_role("slider", name="Wanted power")
        line.focus()
        line.press("Shift+ArrowLeft")
        expect(page.get_by_text("A what-if")).to_be_visible()
        expect(page.locator(".whisker").first).to_be_visible()


class Facts(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = self.build_of(SHORT)
        self.page = self.go(f"/builds/{self.build}/fuel")
        self.page.get_by_role("button", name="Injector, each: claims, tolerance, solve for it").click()
        self.dialog = self.page.get_by_role("dialog")

    def fact(self, path: str = "fuel.injectors.flow") -> dict[str, object]:
        return dict(builds.get(self.engine, self.build)["facts"][path])

    def test_claims(self) -> None:
        self.dialog.get_by_label("Another value for Injector, each").fill("300 cc/min")
        self.dialog.get_by_label("Who says so").fill("a friend")
        with self.saved():
            self.dialog.get_by_role("button", name="Add claim").click()
        expect(self.dialog.get_by_text("a friend")).to_be_visible()
        with self.saved():
            self.dialog.get_by_role("button", name="As the claims differ").click()
        expect(self.dialog.get_by_text("± 60 cc/min")).to_be_visible()
        with self.saved():
            self.dialog.get_by_role("button", name="use").click()
        expect(self.dialog.get_by_role("row").nth(1)).to_contain_text("300")
        self.assertEqual((self.fact()["text"], self.fact()["evidence"]), ("300 cc/min", "sheet"))

    def test_an_own_tolerance(self) -> None:
        self.dialog.get_by_label("Own tolerance").fill("wide")
        self.dialog.get_by_role("button", name="Set", exact=True).click()
        expect(self.dialog.get_by_role("alert")).to_contain_text("Understood")
        self.dialog.get_by_label("Own tolerance").fill("2 %")
        with self.saved():
            self.dialog.get_by_role("button", name="Set", exact=True).click()
        expect(self.dialog.get_by_text("± 5 cc/min")).to_be_visible()

    def test_solved_for_and_set(self) -> None:
        self.dialog.get_by_role("button", name="At which values").click()
        expect(self.dialog.get_by_text("Smallest that holds")).to_be_visible()
        with self.saved():
            self.dialog.get_by_role("button", name="set", exact=True).first.click()
        self.page.keyboard.press("Escape")
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("holds")


class MeasuringRound(BrowserCase):
    def test_on_a_phone(self) -> None:
        """Walked with a tape: a sum typed, kept as taped with today's date, what stood before a claim."""
        id = self.build_of(ROAD)
        self.page.set_viewport_size(PHONE)
        page = self.go(f"/builds/{id}/round")
        item = page.locator('li[data-path="cooling.core.width"]')
        field = item.get_by_role("textbox")
        field.fill("310 + 284 mm")
        expect(item.get_by_text("= 594")).to_be_visible()
        with self.saved():
            field.press("Enter")
        expect(item.get_by_text("594 mm kept")).to_be_visible()
        fact = builds.get(self.engine, id)["facts"]["cooling.core.width"]
        self.assertEqual((fact["text"], fact["evidence"]), ("310 + 284 mm", "taped"))
        self.assertRegex(fact["date"], r"^\d{4}-\d{2}-\d{2}$")
        self.assertEqual([c["text"] for c in fact["claims"]], ["600 mm"])
        box = field.bounding_box()
        assert box is not None
        self.assertGreaterEqual(box["height"], 43.5)

    def test_what_cannot_be_read_is_said_and_kept(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/round")
        item = page.locator('li[data-path="cooling.core.width"]')
        field = item.get_by_role("textbox")
        field.fill("two thumbs")
        field.press("Enter")
        expect(item.get_by_role("alert")).to_contain_text("No number")
        self.assertEqual(field.input_value(), "two thumbs")


class RankedRound(BrowserCase):
    explores = True

    def test_letters_stand_in_the_sketch(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/round")
        page.get_by_role("button", name=re.compile("more that settle nothing")).click()
        sketch = page.locator("#stand-stand figure text")
        shown = {text.strip() for text in sketch.all_text_contents()}
        listed = {text.strip() for text in page.locator("#stand-stand .letter").all_text_contents()}
        self.assertEqual(shown, listed)
        self.assertGreaterEqual(len(shown), 4)


class NeedSheet(BrowserCase):
    def test_bands_and_csv(self) -> None:
        page = self.go("/builds/quarry-mule/need")
        row = page.get_by_role("row").filter(has_text="A pump giving")
        expect(row.locator("[data-band]")).to_contain_text(re.compile(r"\d+ to \d+.L/h"))
        with page.expect_download() as waiting:
            page.get_by_role("button", name="Save as CSV").click()
        path = waiting.value.path()
        self.assertEqual(waiting.value.suggested_filename, "quarry-mule-need.csv")
        self.assertIn("pump flow", Path(path).read_text())


class SideBySide(BrowserCase):
    def test_added_told_apart_and_fitted(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/cooling")
        panel = page.locator("[data-compare]")
        expect(panel.get_by_text("Which core should go in?")).to_be_visible()
        with self.saved():
            panel.get_by_role("button", name="Copy what is fitted").click()
        width = panel.get_by_label("Core width, Core (copy)")
        width.fill("wide")
        width.press("Tab")
        expect(panel.get_by_role("alert")).to_contain_text("No number")
        width.fill("30 in")
        with self.saved():
            width.press("Tab")
        carries = panel.get_by_role("row").filter(has_text="Carries").get_by_role("cell")
        expect(carries.nth(1)).to_have_class(re.compile("best"))
        with self.saved():
            panel.get_by_role("button", name="Fit it").click()
        expect(self.fact("cooling.core.width")).to_contain_text("762 mm")
        page.locator("main").click(position={"x": 4, "y": 4})
        with self.saved():
            page.keyboard.press("z")
        expect(self.fact("cooling.core.width")).to_contain_text("600 mm")
        with self.saved():
            panel.get_by_role("button", name="let it go: Core (copy)").click()
        expect(panel.get_by_text("Which core should go in?")).to_be_visible()

    def test_a_part_of_ones_own_with_its_price_and_another_place(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/fuel")
        panel = page.locator("[data-compare]")
        self.choose(self.choice("Which part", panel), "Injectors")
        with self.saved():
            panel.get_by_role("button", name="Put one on the yard").click()
        for label, text in (
            ("Name of injector", "Blue ones"),
            ("Price of Blue ones", "80"),
            ("Injector, each, Blue ones", "550 cc/min"),
        ):
            field = panel.get_by_label(label, exact=True)
            field.fill(text)
            with self.saved():
                field.press("Tab")
        opening = panel.get_by_role("row").filter(has_text="Injectors open").get_by_role("cell")
        expect(opening.nth(1)).to_have_class(re.compile("best"))
        with self.saved():
            panel.get_by_role("button", name="Fit it").click()
        expect(self.fact("fuel.injectors.flow")).to_contain_text("550")
        expect(panel.get_by_label("Name of Injectors", exact=True)).to_be_visible()


class Scope(BrowserCase):
    def test_put_off_and_taken_up_again(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/exhaust")
        with self.saved():
            self.segment("Exhaust in this build", "later").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Not judged: put off until later")
        with self.saved():
            self.segment("Exhaust in this build", "judged").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Exhaust")

    def test_what_is_not_started_is_one_line(self) -> None:
        id = self.build_of(changed(ROAD, exhaust={}, oil={}))
        page = self.go(f"/builds/{id}")
        expect(page.locator("[data-not-started]")).to_contain_text("Not started: oil, exhaust")
        page.locator("[data-not-started]").get_by_role("link", name="exhaust").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Exhaust is not started.")
        expect(page.get_by_text("These begin it: tube, outside, whole length")).to_be_visible()


class Pieces(BrowserCase):
    def test_added_stated_moved_and_taken_out(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/exhaust")
        panel = page.locator("section").filter(has=page.get_by_role("heading", name="Piece by piece"))
        for diameter in ("63.5 mm", "76.2 mm"):
            with self.saved():
                panel.get_by_role("button", name="Add a piece").click()
            name = panel.locator("[data-kept]").last.get_attribute("data-kept")
            self.give(f"exhaust.pieces.{name}.diameter", diameter)
            self.give(f"exhaust.pieces.{name}.length", "1 m")
        expect(panel.locator("[data-kept]")).to_contain_text([re.compile("63.5"), re.compile("76.2")])
        with self.saved():
            self.press_in(panel.get_by_role("button", name="Do with Piece 2"), "Earlier")
        expect(panel.locator("[data-kept]")).to_contain_text([re.compile("76.2"), re.compile("63.5")])
        with self.saved():
            panel.get_by_role("button", name=re.compile("^Move 1")).press("ArrowDown")
        expect(panel.locator("[data-kept]")).to_contain_text([re.compile("63.5"), re.compile("76.2")])
        with self.saved():
            self.press_in(panel.get_by_role("button", name="Do with Piece 1"), "Let it go")
        expect(panel.locator("[data-kept]")).to_have_count(1)


class Maps(BrowserCase):
    def test_the_map_follows_its_choice(self) -> None:
        page = self.go("/builds/quarry-mule/cooling")
        self.tab("Where it holds")
        panel = page.locator("[data-map]")
        limit = panel.locator("path.limit")
        expect(limit).to_have_attribute("d", re.compile("M"))
        before = limit.get_attribute("d")
        self.choose(self.choice("Which map", panel), "air outside by grade")
        expect(limit).not_to_have_attribute("d", str(before))
        expect(panel.get_by_text(re.compile("Grade, %"))).to_be_visible()
        expect(panel.get_by_text("asked", exact=True)).to_be_visible()

    def test_it_is_drawn_again_while_a_fact_is_dragged(self) -> None:
        page = self.go("/builds/quarry-mule/cooling")
        self.tab("Where it holds")
        panel = page.locator("[data-map]")
        limit = panel.locator("path.limit")
        expect(limit).to_have_attribute("d", re.compile("M"))
        before = str(limit.get_attribute("d"))
        slider = panel.get_by_role("slider", name="Core depth")
        self.slide(slider, 150)
        expect(limit).not_to_have_attribute("d", before)
        expect(panel.get_by_text("60 mm", exact=True)).to_be_visible()
        panel.get_by_role("button", name="as stated").click()
        expect(limit).to_have_attribute("d", before)
        self.assertEqual(builds.get(self.engine, "quarry-mule")["facts"]["cooling.core.depth"]["text"], "40 mm")
