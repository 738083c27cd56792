"""``python -m gauge_well.cli``."""

from __future__ import annotations

import json
import os
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import click
from sqlalchemy import text
from sqlalchemy.exc import SQLAlchemyError

from gauge_well.cli.text import as_text
from gauge_well.core.drive.logger import FAULTS
from gauge_well.core.drive.made import SHIPPED
from gauge_well.services import builds, driving, explore, listening, shelf, sizing
from gauge_well.services.errors import Refused
from gauge_well.services.export import all_builds
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.document import FORMAT
from gauge_well.sheet.schema import json_schema
from gauge_well.sheet.upgrade import UPGRADES
from gauge_well.store import admin
from gauge_well.store.session import Newer, make_engine, migrate

FILE_MAX = 512 * 1024
NEWER = 4  # exit code: the database can be looked at, not written


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


@main.command("logger")
@click.argument("file", required=False)
@click.option("--demo", "name", help="Play a demo build instead.")
@click.option("--drive", default="pass_road", type=click.Choice(list(SHIPPED)), help="The drive it is taken along.")
@click.option("--fault", default="sound", type=click.Choice(["sound", *filter(None, FAULTS)]), help="What is wrong.")
@click.option("--seed", default=7, type=click.IntRange(0, 1_000_000), help="The same seed, the same engine.")
@click.option("--out", type=click.Path(path_type=Path), help="Write a CSV file.")
@click.option(
    "--port", type=click.IntRange(0, 65535), help="Send it over loopback to one listener; 0 takes a free port."
)
@click.option(
    "--pace", default=60.0, type=click.FloatRange(0.0, 10_000.0), help="Rows a second over loopback; 0: all at once."
)
def logger(
    file: str | None,
    name: str | None,
    drive: str,
    fault: str,
    seed: int,
    out: Path | None,
    port: int | None,
    pace: float,
) -> None:
    """A simulated logger: plays a build's engine through a drive, as CSV to a file, a port of this machine, or here."""
    try:
        rows = driving.logged_rows(_read(file, name), drive, "" if fault == "sound" else fault, seed)
    except (SheetError, Refused) as error:
        raise click.ClickException(str(error)) from error
    if port is None:
        text = "".join(",".join(row) + "\n" for row in rows)
        with _plainly():
            if out is not None:
                out.write_text(text, encoding="utf-8")
            else:
                click.echo(text, nl=False)
        return
    with _plainly():
        sending = listening.send(rows, pace, port)
        click.echo(f"Listen on port {next(sending)} of this machine.")
        click.echo(f"{next(sending)} rows sent.")


@contextmanager
def _plainly() -> Iterator[None]:
    """What the database or a file says no to, as a line."""
    try:
        yield
    except SQLAlchemyError as error:
        raise click.ClickException(f"The database does not answer: {str(error).splitlines()[0][:300]}") from error
    except (admin.Refused, Newer) as error:
        raise click.ClickException(str(error)) from error
    except OSError as error:
        raise click.ClickException(f"{error.filename}: {error.strerror}") from error


@main.command("prepare")
@click.option("--make", "name", help="Make this database on the server first, where it is not there, and use it.")
@click.option("--role", help="Open it to this role, whose password stands in GAUGE_WELL_ROLE_PASSWORD.")
@click.option("--demos", is_flag=True, help="Put the demo builds on the shelf.")
def prepare(name: str | None, role: str | None, demos: bool) -> None:
    """Bring the database of DATABASE_URL to where the program can serve it."""
    url = os.environ["DATABASE_URL"]
    with _plainly():
        if name is not None:
            url = admin.made(url, name)
        newer = None
        try:
            migrate(url)
        except Newer as error:
            newer = error
        if role is not None:
            admin.open_to(url, role, os.environ["GAUGE_WELL_ROLE_PASSWORD"])
        if newer is not None:
            click.echo(f"{newer}: builds can be looked at and saved as files, not changed.", err=True)
            sys.exit(NEWER)
        engine = make_engine(url)
        if demos:
            builds.load_demos(engine)
        shelf.empty_bin(engine)
        engine.dispose()


@main.command("backup")
@click.argument("file", type=click.Path(path_type=Path))
@click.option("--tools", type=click.Path(path_type=Path), required=True, help="Folder of the database's programs.")
def backup(file: Path, tools: Path) -> None:
    """Write the database of DATABASE_URL to a file."""
    with _plainly():
        admin.backup(os.environ["DATABASE_URL"], file, tools)


def _restored(url: str) -> int:
    """Bring a restored database up to date and count its builds; refuse what is not ours, or newer."""
    engine = make_engine(url)
    try:
        with engine.connect() as connection:
            if (
                connection.scalar(
                    text("SELECT count(to_regclass(n)) FROM unnest(ARRAY['builds', 'alembic_version']) n")
                )
                != 2
            ):
                raise admin.Refused("This file holds no builds of Gauge Well.")
        migrate(url)
        with engine.connect() as connection:
            formats = connection.scalars(text("SELECT DISTINCT document->>'format' FROM builds")).all()
            unknown = sorted({str(f) for f in formats} - {FORMAT, *UPGRADES})
            if unknown:
                raise admin.Refused(f"This file was made by a newer program: it holds {', '.join(unknown)[:100]}.")
            return int(connection.scalar(text("SELECT count(*) FROM builds WHERE deleted_at IS NULL")) or 0)
    finally:
        engine.dispose()


@main.command("restore")
@click.argument("file", type=click.Path(path_type=Path))
@click.option("--tools", type=click.Path(path_type=Path), required=True, help="Folder of the database's programs.")
def restore(file: Path, tools: Path) -> None:
    """Put a backup in the place of the database of DATABASE_URL."""
    with _plainly():
        click.echo(admin.restore(os.environ["DATABASE_URL"], file, tools, _restored))


@main.command("export")
@click.argument("file", type=click.Path(path_type=Path))
def export(file: Path) -> None:
    """Write every build of DATABASE_URL to a ZIP archive of sheets."""
    with _plainly():
        engine = make_engine(os.environ["DATABASE_URL"])
        file.write_bytes(all_builds(engine))
        engine.dispose()


@main.command("write-schemas")
@click.argument("root", type=click.Path(path_type=Path))
def write_schemas(root: Path) -> None:
    """Write the sheet's JSON Schema and the OpenAPI document into the tree."""
    from gauge_well.web.app import api_document, create_app

    for path, content in (
        (root / "docs" / "build-sheet.schema.json", json_schema()),
        (root / "frontend" / "src" / "api" / "openapi.json", api_document(create_app())),
    ):
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_text(json.dumps(content, indent=1, ensure_ascii=False) + "\n", encoding="utf-8")


if __name__ == "__main__":
    main()
