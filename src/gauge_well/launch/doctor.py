"""``./gw doctor``: what is there and what is missing."""

from __future__ import annotations

import os
import shutil
import sys

from gauge_well.launch import say, setup
from gauge_well.launch.cluster import Cluster
from gauge_well.launch.places import PAGES, PYTHON, state_folder


def doctor() -> int:
    """Print a line for each thing needed; exit code 1 when something is missing."""
    binary = setup.postgres_bin()
    state = Cluster(state_folder()).inspect()
    words = {
        "absent": "not made yet; ./gw demo makes it",
        "ready": "ready",
        "half": "half-made; ./gw demo makes it anew",
        "lost": "its database is gone or cannot be read",
        "foreign": "not ours: set GAUGE_WELL_STATE to another folder",
    }
    items = [
        ("Python 3.11 or newer", True, sys.version.split()[0]),
        (
            "Python packages",
            PYTHON.exists(),
            str(PYTHON.parent.parent) if PYTHON.exists() else "./gw demo installs them",
        ),
        (
            "Node.js and npm",
            bool(shutil.which("node") and shutil.which("npm")),
            shutil.which("node") or "install Node.js 20",
        ),
        ("PostgreSQL server", binary is not None, str(binary) if binary else "apt-get install -y postgresql"),
        (
            "Chromium (tests only)",
            setup.CHROMIUM.exists(),
            str(setup.CHROMIUM) if setup.CHROMIUM.exists() else "apt-get install -y chromium-headless-shell",
        ),
        ("Built pages", (PAGES / "index.html").exists(), "built" if PAGES.exists() else "./gw demo builds them"),
        ("State folder", state in ("absent", "ready", "half"), f"{state_folder()}: {words[state]}"),
    ]
    if os.environ.get("DATABASE_URL"):
        items.append(("Database", True, "DATABASE_URL is set: your own server is used"))
    for name, good, detail in items:
        say.answer(f"  {'ok     ' if good else 'MISSING'}  {name:24} {detail}")
    return 0 if all(good for _, good, _ in items) else 1
