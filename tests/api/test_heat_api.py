"""Circuits, speed traces and the questions about heat, as a program asks them."""

from typing import Any

from fastapi.testclient import TestClient

from plimbo.core import read_setup_file
from plimbo.server import examples
from plimbo.server.routes.heat import TRACE_LIMIT
from tests.api.test_uploads import uploaded


def test_circuits_are_kept_on_a_list_of_their_own(client: TestClient) -> None:
    before = [one["name"] for one in client.get("/api/circuits").json()]
    added = client.post("/api/circuits", json=examples.CIRCUIT)
    assert added.status_code == 201
    stored = added.json()
    assert [one["name"] for one in client.get("/api/circuits").json()] == [*before, "Heron Fields"]
    place = f"/api/circuits/{stored['id']}"
    longer = stored["circuit"] | {"one_way": True}
    saved = client.put(place, json={"version": 1, "circuit": longer}).json()
    assert (saved["version"], saved["circuit"]["one_way"]) == (2, True)
    late = client.put(place, json={"version": 1, "circuit": stored["circuit"]})
    assert (late.status_code, late.json()["current_version"]) == (409, 2)
    assert client.get(place).json()["circuit"] == longer
    assert client.put(f"{place}/archived", json={"archived": True}).status_code == 204
    assert client.get(place).status_code == 404
    assert [one["name"] for one in client.get("/api/circuits").json()] == before


def refused_at(client: TestClient, circuit: dict[str, Any]) -> list[tuple[str, str]]:
    answer = client.post("/api/circuits", json=circuit)
    assert answer.status_code == 422
    return [(error["path"], error["message"]) for error in answer.json()["errors"]]


def test_a_circuit_that_cannot_be_is_refused_at_its_field(client: TestClient) -> None:
    zone = {"run": 200, "from_speed": 30, "to_speed": 40, "distance": 50}
    assert refused_at(client, {"name": "x", "laid_out_by": "zones", "zones": [zone]}) == [
        ("zones.0.to_speed", "Braking must end slower than it begins: lower its end or raise its beginning.")
    ]
    assert refused_at(client, {"name": "x", "sections": []}) == [("sections", "Give at least one straight or corner.")]
    assert refused_at(client, {"name": "x", "sections": [{"length": 100, "radius": 1}]})[0][0] == "sections.0.radius"
    backward = {"trace_distance": [0.0, 10.0, 5.0], "trace_speed": [1.0, 2.0, 3.0]}
    result = refused_at(client, examples.CIRCUIT | backward)
    assert result == [("trace_distance", "The trace's distance must not run backward.")]
    short = refused_at(client, examples.CIRCUIT | {"trace_distance": [0.0, 10.0], "trace_speed": [1.0]})
    assert short == [("trace_speed", "The trace needs a speed for each distance.")]


def test_a_trace_may_be_long_and_nothing_of_it_is_stored(client: TestClient) -> None:
    before = client.get("/api/circuits").json()
    rows = "\n".join(f"{n / 2000:.4f},{max(60.0, 180 - 0.02 * max(0, n - 9000)):.4f}" for n in range(60_000))
    upload_id = uploaded(client, f"time [s],speed [km/h]\n{rows}\n")
    answer = client.post("/api/traces", json={"name": "Long", "upload_id": upload_id})
    assert answer.status_code == 200
    assert len(answer.json()["circuit"]["zones"]) == 1
    assert client.get("/api/circuits").json() == before
    too_long = uploaded(client, "1,2\n" * (TRACE_LIMIT // 4 + 1))
    refused = client.post("/api/traces", json={"name": "x", "upload_id": too_long})
    assert (refused.status_code, refused.json()["errors"][0]["path"]) == (422, "upload_id")
    assert client.post("/api/cars", json={"name": "x" * 1_100_000}).status_code == 413, "others stay bounded"


def test_the_questions_of_heat_are_answered_and_refused_at_their_fields(client: TestClient) -> None:
    result = client.post("/api/heat/session", json=examples.SESSION_QUESTION | {"with_working": True}).json()
    assert result["heat"]["session"] == "Heron Fields, 8 laps"
    assert result["heat"]["steps"]
    judged = client.post("/api/heat", json=examples.HEAT_QUESTION).json()
    assert judged["worst"]["word"] == result["verdict"]["word"]
    weak = examples.SESSION_QUESTION | {"car": examples.POWERED_CAR | {"power": None}}
    refused = client.post("/api/heat/session", json=weak)
    assert refused.status_code == 422
    assert [error["path"] for error in refused.json()["errors"]] == ["car.power"]
    odd = examples.SESSION_QUESTION | {"session": examples.SESSION | {"fast_laps": 0}}
    wrong = client.post("/api/heat/session", json=odd)
    assert wrong.status_code == 422
    assert wrong.json()["errors"][0]["path"] == "session.fast_laps"


def test_a_day_that_is_none_is_refused_in_words(client: TestClient) -> None:
    setup = examples.SETUP | {"fluid": {"filled": "last spring"}}
    answer = client.post("/api/heat", json=examples.HEAT_QUESTION | {"setup": setup})
    assert answer.status_code == 422
    error = answer.json()["errors"][0]
    assert error["path"] == "setup.fluid.filled"
    assert error["message"] == "Must be a day, year first: 2026-03-28."


def test_sessions_go_home_with_the_setup_and_come_back(client: TestClient) -> None:
    added = client.post("/api/cars", json=examples.POWERED_CAR).json()
    setup = client.post(f"/api/cars/{added['id']}/setups", json=examples.SETUP).json()
    file = client.get(f"/api/setups/{setup['id']}/file").content
    read = read_setup_file(file)
    assert [one.name for one in read.car.sessions] == ["Heron Fields, 8 laps"]
    assert read.car.sessions[0].circuit.sections[1].radius == 45
    assert client.post("/api/setups/files", content=file).status_code == 201
