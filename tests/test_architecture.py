"""The house's rules, read off the sources: arrows run one way, the core computes only, all is documented."""

import ast
import re
import unittest
from collections.abc import Iterator
from functools import cache
from pathlib import Path

from gauge_well.core.facts import lists, roles, spec_at
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet.sections import SECTIONS
from tests.__main__ import modules_of
from tests.runner import Module, Tally, run_module
from tests.support import ROOT

SOURCE = ROOT / "src" / "gauge_well"
# Who may import whom; everything may import itself.
ALLOWED = {
    "units": set(),
    "core": set(),
    "sheet": {"units", "core"},
    "store": set(),
    "formats": {"units", "core"},
    "services": {"units", "core", "sheet", "store", "formats"},
    "web": {"units", "core", "sheet", "store", "formats", "services"},
    "cli": {"units", "core", "sheet", "store", "formats", "services", "web"},
    "launch": set(),
}
# What shapes code and touches nothing outside it.
STANDARD_IN_CORE = {
    "__future__",
    "abc",
    "collections",
    "contextlib",
    "dataclasses",
    "datetime",
    "enum",
    "fractions",
    "functools",
    "graphlib",
    "hashlib",
    "heapq",
    "itertools",
    "math",
    "operator",
    "threading",  # the memory's lock: several requests are worked at once
    "typing",
}
# Modules that hand a search to a library of their own.
SOLVERS = {"solver.py": {"ortools"}}


@cache
def modules() -> tuple[tuple[str, Path, ast.Module], ...]:
    paths = [path for path in sorted(SOURCE.rglob("*.py")) if path.parent != SOURCE]
    return tuple((path.relative_to(SOURCE).parts[0], path, ast.parse(path.read_text())) for path in paths)


def imported(tree: ast.Module) -> Iterator[str]:
    for node in ast.walk(tree):
        if isinstance(node, ast.Import):
            yield from (alias.name for alias in node.names)
        elif isinstance(node, ast.ImportFrom) and node.module:
            yield node.module


class Architecture(unittest.TestCase):
    def test_no_arrow_runs_up(self) -> None:
        for layer, path, tree in modules():
            for name in imported(tree):
                if name.startswith("gauge_well."):
                    target = name.split(".")[1]
                    self.assertIn(target, ALLOWED[layer] | {layer}, f"{path.relative_to(SOURCE)} imports {name}")

    def test_every_layer_is_known(self) -> None:
        self.assertEqual({layer for layer, _, _ in modules()}, set(ALLOWED))

    def test_the_core_only_computes(self) -> None:
        for layer, path, tree in modules():
            if layer != "core":
                continue
            for name in imported(tree):
                root = name.split(".")[0]
                numeric = {"numpy", "scipy", "gauge_well"} | SOLVERS.get(path.name, set())
                self.assertIn(root, STANDARD_IN_CORE | numeric, f"{path.name} imports {name}")
            calls = {n.func.id for n in ast.walk(tree) if isinstance(n, ast.Call) and isinstance(n.func, ast.Name)}
            self.assertFalse(calls & {"print", "open", "input", "eval", "exec"}, path.name)
            self.assertNotIn("np.vectorize", path.read_text())

    def test_the_launcher_needs_nothing_installed(self) -> None:
        """It runs before anything is: standard library only."""
        for layer, path, tree in modules():
            if layer == "launch":
                for name in imported(tree):
                    self.assertNotIn(
                        name.split(".")[0], {"numpy", "scipy", "flask", "sqlalchemy", "pydantic", "click"}, path.name
                    )

    def test_systems_do_not_call_each_other(self) -> None:
        names = {p.name for p in (SOURCE / "core" / "systems").iterdir() if p.is_dir() and p.name != "__pycache__"}
        for _, path, tree in modules():
            if "systems" not in path.parts or path.parent.name not in names:
                continue
            for name in imported(tree):
                for other in names - {path.parent.name}:
                    self.assertNotIn(f"systems.{other}", name, str(path))

    def test_every_system_has_the_same_rooms(self) -> None:
        """Physics stands in ``model.py`` where one file tells it; where it takes several (the fuel's circuit, pump,
        network, tank) each is named for what it tells, and together they are no less a room than a file would be."""
        rooms_all = {
            *("facts", "rules", "refusals", "judge", "checks", "notices"),
            *("figures", "need", "working", "remedies", "views"),
        }
        for folder in (SOURCE / "core" / "systems").iterdir():
            if folder.is_dir() and folder.name != "__pycache__":
                rooms = {p.stem for p in folder.glob("*.py")} | {p.parent.name for p in folder.glob("*/__init__.py")}
                self.assertLessEqual(rooms_all, rooms, folder.name)

    def test_the_context_comes_first(self) -> None:
        """Of what a system's functions are given, but for the working they write into."""
        for _, path, tree in modules():
            if path.parent.parent.name != "systems":
                continue
            for node in tree.body:
                names = [a.arg for a in node.args.args] if isinstance(node, ast.FunctionDef) else []
                if "context" in names and path.stem != "rules" and names[0] != "w":
                    self.assertEqual(names[0], "context", f"{path.relative_to(SOURCE)}: {node.name}")

    def test_every_fact_named_is_one(self) -> None:
        """A path written out, in a notice, an unknown or a remedy, leads to a fact or to a part."""
        for _, path, tree in modules():
            for node in ast.walk(tree):
                if isinstance(node, ast.Constant) and isinstance(node.value, str) and path.stem != "format_1":
                    found = re.fullmatch(r"([a-z]+)\.([a-z_0-9.]*[a-z_0-9])", node.value)
                    if found and found[1] in SECTIONS:
                        facts, name = SECTIONS[found[1]].facts, found[2]
                        known = spec_at(facts, name) is not None or name in {**roles(facts), **lists(facts)}
                        self.assertTrue(known, f"{path.relative_to(SOURCE)}:{node.lineno} {node.value}")

    def test_public_names_are_documented(self) -> None:
        for layer, path, tree in modules():
            if layer not in ("core", "units", "sheet", "services") or "migrations" in path.parts:
                continue
            self.assertIsNotNone(ast.get_docstring(tree), path.name)
            for node in tree.body:
                if isinstance(node, ast.FunctionDef | ast.ClassDef) and not node.name.startswith("_"):
                    self.assertIsNotNone(ast.get_docstring(node), f"{path.relative_to(SOURCE)}: {node.name}")

    def test_files_stay_small(self) -> None:
        for path in [*SOURCE.rglob("*.py"), *(ROOT / "frontend" / "src").rglob("*.vue")]:
            self.assertLess(len(path.read_text().splitlines()), 600, path.name)


class Discovery(unittest.TestCase):
    def test_every_file_of_tests_is_run(self) -> None:
        """This one, in no folder of its own, among them; each can be loaded as a module of its package."""
        every = {m.name for m in modules_of(False, [])}
        self.assertIn(__name__, every)
        self.assertEqual(len(every), len([*(ROOT / "tests").rglob("test_*.py")]))
        for name in every:
            self.assertTrue((ROOT / "/".join(name.split(".")[:-1]) / "__init__.py").exists(), name)
        self.assertEqual({m.stage for m in modules_of(True, [])}, {"house", "units", "core", "sheet", "formats"})

    def test_a_name_finds_what_it_speaks_of(self) -> None:
        (module,) = modules_of(False, ["tests.core.test_roots.Roots"])
        self.assertEqual((module.name, module.names), ("tests.core.test_roots", ("tests.core.test_roots.Roots",)))
        self.assertEqual({m.stage for m in modules_of(False, ["tests.web"])}, {"web"})
        with self.assertRaises(SystemExit):
            modules_of(False, ["tests.core.test_root"])

    def test_a_file_without_a_test_fails(self) -> None:
        ran = run_module(Module("tests.support"))
        self.assertEqual((ran.run, ran.passed, ran.failed), (0, 0, 1))
        said: list[str] = []
        tally = Tally(said.append)
        tally.take(ran)
        self.assertEqual((tally.passed, tally.failed), (0, 1))


class Waiting(unittest.TestCase):
    """Tests of pages wait for what the page says of itself; none measures seconds or hides its own name."""

    def test_for_no_network_and_no_time(self) -> None:
        never = re.compile(r"networkidle|wait_for_timeout|perf_counter|self\.id = ")
        for path in (ROOT / "tests").rglob("*.py"):
            if path != Path(__file__):
                self.assertIsNone(never.search(path.read_text()), path.name)


class Pages(unittest.TestCase):
    def pages(self) -> Iterator[Path]:
        for suffix in ("*.vue", "*.ts"):
            yield from (ROOT / "frontend" / "src").rglob(suffix)

    def test_no_colour_but_from_the_theme(self) -> None:
        """Colours stand in the tokens; the component library's theme is made of them."""
        for path in self.pages():
            if path.parent.name == "api":
                continue
            self.assertIsNone(re.search(r"#[0-9a-fA-F]{6}\b", path.read_text()), path.name)

    def test_a_page_of_code_at_most(self) -> None:
        for path in self.pages():
            if path.parent.name != "api":
                self.assertLessEqual(len(path.read_text().splitlines()), 250, path.name)

    def test_what_is_pure_knows_no_build(self) -> None:
        """``ui`` imports neither stores nor stations; only types, and waiting, of the server's side."""
        for path in (ROOT / "frontend" / "src" / "ui").glob("*"):
            for found in re.findall(r"^import (?!type).* from '(\.\./[^']+)'", path.read_text(), re.MULTILINE):
                self.assertIn(found, ("../api/busy",), path.name)

    def test_nothing_is_fetched_from_elsewhere(self) -> None:
        for path in [
            *self.pages(),
            ROOT / "frontend" / "index.html",
            *(ROOT / "frontend" / "src" / "styles").glob("*.css"),
        ]:
            self.assertIsNone(re.search(r"https?://(?!www\.w3\.org)", path.read_text()), path.name)

    def test_each_station_is_a_system_or_a_page_of_the_sheet(self) -> None:
        found = {p.parent.name for p in (ROOT / "frontend" / "src" / "features").glob("*/station.ts")}
        self.assertEqual(found, {"duties", "engine", *SYSTEMS})
