"""Facts edited in place: refusals, evidence, undo, two windows, a lost connection, the wanted line."""

import re

from playwright.sync_api import Route, expect

from gauge_well.services import builds
from tests.browser.pages import BrowserCase
from tests.support import ROAD


class Editing(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = self.build_of(ROAD)

    def kept(self, path: str) -> str:
        return str(builds.get(self.engine, self.build)["facts"][path]["text"])

    def test_what_cannot_be_read_is_said_and_nothing_is_lost(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        self.fact("cooling.core.depth").click()
        field = page.locator('input[data-path="cooling.core.depth"]')
        field.fill("two thumbs")
        expect(page.get_by_role("alert")).to_contain_text("No number at the start")
        field.press("Enter")
        self.assertEqual(field.input_value(), "two thumbs")
        field.fill('2-1/4"')
        expect(page.get_by_text("= 57.15")).to_be_visible()
        with self.saved():
            field.press("Enter")
        expect(self.fact("cooling.core.depth")).to_contain_text("57.15")
        self.assertEqual(self.kept("cooling.core.depth"), '2-1/4"')

    def test_a_refusal_that_comes_late_does_not_stand_over_what_was_typed_since(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        held: list[Route] = []
        page.route("**/api/builds/*", lambda r: held.append(r) if r.request.method == "PATCH" else r.continue_())
        self.fact("cooling.core.depth").click()
        field = page.locator('input[data-path="cooling.core.depth"]')
        field.fill("4 m")
        field.press("Enter")
        field.fill('2-1/4"')
        expect(page.get_by_text("= 57.15")).to_be_visible()
        with page.expect_response(lambda r: r.request.method == "PATCH"):
            held[0].continue_()
        expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
        expect(page.get_by_text("= 57.15")).to_be_visible()
        expect(page.get_by_role("alert")).to_have_count(0)

    def test_out_of_range_keeps_the_old_value(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        self.type_fact("cooling.core.depth", "4 m")
        expect(page.get_by_role("alert")).to_contain_text("outside")
        page.locator('input[data-path="cooling.core.depth"]').press("Escape")
        expect(self.fact("cooling.core.depth")).to_contain_text("26 mm")
        self.assertEqual(self.kept("cooling.core.depth"), "26 mm")

    def test_evidence_by_a_tap(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        chip = page.get_by_role("button", name="Core depth, how known: guess")
        with self.saved():
            chip.click()
        expect(page.get_by_role("button", name="Core depth, how known: similar")).to_be_visible()
        self.assertEqual(builds.get(self.engine, self.build)["facts"]["cooling.core.depth"]["evidence"], "similar")

    def test_undo_and_redo_by_keys(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        self.give("cooling.core.depth", "40 mm")
        expect(self.fact("cooling.core.depth")).to_contain_text("40 mm")
        page.locator("main").click(position={"x": 4, "y": 4})
        with self.saved():
            page.keyboard.press("z")
        expect(self.fact("cooling.core.depth")).to_contain_text("26 mm")
        with self.saved():
            page.keyboard.press("Shift+Z")
        expect(self.fact("cooling.core.depth")).to_contain_text("40 mm")

    def test_units_of_the_build(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        with self.saved():
            self.press_in(page.get_by_role("button", name=re.compile("^Units")), "Inch · hp")
        expect(self.fact("cooling.core.width")).to_contain_text("23.62")
        expect(self.fact("cooling.core.width")).to_contain_text("600 mm")

    def test_two_windows(self) -> None:
        self.go(f"/builds/{self.build}/cooling")
        second = self.go(f"/builds/{self.build}/cooling", self.window.new_page())
        self.give("cooling.core.depth", "40 mm")
        second.locator('button[data-path="cooling.core.depth"]').click()
        field = second.locator('input[data-path="cooling.core.depth"]')
        field.fill("56 mm")
        field.press("Enter")
        dialog = second.get_by_role("dialog", name="This build was changed elsewhere")
        expect(dialog).to_contain_text("40 mm")
        expect(dialog).to_contain_text("56 mm")
        self.assertEqual(self.kept("cooling.core.depth"), "40 mm")
        second.get_by_role("button", name="Put mine on top").click()
        expect(second.get_by_text("Saved · rev 3")).to_be_visible()
        self.assertEqual(self.kept("cooling.core.depth"), "56 mm")

    def test_a_lost_connection_keeps_what_was_typed(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")

        def lost(route: Route) -> None:
            if route.request.method == "PATCH":
                route.abort()
            else:
                route.continue_()

        self.window.route("**/api/builds/**", lost)
        self.type_fact("cooling.core.depth", "31 mm")
        expect(page.get_by_text("The server is not reached")).to_be_visible()
        self.assertEqual(self.kept("cooling.core.depth"), "26 mm")
        self.window.unroute("**/api/builds/**")
        expect(page.get_by_text("The server is not reached")).to_be_hidden()
        expect(page.get_by_text("rev 2")).to_be_visible()
        self.assertEqual(self.kept("cooling.core.depth"), "31 mm")
        self.errors.clear()

    def test_a_lost_connection_and_a_closed_page(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        self.window.route("**/api/builds/**", lambda r: r.abort() if r.request.method == "PATCH" else r.continue_())
        self.type_fact("cooling.core.depth", "33 mm")
        expect(page.get_by_text("The server is not reached")).to_be_visible()
        page.close()
        self.window.unroute("**/api/builds/**")
        again = self.go(f"/builds/{self.build}/cooling", self.window.new_page())
        expect(again.get_by_text("rev 2")).to_be_visible()
        self.assertEqual(self.kept("cooling.core.depth"), "33 mm")
        self.errors.clear()

    def test_rename_copy_delete_bring_back(self) -> None:
        page = self.go(f"/builds/{self.build}")
        page.get_by_role("button", name=ROAD["name"], exact=True).click()
        page.get_by_label("Name of the build").fill("Red one")
        with self.saved():
            page.get_by_role("button", name="Rename").click()
        expect(page.get_by_role("button", name="Red one", exact=True)).to_be_visible()
        page.get_by_role("button", name="Red one", exact=True).click()
        page.get_by_role("button", name="Copy", exact=True).click()
        expect(page.get_by_role("button", name="Red one (copy)")).to_be_visible()
        page.get_by_role("button", name="Red one (copy)").click()
        page.get_by_role("button", name="Delete").click()
        expect(page.get_by_text("Red one (copy) was taken off the shelf")).to_be_visible()
        expect(page.get_by_role("heading", name="Red one (copy)")).to_have_count(0)
        page.get_by_role("button", name="Bring it back").click()
        expect(page.get_by_role("heading", name="Red one (copy)")).to_be_visible()

    def test_history_brings_back(self) -> None:
        page = self.go(f"/builds/{self.build}/cooling")
        self.give("cooling.core.depth", "40 mm")
        page.get_by_role("button", name=ROAD["name"], exact=True).click()
        page.get_by_role("button", name="History").click()
        with self.saved():
            page.get_by_role("button", name="bring back").click()
        expect(self.fact("cooling.core.depth")).to_contain_text("26 mm")

    def test_duties_come_and_go(self) -> None:
        page = self.go(f"/builds/{self.build}/duties")
        with self.saved():
            self.press_in(page.get_by_role("button", name="Add another duty"), "idle")
        expect(page.get_by_role("region", name="Idle")).to_be_visible()
        with self.saved():
            page.get_by_role("button", name="take out Idle").click()
        expect(page.get_by_role("region", name="Idle")).to_have_count(0)


class WantedLine(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = self.build_of(ROAD)

    def test_by_keys_then_kept(self) -> None:
        page = self.go(f"/builds/{self.build}")
        line = page.get_by_role("slider", name="Wanted power")
        line.focus()
        for _ in range(7):
            line.press("Shift+ArrowRight")
        expect(page.get_by_text("A what-if")).to_be_visible()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Good for")
        line.press("Escape")
        expect(page.get_by_text("A what-if")).to_have_count(0)
        self.settle()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Holds 125")
        line.press("Shift+ArrowRight")
        with self.saved():
            page.get_by_role("button", name="Set it").click()
        self.assertEqual(
            builds.get(self.engine, self.build)["facts"]["wanted"]["shown"].replace("\u00a0", " "), "138 kW"
        )

    def test_by_mouse(self) -> None:
        page = self.go(f"/builds/{self.build}")
        line = page.get_by_role("slider", name="Wanted power")
        box = line.bounding_box()
        assert box is not None
        page.mouse.move(box["x"] + 8, box["y"] + 8)
        page.mouse.down()
        page.mouse.move(box["x"] - 120, box["y"] + 8, steps=6)
        page.mouse.up()
        expect(page.get_by_text("A what-if")).to_be_visible()
        self.assertLess(float(re.findall(r"[\d.]+", line.inner_text())[0]), 125.0)

    def test_a_governed_machine_is_offered_no_line(self) -> None:
        page = self.go("/builds/dripping-well")
        expect(page.get_by_role("slider", name="Wanted power")).to_be_disabled()
        expect(page.get_by_text("The governor holds this engine")).to_be_visible()
