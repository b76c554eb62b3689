"""A circuit from a speed trace: the zones are found where they were made, and bad rows are listed by number."""

import math
import re

import pytest

from plimbo.core import read_speed_trace
from plimbo.core.circuits.speed_trace import MOST_ROWS, UnreadableTrace, read_trace

# Made: seconds and acceleration, m/s², one after the other, from 40 m/s.
PLAN = ((6.0, 2.0), (2.2, -10.0), (7.0, 3.0), (1.6, -9.0), (9.0, 2.2), (2.4, -11.0), (7.0, 2.6))


def made(rate: float = 50.0) -> list[tuple[float, float, float]]:
    """Time, distance and speed of every row of a lap."""
    rows, time, way, speed = [], 0.0, 0.0, 40.0
    for seconds, slope in PLAN:
        for _ in range(round(seconds * rate)):
            rows.append((time, way, speed))
            way += speed / rate + 0.5 * slope / rate**2
            speed += slope / rate
            time += 1 / rate
    return rows


def edges() -> list[tuple[float, float, float, float]]:
    """Where each braking was made to begin and end, m, and the speeds there, m/s."""
    found, way, speed = [], 0.0, 40.0
    for seconds, slope in PLAN:
        begin, first = way, speed
        way, speed = way + speed * seconds + 0.5 * slope * seconds**2, speed + slope * seconds
        if slope < 0:
            found.append((begin, way, first, speed))
    return found


def as_text(heading: str, rows: list[tuple[float, ...]], delimiter: str = ",", decimal: str = ".") -> str:
    lines = [delimiter.join(f"{value:.4f}".replace(".", decimal) for value in row) for row in rows]
    return "\n".join([heading, *lines]) + "\n"


BY_TIME = [(time, speed * 3.6) for time, _, speed in made()]
BY_DISTANCE = [(way, speed * 3.6) for _, way, speed in made()]


@pytest.mark.parametrize(
    "text",
    [
        as_text("time [s],speed [km/h]", BY_TIME),
        as_text("distance [m],speed [km/h]", BY_DISTANCE),
        "\ufeff" + as_text("Time (s);Speed (km/h)", BY_TIME, ";", ","),
        as_text("t\tv [m/s]", [(time, speed) for time, _, speed in made()], "\t", ","),
        as_text("speed [mph],time [ms]", [(speed / 0.44704, 1000 * time) for time, _, speed in made()]),
    ],
    ids=["time", "distance", "decimal commas and a mark of order", "tabs", "miles and milliseconds"],
)
def test_zones_are_found_where_they_were_made(text: str) -> None:
    """Within 1 km/h and 2 m."""
    found = read_speed_trace(text, "Made")
    assert found.refused == ""
    assert found.circuit is not None
    zones, at = found.circuit.zones, found.circuit.trace_begins
    assert at is not None
    assert len(zones) == len(edges())
    for place, (zone, (begin, end, first, last)) in enumerate(zip(zones, edges(), strict=True)):
        at = at if place == 0 else at + zone.run
        assert at == pytest.approx(begin, abs=2.0)
        assert zone.distance == pytest.approx(end - begin, abs=2.0)
        assert zone.from_speed == pytest.approx(first, abs=1 / 3.6)
        assert zone.to_speed == pytest.approx(last, abs=1 / 3.6)
        at += zone.distance
    # Of a flying lap the first run begins after the last braking; all of the lap is in the zones and runs.
    whole = sum(zone.run + zone.distance for zone in zones)
    assert whole == pytest.approx(made()[-1][1], abs=3.0)


def test_noise_makes_no_zones() -> None:
    noisy = [(time, speed + 1.2 * math.sin(37 * time) * math.sin(113 * time)) for time, speed in BY_TIME]
    found = read_speed_trace(as_text("time [s],speed [km/h]", noisy), "Made")
    assert found.circuit is not None
    assert len(found.circuit.zones) == len(edges())


@pytest.mark.parametrize(
    ("spoilt", "words"),
    [
        ("8.00,--", "“--” is no number."),
        ("8.00", "It has too few columns."),
        ("8.00,", "A number is missing."),
        ("7.50,150", "The time does not go onward here."),
        ("8.00,1e99", "“1e99” cannot be."),
        ("8.00,900", "The speed cannot be."),
    ],
)
def test_a_bad_row_is_told_by_its_number_and_nothing_comes_of_it(spoilt: str, words: str) -> None:
    lines = as_text("time [s],speed [km/h]", BY_TIME).splitlines()
    lines[401] = spoilt
    refused = read_speed_trace("\n".join(lines), "Made")
    assert refused.circuit is None
    assert [(row.row, row.message) for row in refused.bad_rows] == [(402, words)]
    left_out = read_speed_trace("\n".join(lines), "Made", leave_out=True)
    assert left_out.circuit is not None
    assert [row.row for row in left_out.bad_rows] == [402]
    assert len(left_out.circuit.zones) == len(edges())


def test_a_long_file_is_read() -> None:
    rows = made(rate=200_000 / sum(seconds for seconds, _ in PLAN))
    found = read_speed_trace(as_text("time [s],speed [m/s]", [(time, speed) for time, _, speed in rows]), "Made")
    assert len(rows) == pytest.approx(200_000, abs=10)
    assert found.circuit is not None
    assert len(found.circuit.zones) == len(edges())
    assert len(found.circuit.trace_speed) <= 600


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "empty"),
        ("\n\n", "empty"),
        ("a,b\n1,2\n", "must name the columns"),
        ("time,speed [furlongs]\n1,2\n", "is not a unit"),
        ("time,speed\n" + "0,10\n" * 3, "Fewer than ten rows|cannot be read"),
        ("time,speed\n" + "".join(f"{n},x\n" for n in range(50)), "cannot be read"),
        ("time,speed\n" + "".join(f"{n},1\n" for n in range(50)), "never moves"),
        ("time,speed\n" + "".join(f"{n / 10},100\n" for n in range(50)), "No braking"),
        ("time,speed\n" + "1,2\n" * (MOST_ROWS + 1), "More than"),
    ],
)
def test_what_is_no_trace_is_refused_in_words(text: str, words: str) -> None:
    found = read_speed_trace(text, "Made")
    assert found.circuit is None
    assert re.search(words, found.refused), found.refused


def test_a_way_driven_once_begins_at_its_start() -> None:
    found = read_speed_trace(as_text("time [s],speed [km/h]", BY_TIME), "Made", one_way=True)
    assert found.circuit is not None
    assert found.circuit.one_way
    assert found.circuit.zones[0].run == pytest.approx(edges()[0][0], abs=2.0)


def test_a_row_without_end_is_refused_by_its_number() -> None:
    text = "distance [m],speed [km/h]\n0,100\n"
    for long in ("," * 5_000_000, "1," + "9" * 200_000, '"' + "x" * 140_000):
        with pytest.raises(UnreadableTrace, match="Row 3 has more than 10000 characters"):
            read_trace(text + long)


def test_a_quote_that_is_never_closed_spoils_one_row() -> None:
    rows = [f'"{10 * n}","{100 - n}"' for n in range(40)]
    rows[20] = '"200,80'
    trace = read_trace("\n".join(['"distance [m]","speed [km/h]"', *rows]), leave_out=True)
    assert [fault.row for fault in trace.faults] == [22]
    assert len(trace.speeds) == 39
