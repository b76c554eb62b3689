"""Questions that only a worker process is asked: what they read is too large to be sent, or they ask several others."""

from datetime import date
from pathlib import Path

from plimbo.core import (
    Car,
    Marks,
    Setup,
    TraceReading,
    UnreadableFile,
    assess,
    estimate_uncertainty,
    judge_heat,
    overall,
    read_speed_trace,
)
from plimbo.core.quantities.cancellation import Wanted, always


def marks(car: Car, setup: Setup, today: date, *, wanted: Wanted = always) -> Marks:
    """How a setup stands in every matter, the doubt and the sessions included. Raises `Cancelled`."""
    plain = assess(car, setup, with_working=False).verdicts
    doubted = estimate_uncertainty(car, setup, wanted=wanted).verdict
    heat = judge_heat(car, setup, today, wanted=wanted).verdict
    return overall(car, setup, plain, doubted, heat)


def read_trace_file(
    file: Path, name: str, *, one_way: bool, leave_out: bool, lap: int | None = None, all_laps: bool = False
) -> TraceReading:
    """`read_speed_trace` of a file. Raises `UnreadableFile` where it is gone."""
    try:
        text = file.read_text(encoding="utf-8-sig", errors="replace")
    except OSError:
        raise UnreadableFile("The uploaded file is not there any more: send it again.") from None
    return read_speed_trace(text, name, one_way=one_way, leave_out=leave_out, lap=lap, all_laps=all_laps)
