"""Where things are."""

from __future__ import annotations

import hashlib
import os
from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
FRONTEND = ROOT / "frontend"
PAGES = FRONTEND / "dist"
VENV = ROOT / ".venv"
PYTHON = VENV / "bin" / "python"


def state_folder() -> Path:
    """Folder of the database cluster: ``GAUGE_WELL_STATE``, or one for this checkout.

    Root keeps it under /var/lib, since the database runs as the ``postgres`` user there and must be
    able to reach its files; anyone else keeps it in the checkout.
    """
    given = os.environ.get("GAUGE_WELL_STATE")
    if given:
        return Path(given).expanduser().resolve()
    if os.geteuid() == 0:
        return Path("/var/lib/gauge-well") / hashlib.sha256(str(ROOT).encode()).hexdigest()[:12]
    return ROOT / ".state"


def environment() -> dict[str, str]:
    """Environment for the program's own processes."""
    env = dict(os.environ)
    env["PYTHONPATH"] = str(ROOT / "src")
    # Arrays here are small: threads in the linear algebra library only get in each other's way.
    env.setdefault("OPENBLAS_NUM_THREADS", "1")
    return env
