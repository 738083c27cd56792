"""Pictures of the main views from the demo builds, into ``docs/screenshots``.

``./gw shots [--url URL] [--out FOLDER] [name ...]`` while ``./gw demo`` runs.
"""

from __future__ import annotations

import argparse
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from gauge_well.launch.setup import CHROMIUM, CHROMIUM_FLAGS

HERE = Path(__file__).parent
WIDE, PHONE = (1280, 800), (390, 844)

# name -> path, size, theme
VIEWS: dict[str, tuple[str, tuple[int, int], str]] = {
    "shelf": ("/", WIDE, "light"),
    "first-answer": ("/new", WIDE, "light"),
    "bench": ("/builds/quarry-mule", WIDE, "light"),
    "fit": ("/builds/quarry-mule/fit", WIDE, "light"),
    "mounts": ("/builds/quarry-mule/mounts/loads", WIDE, "light"),
    "weights": ("/builds/quarry-mule/weights/ledger", WIDE, "dark"),
    "oil": ("/builds/chalk-hare/oil", WIDE, "light"),
    "exhaust": ("/builds/quarry-mule/exhaust", WIDE, "light"),
    "cooling": ("/builds/quarry-mule/cooling", WIDE, "light"),
    "boat": ("/builds/salt-heron/boat/exhaust", WIDE, "light"),
    "belts": ("/builds/quarry-mule/belts/route", WIDE, "light"),
    "electrics": ("/builds/quarry-mule/electrics/loads", WIDE, "light"),
    "order": ("/builds/quarry-mule/order/now", WIDE, "light"),
    "driveline": ("/builds/quarry-mule/driveline/stack", WIDE, "light"),
    "controls": ("/builds/quarry-mule/controls/brakes", WIDE, "light"),
    "fuel": ("/builds/quarry-mule/fuel", WIDE, "light"),
    "need-sheet": ("/builds/quarry-mule/need", WIDE, "light"),
    "round-phone": ("/builds/quarry-mule/round", PHONE, "light"),
    "bench-phone": ("/builds/quarry-mule", PHONE, "light"),
}
# Picked and typed into the page of a new build before the picture of its bench is taken; the build is taken off the shelf again.
PICKED = {"first-answer": {"Machine": "road car", "Fuel": "petrol E10"}}
TYPED = {
    "first-answer": {
        "power": "160 kW",
        "speed": "6500 rpm",
        "displacement": "2.8 L",
        "cylinders": "6",
        "mass": "1450 kg",
    }
}


# Nothing is worked out or on its way, and no search that could be stopped runs.
QUIET = """() => !document.querySelector('main[aria-busy=true], main .ant-skeleton')
  && ![...document.querySelectorAll('main button')].some((b) => b.textContent.trim() === 'Stop')"""


def _settle(page: Page) -> None:
    """A page says while it works something out: longer on a machine that does more."""
    # A search begins a moment after the page stands: it is quiet once it has been so twice.
    for _ in range(2):
        page.wait_for_timeout(2000)
        page.wait_for_function(QUIET, timeout=180_000)
    page.wait_for_timeout(400)


def main() -> None:
    """Take the pictures asked for, all otherwise."""
    parser = argparse.ArgumentParser()
    parser.add_argument("names", nargs="*")
    parser.add_argument("--url", default="http://127.0.0.1:8765")
    parser.add_argument("--out", type=Path, default=HERE / "screenshots")
    options = parser.parse_args()
    options.out.mkdir(parents=True, exist_ok=True)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=str(CHROMIUM), args=CHROMIUM_FLAGS)
        for name in options.names or VIEWS:
            path, (width, height), scheme = VIEWS[name]
            page = browser.new_page(viewport={"width": width, "height": height}, color_scheme=scheme)
            page.goto(options.url + path)
            _settle(page)
            for field, label in PICKED.get(name, {}).items():
                page.locator(f'[data-pick="{field}"] .ant-select-selector').click()
                page.locator(f'.ant-select-item-option[title="{label}"]:visible').click()
            typed = TYPED.get(name, {})
            for field, text in typed.items():
                page.locator(f'[name="{field}"]').fill(text)
            if typed:
                page.get_by_role("button", name="To the bench").click()
                page.wait_for_url("**/builds/*")
                _settle(page)
            page.screenshot(path=str(options.out / f"{name}.png"))
            print(name, flush=True)
            if typed:
                api = options.url + "/api/builds/" + page.url.rsplit("/", 1)[1]
                page.request.delete(api, headers={"If-Match": '"1"'})
            page.close()
        browser.close()


if __name__ == "__main__":
    main()
