"""The command line: sizes a sheet without a database, says plainly what is wrong."""

import json
import os
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

from click.testing import CliRunner, Result

from gauge_well.cli.__main__ import main
from gauge_well.sheet.demo import NAMES
from tests.support import ROAD, ROOT, changed


def run(*arguments: str, stdin: str | None = None) -> Result:
    return CliRunner().invoke(main, list(arguments), input=stdin)


class Size(unittest.TestCase):
    def file(self, content: str) -> str:
        handle, name = tempfile.mkstemp(suffix=".json")
        with os.fdopen(handle, "w") as stream:
            stream.write(content)
        self.addCleanup(Path(name).unlink)
        return name

    def test_file_and_standard_input_agree(self) -> None:
        by_file, by_pipe = run("size", self.file(json.dumps(ROAD))), run("size", "-", stdin=json.dumps(ROAD))
        self.assertEqual(by_file.exit_code, 0)
        self.assertEqual(json.loads(by_file.stdout), json.loads(by_pipe.stdout))
        self.assertEqual(json.loads(by_file.stdout)["format"], "gauge-well-report/2")

    def test_text_for_people(self) -> None:
        for name in NAMES:
            found = run("size", "--demo", name, "--text").stdout
            for word in ("What each part is good for", "Oil:", "Fuel:", "What to look for", "Mind"):
                self.assertIn(word, found)
            self.assertNotIn("{", found)
        missing = run("size", "-", "--text", stdin=json.dumps(changed(ROAD, cooling={}))).stdout
        self.assertIn("Cooling: not started", missing)

    def test_with_samples(self) -> None:
        """Bands, changes by system, pairs, measure next, the model's own spread; for people too."""
        found = json.loads(run("size", "--demo", "dripping-well", "--samples", "256").stdout)
        self.assertEqual(found["samples"], 256)
        self.assertTrue(found["systems"]["fuel"]["remedies"])
        self.assertTrue(found["pairs"] and found["measure_next"] and found["model_spread"]["sentence"])
        said = run("size", "--demo", "dripping-well", "--samples", "256", "--text").stdout
        for word in ("What would move it", "Measure next", "of cases within the tolerances"):
            self.assertIn(word, said)
        self.assertEqual(run("size", "--demo", "dripping-well", "--samples", "7").exit_code, 2)

    def test_working_of_one_duty(self) -> None:
        found = json.loads(run("size", "--demo", NAMES[0], "--explain", "pull").stdout)
        self.assertEqual(set(found["systems"]["fuel"]["working"]), {"pull"})

    def test_what_is_wrong_is_named(self) -> None:
        found = run("size", "-", stdin=json.dumps(changed(ROAD, machine__mass="-3 kg", fuel__main__flow="1 psi")))
        self.assertEqual(found.exit_code, 2)
        self.assertIn("machine.mass", found.stderr)
        self.assertIn("fuel.main.flow", found.stderr)
        self.assertIn("Allowed", found.stderr)

    def test_not_a_sheet(self) -> None:
        for content in ("{", "[]", "7"):
            found = run("size", "-", stdin=content)
            self.assertEqual(found.exit_code, 1, content)
            self.assertNotIn("Traceback", found.output)
        self.assertNotEqual(run("size", "/no/such/file.json").exit_code, 0)
        self.assertEqual(run("size", "--demo", "none").exit_code, 2)
        self.assertEqual(run("size").exit_code, 2)

    def test_needs_no_database(self) -> None:
        env = {"PYTHONPATH": str(ROOT / "src"), "PATH": os.environ["PATH"]}
        found = subprocess.run(
            [sys.executable, "-m", "gauge_well.cli", "size", "--demo", NAMES[0]],
            env=env,
            capture_output=True,
            text=True,
            check=False,
        )
        self.assertEqual(found.returncode, 0, found.stderr)
