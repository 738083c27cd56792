"""The cooling's drawings in the browser: picked by keys, dragged, at phone size, held to the accessibility rules."""

import re

from playwright.sync_api import expect

from gauge_well.services.sizing import size_document
from gauge_well.sheet.demo import demo
from gauge_well.units import show
from tests.browser.pages import BrowserCase
from tests.support import ROAD, changed

TABS = ("Air", "By duty", "Stack", "Coolant", "Through time", "Where it holds", "On the stand")


class Drawings(BrowserCase):
    def open(self, tab: str, build: str = "quarry-mule") -> None:
        self.go(f"/builds/{build}/cooling")
        self.tab(tab)

    def test_picked_by_keys_and_kept(self) -> None:
        page = self.go("/builds/quarry-mule/cooling")
        page.get_by_role("tab", name="Air").focus()
        page.keyboard.press("ArrowRight")
        page.keyboard.press("ArrowRight")
        expect(page.get_by_role("tab", name="Stack")).to_be_focused()
        expect(page.get_by_text(re.compile("left to the first moving thing")).first).to_be_visible()
        page.reload()
        self.settle()
        expect(page.get_by_role("tab", name="Stack")).to_have_attribute("aria-selected", "true")

    def test_every_dutys_answers(self) -> None:
        self.open("By duty")
        row = self.page.get_by_role("row", name=re.compile("Long grade with trailer"))
        figures = size_document(demo("quarry-mule"))["systems"]["cooling"]["figures"]["grade"]
        carried = show(figures["heat_carried_w"], "heat").split("\u00a0")[0]
        expect(row).to_contain_text(f" of {carried}")
        expect(row.get_by_role("cell")).to_have_count(6)

    def test_the_stack_says_what_is_left_and_where_air_gathers(self) -> None:
        self.open("Stack")
        expect(self.page.get_by_text(re.compile("From the front. Air gathers at hump 1"))).to_be_visible()
        expect(self.page.get_by_text("upper hose has to cross")).to_be_visible()

    def test_a_room_too_shallow_is_said_in_the_stack(self) -> None:
        self.open("Stack", self.build_of(demo("quarry-mule")))
        self.give("installation.depth_available", "8 in")
        expect(self.page.get_by_text(re.compile("deeper than the room")).first).to_be_visible()

    def test_blows_back_at_standstill_and_not_at_speed(self) -> None:
        self.open("Air", "chalk-hare")
        slider = self.page.get_by_role("slider", name="Road speed")
        self.slide(slider, 0)
        expect(self.page.get_by_text("blows back through the open part")).to_be_visible()
        self.slide(slider, 90)
        expect(self.page.get_by_text("the rest sees ram alone")).to_be_visible()

    def test_the_thermostat_dragged_moves_the_flow(self) -> None:
        self.open("Coolant")
        drawing = self.page.get_by_role("img", name=re.compile("Coolant loop"))
        whole = str(drawing.get_attribute("aria-label"))
        self.slide(self.page.get_by_role("slider", name="Thermostat open"), 10)
        expect(drawing).not_to_have_attribute("aria-label", whole)
        expect(self.page.get_by_text(re.compile("^bypass "))).to_be_visible()
        self.page.get_by_text("What a restrictor does").click()
        expect(self.page.get_by_text("a slower flow never sheds more")).to_be_visible()

    def test_through_time(self) -> None:
        self.open("Through time", "dripping-well")
        expect(self.page.get_by_text(re.compile("Ends at .* after 30 min"))).to_be_visible()
        expect(self.page.get_by_role("row", name=re.compile("pump's belt goes"))).to_be_visible()
        self.segment("Which curve", "from cold").click()
        expect(self.page.get_by_text(re.compile("From cold the thermostat opens"))).to_be_visible()
        self.segment("Which curve", "switched off hot").click()
        expect(self.page.get_by_text(re.compile("from the metal's heat"))).to_be_visible()

    def test_on_the_stand(self) -> None:
        self.open("On the stand")
        expect(self.page.get_by_text(re.compile("3 min filled, 30 s dry"))).to_be_visible()
        hose = self.page.get_by_text(re.compile("keeps the outlet at"))
        before = hose.inner_text()
        self.slide(self.page.get_by_role("slider", name="Outlet at"), 40)
        expect(hose).not_to_have_text(before)
        expect(self.page.get_by_text("carbon monoxide kills")).to_be_visible()

    def test_what_is_missing_is_said(self) -> None:
        bare = self.build_of(changed(ROAD, cooling={}))
        for tab, word in (
            ("Air", "Give the core's width"),
            ("Stack", "core's depth draws"),
            ("Coolant", "to see the loop"),
            ("Through time", "to follow the coolant"),
        ):
            self.open(tab, bare)
            expect(self.page.get_by_text(re.compile(word))).to_be_visible()

    def test_facts_that_do_not_apply_are_folded_away(self) -> None:
        id = self.build_of(ROAD)
        page = self.go(f"/builds/{id}/cooling")
        page.get_by_role("button", name=re.compile("more: not given")).click()
        expect(page.get_by_text("Fan turns over crank turns")).to_have_count(0)
        self.pick("cooling.fan.drive", "driven by the engine")
        expect(page.get_by_text("Fan turns over crank turns")).to_be_visible()

    def test_axe_and_width_of_every_drawing(self) -> None:
        self.hold_drawings("/builds/quarry-mule/cooling", TABS)
