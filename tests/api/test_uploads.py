"""Files that are streamed to the disk: complete or not at all, limited, with progress."""

import asyncio
import socket
import uuid
from collections.abc import AsyncIterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from plimbo.server import uploads as uploads_of_server
from plimbo.server.routes import uploads as upload_routes
from plimbo.store import Database
from tests.conftest import DemoServer
from tests.waiting import until

FILE = {"content-type": "application/octet-stream"}


def uploaded(client: TestClient, text: str) -> str:
    upload_id = uuid.uuid4().hex
    answer = client.put(f"/api/uploads/{upload_id}", content=text.encode(), headers=FILE)
    assert answer.json() == {"id": upload_id, "received": len(text), "size": len(text), "complete": True}
    return upload_id


def kept(database: Database) -> list[str]:
    folder = database.path.parent / "uploads"
    return sorted(path.name for path in folder.iterdir()) if folder.is_dir() else []


def test_an_upload_is_kept_until_it_is_discarded(client: TestClient, database: Database) -> None:
    upload_id = uploaded(client, "speed,time\n" * 50_000)
    assert kept(database) == [upload_id]
    assert (database.path.parent / "uploads" / upload_id).stat().st_mode & 0o077 == 0, "its owner's alone"
    assert client.get(f"/api/uploads/{upload_id}").json()["complete"] is True
    assert client.delete(f"/api/uploads/{upload_id}").status_code == 204
    assert client.get(f"/api/uploads/{upload_id}").status_code == 404
    assert client.delete(f"/api/uploads/{upload_id}").status_code == 404
    assert kept(database) == []


def test_what_is_no_file_or_too_large_leaves_nothing(client: TestClient, database: Database) -> None:
    place = f"/api/uploads/{uuid.uuid4().hex}"
    assert client.put(place, content=b"x", headers={"content-type": "application/json"}).status_code == 415
    assert client.put("/api/uploads/..%2f..%2fx", content=b"x", headers=FILE).status_code in (404, 405, 415, 422)
    declared = FILE | {"content-length": str(uploads_of_server.MOST_BYTES + 1)}
    assert client.put(place, content=b"x", headers=declared).status_code == 413
    assert kept(database) == []


def test_more_than_was_announced_is_cut_off(
    client: TestClient, database: Database, monkeypatch: pytest.MonkeyPatch
) -> None:
    limits = upload_routes.upload_file.limits._replace(body=1000)  # type: ignore[attr-defined]
    monkeypatch.setattr(upload_routes.upload_file, "limits", limits)
    monkeypatch.setattr(client.app.limits, "_declared", [])  # type: ignore[attr-defined]
    client.app.limits._declared.append(({"PUT"}, upload_routes.router.routes[0].path_regex, limits))  # type: ignore
    answer = client.put(f"/api/uploads/{uuid.uuid4().hex}", content=iter([b"x" * 600, b"x" * 600]), headers=FILE)
    assert (answer.status_code, "too large" in answer.json()["detail"]) == (413, True)
    assert kept(database) == []


def test_an_upload_that_is_cut_off_is_gone_and_was_followed_while_it_came(demo: DemoServer) -> None:
    upload_id = uuid.uuid4().hex
    folder = Path(demo.database.path).parent / "uploads"
    head = (
        f"PUT /api/uploads/{upload_id} HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/octet-stream\r\n"
        "Content-Length: 1000000\r\n\r\n"
    )
    with socket.create_connection(("127.0.0.1", demo.port)) as sender:
        sender.sendall(head.encode() + b"x" * 300_000)
        until((folder / f"{upload_id}.part").exists)
    until(lambda: not list(folder.iterdir()), "the sender has left")


def test_only_the_newest_are_kept(client: TestClient, database: Database, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(uploads_of_server, "KEPT", 3)
    ids = [uploaded(client, f"{n}") for n in range(5)]
    assert set(kept(database)) == set(ids[-3:])


def test_many_at_once_make_room_together(tmp_path: Path) -> None:
    """Each deletes the oldest: one may be gone already when another looks at it."""
    uploads = uploads_of_server.Uploads(tmp_path)

    async def sent() -> AsyncIterator[bytes]:
        yield b"speed"

    async def all_at_once() -> None:
        for _ in range(20):
            whole = await asyncio.gather(*(uploads.receive(uuid.uuid4().hex, sent(), None) for _ in range(40)))
            assert {(one.received, one.complete) for one in whole} == {(5, True)}
        await uploads.receive("last", sent(), None)

    asyncio.run(all_at_once())
    assert len(list(tmp_path.iterdir())) <= uploads_of_server.KEPT
