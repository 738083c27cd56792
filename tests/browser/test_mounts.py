"""Mounts and weights in a real browser: from nothing to a rock, a bracket that holds, a level hook; an aircraft's banner."""

import re

from playwright.sync_api import expect

from tests.browser.pages import BrowserCase
from tests.core.systems.mounts.builds import THREE, bracket, on
from tests.core.systems.weights.test_weights import OLD, SLUNG, WEIGHED
from tests.support import ROAD

WEAK = bracket(holds="1", shape="flat", wide="60 mm", wall="4 mm", throat="2 mm")


class Mounts(BrowserCase):
    def test_from_nothing(self) -> None:
        """Usual mounts rock it until they are stated; one alone holds nothing, and that is said."""
        page = self.go(f"/builds/{self.build_of(ROAD)}/mounts")
        expect(page.get_by_role("heading", level=1)).to_contain_text(
            re.compile(r"Mounts are not stated: on usual ones it rocks [\d.]+°")
        )
        expect(page.get_by_text("These begin it: mount")).to_be_visible()
        self.tab("Mounts")
        with self.saved():
            page.get_by_role("button", name="Add a mount").click()
        for name, text in (("ahead", "500 mm"), ("left", "280 mm"), ("over", "0 mm")):
            self.give(f"mounts.mounts.mount.{name}", text)
        self.tab("Held")
        expect(page.get_by_role("heading", level=1)).to_contain_text("three at least hold an engine")

    def test_a_bracket_that_holds(self) -> None:
        """Loads answer the case picked; a plate that is too weak gives way to one that is sold and holds."""
        page = self.go(f"/builds/{self.build_of(on(*THREE, WEAK))}/mounts/loads")
        expect(page.get_by_role("heading", level=1)).to_contain_text("bracket 1: ")
        loads = page.locator("[data-loads]")
        row = loads.get_by_role("row").filter(has_text="Mount 2")
        expect(loads).to_contain_text(re.compile(r"Pulling away in first: it rocks [\d.]+°"))
        before = row.inner_text()
        self.choose(self.choice("Load case", loads), "Over a bump")
        expect(loads).to_contain_text(re.compile(r"Over a bump: it sinks [\d.]+.mm"))
        expect(row).not_to_have_text(before)
        self.tab("Soft or firm")
        expect(page.locator("[data-schools]").get_by_role("row").filter(has_text="polyurethane").first).to_be_visible()
        self.tab("Shake")
        expect(page.locator("[data-shake]")).to_contain_text("of its shake passes")
        self.tab("Brackets")
        card = page.locator("[data-brackets]")
        with self.saved():
            card.get_by_role("row").filter(has_text="box").get_by_role("button", name="Try it").click()
        expect(
            page.locator('[data-check="shock_bracket"]').get_by_role("img", name=re.compile("holds$"))
        ).to_be_visible()
        self.tab("Feet")
        expect(page.locator("[data-feet]")).to_contain_text("Fit has no place for the engine yet")

    def test_every_drawing_holds_its_page(self) -> None:
        self.hold_drawings(
            "/builds/quarry-mule/mounts", ("Held", "Soft or firm", "Shake", "Brackets", "Feet", "Mounts")
        )


class Weights(BrowserCase):
    def test_a_level_hook(self) -> None:
        """What hangs aslant is levelled by one press; the ledger says what stands where."""
        raw = on(*OLD, **(WEIGHED | SLUNG | {"weights__ring_ahead": "300 mm", "machine__mass": "1500 kg"}))
        page = self.go(f"/builds/{self.build_of(raw)}/weights/lifting")
        card = page.locator("[data-lifting]")
        expect(card).to_contain_text(re.compile(r"It hangs [\d.]+° front up"))
        with self.saved():
            card.get_by_role("button", name="Put the ring there").click()
        expect(card).to_contain_text("It hangs level")
        self.tab("Ledger")
        expect(page.get_by_role("heading", level=1)).to_contain_text(
            re.compile(r"in front, \d+.kg behind after the swap")
        )
        ledger = page.locator("[data-ledger]")
        expect(ledger.get_by_role("row").filter(has_text="New engine and gearbox")).to_contain_text("+ 218")
        with self.saved():
            ledger.get_by_role("button", name="as the machine’s weight").click()
        expect(ledger.get_by_role("button", name="as the machine’s weight")).to_be_hidden()

    def test_an_aircraft_says_who_decides(self) -> None:
        for path in ("", "/weights/moments", "/cooling", "/need", "/round"):
            page = self.go(f"/builds/thistle-kite{path}")
            expect(page.get_by_role("note").first).to_contain_text("the airworthiness authority and licensed people")
        page = self.go("/builds/thistle-kite/weights/moments")
        expect(page.locator("[data-moments]").get_by_role("row").filter(has_text="tanks full")).to_contain_text(
            "inside"
        )
        page = self.go("/builds/quarry-mule")
        expect(page.get_by_text("Advisory arithmetic only")).to_be_hidden()

    def test_every_drawing_holds_its_page(self) -> None:
        self.hold_drawings("/builds/quarry-mule/weights", ("Ledger", "Lifting", "Scales", "In and out"))
        self.hold_drawings("/builds/thistle-kite/weights", ("Moments",))
