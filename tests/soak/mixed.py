"""Everything at once, for a while, against one server: `python -m tests.soak.mixed [SECONDS] [SEED]`.

Twelve clients ask, save, size, simulate, read traces, make backups, begin and delete cars, and often leave before they
are answered. No answer is a server error, every save that was acknowledged is there at the end, and the memory of the
server and its workers stays flat.
"""

import random
import statistics
import sys
import tempfile
import threading
import time
import uuid
from collections import Counter
from collections.abc import Callable
from pathlib import Path
from typing import Any

import httpx

from plimbo.cli.demo_data import CARS
from tests.conftest import JSON, Server

CLIENTS, LEAVES_AFTER, MEMORY_EVERY = 12, 0.05, 5.0
UPLOADED = {"content-type": "application/octet-stream"}
TRACE = "distance [m],speed [m/s]\n" + "".join(f"{3 * n},{20 + 25 * (n % 200 < 150)}\n" for n in range(5000))
QUICK = ("assess", "survey", "hydraulics")
SLOW = ("mends", "uncertainty", "unmeasured", "cylinders")


class Broken(AssertionError):
    """A server error, or a save that is not there."""


def memory(process: int) -> float:
    """Of a process and those that it has started, MB; what they share is counted once."""
    try:
        rollup = Path(f"/proc/{process}/smaps_rollup").read_text()
        started = [(task / "children").read_text() for task in Path(f"/proc/{process}/task").iterdir()]
    except OSError:  # it has ended
        return 0.0
    own = next(int(line.split()[1]) for line in rollup.splitlines() if line.startswith("Pss:")) / 1024
    return own + sum(memory(int(child)) for children in started for child in children.split())


class Visitor:
    """One client that does what it draws."""

    def __init__(self, url: str, seed: int, counts: Counter[str]) -> None:
        self.drawn, self.counts = random.Random(seed), counts
        self.http = httpx.Client(base_url=url, headers=JSON, timeout=120)
        begun = self.http.post("/api/new-cars", json={"name": f"Visitor {seed}"}).raise_for_status().json()
        self.setup_id, self.version, self.setup = begun["id"], begun["version"], begun["setup"]

    def ask(self, method: str, path: str, *, leave: bool = False, **sent: Any) -> httpx.Response | None:
        """The answer, or none where this client has left. Raises `Broken` at a server error."""
        try:
            answer = self.http.request(method, path, timeout=LEAVES_AFTER if leave else 120, **sent)
        except httpx.ReadTimeout:
            if not leave:
                raise Broken(f"{method} {path}: no answer within two minutes") from None
            self.counts["left"] += 1
            return None
        self.counts[f"{answer.status_code}"] += 1
        if answer.status_code >= 500 and answer.json().get("type") != "urn:plimbo:problem:compiling":
            raise Broken(f"{method} {path}: {answer.status_code} {answer.text[:300]}")
        return answer

    def documents(self) -> dict[str, Any]:
        car, setups = self.drawn.choice(CARS)
        setup = self.drawn.choice(setups).patched({"front.pad.friction": round(self.drawn.uniform(0.3, 0.6), 4)})
        return {"car": car.model_dump(mode="json"), "setup": setup.model_dump(mode="json")}

    def quick(self) -> None:
        self.ask("POST", f"/api/{self.drawn.choice(QUICK)}", json=self.documents())

    def slow(self) -> None:
        self.ask("POST", f"/api/{self.drawn.choice(SLOW)}", json=self.documents(), leave=self.drawn.random() < 0.3)

    def heat(self) -> None:
        asked = self.documents()
        session = self.drawn.choice(asked["car"]["sessions"]) | {"fast_laps": self.drawn.choice((1, 8, 60))}
        path = self.drawn.choice(("session", "session", "mends", "inputs"))
        self.ask("POST", f"/api/heat/{path}", json=asked | {"session": session}, leave=self.drawn.random() < 0.5)

    def size(self) -> None:
        begun = self.ask(
            "POST", "/api/air/sizings", json=self.documents() | {"axle": "front", "setup_id": self.setup_id}
        )
        if begun is not None and begun.status_code == 201:
            one = f"/api/air/sizings/{begun.json()['id']}"
            self.ask("GET", one)
            if self.drawn.random() < 0.5:
                self.ask("DELETE", one)

    def trace(self) -> None:
        upload = uuid.UUID(int=self.drawn.getrandbits(128)).hex
        text = TRACE if self.drawn.random() < 0.7 else "," * 500_000
        self.ask("PUT", f"/api/uploads/{upload}", content=text.encode(), headers=UPLOADED)
        asked = {"name": "Heron", "upload_id": upload}
        self.ask("POST", "/api/traces", json=asked, leave=self.drawn.random() < 0.3)

    def save(self) -> None:
        self.setup["front"]["pad"]["friction"] = round(self.drawn.uniform(0.3, 0.6), 4)
        body = {"version": self.version, "setup": self.setup}
        answer = self.ask("PUT", f"/api/setups/{self.setup_id}", json=body)
        if answer is None or answer.status_code != 200:
            raise Broken(f"a save was answered {answer and answer.text[:300]}")
        self.version = answer.json()["version"]

    def look_round(self) -> None:
        path = self.drawn.choice(("garage", "health", "circuits", f"setups/{self.setup_id}/history", "desk", "backups"))
        self.ask("GET", f"/api/{path}")
        self.ask("GET", f"/api/setups/{self.setup_id}/marks", leave=self.drawn.random() < 0.3)

    def come_and_go(self) -> None:
        begun = self.ask("POST", "/api/new-cars", json={"name": "Passing"})
        car = f"/api/cars/{begun.json()['car_id']}" if begun is not None else ""
        self.ask("PUT", f"{car}/archived", json={"archived": True})
        self.ask("DELETE", car)

    def back_up(self) -> None:
        self.ask("POST", "/api/backups", json={})

    def run(self, until: float) -> None:
        often: list[tuple[Callable[[], None], int]] = [
            (self.quick, 20), (self.save, 8), (self.slow, 6), (self.look_round, 6), (self.heat, 4), (self.size, 1),
            (self.trace, 1), (self.come_and_go, 2), (self.back_up, 1),
        ]  # fmt: skip
        acts, weights = zip(*often, strict=True)
        while time.monotonic() < until:
            self.drawn.choices(acts, weights)[0]()
        kept = self.ask("GET", f"/api/setups/{self.setup_id}")
        if kept is None or (kept.json()["version"], kept.json()["setup"]) != (self.version, self.setup):
            raise Broken(f"the last save of {self.setup_id} is not there")


def run(seconds: float, seed: int = 1) -> str:
    """What was found, in words. Raises `Broken`."""
    counts, faults = Counter[str](), list[BaseException]()
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder), "demo")
        until = time.monotonic() + seconds

        def visit(number: int) -> None:
            try:
                Visitor(server.url, 1000 * seed + number, counts).run(until)
            except BaseException as error:
                faults.append(error)

        try:
            visitors = [threading.Thread(target=visit, args=(number,)) for number in range(CLIENTS)]
            for visitor in visitors:
                visitor.start()
            used = []
            while any(visitor.is_alive() for visitor in visitors):
                time.sleep(min(MEMORY_EVERY, seconds / 4))
                used.append(memory(server.process.pid))
            stopped = time.monotonic()
            server.stop()
            took = time.monotonic() - stopped
        finally:
            server.kill()
    if faults:
        raise faults[0]
    part = max(1, len(used) // 6)
    begins, ends = statistics.mean(used[part : 2 * part] or used), statistics.mean(used[-part:])
    answers = sum(number for status, number in counts.items() if status != "left")
    return (
        f"{answers} answers, {counts['left']} left before, no server error, nothing saved lost; memory {begins:.0f} MB"
        f" after the first sixth, {ends:.0f} MB in the last, {max(used):.0f} MB at most; stopped within {took:.1f} s;"
        f" {dict(sorted(counts.items()))}"
    )


if __name__ == "__main__":
    print(run(float(sys.argv[1]) if len(sys.argv) > 1 else 1800.0, int(sys.argv[2]) if len(sys.argv) > 2 else 1))
