"""A real browser on the built pages, served over a real database: one browser and one server a process."""

from __future__ import annotations

import json
import re
import threading
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from contextlib import contextmanager
from functools import cache
from multiprocessing.util import Finalize
from typing import Any

from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect, sync_playwright
from sqlalchemy import select
from werkzeug.serving import WSGIRequestHandler, make_server

from gauge_well.launch.setup import CHROMIUM, CHROMIUM_FLAGS
from gauge_well.services import builds
from gauge_well.sheet.demo import NAMES
from gauge_well.store.models import Build
from gauge_well.store.session import make_engine, transaction
from gauge_well.web.app import create_app
from gauge_well.web.documents import STREAM
from tests.database import SHELF, DatabaseCase
from tests.support import ROOT

NOWHERE = "postgresql://127.0.0.1/none"  # served between the tests of two classes
WIDE = {"width": 1280, "height": 800}
PHONE = {"width": 390, "height": 844}
# How a page is looked at: in which colours, how large, and by which accessibility rules (all, or those of colour
# where nothing else differs).
LOOKS = (("light", WIDE, ""), ("dark", WIDE, "color-contrast"), ("dark", PHONE, ""))
LOOKS_DRAWN = (LOOKS[0], LOOKS[2])
OVERHANG = """() => [
  Math.max(document.documentElement.scrollWidth - innerWidth,
    ...[...document.querySelectorAll('main')].map((m) => m.scrollWidth - m.clientWidth)),
  document.documentElement.scrollHeight - innerHeight,
]"""
FAULTS = """async ([where, rule]) => {
  const options = { resultTypes: ['violations'], ...(rule ? { runOnly: [rule] } : {}) }
  const found = await axe.run(where || document, options)
  return found.violations.filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => v.id + ': ' + v.nodes.slice(0, 3).map((n) => n.html.slice(0, 160)).join('; '))
}"""
AXE = ROOT / "frontend" / "node_modules" / "axe-core" / "axe.min.js"
PATIENCE = 40_000  # ms, for a machine that does other work
DONE = json.dumps({"event": "done"}).encode() + b"\n"


class Quiet(WSGIRequestHandler):
    """Requests are not printed between the tests' lines."""

    def log(self, type: str, message: str, *args: Any) -> None:
        """Say nothing."""


class Site:
    """The application on a port, with a browser beside it.

    ``explores``: whether it works ``/api/explore``; else the stream is answered as done at once, so that tests of
    other things do not pay for it.
    """

    def __init__(self) -> None:
        self.app = create_app(NOWHERE)
        self.explores = False
        self.server = make_server("127.0.0.1", 0, self.answer, threaded=True, request_handler=Quiet)
        self.base = f"http://127.0.0.1:{self.server.server_port}"
        self.thread = threading.Thread(target=self.server.serve_forever, daemon=True)
        self.thread.start()
        self.playwright = sync_playwright().start()
        self.browser: Browser = self.playwright.chromium.launch(executable_path=str(CHROMIUM), args=CHROMIUM_FLAGS)
        expect.set_options(timeout=PATIENCE)

    def answer(self, environ: dict[str, Any], start: Callable[..., Any]) -> Iterable[bytes]:
        """The application, but for explorations that nobody waits for."""
        if environ["PATH_INFO"] == "/api/explore" and not self.explores:
            environ["wsgi.input"].read(int(environ.get("CONTENT_LENGTH") or 0))
            start("200 OK", [("Content-Type", STREAM), ("Content-Length", str(len(DONE)))])
            return [DONE]
        return self.app(environ, start)

    def serve(self, url: str) -> None:
        """Take another database."""
        self.app.extensions["gauge_well_engine"].dispose()
        self.app.extensions["gauge_well_engine"] = make_engine(url)

    def close(self) -> None:
        """Close the browser and stop serving."""
        self.browser.close()
        self.playwright.stop()
        self.server.shutdown()
        self.thread.join(10)
        self.server.server_close()
        self.app.extensions["gauge_well_engine"].dispose()


@cache
def site() -> Site:
    """This process's site; closed when the process ends."""
    made = Site()
    Finalize(None, made.close, exitpriority=10)
    return made


class BrowserCase(DatabaseCase):
    """Tests that drive the pages; each has a page of its own and fails on errors in the console.

    A class shares one window, so that its scripts are read once; what pages keep is cleared between tests. The demo
    builds are there to be looked at; a test that edits makes a build of its own.
    """

    template_kind = SHELF
    explores = False
    base: str
    window: BrowserContext
    page: Page
    errors: list[str]
    outside: list[str]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.site = site()
        cls.site.explores = cls.explores
        cls.site.serve(cls.url)
        cls.base = cls.site.base
        cls.errors, cls.outside = [], []
        cls.window = cls.new_window()

    @classmethod
    def tearDownClass(cls) -> None:
        cls.window.close()
        cls.site.serve(NOWHERE)
        super().tearDownClass()

    def setUp(self) -> None:
        self.errors.clear()
        self.outside.clear()
        self.page = self.window.new_page()
        keeper = self.window.new_cdp_session(self.page)
        keeper.send("Storage.clearDataForOrigin", {"origin": self.base, "storageTypes": "local_storage"})

    def tearDown(self) -> None:
        self.window.unroute_all()
        for page in self.window.pages:
            page.close()
        self.assertEqual(self.errors, [], "errors in the console")
        self.assertEqual(self.outside, [], "requests to elsewhere")
        with transaction(self.engine) as session:
            edited = session.scalars(select(Build.id).where(Build.id.in_(NAMES), Build.revision != 1)).all()
        self.assertEqual(list(edited), [], "demo builds edited")

    @classmethod
    def new_window(cls, **options: Any) -> BrowserContext:
        """A fresh window with nothing remembered."""
        window = cls.site.browser.new_context(**({"viewport": WIDE, "reduced_motion": "reduce"} | options))
        window.on(
            "console",
            lambda m: cls.errors.append(m.text) if m.type == "error" and "status of 4" not in m.text else None,
        )
        window.on("weberror", lambda e: cls.errors.append(str(e.error)))
        window.on(
            "request", lambda r: None if r.url.startswith((cls.base, "data:", "blob:")) else cls.outside.append(r.url)
        )
        return window

    def build_of(self, raw: Mapping[str, Any]) -> str:
        """A build of this test's own; returns its id."""
        return str(builds.create(self.engine, raw)["id"])

    def go(self, path: str, page: Page | None = None) -> Page:
        """Open an address and wait until the page has worked out what it shows."""
        page = page or self.page
        page.goto(self.base + path)
        self.settle(page)
        return page

    def station(self, name: str) -> Locator:
        """A station's place in the rail."""
        return self.page.get_by_role("navigation", name="Stations").get_by_role("link", name=name)

    def follow(self, link: Locator, path: str) -> None:
        """Click what leads to an address of the page's own and wait until the page has worked out what it shows."""
        link.click()
        link.page.wait_for_url(path)
        self.settle(link.page)

    def settle(self, page: Page | None = None) -> None:
        """Wait until the page no longer says that it is at work."""
        (page or self.page).locator("main:not([aria-busy=true])").first.wait_for()

    def revision(self, page: Page | None = None) -> int:
        """Revision of the build the page shows."""
        return int((page or self.page).locator("main").get_attribute("data-revision") or 0)

    @contextmanager
    def saved(self, page: Page | None = None, writes: int = 1) -> Iterator[None]:
        """What is done inside is one edit, or several writes: wait until they are kept and the page has worked them."""
        page = page or self.page
        after = self.revision(page) + writes
        yield
        expect(page.locator("main")).to_have_attribute("data-revision", str(after))
        self.settle(page)

    def fact(self, path: str) -> Locator:
        """The button that shows a fact."""
        return self.page.locator(f'button[data-path="{path}"]')

    def field(self, path: str) -> Locator:
        """The field a fact is typed into."""
        return self.page.locator(f'input[data-path="{path}"]')

    def type_fact(self, path: str, text: str) -> None:
        """Type into a fact and leave it with Enter."""
        self.fact(path).click()
        self.field(path).fill(text)
        self.field(path).press("Enter")

    def give(self, path: str, text: str) -> None:
        """Type into a fact and wait until it is kept."""
        with self.saved():
            self.type_fact(path, text)

    def choice(self, name: str, within: Page | Locator | None = None) -> Locator:
        """The field that opens to a list of choices, by the name it goes by."""
        return (within or self.page).get_by_role("combobox", name=name)

    def choose(self, place: Locator, label: str) -> None:
        """Pick from the list a field opens to."""
        page = place.page
        place.locator("xpath=ancestor::*[@data-pick][1]").locator(".ant-select-selector").click()
        page.locator(".ant-select-dropdown:visible .ant-select-item-option").filter(
            has_text=re.compile(f"^{re.escape(label)}$")
        ).click()

    def pick(self, choice: Locator | str, label: str) -> None:
        """Pick one of a fact's choices, by its path or its place, and wait until it is kept."""
        place = self.page.locator(f'input[data-path="{choice}"]') if isinstance(choice, str) else choice
        with self.saved():
            self.choose(place, label)

    def segment(self, group: str, label: str, within: Page | Locator | None = None) -> Locator:
        """One of a few choices beside each other: what is pressed for it."""
        row = (within or self.page).get_by_role("radiogroup", name=group)
        return row.locator("label").filter(has_text=re.compile(f"^{re.escape(label)}$"))

    def slide(self, slider: Locator, value: float) -> None:
        """Drag to a value: pressed near it on the line, then stepped by keys."""
        low, high = (float(slider.get_attribute(f"aria-value{end}") or 0) for end in ("min", "max"))
        line = slider.locator("xpath=..").bounding_box()
        assert line is not None
        share = (value - low) / (high - low)
        slider.page.mouse.click(line["x"] + share * line["width"], line["y"] + line["height"] / 2)
        for _ in range(20):
            off = value - float(slider.get_attribute("aria-valuenow") or 0)
            if abs(off) < 1e-9:
                return
            slider.press("ArrowRight" if off > 0 else "ArrowLeft")

    def press_in(self, button: Locator, label: str) -> None:
        """Press what a button's menu offers."""
        button.click()
        button.page.get_by_role("menuitem", name=label, exact=True).click()

    def tab(self, name: str) -> None:
        """Show one of a station's drawings."""
        tab = self.page.get_by_role("tab", name=name)
        tab.focus()  # one beyond a phone's edge comes into sight before it is pressed
        tab.click()
        expect(tab).to_have_attribute("aria-selected", "true")
        self.settle()

    def look(self, scheme: str, size: dict[str, int]) -> None:
        """See the page in a scheme of colours and at a size."""
        self.page.emulate_media(color_scheme=scheme, reduced_motion="reduce")  # type: ignore[arg-type]
        self.page.set_viewport_size(size)  # type: ignore[arg-type]
        self.page.locator(f"html[data-theme={scheme}]").wait_for()
        self.page.evaluate("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))")

    def serious_faults(self, where: str = "", rule: str = "") -> list[str]:
        """What the accessibility rules, or one of them, find serious or worse on the page, or under a selector of it."""
        if not self.page.evaluate("() => 'axe' in window"):
            self.page.evaluate(AXE.read_text())
        found: list[str] = self.page.evaluate(FAULTS, [where, rule])
        return found

    def hold(self, where: str, *, still: bool = True, looks: Sequence[tuple[str, dict[str, int], str]] = LOOKS) -> None:
        """The page as it stands, in each of some looks: no wider than its window, no serious fault.

        ``still``: the window itself never scrolls, so that the bar and the stations stay.
        """
        for scheme, size, rule in looks:
            self.look(scheme, size)
            note = f"{where}, {scheme}, {size['width']}"
            wide, high = self.page.evaluate(OVERHANG)
            self.assertLessEqual(wide, 0, note)
            if still:
                self.assertLessEqual(high, 0, note)
            self.assertEqual(self.serious_faults(rule=rule), [], note)

    def hold_drawings(self, path: str, tabs: Sequence[str]) -> None:
        """Every drawing of a station held as a page is."""
        self.go(path)
        for tab in tabs:
            self.tab(tab)
            self.hold(tab, looks=LOOKS_DRAWN)
