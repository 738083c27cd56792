"""Controls of the component library as they stand on the pages: named, by keys, on a phone; parts, the yard, what is
taken away."""

from __future__ import annotations

import re
from xml.etree import ElementTree

from playwright.sync_api import Locator, expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import LOOKS, PHONE, BrowserCase
from tests.support import ROAD, changed

# A few pictures drawn: a list that is dragged in looks where the hand is only now and then.
FRAMES = """() => new Promise((done) => {
  let left = 5
  const next = () => (left-- ? requestAnimationFrame(next) : done())
  next()
})"""
THUMB = 43.5  # px of 44, of which a hairline may be a border's


class Opened(BrowserCase):
    """Nothing serious by the accessibility rules, light and dark, desk and phone, with whatever can be opened open."""

    def held(self, path: str, opens: str) -> None:
        for scheme, size, rule in (*LOOKS, ("light", PHONE, "")):
            self.go(path)
            self.look(scheme, size)
            with self.subTest(path, scheme=scheme, width=size["width"], opens=opens):
                self.opening(opens)
                self.assertEqual(self.serious_faults(rule=rule), [])

    def opening(self, what: str) -> None:
        page = self.page
        if what == "list":
            page.locator("[data-pick=Duty] .ant-select-selector").first.click()
            page.locator(".ant-select-item-option").first.wait_for()
        elif what == "menu":
            page.get_by_role("button", name="Save, copy or print").click()
            page.get_by_role("menuitem").first.wait_for()
        elif what == "stations":
            if page.viewport_size == PHONE:
                page.get_by_role("button", name="Stations").click()
                page.get_by_role("dialog", name="Stations").wait_for()
        elif what == "fact":
            self.facts()
            page.get_by_role("button", name="Injector, each: claims, tolerance, solve for it").click()
            page.get_by_role("dialog", name="Injector, each").wait_for()
        else:
            page.get_by_role("button", name=re.compile(f"^{what}")).first.click()
            page.get_by_role("dialog").first.wait_for()

    def facts(self) -> None:
        """On a phone the facts are one of several things shown."""
        if self.page.viewport_size == PHONE:
            self.segment("Shown of this station", "Facts").click()

    def test_a_list(self) -> None:
        self.held("/builds/quarry-mule/exhaust", "list")

    def test_a_menu(self) -> None:
        self.held("/builds/quarry-mule/yard", "menu")

    def test_the_stations(self) -> None:
        self.held("/builds/quarry-mule", "stations")

    def test_a_fact(self) -> None:
        self.held("/builds/chalk-hare/fuel", "fact")

    def test_a_dialog(self) -> None:
        self.held("/", "Open a sheet")


class Keys(BrowserCase):
    def test_a_list_by_keys(self) -> None:
        self.go(f"/builds/{self.build_of(demo('quarry-mule'))}/fuel")
        field = self.page.locator('input[data-path="fuel.injection"]')
        before = field.get_attribute("aria-label")
        field.focus()
        with self.saved():
            for key in ("Enter", "ArrowDown", "Enter"):
                field.press(key)
        expect(field).not_to_have_attribute("aria-label", str(before))
        expect(field).to_be_focused()

    def test_a_long_list_is_searched(self) -> None:
        page = self.go("/new")
        self.choice("Machine", page).focus()
        page.keyboard.type("hillcl")
        page.keyboard.press("Enter")
        expect(self.choice("Machine: hillclimb or sprint car", page)).to_be_visible()

    def test_g_and_a_letter(self) -> None:
        page = self.go("/builds/quarry-mule")
        for letter, path in (("x", "exhaust"), ("y", "yard"), ("c", "cooling")):
            page.keyboard.press("g")
            page.keyboard.press(letter)
            page.wait_for_url(f"**/{path}")
        self.settle()
        page.keyboard.press("x")
        self.assertTrue(page.url.endswith("/cooling"))

    def test_tabs_by_arrows_and_their_place_in_the_address(self) -> None:
        page = self.go("/builds/quarry-mule/fuel/tank")
        tab = page.get_by_role("tab", name="Tank")
        expect(tab).to_have_attribute("aria-selected", "true")
        tab.press("ArrowRight")
        page.wait_for_url("**/fuel/guards")
        expect(page.get_by_role("tab", name="Guards and change")).to_be_focused()
        expect(self.station("Fuel")).to_have_attribute("aria-current", "page")

    def test_a_drawer_holds_the_focus_and_gives_it_back(self) -> None:
        page = self.go("/builds/chalk-hare/fuel")
        opener = page.get_by_role("button", name="Injector, each: claims, tolerance, solve for it")
        opener.click()
        drawer = page.get_by_role("dialog", name="Injector, each")
        drawer.wait_for()
        for _ in range(12):
            page.keyboard.press("Tab")
            self.assertTrue(drawer.evaluate("(d) => d.contains(document.activeElement)"))
        page.keyboard.press("Escape")
        expect(drawer).to_have_count(0)
        expect(opener).to_be_focused()


class Phone(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.page.set_viewport_size(PHONE)

    def test_a_station_with_one_hand(self) -> None:
        """The verdict stays; drawing, facts, checks, changes and working one at a time; a link shows what it leads to."""
        page = self.go("/builds/quarry-mule/fuel")
        expect(page.get_by_role("region", name="Fuel circuit")).to_be_visible()
        expect(self.fact("fuel.injectors.flow")).to_be_hidden()
        self.segment("Shown of this station", "Checks").click()
        check = page.locator("[data-check=pump_flow]").first
        expect(check).to_be_visible()
        page.locator("[data-check]").last.scroll_into_view_if_needed()
        expect(page.get_by_role("heading", level=1)).to_be_in_viewport()
        self.go("/builds/quarry-mule/fuel#fuel.injectors.flow")
        expect(self.fact("fuel.injectors.flow")).to_be_focused()
        self.go("/builds/quarry-mule/fuel#pump_flow")
        expect(check).to_be_focused()

    def test_put_off_and_taken_up_again(self) -> None:
        """What is left of a station that is put off is in sight, with the way back."""
        page = self.go(f"/builds/{self.build_of(ROAD)}/exhaust")
        self.segment("Shown of this station", "Facts").click()
        for state, said in (("later", "put off"), ("judged", "Exhaust")):
            with self.saved():
                self.segment("Exhaust in this build", state).click()
            expect(page.get_by_role("heading", level=1)).to_contain_text(said)

    def test_thumbs(self) -> None:
        """44 px of height for what stands in lists, rows of choices, menus and the rail."""
        page = self.go("/builds/quarry-mule/fuel")
        self.tall(
            page.locator(".turn label"),
            page.locator(".ant-tabs-tab"),
            page.locator("[data-pick=Duty] .ant-select-selector"),
        )
        page.locator("[data-pick=Duty] .ant-select-selector").first.click()
        self.tall(page.locator(".ant-select-item-option"))
        page.keyboard.press("Escape")
        page.get_by_role("button", name="Stations").click()
        self.tall(page.get_by_role("dialog").get_by_role("link"))

    def tall(self, *places: Locator) -> None:
        for place in places:
            place.first.wait_for()
            for box in [found.bounding_box() for found in place.all() if found.is_visible()]:
                assert box is not None
                self.assertGreaterEqual(box["height"], THUMB, str(place))


class Parts(BrowserCase):
    def test_to_the_yard_stated_and_back(self) -> None:
        page = self.go(f"/builds/{self.build_of(ROAD)}/fuel")
        with self.saved():
            self.press_in(page.get_by_role("button", name="Do with Fuel pump", exact=True), "Take it to the yard")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Fuel as known")
        self.follow(self.station("Yard"), "**/yard")
        card = page.locator("[data-kept]").filter(has_text="Fuel pump")
        card.get_by_role("button", name="Fuel pump").first.click()
        self.give("parts.main.flow", "240 lph")
        with self.saved():
            self.choose(self.choice("State of Fuel pump"), "ordered")
        price = page.get_by_label("Price of Fuel pump")
        price.fill("95")
        with self.saved():
            price.press("Tab")
        expect(card).to_contain_text("ordered")
        expect(card).to_contain_text("95")
        with self.saved():
            self.press_in(card.get_by_role("button", name="Do with Fuel pump"), "Fit it: fuel pump")
        expect(page.get_by_role("row", name=re.compile("^Fuel pump"))).to_contain_text("95")
        self.follow(self.station("Fuel"), "**/fuel")
        expect(self.fact("fuel.main.flow")).to_contain_text("240")

    def test_one_put_on_the_yard_and_let_go(self) -> None:
        page = self.go(f"/builds/{self.build_of(changed(ROAD))}/yard")
        with self.saved():
            self.press_in(page.get_by_role("button", name="Put one on the yard"), "Tank")
        card = page.locator("[data-kept]").last
        expect(card.get_by_label("Price of Tank")).to_be_visible()
        with self.saved():
            self.press_in(card.get_by_role("button", name="Do with Tank"), "Let it go")
        expect(page.get_by_text("Nothing lies on the yard.")).to_be_visible()

    def test_dragged_into_another_order(self) -> None:
        page = self.go(f"/builds/{self.build_of(demo('quarry-mule'))}/exhaust")
        run = page.locator("section", has=page.get_by_role("heading", name="Piece by piece"))
        pieces = run.locator("[data-kept]:not(.sortable-fallback)")
        first = str(pieces.first.get_attribute("data-kept"))
        # All that it passes in sight: a hand beyond the window's edge scrolls the page on.
        pieces.nth(3).scroll_into_view_if_needed()
        with self.saved():
            places = [pieces.nth(i).locator(".handle").bounding_box() for i in (0, 2)]
            (x, y), (_, below) = [(b["x"] + b["width"] / 2, b["y"] + b["height"] / 2) for b in places if b]
            page.mouse.move(x, y)
            page.mouse.down()
            # The list makes room as the hand comes by, some twenty times a second; it is let go once it lies there.
            for step in range(40):
                page.mouse.move(x, min(y + 8 * step, below + 24 + step % 2))
                page.evaluate(FRAMES)
                if pieces.nth(2).get_attribute("data-kept") == first:
                    page.evaluate(FRAMES)
                    if pieces.nth(2).get_attribute("data-kept") == first:
                        break
            page.mouse.up()
        expect(pieces.nth(2)).to_have_attribute("data-kept", first)

    def test_fitted_parts_in_order_of_price(self) -> None:
        page = self.go("/builds/quarry-mule/yard")
        table = page.get_by_role("region", name="Fitted parts")
        name = table.get_by_role("columnheader", name="Part")
        name.press("Enter")
        expect(name).to_have_attribute("aria-sort", "ascending")
        rows = [r.inner_text().split("\n")[0] for r in table.get_by_role("rowheader").all()]
        self.assertEqual(rows, sorted(rows, key=str.casefold))
        self.assertGreater(len(rows), 10)


class TakenAway(BrowserCase):
    def test_a_drawing_as_svg(self) -> None:
        page = self.go("/builds/quarry-mule/fuel")
        with page.expect_download() as saved:
            self.press_in(page.get_by_role("button", name="Save, copy or print"), "Fuel circuit: save as SVG")
        drawn = ElementTree.fromstring(saved.value.path().read_text())
        self.assertEqual(drawn.tag, "{http://www.w3.org/2000/svg}svg")
        texts = " ".join(t for e in drawn.iter() if (t := e.text))
        self.assertIn("101", texts)
        self.assertFalse([e for e in drawn.iter() if e.get("class") or "var(" in str(e.attrib)])
        self.assertTrue([e for e in drawn.iter() if e.get("stroke", "none").startswith("rgb")])

    def test_a_plot_as_svg(self) -> None:
        page = self.go("/builds/quarry-mule/fuel/pumps")
        page.locator(".plot svg").wait_for()
        with page.expect_download() as saved:
            self.press_in(
                page.get_by_role("button", name="Save, copy or print"), "Fuel pressure over flow: save as SVG"
            )
        self.assertIn("asked", saved.value.path().read_text())

    def test_a_table_as_csv(self) -> None:
        page = self.go("/builds/quarry-mule/fuel/lines")
        with page.expect_download() as saved:
            self.press_in(page.get_by_role("button", name="Save, copy or print"), "Lines: save as CSV")
        lines = saved.value.path().read_text().splitlines()
        self.assertEqual(lines[0], "Line,flow,speed,guide,takes")
        self.assertIn("return", " ".join(lines))
        self.assertEqual({line.count(",") for line in lines}, {4})

    def test_a_table_copied(self) -> None:
        self.window.grant_permissions(["clipboard-read", "clipboard-write"], origin=self.base)
        page = self.go("/builds/quarry-mule/fuel/lines")
        self.press_in(page.get_by_role("button", name="Save, copy or print"), "Lines: copy table")
        expect(page.get_by_text("Lines copied")).to_be_visible()
        self.assertTrue(page.evaluate("() => navigator.clipboard.readText()").startswith("Line\tflow\tspeed"))


class Scope(BrowserCase):
    def test_left_out_folds_away_and_is_found_again(self) -> None:
        page = self.go(f"/builds/{self.build_of(ROAD)}/exhaust")
        with self.saved():
            self.segment("Exhaust in this build", "left out").click()
        expect(self.station("Exhaust")).to_have_count(0)
        page.get_by_role("button", name="Left out: 1").click()
        self.station("Exhaust").click()
        with self.saved():
            self.segment("Exhaust in this build", "judged").click()
        expect(page.get_by_role("button", name="Left out")).to_have_count(0)


class LongWork(BrowserCase):
    explores = True

    def test_it_says_how_far_it_is_and_can_be_stopped(self) -> None:
        page = self.go("/builds/quarry-mule")
        panel = page.locator("[data-panel=changes]")
        bar = panel.get_by_role("progressbar")
        expect(bar).to_have_attribute("aria-valuenow", re.compile(r"\d"))
        panel.get_by_role("button", name="Stop").click()
        expect(panel.get_by_text("Stopped.")).to_be_visible()
        expect(bar).to_have_count(0)
        panel.get_by_role("button", name="Go on").click()
        expect(panel.get_by_role("article").first).to_be_visible(timeout=120_000)
