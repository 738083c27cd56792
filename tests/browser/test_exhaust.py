"""Exhaust, air and the fan in a jam in a real browser: a piece split, flattened and dragged, a run from a list, heat, water."""

import re
import tempfile
from pathlib import Path

from playwright.sync_api import Locator, expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import BrowserCase
from tests.support import ROAD, changed

RUN = "piece,diameter,length,bends\nturbine,63.5 mm,120 mm,\npipe,63.5 mm,1.1 m,90 deg\nstraight,63.5 mm,450 mm,\n"


class Exhaust(BrowserCase):
    def truck(self) -> str:
        return self.build_of(demo("quarry-mule"))

    def pieces(self) -> Locator:
        return self.page.locator("[data-pipe] rect.pipe")

    def test_a_piece_split_flattened_and_lengthened_by_keys(self) -> None:
        page = self.go(f"/builds/{self.truck()}/exhaust/pipe")
        expect(self.pieces()).to_have_count(6)
        self.pieces().nth(3).click()
        acts = page.get_by_role("group", name="Piece 4")
        with self.saved():
            acts.get_by_role("button", name="Split").click()
        expect(self.pieces()).to_have_count(7)
        expect(acts).to_contain_text("600 mm")
        with self.saved():
            acts.get_by_role("button", name="Press oval").click()
        expect(acts.get_by_role("button", name="Round again")).to_be_visible()
        with self.saved():
            self.pieces().nth(3).press("ArrowRight")
        expect(acts).to_contain_text("610 mm")
        with self.saved():
            self.pieces().nth(3).press("ArrowUp")
        expect(page.locator("[data-pipe]")).to_contain_text("82.6 mm")

    def test_a_length_dragged(self) -> None:
        page = self.go(f"/builds/{self.truck()}/exhaust/pipe")
        self.pieces().nth(3).click()
        grip = page.get_by_role("slider", name="Length of piece 4")
        grip.scroll_into_view_if_needed()
        box = grip.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        with self.saved():
            page.mouse.move(x, y)
            page.mouse.down()
            page.mouse.move(x + 12, y)
            page.mouse.move(x + 24, y)
            page.mouse.up()
        said = str(page.get_by_role("group", name="Piece 4").text_content())
        found = re.search(r"(\d[\d,]*)\smm", said)
        assert found is not None, said
        self.assertGreater(int(found[1].replace(",", "")), 1200)

    def test_a_run_from_a_list_and_its_cuts(self) -> None:
        page = self.go(f"/builds/{self.build_of(changed(ROAD, exhaust={}))}/exhaust/cuts")
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "run.csv"
            path.write_text(RUN)
            with self.saved():
                page.get_by_label("The run from a CSV file").set_input_files(str(path))
            expect(page.locator("[data-cuts]")).to_contain_text("4 cuts")
            path.write_text("piece,length\ntrumpet,1 m\n")
            page.get_by_label("The run from a CSV file").set_input_files(str(path))
            expect(page.get_by_role("alert")).to_contain_text("trumpet")
        with page.expect_download() as found:
            page.get_by_role("button", name="Take it out as CSV").click()
        self.assertIn("turbine,63.5 mm", Path(found.value.path()).read_text())
        with page.expect_download() as found:
            page.get_by_role("button", name="Save as CSV").click()
        self.assertIn("bend", Path(found.value.path()).read_text())

    def test_a_neighbour_added_and_what_it_needs(self) -> None:
        page = self.go(f"/builds/{self.build_of(ROAD)}/exhaust/heat")
        expect(page.get_by_text("Nothing is stated beside the pipe.")).to_be_visible()
        with self.saved():
            page.get_by_role("button", name="Add a neighbour").click()
        place = "exhaust.neighbours.neighbour"
        self.pick(f"{place}.what", "loom")
        self.give(f"{place}.along", "400 mm")
        self.give(f"{place}.gap", "12 mm")
        heat = page.locator("[data-heat]")
        expect(heat).to_contain_text("bright sheet")
        expect(heat.get_by_role("region", name="Beside the pipe").get_by_role("row")).to_have_count(2)
        self.tab("Gas in the cabin")
        expect(page.locator("[data-gas]")).to_contain_text("Over 30 ppm")
        self.tab("Sizes and ways")
        expect(page.locator("[data-layouts]")).to_contain_text("crossover")
        expect(page.locator("[data-primaries]")).to_contain_text("Collector")


class Air(BrowserCase):
    def test_from_nothing_to_what_the_way_in_costs(self) -> None:
        page = self.go(f"/builds/{self.build_of(ROAD)}/air/intake")
        expect(page.get_by_text("Give the area of the filter's medium").first).to_be_visible()
        self.give("air.filter.area", "0.8 m2")
        self.give("air.pipe.bore", "70 mm")
        expect(page.locator("[data-intake]")).to_contain_text("What would give back most")
        page.get_by_role("button", name=re.compile("more: not given")).first.click()
        self.pick("air.draws", "cold feed, sealed from the engine space")
        expect(page.locator("[data-intake]")).not_to_contain_text("With a cold feed")

    def test_water_dragged_over_the_inlet(self) -> None:
        page = self.go(f"/builds/{self.build_of(demo('quarry-mule'))}/air/water")
        card = page.locator("[data-water]")
        expect(card).to_contain_text("The inlet stays")
        slider = card.get_by_role("slider", name="Still water")
        slider.focus()
        slider.press("End")
        expect(card).to_contain_text("under the wave")

    def test_the_engine_space_told_to_the_exhaust(self) -> None:
        page = self.go(f"/builds/{self.build_of(demo('quarry-mule'))}/air/space")
        card = page.locator("[data-space]")
        expect(card).to_contain_text("at its hottest")
        with self.saved():
            card.get_by_role("button", name=re.compile("Let it count")).click()
        expect(card).not_to_contain_text("15 K over outside on the move")


class Jam(BrowserCase):
    def test_what_a_lost_sensor_does(self) -> None:
        page = self.go(f"/builds/{self.build_of(demo('quarry-mule'))}/cooling/time")
        jam = page.locator("[data-jam]")
        expect(jam).to_contain_text("half speed taken")
        self.pick("cooling.fan_sensor_lost", "at full speed")
        expect(jam.get_by_role("row", name=re.compile("sensor lost"))).not_to_contain_text("half speed taken")
        self.pick("cooling.fan_by", "hand")
        expect(jam).to_contain_text("forgotten")
