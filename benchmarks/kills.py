"""``python -m benchmarks.kills [--kills N]``: the whole program under load while its database is killed.

Writers edit builds of their own and keep count of every write that was answered; the postmaster and its backends are
killed by turns. Told at the end: whether any answered write is missing, and how long each return took.
"""

from __future__ import annotations

import argparse
import http.client
import json
import os
import random
import signal
import statistics
import subprocess
import sys
import tempfile
import threading
import time
from pathlib import Path
from typing import Any

from gauge_well.launch.cluster import Cluster, free_port
from gauge_well.launch.places import ROOT

WRITERS = 6
PATIENCE = 60.0
PAUSE = (0.1, 0.8)  # s between a return and the next kill


class Writer(threading.Thread):
    """One who edits a build of its own, over and over; ``kept`` is the last note that was answered as kept."""

    def __init__(self, port: int, number: int) -> None:
        super().__init__(daemon=True)
        self.port, self.number, self.on = port, number, True
        self.kept, self.tried, self.taken, self.failed = 0, 0, 0, 0
        self.lost: list[str] = []
        made = self.ask("POST", "/api/builds", {"sheet": {"name": f"Writer {number}"}})
        assert made is not None
        self.id, self.revision = made["id"], made["revision"]

    def ask(self, method: str, path: str, body: object = None, revision: int = 0) -> dict[str, Any] | None:
        """A good answer, or None."""
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=20)
        headers = {"Content-Type": "application/json"} | ({"If-Match": f'"{revision}"'} if revision else {})
        try:
            connection.request(method, path, None if body is None else json.dumps(body), headers)
            answer = connection.getresponse()
            content = answer.read()
            return json.loads(content) if answer.status in (200, 201) else None
        except (OSError, http.client.HTTPException, ValueError):
            return None
        finally:
            connection.close()

    def run(self) -> None:
        """Edit until told to end. What was not answered may be kept or not; what was answered must be."""
        while self.on:
            self.tried += 1
            edit = {"edits": [{"path": "notes", "text": str(self.tried)}]}
            found = self.ask("PATCH", f"/api/builds/{self.id}", edit, self.revision)
            if found is not None:
                self.taken += 1
                self.kept, self.revision = self.tried, found["revision"]
                continue
            self.failed += 1
            time.sleep(0.05)
            stands = self.ask("GET", f"/api/builds/{self.id}")
            if stands is not None:
                self.check(stands)
                self.revision = stands["revision"]

    def check(self, stands: dict[str, Any]) -> None:
        """Hold what stands against what was answered."""
        note = int(stands["document"]["notes"] or 0)
        if not self.kept <= note <= self.tried:
            self.lost.append(f"{self.id}: {self.kept} was answered, {note} stands")


def _until(done: object) -> float:
    started = time.monotonic()
    while not done():  # type: ignore[operator]
        if time.monotonic() - started > PATIENCE:
            raise RuntimeError("it did not come back")
        time.sleep(0.02)
    return time.monotonic() - started


def _backends(postmaster: int) -> list[int]:
    found = []
    for folder in Path("/proc").iterdir():
        try:
            if int((folder / "stat").read_text().rpartition(")")[2].split()[1]) == postmaster:
                found.append(int(folder.name))
        except (OSError, ValueError, IndexError):
            continue
    return found


def main() -> int:
    """Kill, wait, look; 1 where a write was lost."""
    parser = argparse.ArgumentParser()
    parser.add_argument("--kills", type=int, default=100)
    parser.add_argument("--seed", type=int, default=1)
    options = parser.parse_args()
    chance = random.Random(options.seed)
    holder = tempfile.TemporaryDirectory(prefix="gauge-well-kills-")
    Path(holder.name).chmod(0o755)
    state, port = Path(holder.name) / "state", free_port()
    env = os.environ | {"GAUGE_WELL_STATE": str(state)}
    env.pop("DATABASE_URL", None)
    program = subprocess.Popen([str(ROOT / "gw"), "serve", "--port", str(port)], env=env, stderr=subprocess.DEVNULL)
    cluster = Cluster(state)
    try:
        probe = Writer.__new__(Writer)
        probe.port = port
        _until(lambda: probe.ask("GET", "/api/health"))
        writers = [Writer(port, n) for n in range(WRITERS)]
        for writer in writers:
            writer.start()
        back: list[float] = []
        for number in range(options.kills):
            time.sleep(chance.uniform(*PAUSE))
            running = cluster.running()
            assert running is not None
            whole = number % 2 == 0
            victims = [running[0]] if whole else _backends(running[0])
            os.kill(chance.choice(victims), signal.SIGKILL)
            if whole:
                _until(lambda old=running[0]: (cluster.running() or (old, 0))[0] != old)
            back.append(_until(lambda: probe.ask("GET", "/api/health")))
            print(f"\r  {number + 1} kills", end="", file=sys.stderr, flush=True)
        print(file=sys.stderr)
        for writer in writers:
            writer.on = False
        for writer in writers:
            writer.join(PATIENCE)
            stands = writer.ask("GET", f"/api/builds/{writer.id}")
            if stands is None:
                writer.lost.append(f"{writer.id} is gone")
            else:
                writer.check(stands)
        lost = [line for writer in writers for line in writer.lost]
        taken, failed = (sum(getattr(w, n) for w in writers) for n in ("taken", "failed"))
        print(
            f"{options.kills} kills, {taken} writes answered, {failed} not, {len(lost)} lost; program still runs: {program.poll() is None}"
        )
        print(f"back after a kill: median {statistics.median(back):.2f} s, longest {max(back):.2f} s")
        for line in lost:
            print(line)
        return 1 if lost else 0
    finally:
        program.terminate()
        program.wait(PATIENCE)
        holder.cleanup()


if __name__ == "__main__":
    sys.exit(main())
