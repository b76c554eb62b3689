"""A logger's table, read from CSV: which columns hold speed, distance, time and lap, and the numbers in them.

The heading names a column of speed and one of distance or time, with units in brackets, behind the name or in the row
below: `distance [m]; Ground Speed (km/h)`. Lines of session data may stand before it. Commas, semicolons or tabs
separate the columns; decimal commas are read, between commas where they are quoted; times may be m:ss.
"""

import csv
import re
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

MOST_ROWS, LONGEST_ROW = 250_000, 10_000
# Lines before the table, among which its heading is looked for.
PREAMBLE = 200
_UNITS = {"m/s": 1.0, "mps": 1.0, "km/h": 1 / 3.6, "kph": 1 / 3.6, "kmh": 1 / 3.6, "mph": 0.44704, "kn": 0.514444}
_LENGTHS = {"m": 1.0, "km": 1000.0, "ft": 0.3048, "mi": 1609.344}
_TIMES = {"s": 1.0, "sec": 1.0, "ms": 1e-3, "min": 60.0}
# What the columns are called, the likeliest first; a name also fits with other words around these.
_NAMES = {
    "speed": ("speed", "velocity", "v"),
    "distance": ("distance", "dist", "lapdist", "s"),
    "time": ("time", "t", "laptime", "elapsed"),
    "lap": ("lap", "lap number", "lap no", "lapnumber"),
}
_WORDS = {"speed": ("speed", "velocity"), "distance": ("distance", "dist"), "time": ("time", "elapsed"), "lap": ()}
_KNOWN = {"speed": _UNITS, "distance": _LENGTHS, "time": _TIMES, "lap": {}}
_USUAL = {"speed": "km/h", "distance": "m", "time": "s", "lap": ""}
# Of several speeds that of the car counts, not that of a wheel or of the engine.
_OTHERS = re.compile(r"wheel|engine|fan|wind|shaft|turbo|rpm|\b[fr][lr]\b|yaw|delta|diff|best|prev|slip")
_RATHER = re.compile(r"ground|vehicle|car|corrected|gps|reference")


class RowFault(NamedTuple):
    """What is wrong with a row, by its number in the file, counted from 1."""

    row: int
    message: str


class UnreadableTrace(ValueError):
    """Not a speed trace; the message says why, and the faults which rows are to blame."""

    def __init__(self, message: str, faults: Sequence[RowFault] = ()) -> None:
        super().__init__(message)
        self.faults = tuple(faults)


class Column(NamedTuple):
    """Where a column stands, and the factor to SI."""

    place: int
    factor: float


class TraceRow(NamedTuple):
    """One row: m/s; m and s where the table has them; its lap as it is called there, empty where it is not."""

    number: int
    speed: float
    distance: float | None
    time: float | None
    lap: str


def trace_rows(text: str) -> tuple[list[TraceRow], list[RowFault]]:
    """The rows of the table, and the faults of those that cannot be read. Raises `UnreadableTrace`."""
    lines = text.lstrip("\ufeff").splitlines()
    if not any(line.strip() for line in lines):
        raise UnreadableTrace("The file is empty.")
    long = next((place for place, line in enumerate(lines, start=1) if len(line) > LONGEST_ROW), None)
    if long is not None:
        raise UnreadableTrace(f"Row {long} has more than {LONGEST_ROW} characters: this is no speed trace.")
    heading, delimiter = _heading(lines)
    names, first = _cells(lines[heading], delimiter), heading + 1
    below = _cells(lines[first], delimiter) if first < len(lines) else []
    columns, units_below = _columns(names, below)
    first += units_below
    if len(lines) - first > MOST_ROWS:
        raise UnreadableTrace(f"More than {MOST_ROWS} rows: take one lap of it, or every second row.")
    rows, faults = list[TraceRow](), list[RowFault]()
    for number, line in enumerate(lines[first:], start=first + 1):
        # Row by row, so that a quote that is never closed spoils its own row only.
        row = _cells(line, delimiter)
        if not any(cell.strip() for cell in row):
            continue
        try:
            numbers = {
                kind: _number(row, column.place) * column.factor if column else None
                for kind, column in columns.items()
                if kind != "lap"
            }
        except ValueError as error:
            faults.append(RowFault(number, str(error)))
            continue
        speed = numbers.pop("speed") or 0.0
        if not -0.5 <= speed <= 130:
            faults.append(RowFault(number, "The speed cannot be."))
            continue
        rows.append(TraceRow(number, speed, numbers["distance"], numbers["time"], _lap(row, columns["lap"])))
    return rows, faults


def _cells(line: str, delimiter: str) -> list[str]:
    return next(csv.reader([line], delimiter=delimiter), [])


def _heading(lines: Sequence[str]) -> tuple[int, str]:
    """The row that names the columns, and what separates them.

    A line of session data may hold the same words: the last such row before the first number counts.
    """
    found: tuple[int, str] | None = None
    column = 0
    for place, line in enumerate(lines[:PREAMBLE]):
        named = _names_columns(line)
        if named is not None:
            delimiter, column = named
            found = place, delimiter
        elif found is not None and _holds_number(line, column, found[1]):
            break
    if found is None:
        raise UnreadableTrace(
            "No row names the columns: distance or time, and speed, such as “distance [m], speed [km/h]”."
        )
    return found


def _names_columns(line: str) -> tuple[str, int] | None:
    """What separates the columns that a line names, and the place of the speed; none where it names none."""
    for delimiter in sorted(";\t,", key=line.count, reverse=True):
        cells = _cells(line, delimiter)
        speed = _best(cells, "speed")
        if speed is not None and any(_best(cells, kind) is not None for kind in ("distance", "time")):
            return delimiter, speed
    return None


def _holds_number(line: str, place: int, delimiter: str) -> bool:
    try:
        _number(_cells(line, delimiter), place)
    except ValueError:
        return False
    return True


def _named(cell: str) -> tuple[str, str]:
    """Name and unit of a heading's cell, in small letters."""
    match = re.match(r"\s*([^\[(]*?)\s*(?:[\[(]\s*([^\])]*?)\s*[\])])?\s*$", cell)
    name, unit = (match[1].lower(), (match[2] or "").lower()) if match else (cell.strip().lower(), "")
    name = re.sub(r"[_\-–:.]+", " ", name).strip()
    # A unit behind the name: “speed km/h”, “speed_kmh”.
    words = name.split()
    if not unit and len(words) > 1 and any(words[-1] in known for known in _KNOWN.values()):
        return " ".join(words[:-1]), words[-1]
    return name, unit


def _best(names: Sequence[str], kind: str) -> int | None:
    """The place of the column that is most likely of this kind."""
    ranks = dict[int, int]()
    for place, cell in enumerate(names):
        name, unit = _named(cell)
        if name in _NAMES[kind] or name.replace(" ", "") in _NAMES[kind]:
            ranks[place] = 0
        elif any(word in name.split() for word in _WORDS[kind]) and not _OTHERS.search(name):
            # A name that only contains the word may mean something else: its unit decides, if it has one.
            fits = not unit or unit in _KNOWN[kind]
            ranks |= {place: 1 if _RATHER.search(name) else 2} if fits else {}
    return min(ranks, key=lambda place: (ranks[place], place)) if ranks else None


def _columns(names: Sequence[str], below: Sequence[str]) -> tuple[dict[str, Column | None], bool]:
    """The columns by kind, and whether the row below the heading holds their units."""
    places = {kind: _best(names, kind) for kind in _NAMES}
    units = [cell.strip().strip("[]()").lower() for cell in below]

    def unit_below(kind: str) -> str:
        place = places[kind]
        return units[place] if place is not None and place < len(units) and units[place] in _KNOWN[kind] else ""

    has_row = bool(unit_below("speed"))
    found = dict[str, Column | None]()
    for kind, place in places.items():
        if place is None:
            found[kind] = None
            continue
        unit = _named(names[place])[1] or (unit_below(kind) if has_row else "")
        known = _KNOWN[kind]
        if unit and known and unit not in known:
            raise UnreadableTrace(f"“{unit}” is not a unit that is known here: use {', '.join(known)}.")
        found[kind] = Column(place, known.get(unit or _USUAL[kind], 1.0))
    return found, has_row


def _number(row: Sequence[str], place: int) -> float:
    """Raises `ValueError` in a user's words."""
    if place >= len(row):
        raise ValueError("It has too few columns.")
    cell = row[place].strip().replace("\u202f", "").replace("\xa0", "").replace(" ", "").replace("−", "-")
    try:
        value = _minutes(cell) if ":" in cell else float(_with_a_point(cell))
    except ValueError:
        raise ValueError(f"“{cell[:20]}” is no number." if cell else "A number is missing.") from None
    if not np.isfinite(value) or abs(value) > 1e7:
        raise ValueError(f"“{cell[:20]}” cannot be.")
    return value


def _lap(row: Sequence[str], column: Column | None) -> str:
    """As it is written: laps may have names."""
    return row[column.place].strip() if column and column.place < len(row) else ""


def _with_a_point(cell: str) -> str:
    """The last of comma and point is the decimal one; the other separates thousands."""
    if "," not in cell:
        return cell
    return cell.replace(".", "").replace(",", ".") if cell.rfind(",") > cell.rfind(".") else cell.replace(",", "")


def _minutes(cell: str) -> float:
    """Seconds of m:ss or h:mm:ss."""
    seconds = 0.0
    for part in cell.split(":"):
        seconds = 60 * seconds + float(_with_a_point(part))
    return seconds
