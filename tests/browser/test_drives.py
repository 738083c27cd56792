"""Belts and Electrics in a real browser: a belt from a usual layout, a pulley dragged; draws, cold start, wires."""

import re

from playwright.sync_api import expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import BrowserCase
from tests.core.systems.belts.builds import front
from tests.core.systems.electrics.builds import FAN, LOADS, loom


class Belts(BrowserCase):
    def test_from_a_usual_layout_to_a_belt_that_serves(self) -> None:
        bare = front()
        bare["parts"] = []
        page = self.go(f"/builds/{self.build_of(bare)}/belts/route")
        with self.saved():
            page.get_by_role("button", name="All on one, with a sprung arm").click()
        card = page.locator("[data-belt]")
        expect(card).to_contain_text("It holds; buy")
        expect(page.get_by_role("slider", name="alternator", exact=True)).to_be_visible()
        expect(page.get_by_role("heading", level=1)).to_contain_text("The belts hold")
        page.get_by_role("button", name=re.compile("more: not given")).click()
        self.give("belts.first.owned", "1000 mm")
        expect(card).to_contain_text("The belt there does not serve: buy")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Belt's length")

    def test_a_pulley_dragged_answers_and_is_kept(self) -> None:
        page = self.go(f"/builds/{self.build_of(front(belts__first__owned='1535 mm'))}/belts/route")
        card = page.locator("[data-belt]")
        expect(card).to_contain_text("the 1535 mm there serves")
        pulley = page.get_by_role("slider", name="alternator", exact=True)
        for _ in range(3):
            pulley.press("Shift+ArrowLeft")
        expect(card).to_contain_text("does not serve")
        page.get_by_role("button", name="Put it back").click()
        expect(card).to_contain_text("the 1535 mm there serves")
        expect(card).to_contain_text("may lie on the shaded places")
        pulley.press("Shift+ArrowLeft")
        with self.saved():
            page.get_by_role("button", name="Keep it here").click()
        expect(pulley).to_have_attribute("aria-valuenow", "-200")

    def test_by_the_mouse(self) -> None:
        page = self.go(f"/builds/{self.build_of(front())}/belts/route")
        pulley = page.get_by_role("slider", name="steering pump", exact=True)
        box = pulley.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x + 10, y)
        page.mouse.move(x + 30, y)
        page.mouse.up()
        expect(page.locator("[data-belt]")).to_contain_text("steering pump at")
        expect(pulley).not_to_have_attribute("aria-valuenow", "185")
        self.assertGreater(int(str(pulley.get_attribute("aria-valuenow"))), 190)

    def test_every_drawing_in_every_look(self) -> None:
        self.hold_drawings(f"/builds/{self.build_of(demo('quarry-mule'))}/belts", ("Route", "Speeds, loads", "Pulleys"))


class Electrics(BrowserCase):
    def test_draws_stated_and_an_idle_tried(self) -> None:
        build = self.build_of(loom(loads=(*LOADS, ("aircon", "30 A"))))
        page = self.go(f"/builds/{build}/electrics/loads")
        card = page.locator("[data-loads]")
        expect(card).to_contain_text("It keeps its charge under way; idling on a wet night costs")
        self.slide(page.get_by_role("slider", name="Idle tried"), 1100)
        expect(card).to_contain_text("idling on a wet night too")
        with self.saved():
            card.get_by_role("button", name="Set it").click()
        self.go(f"/builds/{build}/engine")
        expect(self.fact("engine.idle_speed")).to_contain_text("1100 rpm")

    def test_cold_start_by_temperature(self) -> None:
        page = self.go(f"/builds/{self.build_of(loom(electrics__battery__amps='150 A'))}/electrics/cold")
        card = page.locator("[data-cold]")
        expect(card).to_contain_text(re.compile(r"At .20\s°C"))
        expect(card).to_contain_text("Lost in the battery")
        self.slide(page.get_by_role("slider", name="At", exact=True), 20)
        expect(card).to_contain_text(re.compile(r"At 20\s°C it is turned"))

    def test_a_fuse_above_its_wire_is_mended(self) -> None:
        page = self.go(f"/builds/{self.build_of(loom({**FAN, 'area': '2.5 mm2', 'fuse': '50 A'}))}/electrics/wires")
        card = page.locator("[data-wires]")
        expect(card).to_contain_text("the fuse is above its wire")
        with self.saved():
            card.get_by_role("button", name=re.compile("^Take ")).click()
        expect(card).to_contain_text("It holds.")
        with page.expect_download() as caught:
            card.get_by_role("button", name="Save as CSV").click()
        self.assertRegex(caught.value.suggested_filename, r"\.csv$")

    def test_a_load_is_listed(self) -> None:
        page = self.go(f"/builds/{self.build_of(loom(loads=()))}/electrics/lists")
        with self.saved():
            page.get_by_role("button", name="Add a load").click()
        with self.saved():
            self.pick("electrics.loads.load.what", "headlamps, a pair")
        self.tab("Draws")
        expect(page.locator("[data-loads]")).to_contain_text("headlamps, a pair")

    def test_every_drawing_in_every_look(self) -> None:
        self.hold_drawings(
            f"/builds/{self.build_of(demo('quarry-mule'))}/electrics",
            ("Draws", "Cold start", "Wires", "Signals", "Senders", "Choices", "What is fitted"),
        )
