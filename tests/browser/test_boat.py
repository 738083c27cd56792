"""Boats in a real browser: a mussel smack from nothing, the launch whole, the wet exhaust dragged and heeled."""

import re

from playwright.sync_api import expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import BrowserCase
from tests.core.systems.boat.builds import boat

# What is read off the smack with a clear hose and a tape, in the order of the round.
SMACK = {
    "boat.raw_pump.displacement": "20 cc",
    "boat.suction.bore": "32 mm",
    "boat.manifold_over": "120 mm",
    "boat.riser_over": "520 mm",
    "boat.injection_over": "240 mm",
    "boat.silencer.length": "360 mm",
    "boat.silencer.width": "320 mm",
    "boat.silencer.height": "320 mm",
    "boat.silencer.lip": "230 mm",
    "boat.silencer_over": "-200 mm",
    "boat.hose.bore": "63 mm",
    "boat.high_over": "740 mm",
    "boat.outlet_over": "260 mm",
}


class Boats(BrowserCase):
    def test_a_mussel_smack_from_nothing(self) -> None:
        """Five facts and the sails, the size of everything; then what is read off her, until the siphon break is all that is short."""
        page = self.go("/new")
        page.get_by_label("Name").fill("Shell gatherer")
        self.choose(self.choice("Machine", page), "boat")
        self.choose(self.choice("Fuel", page), "diesel")
        self.choose(self.choice("Sails", page), "sails too, or motor-sails")
        for name, text in (
            ("power", "36 kW"),
            ("speed", "2800 rpm"),
            ("displacement", "2.2 L"),
            ("mass", "6.8 t"),
            ("waterline", "8 m"),
            ("sea", "19 C"),
            ("heel", "25 deg"),
        ):
            page.locator(f'input[name="{name}"]').fill(text)
        self.follow(page.get_by_role("button", name="To the bench"), "**/builds/*")
        heading = page.get_by_role("heading", level=1)
        expect(heading).to_contain_text("36 kW takes a heat exchanger of")
        expect(heading).to_contain_text("raw water")
        self.follow(self.station("Machine"), "**/duties")
        expect(page.get_by_role("region", name="Motor-sailing, heeled")).to_contain_text("25°")
        expect(page.get_by_role("region", name="Astern at the quay")).to_be_visible()
        self.follow(self.station("Boat"), "**/boat")
        expect(heading).to_contain_text("Boat is not known yet")
        page.get_by_role("button", name=re.compile("more: not given")).click()
        for path, text in SMACK.items():
            self.give(path, text)
        self.pick("boat.siphon", "none")
        expect(heading).to_contain_text("over")
        expect(page.locator("[data-wet]")).to_contain_text("Siphon break: danger")
        self.pick("boat.siphon", "fitted, with a valve or a bleed")
        self.pick("boat.siphon_sits", "between the exchanger or pump and the injection")
        self.pick("boat.siphon_top", "at the very top of its loop")
        self.give("boat.siphon_over", "900 mm")
        expect(page.locator("[data-wet]")).to_contain_text("All that is stated keeps the sea out")
        self.follow(self.station("Cooling"), "**/cooling")
        expect(self.fact("cooling.core.width")).to_have_count(0)
        self.give("cooling.exchanger.conductance", "1500 W/K")
        expect(heading).to_contain_text("Cooling holds")
        expect(page.locator("[data-exchanger]")).to_contain_text("Motor-sailing, heeled")

    def test_the_exhaust_dragged_and_set(self) -> None:
        """A riser stepped up by keys answers at once, is a what-if until it is set, and goes back."""
        page = self.go(f"/builds/{self.build_of(boat(riser_over='450 mm'))}/boat/exhaust")
        row = page.locator('[data-wet] tr[data-row-key="riser"]')
        was = str(row.text_content())
        riser = page.get_by_role("slider", name="riser's top")
        riser.press("Shift+ArrowUp")
        riser.press("Shift+ArrowUp")
        expect(row).not_to_have_text(was)
        page.get_by_role("button", name="As it was").click()
        expect(page.get_by_role("button", name="Set it so")).to_have_count(0)
        expect(row).to_have_text(was)
        box = page.get_by_role("slider", name="hose's highest place").bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x, y - 15)
        page.mouse.move(x, y - 30)
        page.mouse.up()
        with self.saved():
            page.get_by_role("button", name="Set it so").click()
        found = re.search(r"([\d.]+)\s*mm", str(self.fact("boat.high_over").text_content()))
        assert found is not None
        self.assertGreater(float(found[1]), 850.0)

    def test_heeled(self) -> None:
        """Picked, the points move over the sea; the silencer's water is drawn at rest alone."""
        page = self.go(f"/builds/{self.build_of(boat())}/boat/exhaust")
        drawing = page.get_by_role("group", name="Side view of the wet exhaust")
        expect(drawing).to_contain_text("800 mm")
        self.choose(self.choice("Position", page), "heeled to port, stern down")
        expect(drawing).not_to_contain_text("800 mm")
        expect(page.locator("[data-wet]")).to_contain_text("20° to port")

    def test_the_launch_whole(self) -> None:
        page = self.go("/builds/reed-otter/boat/raw")
        expect(page.locator("[data-raw]")).to_contain_text("By the rule, at full revs")
        for tab, words in (
            ("Wet exhaust", "keeps the sea out, leaning"),
            ("Propeller", "The rule of a repower"),
            ("Coupling", "Front feet"),
            ("Room, flooding", "What takes it out again"),
        ):
            self.tab(tab)
            expect(page.locator("main")).to_contain_text(words)
        self.go("/builds/reed-otter/exhaust")
        expect(page.get_by_role("heading", level=1)).to_contain_text("it is wet: Boat judges it")
        expect(page.get_by_role("navigation", name="Stations").get_by_role("link", name="Exhaust")).to_have_count(0)
        self.go("/builds/quarry-mule")
        expect(page.get_by_role("navigation", name="Stations").get_by_role("link", name="Boat")).to_have_count(0)

    def test_every_drawing_in_every_look(self) -> None:
        build = self.build_of(demo("reed-otter"))
        self.hold_drawings(
            f"/builds/{build}/boat", ("Wet exhaust", "Raw water", "Propeller", "Coupling", "Room, flooding")
        )
        self.go(f"/builds/{build}/cooling")
        self.hold("Cooling afloat")
