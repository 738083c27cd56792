"""Readings in a browser: taken by hand and off a log, applied to the verdicts and taken off again, a drive made a duty, a logger
heard, the logbook; on a desk and on a phone."""

import re
import threading

from playwright.sync_api import Page, expect

from gauge_well.services import builds, listening, recordings
from gauge_well.services.driving import logged_rows
from gauge_well.sheet.demo import demo
from tests.browser.pages import PHONE, BrowserCase
from tests.browser.test_outlook import SHORT
from tests.services.test_recordings import gpx

HOT = [{"id": "a", "what": "coolant", "value": "118 °C", "speed": "60 km/h", "grade": "7 %"}]


class Readings(BrowserCase):
    def read(self, view: str = "taken", name: str = "quarry-mule", **record: object) -> Page:
        self.build = self.build_of(demo(name) | {"readings": {"air": "22 °C", **record}})
        page = self.go(f"/builds/{self.build}/readings/{view}")
        expect(page.get_by_role("tab", name="Drives")).to_be_visible()
        return page

    def kept(self) -> dict:
        return builds.get(self.engine, self.build)["document"].get("readings", {})

    def test_each_view_fits_and_can_be_read(self) -> None:
        self.read(
            taken=HOT, mends=[{"id": "m", "text": "weeps"}], book=[{"id": "b", "kind": "note", "text": "first mile"}]
        )
        self.hold_drawings(f"/builds/{self.build}/readings", ("Readings", "Drives", "Logbook, mend list"))

    def test_a_reading_by_hand_is_held_against_what_is_foretold(self) -> None:
        page = self.read()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Nothing was read of it yet")
        page.get_by_role("button", name="Take a reading").click()
        form = page.locator("[data-take]")
        form.get_by_label("It shows").fill("soup")
        form.get_by_role("button", name="Take it").click()
        expect(form.get_by_role("alert")).to_be_visible()
        # What was refused stays as it was typed.
        expect(form.get_by_label("It shows")).to_have_value("soup")
        form.get_by_label("It shows").fill("118")
        form.get_by_label(re.compile("^Speed")).fill("60")
        form.get_by_label("Grade, where it climbs").fill("7")
        with self.saved():
            form.get_by_role("button", name="Take it").click()
        row = page.locator("[data-reading]")
        expect(row).to_contain_text("60 km/h, 7 % grade")
        expect(row.get_by_role("img")).to_have_attribute("aria-label", re.compile("118 °C, foretold"))
        expect(page.get_by_role("heading", level=1)).to_contain_text("by 1 reading")
        taken = self.kept()["taken"][0]
        self.assertEqual((taken["value"], taken["speed"]), ("118 °C", "60 km/h"))
        self.assertIn("core:", taken["homes"])

    def test_the_verdicts_go_by_it_and_it_is_taken_off_by_one_press(self) -> None:
        page = self.read(taken=HOT)
        with self.saved():
            page.get_by_role("button", name="Let the verdicts go by it").click()
        expect(page.locator("[data-learned]")).to_contain_text("heat to the coolant")
        page = self.go(f"/builds/{self.build}")
        line = page.locator("[data-measured]")
        expect(line).to_contain_text("Measured here")
        expect(line).to_contain_text("Without it:")
        self.station("Cooling").click()
        expect(page.get_by_text(re.compile(r"measured here; \d+\s% by the facts alone")).first).to_be_visible()
        page = self.go(f"/builds/{self.build}")
        with self.saved():
            page.locator("[data-measured]").get_by_role("button", name="take it off").click()
        expect(page.locator("[data-measured]")).to_have_count(0)
        self.assertNotIn("applied", self.kept())
        self.assertTrue(self.kept()["factors"])

    def test_a_reading_is_left_out_and_counted_again(self) -> None:
        page = self.read(taken=HOT)
        with self.saved():
            page.get_by_role("button", name="do not count it: Coolant 118 °C").click()
        expect(page.locator("[data-reading]")).to_contain_text("Not fitted: left out")
        with self.saved():
            page.get_by_role("button", name="count it: Coolant 118 °C").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("by 1 reading")

    def test_a_simulated_log_is_opened_kept_and_taken_as_readings(self) -> None:
        page = self.read("drives")
        logger = page.locator("[data-logger]")
        self.choose(logger.get_by_role("combobox", name=re.compile("What is wrong")), "the radiator half blocked")
        logger.get_by_role("button", name="Log it and open that").click()
        card = page.locator("[data-file]")
        expect(card).to_contain_text("3,095 rows")
        with self.saved():
            card.get_by_role("button", name="Keep it with the build").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("is foretold there")
        expect(page.locator("[data-compared]")).to_contain_text("over in the mean")
        with self.saved():
            page.get_by_role("button", name=re.compile("Take all .* as readings")).click()
        expect(page.locator("[data-reading]").first).to_be_visible()
        self.assertEqual(len(recordings.listed(self.engine, self.build)), 1)
        self.assertEqual(len(self.kept()["recipes"]), 1)

    def test_a_track_of_ones_own_and_a_file_that_is_none(self) -> None:
        page = self.read("drives")
        card = page.locator("[data-file]")
        pick = card.get_by_label("A log or a track from a file")
        pick.set_input_files(
            {"name": "evil.gpx", "mimeType": "text/xml", "buffer": b'<!DOCTYPE g [<!ENTITY a "b">]><gpx>&a;</gpx>'}
        )
        expect(card.get_by_role("alert")).to_contain_text("no track needs them")
        pick.set_input_files({"name": "Pass.gpx", "mimeType": "text/xml", "buffer": gpx()})
        expect(card).to_contain_text("3:19 in 200 rows")
        card.get_by_role("button", name="Keep it with the build").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Pass: it holds")
        with page.expect_download() as caught:
            page.get_by_role("button", name="as CSV").click()
        self.assertEqual(caught.value.suggested_filename, "pass.csv")
        page.get_by_role("button", name="delete: Pass").click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("A pass road")

    def test_the_worst_minutes_become_a_duty(self) -> None:
        page = self.read("drives")
        with self.saved():
            page.get_by_role("button", name="Make its worst minutes a duty").click()
        expect(page.get_by_text("Put among the duties")).to_be_visible()
        duties = builds.get(self.engine, self.build)["document"]["duties"]
        self.assertEqual(duties[-1]["name"], "A pass road, worst")

    def test_a_logger_on_a_port_is_heard(self) -> None:
        page = self.read("drives")
        sending = listening.send(logged_rows(demo("quarry-mule"), "pass_road", "")[:400], 0.0, 0)
        port = next(sending)
        thread = threading.Thread(target=lambda: list(sending))
        thread.start()
        logger = page.locator("[data-logger]")
        logger.get_by_label("Or hear one on port").fill(str(port))
        logger.get_by_role("button", name="Listen").click()
        expect(page.locator("[data-file]")).to_contain_text("399 rows")
        thread.join(5)

    def test_the_logbook_and_the_mend_list(self) -> None:
        page = self.read("book")
        book = page.locator("[data-book]")
        book.get_by_text("Fuel", exact=True).click()
        book.get_by_label("On the counter").fill("41230")
        book.get_by_label("Put in").fill("41")
        book.get_by_label("What was done or seen").fill("Brimmed")
        with self.saved():
            book.get_by_role("button", name="Write it down").click()
        expect(book.get_by_role("listitem")).to_contain_text("Brimmed")
        self.assertEqual((self.kept()["book"][0]["distance"], self.kept()["book"][0]["fuel"]), ("41230 km", "41 L"))
        mends = page.locator("[data-mends]")
        mends.get_by_label("To be mended").fill("Header tank weeps")
        with self.saved():
            mends.get_by_role("button", name="Put it on").click()
        with self.saved():
            mends.get_by_role("checkbox").check()
        expect(mends).to_contain_text("0 to do")

    def test_a_boats_harbour_day_on_a_phone(self) -> None:
        self.page.set_viewport_size(PHONE)
        page = self.read("drives", name="reed-otter")
        expect(page.get_by_role("heading", level=1)).to_contain_text("A harbour day")
        self.assertLessEqual(page.evaluate("document.documentElement.scrollWidth"), PHONE["width"])
        page.get_by_role("tab", name="Readings").click()
        page.get_by_role("button", name="Take a reading").click()
        for box in page.locator("[data-take] input.input").all():
            self.assertGreaterEqual(box.bounding_box()["height"], 44)


class Mends(BrowserCase):
    explores = True

    def test_what_would_mend_it_is_put_on_the_list_with_what_it_gains(self) -> None:
        build = self.build_of(SHORT)
        page = self.go(f"/builds/{build}/readings/book")
        mends = page.locator("[data-mends]")
        mends.get_by_role("button", name="What would mend it").click()
        put = mends.get_by_role("button", name=re.compile("put it on the list: Injectors")).first
        expect(put).to_be_visible()
        with self.saved():
            put.click()
        expect(mends).to_contain_text("1 to do")
        kept = builds.get(self.engine, build)["document"]["readings"]["mends"][0]
        self.assertEqual(kept["system"], "fuel")
        self.assertRegex(kept["gains"], r"\d")
