"""Signals, senders, the speed signal and the routing ledger in a browser: said, pasted, matched, routed."""

import re

from playwright.sync_api import expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import BrowserCase
from tests.core.systems.electrics.builds import loom
from tests.core.systems.electrics.test_signals import ALL, pin, sender, wired
from tests.core.systems.routes.test_routes import joint, routed, run
from tests.services.test_pins import long_list


class Signals(BrowserCase):
    def test_a_signal_said_missing_stops_it(self) -> None:
        page = self.go(f"/builds/{self.build_of(wired(*(pin(id) for id in ALL)))}/electrics/signals")
        card = page.locator("[data-signals]")
        expect(card).to_contain_text("It starts and runs as it should.")
        with self.saved():
            self.press_in(card.get_by_role("button", name="Say of crank position"), "Nothing: it is not there")
        expect(card).to_contain_text("It does not start: the crank position is missing.")
        with self.saved():
            self.press_in(card.get_by_role("button", name="Say of crank position"), "The real thing, works")
        expect(card).to_contain_text("It starts and runs as it should.")

    def test_one_that_no_pin_is_listed_for(self) -> None:
        page = self.go(f"/builds/{self.build_of(loom())}/electrics/signals")
        card = page.locator("[data-signals]")
        expect(card).to_contain_text("Nothing is listed yet")
        with self.saved():
            self.press_in(card.get_by_role("button", name="Say of supply, always on"), "The real thing, works")
        expect(card.get_by_role("region", name="Without it it does not start")).to_contain_text("there")

    def test_a_pin_list_is_pasted(self) -> None:
        page = self.go(f"/builds/{self.build_of(loom())}/electrics/signals")
        card = page.locator("[data-signals]")
        card.get_by_label("Pin list", exact=True).fill(long_list())
        card.get_by_role("button", name="Read it").click()
        expect(card).to_contain_text("107 pins read")
        expect(card.get_by_role("region", name="Odd lines")).to_contain_text("is not known by that name")
        with self.saved():
            card.get_by_role("button", name="Take 107 pins").click()
        expect(card.get_by_role("region", name="Ways to a loom")).to_be_visible()
        expect(card).to_contain_text("mystery box")


class Senders(BrowserCase):
    def test_resistors_that_match_are_taken(self) -> None:
        own = sender("level", "0 %, 0.5 ohm\n100 %, 90 ohm", "0 %, 10 ohm\n100 %, 73 ohm")
        page = self.go(f"/builds/{self.build_of(wired(own))}/electrics/senders")
        card = page.locator("[data-senders]")
        expect(card).to_contain_text("27 % high at worst")
        with self.saved():
            card.get_by_role("button", name="Take the resistors that match").click()
        expect(card).to_contain_text(re.compile("It reads 5.* at worst"))

    def test_a_converter_is_taken(self) -> None:
        made = wired()
        made["parts"].append({"role": "electrics.speed", "facts": {"teeth": "4", "final": "3.9", "radius": "308 mm", "wants": "4971"}})  # fmt: skip
        page = self.go(f"/builds/{self.build_of(made)}/electrics/senders")
        card = page.locator("[data-speed]")
        expect(card).to_contain_text("8,061 pulses a km come")
        with self.saved():
            card.get_by_role("button", name="Take 5 for 8").click()
        expect(card).to_contain_text("1.4 % over")


class Routes(BrowserCase):
    def test_one_stated_elsewhere_is_routed(self) -> None:
        page = self.go(f"/builds/{self.build_of(routed(run('oil', '1 m', '2 m')))}/routes")
        card = page.locator("[data-ledger]")
        expect(card).to_contain_text("2 stated and not routed")
        with self.saved(writes=2):
            card.get_by_role("button", name="route it: Starter lead").click()
        expect(card).to_contain_text("1 stated and not routed")
        with page.expect_download() as caught:
            card.get_by_role("button", name="Save as CSV").click()
        self.assertRegex(caught.value.suggested_filename, r"\.csv$")

    def test_a_hole_and_what_goes_in_it(self) -> None:
        made = routed(joint("thread", male="npt_1_8", female="m_10x1", where="oil take-off"))
        page = self.go(f"/builds/{self.build_of(made)}/routes/joints")
        card = page.locator("[data-joints]")
        expect(card).to_contain_text("starts, and binds after 2.5 turns")
        expect(card.get_by_role("region", name="Threads near it")).to_contain_text("M10 x 1")

    def test_every_drawing_in_every_look(self) -> None:
        made = demo("quarry-mule")
        self.hold_drawings(f"/builds/{self.build_of(made)}/routes", ("Ledger", "Joints, threads", "What is fitted"))
