"""Records added in one transaction, all with one name, and listed: `make bench` or `python -m bench.records`."""

import tempfile
import time
from pathlib import Path

from fastapi.testclient import TestClient

from bench.yardstick import yardstick
from plimbo.cli.demo_circuits import CIRCUITS
from plimbo.server.app import create_app
from plimbo.store import Database, RecordKind, Records

ADDED, LISTED, LISTS = 5000, 1500, 5
BUDGET_ADDED_S, BUDGET_LISTED_S = 3.0, 0.1


def empty(folder: Path) -> Database:
    database = Database(folder / "plimbo.sqlite3")
    database.migrate()
    return database


def time_to_add(database: Database, count: int) -> float:
    start = time.perf_counter()
    Records(database).add_many(RecordKind.CIRCUIT, [CIRCUITS[0].model_dump(mode="json")] * count)
    return time.perf_counter() - start


def time_to_list(database: Database, count: int) -> float:
    """Through the API, the fastest of several."""
    client, taken = TestClient(create_app(database), base_url="http://127.0.0.1"), []
    for _ in range(LISTS):
        start = time.perf_counter()
        listed = client.get("/api/circuits").json()
        taken.append(time.perf_counter() - start)
        assert len(listed) == count
    return min(taken)


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as kept:
        (Path(kept) / "many").mkdir()
        ruler = yardstick()
        added = time_to_add(empty(Path(kept) / "many"), ADDED)
        few = empty(Path(kept))
        time_to_add(few, LISTED)
        listed = time_to_list(few, LISTED)
        print(
            f"records: {ADDED} added {added:.2f} s, budget {BUDGET_ADDED_S} s, {added / ruler:.0f} yardsticks;"
            f" {LISTED} listed {1e3 * listed:.0f} ms, budget {1e3 * BUDGET_LISTED_S:.0f} ms"
        )
