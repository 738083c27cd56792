"""A real browser on the built pages, served over a real database."""

from __future__ import annotations

import threading
from collections.abc import Sequence
from typing import Any

from playwright.sync_api import Browser, BrowserContext, Page, Playwright, expect, sync_playwright
from werkzeug.serving import BaseWSGIServer, WSGIRequestHandler, make_server

from gauge_well.services import builds
from gauge_well.web.app import create_app
from tests.database import DatabaseCase
from tests.support import ROOT

CHROMIUM = "/usr/bin/chromium"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--no-first-run", "--disable-sync"]
WIDE = {"width": 1280, "height": 800}
PHONE = {"width": 390, "height": 844}
AXE = ROOT / "frontend" / "node_modules" / "axe-core" / "axe.min.js"


class Quiet(WSGIRequestHandler):
    """Requests are not printed between the tests' dots."""

    def log(self, type: str, message: str, *args: Any) -> None:
        """Say nothing."""


class BrowserCase(DatabaseCase):
    """Tests that drive the pages; each has a context of its own and fails on errors in the console."""

    server: BaseWSGIServer
    playwright: Playwright
    browser: Browser
    base: str
    context: BrowserContext
    page: Page

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        builds.load_demos(cls.engine)
        cls.app = create_app(cls.url)
        cls.server = make_server("127.0.0.1", 0, cls.app, threaded=True, request_handler=Quiet)
        cls.base = f"http://127.0.0.1:{cls.server.server_port}"
        cls.thread = threading.Thread(target=cls.server.serve_forever, daemon=True)
        cls.thread.start()
        cls.playwright = sync_playwright().start()
        cls.browser = cls.playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        expect.set_options(timeout=15_000)

    @classmethod
    def tearDownClass(cls) -> None:
        cls.browser.close()
        cls.playwright.stop()
        cls.server.shutdown()
        cls.thread.join(10)
        cls.server.server_close()
        cls.app.extensions["gauge_well_engine"].dispose()
        super().tearDownClass()

    def setUp(self) -> None:
        self.errors: list[str] = []
        self.outside: list[str] = []
        self.context = self.new_context()
        self.page = self.context.new_page()

    def tearDown(self) -> None:
        self.context.close()
        self.assertEqual(self.errors, [], "errors in the console")
        self.assertEqual(self.outside, [], "requests to elsewhere")

    def new_context(self, **options: Any) -> BrowserContext:
        """A fresh window with nothing remembered."""
        context = self.browser.new_context(**({"viewport": WIDE, "reduced_motion": "reduce"} | options))
        context.on(
            "console",
            lambda m: self.errors.append(m.text) if m.type == "error" and "status of 4" not in m.text else None,
        )
        context.on("weberror", lambda e: self.errors.append(str(e.error)))
        context.on(
            "request", lambda r: None if r.url.startswith((self.base, "data:", "blob:")) else self.outside.append(r.url)
        )
        return context

    def go(self, path: str, page: Page | None = None, *, settled: bool = False) -> Page:
        """Open an address and wait for its first words, or until all it asks for has come (``settled``)."""
        page = page or self.page
        page.goto(self.base + path, wait_until="networkidle" if settled else "load")
        page.locator("main h1, main p").first.wait_for()
        return page

    def fact(self, path: str) -> Any:
        """The button that shows a fact."""
        return self.page.locator(f'button[data-path="{path}"]')

    def type_fact(self, path: str, text: str) -> None:
        """Type into a fact and leave it with Enter."""
        self.fact(path).click()
        field = self.page.locator(f'input[data-path="{path}"]')
        field.fill(text)
        field.press("Enter")

    def give(self, path: str, text: str) -> None:
        """Type into a fact and wait until it is taken, so that the page stands still for the next."""
        self.type_fact(path, text)
        expect(self.fact(path)).to_be_visible()

    def serious_faults(self, where: str = "document") -> list[str]:
        """What the accessibility rules find serious or worse on the page, or under a selector of it."""
        self.page.evaluate(AXE.read_text())
        root = where if where == "document" else f"'{where}'"
        found = self.page.evaluate(f"() => axe.run({root}, {{resultTypes: ['violations']}})")
        return [_told(v) for v in found["violations"] if v["impact"] in ("serious", "critical")]

    def hold_drawings(self, path: str, tabs: Sequence[str]) -> None:
        """Every drawing of a station, light at the desk and dark on a phone: as wide as its page, no serious fault."""
        for size in (None, PHONE):
            if size:
                self.page.set_viewport_size(size)
            self.page.emulate_media(color_scheme="dark" if size else "light", reduced_motion="reduce")
            self.go(path, settled=True)
            for tab in tabs:
                self.page.get_by_role("tab", name=tab).click()
                expect(self.page.get_by_role("tab", name=tab)).to_have_attribute("aria-selected", "true")
                self.page.wait_for_load_state("networkidle")
                wide = self.page.evaluate(
                    "() => Math.max(...[...document.querySelectorAll('main')].map(m => m.scrollWidth - m.clientWidth))"
                )
                self.assertLessEqual(wide, 0, tab)
                self.assertEqual(self.serious_faults(), [], f"{tab} {size}")


def _told(violation: dict[str, Any]) -> str:
    where = "; ".join(node["html"][:160] for node in violation["nodes"][:3])
    return f"{violation['id']}: {where}"
