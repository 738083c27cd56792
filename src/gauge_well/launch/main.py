"""Commands of ``./gw``."""

from __future__ import annotations

import argparse
import os
import subprocess
from pathlib import Path

from gauge_well.launch import doctor, say, serving, setup, testing
from gauge_well.launch.cluster import DATABASE, ROLE, Cluster
from gauge_well.launch.places import PYTHON, ROOT, environment, state_folder

PORT = 8765


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="./gw", description="Gauge Well: sizes what a transplanted engine needs.")
    commands = parser.add_subparsers(dest="command", required=True, metavar="COMMAND")
    for name, text in (
        ("demo", "install what is missing, start everything, load the demo builds"),
        ("serve", "the same without the demo builds"),
    ):
        one = commands.add_parser(name, help=text, description=text)
        one.add_argument("--port", type=int, default=PORT)
    commands.add_parser("stop", help="stop what runs from this checkout")
    for name, text in (
        ("backup", "write the database to a file"),
        ("restore", "put a backup in the database's place; what was there is kept beside it"),
        ("export", "write every build to a ZIP archive of sheets"),
    ):
        commands.add_parser(name, help=text, description=text).add_argument("file", type=Path)
    test = commands.add_parser("test", help="style, types and all tests")
    test.add_argument("--fast", action="store_true", help="what needs neither database nor browser")
    test.add_argument("names", nargs="*", help="test modules, all otherwise")
    size = commands.add_parser("size", help="size a build sheet without a database")
    size.add_argument("rest", nargs=argparse.REMAINDER)
    logger = commands.add_parser(
        "logger", help="a simulated logger: a build's engine through a drive, to a file or a port"
    )
    logger.add_argument("rest", nargs=argparse.REMAINDER)
    commands.add_parser("fuzz", help="calls and sheets at random, held against the rules").add_argument(
        "rest", nargs=argparse.REMAINDER
    )
    commands.add_parser("speed", help="run the benchmarks").add_argument("rest", nargs=argparse.REMAINDER)
    commands.add_parser("shots", help="refresh the pictures in docs/screenshots").add_argument(
        "rest", nargs=argparse.REMAINDER
    )
    commands.add_parser("types", help="refresh the schema and the page's types from the API")
    commands.add_parser("lock", help="make the lock files anew from the pinned requirements")
    commands.add_parser("doctor", help="say what is missing")
    commands.add_parser("db", help="print the address of the demo's database while it runs")
    return parser


def _python(*arguments: str, extra: dict[str, str] | None = None) -> int:
    return subprocess.run(
        [str(PYTHON), *arguments], cwd=os.getcwd(), env=environment() | (extra or {}), check=False
    ).returncode


def _db() -> int:
    cluster = Cluster(state_folder())
    running = cluster.running()
    if cluster.inspect() != "ready" or running is None:
        raise say.Stop("The database does not run.", "./gw demo starts it.")
    cluster.port = running[1]
    say.answer(cluster.url(ROLE, cluster.role_password()) + DATABASE)
    return 0


def _dispatch(options: argparse.Namespace) -> int:
    command = options.command
    if command in ("demo", "serve"):
        return serving.serve(options.port, demos=command == "demo")
    if command == "stop":
        return serving.stop()
    if command in ("backup", "restore", "export"):
        return serving.keep(command, options.file)
    if command == "test":
        return testing.run_tests(options.fast, options.names)
    if command == "fuzz":
        return testing.fuzz(options.rest)
    if command == "lock":
        setup.lock()
        return 0
    if command == "doctor":
        return doctor.doctor()
    if command == "db":
        return _db()
    if command in ("size", "logger"):
        setup.python_packages(dev=False)
        return _python("-m", "gauge_well.cli", command, *options.rest)
    setup.everything(dev=True, browser=command == "shots", database=command != "types", pages=command != "types")
    if command == "types":
        _python("-m", "gauge_well.cli", "write-schemas", str(ROOT))
        say.run("Types of the page", [setup.node_packages(), "run", "--silent", "api-types"], cwd=ROOT / "frontend")
        return 0
    module = "benchmarks" if command == "speed" else "docs.shots"
    return _python("-m", module, *options.rest, extra={"PYTHONPATH": f"{ROOT / 'src'}{os.pathsep}{ROOT}"})


def main(arguments: list[str]) -> int:
    """Run a command; returns the exit code."""
    options, rest = _parser().parse_known_args(arguments)
    if rest:
        if options.command in ("size", "logger", "speed", "shots", "fuzz"):
            options.rest = [*rest, *options.rest]
        else:
            _parser().error("unknown: " + " ".join(rest))
    try:
        return _dispatch(options)
    except say.Stop as stop:
        say.line(f"\n  {stop.what}")
        if stop.advice:
            say.line(f"  {stop.advice}")
        return stop.code
    except KeyboardInterrupt:
        say.line("")
        return 130
