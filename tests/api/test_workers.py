"""Worker processes: long questions end when no client waits, in whatever process, and nothing else waits for them."""

import contextlib
import os
import signal
import threading
import time
from collections.abc import Callable, Iterator
from functools import partial
from pathlib import Path

import httpx
import pytest
from pydantic import BaseModel

from plimbo.cli.demo_data import CARS
from plimbo.core import Axle, Cancelled, OutOfRange, estimate_uncertainty, size_duct
from plimbo.workers import Priority, Workers
from tests.conftest import JSON, Server
from tests.waiting import until

WREN, (SPRINT, *_) = CARS[0]
LONG = WREN.patched({f"sessions.{n}.fast_laps": 60 for n in range(3)})


class Said(BaseModel):
    """What a question of these tests answers."""

    process: int
    niceness: int


def quick() -> Said:
    return Said(process=os.getpid(), niceness=os.nice(0))


def refused() -> Said:
    raise OutOfRange("setup.pedal.ratio", "Must be at most {limit}.", (12.0, "ratio"))


def endless(begun: Path) -> Said:
    """It never asks whether it is still needed."""
    begun.write_text(str(os.getpid()))
    while True:
        time.sleep(0.01)


def endless_but_asking(begun: Path, wanted: Callable[[], bool]) -> Said:
    begun.write_text(str(os.getpid()))
    while wanted():
        time.sleep(0.01)
    raise Cancelled


def died() -> Said:
    os._exit(3)


@pytest.fixture
def workers() -> Iterator[Workers]:
    workers = Workers()
    yield workers
    workers.stop()


def process_of(begun: Path) -> int:
    until(lambda: begun.exists() and begun.read_text())
    return int(begun.read_text())


def runs(process: int) -> bool:
    try:
        os.kill(process, 0)
    except ProcessLookupError:
        return False
    # One that has ended and that its parent has not asked about yet.
    return Path(f"/proc/{process}/stat").read_text().rpartition(")")[2].split()[0] != "Z"


def test_a_question_is_answered_in_another_process(workers: Workers) -> None:
    said = Said.model_validate_json(workers.ask(quick).answer.result(60))
    assert said.process != os.getpid()
    answer = workers.ask(partial(estimate_uncertainty, WREN, SPRINT)).answer.result(60)
    assert answer == estimate_uncertainty(WREN, SPRINT).model_dump_json().encode()


def test_an_error_of_the_job_arrives_whole(workers: Workers) -> None:
    with pytest.raises(OutOfRange) as error:
        workers.ask(refused).answer.result(60)
    assert (error.value.path, error.value.limit) == ("setup.pedal.ratio", (12.0, "ratio"))


@pytest.mark.parametrize("question", [endless, endless_but_asking])
def test_what_no_client_waits_for_ends(workers: Workers, tmp_path: Path, question: Callable[..., Said]) -> None:
    """One that asks keeps its process; the process of any other is ended, and the next question starts another."""
    task = workers.ask(partial(question, tmp_path / "begun"), Priority.LONG)
    process = process_of(tmp_path / "begun")
    task.cancel()
    with pytest.raises(Cancelled):
        task.answer.result(60)
    until(lambda: runs(process) == (question is endless_but_asking))
    said = Said.model_validate_json(workers.ask(quick, Priority.LONG).answer.result(60))
    assert (said.process == process) == (question is endless_but_asking)


def test_a_process_that_died_is_replaced(workers: Workers) -> None:
    with pytest.raises(Exception, match="terminated"):
        workers.ask(died).answer.result(60)
    assert workers.ask(quick).answer.result(60)


def test_short_questions_do_not_wait_for_long_ones(workers: Workers, tmp_path: Path) -> None:
    held = [workers.ask(partial(endless, tmp_path / f"{n}"), Priority.LONG) for n in range(3)]
    process_of(tmp_path / "0")
    short = [Said.model_validate_json(workers.ask(quick).answer.result(60)) for _ in range(3)]
    assert {one.niceness for one in short} == {os.nice(0)}
    assert not any(task.answer.done() for task in held)
    assert not (tmp_path / "1").exists(), "long ones come one after another"


def test_one_that_was_cancelled_while_it_waited_is_never_begun(workers: Workers, tmp_path: Path) -> None:
    first = workers.ask(partial(endless, tmp_path / "first"), Priority.LONG)
    second = workers.ask(partial(endless, tmp_path / "second"), Priority.LONG)
    process_of(tmp_path / "first")
    second.cancel()
    first.cancel()
    with pytest.raises(Cancelled):
        second.answer.result(60)
    assert not (tmp_path / "second").exists()


def test_a_stop_ends_what_runs_and_what_waits(workers: Workers, tmp_path: Path) -> None:
    tasks = [workers.ask(partial(endless, tmp_path / f"{n}"), Priority.LONG) for n in range(3)]
    process = process_of(tmp_path / "0")
    workers.stop()
    assert all(isinstance(task.answer.exception(0), Cancelled) for task in tasks)
    assert not runs(process)


def children(process: int) -> list[int]:
    found = Path(f"/proc/{process}/task/{process}/children")
    # Threads start processes, too.
    return [int(one) for task in found.parents[1].iterdir() for one in (task / "children").read_text().split()]


@pytest.mark.parametrize("how", [signal.SIGKILL, signal.SIGTERM, signal.SIGINT])
def test_the_workers_end_with_their_server(tmp_path: Path, how: signal.Signals) -> None:
    server = Server(tmp_path, "serve")
    question = {"car": LONG.model_dump(mode="json"), "setup": SPRINT.model_dump(mode="json")}

    def ask() -> None:
        # The server is gone before it has answered, or just after.
        with contextlib.suppress(httpx.HTTPError):
            httpx.post(f"{server.url}/api/heat", json=question, timeout=90)

    asking = [threading.Thread(target=ask) for _ in range(6)]
    for thread in asking:
        thread.start()
    until(lambda: len(children(server.process.pid)) >= 2)
    workers = children(server.process.pid)
    begun = time.monotonic()
    server.process.send_signal(how)
    server.process.wait(60)
    print(f"stopped after {time.monotonic() - begun:.1f} s")
    until(lambda: not any(runs(one) for one in workers))
    for thread in asking:
        thread.join(60)


def test_a_client_that_left_holds_no_turn(tmp_path: Path) -> None:
    """Twenty people ask for what takes long, and leave; then another one is answered."""
    server = Server(tmp_path, "serve")
    question = {
        "car": LONG.model_dump(mode="json"),
        "setup": SPRINT.model_dump(mode="json"),
        "session": LONG.model_dump(mode="json")["sessions"][0],
    }
    try:
        with httpx.Client(base_url=server.url, headers=JSON, timeout=60) as client:
            until(lambda: client.post("/api/heat/session", json=question).status_code == 200)
            for _ in range(20):
                with pytest.raises(httpx.ReadTimeout):
                    client.post("/api/heat/mends", json=question, timeout=0.1)
            begun = time.monotonic()
            alone = question | {
                "car": WREN.model_dump(mode="json"),
                "session": WREN.model_dump(mode="json")["sessions"][3],
            }
            assert client.post("/api/heat/mends", json=alone).status_code == 200
            print(f"answered after {time.monotonic() - begun:.1f} s")
    finally:
        server.stop()


def test_a_sizing_says_how_far_it_is(workers: Workers) -> None:
    task = workers.ask(partial(size_duct, LONG, SPRINT, Axle.FRONT), Priority.LONG)
    until(lambda: task.progress()[1] > 0)
    task.cancel()
    with pytest.raises(Cancelled):
        task.answer.result(60)
