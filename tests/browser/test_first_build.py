"""From five facts to a verdict, in a real browser."""

import json
import re
import tempfile
from pathlib import Path

from playwright.sync_api import expect

from gauge_well.sheet.starter import starter
from tests.browser.pages import PHONE, BrowserCase
from tests.core.run.test_first_answer import BUGGY, CUTTER, PICK_UP
from tests.support import ROAD, changed


class FirstBuild(BrowserCase):
    def start(self, name: str = "Test van") -> None:
        page = self.go("/")
        page.get_by_role("link", name="New build").click()
        page.get_by_label("Name").fill(name)
        self.choose(self.choice("Machine", page), "van")
        self.choose(self.choice("Fuel", page), "petrol E10")
        page.locator('input[name="power"]').fill("150 hp")
        page.locator('input[name="speed"]').fill("5500")
        page.locator('input[name="displacement"]').fill("2,4 L")
        page.locator('input[name="mass"]').fill("1.9 t")
        self.follow(page.get_by_role("button", name="To the bench"), "**/builds/*")

    def test_five_facts_a_fraction_a_verdict_and_it_is_still_there(self) -> None:
        self.start()
        page = self.page
        expect(page.get_by_role("heading", level=1)).to_contain_text("takes a 0.")
        expect(page.get_by_text("Nothing is fitted yet, so this is the size of everything.")).to_be_visible()
        expect(page.get_by_role("heading", name="What to look for")).to_be_visible()
        self.follow(self.station("Cooling"), "**/cooling")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Cooling is not known yet")
        self.give("cooling.core.width", "11 5/8 in")
        expect(self.fact("cooling.core.width")).to_contain_text("295.3")
        expect(self.fact("cooling.core.width")).to_contain_text("11 5/8 in")
        self.give("cooling.core.height", "280 mm")
        self.give("cooling.core.depth", "26")
        self.pick("cooling.fan.drive", "electric, pulling")
        self.give("cooling.fan.diameter", "2x 9 in")
        expect(page.get_by_role("heading", level=1)).to_contain_text("% over")
        expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
        verdict = page.get_by_role("heading", level=1).inner_text()
        page.reload()
        self.settle()
        expect(page.get_by_role("heading", level=1)).to_have_text(verdict)
        expect(self.fact("cooling.core.width")).to_contain_text("11 5/8 in")
        self.give("cooling.core.width", "40 in")
        self.give("cooling.core.height", "30 in")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Cooling holds")

    def test_on_a_phone(self) -> None:
        phone = self.new_window(viewport=PHONE, has_touch=True)
        self.addCleanup(phone.close)
        self.page = phone.new_page()
        self.start("Phone van")
        self.page.get_by_role("button", name="Stations").click()
        self.follow(self.station("Fuel"), "**/fuel")
        self.give("fuel.main.flow", "110 lph")
        self.give("fuel.main.pressure", "3 bar")
        self.give("fuel.injectors.flow", "360 cc/min")
        expect(self.page.get_by_role("heading", level=1)).to_contain_text("Fuel")
        expect(self.page.get_by_text("Pump flow,").first).to_be_visible()

    def test_what_is_missing_or_wrong_is_said_and_kept(self) -> None:
        page = self.go("/new")
        page.get_by_role("button", name="To the bench").click()
        expect(page.get_by_text("Power is needed.")).to_be_visible()
        page.locator('input[name="power"]').fill("12 psi")
        page.locator('input[name="speed"]').fill("5500")
        page.locator('input[name="displacement"]').fill("2.4 L")
        page.get_by_role("button", name="To the bench").click()
        expect(page.get_by_text("is not a unit known here")).to_be_visible()
        self.assertEqual(page.locator('input[name="power"]').input_value(), "12 psi")
        page.locator('input[name="power"]').fill("900 kW")
        page.get_by_role("button", name="To the bench").click()
        expect(page.get_by_text("mean effective pressure")).to_be_visible()

    def test_the_fifth_fact_follows_the_machine(self) -> None:
        page = self.go("/new")
        expect(page.get_by_text("Must it tow?")).to_be_visible()
        self.choose(self.choice("Machine", page), "boat")
        expect(page.get_by_text("Cruises at what share of full revs")).to_be_visible()

    def test_a_sheet_from_a_file(self) -> None:
        with tempfile.TemporaryDirectory() as name:
            good, bad, hostile = (Path(name) / n for n in ("good.json", "bad.json", "hostile.json"))
            good.write_text(json.dumps(ROAD | {"name": "From a file"}))
            bad.write_text("{")
            hostile.write_text(json.dumps({"engine": {"rated_power": "<img src=x onerror=alert(1)>"}}))
            page = self.go("/")
            page.get_by_role("button", name="Open a sheet").click()
            sheet = page.get_by_role("dialog").locator("input[type=file]")
            sheet.set_input_files(bad)
            expect(page.get_by_role("alert")).to_contain_text("not well-formed JSON")
            sheet.set_input_files(hostile)
            expect(page.get_by_role("alert")).to_contain_text("characters no quantity has")
            sheet.set_input_files(good)
            page.wait_for_url("**/builds/*")
            expect(page.get_by_role("button", name="From a file")).to_be_visible()


class FirstMinute(BrowserCase):
    """What nobody stated is seen, and one action states it."""

    def a_build(self, said: dict[str, str]) -> str:
        return self.build_of(starter(**said))

    def test_a_claim_leads_and_what_it_takes_follows(self) -> None:
        page = self.go(f"/builds/{self.a_build(PICK_UP)}")
        expect(page.get_by_role("heading", level=1)).to_contain_text(re.compile("takes [0-9]+.kPa of boost"))
        expect(page.get_by_role("heading", name="The claim", exact=True)).to_be_visible()
        core = page.get_by_role("row").filter(has_text="26 mm deep")
        self.follow(core.get_by_role("link", name="I have one: compare"), "**/cooling#*")
        expect(self.fact("cooling.core.width")).to_be_focused()

    def test_an_assumption_is_named_and_set_in_one_action(self) -> None:
        """A lift pump that holds or not by what its injection pump wants: nobody stated that."""
        raw = starter(**BUGGY)
        raw = changed(raw, fuel__main__flow="40 L/h", fuel__main__pressure="18 kPa")
        page = self.go(f"/builds/{self.build_of(raw)}")
        expect(page.get_by_text("Check one thing:")).to_contain_text("pressure at the engine's inlet taken as")
        expect(page.get_by_role("heading", level=1).locator(".over")).to_have_count(0)
        set_it = page.locator("header").get_by_role("link", name=re.compile("set it: pressure at the engine's inlet"))
        self.follow(set_it, "**/fuel#fuel.regulator.pressure")
        expect(page.get_by_text("Nobody stated these, and they decide")).to_be_visible()
        self.give("fuel.regulator.pressure", "4 kPa")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Fuel holds")
        self.follow(self.station("Bench"), "**/builds/*")
        expect(page.get_by_text("Check one thing:")).to_have_count(0)

    def test_a_boat_is_asked_for_its_water_and_not_for_air(self) -> None:
        page = self.go("/new")
        self.choose(self.choice("Machine", page), "boat")
        expect(page.locator('input[name="waterline"]')).to_be_visible()
        expect(page.get_by_text("Must it tow?")).to_have_count(0)
        build = self.a_build(CUTTER)
        page = self.go(f"/builds/{build}/cooling")
        expect(page.get_by_role("heading", level=1)).to_contain_text("Cooling is not")
        expect(self.fact("cooling.exchanger.conductance")).to_be_visible()
        expect(self.fact("cooling.core.width")).to_have_count(0)
        self.go(f"/builds/{build}/duties")
        expect(self.fact("machine.waterline_length")).to_be_visible()
        expect(self.fact("machine.drag_area")).to_have_count(0)

    def test_two_builds_side_by_side(self) -> None:
        other = changed(ROAD, engine__rated_power="150 kW", cooling__core__width="500 mm") | {"name": "The other"}
        self.build_of(other | {"name": "The other"})
        self.build_of(ROAD)
        page = self.go("/")
        page.get_by_label("Side by side: The other").check()
        page.get_by_label(f"Side by side: {ROAD['name']}").check()
        self.follow(page.get_by_role("link", name="Side by side"), "**/beside/**")
        row = page.get_by_role("row").filter(has_text="Rated power")
        expect(row).to_contain_text("150")
        expect(row).to_contain_text("125")
        expect(page.get_by_role("row").filter(has_text="Core height")).to_have_count(0)
        expect(page.get_by_role("row").filter(has_text="Fuel pump").first).to_contain_text("kW")
        self.hold("side by side", still=False)
