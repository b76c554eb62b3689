"""`make wheel` gives one file that installs without Node, and `plimbo demo` works from it on a new machine."""

import os
import re
import shutil
import subprocess
import sys
import zipfile
from pathlib import Path

import httpx
import pytest

from plimbo.server import examples
from tests.conftest import Server
from tests.waiting import until

ROOT = Path(__file__).parents[2]


@pytest.fixture(scope="module")
def wheel() -> Path:
    environment = {name: value for name, value in os.environ.items() if name not in ("MAKEFLAGS", "MAKELEVEL")}
    subprocess.run(["make", "--no-print-directory", "wheel"], cwd=ROOT, env=environment, check=True)
    (made,) = (ROOT / "build/wheel").glob("plimbo-*.whl")
    return made


def test_the_wheel_holds_the_whole_package_and_the_built_web(wheel: Path) -> None:
    inside = set(zipfile.ZipFile(wheel).namelist())
    sources = subprocess.run(
        ["git", "ls-files", "-co", "--exclude-standard", "plimbo"], cwd=ROOT, capture_output=True, text=True, check=True
    )
    package = {name for name in sources.stdout.split() if (ROOT / name).exists()}
    built = {file.relative_to(ROOT).as_posix() for file in (ROOT / "plimbo/server/web").rglob("*") if file.is_file()}
    assert any(name.endswith(".woff2") for name in built)
    assert package | built == {name for name in inside if name.startswith("plimbo/")}


def test_it_installs_without_node_and_the_demo_runs_while_the_simulation_is_compiled(
    wheel: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    fresh = tmp_path / "fresh"
    subprocess.run([sys.executable, "-m", "venv", str(fresh)], check=True)
    monkeypatch.setenv("PATH", str(fresh / "bin"))
    monkeypatch.setenv("XDG_CACHE_HOME", str(tmp_path / "cache"))
    for name in ("PYTHONPATH", "VIRTUAL_ENV", "MAKEFLAGS"):
        monkeypatch.delenv(name, raising=False)
    assert shutil.which("node") is None
    pip = [str(fresh / "bin/python"), "-m", "pip", "install", "-q", "--disable-pip-version-check"]
    # The locked versions first, so that the test depends on no newer release; then the wheel as anybody installs it.
    subprocess.run([*pip, "--require-hashes", "-r", str(ROOT / "requirements.lock")], check=True, cwd=tmp_path)
    subprocess.run([*pip, str(wheel)], check=True, cwd=tmp_path)

    monkeypatch.chdir(tmp_path)
    server = Server(tmp_path / "data", "demo", python=str(fresh / "bin/python"))
    try:
        page = httpx.get(server.url).raise_for_status().text
        script = re.search(r'src="(/assets/[^"]+\.js)"', page)
        assert script
        assert httpx.get(server.url + script[1]).is_success
        asked = httpx.post(f"{server.url}/api/heat/session", json=examples.SESSION_QUESTION, timeout=60)
        assert (asked.status_code, asked.json()["title"]) == (503, "Being compiled")
        # Meanwhile everything else answers.
        assert httpx.post(f"{server.url}/api/assess", json=examples.QUESTION, timeout=60).is_success
        assert len(httpx.get(f"{server.url}/api/cars", timeout=60).json()) == 3

        def simulated() -> bool:
            answer = httpx.post(f"{server.url}/api/heat/session", json=examples.SESSION_QUESTION, timeout=300)
            return answer.status_code == 200

        until(simulated, "the simulation was never compiled", seconds=600)
    finally:
        server.stop()
