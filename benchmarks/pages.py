"""The pages: bytes that travel for each, gzipped, and how long the browser takes to answer a hand."""

from __future__ import annotations

import gzip
import json
from collections.abc import Callable, Iterator
from functools import cache, partial
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from benchmarks.counts import Count
from benchmarks.timing import Line
from benchmarks.web import cluster, server
from gauge_well.launch.setup import CHROMIUM, CHROMIUM_FLAGS

DIST = Path(__file__).resolve().parent.parent / "frontend" / "dist"
ENTRY = "index.html"
FRAME = "src/features/frame/BuildFrame.vue"
CHART = "src/ui/ChartPanel.vue"  # shared by all that plot: counted once and apart
FIRST, OWN = 150_000, 60_000  # bytes aimed at: a first page, what a station brings besides
# Delays of the browser's own event timing: from the hand to the next picture, in steps of 8 ms, from 16 ms on.
WATCH = """() => {
  window.delays = []
  new PerformanceObserver((list) => {
    for (const e of list.getEntries()) if (e.interactionId) window.delays.push([e.duration, e.name])
  }).observe({ type: 'event', durationThreshold: 16, buffered: true })
}"""


@cache
def _packed(name: str) -> int:
    return len(gzip.compress((DIST / name).read_bytes(), 9))


def _manifest() -> dict[str, dict[str, object]]:
    found: dict[str, dict[str, object]] = json.loads((DIST / ".vite" / "manifest.json").read_text())
    return found


def closure(manifest: dict[str, dict[str, object]], *roots: str) -> set[str]:
    """Scripts and styles that are read before ``roots`` can be shown."""
    seen: set[str] = set()
    files: set[str] = set()
    open_ = list(roots)
    while open_:
        name = open_.pop()
        if name in seen:
            continue
        seen.add(name)
        part = manifest[name]
        files |= {str(part["file"]), *map(str, part.get("css", []))}  # type: ignore[call-overload]
        open_ += list(part.get("imports", []))  # type: ignore[call-overload]
    return {f for f in files if f.endswith((".js", ".css"))}


def sizes() -> list[Count]:
    """Bytes of the shelf, of the bench, of the charts, and what each other page brings besides."""
    manifest = _manifest()
    chart = closure(manifest, ENTRY, CHART) - closure(manifest, ENTRY)

    def weigh(files: set[str]) -> int:
        return sum(map(_packed, sorted(files - chart)))

    shelf = closure(manifest, ENTRY, "src/features/shelf/ShelfPage.vue")
    bench = closure(manifest, ENTRY, FRAME, "src/features/bench/BenchPage.vue")
    found = [
        Count("first page: the shelf", weigh(shelf), "bytes", FIRST),
        Count("first page: a bench by its address", weigh(bench), "bytes", FIRST),
        Count("charts, once", sum(map(_packed, chart)), "bytes"),
    ]
    pages = sorted(n for n in manifest if n.startswith("src/features/") and n.endswith(("Station.vue", "Page.vue")))
    brings = {Path(name).stem: closure(manifest, name) - bench - shelf - chart for name in pages}
    # What several pages bring is read once, with the first of them.
    shared = {f for f in set[str]().union(*brings.values()) if sum(f in own for own in brings.values()) > 1}
    stations = {name: own for name, own in brings.items() if name.endswith("Station")}
    found.append(
        Count("with the first station, once: the most", max(weigh(s & shared) for s in stations.values()), "bytes")
    )
    return found + [Count(f"of its own: {name}", weigh(own - shared), "bytes", OWN) for name, own in brings.items()]


def _bench(page: Page) -> Iterator[Callable[[], object]]:
    line = page.get_by_role("slider", name="Wanted power")
    for key in ("ArrowRight", "ArrowRight", "ArrowLeft", "Escape"):
        yield partial(line.press, key)
    for key in ("u", "u", "u", "u", "f", "Escape", "?", "Escape"):
        yield partial(page.keyboard.press, key)
    yield page.get_by_role("button", name="Make it").first.hover
    yield page.get_by_role("button", name="price").first.click


def _fuel(page: Page) -> Iterator[Callable[[], object]]:
    for tab in ("Pumps", "Over speed", "Lines and suction", "Tank", "Guards and change", "Circuit"):
        yield page.get_by_role("tab", name=tab).click
    yield page.locator("[data-working]").click
    yield page.locator("[data-working]").click
    yield page.locator('button[data-path="fuel.injectors.flow"]').click
    yield lambda: page.keyboard.type("570")
    yield lambda: page.keyboard.press("Escape")
    yield page.locator("button[aria-expanded]").first.click


def delays() -> list[Line]:
    """The longest a page takes to answer a key or a click, of the truck's bench and its fuel station."""
    lines = []
    with cluster() as url, server(url) as port, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=str(CHROMIUM), args=CHROMIUM_FLAGS)
        for name, path, actions in (("bench", "", _bench), ("fuel station", "/fuel", _fuel)):
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(f"http://127.0.0.1:{port}/builds/quarry-mule{path}", wait_until="networkidle")
            page.evaluate(WATCH)
            for action in actions(page):
                action()
                page.wait_for_timeout(400)
            found = sorted(page.evaluate("() => window.delays"))
            times = [t / 1e3 for t, _ in found] or [0.0]
            lines.append(Line(f"longest answer to a hand, {name}", times[-1], times[-1] - times[len(times) // 2], 0.2))
            page.close()
        browser.close()
    return lines
