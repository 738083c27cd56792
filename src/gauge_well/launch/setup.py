"""Installing what is missing: Debian packages, Python packages, the pages."""

from __future__ import annotations

import hashlib
import os
import pwd
import shutil
import subprocess
import sys
from collections.abc import Iterable
from pathlib import Path

from gauge_well.launch import say
from gauge_well.launch.held import waited_for
from gauge_well.launch.places import FRONTEND, PAGES, PYTHON, ROOT, VENV

CHROMIUM = Path("/usr/bin/chromium-headless-shell")  # Debian's, without a window: half the start, less to draw
CHROMIUM_FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--no-first-run",
    "--disable-sync",
]
NODE_MAJOR = 20
LOCKS = {False: ROOT / "requirements.lock", True: ROOT / "requirements-dev.lock"}  # dev holds both
USER_EXISTS = 9  # another start made it meanwhile
USER = "gauge-well"  # who serves, where root starts


def postgres_bin() -> Path | None:
    """Folder of the newest PostgreSQL server programs, or None."""
    found = sorted(
        (p.parent for p in Path("/usr/lib/postgresql").glob("*/bin/initdb")),
        key=lambda p: int(p.parent.name) if p.parent.name.isdigit() else 0,
    )
    if found:
        return found[-1]
    other = shutil.which("initdb")
    return Path(other).resolve().parent if other else None


def missing_packages(*, database: bool, browser: bool) -> list[str]:
    """Debian packages that are needed and not there."""
    missing = []
    if database and postgres_bin() is None:
        missing.append("postgresql")
    if browser and not CHROMIUM.exists():
        missing += ["chromium-headless-shell", "fonts-dejavu-core"]
    if not VENV.exists():
        try:
            import ensurepip  # noqa: F401
        except ImportError:
            missing.append("python3-venv")
    return missing


def install_packages(packages: Iterable[str]) -> None:
    """Install Debian packages as root or by sudo; Stop says what to type when neither is allowed."""
    names = list(packages)
    if not names:
        return
    apt = shutil.which("apt-get")
    advice = "Have them installed: apt-get install -y " + " ".join(names)
    if apt is None:
        raise say.Stop(f"Not installed: {', '.join(names)}, and this is not a Debian machine.", advice)
    prefix: list[str] = []
    if os.geteuid() != 0:
        sudo = shutil.which("sudo")
        if sudo is None or not _may_sudo(sudo):
            raise say.Stop(
                f"Not installed: {', '.join(names)}, and you may not install packages here.",
                "sudo " + advice.split(": ")[1],
            )
        prefix = [sudo, "-n"]
    env = dict(os.environ, DEBIAN_FRONTEND="noninteractive")
    say.run("Reading the package lists", [*prefix, apt, "update", "-qq"], env=env)
    say.run(
        "Installing " + ", ".join(names),
        [*prefix, apt, "install", "-y", "-qq", "--no-install-recommends", *names],
        env=env,
        advice=advice,
    )


def _may_sudo(sudo: str) -> bool:
    """Whether sudo lets us; at a terminal it may ask for the password once."""
    if subprocess.run([sudo, "-n", "true"], capture_output=True, check=False).returncode == 0:
        return True
    return sys.stdin.isatty() and subprocess.run([sudo, "-v"], check=False).returncode == 0


def _digest(paths: Iterable[Path]) -> str:
    total = hashlib.sha256()
    for path in sorted(paths):
        total.update(str(path.relative_to(ROOT)).encode())
        total.update(path.read_bytes())
    return total.hexdigest()


def _done(stamp: Path, digest: str) -> bool:
    return stamp.exists() and stamp.read_text() == digest


def python_packages(*, dev: bool) -> None:
    """Local environment from a lock file, every package by its hash; a changed file or none makes it anew."""
    file = LOCKS[dev]
    stamp, digest = VENV / ("stamp-dev" if dev else "stamp"), _digest([file])
    if _done(stamp, digest) or (not dev and _done(VENV / "stamp-dev", _digest([LOCKS[True]]))):
        return
    if not PYTHON.exists():
        say.run("Making a Python environment", [sys.executable, "-m", "venv", str(VENV)])
    say.run(
        "Installing Python packages",
        [
            *(str(PYTHON), "-m", "pip", "install", "-q", "--disable-pip-version-check"),
            *("--require-hashes", "-r", str(file)),
        ],
        advice="Check that the Python package index can be reached, then start again.",
    )
    stamp.write_text(digest)


LOCK_OPTIONS = (
    *("--generate-hashes", "--strip-extras", "--allow-unsafe", "--annotation-style=line", "--no-header", "--quiet"),
    *("--no-emit-index-url", "--no-emit-trusted-host", "--no-emit-find-links", "--no-emit-options"),
)


def lock() -> None:
    """Make the lock files anew from the pinned ones: all that is needed, by hash; where it came from is not written."""
    python_packages(dev=True)
    pinned = [ROOT / "requirements.txt", ROOT / "requirements-dev.txt"]
    for dev, file in LOCKS.items():
        command = [str(PYTHON), "-m", "piptools", "compile", *LOCK_OPTIONS, "-o", file.name]
        say.run(f"Locking {file.name}", [*command, *(p.name for p in pinned[: 1 + dev])], cwd=ROOT)


def _npm() -> str:
    npm, node = shutil.which("npm"), shutil.which("node")
    if npm is None or node is None:
        raise say.Stop(
            "Node.js with npm is not installed; the pages are built with it.",
            f"Install Node.js {NODE_MAJOR}, then start again.",
        )
    said = subprocess.run([node, "--version"], capture_output=True, text=True, check=False).stdout
    major = said.strip().lstrip("v").split(".")[0]
    if not major.isdigit() or int(major) < NODE_MAJOR:
        raise say.Stop(f"Node.js {major or '?'} is too old.", f"Install Node.js {NODE_MAJOR}, then start again.")
    return npm


def node_packages() -> str:
    """Front-end packages by ``npm ci``; returns npm."""
    npm = _npm()
    stamp = FRONTEND / "node_modules" / ".stamp"
    digest = _digest([FRONTEND / "package-lock.json", FRONTEND / "package.json"])
    if not _done(stamp, digest):
        say.run(
            "Installing front-end packages",
            [npm, "ci", "--no-audit", "--no-fund", "--loglevel=error"],
            cwd=FRONTEND,
            advice="Check that the npm registry can be reached, then start again.",
        )
        stamp.write_text(digest)
    return npm


def page_sources() -> list[Path]:
    """Files the built pages depend on."""
    loose = [
        FRONTEND / n for n in ("index.html", "package.json", "package-lock.json", "vite.config.ts", "tsconfig.json")
    ]
    return [p for p in loose if p.exists()] + [p for p in (FRONTEND / "src").rglob("*") if p.is_file()]


def build_pages() -> None:
    """Build the pages when their sources changed."""
    stamp, digest = PAGES / ".stamp", _digest(page_sources())
    if _done(stamp, digest):
        return
    npm = node_packages()
    say.run("Building the pages", [npm, "run", "--silent", "build"], cwd=FRONTEND)
    stamp.write_text(digest)


def _system_user() -> None:
    """A user of the system's who owns nothing, for the web server that root starts."""
    try:
        pwd.getpwnam(USER)
    except KeyError:
        command = ["useradd", "--system", "--no-create-home", "--home-dir", "/nonexistent"]
        command += ["--shell", "/usr/sbin/nologin", USER]
        if subprocess.run(command, capture_output=True, check=False).returncode not in (0, USER_EXISTS):
            raise say.Stop(
                f"The user {USER} could not be made, and root does not serve.", f"Make it: useradd --system {USER}"
            ) from None


def everything(*, dev: bool, browser: bool, database: bool = True, pages: bool = True, user: bool = False) -> None:
    """All of it, in order; what is there already costs nothing. One set-up of a checkout at a time."""
    with waited_for(ROOT / ".setup.lock", "another start is setting up this checkout"):
        install_packages(missing_packages(database=database, browser=browser))
        if user and os.geteuid() == 0:
            _system_user()
        python_packages(dev=dev)
        if pages:
            build_pages()
