"""Rows of text from a spreadsheet's file: CSV of any usual kind, or an XLSX workbook's first sheet, values alone."""

from __future__ import annotations

import csv
import io
import zipfile
from collections.abc import Iterator
from typing import Literal

from openpyxl import load_workbook  # type: ignore[import-untyped]

from gauge_well.formats.errors import FormatError

ROWS_MAX, COLUMNS_MAX, CELL_MAX = 5000, 80, 400
UNPACKED_MAX = 80 * 1024 * 1024  # bytes of a workbook once unpacked
SNIFFED = 4096
BOM = b"\xef\xbb\xbf"


def rows_of(raw: bytes, kind: Literal["csv", "xlsx"]) -> list[list[str]]:
    """Rows that hold anything, each cell as text.

    Raises
    ------
    FormatError
        Where it is no such file, or larger than is taken.
    """
    rows: list[list[str]] = []
    for row in _csv(raw) if kind == "csv" else _xlsx(raw):
        cells = [cell.strip()[:CELL_MAX] for cell in row[:COLUMNS_MAX]]
        if not any(cells):
            continue
        rows.append(cells)
        if len(rows) > ROWS_MAX:
            raise FormatError("rows", f"The list has more than {ROWS_MAX} rows.")
    return rows


def _csv(raw: bytes) -> Iterator[list[str]]:
    try:
        text = raw.removeprefix(BOM).decode()
    except UnicodeDecodeError:
        text = raw.decode("latin-1")  # as office programs still write it
    if "\0" in text:
        raise FormatError("csv", "This is no CSV file: it holds bytes that are no text.")
    try:
        dialect: type[csv.Dialect] | csv.Dialect = csv.Sniffer().sniff(text[:SNIFFED], delimiters=",;\t|")
    except csv.Error:
        dialect = csv.excel
    try:
        yield from csv.reader(io.StringIO(text), dialect)
    except csv.Error as error:
        raise FormatError("csv", f"The CSV file cannot be read: {error}.") from None


def _xlsx(raw: bytes) -> Iterator[list[str]]:
    try:
        with zipfile.ZipFile(io.BytesIO(raw)) as packed:
            size = sum(item.file_size for item in packed.infolist())
        if size > UNPACKED_MAX:
            raise FormatError(
                "size", f"The workbook is {size // 1024**2} MB unpacked: {UNPACKED_MAX // 1024**2} MB are the most."
            )
        book = load_workbook(io.BytesIO(raw), read_only=True, data_only=True)
        sheet = book.worksheets[0]
        for row in sheet.iter_rows(max_col=COLUMNS_MAX, max_row=ROWS_MAX + 2, values_only=True):
            yield ["" if cell is None else f"{cell:g}" if isinstance(cell, float) else str(cell) for cell in row]
        book.close()
    except FormatError:
        raise
    except Exception:
        # The library raises whatever the file's own fault led to.
        raise FormatError("xlsx", "This is no workbook that can be read.") from None
