"""Whatever is sent: no server error, bounded answers, and no other client has to wait."""

import asyncio
import base64
import json
import socket
import sqlite3
import threading
import time
import uuid
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import httpx
import pytest
import uvicorn
from fastapi.testclient import TestClient
from sqlalchemy import event, text

from plimbo.core import Car, Setup, write_setup_file
from plimbo.server import create_app, examples, protocol
from plimbo.server.queues import Queues
from plimbo.server.route_limits import Queue, RouteLimits
from plimbo.store import Database, Jobs, RecordKind, Records
from plimbo.store import database as database_file
from plimbo.workers.pool import WORKERS_TAKE
from tests import w1
from tests.conftest import JSON
from tests.waiting import until

CAR = w1.CAR.model_dump(mode="json")
SETUP = w1.SETUP.model_dump(mode="json")
FILE = json.loads(write_setup_file(w1.CAR, w1.SETUP))
HEADERS = ("content-security-policy", "x-content-type-options", "referrer-policy", "cross-origin-opener-policy")


def put(document: dict[str, Any], path: str, value: object) -> dict[str, Any]:
    """A copy with another value at a dotted path."""
    copy: Any = json.loads(json.dumps(document))
    place = copy
    *way, last = path.split(".")
    for name in way:
        place = place[int(name) if name.isdigit() else name]
    place[int(last) if last.isdigit() else last] = value
    return copy  # type: ignore[no-any-return]


@pytest.mark.parametrize(
    ("path", "status"),
    [
        ("/%00", 200),
        ("/" + "a" * 300, 200),
        ("/assets/%00", 404),
        ("/assets/" + "a" * 300, 404),
        ("/%2e%2e/%2e%2e/etc/passwd", 200),
        ("/api/cars/%00", 404),
        ("/api/cars/" + "a" * 300, 404),
        (f"/api/setups/{'0' * 32}/revisions/{2**63}", 422),
        (f"/api/setups/{'0' * 32}/revisions/0", 422),
        ("/api/nothing", 404),
        ("/api/assess", 405),
    ],
)
def test_odd_addresses_are_answered_in_words(path: str, status: int, client: TestClient) -> None:
    answer = client.get(path)
    assert answer.status_code == status
    assert "root:" not in answer.text
    assert all(name in answer.headers for name in HEADERS)


def test_a_wrong_method_says_which_are_right_and_a_head_is_a_get_without_its_body(client: TestClient) -> None:
    for method, path, allowed in (
        ("POST", "/api/units", "GET"),
        ("GET", "/api/assess", "POST"),
        ("DELETE", "/api/cars", "GET"),
        ("PATCH", "/any/page", "GET"),
    ):
        answer = client.request(method, path, json={})
        assert (answer.status_code, allowed in answer.headers["allow"].split(", ")) == (405, True), path
    for path in ("/", "/api/health", "/api/cars", "/mark.svg"):
        whole, head = client.get(path), client.head(path)
        assert (head.status_code, head.content) == (200, b"")
        assert head.headers["content-type"] == whole.headers["content-type"]
    assert client.head("/api/nothing").status_code == 404


@pytest.mark.parametrize("origin", ["http://[", "http://]", "null", "", "http://localhost:99999", "\xff"])
def test_an_origin_that_is_none_is_foreign(origin: str, client: TestClient) -> None:
    answer = client.get("/api/units", headers={"origin": origin.encode("latin-1")})
    assert answer.status_code == 403


@pytest.mark.parametrize(
    ("path", "value", "words"),
    [
        ("mass", True, "Must be a number."),
        ("mass", "640", "Must be a number."),
        ("mass", 1e400, "not infinite"),
        ("front_share", 5e-324, "Is too near to nothing: give at least 1e-09."),
        ("front_tyre.load_sensitivity", 5e-324, "give 0, or at least 1e-09."),
        ("front_lift_area", 1e-200, "give 0, or at least 1e-09 m²."),
        ("name", "  \u200b ", "Give it a name"),
        ("name", "two\nlines", "Give it a name"),
        ("name", "bell\x07", "Give it a name"),
        ("name", "\ud800", "Is no text."),
        ("states", [{}] * 240_001, "Too many."),
        ("confirmed", [1] * 300_000, "Too many."),
        ("confirmed", ["x" * 900_000], "Is too long."),
        ("states", {str(n): n for n in range(50_000)}, ""),
    ],
)
def test_what_is_no_value_is_refused_at_its_field_before_it_costs_anything(
    path: str, value: object, words: str, client: TestClient
) -> None:
    content = json.dumps({"car": put(CAR, path, value), "setup": SETUP})
    for address in ("/api/assess", "/api/measurements", "/api/uncertainty"):
        answer = client.post(address, content=content)
        assert answer.status_code == 422
        problem = answer.json()
        assert problem["errors"][0]["path"].startswith(f"car.{path}")
        assert words in json.dumps(problem["errors"][0], ensure_ascii=False)
        assert len(answer.content) < 10_000


@pytest.mark.parametrize("path", ["front.caliper.pistons", "valve.positions"])
def test_a_size_in_a_list_is_a_number_too(path: str, client: TestClient) -> None:
    for value in (["0.04"], [True]):
        answer = client.post("/api/assess", json={"car": CAR, "setup": put(SETUP, path, value)})
        assert (answer.status_code, answer.json()["errors"][0]["message"]) == (422, "Must be a number.")


def test_twenty_errors_are_told_and_how_many_more(client: TestClient) -> None:
    car = CAR | {f"unknown{n}": n for n in range(40)}
    problem = client.post("/api/assess", json={"car": car, "setup": SETUP}).json()
    assert len(problem["errors"]) == 20
    many = {f"car{n}": n for n in range(40_000)}
    answer = client.post("/api/assess", json={"car": CAR | many, "setup": SETUP})
    assert (answer.status_code, len(answer.json()["errors"])) == (422, 20)
    states = [put(CAR, "states.0", {})["states"][0]] * 12
    problem = client.post("/api/assess", json={"car": CAR | {"states": states}, "setup": {}}).json()
    assert len(problem["errors"]) == 20
    assert problem["further_errors"] > 0
    assert f"And {problem['further_errors']} more." in problem["detail"]


@pytest.mark.parametrize("version", [True, "1", "\ud800", 1.5, None, [2], 2**70, {"a": "\ud800"}])
def test_a_version_is_a_whole_number(version: object, client: TestClient) -> None:
    answer = client.post("/api/setups/files", content=json.dumps(FILE | {"format_version": version}))
    assert (answer.status_code, "of format version" in answer.json()["detail"]) == (400, True)
    car = client.post("/api/cars", json=CAR).json()
    body = json.dumps({"version": version, "car": CAR})
    assert client.put(f"/api/cars/{car['id']}", content=body).status_code == 422


def test_what_is_written_comes_from_here_and_is_json(client: TestClient) -> None:
    body = json.dumps(CAR)
    for headers, status in (
        ({"content-type": "text/plain"}, 415),
        ({"content-type": "application/x-www-form-urlencoded"}, 415),
        ({"content-type": "application/json", "sec-fetch-site": "cross-site"}, 403),
        ({"content-type": "application/json", "sec-fetch-site": "same-site"}, 403),
        ({"content-type": "application/json; charset=utf-8", "sec-fetch-site": "same-origin"}, 201),
    ):
        assert client.post("/api/cars", content=body, headers=headers).status_code == status
    assert len(client.get("/api/cars").json()) == 1


# Stored, and read back.


def spoil(database: Database, record_id: str, document: str, format_version: int = 2) -> None:
    """A further revision as no Plimbo of this version writes it."""
    with database.writing() as session:
        session.execute(
            text(
                "insert into revision select record_id, number + 1, :format, :document, '', '', saved_at from revision"
                " where record_id = :id and number = (select version from record where id = :id)"
            ),
            {"id": record_id, "document": document, "format": format_version},
        )
        session.execute(text("update record set version = version + 1 where id = :id"), {"id": record_id})


def test_a_record_that_cannot_be_read_is_listed_so_and_blocks_nothing(client: TestClient, database: Database) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    second = client.post("/api/setups/files", json=put(FILE, "setup.name", "Second")).json()
    spoil(database, second["id"], json.dumps(SETUP | {"wind": 3}))
    assert client.get(f"/api/setups/{first['id']}").status_code == 200
    for path in ("", "/file", "/revisions/2"):
        result = client.get(f"/api/setups/{second['id']}{path}")
        assert (result.status_code, result.json()["type"]) == (422, "urn:plimbo:problem:unreadable-record")
        assert "wind" in result.json()["detail"]
    # A list reads no document: it knows since one was opened.
    listed = client.get(f"/api/cars/{first['car_id']}/setups").json()
    assert [(one["readable"]) for one in listed] == [True, False]
    raw = client.get(f"/api/setups/{second['id']}/raw")
    assert raw.json()["document"]["wind"] == 3
    assert "attachment" in raw.headers["content-disposition"]
    # An earlier revision can still be read.
    assert client.get(f"/api/setups/{second['id']}/revisions/1").status_code == 200
    spoil(database, first["car_id"], json.dumps(CAR), format_version=99)
    assert client.get("/api/cars").json()[0]["readable"] is False
    assert "format 99" in client.get(f"/api/cars/{first['car_id']}").json()["detail"]
    assert client.get(f"/api/cars/{first['car_id']}/raw").json()["format_version"] == 99


def test_a_file_that_the_model_refuses_is_taken_in_and_told_where(client: TestClient) -> None:
    car = put(put(CAR, "front_lift_area", -1.0), "states.1.speed", 115.0)
    read = client.post("/api/setups/files", json=FILE | {"car": car})
    assert read.status_code == 201
    assert [error["path"] for error in read.json()["to_mend"]] == ["car.states.1.speed"]
    assert client.get(f"/api/setups/{read.json()['id']}").status_code == 200
    assert client.post("/api/setups/files", json=FILE).json()["to_mend"] == []


# Faults of the disk and of us.


def test_a_full_disk_is_507_and_nothing_is_half_saved(client: TestClient, database: Database) -> None:
    car = client.post("/api/cars", json=CAR).json()
    database.engine.dispose()

    @event.listens_for(database.engine, "connect")
    def limit(connection: sqlite3.Connection, _record: object) -> None:
        pages = connection.execute("pragma page_count").fetchone()[0]
        connection.execute(f"pragma max_page_count = {pages}")

    answers = [
        client.put(f"/api/cars/{car['id']}", json={"version": version, "car": CAR | {"mass": 600 + version}})
        for version in range(1, 12)
    ]
    full = next(answer for answer in answers if answer.status_code != 200)
    assert full.status_code == 507
    assert "is full. What was saved before is safe" in full.json()["detail"]
    assert all(name in full.headers for name in HEADERS)
    kept = sum(answer.status_code == 200 for answer in answers)
    assert client.get(f"/api/cars/{car['id']}").json()["version"] == 1 + kept


def test_a_read_only_disk_is_503_and_reading_goes_on(client: TestClient, database: Database) -> None:
    car = client.post("/api/cars", json=CAR).json()
    database.engine.dispose()

    @event.listens_for(database.engine, "connect")
    def read_only(connection: sqlite3.Connection, _record: object) -> None:
        connection.execute("pragma query_only = on")

    answer = client.put(f"/api/cars/{car['id']}", json={"version": 1, "car": CAR | {"mass": 650}})
    assert (answer.status_code, "may not be written" in answer.json()["detail"]) == (503, True)
    assert client.get(f"/api/cars/{car['id']}").json()["car"]["mass"] == 640


def test_a_locked_and_a_damaged_database_are_503(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(database_file, "BUSY_SECONDS", 0.1)
    database = Database(tmp_path / "plimbo.sqlite3")
    database.migrate()
    Records(database).add(RecordKind.CAR, CAR)
    client = TestClient(create_app(database), base_url="http://localhost", raise_server_exceptions=False, headers=JSON)
    other = sqlite3.connect(database.path)
    other.execute("begin exclusive")
    locked = client.post("/api/cars", json=CAR)
    assert (locked.status_code, "in use by another program" in locked.json()["detail"]) == (503, True)
    other.close()
    database.close()
    content = bytearray(database.path.read_bytes())
    content[4096:] = bytes(len(content) - 4096)
    database.path.write_bytes(content)
    for answer in (client.get("/api/cars"), client.post("/api/cars", json=CAR), client.get("/api/health")):
        assert (answer.status_code, "is damaged" in answer.json()["detail"]) == (503, True)
        assert all(name in answer.headers for name in HEADERS)


def test_our_own_mistakes_have_the_headers_too(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("plimbo.server.routes.questions.survey", lambda *_, **__: 1 / 0)
    answer = client.post("/api/survey", json={"car": CAR, "setup": SETUP})
    assert (answer.status_code, answer.json()["title"]) == (500, "Our mistake")
    assert all(name in answer.headers for name in HEADERS)


# Many at once, over the real protocol.


@pytest.fixture
def serve(tmp_path: Path) -> Iterator[Callable[[], tuple[int, uvicorn.Server]]]:
    running: list[tuple[uvicorn.Server, threading.Thread, Database]] = []

    def start() -> tuple[int, uvicorn.Server]:
        database = Database(tmp_path / "plimbo.sqlite3")
        database.migrate()
        config = uvicorn.Config(
            create_app(database),
            port=0,
            http=protocol.BoundedProtocol,
            lifespan="off",
            log_level="error",
            timeout_graceful_shutdown=1,
        )
        server = uvicorn.Server(config)
        thread = threading.Thread(target=server.run, daemon=True)
        thread.start()
        while not server.started:
            time.sleep(0.01)
        running.append((server, thread, database))
        return server.servers[0].sockets[0].getsockname()[1], server

    yield start
    for server, thread, database in running:
        server.should_exit = True
        thread.join(30)
        database.close()


class Held:
    """In the place of a question, in a worker process: it waits for a file, and never answers."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder

    def __call__(self, car: Car, setup: Setup, *_: object, **__: object) -> None:
        (self.folder / f"at-work-{uuid.uuid4().hex}").touch()
        while not (self.folder / "go").exists():
            time.sleep(0.01)
        raise ValueError(f"{car.name} {setup.name}")

    def at_work(self) -> int:
        return len(list(self.folder.glob("at-work-*")))


def test_health_saves_and_pages_answer_while_every_question_waits(
    serve: Callable[[], tuple[int, uvicorn.Server]], monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    held = Held(tmp_path)
    for name in ("estimate_uncertainty", "find_mends", "rank_unmeasured"):
        monkeypatch.setattr(f"plimbo.server.routes.questions.{name}", held)
    port, _ = serve()
    url = f"http://127.0.0.1:{port}"
    body = {"car": CAR, "setup": SETUP}
    paths = ("uncertainty", "mends", "unmeasured") * 20
    answers: list[int] = []

    def ask(path: str) -> None:
        answers.append(httpx.post(f"{url}/api/{path}", json=body, timeout=180).status_code)

    threads = [threading.Thread(target=ask, args=(path,), daemon=True) for path in paths]
    for thread in threads:
        thread.start()
    # As many run as may run at once, and all others wait.
    until(lambda: held.at_work() == len(WORKERS_TAKE))
    try:
        for path in ("/api/health", "/", "/mark.svg", "/api/units", "/api/cars", "/api/garage"):
            assert httpx.get(url + path, timeout=60).status_code == 200
        for path in ("assess", "survey", "hydraulics"):
            assert httpx.post(f"{url}/api/{path}", json=body, timeout=60).status_code == 200
        assert httpx.post(f"{url}/api/cars", json=CAR, timeout=60).status_code == 201
        assert (answers, held.at_work()) == ([], len(WORKERS_TAKE))
    finally:
        (tmp_path / "go").touch()
    for thread in threads:
        thread.join(120)
    assert answers == [500] * len(paths)


def test_a_request_whose_client_left_while_it_waited_is_dropped() -> None:
    done: list[str] = []

    async def app(scope: Any, _receive: object, _send: object) -> None:
        done.append(scope["path"])

    async def ask(queues: Queues, path: str, *, left: bool) -> None:
        gone = asyncio.Event()
        if left:
            gone.set()
        state = {"limits": RouteLimits(queue=Queue.QUESTIONS), "gone": gone}
        await queues({"type": "http", "path": path, "state": state}, None, None)  # type: ignore[arg-type]

    async def all_of_them() -> None:
        queues = Queues(app)
        await asyncio.gather(*(ask(queues, f"{n}", left=n % 2 == 1) for n in range(8)))

    asyncio.run(all_of_them())
    assert done == ["0", "2", "4", "6"]


def said(port: int, *parts: bytes, wait: float = 30) -> bytes:
    """What comes back until the connection is closed."""
    with socket.create_connection(("127.0.0.1", port), timeout=wait) as connection:
        for part in parts:
            connection.sendall(part)
        found = b""
        while part := connection.recv(65536):
            found += part
        return found


def test_a_head_or_a_body_that_does_not_come_is_not_waited_for(
    serve: Callable[[], tuple[int, uvicorn.Server]], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(protocol, "HEAD_SECONDS", 0.3)
    monkeypatch.setattr("plimbo.server.guard.BODY_SECONDS", 0.3)
    port, _ = serve()
    assert said(port) == b""
    assert said(port, b"GET / HTTP/1.1\r\nHost: loc") == b""
    head = b"POST /api/cars HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 9\r\n\r\n{"
    late = said(port, head)
    assert late.startswith(b"HTTP/1.1 408")
    assert b"content-security-policy" in late
    # A request that is there in time has all the time it needs.
    assert said(port, b"GET /api/units HTTP/1.1\r\nHost: localhost\r\n\r\n").startswith(b"HTTP/1.1 200")


def test_what_is_no_http_is_told_so_with_the_headers_of_every_answer(
    serve: Callable[[], tuple[int, uvicorn.Server]],
) -> None:
    port, _ = serve()
    answer = said(port, b"\x16\x03\x01 this is no HTTP\r\n\r\n")
    assert answer.startswith(b"HTTP/1.1 400")
    assert all(name.encode() in answer for name in HEADERS)


def test_connections_past_the_bound_are_closed_and_come_in_again_later(
    serve: Callable[[], tuple[int, uvicorn.Server]], monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(protocol, "CONNECTIONS", 5)
    port, server = serve()
    idle = [socket.create_connection(("127.0.0.1", port)) for _ in range(5)]
    while len(server.server_state.connections) < 5:
        time.sleep(0.01)
    with pytest.raises(httpx.TransportError):
        httpx.get(f"http://127.0.0.1:{port}/api/health")
    for connection in idle:
        connection.close()
    while server.server_state.connections:
        time.sleep(0.01)
    assert httpx.get(f"http://127.0.0.1:{port}/api/health").status_code == 200


# The text of a document, as SQL, that is none.
DAMAGED = {
    "cut": '\'{"name": "Wre\'',
    "not UTF-8": "cast(x'7b22ff22' as text)",
    "a NUL": "cast(x'7b2200227d' as text)",
    "a blob": "x'fffe00'",
    "null": "'null'",
    "a list": "'[1, 2]'",
    "a number": "'7'",
    "nothing": "''",
    "too deep": "'" + "[" * 5000 + "'",
}


def listed_as(client: TestClient, record_id: str) -> bool | None:
    """Whether a list shows it as readable; none where no list shows it."""
    cars = client.get("/api/garage").json()
    shown = [*cars, *(setup for car in cars for setup in car["setups"]), *client.get("/api/circuits").json()]
    return next((one["readable"] for one in shown if one["id"] == record_id), None)


@pytest.mark.parametrize("kind", ["car", "setup", "circuit"])
@pytest.mark.parametrize("damage", DAMAGED)
def test_one_damaged_document_hides_no_other(client: TestClient, database: Database, kind: str, damage: str) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    second = client.post("/api/setups/files", json=put(FILE, "car.name", "Second")).json()
    circuits = [client.post("/api/circuits", json=examples.CIRCUIT | {"name": name}).json() for name in ("A", "B")]
    bad = {"car": second["car_id"], "setup": second["id"], "circuit": circuits[1]["id"]}[kind]
    with database.writing() as session:
        session.execute(
            text(
                f"insert into revision select record_id, 2, format_version, {DAMAGED[damage]}, name, note, saved_at"
                " from revision where record_id = :id"
            ),
            {"id": bad},
        )
        session.execute(text("update record set version = 2 where id = :id"), {"id": bad})
    for path in ("garage", "cars", "circuits", f"cars/{second['car_id']}/setups", "desk", "health"):
        assert client.get(f"/api/{path}").status_code == 200, path
    # It is listed as unreadable before anybody has tried to open it.
    assert listed_as(client, bad) is False
    assert all(listed_as(client, one) for one in (first["car_id"], first["id"], circuits[0]["id"]))
    assert client.get(f"/api/setups/{first['id']}/opened").status_code == 200
    assert client.get(f"/api/circuits/{circuits[0]['id']}").status_code == 200
    own = f"/api/{kind}s/{bad}"
    refused = client.get(own)
    assert (refused.status_code, refused.json()["type"]) == (422, "urn:plimbo:problem:unreadable-record")
    raw = client.get(f"{own}/raw").json()
    with database.reading() as session:
        kept = session.execute(text(f"select cast({DAMAGED[damage]} as blob)")).scalar()
    assert base64.b64decode(raw["stored"]) == kept
    for path in ("raw", "history", "revisions", "revisions/1"):
        assert client.get(f"{own}/{path}").status_code == 200, path
    assert client.put(f"{own}/archived", json={"archived": True}).is_success
    assert client.delete(own).is_success


def test_a_moment_that_is_none_hides_no_record(client: TestClient, database: Database) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    with database.writing() as session:
        session.execute(text("update record set created_at = 'yesterday' where id = :id"), {"id": first["id"]})
        session.execute(
            text(
                "insert into revision select record_id, 2, format_version, document, name, note, 'soon' from revision"
                " where record_id = :id"
            ),
            {"id": first["id"]},
        )
        session.execute(text("update record set version = 2 where id = :id"), {"id": first["id"]})
    for path in ("garage", f"setups/{first['id']}", f"setups/{first['id']}/history", f"setups/{first['id']}/raw"):
        assert client.get(f"/api/{path}").status_code == 200, path


# What may stand in any other column, as SQL.
RUBBISH = ("'abc'", "x'ff00fe'", "-1", "1e300")
COLUMNS = {
    "record": ("kind", "parent_id", "version", "heading", "name_key", "created_at", "removed_at"),
    "revision": ("number", "format_version", "name", "note", "saved_at"),
    "job": ("kind", "about", "state", "asked_at", "question", "answer", "trouble"),
}


@pytest.mark.parametrize(("table", "column"), [(table, one) for table, columns in COLUMNS.items() for one in columns])
@pytest.mark.parametrize("kind", ["car", "setup", "circuit"])
def test_rubbish_in_any_column_hides_no_other(
    client: TestClient, database: Database, kind: str, table: str, column: str
) -> None:
    """All lists answer and what is sound opens; the damaged record is listed and can be deleted."""
    first = client.post("/api/setups/files", json=FILE).json()
    circuit = client.post("/api/circuits", json=examples.CIRCUIT).json()
    sound = first["car_id"], first["id"], circuit["id"]
    connection = sqlite3.connect(database.path, isolation_level=None)
    connection.execute("drop trigger revision_no_update")
    for rubbish in RUBBISH:
        second = client.post("/api/setups/files", json=put(FILE, "car.name", "Second")).json()
        other = client.post("/api/circuits", json=examples.CIRCUIT | {"name": "Other"}).json()
        bad = {"car": second["car_id"], "setup": second["id"], "circuit": other["id"]}[kind]
        about = f"{second['id']} front"
        job = Jobs(database).begin("sizing", about, "x")
        of = {"record": "id", "revision": "record_id", "job": "about"}[table]
        which = about if table == "job" else bad
        connection.execute(f"update {table} set {column} = {rubbish} where {of} = ?", (which,))
        for path in ("garage", "cars", "circuits", f"cars/{first['car_id']}/setups", "desk", "health"):
            assert client.get(f"/api/{path}").status_code == 200, (rubbish, path)
        for path in (f"setups/{first['id']}/opened", f"circuits/{circuit['id']}", f"cars/{first['car_id']}/history"):
            assert client.get(f"/api/{path}").status_code == 200, (rubbish, path)
        for path in (f"air/sizings/{job.id}", f"air/sizings?about={about}"):
            assert client.get(f"/api/{path}").status_code == 200, (rubbish, path)
        # One of no known kind stands in the garage; the archive has no circuits.
        if table != "job" and (kind, column) != ("circuit", "removed_at"):
            assert listed_as(client, bad) is not None, rubbish
        own = f"/api/{kind}s/{bad}"
        for path in ("", "/raw", "/history", "/revisions", "/file"):
            assert client.get(f"{own}{path}").status_code < 500, (rubbish, path)
        client.put(f"{own}/archived", json={"archived": True})
        assert client.delete(own).status_code == 204, rubbish
        assert listed_as(client, bad) is None
        assert all(listed_as(client, one) for one in sound)
    connection.close()


def test_a_record_ahead_of_its_revisions_is_told(client: TestClient, database: Database) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    with database.writing() as session:
        session.execute(text("update record set version = 9 where id = :id"), {"id": first["id"]})
    assert listed_as(client, first["id"]) is False
    refused = client.get(f"/api/setups/{first['id']}")
    assert (refused.status_code, refused.json()["type"]) == (422, "urn:plimbo:problem:unreadable-record")
    assert "newest saved state is missing" in refused.json()["detail"]
    assert client.get(f"/api/setups/{first['id']}/raw").json()["document"]["name"] == FILE["setup"]["name"]
    assert [one["readable"] for one in client.get(f"/api/setups/{first['id']}/history").json()] == [True]


def test_a_setup_without_its_car_is_listed_and_can_be_deleted(client: TestClient, database: Database) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    connection = sqlite3.connect(database.path)
    connection.execute("update record set parent_id = ? where id = ?", ("f" * 32, first["id"]))
    connection.commit()
    connection.close()
    *_, last = client.get("/api/garage").json()
    assert (last["name"], last["readable"], [one["id"] for one in last["setups"]]) == ("", False, [first["id"]])
    assert [one["missing"] for one in client.get("/api/garage").json()][-2:] == [False, True]
    assert listed_as(client, first["id"]) is False
    assert client.put(f"/api/setups/{first['id']}/archived", json={"archived": True}).is_success
    assert client.delete(f"/api/setups/{first['id']}").is_success


def test_a_car_is_copied_without_the_setup_that_cannot_be_read(client: TestClient, database: Database) -> None:
    first = client.post("/api/setups/files", json=FILE).json()
    kept = client.post(f"/api/cars/{first['car_id']}/setups", json=SETUP).json()
    with database.writing() as session:
        session.execute(text("update record set version = 9 where id = :id"), {"id": first["id"]})
    copied = client.post(f"/api/cars/{first['car_id']}/copies", json={"name": "Copy"})
    assert copied.status_code == 201
    assert copied.json()["setup"]["name"] == kept["setup"]["name"]


@pytest.mark.parametrize("content", ["'{broken'", "'null'", "'[1]'", """'{"units": "furlongs"}'""", "x'ff'"])
def test_a_damaged_desk_is_an_empty_one(client: TestClient, database: Database, content: str) -> None:
    client.put("/api/desk", json={"place": "car"}).raise_for_status()
    with database.writing() as session:
        session.execute(text(f"update desk set content = {content}"))
    assert client.get("/api/desk").json()["place"] == "chain"
    client.put("/api/desk", json={"place": "heat"}).raise_for_status()
    assert client.get("/api/desk").json()["place"] == "heat"
