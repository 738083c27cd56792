"""Pictures of the main views from the demo builds, into ``docs/screenshots``.

``./gw shots [--url URL] [--out FOLDER] [name ...]`` while ``./gw demo`` runs.
"""

from __future__ import annotations

import argparse
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

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
    "start-phone": ("/builds/quarry-mule/start/go", PHONE, "light"),
    "readings": ("/builds/quarry-mule/readings/taken", WIDE, "light"),
    "drives": ("/builds/quarry-mule/readings/drives", WIDE, "dark"),
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


# Looked at on a copy of the demo's build, on which so much of a first start is done, so many seconds ago.
LOCKS = ("oil", "coolant", "fuel", "stop", "throttle", "sensors", "neutral", "outdoors", "extinguisher")
RUNS = (("prime", 1200, 1186), ("fuel", 1150, 1150), ("first", 1100, 1083), ("long", 406, None))
READ = (("coolant", "64 °C", 12), ("volts", "14.1 V", 30), ("rail", "236 kPa", 90))


def _at(seconds: float) -> str:
    return (datetime.now(UTC) - timedelta(seconds=seconds)).strftime("%Y-%m-%dT%H:%M:%SZ")


def _running() -> dict[str, str]:
    told = {f"holds.machine_{id}.signed": "K" for id in LOCKS}
    for step, began, ended in RUNS:
        told |= {f"runs.{step}.step": step, f"runs.{step}.began": _at(began)}
        if ended is not None:
            told[f"runs.{step}.ended"] = _at(ended)
    for what, value, ago in READ:
        read = {"what": what, "value": value, "at": _at(ago), "run": "long"}
        told |= {f"readings.{what}.{field}": text for field, text in read.items()}
    return told


def _started(page: Page, url: str, build: str) -> None:
    """So much of its first start."""
    _edit(page, url, build, [{"path": f"start.{field}", "text": text} for field, text in _running().items()])


def _driven(page: Page, url: str, build: str) -> None:
    """A made-up log of it over the pass, its radiator half blocked, taken as readings that its verdicts go by."""
    _edit(page, url, build, [{"path": "readings.air", "text": "24 °C"}])
    sheet = page.request.get(f"{url}/api/builds/{build}").json()["document"]
    log = page.request.post(
        f"{url}/api/readings/logger.csv", data={"sheet": sheet, "drive": "pass_road", "fault": "blocked"}
    )
    asked = f"{url}/api/recordings?kind=csv&build={build}&name=Over%20the%20pass"
    bytes_ = {"Content-Type": "application/octet-stream"}
    kept = page.request.post(asked, data=log.body(), headers=bytes_).json()
    drive = page.request.post(f"{url}/api/readings/drive", data={"sheet": sheet, "recording": kept["id"]}).json()
    _edit(page, url, build, [edit for stretch in drive["stretches"] for edit in stretch["edits"]])
    sheet = page.request.get(f"{url}/api/builds/{build}").json()["document"]
    _edit(page, url, build, page.request.post(f"{url}/api/readings", data={"sheet": sheet}).json()["keep"])


PREPARED = {"start-phone": _started, "readings": _driven, "drives": _driven}


def _edit(page: Page, url: str, build: str, edits: list[dict[str, Any]]) -> None:
    address = f"{url}/api/builds/{build}"
    revision = page.request.get(address).json()["revision"]
    page.request.patch(address, data={"edits": edits}, headers={"If-Match": f'"{revision}"'})


def _copied(page: Page, url: str, path: str) -> str:
    """A copy of the build in a path; the path to it."""
    own = path.split("/")[2]
    made = page.request.post(f"{url}/api/builds/{own}/copy", data={"name": "Quarry Mule"}).json()
    return path.replace(own, str(made["id"]))


def _dropped(page: Page, url: str, path: str) -> None:
    address = f"{url}/api/builds/{path.split('/')[2]}"
    revision = page.request.get(address).json()["revision"]
    page.request.delete(address, headers={"If-Match": f'"{revision}"'})


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
            prepare = PREPARED.get(name)
            if prepare:
                path = _copied(page, options.url, path)
                prepare(page, options.url, path.split("/")[2])
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
            if prepare:
                _dropped(page, options.url, path)
            if typed:
                api = options.url + "/api/builds/" + page.url.rsplit("/", 1)[1]
                page.request.delete(api, headers={"If-Match": '"1"'})
            page.close()
        browser.close()


if __name__ == "__main__":
    main()
