"""The file is the data: whole after any stop, its owner's alone, one server's at a time, backed up and brought back."""

import errno
import hashlib
import os
import random
import shutil
import signal
import socket
import sqlite3
import stat
import subprocess
import sys
import time
from concurrent.futures import ThreadPoolExecutor
from contextlib import closing
from pathlib import Path

import httpx
import pytest
from fastapi.testclient import TestClient
from typer.testing import CliRunner

from plimbo.cli import app, demo_data
from plimbo.server import create_app
from plimbo.store import (
    Archive,
    Conflict,
    Database,
    DataFolder,
    InUse,
    NewRecord,
    NotABackup,
    RecordKind,
    Records,
    StoreFault,
    back_up,
    back_up_into,
    checksum_file,
    restore,
)
from plimbo.store.backups import KEPT_OF_A_DAY
from tests import w1
from tests.conftest import JSON, Server

CAR = w1.CAR.model_dump(mode="json")
DATABASE = "plimbo.sqlite3"


def names(folder: Path) -> set[str]:
    return {file.name for file in folder.iterdir()}


def masses(file: Path) -> list[float]:
    """Of the cars in a database that is opened as it stands, alone."""
    with closing(sqlite3.connect(f"{file.as_uri()}?mode=ro", uri=True)) as connection:
        rows = connection.execute("select json_extract(document, '$.mass') from revision order by saved_at")
        return [row[0] for row in rows]


def saved(folder: Path, *kilos: float) -> Records:
    """A database with one car, saved at these masses, left as after a stop."""
    database = Database(folder / DATABASE)
    database.migrate()
    records = Records(database)
    car = records.add(RecordKind.CAR, CAR | {"mass": kilos[0]})
    for version, mass in enumerate(kilos[1:], 1):
        records.save(RecordKind.CAR, car.id, version, CAR | {"mass": mass})
    database.close()
    return records


@pytest.mark.parametrize("how", [signal.SIGINT, signal.SIGTERM])
@pytest.mark.parametrize("stalled", [False, True])
def test_after_a_stop_the_database_is_one_file_that_is_whole_alone(tmp_path: Path, how: int, stalled: bool) -> None:
    folder = tmp_path / "data"
    server = Server(folder, "serve")
    httpx.post(f"{server.url}/api/cars", json=CAR).raise_for_status()
    assert f"{DATABASE}-wal" in names(folder), "the test is about the log beside it"
    upload = socket.create_connection(("127.0.0.1", server.port))
    if stalled:
        upload.sendall(b"POST /api/setups/files HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\n")
        upload.sendall(b"Content-Length: 1000\r\n\r\n{")
        time.sleep(0.3)
    server.process.send_signal(how)
    assert server.process.wait(30) == 0
    upload.close()
    assert names(folder) == {DATABASE}
    alone = shutil.copy(folder / DATABASE, tmp_path / "alone.sqlite3")
    assert masses(Path(alone)) == [640]


def test_after_a_kill_the_next_start_folds_the_log_in(tmp_path: Path) -> None:
    server = Server(tmp_path / "data", "serve")
    httpx.post(f"{server.url}/api/cars", json=CAR).raise_for_status()
    server.kill()
    assert f"{DATABASE}-wal" in names(tmp_path / "data")
    again = Server(tmp_path / "data", "serve")
    assert len(httpx.get(f"{again.url}/api/cars").json()) == 1
    again.stop()
    assert names(tmp_path / "data") == {DATABASE}


def test_file_and_folder_are_their_owners_alone(tmp_path: Path) -> None:
    folder = tmp_path / "deep" / "data"
    server = Server(folder, "serve")
    httpx.post(f"{server.url}/api/cars", json=CAR).raise_for_status()
    httpx.post(f"{server.url}/api/backups", headers=JSON).raise_for_status()
    modes = {file.name: stat.S_IMODE(file.stat().st_mode) for file in [folder, *folder.rglob("*")]}
    server.stop()
    for name, mode in modes.items():
        assert mode == (0o700 if name in {"data", "backups"} else 0o600), name


def test_a_folder_of_ours_is_shut_and_one_with_other_things_is_left(tmp_path: Path) -> None:
    ours, shared = tmp_path / "ours", tmp_path / "shared"
    for folder in (ours, shared):
        folder.mkdir(mode=0o755)
        (folder / DATABASE).touch(mode=0o644)
    (shared / "letters.txt").touch()
    for folder, mode in ((ours, 0o700), (shared, 0o755)):
        Database(folder / DATABASE)
        assert stat.S_IMODE(folder.stat().st_mode) == mode
        assert stat.S_IMODE((folder / DATABASE).stat().st_mode) == 0o600


def test_a_second_server_is_kept_off_with_a_word_that_says_who_has_it(tmp_path: Path) -> None:
    server = Server(tmp_path, "serve")
    try:
        for command in (["serve", "--port", "1"], ["restore", str(tmp_path / "any")]):
            answer = CliRunner().invoke(app, [*command, "--data", str(tmp_path)])
            assert answer.exit_code == 1
            assert f"Another Plimbo (process {server.process.pid}) has" in answer.output
    finally:
        server.stop()
    with DataFolder(tmp_path).held(), pytest.raises(InUse), DataFolder(tmp_path).held():
        pass


def test_the_demo_is_filled_in_as_a_whole_or_not_at_all(tmp_path: Path) -> None:
    database = Database(tmp_path / DATABASE)
    database.migrate()
    records = Records(database)
    whole = demo_data.CARS
    cars = [NewRecord(RecordKind.CAR, car.model_dump(mode="json")) for car, _ in whole]
    spoilt = NewRecord(RecordKind.CIRCUIT, {"name": "x", "not": object()})
    with pytest.raises(Exception, match="JSON serializable"):
        records.fill([*cars, spoilt], {})
    assert records.all(RecordKind.CAR) == []
    assert records.desk() == {}
    demo_data.load(records)
    demo_data.load(records)
    assert [one.heading for one in records.headings(RecordKind.CAR)] == [car.name for car, _ in whole]
    assert len(records.headings(RecordKind.SETUP)) == sum(len(some) for _, some in whole)
    # What was taken off the list does not come back.
    for one in records.headings(RecordKind.SETUP):
        Archive(database).put_away(RecordKind.SETUP, one.id)
    demo_data.load(records)
    assert records.headings(RecordKind.SETUP) == []


def test_the_same_save_again_is_answered_again_and_another_one_is_a_conflict(database: Database) -> None:
    records = Records(database)
    car = records.add(RecordKind.CAR, CAR)
    first = records.save(RecordKind.CAR, car.id, 1, CAR | {"mass": 650})
    assert records.save(RecordKind.CAR, car.id, 1, CAR | {"mass": 650}) == first
    assert len(records.revisions(RecordKind.CAR, car.id)) == 2
    for other in ({"mass": 651}, {"mass": 640}):
        with pytest.raises(Conflict):
            records.save(RecordKind.CAR, car.id, 1, CAR | other)
    with pytest.raises(Conflict):
        records.save(RecordKind.CAR, car.id, 1, CAR | {"mass": 650}, name="under a name")


def test_a_backup_never_takes_the_place_of_its_source(tmp_path: Path) -> None:
    saved(tmp_path, 640)
    source = tmp_path / DATABASE
    (tmp_path / "link.sqlite3").symlink_to(source)
    (tmp_path / "hard.sqlite3").hardlink_to(source)
    before = source.read_bytes()
    for target in ("plimbo.sqlite3", "link.sqlite3", "hard.sqlite3", "plimbo.sqlite3-wal", "../" + tmp_path.name):
        answer = CliRunner().invoke(app, ["backup", str(tmp_path / target), "--data", str(tmp_path)])
        assert (answer.exit_code, "Nothing was changed" in answer.output) == (1, True), answer.output
    assert source.read_bytes() == before
    assert names(tmp_path) == {DATABASE, "link.sqlite3", "hard.sqlite3"}


def test_a_backup_is_one_file_that_opens_on_read_only_media(tmp_path: Path) -> None:
    saved(tmp_path / "data", 640, 650)
    target = tmp_path / "disc" / "copy.sqlite3"
    back_up(tmp_path / "data" / DATABASE, target)
    assert names(target.parent) == {"copy.sqlite3", "copy.sqlite3.sha256"}
    # As `sha256sum --check` reads it.
    expected = hashlib.sha256(target.read_bytes()).hexdigest()
    assert checksum_file(target).read_text() == f"{expected}  copy.sqlite3\n"
    # Bytes 18 and 19 of the header are 1 without a log and 2 with one, see SQLite's file format; a file with a log
    # cannot be opened where nothing can be written beside it.
    assert target.read_bytes()[18:20] == b"\x01\x01"
    target.chmod(0o400)
    target.parent.chmod(0o500)
    assert masses(target) == [640, 650]
    target.parent.chmod(0o700)


def test_a_backup_that_cannot_be_written_leaves_nothing_and_says_so(tmp_path: Path) -> None:
    saved(tmp_path / "data", 640)
    (tmp_path / "file").touch()
    answer = CliRunner().invoke(app, ["backup", str(tmp_path / "file" / "x.sqlite3"), "--data", str(tmp_path / "data")])
    assert (answer.exit_code, "cannot be opened as a file" in answer.output) == (1, True), answer.output
    (tmp_path / "data" / DATABASE).write_bytes(b"SQLite format 3\0" + bytes(5000))
    answer = CliRunner().invoke(app, ["backup", str(tmp_path / "x.sqlite3"), "--data", str(tmp_path / "data")])
    assert (answer.exit_code, "is damaged" in answer.output) == (1, True), answer.output
    assert names(tmp_path) == {"data", "file"}


def test_of_one_day_the_last_n_are_kept(tmp_path: Path) -> None:
    saved(tmp_path / "data", 640)
    copies = tmp_path / "copies"
    copies.mkdir()
    for name in ("plimbo-2001-01-01-080000.sqlite3", "plimbo-2001-01-01-090000.sqlite3", "other.sqlite3"):
        (copies / name).touch()
    made = []
    for _ in range(4):
        answer = CliRunner().invoke(app, ["backup", str(copies), "--keep", "2", "--data", str(tmp_path / "data")])
        assert answer.exit_code == 0, answer.output
        made.append("".join(answer.output.split()[2:]).rstrip("."))
    kept = {f"{Path(one).name}{end}" for one in made[-2:] for end in ("", ".sha256")}
    assert names(copies) == kept | {
        "plimbo-2001-01-01-080000.sqlite3",
        "plimbo-2001-01-01-090000.sqlite3",
        "other.sqlite3",
    }


@pytest.mark.parametrize("killed", [False, True])
def test_a_backup_is_brought_back_after_a_stop_and_after_a_kill(tmp_path: Path, killed: bool) -> None:
    folder, copy = tmp_path / "data", tmp_path / "copy.sqlite3"
    server = Server(folder, "serve")
    car = httpx.post(f"{server.url}/api/cars", json=CAR).raise_for_status().json()
    assert CliRunner().invoke(app, ["backup", str(copy), "--data", str(folder)]).exit_code == 0
    later = {"version": 1, "car": CAR | {"mass": 777}}
    httpx.put(f"{server.url}/api/cars/{car['id']}", json=later).raise_for_status()
    server.kill() if killed else server.stop()
    answer = CliRunner().invoke(app, ["restore", str(copy), "--data", str(folder)])
    assert answer.exit_code == 0, answer.output
    again = Server(folder, "serve")
    try:
        assert httpx.get(f"{again.url}/api/cars/{car['id']}").json()["version"] == 1
    finally:
        again.stop()
    (aside,) = (folder / "backups").glob("*.sqlite3")
    assert str(aside) in answer.output
    assert masses(aside) == [640, 777]
    # And back again.
    assert CliRunner().invoke(app, ["restore", str(aside), "--data", str(folder)]).exit_code == 0
    assert masses(folder / DATABASE) == [640, 777]


def test_only_a_whole_database_of_no_newer_plimbo_is_brought_back(tmp_path: Path) -> None:
    saved(tmp_path / "data", 640)
    folder = DataFolder(tmp_path / "data")
    before = folder.database.read_bytes()
    good = tmp_path / "good.sqlite3"
    back_up(folder.database, good)
    damaged, foreign, newer, empty = (tmp_path / name for name in ("damaged", "foreign", "newer", "empty"))
    content = bytearray(good.read_bytes())
    content[4096:12000] = bytes(12000 - 4096)
    damaged.write_bytes(content)
    with closing(sqlite3.connect(foreign)) as connection:
        connection.execute("create table letters (id)")
    shutil.copy(good, newer)
    with closing(sqlite3.connect(newer)) as connection:
        connection.execute("update alembic_version set version_num = '0099'")
        connection.commit()
    empty.touch()
    (tmp_path / "text").write_text("not a database at all" * 100)
    for name, words in (
        ("damaged", "damaged"),
        ("foreign", "another program"),
        ("newer", "a newer Plimbo"),
        ("empty", "is empty"),
        ("text", "no database at all"),
        ("none", "There is no file"),
        (f"data/{DATABASE}", "is the database itself"),
    ):
        answer = CliRunner().invoke(app, ["restore", str(tmp_path / name), "--data", str(tmp_path / "data")])
        assert (answer.exit_code, words in answer.output) == (1, True), (name, answer.output)
    assert folder.database.read_bytes() == before
    assert names(folder.path) == {DATABASE}


def test_in_the_place_of_a_damaged_database_and_where_there_is_none(tmp_path: Path) -> None:
    saved(tmp_path / "data", 640)
    copy = tmp_path / "copy.sqlite3"
    back_up(tmp_path / "data" / DATABASE, copy)
    spoilt = b"SQLite format 3\0" + os.urandom(9000)
    (tmp_path / "data" / DATABASE).write_bytes(spoilt)
    for place in (tmp_path / "data", tmp_path / "new"):
        folder = DataFolder(place)
        with folder.held():
            aside = restore(folder, copy)
        assert masses(folder.database) == [640]
        assert (aside.read_bytes() if aside else spoilt) == spoilt


def test_a_restore_that_is_cut_off_leaves_what_was_there(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    saved(tmp_path / "data", 640)
    folder, copy = DataFolder(tmp_path / "data"), tmp_path / "copy.sqlite3"
    back_up(folder.database, copy)
    monkeypatch.setattr("plimbo.store.restoring._put_aside", lambda _folder: 1 / 0)
    with pytest.raises(ZeroDivisionError):
        restore(folder, copy)
    assert names(folder.path) == {DATABASE}
    with pytest.raises(StoreFault, match="is it a folder"):
        back_up_into(folder.database, copy)


def test_backups_made_at_once_are_all_made(tmp_path: Path) -> None:
    """In pairs, while the list is read."""
    saved(tmp_path, 640)
    app_of_server = create_app(Database(tmp_path / DATABASE))
    with TestClient(app_of_server, base_url="http://localhost", headers=JSON) as client, ThreadPoolExecutor(3) as pool:
        for _ in range(12):
            made = [pool.submit(client.post, "/api/backups", json={}) for _ in range(2)]
            assert pool.submit(client.get, "/api/backups").result(60).status_code == 200
            assert [one.result(60).status_code for one in made] == [201, 201]
        kept = client.get("/api/backups").json()
    assert len({one["file"] for one in kept}) == KEPT_OF_A_DAY
    assert names(tmp_path / "backups") == {f"{Path(one['file']).name}{end}" for one in kept for end in ("", ".sha256")}


@pytest.mark.parametrize("call", range(4))
def test_a_backup_that_fails_at_any_moment_leaves_nothing(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, call: int
) -> None:
    """The disk fills up while the copy, its checksum or the folder is written."""
    saved(tmp_path / "data", 640)
    calls, sync = [], os.fsync

    def full(file: int) -> None:
        calls.append(file)
        if len(calls) == call + 1:
            raise OSError(errno.ENOSPC, "No space left on device")
        sync(file)

    (tmp_path / "copies").mkdir()
    monkeypatch.setattr("plimbo.store.backups.os.fsync", full)
    with pytest.raises(StoreFault, match="is full"):
        back_up(tmp_path / "data" / DATABASE, tmp_path / "copies" / "copy.sqlite3")
    kept = names(tmp_path / "copies")
    # Only the folder was not written to the disk yet: the copy is whole, but it is not relied on.
    assert kept <= ({"copy.sqlite3"} if call == 3 else set())


def test_a_backup_that_has_changed_is_restored_only_when_told_so(tmp_path: Path) -> None:
    saved(tmp_path / "data", 640)
    folder, copy = DataFolder(tmp_path / "data"), tmp_path / "copy.sqlite3"
    back_up(folder.database, copy)
    good = copy.read_bytes()
    drawn = random.Random(5)
    for _ in range(20):
        flipped = bytearray(good)
        flipped[drawn.randrange(len(good))] ^= 1 << drawn.randrange(8)
        copy.write_bytes(flipped)
        with folder.held(), pytest.raises((NotABackup, StoreFault), match="Nothing was changed"):
            restore(folder, copy)
    copy.write_bytes(good.replace(b'"mass": 640,', b'"mass": 641,'))
    refused = CliRunner().invoke(app, ["restore", str(copy), "--data", str(folder.path)])
    assert (refused.exit_code, "is not as it was made" in refused.output) == (1, True), refused.output
    assert masses(folder.database) == [640]
    assert CliRunner().invoke(app, ["restore", str(copy), "--data", str(folder.path), "--anyway"]).exit_code == 0
    assert masses(folder.database) == [641]


@pytest.mark.parametrize(
    ("damage", "words"),
    [
        ('update revision set document = \'{"name": "Wr\' where number = 2', "car “W1”, state 2"),
        ("update revision set document = 'null'", "car “”, state 1"),
        ("update revision set document = x'ff'", "cannot be read"),
        ("update record set version = 7", "car “W1”, state 7 is missing"),
        ("update record set kind = 'lorry'", "lorry “W1”, state 1"),
        ("update desk set content = '{'", "what lay open"),
    ],
)
def test_every_document_of_a_backup_is_read_before_it_is_restored(tmp_path: Path, damage: str, words: str) -> None:
    saved(tmp_path / "data", 640, 650)
    folder, copy = DataFolder(tmp_path / "data"), tmp_path / "copy.sqlite3"
    database = Database(folder.database)
    Records(database).leave_desk({"place": "car"})
    database.close()
    back_up(folder.database, copy)
    checksum_file(copy).unlink()
    connection = sqlite3.connect(copy, isolation_level=None)
    connection.execute("drop trigger revision_no_update")
    connection.execute(damage)
    connection.close()
    before = folder.database.read_bytes()
    refused = CliRunner().invoke(app, ["restore", str(copy), "--data", str(folder.path)])
    assert (refused.exit_code, words in refused.output) == (1, True), refused.output
    assert folder.database.read_bytes() == before
    assert CliRunner().invoke(app, ["restore", str(copy), "--data", str(folder.path), "--anyway"]).exit_code == 0


def stop_of(*arguments: str, data: Path) -> tuple[int, str]:
    """Status and all output of a command that does not stay up."""
    command = [sys.executable, "-m", "plimbo", *arguments, "--data", str(data)]
    ended = subprocess.run(command, capture_output=True, text=True, timeout=60, check=False)
    return ended.returncode, ended.stdout + ended.stderr


def test_at_start_each_fault_is_one_line_that_says_what_to_do(tmp_path: Path) -> None:
    data = {name: tmp_path / name for name in ("damaged", "foreign", "newer", "folder")}
    for folder in data.values():
        folder.mkdir()
    (data["damaged"] / DATABASE).write_bytes(b"this is not a database, but long enough to be read as one" * 200)
    with closing(sqlite3.connect(data["foreign"] / DATABASE)) as connection:
        connection.execute("create table letters (id)")
    saved(data["newer"], 640)
    with closing(sqlite3.connect(data["newer"] / DATABASE)) as connection:
        connection.execute("update alembic_version set version_num = '0099'")
        connection.commit()
    (data["folder"] / DATABASE).mkdir()
    data["file"] = tmp_path / "file"
    data["file"].touch()
    for name, words in (
        ("damaged", "is damaged"),
        ("foreign", "a database of another program"),
        ("newer", "written by a newer Plimbo"),
        ("folder", "is it a folder"),
        ("file", "does it stand in a file's place"),
    ):
        status, answer = stop_of("serve", "--port", "8499", data=data[name])
        assert status == 1, answer
        assert words in answer
        assert answer.count("\n") == 1, answer
        assert "Traceback" not in answer


def test_a_port_that_is_taken_is_told_before_the_database_is_touched(tmp_path: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = str(taken.getsockname()[1])
        status, answer = stop_of("serve", "--port", port, data=tmp_path / "data")
    assert (status, f"Port {port} cannot be used: another program listens there" in answer) == (1, True), answer
    assert names(tmp_path / "data") == set()


def test_a_mistake_at_start_has_its_trace_in_the_log_and_not_on_the_console(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, capfd: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setattr("plimbo.cli.serving.Database.migrate", lambda _self: 1 / 0)
    answer = CliRunner().invoke(app, ["serve", "--port", "8498", "--data", str(tmp_path)])
    console = answer.output + "".join(capfd.readouterr())
    assert answer.exit_code == 1
    assert "Plimbo made a mistake" in console
    assert "Traceback" not in console
    assert "ZeroDivisionError" in (tmp_path / "logs" / "plimbo.log").read_text()
