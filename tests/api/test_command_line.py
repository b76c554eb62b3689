"""The command line: who may be served, and the desk that the server keeps."""

import subprocess
import sys
from pathlib import Path

import httpx
import pytest
from fastapi.testclient import TestClient
from typer.testing import CliRunner

from plimbo.cli import app
from tests.conftest import Server


@pytest.mark.parametrize("host", ["0.0.0.0", "192.168.1.20", "shop.test", "::"])
def test_an_address_that_others_can_reach_needs_a_key(host: str, tmp_path: Path) -> None:
    told = CliRunner(env={"PLIMBO_ACCESS_KEY": ""}).invoke(app, ["serve", "--host", host, "--data", str(tmp_path)])
    assert told.exit_code == 2
    assert "Set PLIMBO_ACCESS_KEY" in told.output


def test_with_a_key_it_serves_those_who_have_it(tmp_path: Path) -> None:
    server = Server(tmp_path, "serve", "--host", "0.0.0.0", "--name", "shop.test", key="a-long-key")
    try:
        bearer = {"authorization": "Bearer a-long-key", "host": "shop.test"}
        assert httpx.get(f"{server.url}/api/health", headers=bearer).status_code == 200
        assert httpx.get(f"{server.url}/api/health", headers={"host": "shop.test"}).status_code == 403
        assert httpx.get(f"{server.url}/api/health", headers=bearer | {"host": "other.test"}).status_code == 403
    finally:
        server.stop()


def test_a_host_name_that_visitors_use_is_let_in(tmp_path: Path) -> None:
    server = Server(tmp_path, "serve", "--name", "Shop.test")
    try:
        assert httpx.get(f"{server.url}/api/health", headers={"host": "shop.test"}).status_code == 200
        assert httpx.get(f"{server.url}/api/health", headers={"host": "other.test"}).status_code == 403
    finally:
        server.stop()


def test_the_desk_is_kept_and_bounded(client: TestClient) -> None:
    desk = client.get("/api/desk").json()
    assert desk == {"setup_id": None, "place": "chain", "state": "", "units": "mixed", "dark": False, "baselines": {}}
    left = desk | {"units": "imperial", "dark": True, "baselines": {"car": {"setup_id": "x", "version": 3}}}
    assert client.put("/api/desk", json=left).json() == left
    assert client.get("/api/desk").json() == left
    assert client.put("/api/desk", json=left | {"units": "furlongs"}).status_code == 422
    assert client.put("/api/desk", json=left | {"more": 1}).status_code == 422
    assert client.get("/api/desk").json() == left


def test_the_core_can_be_used_alone() -> None:
    """Without web, database or command line: as from a notebook."""
    script = (
        "import sys; from plimbo.core import assess; from tests import w1;"
        "assess(w1.CAR, w1.SETUP);"
        "print(sorted({'fastapi', 'sqlalchemy', 'typer', 'alembic', 'uvicorn'} & set(sys.modules)))"
    )
    told = subprocess.run([sys.executable, "-c", script], capture_output=True, text=True, check=True)
    assert told.stdout.strip() == "[]"
