"""The worked system of CONTRIBUTING.md, written into a copy of the sources as it stands there: it works."""

import json
import re
import shutil
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

from gauge_well.sheet.demo import NAMES
from tests.support import ROOT

GUIDE = ROOT / "CONTRIBUTING.md"
BLOCK = re.compile(r"^`([\w./]+)`\n```\w+\n(.*?)^```$", re.S | re.M)
# Run beside the copy: each demo build as it is, then one with the wire.
TRIED = """
import json
from gauge_well.services.explore import explore
from gauge_well.services.sizing import size_document, view
from gauge_well.services.vocabulary import vocabulary
from gauge_well.sheet.demo import NAMES, demo

bare = {name: size_document(demo(name)) for name in NAMES}
raw = demo("quarry-mule")
raw["parts"].append({"role": "fanwire.wire", "facts": {"length": "2.4 m", "area": "2.5 mm2"}})
wired = size_document(raw, "all")
changes = next(event for event in explore(raw, ("changes",), samples=256) if event["event"] == "changes")["singles"]
print(json.dumps({
    "bare": {n: [r["state"], r["headline"]["sentence"], r["scope"]["fanwire"]] for n, r in bare.items()},
    "block": wired["systems"]["fanwire"],
    "changes": [c["label"] for c in changes if c["id"].startswith("fanwire.")],
    "view": view(raw, "fanwire", "drop", {})["data"],
    "asked": vocabulary().sections["fanwire"].fields[0].station,
}))
"""


class Worked(unittest.TestCase):
    def test_the_worked_system_works(self) -> None:
        blocks = dict(BLOCK.findall(GUIDE.read_text()))
        self.assertGreaterEqual(len(blocks), 15)
        with tempfile.TemporaryDirectory() as made:
            root = Path(made)
            shutil.copytree(ROOT / "src", root / "src", ignore=shutil.ignore_patterns("__pycache__"))
            shutil.copy(ROOT / "pyproject.toml", root)
            for path, text in blocks.items():
                (root / path).parent.mkdir(parents=True, exist_ok=True)
                (root / path).write_text(text)
            registry = root / "src/gauge_well/core/systems/__init__.py"
            line = registry.read_text().replace("    exhaust,\n", "    exhaust,\n    fanwire,\n")
            registry.write_text(line.replace("fit.SYSTEM,\n", "fit.SYSTEM,\n        fanwire.SYSTEM,\n"))
            folder = "src/gauge_well/core/systems/fanwire"
            for check in (["check"], ["format", "--check"]):
                styled = [sys.executable, "-m", "ruff", *check, "--quiet", folder]
                done = subprocess.run(styled, cwd=root, capture_output=True, text=True, check=False)
                self.assertEqual(done.returncode, 0, done.stdout + done.stderr)
            env = {"PYTHONPATH": str(root / "src"), "PATH": ""}
            ran = subprocess.run(
                [sys.executable, "-c", TRIED], cwd=root, env=env, capture_output=True, text=True, check=False
            )
            self.assertEqual(ran.returncode, 0, ran.stderr[-2000:])
            told = json.loads(ran.stdout)
        self.holds(told)

    def holds(self, told: dict) -> None:
        block = told["block"]
        # Copper of 2.5 mm2, 2.4 m there and back at 60 degC with its joints: 39.4 mohm (iec60028, by hand).
        amps, lost = (block["figures"]["pull"][name] for name in ("fans_current_a", "fans_lost_v"))
        self.assertAlmostEqual(lost / amps, 2.0 * 1.724e-8 * (1.0 + 3.93e-3 * 40.0) * 1.03 * 2.4 / 2.5e-6, delta=1e-5)
        self.assertGreater(lost, 0.5)
        self.assertEqual(block["state"], "assumed", "it is short only by a fan's air that nobody stated")
        self.assertTrue(told["changes"] and block["need"] and block["working"]["pull"])
        self.assertEqual(told["view"]["lost"], sorted(told["view"]["lost"], reverse=True))
        self.assertEqual(told["asked"], "fanwire")
        for name in NAMES:
            state, sentence, scope = told["bare"][name]
            self.assertFalse(scope["started"], name)
            boat = name in ("reed-otter", "salt-heron")
            self.assertEqual(scope["state"], "left_out" if boat else "judged")
            self.assertEqual(scope["begin"], [] if boat else ["fanwire.wire.length", "fanwire.wire.area"])
            self.assertNotEqual(state, "unknown", f"{name}: {sentence}")
