"""The garage: names that stand once, the archive, deleting for good, how setups stand, and what changed when."""

from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient

from plimbo.core import CarKind, begin_car
from plimbo.server.history import history
from plimbo.store import Database, Revision
from plimbo.store.naming import TakenNames, name_key
from tests import w1
from tests.api.test_api import with_value

CAR, SETUP = w1.CAR.model_dump(mode="json"), w1.SETUP.model_dump(mode="json")


def garage(client: TestClient) -> list[dict[str, Any]]:
    answer: list[dict[str, Any]] = client.get("/api/garage").raise_for_status().json()
    return answer


def begun(client: TestClient, name: str = "Teal", kind: str = "saloon") -> dict[str, Any]:
    answer: dict[str, Any] = client.post("/api/new-cars", json={"name": name, "kind": kind}).raise_for_status().json()
    return answer


def test_an_empty_folder_has_an_empty_garage(client: TestClient) -> None:
    assert garage(client) == []


def test_a_new_car_comes_with_its_first_setup_and_its_marks(client: TestClient) -> None:
    setup = begun(client, kind="buggy")
    (car,) = garage(client)
    assert (car["name"], [one["name"] for one in car["setups"]]) == ("Teal", ["Setup 1"])
    stored = client.get(f"/api/cars/{setup['car_id']}").json()["car"]
    assert stored["kind"] == "buggy"
    assert "mass" in stored["unconfirmed"]
    assert stored == begin_car("Teal", CarKind.BUGGY).car.model_dump(mode="json")
    refused = client.post("/api/new-cars", json={"name": " ", "kind": "hovercraft"})
    assert {error["path"] for error in refused.json()["errors"]} == {"name", "kind"}


@pytest.mark.parametrize(
    ("name", "taken", "free"),
    [
        ("Sprint", [], "Sprint"),
        ("Sprint", ["sprint"], "Sprint 2"),
        ("Sprint", ["Sprint", "Sprint 2", "Sprint 3"], "Sprint 4"),
        ("Sprint 2", ["Sprint", "Sprint 2"], "Sprint 3"),
        ("2026", ["2026"], "2026 2"),
        ("x" * 80, ["x" * 80], "x" * 78 + " 2"),
    ],
)
def test_a_copy_gets_a_number(name: str, taken: list[str], free: str) -> None:
    assert TakenNames(map(name_key, taken)).claim(name) == free


def test_names_stand_once_in_their_list(client: TestClient) -> None:
    first = begun(client)
    again = begun(client)
    assert [car["name"] for car in garage(client)] == ["Teal", "Teal 2"]
    place = f"/api/cars/{first['car_id']}/setups"
    copy = client.post(place, json=first["setup"]).raise_for_status().json()
    assert copy["setup"]["name"] == "Setup 2"
    # The same name in another car's list is allowed.
    assert client.get(f"/api/setups/{again['id']}").json()["setup"]["name"] == "Setup 1"
    taken = client.put(f"/api/setups/{copy['id']}", json={"version": 1, "setup": copy["setup"] | {"name": "setup 1"}})
    assert taken.status_code == 422
    assert taken.json()["errors"][0]["path"] == "setup.name"
    assert "Another setup is called" in taken.json()["detail"]
    renamed = client.put(f"/api/setups/{copy['id']}", json={"version": 1, "setup": copy["setup"] | {"name": "Wet"}})
    assert renamed.json()["setup"]["name"] == "Wet"
    # What is in the archive still has its name: it may come back.
    client.put(f"/api/setups/{copy['id']}/archived", json={"archived": True}).raise_for_status()
    assert client.post(place, json=first["setup"] | {"name": "Wet"}).json()["setup"]["name"] == "Wet 2"


def test_what_is_archived_comes_back_as_it_was(client: TestClient) -> None:
    setup = begun(client)
    place = f"/api/cars/{setup['car_id']}/archived"
    client.put(place, json={"archived": True}).raise_for_status()
    (car,) = garage(client)
    assert car["archived"]
    assert car["setups"][0]["archived"]
    assert client.get("/api/cars").json() == []
    assert client.get(f"/api/setups/{setup['id']}/opened").status_code == 404
    client.put(place, json={"archived": False}).raise_for_status()
    assert client.get(f"/api/setups/{setup['id']}/opened").json()["setup"] == setup["setup"]
    assert not garage(client)[0]["setups"][0]["archived"]
    assert client.put("/api/cars/nobody/archived", json={"archived": True}).status_code == 404


def test_only_what_is_archived_is_deleted_for_good_and_takes_all_with_it(
    client: TestClient, database: Database
) -> None:
    setup, other = begun(client), begun(client, "Rust")
    heavier = with_value(client.get(f"/api/cars/{setup['car_id']}").json()["car"], "mass", 1300)
    client.put(f"/api/cars/{setup['car_id']}", json={"version": 1, "car": heavier}).raise_for_status()
    place = f"/api/cars/{setup['car_id']}"
    assert client.delete(place).status_code == 409
    assert client.delete(f"/api/setups/{setup['id']}").status_code == 409
    client.put(f"{place}/archived", json={"archived": True}).raise_for_status()
    assert client.delete(place).status_code == 204
    assert client.delete(place).status_code == 404
    assert [car["name"] for car in garage(client)] == ["Rust"]
    with database.reading() as session:
        left = session.connection().exec_driver_sql("select distinct record_id from revision").scalars().all()
    assert set(left) == {other["car_id"], other["id"]}
    # Its name is free again.
    assert begun(client)["setup"]["name"] == "Setup 1"
    assert [car["name"] for car in garage(client)] == ["Rust", "Teal"]


def test_nothing_that_is_listed_can_be_deleted_even_in_the_database(client: TestClient, database: Database) -> None:
    begun(client)
    with pytest.raises(Exception, match="a revision never changes"), database.writing() as session:
        session.connection().exec_driver_sql("delete from revision")
    with pytest.raises(Exception, match="a revision never changes"), database.writing() as session:
        session.connection().exec_driver_sql("update revision set name = 'x'")


def test_a_copied_car_brings_its_setups_marked(client: TestClient) -> None:
    setup = client.post(
        "/api/setups/files", json={"format": "plimbo-setup", "format_version": 4, "car": CAR, "setup": SETUP}
    )
    car_id = setup.json()["car_id"]
    client.post(f"/api/cars/{car_id}/setups", json=SETUP | {"name": "Wet"}).raise_for_status()
    first = client.post(f"/api/cars/{car_id}/copies", json={"name": CAR["name"]}).raise_for_status().json()
    assert "bore" in first["setup"]["front"]["master_cylinder"]["unconfirmed"]
    names = {car["name"]: [one["name"] for one in car["setups"]] for car in garage(client)}
    assert names == {CAR["name"]: [SETUP["name"], "Wet"], f"{CAR['name']} 2": [SETUP["name"], "Wet"]}
    copied = client.get(f"/api/cars/{first['car_id']}").json()["car"]
    assert copied["copied_from"] == CAR["name"]
    assert "mass" in copied["unconfirmed"]
    one = client.post(f"/api/cars/{car_id}/copies", json={"name": "Solo", "setup_id": setup.json()["id"]}).json()
    assert [listed["name"] for listed in client.get(f"/api/cars/{one['car_id']}/setups").json()] == [SETUP["name"]]
    gone = {"name": "Solo", "setup_id": "nobody"}
    assert client.post(f"/api/cars/{car_id}/copies", json=gone).status_code == 404


def test_how_a_setup_stands_counts_doubt_and_sessions(client: TestClient) -> None:
    setup = begun(client)
    result = client.get(f"/api/setups/{setup['id']}/marks").raise_for_status().json()
    assert [mark["key"] for mark in result["marks"]] == ["lock_order", "leg", "travel", "heat"]
    severity = ["good", "watch", "bad"]
    assert result["worst"]["level"] == max((mark["level"] for mark in result["marks"]), key=severity.index)
    sure = client.post(
        "/api/uncertainty",
        json={"car": client.get(f"/api/cars/{setup['car_id']}").json()["car"], "setup": setup["setup"]},
    ).json()
    assert result["marks"][0]["word"] == sure["verdict"]["word"]


def test_a_history_tells_what_changed_and_folds_a_sitting(client: TestClient) -> None:
    setup = begun(client)
    place = f"/api/setups/{setup['id']}"
    for version, bore in enumerate((0.01905, 0.0206375, 0.022225), start=1):
        changed = with_value(setup["setup"], "tandem.bore", bore)
        client.put(place, json={"version": version, "setup": changed}).raise_for_status()
    named = with_value(changed, "pedal.ratio", 5.2)
    client.put(place, json={"version": 4, "setup": named, "name": "for the rain", "note": "try it"}).raise_for_status()
    rain, sitting, first = client.get(f"{place}/history").raise_for_status().json()
    assert (rain["name"], rain["note"], rain["number"]) == ("for the rain", "try it", 5)
    assert [(one["title"], one["before"], one["after"]) for one in rain["changes"]] == [("Pedal ratio", 4.0, 5.2)]
    # Three autosaves of one sitting are one entry, from the state before it to the state after it.
    assert (sitting["first"], sitting["number"]) == (2, 4)
    assert [(one["before"], one["after"]) for one in sitting["changes"]] == [
        (setup["setup"]["tandem"]["bore"], 0.022225)
    ]
    assert (first["number"], first["changes"]) == (1, [])
    assert client.get(f"{place}/history?most=1").json() == [rain]
    assert client.get(f"{place}/history?most=0").status_code == 422


def test_a_cars_edits_are_revisions_with_a_history_too(client: TestClient) -> None:
    setup = begun(client)
    place = f"/api/cars/{setup['car_id']}"
    car = client.get(place).json()["car"]
    body = {"version": 1, "car": with_value(car, "mass", 1180), "name": "weighed"}
    client.put(place, json=body).raise_for_status()
    weighed, first = client.get(f"{place}/history").json()
    assert (weighed["name"], first["number"]) == ("weighed", 1)
    assert [(one["title"], one["before"], one["after"]) for one in weighed["changes"]] == [("Mass", 1150.0, 1180.0)]
    assert client.get(f"{place}/revisions/1").json()["car"] == car


def test_after_half_an_hour_a_sitting_is_another() -> None:
    start = datetime(2026, 3, 28, 10, 0, tzinfo=UTC)
    minutes = {1: 0, 2: 10, 3: 35, 4: 70, 5: 80}
    rows = [Revision(number, "", "", start + timedelta(minutes=at), 4) for number, at in minutes.items()]
    entries = history(rows[::-1], lambda number: w1.CAR.model_copy(update={"mass": 600.0 + number}))
    assert [(entry.first, entry.number) for entry in entries] == [(4, 5), (2, 3), (1, 1)]
    assert [[(one.before, one.after) for one in entry.changes] for entry in entries] == [
        [(603.0, 605.0)],
        [(601.0, 603.0)],
        [],
    ]
