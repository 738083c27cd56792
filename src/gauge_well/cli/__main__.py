"""``python -m gauge_well.cli``."""

from __future__ import annotations

import json
import os
import sys
from pathlib import Path
from typing import Any

import click
from sqlalchemy import create_engine, make_url, text
from sqlalchemy.exc import SQLAlchemyError

from gauge_well.cli.text import as_text
from gauge_well.services import builds, explore, sizing
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.schema import json_schema
from gauge_well.store.session import make_engine, migrate, normal_url

FILE_MAX = 512 * 1024


@click.group()
def main() -> None:
    """Gauge Well on the command line."""


def _read(file: str | None, name: str | None) -> dict[str, Any]:
    if (file is None) == (name is None):
        raise click.UsageError(f"Give a sheet (or - for standard input), or --demo with one of {', '.join(NAMES)}.")
    if name is not None:
        if name not in NAMES:
            raise click.UsageError(f"No demo is called {name}; there are {', '.join(NAMES)}.")
        return demo(name)
    stream = click.open_file(str(file), "r", encoding="utf-8")
    try:
        raw = json.loads(stream.read(FILE_MAX + 1)[:FILE_MAX])
    except (ValueError, RecursionError) as error:
        raise click.ClickException(f"{file} is not well-formed JSON: {error}") from error
    if not isinstance(raw, dict):
        raise click.ClickException(f"{file} does not hold a build sheet (a JSON object).")
    return raw


@main.command()
@click.argument("file", required=False)
@click.option("--demo", "name", help="Size a demo build instead.")
@click.option("--text", "people", is_flag=True, help="Print for people instead of JSON.")
@click.option("--explain", default="governing", help="Duty whose working to keep: governing, all, none or an id.")
@click.option(
    "--samples",
    default="0",
    type=click.Choice(["0", "256", "512", "1024", "2048"]),
    help="Draws for bands; with them come changes worth trying and what to measure next.",
)
def size(file: str | None, name: str | None, people: bool, explain: str, samples: str) -> None:
    """Size a build sheet."""
    try:
        raw = _read(file, name)
        report = (
            explore.whole_report(raw, explain, int(samples)) if int(samples) else sizing.size_document(raw, explain)
        )
    except SheetError as error:
        for problem in error.problems:
            allowed = f" Allowed: {problem.allowed}." if problem.allowed else ""
            click.echo(f"{problem.field}: {problem.message} Read: {problem.read!r}.{allowed}", err=True)
        sys.exit(2)
    except OSError as error:
        raise click.ClickException(f"{file}: {error.strerror}") from error
    click.echo(as_text(report) if people else json.dumps(report, indent=1, ensure_ascii=False, allow_nan=False))


@main.command("prepare")
@click.option("--make", "name", help="Make this database on the server first, where it is not there, and use it.")
@click.option("--demos", is_flag=True, help="Put the demo builds on the shelf.")
def prepare(name: str | None, demos: bool) -> None:
    """Bring the database of DATABASE_URL to where the program can serve it."""
    url = os.environ["DATABASE_URL"]
    try:
        if name is not None:
            url = _made(url, name)
        migrate(url)
        if demos:
            builds.load_demos(make_engine(url))
    except SQLAlchemyError as error:
        raise click.ClickException(f"The database does not answer: {str(error).splitlines()[0][:300]}") from error


def _made(server: str, name: str) -> str:
    """Address of a database on a server, made where it is not there."""
    address = make_url(normal_url(server))
    engine = create_engine(address, isolation_level="AUTOCOMMIT")
    with engine.connect() as connection:
        if connection.scalar(text("SELECT 1 FROM pg_database WHERE datname = :n"), {"n": name}) is None:
            connection.exec_driver_sql(f'CREATE DATABASE "{name}"')
    engine.dispose()
    return address.set(database=name).render_as_string(hide_password=False)


@main.command("write-schemas")
@click.argument("root", type=click.Path(path_type=Path))
def write_schemas(root: Path) -> None:
    """Write the sheet's JSON Schema and the OpenAPI document into the tree."""
    from gauge_well.web.app import create_app

    for path, content in (
        (root / "docs" / "build-sheet.schema.json", json_schema()),
        (root / "frontend" / "src" / "api" / "openapi.json", create_app().api_doc),
    ):
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_text(json.dumps(content, indent=1, ensure_ascii=False) + "\n", encoding="utf-8")


if __name__ == "__main__":
    main()
