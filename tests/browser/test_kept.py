"""What was typed is never lost: windows side by side, lost connections, refusals on return, a server that fails."""

import json
from typing import Any

from playwright.sync_api import Page, Route, expect
from sqlalchemy import update

from gauge_well.services import builds
from gauge_well.services.merging import standing
from gauge_well.store.models import Build
from gauge_well.store.session import transaction
from tests.browser.pages import BrowserCase
from tests.support import ROAD, changed

DEPTH = "cooling.core.depth"
WIDTH = "cooling.core.width"


class KeptCase(BrowserCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = self.build_of(ROAD)

    def tearDown(self) -> None:
        self.window.unroute_all()
        self.errors.clear()  # answers that failed are spoken of in the console
        super().tearDown()

    def text(self, path: str, build: str = "") -> str:
        return str(builds.get(self.engine, build or self.build)["facts"][path]["text"])

    def station(self, page: Page | None = None) -> Page:
        return self.go(f"/builds/{self.build}/cooling", page)

    def lose(self, page: Page) -> None:
        """Writes of this page do not reach the server."""
        page.route("**/api/builds/**", lambda r: r.abort() if r.request.method == "PATCH" else r.continue_())

    def answer(self, page: Page, status: int, method: str = "PATCH", address: str = "**/api/builds/**") -> None:
        """The next call of this page by a method is answered by a problem."""
        body = {"title": "The program failed on this request.", "status": status, "code": "bug"}
        used: list[Route] = []

        def refuse(route: Route) -> None:
            if route.request.method == method and not used:
                used.append(route)
                route.fulfill(status=status, content_type="application/problem+json", body=json.dumps(body))
            else:
                route.fallback()

        page.route(address, refuse)

    def type_on(self, page: Page, path: str, text: str) -> None:
        page.locator(f'button[data-path="{path}"]').click()
        field = page.locator(f'input[data-path="{path}"]')
        field.fill(text)
        field.press("Enter")


class Windows(KeptCase):
    def test_different_facts_of_two_windows_are_both_kept(self) -> None:
        self.station()
        second = self.station(self.window.new_page())
        self.give(DEPTH, "40 mm")
        self.type_on(second, WIDTH, "610 mm")
        note = second.get_by_text("Also changed in another window")
        expect(note).to_contain_text("40 mm")
        expect(second.get_by_text("rev 3")).to_be_visible()
        self.assertEqual((self.text(DEPTH), self.text(WIDTH)), ("40 mm", "610 mm"))
        second.get_by_role("button", name="Close").click()
        expect(note).to_have_count(0)

    def test_the_same_typed_twice_is_no_conflict(self) -> None:
        self.station()
        second = self.station(self.window.new_page())
        self.give(DEPTH, "47 mm")
        self.type_on(second, DEPTH, "47 mm")
        expect(second.get_by_text("Saved · rev 2")).to_be_visible()
        expect(second.get_by_role("dialog")).to_have_count(0)

    def test_an_old_edit_from_a_lost_window_does_not_overwrite_a_newer_one(self) -> None:
        old = self.station(self.window.new_page())
        self.lose(old)
        self.type_on(old, DEPTH, "33 mm")
        expect(old.get_by_text("kept in this browser")).to_be_visible()
        self.station()
        self.give(DEPTH, "47 mm")
        old.unroute_all()
        dialog = old.get_by_role("dialog", name="This build was changed elsewhere")
        expect(dialog).to_contain_text("33 mm")
        expect(dialog).to_contain_text("47 mm")
        self.assertEqual(self.text(DEPTH), "47 mm")
        old.get_by_role("button", name="Take what is there").click()
        expect(old.get_by_text("Saved · rev 2")).to_be_visible()
        self.assertEqual(self.text(DEPTH), "47 mm")

    def test_a_window_does_not_take_anothers_waiting_edits(self) -> None:
        """Both are lost, one is closed: its edit goes by the window that stays, which keeps its own."""
        first, second = (self.station(self.window.new_page()) for _ in range(2))
        for page, path, text in ((first, DEPTH, "31 mm"), (second, WIDTH, "620 mm")):
            self.lose(page)
            self.type_on(page, path, text)
            expect(page.get_by_text("kept in this browser")).to_be_visible()
        keys = [k for k in first.evaluate("Object.keys(localStorage)") if k.startswith("gauge-well-kept:")]
        self.assertEqual(len(keys), 2)
        # A third opens while both live: neither's edit is its to send.
        third = self.station(self.window.new_page())
        self.assertEqual(self.text(DEPTH), "26 mm")
        third.close()
        first.close()
        second.unroute_all()
        expect(second.get_by_text("Saved · rev 2")).to_be_visible()
        again = self.station(self.window.new_page())
        expect(again.get_by_text("Saved · rev 3")).to_be_visible()
        self.assertEqual((self.text(DEPTH), self.text(WIDTH)), ("31 mm", "620 mm"))
        self.assertFalse([k for k in again.evaluate("Object.keys(localStorage)") if k.startswith("gauge-well-kept:")])


class OnReturn(KeptCase):
    def test_one_refused_on_return_is_shown_and_kept(self) -> None:
        page = self.station(self.window.new_page())
        self.lose(page)
        self.type_on(page, DEPTH, "4 m")
        expect(page.get_by_text("kept in this browser")).to_be_visible()
        page.close()
        again = self.station()
        note = again.get_by_role("alert").filter(has_text="Not taken")
        expect(note).to_contain_text("4 m")
        expect(note).to_contain_text("outside")
        self.station()
        expect(note).to_contain_text("4 m")
        with self.saved():
            self.type_fact(WIDTH, "610 mm")
        expect(note).to_contain_text("4 m")
        note.get_by_role("button", name="Drop it").click()
        expect(note).to_have_count(0)
        self.assertEqual(self.text(DEPTH), "26 mm")

    def test_an_edit_the_program_fails_on_is_set_aside_and_later_ones_go_on(self) -> None:
        page = self.station()
        self.answer(page, 500)
        self.type_fact(DEPTH, "31 mm")
        note = page.get_by_role("alert").filter(has_text="Not taken")
        expect(note).to_contain_text("31 mm")
        page.locator(f'input[data-path="{DEPTH}"]').press("Escape")
        with self.saved():
            self.type_fact(WIDTH, "610 mm")
        self.assertEqual((self.text(DEPTH), self.text(WIDTH)), ("26 mm", "610 mm"))
        with self.saved():
            note.get_by_role("button", name="Try again").click()
        expect(note).to_have_count(0)
        self.assertEqual(self.text(DEPTH), "31 mm")

    def test_a_database_that_does_not_answer_is_waited_for(self) -> None:
        page = self.station()
        self.answer(page, 503)
        self.type_fact(DEPTH, "31 mm")
        expect(page.get_by_text("Not saved yet")).to_be_visible()
        expect(page.get_by_text("Saved · rev 2")).to_be_visible()
        self.assertEqual(self.text(DEPTH), "31 mm")

    def test_a_late_answer_does_not_take_the_place_of_another_build(self) -> None:
        other = self.build_of(changed(ROAD, name="The other one"))
        page = self.station()
        held: list[Route] = []
        page.route("**/api/builds/*", lambda r: held.append(r) if r.request.method == "PATCH" else r.continue_())
        self.type_fact(DEPTH, "31 mm")
        page.evaluate(
            "path => { history.pushState({}, '', path); dispatchEvent(new PopStateEvent('popstate', {state: {}})) }",
            f"/builds/{other}/cooling",
        )
        expect(page.get_by_role("button", name="The other one", exact=True)).to_be_visible()
        with page.expect_response(lambda r: r.request.method == "PATCH"):
            held[0].continue_()
        self.settle()
        expect(page.get_by_role("button", name="The other one", exact=True)).to_be_visible()
        expect(page.get_by_text("Saved · rev 1")).to_be_visible()
        self.assertEqual((self.text(DEPTH), self.text(DEPTH, other)), ("31 mm", "26 mm"))


class WholeBuild(KeptCase):
    def menu(self, page: Page) -> None:
        page.get_by_role("button", name=ROAD["name"], exact=True).click()

    def test_what_fails_says_so(self) -> None:
        page = self.station()
        self.give(DEPTH, "40 mm")
        for name, method, said in (("Copy", "POST", "Not copied"), ("Delete", "DELETE", "Not deleted")):
            self.menu(page)
            self.answer(page, 500, method)
            page.get_by_role("dialog").get_by_role("button", name=name).click()
            expect(page.get_by_role("dialog").get_by_role("alert")).to_contain_text(said)
            page.keyboard.press("Escape")
            expect(page.get_by_role("dialog")).to_have_count(0)
        self.menu(page)
        self.answer(page, 500, "GET", "**/revisions")
        page.get_by_role("button", name="History").click()
        expect(page.get_by_role("dialog").get_by_role("alert")).to_contain_text("The history did not load")
        page.get_by_role("button", name="Try again").click()
        expect(page.get_by_role("dialog").get_by_role("listitem").filter(has_text="made")).to_be_visible()
        page.get_by_role("button", name="Close").click()
        expect(page.get_by_role("dialog")).to_have_count(0)
        self.answer(page, 500, "POST")
        page.get_by_role("button", name="Undo").click()
        expect(page.get_by_role("alert").filter(has_text="Not undone")).to_be_visible()
        with self.saved():
            page.get_by_role("button", name="Undo").click()
        self.assertEqual(self.text(DEPTH), "26 mm")

    def test_a_revision_is_named_and_looked_at(self) -> None:
        page = self.station()
        self.give(DEPTH, "40 mm")
        self.menu(page)
        page.get_by_role("button", name="History").click()
        page.get_by_role("button", name="name revision 1").click()
        page.get_by_label("Name of revision 1").fill("As bought")
        page.get_by_role("button", name="Name it").click()
        expect(page.get_by_role("dialog")).to_contain_text("As bought. made")
        expect(page.get_by_role("dialog")).to_contain_text("the last 50 changes")
        expect(page.get_by_role("dialog")).to_contain_text("Core depth: 40 mm")
        with page.expect_download() as saved:
            page.get_by_role("button", name="save revision 1 as a file").click()
        document: dict[str, Any] = json.loads(saved.value.path().read_text())
        self.assertEqual(standing(document, DEPTH)["text"], "26 mm")

    def test_deleted_builds_lie_in_the_bin(self) -> None:
        builds.delete(self.engine, self.build, 1)
        page = self.go("/")
        self.follow(page.get_by_role("link", name="Bin"), "**/bin")
        expect(page.get_by_text("thirty days")).to_be_visible()
        page.get_by_role("button", name=f"Bring {ROAD['name']} back").click()
        expect(page.get_by_role("button", name=f"Bring {ROAD['name']} back")).to_have_count(0)
        self.assertEqual(self.text(DEPTH), "26 mm")

    def test_a_build_of_a_newer_program_is_shown_raw(self) -> None:
        with transaction(self.engine) as session:
            newer = builds.find(session, self.build).document | {"format": "gauge-well-build/9"}
            session.execute(update(Build).where(Build.id == self.build).values(document=newer, card=None))
        page = self.go("/")
        page.get_by_role("heading", name=ROAD["name"]).first.click()
        expect(page.get_by_role("heading", name="This build cannot be worked as it stands")).to_be_visible()
        expect(page.get_by_text("gauge-well-build/9").first).to_be_visible()
        with page.expect_download() as saved:
            page.get_by_role("button", name="Save as a file").click()
        self.assertEqual(json.loads(saved.value.path().read_text())["format"], "gauge-well-build/9")
        self.hold("a build that does not stand")
        self.assertEqual(page.locator('li:has-text("made") >> text=bring back').count(), 0)

    def test_every_build_as_files(self) -> None:
        page = self.go("/")
        with page.expect_download() as saved:
            page.get_by_role("link", name="Save all as files").click()
        self.assertEqual(saved.value.suggested_filename, "gauge-well-builds.zip")


class Ways(KeptCase):
    def test_a_link_past_the_bar(self) -> None:
        page = self.station()
        page.keyboard.press("Tab")
        link = page.get_by_role("link", name="Skip to the page")
        expect(link).to_be_focused()
        expect(link).to_be_in_viewport()
        link.press("Enter")
        expect(page.locator("main")).to_be_focused()

    def test_what_is_not_there_has_a_heading(self) -> None:
        for path, heading in (
            ("/nothing/here", "There is nothing at this address"),
            ("/builds/nobody", "This build is not shown"),
        ):
            page = self.go(path)
            expect(page.get_by_role("heading", level=1, name=heading)).to_be_visible()
            self.hold(path)
