"""Fifty people at once, and one beside each kind of long work: `python -m bench.clients`.

Fifty clients ask `assess` one after the other, each about a setup of the demo with a step of a part that no other
asks. Then one client asks `assess` and saves, while others ask what takes long. Requests are written by hand over plain
sockets, so that the clients take little of the machine that is measured. The memory is that of the server and its
workers; what they share is counted once.
"""

import asyncio
import itertools
import json
import random
import statistics
import tempfile
import time
import uuid
from collections.abc import Awaitable, Callable, Iterator
from pathlib import Path
from typing import Any, NamedTuple

from pydantic import BaseModel

from bench.yardstick import FAST_CLOCK, yardstick
from plimbo.cli.demo_data import CARS
from tests.conftest import Server
from tests.soak.mixed import memory

CLIENTS, SECONDS = 50, 20.0
P99, SAVED, MEMORY = 0.250, 0.5, 800


class Times(NamedTuple):
    """Times of the answers to one kind of request, s."""

    each: list[float]

    def say(self, what: str, clock: float, budget: float, *, rate: bool = False) -> None:
        late = statistics.quantiles(self.each, n=100)[-1]
        often = len(self.each) / SECONDS
        rates = f"{often:.0f}/s, {often * clock:.0f}/s at the fast clock, " if rate else ""
        print(
            f"{what}: {rates}{len(self.each)} answers, median"
            f" {1e3 * statistics.median(self.each):.0f} ms, 99th percentile {1e3 * late:.0f} ms as the machine is,"
            f" {1e3 * late / clock:.0f} ms at the fast clock; budget {1e3 * budget:.0f} ms"
        )


class Client:
    """One connection that stays open."""

    def __init__(self, port: int) -> None:
        self.port = port

    async def __aenter__(self) -> "Client":
        self.reader, self.writer = await asyncio.open_connection("127.0.0.1", self.port, limit=2**24)
        return self

    async def __aexit__(self, *_: object) -> None:
        self.writer.close()

    async def ask(self, method: str, path: str, body: bytes = b"", kind: str = "application/json") -> Any:
        """The answer. Raises `RuntimeError` where it is a refusal."""
        head = f"{method} {path} HTTP/1.1\r\nhost: localhost\r\ncontent-type: {kind}\r\n"
        self.writer.write(f"{head}content-length: {len(body)}\r\n\r\n".encode() + body)
        status, *lines = (await self.reader.readuntil(b"\r\n\r\n")).decode().lower().split("\r\n")
        length = next((int(line[15:]) for line in lines if line.startswith("content-length:")), 0)
        answer = await self.reader.readexactly(length)
        if int(status.split()[1]) >= 300:
            raise RuntimeError(f"{path}: {status} {answer[:200]!r}")
        return json.loads(answer) if length else None

    async def timed(self, times: Times, method: str, path: str, body: bytes = b"") -> Any:
        begun = time.perf_counter()
        answer = await self.ask(method, path, body)
        times.each.append(time.perf_counter() - begun)
        return answer


def sent(**parts: Any) -> bytes:
    return json.dumps(
        {name: part.model_dump(mode="json") if isinstance(part, BaseModel) else part for name, part in parts.items()}
    ).encode()


def steps(seed: int) -> Iterator[bytes]:
    """Questions about the demo's setups, each with a part of its own size."""
    drawn = random.Random(seed)
    found = []
    for _ in range(12):
        car, setups = drawn.choice(CARS)
        setup = drawn.choice(setups).patched({"front.pad.friction": round(drawn.uniform(0.35, 0.55), 6)})
        found.append(sent(car=car.model_copy(update={"sessions": ()}), setup=setup, with_working=False))
    return itertools.cycle(found)


async def fifty(port: int) -> Times:
    """Fifty clients for a while."""
    times, end = Times([]), time.perf_counter() + SECONDS

    async def one(seed: int) -> None:
        asked = steps(seed)
        async with Client(port) as client:
            while time.perf_counter() < end:
                await client.timed(times, "POST", "/api/assess", next(asked))

    await asyncio.gather(*(one(seed) for seed in range(CLIENTS)))
    return times


FILE = "application/octet-stream"
# Long work: each of these is one client that asks until it is stopped.
Work = Callable[[Client, str], Awaitable[None]]
WREN, (SPRINT, *_) = CARS[0]
LONG = WREN.patched({f"sessions.{number}.fast_laps": 60 for number in range(3)})


async def sessions(client: Client, _: str) -> None:
    await client.ask("POST", "/api/heat/session", sent(car=LONG, setup=SPRINT, session=LONG.sessions[0]))


async def sizings(client: Client, setup_id: str) -> None:
    job = await client.ask("POST", "/api/air/sizings", sent(car=LONG, setup=SPRINT, axle="front", setup_id=setup_id))
    while job["state"] == "running":
        await asyncio.sleep(0.1)
        job = await client.ask("GET", f"/api/air/sizings/{job['id']}")
    await client.ask("DELETE", f"/api/air/sizings/{job['id']}")


async def traces(client: Client, _: str) -> None:
    upload = uuid.uuid4().hex
    rows = "".join(f"{metre / 50},{30 + 20 * ((metre // 5000) % 2)}\n" for metre in range(240_000))
    await client.ask(
        "PUT", f"/api/uploads/{upload}", f"distance,speed [m/s]\n{rows}".encode(), "application/octet-stream"
    )
    await client.ask("POST", "/api/traces", sent(name="Heron", upload_id=upload))


async def commas(client: Client, _: str) -> None:
    upload = uuid.uuid4().hex
    text = b"distance,speed\n" + (b"," * 9_000 + b"\n") * 555
    await client.ask("PUT", f"/api/uploads/{upload}", text, FILE)
    await client.ask("POST", "/api/traces", sent(name="Heron", upload_id=upload, leave_out=True))


async def unmeasured(client: Client, _: str) -> None:
    await client.ask("POST", "/api/unmeasured", sent(car=WREN, setup=SPRINT))


async def marks(client: Client, setup_id: str) -> None:
    # A setup that has been saved meanwhile has to be judged again.
    await client.ask("GET", f"/api/setups/{setup_id}/marks")


async def advice(client: Client, _: str) -> None:
    await client.ask("POST", "/api/heat/mends", sent(car=LONG, setup=SPRINT, session=LONG.sessions[0]))


BESIDE: dict[str, tuple[Work, ...]] = {
    "nothing": (),
    "two sizings and two sessions of 60 laps": (sizings, sizings, sessions, sessions),
    "two speed traces of 240 000 rows": (traces, traces),
    "two speed traces of 5 MB of commas": (commas, commas),
    "fifty still to measure": (unmeasured,) * 50,
    "two sizings, marks and advice": (sizings, sizings, *(marks,) * 8, advice, advice),
}


async def beside(port: int, work: tuple[Work, ...]) -> dict[str, Times]:
    """One client that asks and saves, while others do this."""
    times = {name: Times([]) for name in ("assess", "save", "health")}
    async with Client(port) as client:
        garage = await client.ask("GET", "/api/garage")
        ids = [setup["id"] for car in garage for setup in car["setups"]]
        end = time.perf_counter() + SECONDS

        async def keep_on(one: Work, number: int) -> None:
            async with Client(port) as other:
                while True:
                    await one(other, ids[number % len(ids)])

        others = [asyncio.create_task(keep_on(one, number)) for number, one in enumerate(work)]
        asked, kept = steps(0), await client.ask("GET", f"/api/setups/{ids[0]}")
        while time.perf_counter() < end:
            await client.timed(times["assess"], "POST", "/api/assess", next(asked))
            await client.timed(times["health"], "GET", "/api/health")
            kept = await client.timed(
                times["save"], "PUT", f"/api/setups/{ids[0]}", sent(version=kept["version"], setup=kept["setup"])
            )
            await asyncio.sleep(0.02)
        for other in others:
            if other.done():
                other.result()
            other.cancel()
        await asyncio.gather(*others, return_exceptions=True)
    return times


def clock() -> float:
    """How many times slower the machine is now than at its fast clock."""
    return min(yardstick() for _ in range(100)) / FAST_CLOCK


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder), "demo")
        try:
            slower = clock()
            found = asyncio.run(fifty(server.port))
            found.say(f"{CLIENTS} clients asking assess", (slower + clock()) / 2, P99, rate=True)
            for what, work in BESIDE.items():
                slower = clock()
                together = asyncio.run(beside(server.port, work))
                for name, budget in (("assess", P99), ("save", SAVED), ("health", P99)):
                    together[name].say(f"{name} beside {what}", (slower + clock()) / 2, budget)
                print(f"memory of the server and its workers: {memory(server.process.pid):.0f} MB, budget {MEMORY} MB")
        finally:
            server.stop()
