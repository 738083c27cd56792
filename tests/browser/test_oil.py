"""Oil in a real browser, each from nothing: a pan typed in inches, a canted engine, a dry sump, a launch that heels."""

import re
import tempfile
from pathlib import Path

from playwright.sync_api import expect

from tests.browser.pages import BrowserCase
from tests.core.systems.oil.builds import WET
from tests.support import ROAD, changed

BARE = changed(ROAD, oil={})
RUN = changed(
    BARE,
    duties=[{"id": "run", "name": "Run", "kind": "run", "ambient": "20 C"}],
    engine__rated_power="150 kW",
    name="Hill car",
)
LAUNCH = {
    "name": "Launch",
    "machine": {"kind": "boat"},
    "engine": {"fuel": "diesel", "displacement": "1.6 L", "rated_power": "30 kW", "rated_speed": "3000 rpm"},
    "duties": [
        {"id": "reach", "name": "Reach", "kind": "boat", "speed_share": "70 %", "ambient": "25 C", "heel": "25 deg"}
    ],
}
OUTLINE = """<svg xmlns="http://www.w3.org/2000/svg" width="500mm" height="200mm" viewBox="0 0 500 200">
<path d="M20 20V170H240V80H480V20Z"/></svg>"""


class Oil(BrowserCase):
    def title(self, words: str | re.Pattern[str]) -> None:
        expect(self.page.get_by_role("heading", level=1)).to_contain_text(words)

    def open(self, group: str) -> None:
        """A group of facts of which nothing is stated."""
        self.page.get_by_role("button", name=group, exact=True).click()

    def pan(self, *sizes: str) -> None:
        self.pick("oil.pan.shape", "well at the rear (flywheel end)")
        for name, text in zip(("length", "width", "depth", "well_length", "shallow_depth"), sizes, strict=True):
            self.give(f"oil.pan.{name}", text)

    def test_a_pan_in_inches_from_a_sketch(self) -> None:
        page = self.go(f"/builds/{self.build_of(BARE)}/oil")
        expect(page.get_by_text("Give the pan's shape and size").first).to_be_visible()
        self.pan("18 1/8 in", '9 1/2"', "5 1/2 in", "9 7/16 in", "2 in")
        self.give("oil.pickup.x", "4 3/4 in")
        expect(self.fact("oil.pan.depth")).to_contain_text("5 1/2 in")
        self.title("Oil")
        expect(page.locator('[data-check="pan_volume"]')).to_be_visible()
        self.tab("As installed")
        installed = page.locator("[data-installed]")
        expect(installed.get_by_role("img", name=re.compile("as installed"))).to_be_visible()
        levels = page.get_by_role("region", name="Volume against height")
        expect(levels.get_by_role("row")).to_have_count(11)
        self.open("dipstick")
        self.give("oil.dipstick.x", "12 in")
        self.give("oil.dipstick.seat", "14 in")
        expect(installed).to_contain_text("Full, from the seat")
        expect(levels).to_contain_text("On the stick")

    def test_a_corner_dragged_and_an_outline_from_a_file(self) -> None:
        page = self.go(f"/builds/{self.build_of(ROAD)}/oil/installed")
        card = page.locator("[data-outline]")
        corner = card.get_by_role("slider", name="Corner 2")
        with self.saved():
            corner.press("ArrowDown")
        expect(
            self.page.locator('input[data-path="oil.pan.shape"]').locator("xpath=ancestor::*[@data-pick][1]")
        ).to_contain_text("own outline")
        expect(corner).to_have_attribute("aria-valuenow", "145")
        box = corner.bounding_box()
        assert box is not None
        page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
        page.mouse.down()
        page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2 + 12, steps=4)
        with self.saved():
            page.mouse.up()
        self.assertGreater(int(corner.get_attribute("aria-valuenow") or 0), 150)
        with tempfile.TemporaryDirectory() as folder:
            file = Path(folder) / "pan.svg"
            file.write_text(OUTLINE)
            with self.saved():
                card.get_by_label("Outline from a file").set_input_files(file)
            expect(corner).to_have_attribute("aria-valuenow", "150")
            file.write_text(OUTLINE.replace("V170H240", "V170H500L20 60"))
            card.get_by_label("Outline from a file").set_input_files(file)
            expect(card.get_by_role("alert")).to_contain_text("crosses itself")
        with page.expect_download() as waited:
            card.get_by_role("button", name="DXF").click()
        self.assertTrue(waited.value.suggested_filename.endswith("pan.dxf"))
        with self.saved():
            card.get_by_role("button", name="Full depth").click()
        expect(card.get_by_role("slider")).to_have_count(4)

    def test_a_canted_transverse_engine(self) -> None:
        """Canted twelve degrees, its pan's floor made level: the mouth leans, and an adapter of that angle is said."""
        page = self.go(f"/builds/{self.build_of(BARE)}/oil/installed")
        self.pan("460 mm", "240 mm", "140 mm", "240 mm", "50 mm")
        self.give("oil.pickup.x", "120 mm")
        folded = page.get_by_role("button", name=re.compile(r"^\d+ more"))
        while folded.count():
            folded.first.click()
        self.give("installation.engine_yaw", "90")
        self.give("installation.engine_roll", "12")
        self.give("oil.pan.floor_roll", "-12 deg")
        self.give("oil.pickup.drop", "131 mm")
        self.give("oil.pickup.mouth_roll", "0 deg")
        installed = page.locator("[data-installed]")
        expect(installed).to_contain_text("The mouth leans 12°")
        expect(page.get_by_text(re.compile("an adapter of that angle sets it parallel")).first).to_be_visible()
        expect(page.locator('[data-check="pickup_floor"]')).to_contain_text("over the floor")
        expect(page.get_by_text("transverse").first).to_be_visible()

    def test_a_dry_sumped_hillclimb_car(self) -> None:
        page = self.go(f"/builds/{self.build_of(RUN)}/oil/sumps")
        self.pick("oil.sump", "dry, with a tank")
        self.pick("oil.tank.shape", "round, upright")
        for path, text in (
            ("oil.scavenge.stages", "3"),
            ("oil.scavenge.displacement", "20 cc"),
            ("oil.tank.across", "8 in"),
            ("oil.tank.height", "16 in"),
            ("oil.oil_quantity", "9 L"),
        ):
            self.give(path, text)
        for check in ("tank_outlet", "scavenge", "tank_residence", "tank_fill"):
            expect(page.locator(f'[data-check="{check}"]')).to_be_visible()
        expect(page.locator('[data-check="pickup"]')).to_have_count(0)
        expect(page.get_by_role("region", name="Marks of the sight tube").get_by_role("row")).to_have_count(9)
        self.type_fact("oil.oil_quantity", "40 L")
        expect(page.get_by_text("more than the whole tank holds").first).to_be_visible()

    def test_a_launch_that_heels(self) -> None:
        """Heeled 25 degrees a shallow pan's pickup is bare on one side; a deeper filling or another pickup is told by name."""
        page = self.go(f"/builds/{self.build_of(LAUNCH)}/oil")
        self.pick("oil.pan.shape", "one depth all along: deep, or flat and dry")
        for path, text in (
            ("oil.pan.length", "420 mm"),
            ("oil.pan.width", "260 mm"),
            ("oil.pan.depth", "90 mm"),
            ("oil.pickup.x", "210 mm"),
            ("oil.oil_quantity", "3.5 L"),
        ):
            self.give(path, text)
        self.title("fails")
        expect(page.locator('[data-check="pickup"]')).to_contain_text("leaning as it does")
        self.give("oil.oil_quantity", "9 L")
        expect(page.locator('[data-check="pickup"]').get_by_role("img", name=re.compile("holds$"))).to_be_visible()
        self.tab("Priming")
        expect(page.locator("[data-priming]")).to_contain_text("nobody in line with the holes")
        self.tab("Returns")
        expect(page.locator("[data-returns]")).to_contain_text("Give bore, length and number")

    def test_every_drawing_holds_its_page(self) -> None:
        tabs = ("In the pan", "As installed", "Pressure", "Returns", "Wet or dry", "Priming")
        self.hold_drawings(f"/builds/{self.build_of(WET)}/oil", tabs)
