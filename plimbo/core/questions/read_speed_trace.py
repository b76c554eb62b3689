"""Which circuit is in this speed trace? The braking zones of a lap in a CSV file, and the faults of its rows."""

from pydantic import Field

from plimbo.core.circuits.speed_trace import UnreadableTrace, braking_zones, read_trace, thinned
from plimbo.core.documents import Circuit, LaidOutBy
from plimbo.core.quantities.results import Result

POINTS = 500


class BadRow(Result):
    """A faulty row of the file, counted from 1, and its fault."""

    row: int
    message: str


class TraceReading(Result):
    """The circuit in a trace, or why there is none."""

    circuit: Circuit | None
    refused: str = Field(description="Why there is no circuit; empty where there is one.")
    bad_rows: tuple[BadRow, ...] = Field(description="Rows that cannot be read; left out of the circuit.")
    rows: int


def read_speed_trace(text: str, name: str, *, one_way: bool = False, leave_out: bool = False) -> TraceReading:
    """Find the braking zones; with `leave_out`, unreadable rows are left out; otherwise they refuse the whole file."""
    count = text.count("\n")
    try:
        trace = read_trace(text, leave_out=leave_out)
        zones, begins = braking_zones(trace, once=one_way)
        if not zones:
            raise UnreadableTrace("No braking in it: is it a whole lap, and the speed in the right unit?")
        if len(zones) > 60:
            raise UnreadableTrace("More than sixty braking zones: take one lap of it.")
    except UnreadableTrace as error:
        bad = tuple(BadRow(row=row, message=message) for row, message in error.faults)
        return TraceReading(circuit=None, refused=str(error), bad_rows=bad, rows=count)
    distances, speeds = thinned(trace, POINTS)
    circuit = Circuit(
        name=name,
        one_way=one_way,
        laid_out_by=LaidOutBy.ZONES,
        zones=zones,
        trace_distance=distances,
        trace_speed=speeds,
        trace_begins=round(begins, 1),
    )
    faults = tuple(BadRow(row=row, message=message) for row, message in trace.faults)
    return TraceReading(circuit=circuit, refused="", bad_rows=faults, rows=count)
