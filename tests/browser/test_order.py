"""The order of work in a browser: ticked with dirty hands, told what breaking it costs, kept while nobody answers."""

import json

from playwright.sync_api import Page, expect

from gauge_well.services import builds
from tests.browser.pages import PHONE, BrowserCase
from tests.support import ROAD

EARLY = [
    {"id": id, "done": "2026-11-01"}
    for id in ("use", "record", "driveline_known", "claims", "gearbox_route", "blockers")
]


class Order(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = self.build_of(ROAD | {"work": {"tasks": EARLY, "hands": 1, "front_pipe": "first"}})

    def tearDown(self) -> None:
        self.window.unroute_all()
        self.errors.clear()  # answers that failed are spoken of in the console
        super().tearDown()

    def order(self, view: str = "now") -> Page:
        page = self.go(f"/builds/{self.build}/order/{view}")
        expect(page.get_by_role("tab", name="Now")).to_be_visible()
        return page

    def said(self) -> dict[str, dict]:
        work = builds.get(self.engine, self.build)["document"].get("work", {})
        return {task["id"]: task for task in work.get("tasks", [])}

    def test_each_view_fits_and_can_be_read(self) -> None:
        self.hold_drawings(
            "/builds/quarry-mule/order",
            ("Now", "All tasks", "Parts and money", "Parts search", "Go or no-go", "Hours and decisions"),
        )

    def test_a_hold_is_proved_and_signed_and_opens_what_waits(self) -> None:
        page = self.order()
        page.get_by_role("checkbox", name="Go or no-go").click()
        expect(
            page.locator("form").get_by_text("limit, blockers and the gearbox route stand in writing")
        ).to_be_visible()
        page.get_by_label("Who proved: Go or no-go").fill("both of us")
        with self.saved():
            page.get_by_role("button", name="Proved: open the lock").click()
        self.assertEqual(self.said()["go"]["signed"], "both of us")
        expect(page.get_by_role("checkbox", name="Get the donor, hear it run")).to_be_visible()
        expect(page.get_by_role("checkbox", name="Go or no-go")).to_have_count(0)

    def test_breaking_the_order_says_what_it_costs_before_it_is_taken(self) -> None:
        page = self.order("tasks")
        page.get_by_text("Install", exact=True).click()
        row = page.get_by_role("checkbox", name="Engine in")
        row.click()
        told = page.get_by_role("alert")
        expect(told).to_contain_text("not done")
        expect(told).to_contain_text("6 h more")
        told.get_by_role("button", name="Leave open").click()
        self.assertNotIn("engine_in", self.said())
        row.click()
        with self.saved():
            page.get_by_role("button", name="Tick it, and keep telling me").click()
        self.tab("Now")
        expect(page.get_by_role("note").filter(has_text="Done out of order")).to_contain_text("Engine in before")

    def test_a_tick_is_taken_off_again(self) -> None:
        page = self.order("tasks")
        page.get_by_text("6 done", exact=True).click()
        with self.saved():
            page.get_by_role("checkbox", name="Say what it is for").click()
        self.assertNotIn("use", self.said())

    def test_ticks_are_kept_while_the_server_is_away_and_sent_later(self) -> None:
        self.page.set_viewport_size(PHONE)
        page = self.order()
        page.route("**/api/builds/**", lambda r: r.abort() if r.request.method == "PATCH" else r.continue_())
        page.get_by_role("checkbox", name="Go or no-go").click()
        page.get_by_label("Who proved: Go or no-go").fill("me")
        page.get_by_role("button", name="Proved: open the lock").click()
        # What it opens stands there at once, and can be ticked on.
        drain = page.get_by_role("checkbox", name="Drain and disconnect")
        drain.click()
        self.assertEqual(self.said().keys(), {t["id"] for t in EARLY})
        expect(page.get_by_text("Likely", exact=False).first).to_be_visible()
        page.unroute_all()
        expect(page.locator("main")).to_have_attribute("data-revision", "3")
        expect(page.get_by_role("checkbox", name="Prop the light end on rated stands")).to_be_visible()
        self.assertEqual({"go", "drain"} - self.said().keys(), set())

    def test_a_thumb_finds_its_boxes(self) -> None:
        self.page.set_viewport_size(PHONE)
        page = self.order("tasks")
        expect(page.get_by_role("checkbox").first).to_be_visible()
        for box in page.get_by_role("checkbox").all():
            size = box.bounding_box()
            assert size is not None
            self.assertGreaterEqual(min(size["width"], size["height"]), 44.0)

    def test_a_task_of_ones_own_and_a_ring_that_is_refused(self) -> None:
        page = self.order("tasks")
        page.get_by_label("Title of your own task").fill("Tow hitch moved")
        self.choose(self.choice("Your own task comes after"), "Weld mounts and brackets")
        self.choose(
            self.choice("Your own task must be done before"),
            "Gaps: at full steering lock, on the bump stop, in every gear, rocked",
        )
        page.get_by_role("button", name="Add it").click()
        expect(page.get_by_role("alert")).to_contain_text("ring")
        self.assertNotIn("tow_hitch_moved", self.said())
        self.choose(self.choice("Your own task must be done before"), "nothing")
        with self.saved():
            page.get_by_role("button", name="Add it").click()
        self.assertEqual(self.said()["tow_hitch_moved"]["after"], ["weld"])

    def test_a_thing_is_listed_priced_and_dated(self) -> None:
        page = self.order("things")
        page.get_by_label("Put a thing on the list").fill("Adapter plate")
        with self.saved():
            page.get_by_role("button", name="Put it on the list").click()
        page.get_by_role("button", name="Adapter plate", exact=True).click()
        with self.saved():
            page.get_by_label("Price of Adapter plate").fill("€300-420")
            page.get_by_label("Price of Adapter plate").blur()
        expect(page.get_by_text("in all, with what no list names")).to_be_visible()
        page.get_by_label("Lead time of Adapter plate").fill("soon")
        page.get_by_label("Lead time of Adapter plate").blur()
        expect(page.get_by_role("alert")).to_contain_text("not understood")

    def test_it_goes_out_as_a_file(self) -> None:
        page = self.order()
        for label, ending, holds in (
            ("Tasks as CSV", ".csv", "Go or no-go"),
            ("Calendar (ICS)", ".ics", "BEGIN:VCALENDAR"),
        ):
            with page.expect_download() as download:
                page.get_by_role("button", name="Take out").click()
                page.get_by_role("menuitem", name=label).click()
            self.assertTrue(download.value.suggested_filename.endswith(ending))
            self.assertIn(holds, json.dumps(download.value.path().read_text()))
