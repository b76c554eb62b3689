"""Mutated documents, addresses, headers and cookies at a running server: `python -m tests.soak.fuzz [REQUESTS] [SEED]`.

No answer is a server error, none takes longer than two seconds on a quiet machine, and the server's memory stays
bounded, also while fifty ask for draws at once.
"""

import json
import random
import sys
import tempfile
import threading
import time
from collections import Counter
from concurrent.futures import ThreadPoolExecutor
from copy import deepcopy
from pathlib import Path
from typing import Any

import httpx

from plimbo.core.documents import CarKind
from plimbo.core.questions.begin_car import begin_car
from tests import w1
from tests.conftest import Server

NEW = begin_car("New", CarKind.SALOON)
QUESTIONED = [
    {"car": car.model_dump(mode="json"), "setup": setup.model_dump(mode="json")}
    for car, setup in ((w1.CAR, w1.SETUP), (NEW.car, NEW.setup))
]
SLOWEST_S, MEMORY_MB, CLIENTS = 2.0, 500, 4
QUICK = ("assess", "survey", "hydraulics", "measurements", "following", "unmeasured")
SLOW = ("uncertainty", "mends", "cylinders")
ODD: tuple[Any, ...] = (
    *(None, True, False, "", " ", "640", "\ud800", "\x00", "a\nb", "é" * 90, [], {}, [[]], [{}] * 30, ["x"] * 99),
    *(0, -0.0, 1, -1, 1e-9, 1e-12, 5e-324, 1e-200, 1e9, 1e30, 1e300, -1e300, 2**63, 2**70, 0.5, 0.999999999, 3.7),
    {"a": {"b": {"c": 1}}},
)
METHODS = ("GET", "POST", "PUT", "DELETE", "PATCH", "HEAD", "OPTIONS", "TRACE", "BREW")
WORDS = (
    "api",
    "cars",
    "setups",
    "files",
    "desk",
    "raw",
    "file",
    "revisions",
    "assets",
    "..",
    "%00",
    "%2e%2e",
    "a" * 300,
    "1",
)


def leaves(document: Any, way: tuple[Any, ...] = ()) -> list[tuple[Any, ...]]:
    """The way to everything in a document."""
    items = (
        document.items() if isinstance(document, dict) else enumerate(document) if isinstance(document, list) else ()
    )
    return [way] * bool(way) + [found for name, part in items for found in leaves(part, (*way, name))]


WAYS = [leaves(question) for question in QUESTIONED]


def mutated(chance: random.Random) -> Any:
    """A question with a few things in it as they should not be."""
    which = chance.randrange(len(QUESTIONED))
    document: Any = deepcopy(QUESTIONED[which])
    for _ in range(chance.choice((1, 1, 1, 2, 3, 8))):
        *way, last = chance.choice(WAYS[which])
        place = document
        try:
            for name in way:
                place = place[name]
            how = chance.random()
            if how < 0.1:
                del place[last]
            elif how < 0.2 and isinstance(place[last], int | float):
                place[last] *= chance.choice((-1, 0.1, 0.5, 2, 10, 1e3))
            elif how < 0.25 and isinstance(place, dict):
                place["x" * chance.randrange(1, 50)] = deepcopy(chance.choice(ODD))
            else:
                place[last] = deepcopy(chance.choice(ODD))
        except (KeyError, IndexError, TypeError):
            continue
    return document


def sent(chance: random.Random) -> tuple[str, str, dict[str, bytes], bytes]:
    """Method, address, headers and body of one request."""
    headers = {"content-type": b"application/json"}
    kind = chance.random()
    if kind < 0.6:
        question = mutated(chance)
        body = json.dumps(question)
        return "POST", f"/api/{chance.choice(SLOW if chance.random() < 0.01 else QUICK)}", headers, body.encode()
    if kind < 0.7:
        question = mutated(chance)
        file = {"format": "plimbo-setup", "format_version": chance.choice((1, 2, 2, 2, *ODD)), **question}
        return "POST", "/api/setups/files", headers, json.dumps(file).encode()
    if kind < 0.8:
        body = bytearray(json.dumps(mutated(chance)).encode())
        for _ in range(chance.randrange(1, 20)):
            body[chance.randrange(len(body))] = chance.randrange(256)
        cut = chance.choice((len(body), chance.randrange(len(body))))
        return "POST", f"/api/{chance.choice(QUICK)}", headers, bytes(body[:cut])
    path = "/" + "/".join(chance.choice(WORDS) for _ in range(chance.randrange(5)))
    for _ in range(chance.randrange(4)):
        name = chance.choice(("origin", "cookie", "accept", "range", "if-none-match", "sec-fetch-site", "content-type"))
        headers[name] = bytes(
            chance.choice(b"aZ09 :/[]{}\"';=,@-*\xff\xc3") for _ in range(chance.randrange(60))
        ).strip()
    return (
        chance.choice(METHODS),
        path,
        headers,
        json.dumps(chance.choice(ODD)).encode() if chance.random() < 0.5 else b"",
    )


def memory(server: Server) -> float:
    """What the server holds now, MB."""
    status = Path(f"/proc/{server.process.pid}/status").read_text()
    return int(status.split("VmRSS:")[1].split()[0]) / 1e3


def run(requests: int, seed: int) -> str:
    """Raises `AssertionError` with the request, where an answer is none."""
    statuses, slowest, highest = Counter[int](), [0.0], [0.0]
    with tempfile.TemporaryDirectory() as kept:
        server = Server(Path(kept) / "data", "serve")
        watched = threading.Event()

        def watch() -> None:
            while not watched.wait(0.02):
                highest[0] = max(highest[0], memory(server))

        def client(number: int) -> None:
            chance = random.Random(f"{seed} {number}")
            with httpx.Client(base_url=server.url, timeout=60) as http:
                for _ in range(requests // CLIENTS):
                    method, path, headers, body = sent(chance)
                    start = time.perf_counter()
                    try:
                        answer = http.request(method, path, headers=list(headers.items()), content=body)
                    except (httpx.InvalidURL, httpx.LocalProtocolError):
                        continue
                    took = time.perf_counter() - start
                    statuses[answer.status_code] += 1
                    slowest[0] = max(slowest[0], took)
                    assert answer.status_code < 500, (answer.status_code, method, path, headers, body, answer.text)
                    assert answer.headers["content-security-policy"], (method, path)

        thread = threading.Thread(target=watch)
        thread.start()
        try:
            with ThreadPoolExecutor(CLIENTS) as pool:
                list(pool.map(client, range(CLIENTS)))
            body = QUESTIONED[0]
            with ThreadPoolExecutor(50) as pool:
                ask = lambda _: httpx.post(f"{server.url}/api/uncertainty", json=body, timeout=120).status_code  # noqa: E731
                assert set(pool.map(ask, range(50))) == {200}
            after = memory(server)
        finally:
            watched.set()
            thread.join()
            server.stop()
    assert highest[0] < MEMORY_MB, f"{highest[0]:.0f} MB"
    return (
        f"{sum(statuses.values())} requests, {dict(sorted(statuses.items()))}, no server error; slowest answer"
        f" {slowest[0]:.2f} s (at most {SLOWEST_S} on a quiet machine); memory at most {highest[0]:.0f} MB with fifty"
        f" asking for draws at once, {after:.0f} MB afterwards (bound {MEMORY_MB} MB)"
    )


if __name__ == "__main__":
    requests, seed = (int(given) for given in (sys.argv[1:] + ["50000", "1"][len(sys.argv) - 1 :])[:2])
    print(run(requests, seed))
