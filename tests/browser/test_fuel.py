"""The fuel station in the browser: four builds sized from nothing, the circuit clicked, tables, every drawing at phone size."""

import re
import tempfile
from pathlib import Path
from typing import Any

from playwright.sync_api import expect

from gauge_well.sheet.demo import demo
from tests.browser.pages import BrowserCase
from tests.core.systems.fuel.builds import FIVE, with_fuel

TABS = ("Circuit", "Pumps", "Over speed", "Lines and suction", "Tank", "Guards and change")


class FuelCase(BrowserCase):
    def part(self, id: str) -> Any:
        """A part of the circuit drawn."""
        return self.page.locator(f'[data-part="{id}"]')

    def headline(self) -> Any:
        return self.page.get_by_role("heading", level=1)

    def whole(self) -> None:
        """Show also what only the rules know."""
        self.page.get_by_role("button", name=re.compile("more: not given")).click()


class FromNothing(FuelCase):
    def start(self, kind: str, fuel: str, power: str, speed: str, size: str, mass: str) -> None:
        page = self.go("/new")
        self.choose(self.choice("Machine", page), kind)
        self.choose(self.choice("Fuel", page), fuel)
        for name, text in (("power", power), ("speed", speed), ("displacement", size), ("mass", mass)):
            page.locator(f'input[name="{name}"]').fill(text)
        self.follow(page.get_by_role("button", name="To the bench"), "**/builds/*")
        self.follow(self.station("Fuel"), "**/fuel")
        expect(self.headline()).to_contain_text("Fuel")

    def circuit(self, label: str) -> None:
        self.pick(self.choice("Kind of circuit"), label)
        expect(self.choice(f"Kind of circuit: {label}")).to_be_visible()

    def test_a_five_cylinder_turbo_of_200_kw(self) -> None:
        """At 340 g/kWh 68 kg/h, 91.3 L/h, 110 with a fifth more; 550 cc/min injectors serve and a 120 L/h pump does."""
        self.start("road car", "petrol, no ethanol", "200 kW", "6000", "2.5 L", "1400 kg")
        page = self.page
        self.follow(self.station("Engine"), "**/engine")
        self.whole()
        self.give("engine.cylinders", "5")
        self.follow(self.station("Fuel"), "**/fuel")
        expect(page.get_by_text(re.compile(r"A pump giving 110\sL/h at"))).to_be_visible()
        expect(page.get_by_text(re.compile("5 injectors of"))).to_be_visible()
        self.give("fuel.injectors.flow", "550 cc/min")
        self.give("fuel.main.flow", "160 L/h")
        self.give("fuel.main.pressure", "4 bar")
        expect(self.headline()).to_contain_text("Fuel holds")
        expect(self.part("injectors")).to_contain_text("open 6")
        self.give("fuel.main.flow", "70 L/h")
        expect(self.headline()).to_contain_text("over")
        expect(page.get_by_text(re.compile("so that it falls to"))).to_be_visible()

    def test_a_governed_diesel_of_52_kw_with_spill_return(self) -> None:
        """At 260 g/kWh 16.2 L/h burned, 1.1 % less in air of 40 degC (iso1585); at 45 % of an in-line pump's, 35.6 taken,
        42.8 with a fifth more."""
        self.start("locomotive", "diesel", "52 kW", "2200", "3.9 L", "7 t")
        page = self.page
        self.circuit("Mechanical diesel, lift pump")
        self.whole()
        self.pick("fuel.injection_pump", "in line, own cam")
        expect(page.get_by_text(re.compile(r"A pump giving 42.8\sL/h at"))).to_be_visible()
        self.give("fuel.main.flow", "90 L/h")
        self.give("fuel.main.pressure", "25 kPa")
        self.give("fuel.main.flow_2", "60 L/h")
        self.give("fuel.main.pressure_2", "50 kPa")
        expect(self.part("return")).to_contain_text("19.6")
        expect(self.part("end")).to_contain_text("injection pump")
        expect(self.headline()).to_contain_text("Fuel holds")
        self.tab("Guards and change")
        expect(page.get_by_text("Injection pump's gallery")).to_be_visible()
        self.pick("fuel.stop_device", "solenoid powered to stop")
        expect(page.get_by_role("cell", name="runs on when power fails")).to_be_visible()

    def test_an_ethanol_blend_of_180_kw_with_pot_and_twin_pumps(self) -> None:
        self.start("hillclimb or sprint car", "E85", "180 kW", "7500", "2.3 L", "520 kg")
        page = self.page
        self.circuit("Petrol, surge pot")
        expect(page.get_by_text(re.compile("A lift pump giving"))).to_be_visible()
        expect(page.get_by_text(re.compile("A pot of"))).to_be_visible()
        self.give("fuel.injectors.flow", "650 cc/min")
        self.give("fuel.main.flow", "110 L/h")
        self.give("fuel.main.pressure", "3 bar")
        self.give("fuel.lift_pump.flow", "160 L/h")
        self.give("fuel.lift_pump.pressure", "0.3 bar")
        self.give("fuel.pot.volume", "1.5 L")
        expect(self.headline()).to_contain_text("over")
        self.whole()
        self.give("fuel.main.count", "2")
        expect(self.part("pump")).to_contain_text("2 pumps")
        expect(self.headline()).to_contain_text("Fuel holds")
        expect(self.part("pot")).to_contain_text("runs over")
        self.pick("fuel.pump_staging", "the others on demand")
        self.segment("State of the engine", "idling").click()
        expect(self.part("pump")).to_contain_text("1 of 2 pumps")

    def test_a_carburettor_engine_of_70_kw(self) -> None:
        """At 300 g/kWh 21 kg/h, 28.2 L/h, 33.8 with a fifth more; a pump that stops at 45 kPa floods the float."""
        self.start("road car", "petrol, no ethanol", "70 kW", "5500", "1.8 L", "950 kg")
        page = self.page
        self.circuit("Carburettor")
        expect(page.get_by_text(re.compile(r"A pump giving 33.8\sL/h at"))).to_be_visible()
        self.give("fuel.main.flow", "75 L/h")
        self.give("fuel.main.pressure", "30 kPa")
        expect(self.headline()).to_contain_text("Fuel")
        expect(page.get_by_text("it floods. Fit a regulator").first).to_be_visible()
        self.whole()
        self.pick("fuel.regulator.place", "at the tank, rail dead-headed")
        expect(self.headline()).to_contain_text("Fuel holds")
        expect(self.part("end")).to_contain_text("float bowl")


class Drawn(FuelCase):
    def open(self, tab: str = "Circuit", build: str = "quarry-mule") -> None:
        self.go(f"/builds/{build}/fuel")
        self.tab(tab)

    def test_half_the_bore_moves_the_drawing(self) -> None:
        id = self.build_of(with_fuel(FIVE, regulator__place="dead_headed", line__bore="8 mm"))
        self.open(build=id)
        seen = [str(self.part(name).text_content()) for name in ("end", "line", "injectors")]
        self.whole()
        self.give("fuel.line.bore", "4 mm")
        for name, before in zip(("end", "line", "injectors"), seen, strict=True):
            expect(self.part(name)).not_to_have_text(before)

    def test_a_part_leads_to_its_fact(self) -> None:
        self.open()
        self.part("line").click()
        expect(self.fact("fuel.line.bore")).to_be_focused()
        self.part("pump").focus()
        self.page.keyboard.press("Enter")
        expect(self.fact("fuel.main.flow")).to_be_focused()
        expect(self.part("pump")).to_have_class(re.compile("marked"))

    def test_a_catch_test(self) -> None:
        id = self.build_of(with_fuel(FIVE, main__flow="120 L/h"))
        self.open("Pumps", id)
        card = self.page.locator("section", has=self.page.get_by_role("heading", name="Catch test", level=2))
        for name, text in (("volume", "0.5 L"), ("time", "20 s"), ("pressure", "3 bar"), ("voltage", "13.5 V")):
            button = card.locator(f'button[data-path="fuel.main.catch_{name}"]')
            button.click()
            field = card.locator(f'input[data-path="fuel.main.catch_{name}"]')
            field.fill(text)
            with self.saved():
                field.press("Enter")
        expect(card.get_by_text("It gives 75 % of what its figures say.")).to_be_visible()

    def test_a_table_from_a_file_and_one_refused(self) -> None:
        id = self.build_of(FIVE)
        self.open("Pumps", id)
        page = self.page
        with tempfile.TemporaryDirectory() as name:
            good, mixed = Path(name) / "pump.csv", Path(name) / "mixed.csv"
            good.write_text("flow [L/h];pressure [bar]\n190;3\n175;4\n150;5\n")
            mixed.write_text("3 bar, 190 L/h\n4, 175 L/h\n")
            with self.saved():
                page.get_by_label("Pump table from a file").set_input_files(good)
            expect(self.fact("fuel.main.table")).to_contain_text("500 kPa · 150 L/h")
            page.get_by_label("Pump table from a file").set_input_files(mixed)
            expect(page.get_by_text("Row 2, pressure: 4 has no unit")).to_be_visible()
            expect(page.get_by_role("textbox", name="Pump table")).to_have_value(re.compile("4, 175 L/h"))

    def test_speed_range_lines_and_tank_answer(self) -> None:
        self.open("Over speed", self.build_of(demo("quarry-mule")))
        page = self.page
        expect(page.get_by_role("row", name=re.compile("85 % ethanol"))).to_contain_text("times")
        self.segment("Which curve", "injectors").click()
        expect(page.get_by_role("img", name=re.compile("Share of the cycle"))).to_be_visible()
        self.tab("Lines and suction")
        expect(page.get_by_role("row", name=re.compile("^return"))).to_be_visible()
        expect(page.get_by_text("Hot petrol cannot be sucked")).to_be_visible()
        self.tab("Tank")
        expect(page.get_by_role("row", name=re.compile("^Motorway"))).to_contain_text("km")
        self.whole()
        self.pick("fuel.tank.pickup_in", "in the open tank")
        expect(page.get_by_text(re.compile("draws air, wants"))).to_be_visible()

    def test_change_of_fuel(self) -> None:
        self.open("Guards and change", "dripping-well")
        expect(self.page.get_by_text(re.compile("petrol, no ethanol → diesel: pump"))).to_be_visible()
        expect(self.page.get_by_text("Mop the tank out before filling")).to_be_visible()

    def test_axe_and_width_of_every_drawing(self) -> None:
        self.hold_drawings("/builds/chalk-hare/fuel", TABS)
