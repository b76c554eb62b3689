"""The simulation is compiled in a process of its own; until then a question that simulates says so."""

import sys
from collections.abc import Callable
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from plimbo.core.working import compiled_code
from plimbo.server import examples
from plimbo.server.app import Application
from plimbo.server.compilation import Compilation
from plimbo.store import RecordKind
from plimbo.store.record_file import file_of
from tests.waiting import until

WAITS_FOR = "import pathlib, sys, time\nwhile not pathlib.Path(sys.argv[1]).exists(): time.sleep(0.05)\nsys.exit({})"
SIMULATE = ("/api/heat/session", "/api/heat", "/api/heat/mends", "/api/heat/inputs", "/api/air/worth")
BODIES = {
    "/api/heat": examples.HEAT_QUESTION,
    "/api/air/worth": examples.WORTH_QUESTION,
    "/api/air/sizings": examples.SIZING_QUESTION,
}


@pytest.fixture
def uncompiled(client: TestClient, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Callable[[int], Path]:
    """A server whose compilation runs until a file is there, and ends with this status."""

    def begin(status: int) -> Path:
        monkeypatch.setattr(compiled_code, "is_complete", lambda: False)
        assert isinstance(client.app, Application)
        done = tmp_path / "done"
        compilation = Compilation((sys.executable, "-c", WAITS_FOR.format(status), str(done)))
        client.app.state.compilation = compilation
        return done

    return begin


@pytest.mark.parametrize("status", [0, 1])
def test_questions_that_simulate_wait_and_all_others_do_not(
    uncompiled: Callable[[int], Path], client: TestClient, status: int
) -> None:
    done = uncompiled(status)
    file = examples.file_text(file_of(RecordKind.SETUP))
    setup = client.post("/api/setups/files", content=file).raise_for_status().json()
    for path in (*SIMULATE, "/api/air/sizings"):
        refused = client.post(path, json=BODIES.get(path, examples.SESSION_QUESTION))
        assert (refused.status_code, refused.json()["title"]) == (503, "Being compiled"), path
        assert refused.headers["retry-after"] == "2"
        assert "Everything else works" in refused.json()["detail"]
    assert client.get(f"/api/setups/{setup['id']}/marks").status_code == 503
    assert client.post("/api/assess", json=examples.QUESTION).status_code == 200
    assert client.post("/api/air", json=examples.DUCT_QUESTION).status_code == 200
    done.touch()
    until(lambda: client.post("/api/heat/session", json=examples.SESSION_QUESTION).status_code == 200)
    assert client.get(f"/api/setups/{setup['id']}/marks").status_code == 200


def test_a_stop_ends_the_compilation(uncompiled: Callable[[int], Path], client: TestClient) -> None:
    uncompiled(0)
    assert isinstance(client.app, Application)
    compilation: Compilation = client.app.state.compilation
    assert not compilation.is_ready()
    process = compilation._process
    assert process is not None
    compilation.stop()
    assert process.poll() is not None
