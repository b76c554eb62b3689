"""A circuit from a speed trace: the zones are found where they were made, and bad rows are listed by number."""

import math
import re

import numpy as np
import pytest

from plimbo.core import read_speed_trace
from plimbo.core.circuits.braking_zones import SLOWS, find_zones
from plimbo.core.circuits.lap import LapCar, lap
from plimbo.core.circuits.trace_laps import SpeedTrace, read_laps
from plimbo.core.circuits.trace_table import MOST_ROWS, UnreadableTrace
from tests import heat_cars

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
        ("a,b\n1,2\n", "No row names the columns"),
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
            read_laps(text + long)


def test_a_quote_that_is_never_closed_spoils_one_row() -> None:
    rows = [f'"{10 * n}","{100 - n}"' for n in range(40)]
    rows[20] = '"200,80'
    file = read_laps("\n".join(['"distance [m]","speed [km/h]"', *rows]), leave_out=True)
    assert [fault.row for fault in file.faults] == [22]
    assert len(file.fastest.speeds) == 39


def driven(car: LapCar, circuit: str) -> tuple[np.ndarray, np.ndarray]:
    """Times and speeds of a lap of the quasi-steady model, finely."""
    of = lap(car, heat_cars.CIRCUITS[circuit], grid=0.5)
    return np.concatenate([[0.0], np.cumsum(of.times)]), of.at_nodes


def planned() -> tuple[np.ndarray, np.ndarray]:
    rows = made(2000.0)
    return np.array([row[0] for row in rows]), np.array([row[2] for row in rows])


def logged(times: np.ndarray, speeds: np.ndarray, rate: float, noise: float, seed: int) -> SpeedTrace:
    clock = np.arange(0.0, times[-1], 1 / rate)
    read = np.interp(clock, times, speeds) + np.random.default_rng(seed).normal(0.0, 1.0, len(clock)) * noise
    way = np.concatenate([[0.0], np.cumsum(0.5 * (read[1:] + read[:-1]) * np.diff(clock))])
    return SpeedTrace(1, way, clock, read)


LAPS = {
    "planned": planned(),
    "racer, mixed": driven(heat_cars.RACING, "mixed"),
    "saloon, fast": driven(heat_cars.SALOON_CAR, "fast"),
}


@pytest.mark.parametrize("noise", [0.0, 0.1, 0.2, 0.4])
@pytest.mark.parametrize("rate", [5, 10, 20, 50, 100, 200])
@pytest.mark.parametrize("name", LAPS)
def test_neither_rate_nor_noise_takes_energy_away(name: str, rate: float, noise: float) -> None:
    """Against what the made lap loses where it slows by more than 3.5 m/s²; asked is 5 %."""
    times, speeds = LAPS[name]
    brakes = -np.diff(speeds) / np.diff(times) > SLOWS
    energy = float((speeds[:-1] ** 2 - speeds[1:] ** 2)[brakes].sum())
    for seed in range(2):
        found = find_zones(logged(times, speeds, rate, noise, seed))
        assert sum(zone.from_speed**2 - zone.to_speed**2 for zone in found.zones) == pytest.approx(energy, rel=0.05)
        assert found.good_to < 0.05
        for zone in found.zones:
            slowed = (zone.from_speed**2 - zone.to_speed**2) / (2 * zone.distance)
            assert slowed > 0.9 * SLOWS, "each against its own mean deceleration"


@pytest.mark.parametrize(("rate", "noise", "words"), [(1, 0.0, "So few rows a second"), (5, 2.5, "So much noise")])
def test_a_trace_that_is_too_coarse_or_too_noisy_is_said_to_be(rate: float, noise: float, words: str) -> None:
    trace = logged(*LAPS["racer, mixed"], rate, noise, 1)
    rows = list(zip(trace.times.tolist(), (3.6 * trace.speeds).tolist(), strict=True))
    found = read_speed_trace(as_text("time [s],speed [km/h]", rows), "Made")
    assert found.circuit is not None
    assert [note.text[: len(words)] for note in found.notes] == [words]
    times, speeds = LAPS["racer, mixed"]
    brakes = -np.diff(speeds) / np.diff(times) > SLOWS
    energy = float((speeds[:-1] ** 2 - speeds[1:] ** 2)[brakes].sum())
    off = abs(sum(zone.from_speed**2 - zone.to_speed**2 for zone in found.circuit.zones) / energy - 1)
    assert off <= (found.notes[0].values["good_to"].value or 0.0) * 1.5


ROWS = [(time, speed * 3.6) for time, _, speed in made(10.0)]


def minutes(rows: list[tuple[float, float]], decimal: str = ".") -> list[str]:
    return [f"{int(time // 60)}:{time % 60:06.3f}".replace(".", decimal) for time, _ in rows]


LOGGERS = {
    "ground speed": as_text("Time (s),Ground Speed (km/h)", ROWS),
    "speed of the car, not of a wheel": "Time [s],Wheel Speed FL [km/h],Engine Speed [rpm],GPS Speed [km/h]\n"
    + "".join(f"{time:.2f},{speed * 0.9:.3f},5000,{speed:.3f}\n" for time, speed in ROWS),
    "session data before the table": "Session;Heron, afternoon\nDriver;any\nSpeed sensor;front\n\n"
    + as_text("Elapsed Time [s];Vehicle Speed [km/h]", ROWS, ";"),
    "the words of the heading in a line before it": "Speed test;time 12:40\n"
    + as_text("Elapsed Time [s];Vehicle Speed [km/h]", ROWS, ";"),
    "laps with names": "Lap,Time [s],Speed [km/h]\n"
    + "".join(f"Flying one,{time:.2f},{speed:.3f}\n" for time, speed in ROWS),
    "units in the row below": as_text("Time,Speed\ns,mph", [(time, speed / 1.609344) for time, speed in ROWS]),
    "unit behind the name": as_text("time_s,speed_kmh", ROWS),
    "minutes": "Time,Speed [km/h]\n"
    + "".join(f"{clock},{speed:.3f}\n" for clock, (_, speed) in zip(minutes(ROWS), ROWS, strict=True)),
    "quoted decimal commas": '"Time (s)","Ground Speed (km/h)"\n'
    + "".join(f'"{time:.2f}","{speed:.3f}"\n'.replace(".", ",") for time, speed in ROWS),
}


@pytest.mark.parametrize("name", LOGGERS)
def test_tables_are_read_as_loggers_write_them(name: str) -> None:
    found = read_speed_trace(LOGGERS[name], "Made")
    assert found.refused == ""
    assert found.circuit is not None
    assert len(found.circuit.zones) == len(edges())
    for zone, (_, _, first, last) in zip(found.circuit.zones, edges(), strict=True):
        assert (zone.from_speed, zone.to_speed) == pytest.approx((first, last), abs=0.5)


def several(numbered: bool) -> str:
    """An out-lap that is cut, a slow lap and a fast one; the logger's clock begins again, or laps have numbers."""
    lines, clock = ["Lap;Time [s];Distance [m];Speed [km/h]" if numbered else "Distance [m];Speed [km/h]"], 0.0
    for number, (share, pace) in enumerate([(0.5, 0.9), (1.0, 0.97), (1.0, 1.0)], start=1):
        rows = made(10.0)
        for time, way, speed in rows[: int(share * len(rows))]:
            read = f"{way:.2f};{speed * pace * 3.6:.3f}"
            lines.append(f"{number};{clock + time / pace:.3f};{read}" if numbered else read)
        clock += rows[int(share * len(rows)) - 1][0] / pace
    return "\n".join(lines)


@pytest.mark.parametrize("numbered", [True, False])
def test_of_several_laps_the_fastest_whole_one_is_taken_or_another_or_all(numbered: bool) -> None:
    text = several(numbered)
    found = read_speed_trace(text, "Made")
    assert [one.whole for one in found.laps] == [False, True, True]
    assert [one.number for one in found.laps if one.fastest] == [3]
    assert found.lap == 3
    second, mean = read_speed_trace(text, "Made", lap=2), read_speed_trace(text, "Made", all_laps=True)
    assert found.circuit is not None
    assert second.circuit is not None
    assert mean.circuit is not None
    assert (second.lap, mean.lap) == (2, None)
    fast, slow, both = (of.circuit.zones[1].from_speed for of in (found, second, mean) if of.circuit)
    assert slow == pytest.approx(0.97 * fast, rel=0.01)
    assert slow < both < fast
    assert read_speed_trace(text, "Made", lap=9).refused == "There is no lap 9 in it: it has 3."
