"""Every page: it says its verdict, fits the screen, is reachable by keys, names things for screen readers."""

import gzip
import re

from playwright.sync_api import expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import PHONE, WIDE, BrowserCase
from tests.support import ROOT

DEMO = "quarry-mule"
PAGES = (
    ("Machine", "/duties"),
    ("Engine", "/engine"),
    ("Oil", "/oil"),
    ("Exhaust", "/exhaust"),
    ("Cooling", "/cooling"),
    ("Fuel", "/fuel"),
    ("Need sheet", "/need"),
    ("Measuring round", "/round"),
    ("Bench", ""),
)
FIRST_PAGE_BYTES = 150_000


class Pages(BrowserCase):
    def test_each_demo_says_what_it_is_good_for_first(self) -> None:
        for name, word in (
            ("quarry-mule", "Cannot hold the long grade"),
            ("dripping-well", "Holds 52"),
            ("chalk-hare", "Good for"),
            ("reed-otter", "Pickup"),
        ):
            page = self.go(f"/builds/{name}")
            expect(page.get_by_role("heading", level=1)).to_contain_text(word)

    def test_every_page_fits_and_can_be_read(self) -> None:
        """One walk over them all, moving inside the application: width, scroll, accessibility."""
        page = self.go("/")
        self.hold("shelf", still=False)
        self.follow(page.get_by_role("link", name="New build"), "**/new")
        self.hold("new", still=False)
        self.go(f"/builds/{DEMO}")
        for name, path in PAGES:
            self.look("light", WIDE)
            station = page.get_by_role("navigation", name="Stations").get_by_role("link", name=name)
            self.follow(station, f"**/builds/{DEMO}{path}")
            self.hold(name)

    def test_axe_in_the_dialog_of_a_fact(self) -> None:
        for scheme in ("light", "dark"):
            self.page.emulate_media(color_scheme=scheme, reduced_motion="reduce")
            page = self.go("/builds/chalk-hare/fuel")
            page.get_by_role("button", name="Injector, each: claims, tolerance, solve for it").click()
            page.get_by_role("button", name="At which values").click()
            expect(page.get_by_text("Smallest that holds")).to_be_visible()
            self.assertEqual(self.serious_faults("[role=dialog]"), [], scheme)

    def test_touch_targets_on_a_phone(self) -> None:
        """44 px of height for what a thumb must hit (chips reach beyond their drawing)."""
        self.page.set_viewport_size(PHONE)
        self.go("/builds/quarry-mule/cooling")
        for selector in ("button.value", ".fold", "header .icon"):
            for box in [e.bounding_box() for e in self.page.locator(selector).all() if e.is_visible()][:6]:
                assert box is not None
                self.assertGreaterEqual(box["height"], 43.5, selector)

    def test_a_well_speaks(self) -> None:
        page = self.go("/builds/quarry-mule/fuel")
        expect(
            page.get_by_role("img", name=re.compile(r"Pump flow, Full-throttle pull, 1\d\d.%, short")).first
        ).to_be_visible()

    def test_keys(self) -> None:
        page = self.go("/builds/quarry-mule")
        stations = (("8", "cooling"), (".", "fuel"), (",", "cooling"), ("7", "exhaust"), ("6", "oil"), ("4", "mounts"))
        for key, path in (*stations, ("0", "")):
            page.keyboard.press(key)
            page.wait_for_url(f"**/builds/quarry-mule{'/' + path if path else ''}")
        page.keyboard.press("?")
        expect(page.get_by_role("dialog", name="Keys and signs")).to_be_visible()

    def test_find_by_name(self) -> None:
        page = self.go("/builds/quarry-mule")
        page.keyboard.press("f")
        page.get_by_role("combobox", name="Find").fill("cap")
        page.locator(".ant-select-item-option").filter(has_text=re.compile("^Cap")).first.click()
        page.wait_for_url("**/cooling#cooling.cap_pressure")
        expect(self.fact("cooling.cap_pressure")).to_be_focused()

    def test_find_by_the_trades_other_words(self) -> None:
        page = self.go("/builds/quarry-mule")
        page.keyboard.press("f")
        for word, label in (("redline", "Red line"), ("muffler", "Silencer"), ("measuring", "Measuring round")):
            page.get_by_role("combobox", name="Find").fill(word)
            expect(page.locator(".ant-select-item-option").filter(has_text=label).first).to_be_visible()

    def test_every_need_of_two_builds_side_by_side_says_what_it_is(self) -> None:
        page = self.go("/beside/quarry-mule/chalk-hare")
        needs = page.locator("section").filter(has=page.get_by_role("heading", name="What it takes"))
        expect(needs.get_by_role("row").filter(has_text=re.compile("^Fan"))).to_contain_text("m³/s")
        self.assertEqual(needs.locator("td").filter(has_text=re.compile("^$")).count(), 0)

    def test_keys_are_left_alone_while_typing(self) -> None:
        page = self.go("/builds/quarry-mule/cooling")
        self.fact("cooling.core.depth").click()
        page.locator('input[data-path="cooling.core.depth"]').press("0")
        self.assertTrue(page.url.endswith("/cooling"))

    def test_a_row_leads_to_its_station(self) -> None:
        page = self.go("/builds/quarry-mule")
        page.get_by_role("button", name=re.compile("^Fuel pump")).first.click()
        page.wait_for_url("**/fuel#pump_flow")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Fuel runs")

    def test_working_opens_to_its_numbers(self) -> None:
        page = self.go("/builds/quarry-mule/cooling")
        page.get_by_role("button", name="Core conductance").click()
        expect(page.get_by_text("hA_air =")).to_be_visible()
        self.choose(self.choice("Duty explained"), "Motorway")
        expect(self.choice("Duty explained: Motorway")).to_be_visible()

    def test_instruments_react(self) -> None:
        page = self.go("/builds/quarry-mule/cooling")
        said = page.get_by_text("with the coolant at its limit;")
        before = said.inner_text()
        slider = page.get_by_role("slider", name="Road speed")
        slider.focus()
        for _ in range(20):
            slider.press("ArrowRight")
        expect(said).not_to_have_text(before)
        page = self.go("/builds/quarry-mule/fuel")
        self.tab("Pumps")
        given = page.get_by_role("row", name=re.compile("^Full load"))
        before = given.inner_text()
        slider = page.get_by_role("slider", name="Volts at the pump")
        slider.focus()
        for _ in range(10):
            slider.press("ArrowLeft")
        expect(given).not_to_have_text(before)

    def test_the_oil_moves_with_the_acceleration(self) -> None:
        """By keys and by dragging the point of the rose; the pan says what is left over the pickup."""
        page = self.go("/builds/chalk-hare/oil")
        pan = page.get_by_role("img", name=re.compile("Pan from the side"))
        expect(pan).to_be_visible()
        slider = page.get_by_role("slider", name="Acceleration along")
        before = pan.get_attribute("aria-label") or ""
        slider.focus()
        for _ in range(8):
            slider.press("ArrowRight")
        expect(pan).not_to_have_attribute("aria-label", before)
        rose = page.get_by_role("img", name=re.compile("Covered acceleration")).bounding_box()
        assert rose is not None
        middle = (rose["x"] + rose["width"] / 2, rose["y"] + rose["height"] / 2)
        page.mouse.move(*middle)
        page.mouse.down()
        page.mouse.move(middle[0], middle[1] + 0.38 * rose["height"], steps=5)
        page.mouse.up()
        expect(page.get_by_text(re.compile(r"1\.[3-6]\d g pulling away")).first).to_be_visible()
        expect(pan).to_have_attribute("aria-label", re.compile("draws air"))

    def test_the_profile_moves_with_the_bore(self) -> None:
        page = self.go("/builds/quarry-mule/exhaust")
        pipe = page.get_by_role("group", name=re.compile("Exhaust from flange to tip"))
        before = pipe.get_attribute("aria-label") or ""
        slider = page.get_by_role("slider", name="All bores")
        slider.focus()
        for _ in range(15):
            slider.press("ArrowRight")
        expect(pipe).not_to_have_attribute("aria-label", before)

    def test_a_stated_back_pressure_is_a_limit(self) -> None:
        page = self.go(f"/builds/{self.build_of(demo(DEMO))}/exhaust")
        self.give("exhaust.tolerated", "30 kPa")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Exhaust runs")

    def test_need_sheet(self) -> None:
        page = self.go("/builds/quarry-mule/need")
        expect(page.get_by_text("A pump giving")).to_be_visible()
        expect(page.get_by_text(re.compile(r"short, 11\d")).first).to_be_visible()

    def test_cautions_stand_where_the_work_is(self) -> None:
        self.go("/builds/quarry-mule/cooling")
        expect(self.page.get_by_role("note").filter(has_text="fan can start by itself")).to_be_visible()
        self.go("/builds/quarry-mule/fuel")
        expect(self.page.get_by_role("note").filter(has_text="Fuel vapour burns")).to_be_visible()

    def test_nowhere(self) -> None:
        expect(self.go("/nowhere/at/all").get_by_text("There is nothing at this address")).to_be_visible()
        page = self.go("/builds/none")
        expect(page.get_by_text("There is no such build")).to_be_visible()


class Weight(BrowserCase):
    def test_a_first_page_is_light(self) -> None:
        """Gzipped, all script and style that the shelf and a bench by its address bring; plots and tables come with the
        stations."""
        for path in ("/", "/builds/quarry-mule"):
            brought: dict[str, int] = {}
            page = self.window.new_page()
            page.on(
                "response",
                lambda r, brought=brought: (
                    brought.__setitem__(r.url, len(gzip.compress(r.body())))
                    if r.url.endswith((".js", ".css"))
                    else None
                ),
            )
            self.go(path, page)
            self.assertGreater(len(brought), 3)
            self.assertLess(sum(brought.values()), FIRST_PAGE_BYTES, brought)
            self.assertFalse([url for url in brought if "ChartPanel" in url or "DataTable" in url])

    def test_fonts_ship_with_the_pages(self) -> None:
        built = ROOT / "frontend" / "dist" / "assets"
        self.assertTrue(list(built.glob("barlow*.woff2")))
