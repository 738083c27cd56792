"""Fit in a real browser: from nothing to a place that holds, by hand, by key and by search; a shape from a file."""

import re
import tempfile
from pathlib import Path

import trimesh
from playwright.sync_api import expect

from tests.browser.pages import PHONE, BrowserCase
from tests.core.systems.fit.builds import FIVE, fitted
from tests.support import ROAD, changed, demo_document

TRUCK = changed(ROAD, machine__kind="truck", machine__mass="2350 kg") | {"name": "Yard truck"}
HARE = demo_document("chalk-hare") | {"name": "Second hare"}


class FromNothing(BrowserCase):
    def five(self, build: str, sizes: dict[str, str]) -> None:
        """Tape after tape, from not started to an answer."""
        page = self.go(f"/builds/{build}/fit")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Fit is not started")
        for path, text in sizes.items():
            self.give(f"fit.{path}", text)
        expect(page.get_by_role("heading", level=1)).to_contain_text(
            re.compile(r"In the middle it goes in, [\d.]+.mm to spare")
        )

    def test_the_truck(self) -> None:
        """Five tapes, a place set, moved by keys and by hand, the best place sought and gone to."""
        page = self.page
        self.five(
            self.build_of(TRUCK),
            FIVE | {"unit.length": "702 mm", "unit.cover": "17 1/4 in", "bay.length": "1024 mm", "bay.edge": "1012 mm"},
        )
        lies = page.locator("[data-lie]")
        expect(lies.get_by_text("No place is stated yet")).to_be_visible()
        with self.saved():
            lies.get_by_role("button", name="Set this place").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text(re.compile("^Goes in"))
        gaps = lies.get_by_role("listitem")
        before = gaps.first.inner_text()
        side = lies.get_by_role("img", name=re.compile("From the side"))
        side.focus()
        for key in ("ArrowUp", "Shift+ArrowUp", "Shift+ArrowUp"):
            page.keyboard.press(key)
        expect(lies.get_by_role("status").filter(has_text="Held 21")).to_contain_text("up")
        self.settle()
        expect(gaps.first).not_to_have_text(before)
        box = side.bounding_box()
        assert box is not None
        page.mouse.move(box["x"] + 200, box["y"] + 120)
        page.mouse.down()
        page.mouse.move(box["x"] + 220, box["y"] + 120, steps=4)
        page.mouse.up()
        expect(lies.get_by_role("status").filter(has_text="Held")).to_contain_text("back")
        height = self.fact("fit.crank_height").inner_text()
        with self.saved():
            lies.get_by_role("button", name="Set this place").click()
        expect(self.fact("fit.crank_height")).not_to_have_text(height)
        self.tab("Window")
        expect(page.locator("[data-window]").get_by_role("img", name=re.compile("of it holds"))).to_be_visible()
        best = page.locator("[data-best]")
        best.get_by_role("button", name="Seek the best place").click()
        expect(best.get_by_text("at best")).to_be_visible(timeout=60_000)
        expect(best.get_by_role("img", name=re.compile("^Weights"))).to_be_visible()
        expect(best.get_by_text("One move at a time")).to_be_visible()
        with self.saved():
            best.get_by_role("button", name="Go there").click()
        expect(best.get_by_text("Of the build before the last change")).to_be_visible()

    def test_the_hillclimb_car(self) -> None:
        """Rear-facing: the same five tapes, and the way out, which tells what must be off."""
        page = self.page
        build = self.build_of(HARE)
        self.five(
            build, FIVE | {"unit.length": "560 mm", "bay.length": "900 mm", "bay.rails": "780 mm", "bay.edge": "760 mm"}
        )
        self.tab("In and out")
        ways = page.locator("[data-way]")
        ways.get_by_role("button", name="Seek the way").click()
        expect(ways.get_by_role("listitem").first).to_contain_text(re.compile("From (above|below)"), timeout=60_000)
        self.tab("Hands")
        expect(page.get_by_role("row").filter(has_text="Drain plug")).to_contain_text(re.compile("reached|raised"))
        self.tab("Chains")
        expect(page.get_by_role("row").filter(has_text="Behind the bell's face")).to_be_visible()

    def test_four_tapes_name_the_fifth(self) -> None:
        build = self.build_of(changed(ROAD, fit={k: v for k, v in FIVE.items() if k != "bay.edge"}))
        page = self.go(f"/builds/{build}/fit")
        expect(page.locator('[data-check="gaps"]')).to_contain_text("Missing: edge over the floor")
        expect(page.locator("[data-lie]")).to_contain_text("Five tapes begin it")


class Shapes(BrowserCase):
    def test_a_scan_is_put_in_and_seen(self) -> None:
        build = self.build_of(fitted())
        page = self.go(f"/builds/{build}/fit/things")
        card = page.locator("[data-file]")
        with tempfile.TemporaryDirectory() as name:
            good, bad = Path(name) / "bracket.stl", Path(name) / "bracket.step"
            block = trimesh.creation.box([120, 80, 60])
            block.apply_translation([150, 0, 200])
            good.write_bytes(bytes(block.export(file_type="stl")))
            bad.write_text("nothing")
            card.get_by_label("Mesh or outline").set_input_files(bad)
            expect(card.get_by_role("alert")).to_contain_text(
                "STL and OBJ meshes, DXF outlines and CSV points are taken"
            )
            bad.with_suffix(".dxf").write_text("nothing")
            card.get_by_label("Mesh or outline").set_input_files(bad.with_suffix(".dxf"))
            expect(card.get_by_role("alert")).to_contain_text("This is no DXF file")
            card.get_by_label("Mesh or outline").set_input_files(good)
            expect(card).to_contain_text("1 piece of 8 corners from 12 faces")
            with self.saved(writes=2):
                card.get_by_role("button", name="Put it in").click()
        expect(page.get_by_text("other metal").first).to_be_visible()
        self.tab("Lies")
        expect(page.locator("[data-lie]").get_by_text("other metal").first).to_be_attached()

    def test_the_scene_is_taken_out(self) -> None:
        page = self.go("/builds/quarry-mule/fit/things")
        for label, ending in (("STL", ".stl"), ("CSV", ".csv")):
            with page.expect_download() as got:
                page.locator("[data-file]").get_by_role("button", name=label).click()
            self.assertEqual(got.value.suggested_filename, f"quarry-mule-fit{ending}")


class Looked(BrowserCase):
    def test_every_drawing_holds_its_page(self) -> None:
        self.hold_drawings("/builds/quarry-mule/fit", ("Lies", "Window", "In and out", "Hands", "Things", "Chains"))

    def test_the_round_in_a_bay_on_a_phone(self) -> None:
        """Sketches with letters for the tape; what is read goes in as taped and the next is asked."""
        phone = self.new_window(viewport=PHONE, has_touch=True)
        self.addCleanup(phone.close)
        self.page = phone.new_page()
        page = self.go(f"/builds/{self.build_of(changed(ROAD, fit=FIVE))}/round")
        expect(page.get_by_role("img", name=re.compile("Bay from its left"))).to_be_visible()
        expect(page.get_by_role("img", name=re.compile("Engine from its left"))).to_be_visible()
        expect(page.get_by_role("img", name=re.compile("Underneath"))).to_be_visible()
        wide = page.evaluate("document.documentElement.scrollWidth - innerWidth")
        self.assertLessEqual(wide, 0)
