"""A further kind of record has all routes, files and lists by being one line in the list of kinds."""

import sys
from typing import Any

import pytest
from fastapi.testclient import TestClient

from plimbo.core import Car, Circuit, Setup
from plimbo.core.quantities.fields import Document, quantity, words
from plimbo.server import examples
from plimbo.server.app import create_app
from plimbo.store import Database, RecordKind, Records
from plimbo.store.kinds import KindOfRecord
from tests import w1


class WheelPart(Document):
    """A rim on the shelf."""

    name: str = words("Wheel", "What you call it.")
    diameter: float = quantity("length", "Rim diameter", "Of the seat.", least=0.2, most=0.6, default=0.3302)


class WearLog(Document):
    """What was measured of a setup's pads."""

    name: str = words("Log", "What you call it.")


class MoreKinds(KindOfRecord):
    CAR = "car", Car
    SETUP = "setup", Setup, "car"
    CIRCUIT = "circuit", Circuit
    WHEEL = "wheel", WheelPart
    LOG = "log", WearLog, "setup"


@pytest.fixture
def more(monkeypatch: pytest.MonkeyPatch, database: Database) -> TestClient:
    for module in [one for name, one in sys.modules.items() if name.startswith("plimbo.")]:
        if getattr(module, "RecordKind", None) is RecordKind:
            monkeypatch.setattr(module, "RecordKind", MoreKinds)
    shown: dict[Any, Any] = {MoreKinds.WHEEL: {"name": "Fifteen"}, MoreKinds.LOG: {"name": "May"}}
    monkeypatch.setattr(examples, "DOCUMENTS", examples.DOCUMENTS | shown)
    return TestClient(create_app(database), base_url="http://127.0.0.1")


def test_a_part_is_kept_renamed_put_away_and_brought_back(more: TestClient) -> None:
    wheel = more.post("/api/wheels", json={"name": "Fifteen"}).json()
    assert wheel["wheel"] == {"name": "Fifteen", "diameter": 0.3302, "confirmed": [], "unconfirmed": []}
    assert more.post("/api/wheels", json={"name": "Fifteen"}).json()["wheel"]["name"] == "Fifteen 2"
    refused = more.post("/api/wheels", json={"name": "Barn door", "diameter": 2.0})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["path"] == "diameter"
    at = f"/api/wheels/{wheel['id']}"
    saved = more.put(at, json={"version": 1, "wheel": {"name": "Fifteen", "diameter": 0.381}}).json()
    assert (saved["version"], saved["wheel"]["diameter"]) == (2, 0.381)
    assert more.put(at, json={"version": 1, "wheel": {"name": "Fifteen"}}).status_code == 409
    assert more.put(f"{at}/name", json={"version": 2, "name": "Sixteen"}).json()["wheel"]["name"] == "Sixteen"
    assert [one["name"] for one in more.get("/api/wheels").json()] == ["Sixteen", "Fifteen 2"]
    assert [one["number"] for one in more.get(f"{at}/revisions").json()] == [3, 2, 1]
    assert more.put(f"{at}/archived", json={"archived": True}).status_code == 204
    assert [one["name"] for one in more.get("/api/wheels").json()] == ["Fifteen 2"]
    assert more.put(f"{at}/archived", json={"archived": False}).status_code == 204
    assert more.delete(at).status_code == 409
    more.put(f"{at}/archived", json={"archived": True})
    assert more.delete(at).status_code == 204
    assert more.get(at).status_code == 404
    assert "WheelPart" in str(more.get("/api/schema").json())


def test_its_file_brings_all_that_it_belongs_to(more: TestClient, database: Database) -> None:
    records = Records(database)
    owners = {MoreKinds.CAR: w1.CAR, MoreKinds.SETUP: w1.SETUP, MoreKinds.LOG: WearLog(name="May")}
    log = records.add_with_owners({kind: one.model_dump(mode="json") for kind, one in owners.items()})  # type: ignore[misc]
    file = more.get(f"/api/logs/{log.id}/file")
    assert (file.json()["format"], file.json()["car"]["name"]) == ("plimbo-log", "W1")
    again = more.post("/api/logs/files", json=file.json()).json()
    assert (again["log"]["name"], again["setup_id"]) == ("May 2", log.parent_id)
    assert len(more.get("/api/cars").json()) == 1
    foreign = more.post("/api/wheels/files", json=file.json())
    assert foreign.status_code == 400
    assert [one["name"] for one in more.get(f"/api/setups/{log.parent_id}/logs").json()] == ["May", "May 2"]


def test_many_are_added_in_order_all_or_none_and_listed_without_being_read(database: Database) -> None:
    records = Records(database)
    records.add_many(RecordKind.CIRCUIT, [{"name": "Lap"}, {"name": "Lap"}, {"name": "lap"}, {"name": "Other"}])
    assert [one.heading for one in records.headings(RecordKind.CIRCUIT)] == ["Lap", "Lap 2", "lap 3", "Other"]
    with pytest.raises(AttributeError):
        records.add_many(RecordKind.CIRCUIT, [{"name": "Kept"}, None])  # type: ignore[list-item]
    assert len(records.headings(RecordKind.CIRCUIT)) == 4
