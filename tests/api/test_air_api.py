"""Questions about ducts through the API, and the sizing, which runs in the background."""

import json
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

import httpx
import pytest
from fastapi.testclient import TestClient

from plimbo.cli.demo_data import CARS
from plimbo.core import Axle, Car, DuctSizing, Setup, size_duct, write_setup_file
from plimbo.core.quantities.cancellation import Wanted, raise_if_cancelled
from plimbo.server import examples
from plimbo.server.app import Application
from plimbo.server.jobs import AT_ONCE
from plimbo.store import Database, Jobs, JobState
from tests.conftest import JSON, DemoServer, Server
from tests.waiting import until

WREN, (SPRINT, *_) = CARS[0]


def kept(client: TestClient | httpx.Client, name: str = "Wren") -> str:
    """The id of a setup that is stored."""
    file = write_setup_file(WREN.model_copy(update={"name": name}), SPRINT)
    setup_id: str = client.post("/api/setups/files", content=file).raise_for_status().json()["id"]
    return setup_id


def question(setup_id: str, car: Car = WREN, setup: Setup = SPRINT, axle: str = "front") -> dict[str, Any]:
    return {
        "car": car.model_dump(mode="json"),
        "setup": setup.model_dump(mode="json"),
        "axle": axle,
        "setup_id": setup_id,
    }


def ended(client: TestClient | httpx.Client, job_id: str) -> dict[str, Any]:
    for _ in range(600):
        job: dict[str, Any] = client.get(f"/api/air/sizings/{job_id}").json()
        if job["state"] != "running":
            return job
        time.sleep(0.1)
    raise AssertionError("it never ended")


def last(client: TestClient | httpx.Client, setup_id: str, axle: str = "front") -> Any:
    return client.get("/api/air/sizings", params={"about": f"{setup_id} {axle}"}).json()


def test_a_sizing_runs_to_its_answer_and_is_found_again(client: TestClient) -> None:
    setup_id = kept(client)
    begun = client.post("/api/air/sizings", json=examples.SIZING_QUESTION | {"setup_id": setup_id})
    assert begun.status_code == 201
    job = ended(client, begun.json()["id"])
    assert job["state"] == "done"
    assert job["answer"]["rows"][0]["title"] == "no duct"
    assert last(client, setup_id, "front") == job
    assert last(client, setup_id, "rear") is None
    assert client.post("/api/air", json=examples.DUCT_QUESTION).json()["question"] == job["question"]


class HeldSizing:
    """In the place of a sizing, in its worker process: it takes three steps, each once the test has let it."""

    def __init__(self, folder: Path) -> None:
        self.folder, self.answer = folder, size_duct(WREN, SPRINT, Axle.FRONT)

    def let(self, step: int) -> None:
        (self.folder / f"step-{step}").touch()

    def __call__(self, *_: object, wanted: Wanted, progress: Callable[[int, int], None]) -> DuctSizing:
        for done in range(4):
            progress(done, 3)
            while done < 3 and not (self.folder / f"step-{done}").exists():
                raise_if_cancelled(wanted)
                time.sleep(0.05)
        return self.answer


@pytest.fixture
def held(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> HeldSizing:
    sizing = HeldSizing(tmp_path)
    monkeypatch.setattr("plimbo.server.routes.air.size_duct", sizing)
    return sizing


def test_it_is_followed_by_events_to_its_end(demo: DemoServer, held: HeldSizing) -> None:
    with httpx.Client(base_url=demo.url, headers=JSON) as client:
        begun = client.post("/api/air/sizings", json=question(kept(client))).json()
    events = []
    with httpx.stream("GET", f"{demo.url}/api/air/sizings/{begun['id']}/events", timeout=60) as stream:
        assert stream.headers["content-type"].startswith("text/event-stream")
        for line in stream.iter_lines():
            if line.startswith("data: "):
                events.append(json.loads(line[6:]))
                # The next step is taken once this one has been reported.
                if events[-1]["of"] and events[-1]["done"] == len({one["done"] for one in events if one["of"]}) - 1:
                    held.let(events[-1]["done"])
    assert events[-1]["state"] == "done"
    done = [one["done"] for one in events if one["of"]]
    assert done == sorted(done)
    assert {0, 1, 2} <= set(done), "each step is reported while it runs"


def test_a_new_one_replaces_the_last_and_the_same_is_not_begun_twice(client: TestClient, held: HeldSizing) -> None:
    setup_id = kept(client)
    first = client.post("/api/air/sizings", json=question(setup_id)).json()
    same = client.post("/api/air/sizings", json=question(setup_id)).json()
    assert same["id"] == first["id"]
    other = client.post("/api/air/sizings", json=question(setup_id, WREN.patched({"mass": 700.0}))).json()
    assert other["id"] != first["id"]
    assert client.get(f"/api/air/sizings/{first['id']}").status_code == 404
    for step in range(3):
        held.let(step)
    assert ended(client, other["id"])["state"] == "done"


@pytest.mark.usefixtures("held")
def test_a_cancelled_one_leaves_nothing(client: TestClient, database: Database) -> None:
    setup_id = kept(client)
    begun = client.post("/api/air/sizings", json=question(setup_id)).json()
    assert client.delete(f"/api/air/sizings/{begun['id']}").status_code == 204
    assert client.get(f"/api/air/sizings/{begun['id']}").status_code == 404
    assert last(client, setup_id) is None
    assert client.delete(f"/api/air/sizings/{begun['id']}").status_code == 404
    app = client.app
    assert isinstance(app, Application)
    until(lambda: not app.state.jobs._running)
    assert Jobs(database).last(f"{setup_id} front") is None, "not written after it was cancelled either"


@pytest.mark.usefixtures("held")
def test_no_more_at_once_than_there_may_be(client: TestClient) -> None:
    # What is not there takes no place.
    made_up = [client.post("/api/air/sizings", json=question(f"{n:032x}")).status_code for n in range(AT_ONCE)]
    assert made_up == [404] * AT_ONCE
    ids = [kept(client, f"Wren {n}") for n in range(AT_ONCE + 3)]
    begun = [client.post("/api/air/sizings", json=question(setup_id)) for setup_id in ids]
    refused = [one for one in begun if one.status_code == 429]
    assert len(refused) == 3
    assert "wait for one" in refused[0].json()["detail"]
    for one in begun:
        if one.status_code == 201:
            client.delete(f"/api/air/sizings/{one.json()['id']}")


def test_why_it_failed_is_told(client: TestClient) -> None:
    begun = client.post(
        "/api/air/sizings", json=question(kept(client), WREN.model_copy(update={"sessions": ()}))
    ).json()
    job = ended(client, begun["id"])
    assert (job["state"], job["answer"]) == ("failed", None)
    assert "add one on Heat" in job["trouble"]


def test_bad_ducts_are_refused_at_their_fields(client: TestClient) -> None:
    for path, value in (("seal", 1.4), ("opening.area", 0.0), ("pieces.0.length", 9.0)):
        asked = question("")
        place: Any = asked["setup"]["front"]["cooling"]["duct"]
        *parents, last = path.split(".")
        for name in parents:
            place = place[int(name)] if name.isdigit() else place[name]
        place[last] = value
        answer = client.post("/api/air", json={key: one for key, one in asked.items() if key != "setup_id"})
        assert answer.status_code == 422
        assert answer.json()["errors"][0]["path"] == f"setup.front.cooling.duct.{path}"
    long = SPRINT.patched({"front.cooling.duct.pieces.0.length": 5.5})
    answer = client.post(
        "/api/assess", json={"car": WREN.model_dump(mode="json"), "setup": long.model_dump(mode="json")}
    )
    assert answer.json()["errors"][0]["path"] == "setup.front.cooling.duct.pieces.0.length"
    assert "longer than the car" in answer.json()["errors"][0]["message"]


@pytest.mark.parametrize("how", ["kill", "stop"])
def test_a_server_that_ends_meanwhile_says_that_it_was_interrupted(tmp_path: Path, how: str) -> None:
    server = Server(tmp_path, "serve")
    slow = WREN.patched({f"sessions.{n}.fast_laps": 200 for n in range(3)})
    with httpx.Client(base_url=server.url, headers=JSON, timeout=60) as client:
        setup_id = kept(client)
        begun = client.post("/api/air/sizings", json=question(setup_id, slow)).json()
        assert begun["state"] == "running"
    getattr(server, how)()
    again = Server(tmp_path, "serve")
    try:
        with httpx.Client(base_url=again.url, headers=JSON, timeout=60) as client:
            found = last(client, setup_id)
            assert (found["id"], found["state"], found["answer"]) == (begun["id"], "interrupted", None)
            assert client.post("/api/air/sizings", json=question(setup_id)).status_code == 201
    finally:
        again.stop()


def test_events_are_those_of_a_running_job(client: TestClient) -> None:
    job = client.post("/api/air/sizings", json=question(kept(client))).json()
    ended(client, job["id"])
    for job_id in (job["id"], f"{7:032x}"):
        answer = client.get(f"/api/air/sizings/{job_id}/events")
        assert (answer.status_code, answer.headers["content-type"]) == (404, "application/problem+json")


def test_only_so_many_are_kept(database: Database) -> None:
    jobs = Jobs(database)
    for n in range(305):
        job = jobs.begin("duct", f"{n:032x} front", "x")
        jobs.end(job.id, JobState.DONE, {})
    assert jobs.last(f"{0:032x} front") is None
    assert jobs.last(f"{304:032x} front") is not None
