"""The API: the same answers, refused input in plain words, and nothing stored that was refused."""

import json
from typing import Any

import pytest
from fastapi.testclient import TestClient

from plimbo.core import analyse_hydraulics, assess, estimate_uncertainty, evaluate_measurements, survey
from tests import w1

CAR = w1.CAR.model_dump(mode="json")
SETUP = w1.SETUP.model_dump(mode="json")
FILE = {"format": "plimbo-setup", "format_version": 7, "car": CAR, "setup": SETUP}


def with_value(document: dict[str, Any], path: str, value: Any) -> dict[str, Any]:
    changed = json.loads(json.dumps(document))
    *parents, last = path.split(".")
    place = changed
    for name in parents:
        place = place[int(name)] if name.isdigit() else place[name]
    place[last] = value
    return changed


def test_the_api_adds_nothing_to_the_core(client: TestClient) -> None:
    result = client.post("/api/assess", json={"car": CAR, "setup": SETUP, "with_working": True}).json()
    assert result == assess(w1.CAR, w1.SETUP).model_dump(mode="json")


def test_the_other_questions_are_answered_by_the_core_too(client: TestClient) -> None:
    question = {"car": CAR, "setup": SETUP}

    def result(address: str, body: dict[str, Any]) -> Any:
        return client.post(f"/api/{address}", json=body).raise_for_status().json()

    answers = {
        "survey": survey(w1.CAR, w1.SETUP),
        "hydraulics": analyse_hydraulics(w1.CAR, w1.SETUP),
        "uncertainty": estimate_uncertainty(w1.CAR, w1.SETUP),
        "measurements": evaluate_measurements(w1.CAR),
    }
    for address, answer in answers.items():
        body = {"car": CAR} if address == "measurements" else question
        body = body if address == "uncertainty" else body | {"with_working": True}
        assert result(address, body) == answer.model_dump(mode="json")


@pytest.mark.parametrize("address", ["assess", "survey", "hydraulics", "uncertainty"])
def test_inputs_outside_the_model_are_told_with_their_limit(client: TestClient, address: str) -> None:
    lifted = with_value(with_value(CAR, "front_lift_area", -1.0), "states.1.speed", 115.0)
    answer = client.post(f"/api/{address}", json={"car": lifted, "setup": SETUP})
    assert answer.status_code == 422
    error = answer.json()["errors"][0]
    assert error["limit"] == {"value": 115.0, "dimension": "speed"}
    assert error["message"].startswith("At {limit} in “Dry, fast” lift carries the whole front axle")
    assert "At 414 km/h" in answer.json()["detail"]
    held = with_value(CAR, "engine_braking", 9000.0)
    answer = client.post(f"/api/{address}", json={"car": held, "setup": SETUP})
    assert answer.json()["errors"][0]["path"] == "car.engine_braking"


@pytest.mark.parametrize(
    ("path", "value", "field", "message"),
    [
        ("car.mass", -640, "car.mass", "Must be more than {limit}."),
        ("car.front_share", 0, "car.front_share", "Must be more than {limit}."),
        ("car.front_share", 1, "car.front_share", "Must be less than {limit}."),
        ("setup.front.master_cylinder.bore", 0, "setup.front.master_cylinder.bore", "Must be at least {limit}."),
        ("setup.front.caliper.pistons", [0.06] * 4, "setup.front.pad", "The pistons side by side take 240.0 mm"),
        ("car.states.1.speed", "fast", "car.states.1.speed", "Must be a number."),
        ("car.name", "", "car.name", "Give it a name."),
        ("setup.radius_method", "guess", "setup.radius_method", "Choose one of the list."),
    ],
)
def test_refused_values_are_told_at_their_field(
    client: TestClient, path: str, value: Any, field: str, message: str
) -> None:
    answer = client.post("/api/assess", json=with_value({"car": CAR, "setup": SETUP}, path, value))
    assert answer.status_code == 422
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert problem["errors"][0]["path"] == field
    assert message in problem["errors"][0]["message"]
    assert "Traceback" not in answer.text
    if "{limit}" in message:
        assert problem["errors"][0]["limit"]["dimension"] == (
            "mass" if "mass" in path else "bore" if "bore" in path else "share"
        )


@pytest.mark.parametrize("number", ["NaN", "Infinity", "-Infinity", "1e999"])
def test_numbers_that_are_none_are_refused(client: TestClient, number: str) -> None:
    body = json.dumps({"car": CAR, "setup": SETUP}).replace('"mass": 640.0', f'"mass": {number}')
    answer = client.post("/api/assess", content=body, headers={"content-type": "application/json"})
    assert answer.status_code == 422
    assert "car.mass" in answer.json()["errors"][0]["path"]


def test_inputs_that_are_together_outside_the_model_are_told_at_the_state(client: TestClient) -> None:
    car = with_value(with_value(CAR, "front_lift_area", -1.0), "states.1.speed", 115.0)
    answer = client.post("/api/assess", json={"car": car, "setup": SETUP})
    assert (answer.status_code, answer.json()["errors"][0]["path"]) == (422, "car.states.1.speed")


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ('{"format": "plimbo-setup", "car', "This is not JSON (line 1"),
        ("[1, 2]", "not a Plimbo setup file"),
        ('{"name": "something else"}', "not a Plimbo setup file"),
        (json.dumps(FILE | {"format_version": 8}), "format version 8; this Plimbo reads versions up to 7"),
        (json.dumps({"format": "plimbo-setup"}), "format version null"),
        ("[" * 100_000, "not JSON"),
        ("\x00\xff", "not JSON"),
    ],
)
def test_files_that_cannot_be_read_are_told_in_plain_words(client: TestClient, text: str, words: str) -> None:
    answer = client.post("/api/setups/files", content=text.encode("latin-1"))
    assert answer.status_code == 400
    assert words in answer.json()["detail"]
    assert client.get("/api/cars").json() == []


def test_a_file_with_an_impossible_value_stores_nothing(client: TestClient) -> None:
    answer = client.post("/api/setups/files", json=with_value(FILE, "setup.rear.pad.friction", -1))
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == "setup.rear.pad.friction"
    assert client.get("/api/cars").json() == []


def test_a_file_taken_home_is_read_by_another_plimbo_to_the_last_digit(client: TestClient) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    exported = client.get(f"/api/setups/{first['id']}/file")
    assert 'filename="w1-w1.plimbo.json"' in exported.headers["content-disposition"]
    assert exported.json() == FILE
    again = client.post("/api/setups/files", content=exported.content).json()
    # It joins its car, beside the one that is there, and so under a name of its own.
    assert (again["car_id"], again["setup"]) == (first["car_id"], first["setup"] | {"name": "W1 2"})
    assert again["id"] != first["id"]


def test_the_second_of_two_tabs_is_told_and_can_put_its_own_on_top(client: TestClient) -> None:
    setup = client.post("/api/setups/files", json=FILE).json()
    address = f"/api/setups/{setup['id']}"
    heavier = with_value(SETUP, "pedal.ratio", 6)
    assert client.put(address, json={"version": 1, "setup": heavier, "name": "six to one"}).json()["version"] == 2
    late = client.put(address, json={"version": 1, "setup": SETUP})
    assert (late.status_code, late.json()["current_version"]) == (409, 2)
    assert client.get(address).json()["setup"] == heavier
    assert client.put(address, json={"version": 2, "setup": SETUP}).json()["version"] == 3
    result = client.get(f"{address}/revisions").json()
    assert [(one["number"], one["name"]) for one in result] == [(3, ""), (2, "six to one"), (1, "")]
    assert client.get(f"{address}/revisions/2").json()["setup"] == heavier
    assert client.get(f"{address}/revisions/9").status_code == 404
    assert client.put(f"{address}/archived", json={"archived": True}).status_code == 204
    assert client.get(address).status_code == 404


@pytest.mark.parametrize("declared", [True, False])
def test_a_body_of_50_megabytes_is_refused_whether_declared_or_not(client: TestClient, declared: bool) -> None:
    blob = b"x" * 1_000_000
    content = blob * 50 if declared else (blob for _ in range(50))
    answer = client.post("/api/setups/files", content=content)
    assert answer.status_code == 413
    assert "More than 1 MB" in answer.json()["detail"]


def test_foreign_hosts_and_origins_are_refused(client: TestClient) -> None:
    assert client.get("/api/health").status_code == 200
    assert client.get("/api/health", headers={"host": "evil.test"}).status_code == 403
    assert client.get("/", headers={"host": "evil.test"}).status_code == 403
    assert client.get("/api/cars", headers={"origin": "http://localhost"}).status_code == 200
    for origin in ("http://evil.test", "null", "http://localhost:1"):
        answer = client.post("/api/cars", json=CAR, headers={"origin": origin})
        assert (answer.status_code, "other sites" in answer.json()["detail"]) == (403, True)
    assert client.get("/api/cars").json() == []


def test_with_an_access_key_only_those_who_have_it_come_in(keyed_client: TestClient) -> None:
    assert keyed_client.get("/api/health").status_code == 403
    assert keyed_client.get("/?key=wrong").status_code == 403
    bearer = {"authorization": "Bearer long-and-secret-key"}
    assert keyed_client.get("/api/health", headers=bearer).status_code == 200
    entered = keyed_client.get("/?key=long-and-secret-key")
    assert entered.status_code == 303
    assert "HttpOnly" in entered.headers["set-cookie"]
    assert "SameSite=lax" in entered.headers["set-cookie"]
    assert keyed_client.get("/api/health").status_code == 200


def test_the_content_security_policy_lets_nothing_in_from_outside(client: TestClient) -> None:
    policies = [client.get(path).headers["content-security-policy"] for path in ("/", "/")]
    for policy in policies:
        assert "default-src 'none'" in policy
        assert "unsafe" not in policy
        assert "http" not in policy
        assert "frame-ancestors 'none'" in policy
    assert policies[0] != policies[1], "each page has a nonce of its own"


def test_addresses_that_are_not_there(client: TestClient) -> None:
    for path in ("/api/nothing", "/assets/none.js", "/api"):
        answer = client.get(path)
        assert (answer.status_code, answer.json()["status"]) == (404, 404)
    assert client.get("/some/place/in/the/application").status_code == 200
    assert client.get("/%2e%2e/app.py").text.startswith("<!doctype html>")


def test_a_mistake_of_ours_shows_no_stack_trace(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("plimbo.server.routes.questions.assess", lambda *_, **__: 1 / 0)
    answer = client.post("/api/assess", json={"car": CAR, "setup": SETUP})
    assert answer.status_code == 500
    assert answer.headers["content-type"] == "application/problem+json"
    assert "ZeroDivision" not in answer.text


@pytest.mark.parametrize("path", ["cars", "garage", "assess", "setups/files", "health"])
def test_an_address_with_a_slash_at_its_end_is_another_one(client: TestClient, path: str) -> None:
    for answer in (client.get(f"/api/{path}/"), client.post(f"/api/{path}/", json={})):
        assert answer.status_code in {404, 405}
        assert answer.headers["content-type"] == "application/problem+json"
