"""Nothing saved is lost, changed or half saved."""

import sqlite3
import threading
from pathlib import Path

import httpx
import pytest
from sqlalchemy import text
from sqlalchemy.exc import DatabaseError, StatementError
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.store import Archive, Conflict, Database, NotFound, RecordKind, Records
from tests import w1
from tests.conftest import Server

CAR = w1.CAR.model_dump(mode="json")
SETUP = w1.SETUP.model_dump(mode="json")


@pytest.fixture
def records(database: Database) -> Records:
    return Records(database)


def test_each_save_is_a_revision_and_none_ever_changes(database: Database, records: Records) -> None:
    car = records.add(RecordKind.CAR, CAR)
    for version, mass in enumerate((650, 660, 670), 1):
        records.save(RecordKind.CAR, car.id, version, CAR | {"mass": mass}, name=f"at {mass}")
    result = records.revisions(RecordKind.CAR, car.id)
    assert [(one.number, one.name) for one in result] == [(4, "at 670"), (3, "at 660"), (2, "at 650"), (1, "")]
    masses = [records.revision(RecordKind.CAR, car.id, one.number)[1]["mass"] for one in result]
    assert masses == [670, 660, 650, 640]
    for statement in ("update revision set note = 'x'", "delete from revision"):
        with pytest.raises(DatabaseError, match="a revision never changes"), database.writing() as session:
            session.execute(text(statement))


def test_two_tabs_the_second_is_told(records: Records) -> None:
    car = records.add(RecordKind.CAR, CAR)
    records.save(RecordKind.CAR, car.id, 1, CAR | {"mass": 650})
    with pytest.raises(Conflict) as result:
        records.save(RecordKind.CAR, car.id, 1, CAR | {"mass": 600})
    assert result.value.current_version == 2
    assert records.get(RecordKind.CAR, car.id).document["mass"] == 650


def test_of_many_writers_at_once_exactly_one_wins(records: Records) -> None:
    car = records.add(RecordKind.CAR, CAR)
    won: list[int] = []

    def save(mass: int) -> None:
        try:
            records.save(RecordKind.CAR, car.id, 1, CAR | {"mass": mass})
            won.append(mass)
        except Conflict:
            pass

    threads = [threading.Thread(target=save, args=(600 + n,)) for n in range(8)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert len(won) == 1
    assert records.get(RecordKind.CAR, car.id).document["mass"] == won[0]
    assert len(records.revisions(RecordKind.CAR, car.id)) == 2


def test_a_setup_needs_its_car_and_both_come_together_or_not_at_all(database: Database, records: Records) -> None:
    with pytest.raises(NotFound):
        records.add(RecordKind.SETUP, SETUP, "0" * 32)
    with pytest.raises(StatementError):
        records.add_with_owners({RecordKind.CAR: CAR, RecordKind.SETUP: {"not": object()}})
    assert records.all(RecordKind.CAR) == []
    first = records.add_with_owners({RecordKind.CAR: CAR, RecordKind.SETUP: SETUP})
    again = records.add_with_owners({RecordKind.CAR: CAR, RecordKind.SETUP: SETUP})
    assert first.parent_id == again.parent_id
    with database.reading() as session:
        assert session.execute(text("pragma foreign_key_check")).all() == []
        assert session.execute(text("pragma journal_mode")).scalar() == "wal"


def test_what_is_removed_leaves_the_lists_but_not_the_database(database: Database, records: Records) -> None:
    setup = records.add_with_owners({RecordKind.CAR: CAR, RecordKind.SETUP: SETUP})
    Archive(database).put_away(RecordKind.SETUP, setup.id)
    assert records.all(RecordKind.SETUP, setup.parent_id) == []
    with pytest.raises(NotFound):
        records.get(RecordKind.SETUP, setup.id)
    with database.reading() as session:
        assert session.execute(text("select count(*) from revision")).scalar() == 2


def test_backup_of_a_database_in_use_opens_with_everything(tmp_path: Path, database: Database) -> None:
    car = Records(database).add(RecordKind.CAR, CAR)
    copy = tmp_path / "copies" / "backup.sqlite3"
    result = CliRunner().invoke(app, ["backup", str(copy), "--data", str(tmp_path)])
    assert result.exit_code == 0, result.output
    assert Records(Database(copy)).get(RecordKind.CAR, car.id).document == CAR
    missing = CliRunner().invoke(app, ["backup", str(copy), "--data", str(tmp_path / "nowhere")])
    assert (missing.exit_code, "There is no database" in missing.output) == (1, True)


def test_a_server_killed_in_the_middle_of_a_hundred_saves_has_every_acknowledged_one(tmp_path: Path) -> None:
    server = Server(tmp_path, "serve")
    acknowledged = 1
    well_under_way = threading.Event()

    def kill() -> None:
        well_under_way.wait(30)
        server.process.kill()

    threading.Thread(target=kill, daemon=True).start()
    try:
        with httpx.Client(base_url=server.url, timeout=5) as client:
            car = client.post("/api/cars", json=CAR).raise_for_status().json()
            for version in range(1, 101):
                body = {"version": version, "car": CAR | {"mass": 600 + version}}
                answer = client.put(f"/api/cars/{car['id']}", json=body)
                assert answer.status_code == 200
                acknowledged = answer.json()["version"]
                if version == 40:
                    well_under_way.set()
    except httpx.TransportError:
        pass
    server.process.wait(10)
    assert 40 < acknowledged < 101, "the kill must fall between the saves"

    with sqlite3.connect(tmp_path / "plimbo.sqlite3") as connection:
        assert connection.execute("pragma integrity_check").fetchone() == ("ok",)
    database = Database(tmp_path / "plimbo.sqlite3")
    database.migrate()
    kept = Records(database)
    stored = kept.get(RecordKind.CAR, car["id"])
    # One more may have been written whose acknowledgement never arrived.
    assert stored.version in (acknowledged, acknowledged + 1)
    numbers = [one.number for one in kept.revisions(RecordKind.CAR, car["id"])]
    assert numbers == list(range(stored.version, 0, -1))
    for number in numbers[:-1]:
        assert kept.revision(RecordKind.CAR, car["id"], number)[1]["mass"] == 599 + number
