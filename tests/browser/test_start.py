"""A first start on a phone: locks, clocks that stay true asleep and on two phones, readings kept without a connection, a stop
that shouts, the search for a fault."""

import re
from datetime import UTC, datetime, timedelta

from playwright.sync_api import Page, expect

from gauge_well.services import builds
from gauge_well.sheet.demo import demo
from tests.browser.pages import PHONE, BrowserCase

LOCKS = ("oil", "coolant", "fuel", "stop", "throttle", "sensors", "neutral", "outdoors", "extinguisher")
SIGNED = [{"id": f"machine_{id}", "signed": "K"} for id in LOCKS]


def ago(seconds: float) -> str:
    return (datetime.now(UTC) - timedelta(seconds=seconds)).strftime("%Y-%m-%dT%H:%M:%SZ")


def done(step: str, at: float, lasted: float) -> dict:
    return {"id": step, "step": step, "began": ago(at), "ended": ago(at - lasted)}


BEFORE = [done("prime", 900, 14), done("fuel", 850, 0), done("first", 800, 17)]


class Start(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.page.set_viewport_size(PHONE)

    def tearDown(self) -> None:
        self.window.unroute_all()
        self.errors.clear()  # answers that failed are spoken of in the console
        super().tearDown()

    def start(self, view: str = "go", **record: object) -> Page:
        self.build = self.build_of(demo("quarry-mule") | {"start": record})
        page = self.go(f"/builds/{self.build}/start/{view}")
        expect(page.get_by_role("tab", name="Start", exact=True)).to_be_visible()
        return page

    def said(self) -> dict:
        return builds.get(self.engine, self.build)["document"].get("start", {})

    def measured(self, page: Page, text: str) -> None:
        """Type what was measured for a lock and leave the field, which keeps it."""
        with self.saved():
            page.get_by_label("Measured").first.fill(text)
            page.get_by_label("Signed by").first.fill("K")

    def seconds(self, page: Page) -> int:
        minutes, seconds = page.locator(".clock").inner_text().split(":")
        return 60 * int(minutes) + int(seconds)

    def test_each_view_fits_and_can_be_read(self) -> None:
        self.hold_drawings(
            "/builds/salt-heron/start", ("Start", "What is wrong", "Fill and bleed", "Run-in, alarms", "Record")
        )

    def test_a_lock_is_proved_by_measure_and_signed(self) -> None:
        page = self.start(holds=SIGNED[1:])
        expect(page.get_by_role("heading", level=1)).to_contain_text("one of nine locks is shut")
        # Nobody signs for what does not prove it.
        self.measured(page, "3")
        page.get_by_role("button", name="It is proved").first.click()
        expect(page.get_by_role("alert").first).to_contain_text("3 L does not prove it")
        self.measured(page, "6.1")
        with self.saved():
            page.get_by_role("button", name="It is proved").first.click()
        expect(page.get_by_role("heading", level=1)).to_have_text("Crank to oil pressure.")
        self.assertEqual(next(h for h in self.said()["holds"] if h["id"] == "machine_oil")["value"], "6.1 L")

    def test_a_lock_of_the_order_is_signed_in_both(self) -> None:
        page = self.start(holds=[h for h in SIGNED if h["id"] != "machine_throttle"])
        page.get_by_label("Signed by").fill("two of us")
        with self.saved():
            page.get_by_role("button", name="It is proved").click()
        work = builds.get(self.engine, self.build)["document"]["work"]["tasks"]
        self.assertEqual(next(t for t in work if t["id"] == "controls_free")["signed"], "two of us")

    def test_a_reading_stands_beside_what_is_foretold_and_a_stop_shouts(self) -> None:
        page = self.start(holds=SIGNED, runs=[*BEFORE, {"id": "now", "step": "long", "began": ago(300)}])
        page.get_by_role("button", name=re.compile("Coolant, engine's outlet")).click()
        field = page.get_by_label("Taken")
        field.fill("55")
        with self.saved():
            page.get_by_role("button", name="Take", exact=True).click()
        self.assertEqual(self.said()["readings"][0]["value"], "55 °C")
        page.get_by_role("button", name=re.compile("Coolant, engine's outlet")).click()
        page.get_by_label("Taken").fill("125")
        page.get_by_role("button", name="Take", exact=True).click()
        expect(page.locator(".top").get_by_role("alert")).to_contain_text("Engine off: coolant")
        # What is wrong begins with what stopped it.
        page.get_by_role("button", name="Something is wrong").click()
        expect(page.get_by_text("Overheats at idle")).to_be_visible()
        expect(page.get_by_role("heading", name="Next check")).to_be_visible()
        self.assertEqual(self.said()["symptom"], "hot_idle")
        self.assertTrue(next(r for r in self.said()["runs"] if r["id"] == "now")["note"].startswith("stopped"))

    def test_no_oil_pressure_in_five_seconds_is_asked_for(self) -> None:
        page = self.start(holds=SIGNED, runs=[*BEFORE[:2], {"id": "now", "step": "first", "began": ago(4)}])
        expect(page.get_by_role("alert").filter(has_text="Oil pressure?")).to_be_visible()
        page.get_by_role("button", name="None: engine off").click()
        expect(page.get_by_role("heading", name="What is noticed?")).to_be_visible()

    def test_asleep_in_mid_run_the_clock_is_true(self) -> None:
        self.build = self.build_of(demo("quarry-mule") | {"start": {"holds": SIGNED, "runs": BEFORE}})
        phone = self.page.context.browser.new_context(viewport=PHONE)
        page = phone.new_page()
        page.clock.install()
        page.goto(f"{self.base}/builds/{self.build}/start/go")
        page.get_by_role("button", name="Start 10 to 20 min").click()
        expect(page.locator(".clock")).to_be_visible()
        # The phone sleeps: nothing ticks, and then it is seven minutes later.
        page.clock.fast_forward(420_000)
        expect(page.locator(".clock")).to_have_text(re.compile("07:0"))
        page.clock.fast_forward(800_000)
        expect(page.locator(".top").get_by_role("alert")).to_contain_text("20 min are up")
        phone.close()

    def test_without_a_connection_it_is_kept_judged_and_sent_later(self) -> None:
        page = self.start(holds=SIGNED, runs=BEFORE)
        page.route("**/api/**", lambda r: r.abort())
        page.get_by_role("button", name="Start 10 to 20 min").click()
        expect(page.locator(".clock")).to_be_visible()
        page.get_by_role("button", name=re.compile("Battery's posts, idling")).click()
        page.get_by_label("Taken").fill("14.1")
        page.get_by_role("button", name="Take", exact=True).click()
        expect(page.get_by_role("button", name=re.compile("Battery's posts, idling"))).to_contain_text("inside")
        self.assertEqual(len(self.said()["runs"]), 3)
        expect(page.locator(".clock")).to_have_text(re.compile("00:0[2-9]"))
        page.get_by_role("button", name="Engine off", exact=True).click()
        page.unroute_all()
        expect(page.locator("main")).to_have_attribute("data-revision", "4")
        kept = self.said()
        run = next(r for r in kept["runs"] if r["step"] == "long")
        lasted = datetime.fromisoformat(run["ended"]) - datetime.fromisoformat(run["began"])
        # As long as it ran, not as long as it took to be sent.
        self.assertTrue(1.0 < lasted.total_seconds() < 30.0, lasted)
        self.assertEqual([r["value"] for r in kept["readings"]], ["14.1 V"])

    def test_two_phones_on_one_start_go_by_one_clock(self) -> None:
        first = self.start(holds=SIGNED, runs=BEFORE)
        other = self.page.context.browser.new_context(viewport=PHONE)
        second = other.new_page()
        # Its own clock is a minute and a half ahead.
        second.clock.install(time=datetime.now(UTC) + timedelta(seconds=90))
        second.goto(f"{self.base}/builds/{self.build}/start/go")
        expect(second.get_by_role("button", name="Start 10 to 20 min")).to_be_visible()
        first.get_by_role("button", name="Start 10 to 20 min").click()
        expect(first.locator(".clock")).to_be_visible()
        second.clock.run_for(9000)
        expect(second.locator(".clock")).to_be_visible()
        second.clock.run_for(1000)
        # Nine and one seconds were run for it; the first's went by themselves.
        self.assertLess(abs(self.seconds(second) - self.seconds(first)), 15)
        second.get_by_role("button", name=re.compile("Battery's posts, idling")).click()
        second.get_by_label("Taken").fill("14.2")
        second.get_by_role("button", name="Take", exact=True).click()
        # The first phone sees what the second has read.
        expect(first.get_by_role("button", name=re.compile("Battery's posts, idling"))).to_contain_text("14.2 V")
        with self.saved():
            first.get_by_role("button", name="Engine off", exact=True).click()
        self.assertEqual(len([r for r in self.said()["runs"] if r["step"] == "long"]), 1)
        other.close()

    def test_the_search_goes_by_what_is_looked_at(self) -> None:
        page = self.start("faults")
        page.get_by_role("button", name="Overheats at idle").click()
        expect(page.get_by_text("Coolant on the gauge, idling warm").first).to_be_visible()
        page.get_by_label("Coolant on the gauge, idling warm").fill("112")
        page.get_by_role("button", name="Enter").first.click()
        expect(page.get_by_role("heading", level=1)).to_contain_text("Fan does not run")
        page.get_by_text("Fan turns with the gauge over its switch").click()
        page.get_by_role("button", name="stands").click()
        page.get_by_text("A sheet of paper before the core, fan on").click()
        page.get_by_role("button", name="falls").click()
        expect(page.get_by_role("heading", level=1)).to_have_text("Fan does not run.")
        page.get_by_role("button", name="take out: Fan turns with the gauge over its switch").click()
        expect(page.get_by_role("button", name="take out: Fan turns with the gauge over its switch")).to_have_count(0)

    def test_a_runaway_is_told_at_once(self) -> None:
        self.build = self.build_of(demo("dripping-well"))
        page = self.go(f"/builds/{self.build}/start/faults")
        page.get_by_role("button", name="A diesel runs away").click()
        expect(page.get_by_role("note").first).to_contain_text("Block the intake")
        expect(page.get_by_role("note").first).to_contain_text("Never open the fuel")

    def test_a_simulated_engine_hangs_on_the_gauges(self) -> None:
        page = self.start(holds=SIGNED, runs=BEFORE)
        page.get_by_role("button", name="Try it at a desk").click()
        page.get_by_role("button", name="Hang it on").click()
        expect(page.get_by_text("It hangs on the gauges: sound.")).to_be_visible()
        page.get_by_role("button", name="Start 10 to 20 min").click()
        page.get_by_role("button", name=re.compile("the simulated gauge shows")).click()
        with self.saved():
            page.get_by_role("button", name="Engine off", exact=True).click()
        self.assertEqual(self.said()["readings"][0]["made_up"], "yes")
        self.assertEqual(next(r for r in self.said()["runs"] if r["step"] == "long")["pace"], "10")

    def test_a_thumb_finds_its_buttons(self) -> None:
        page = self.start(holds=SIGNED, runs=[*BEFORE, {"id": "now", "step": "long", "began": ago(100)}])
        for name in ("Engine off", "Something is wrong"):
            size = page.get_by_role("button", name=name, exact=True).bounding_box()
            assert size is not None
            self.assertGreaterEqual(min(size["width"], size["height"]), 48.0)
