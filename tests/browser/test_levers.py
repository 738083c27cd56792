"""Driveline and controls in a browser: drawn, what cannot be said by name, mended by the button beside it."""

from playwright.sync_api import expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import BrowserCase
from tests.core.systems.controls.builds import CABLE, LEVER, PEDAL, VACUUM
from tests.core.systems.controls.builds import build as controls
from tests.core.systems.driveline.builds import CLUTCH, INPUT, STACK, build, part
from tests.core.systems.driveline.test_lines import HALF, SHAFT


class Driveline(BrowserCase):
    def test_a_spacer_puts_the_bearing_right(self) -> None:
        """At rest 7 mm free: 5 mm of spacer leave 2; the section is redrawn and the chain says so."""
        raw = build(**CLUTCH, **{**STACK, "adapter": "16.5 mm"}, **INPUT)
        page = self.go(f"/builds/{self.build_of(raw)}/driveline/stack")
        card = page.locator("[data-stack]")
        expect(card.get_by_role("status")).to_contain_text("7 mm free before the fingers")
        with self.saved():
            card.get_by_role("button", name="Try that spacer").click()
        expect(card.get_by_role("status")).to_contain_text("2 mm free before the fingers")

    def test_gearboxes_beside_each_other(self) -> None:
        six = part("boxes", called="Six", ratios="3.2\n1.9\n1.3\n1.0\n0.8\n0.62")
        page = self.go(f"/builds/{self.build_of(build(six))}/driveline/gears")
        card = page.locator("[data-gears]")
        expect(card.get_by_role("columnheader", name="Six")).to_be_visible()
        self.choose(self.choice("Gearbox", card), "Six")
        expect(card.get_by_role("region", name="Gear by gear")).to_contain_text("0.62")

    def test_shafts_and_half_shafts(self) -> None:
        raw = build(
            part("shafts", **SHAFT),
            part("halves", **HALF, stub="60 mm", room="40 mm"),
            out_falls="3 deg",
            pinion_falls="2 deg",
        )
        page = self.go(f"/builds/{self.build_of(raw)}/driveline/shafts")
        expect(page.locator("[data-shafts]")).to_contain_text("as one joint bent 2.2°")
        page.get_by_role("tab", name="Half-shafts").click()
        expect(page.locator("[data-halves]")).to_contain_text("does not go in with the engine there")

    def test_no_serious_faults(self) -> None:
        tabs = ("Stack", "Gears", "What carries", "Propshafts", "Its oil", "Parts")
        self.hold_drawings(f"/builds/{self.build_of(demo('quarry-mule'))}/driveline", tabs)
        self.hold_drawings(f"/builds/{self.build_of(demo('chalk-hare'))}/driveline", ("Half-shafts",))


class Controls(BrowserCase):
    def test_no_serious_faults(self) -> None:
        tabs = ("Throttle", "Brakes", "Clutch", "Shifter", "Steering", "Small ones")
        self.hold_drawings(f"/builds/{self.build_of(demo('quarry-mule'))}/controls", tabs)

    def test_a_wheel_that_opens_it(self) -> None:
        page = self.go(f"/builds/{self.build_of(controls(**CABLE))}/controls/throttle")
        card = page.locator("[data-throttle]")
        expect(card.get_by_role("status")).to_contain_text("opens it 68° of 85°")
        with self.saved():
            card.get_by_role("button", name="Try a wheel of").click()
        expect(card.get_by_role("status")).to_contain_text("opens it fully")

    def test_applications_by_height(self) -> None:
        page = self.go(f"/builds/{self.build_of(controls(**VACUUM))}/controls/brakes")
        expect(page.locator("[data-vacuum]").get_by_role("status")).to_contain_text(
            "3 whole applications with the engine dead, 1 at 2000 m"
        )

    def test_clutch_and_knob(self) -> None:
        raw = controls(**PEDAL, **LEVER, ahead_gap="60 mm")
        page = self.go(f"/builds/{self.build_of(raw)}/controls/clutch")
        expect(page.locator("[data-clutch]").get_by_role("status")).to_contain_text("12 mm of 12.5 mm asked")
        page.get_by_role("tab", name="Shifter").click()
        expect(page.locator("[data-shifter]").get_by_role("status")).to_contain_text(
            "least room in 1, 10 mm to what is ahead"
        )

    def test_a_small_control_is_listed(self) -> None:
        raw = controls(machine={"gearbox": "automatic"}, clutch=False)
        page = self.go(f"/builds/{self.build_of(raw)}/controls/small")
        card = page.locator("[data-aids]")
        with self.saved():
            card.get_by_role("button", name="list it: kickdown").click()
        expect(card.get_by_role("region", name="Small controls")).to_contain_text("kickdown")
