"""Which circuit is in this speed trace? The braking zones of a lap in a CSV file, and the faults of its rows."""

from collections.abc import Iterator

from pydantic import Field

from plimbo.core.circuits.braking_zones import FoundZones, find_zones
from plimbo.core.circuits.trace_laps import SpeedTrace, TraceFile, read_laps, thinned
from plimbo.core.circuits.trace_table import UnreadableTrace
from plimbo.core.documents import Circuit, LaidOutBy
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.quantities.results import Result, answer

POINTS = 500
# Share of the braking energy that the zones should be good to; rows a second from which a trace is coarse.
GOOD_TO, COARSE = 0.05, 4.0


class BadRow(Result):
    """A faulty row of the file, counted from 1, and its fault."""

    row: int
    message: str


class LapInFile(Result):
    """One lap of the file, counted from 1."""

    number: int
    seconds: float = answer("time", "Lap time")
    length: float = answer("distance", "Length")
    whole: bool = Field(description="Whether it is as long as most: no out-lap or in-lap.")
    fastest: bool = Field(description="Of the whole ones.")


class TraceReading(Result):
    """The circuit in a trace, or why there is none."""

    circuit: Circuit | None
    refused: str = Field(description="Why there is no circuit; empty where there is one.")
    bad_rows: tuple[BadRow, ...] = Field(description="Rows that cannot be read; left out of the circuit.")
    rows: int
    laps: tuple[LapInFile, ...] = ()
    lap: int | None = Field(None, description="The lap that the circuit is of; none: the mean of all whole laps.")
    notes: tuple[Phrase, ...] = Field((), description="What the zones are not good for.")


def read_speed_trace(
    text: str,
    name: str,
    *,
    one_way: bool = False,
    leave_out: bool = False,
    lap: int | None = None,
    all_laps: bool = False,
) -> TraceReading:
    """Find the braking zones of a lap by its number, of the mean of all whole laps, or of the fastest whole one.

    With `leave_out`, unreadable rows are left out; otherwise they refuse the whole file.
    """
    count = text.count("\n")
    try:
        file = read_laps(text, leave_out=leave_out)
        chosen = _chosen(file, lap, all_laps=all_laps)
        found = find_zones(chosen, once=one_way)
        if not found.zones:
            raise UnreadableTrace("No braking in it: is it a whole lap, and the speed in the right unit?")
        if len(found.zones) > 60:
            raise UnreadableTrace("More than sixty braking zones: take one lap of it.")
    except UnreadableTrace as error:
        bad = tuple(BadRow(row=row, message=message) for row, message in error.faults)
        return TraceReading(circuit=None, refused=str(error), bad_rows=bad, rows=count)
    distances, speeds = thinned(chosen, POINTS)
    circuit = Circuit(
        name=name,
        one_way=one_way,
        laid_out_by=LaidOutBy.ZONES,
        zones=found.zones,
        trace_distance=distances,
        trace_speed=speeds,
        trace_begins=round(found.begins, 1),
    )
    whole, fastest = {one.number for one in file.whole}, file.fastest.number
    return TraceReading(
        circuit=circuit,
        refused="",
        bad_rows=tuple(BadRow(row=row, message=message) for row, message in file.faults),
        rows=count,
        laps=tuple(
            LapInFile(
                number=one.number,
                seconds=one.seconds,
                length=one.length,
                whole=one.number in whole,
                fastest=one.number == fastest,
            )
            for one in file.laps
        ),
        lap=chosen.number or None,
        notes=tuple(_notes(found)),
    )


def _chosen(file: TraceFile, lap: int | None, *, all_laps: bool) -> SpeedTrace:
    if not file.laps:
        raise UnreadableTrace("The car never moves: is it the right column, in the right unit?")
    if all_laps and len(file.whole) > 1:
        return file.mean
    if lap is None:
        return file.fastest
    for one in file.laps:
        if one.number == lap:
            return one
    raise UnreadableTrace(f"There is no lap {lap} in it: it has {len(file.laps)}.")


def _notes(found: FoundZones) -> Iterator[Phrase]:
    if found.good_to <= GOOD_TO and found.rate >= COARSE:
        return
    coarse = found.rate < COARSE
    yield phrase(
        f"{'So few rows a second' if coarse else 'So much noise'} leave the braking energy good to about"
        " {good_to} only: look at each zone, or log with more rows a second.",
        good_to=(max(found.good_to, GOOD_TO), "share"),
    )
