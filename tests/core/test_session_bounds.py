"""A session is bounded by its samples before anything is simulated, whatever its documents allow."""

import resource
import subprocess
import sys
from datetime import date

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import Circuit, CircuitSection, OutOfRange, Session, judge_heat, simulate_session

WREN, (SPRINT, *_) = CARS[0]
TODAY = date(2026, 1, 1)
GIGABYTE = 1 << 30


def circuit(sections: int, length: float, radius: float | None) -> Circuit:
    return Circuit(name="Ring", sections=[CircuitSection(length=length, radius=radius) for _ in range(sections)])


# 3 kB of JSON that ask for 218 million samples.
HUGE = Session(
    name="Huge", circuit=circuit(80, 5000, 4), pace=0.3, fast_laps=200, out_laps=5, cool_down_laps=5, laps_after=50
)


def refused(session: Session) -> OutOfRange:
    with pytest.raises(OutOfRange) as caught:
        simulate_session(WREN, SPRINT, session, TODAY)
    return caught.value


def test_a_session_that_would_take_all_memory_is_refused_in_little_memory() -> None:
    code = "from tests.core.test_session_bounds import HUGE, refused; print(refused(HUGE).path)"
    done = subprocess.run(
        [sys.executable, "-c", code],
        preexec_fn=lambda: resource.setrlimit(resource.RLIMIT_AS, (3 * GIGABYTE, 3 * GIGABYTE)),
        capture_output=True,
        text=True,
        timeout=300,
        check=False,
    )
    assert (done.returncode, done.stdout.strip()) == (0, "session.circuit"), done.stderr


def test_a_lap_that_is_too_long_by_its_time_is_refused_too() -> None:
    assert "A single lap is too long" in refused(HUGE.patched({"circuit": circuit(19, 5000, 4)})).message


def test_too_many_laps_are_refused_with_the_number_that_is_possible() -> None:
    session = Session(name="Long", circuit=circuit(80, 1000, 40), fast_laps=200)
    error = refused(session)
    assert error.path == "session.fast_laps"
    assert error.message.startswith("Too many fast laps")
    possible = int(error.message.split("at most ")[1].rstrip("."))
    assert 1 < possible < 200
    simulated = simulate_session(WREN, SPRINT, session.patched({"fast_laps": possible}), TODAY)
    assert [part.kind for part in simulated.heat.parts].count("fast") == possible
    assert refused(session.patched({"fast_laps": possible + 1})).path == "session.fast_laps"


def test_the_kind_of_lap_that_takes_most_is_the_one_that_is_named() -> None:
    session = Session(name="Endless", circuit=circuit(80, 1000, 20), pace=0.35, fast_laps=1, out_laps=5)
    error = refused(session)
    assert error.path == "session.out_laps"
    assert error.message.startswith("Too many out-laps")
    possible = int(error.message.split("at most ")[1].rstrip("."))
    simulate_session(WREN, SPRINT, session.patched({"out_laps": possible}), TODAY)


def test_runs_of_a_hill_count_with_the_time_that_the_car_stands() -> None:
    hill = next(one for one in WREN.sessions if one.circuit.one_way)
    assert refused(hill.patched({"fast_laps": 200, "parked": 7200.0})).path == "session.fast_laps"
    assert len(simulate_session(WREN, SPRINT, hill.patched({"fast_laps": 20}), TODAY).heat.parts) == 60


def test_a_car_with_such_a_session_has_no_green_mark() -> None:
    answer = judge_heat(WREN.model_copy(update={"sessions": (HUGE,)}), SPRINT, TODAY)
    assert answer.verdict is not None
    assert answer.verdict.level != "good"
    assert answer.trouble is not None
    assert answer.trouble.path == "session.circuit"
