"""Pictures of the main views from the demo builds, into ``docs/screenshots``.

``./gw shots [--url URL] [--out FOLDER] [name ...]`` while ``./gw demo`` runs.
"""

from __future__ import annotations

import argparse
from pathlib import Path

from playwright.sync_api import sync_playwright

from gauge_well.launch.setup import CHROMIUM, CHROMIUM_FLAGS

HERE = Path(__file__).parent
WIDE, PHONE = (1280, 800), (390, 844)

# name -> path, size, theme
VIEWS: dict[str, tuple[str, tuple[int, int], str]] = {
    "shelf": ("/", WIDE, "light"),
    "new-build": ("/new", WIDE, "light"),
    "first-answer": ("/new", WIDE, "light"),
    "beside": ("/beside/quarry-mule/chalk-hare", WIDE, "light"),
    "bench": ("/builds/quarry-mule", WIDE, "light"),
    "machine": ("/builds/quarry-mule/duties", WIDE, "light"),
    "engine": ("/builds/quarry-mule/engine", WIDE, "light"),
    "fit": ("/builds/quarry-mule/fit", WIDE, "light"),
    "oil": ("/builds/chalk-hare/oil", WIDE, "light"),
    "exhaust": ("/builds/quarry-mule/exhaust", WIDE, "light"),
    "cooling": ("/builds/quarry-mule/cooling", WIDE, "light"),
    "fuel": ("/builds/quarry-mule/fuel", WIDE, "light"),
    "fuel-phone": ("/builds/quarry-mule/fuel", PHONE, "dark"),
    "yard": ("/builds/quarry-mule/yard", WIDE, "light"),
    "need-sheet": ("/builds/quarry-mule/need", WIDE, "light"),
    "round-phone": ("/builds/quarry-mule/round", PHONE, "light"),
    "fact": ("/builds/chalk-hare/fuel", WIDE, "light"),
    "bench-phone": ("/builds/quarry-mule", PHONE, "light"),
    "cooling-locomotive": ("/builds/dripping-well/cooling", WIDE, "dark"),
}
# Drawing picked before the picture is taken.
TABS = {
    "cooling-locomotive": "Through time",
}
# What is pressed before the picture is taken.
PRESSES = {"fact": ("Injector, each: claims, tolerance, solve for it", "At which values does the wanted power hold?")}
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
            page.goto(options.url + path, wait_until="networkidle")
            page.wait_for_timeout(500)
            if name in TABS:
                page.get_by_role("tab", name=TABS[name]).click()
                page.wait_for_timeout(1500)
            for press in PRESSES.get(name, ()):
                page.get_by_role("button", name=press).click()
                page.wait_for_timeout(900)
            for field, label in PICKED.get(name, {}).items():
                page.locator(f'[data-pick="{field}"] .ant-select-selector').click()
                page.locator(f'.ant-select-item-option[title="{label}"]:visible').click()
            typed = TYPED.get(name, {})
            for field, text in typed.items():
                page.locator(f'[name="{field}"]').fill(text)
            if typed:
                page.get_by_role("button", name="To the bench").click()
                page.wait_for_url("**/builds/*")
                page.wait_for_timeout(6000)
            page.screenshot(path=str(options.out / f"{name}.png"))
            print(name, flush=True)
            if typed:
                api = options.url + "/api/builds/" + page.url.rsplit("/", 1)[1]
                page.request.delete(api, headers={"If-Match": '"1"'})
            page.close()
        browser.close()


if __name__ == "__main__":
    main()
