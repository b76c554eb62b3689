"""What all tests share: a database of its own, a client of the server, and the real server as a process."""

import os
import socket
import subprocess
import sys
import threading
import time
from collections.abc import Callable, Iterator
from pathlib import Path

import httpx
import pytest
import uvicorn
from fastapi.testclient import TestClient
from hypothesis import settings

from plimbo.cli import demo_data
from plimbo.core import Car, Setup, write_setup_file
from plimbo.server import Access, create_app
from plimbo.store import Database, Records
from plimbo.workers import WORKERS
from tests import w1

# The same examples in every run, so that a run that passed passes again; HYPOTHESIS=explore looks for new ones.
settings.register_profile("steady", derandomize=True)
settings.register_profile("explore", max_examples=2000)
settings.load_profile(os.environ.get("HYPOTHESIS", "steady"))


# What the server takes; a client of its own says it with each request that carries something.
JSON = {"content-type": "application/json"}


@pytest.fixture(scope="session", autouse=True)
def workers_end() -> Iterator[None]:
    """Those that the application starts in the process of the tests."""
    yield
    WORKERS.stop()


@pytest.fixture
def database(tmp_path: Path) -> Iterator[Database]:
    database = Database(tmp_path / "plimbo.sqlite3")
    database.migrate()
    yield database
    database.close()


@pytest.fixture
def client(database: Database) -> Iterator[TestClient]:
    # Errors come back as the user would get them, not as exceptions of the test.
    app = create_app(database)
    with TestClient(app, base_url="http://localhost", raise_server_exceptions=False, headers=JSON) as client:
        yield client


@pytest.fixture
def keyed_client(database: Database) -> Iterator[TestClient]:
    app = create_app(database, Access(hosts=frozenset({"shop.test"}), key="long-and-secret-key"))
    with TestClient(app, base_url="http://shop.test", follow_redirects=False) as client:
        yield client


@pytest.fixture
def w1_file(tmp_path: Path) -> Callable[[Car, Setup], Path]:
    def write(car: Car = w1.CAR, setup: Setup = w1.SETUP) -> Path:
        path = tmp_path / "w1.plimbo.json"
        path.write_text(write_setup_file(car, setup))
        return path

    return write


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    """The longest test first: at the end the other workers would wait for it."""
    items.sort(key=lambda item: item.path.name != "test_wheel.py")


class Server:
    """The real server in a process of its own, on a machine without a screen."""

    def __init__(
        self, data: Path, *arguments: str, key: str = "", python: str = sys.executable, **environment: str
    ) -> None:
        with socket.socket() as free:
            free.bind(("127.0.0.1", 0))
            self.port = free.getsockname()[1]
        self.url = f"http://127.0.0.1:{self.port}"
        command = [python, "-m", "plimbo", *arguments, "--data", str(data), "--port", str(self.port)]
        own = {"PYTHONUNBUFFERED": "1", "PLIMBO_ACCESS_KEY": key, "DISPLAY": "", "WAYLAND_DISPLAY": ""}
        self.process = subprocess.Popen(command, env={**os.environ, **own, **environment})
        bearer = {"authorization": f"Bearer {key}"} if key else {}
        for _ in range(200):
            try:
                httpx.get(f"{self.url}/api/health", timeout=1, headers=bearer).raise_for_status()
                return
            except httpx.HTTPError:
                time.sleep(0.1)
        raise RuntimeError("the server did not start")

    def kill(self) -> None:
        self.process.kill()
        self.process.wait()

    def stop(self) -> None:
        self.process.terminate()
        self.process.wait(10)


class DemoServer(uvicorn.Server):
    """The server with the demo cars, or with none, in a thread of the test: the same application, but up at once."""

    def __init__(self, data: Path, *, empty: bool = False) -> None:
        self.database = Database(data / "plimbo.sqlite3")
        self.database.migrate()
        if not empty:
            demo_data.load(Records(self.database))
        self.app = create_app(self.database)
        super().__init__(uvicorn.Config(self.app, host="127.0.0.1", port=0, log_level="warning", lifespan="off"))
        self.thread = threading.Thread(target=self.run, daemon=True)
        self.thread.start()
        while not self.started:
            time.sleep(0.01)
        self.port = self.servers[0].sockets[0].getsockname()[1]
        self.url = f"http://127.0.0.1:{self.port}"

    def stop(self) -> None:
        self.should_exit = self.force_exit = True
        self.thread.join(10)
        self.database.close()


@pytest.fixture
def empty(tmp_path: Path) -> Iterator[DemoServer]:
    server = DemoServer(tmp_path / "own", empty=True)
    yield server
    server.stop()


@pytest.fixture
def demo(tmp_path: Path) -> Iterator[DemoServer]:
    server = DemoServer(tmp_path / "demo")
    yield server
    server.stop()
