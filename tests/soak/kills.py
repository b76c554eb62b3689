"""Kills while saving, at a first start, in a backup and in a restore: `python -m tests.soak.kills [ROUNDS] [SEED]`.

After each kill the database is whole, holds every save that was acknowledged, and the next start continues from there.
"""

import random
import shutil
import sqlite3
import subprocess
import sys
import tempfile
import threading
import time
from collections import Counter
from contextlib import closing
from pathlib import Path

import httpx

from plimbo.cli import demo_data
from plimbo.cli.demo_data import CARS
from plimbo.store import Database, DataFolder, RecordKind, Records, back_up
from tests import w1
from tests.conftest import Server

CAR = w1.CAR.model_dump(mode="json")
SETUPS = sum(len(setups) for _, setups in CARS)


class Lost(AssertionError):
    """Something that was promised to be kept is not there."""


def whole(file: Path) -> None:
    """A database that is damaged in no way."""
    with closing(sqlite3.connect(file)) as connection:
        if connection.execute("pragma integrity_check").fetchone() != ("ok",):
            raise Lost(f"{file} is damaged")
        if connection.execute("pragma foreign_key_check").fetchall():
            raise Lost(f"{file} has a row that points nowhere")


def check(folder: Path, acknowledged: dict[str, int]) -> None:
    """All that was acknowledged is there, each revision with its content, and none is missing in between."""
    database = Database(folder / "plimbo.sqlite3")
    try:
        database.migrate()
        whole(database.path)
        records = Records(database)
        for car_id, version in acknowledged.items():
            numbers = [one.number for one in records.revisions(RecordKind.CAR, car_id)]
            # One more may have been written whose acknowledgement never arrived.
            if numbers != list(range(len(numbers), 0, -1)) or len(numbers) not in (version, version + 1):
                raise Lost(f"{car_id}: version {version} was acknowledged, there are {numbers}")
            for number in numbers:
                if records.revision(RecordKind.CAR, car_id, number)[1]["mass"] != 600 + number:
                    raise Lost(f"{car_id}: revision {number} has the content of another")
            acknowledged[car_id] = len(numbers)
    finally:
        database.close()


def save_until_killed(folder: Path, acknowledged: dict[str, int], chance: random.Random) -> int:
    """Saves one after the other until the server is gone; how many were acknowledged."""
    server = Server(folder, "serve")
    saves = 0
    under_way = threading.Event()

    def kill() -> None:
        under_way.wait(60)
        time.sleep(chance.uniform(0, 0.4))
        server.process.kill()

    thread = threading.Thread(target=kill)
    thread.start()
    try:
        with httpx.Client(base_url=server.url, timeout=30) as client:
            car_id = chance.choice(sorted(acknowledged)) if acknowledged and chance.random() < 0.5 else ""
            if not car_id:
                car_id = client.post("/api/cars", json=CAR | {"mass": 601.0}).raise_for_status().json()["id"]
                acknowledged[car_id] = 1
                saves += 1
            under_way.set()
            while True:
                version = acknowledged[car_id]
                body = {"version": version, "car": CAR | {"name": car_id, "mass": 601.0 + version}}
                answer = client.put(f"/api/cars/{car_id}", json=body).raise_for_status().json()
                acknowledged[car_id] = answer["version"]
                saves += 1
                if chance.random() < 0.05:
                    client.post("/api/backups", json={}).raise_for_status()
    except httpx.TransportError:
        pass
    thread.join()
    server.process.wait(30)
    for copy in (folder / "backups").glob("plimbo-*.sqlite3"):
        whole(copy)
    return saves


def first_start_killed(chance: random.Random) -> None:
    """The demo is there as a whole after the next start, whenever the first was killed."""
    with tempfile.TemporaryDirectory() as new:
        folder = Path(new) / "data"
        command = [sys.executable, "-m", "plimbo", "demo", "--data", str(folder), "--port", "8497"]
        started = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        # A start takes a second or two; the writing is at its end.
        file, end = folder / "plimbo.sqlite3", time.monotonic() + 30
        while not file.exists() and time.monotonic() < end:
            time.sleep(0.001)
        time.sleep(chance.choice([chance.uniform(0, 0.03), chance.uniform(0, 0.3)]))
        started.kill()
        started.wait(30)
        database = Database(file)
        database.migrate()
        records = Records(database)
        there = len(records.headings(RecordKind.CAR)), len(records.headings(RecordKind.SETUP))
        if there not in ((0, 0), (len(CARS), SETUPS)):
            raise Lost(f"a half-filled demo: {there}")
        demo_data.load(records)
        if len(records.headings(RecordKind.SETUP)) != SETUPS:
            raise Lost("the demo was not filled in at the next start")
        database.close()
        whole(file)


def command_killed(folder: Path, acknowledged: dict[str, int], chance: random.Random) -> None:
    """A backup or a restore that is killed leaves the database as it was, or as it is meant to be."""
    with tempfile.TemporaryDirectory() as beside:
        copy = Path(beside) / "copy.sqlite3"
        back_up(folder / "plimbo.sqlite3", copy)
        what = chance.choice(["backup", "restore"])
        target = copy if what == "restore" else Path(beside) / "other.sqlite3"
        command = [sys.executable, "-m", "plimbo", what, str(target), "--data", str(folder)]
        started = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        time.sleep(chance.uniform(0.3, 1.8))
        started.kill()
        started.wait(30)
        check(folder, acknowledged)
        if what == "backup" and target.exists():
            whole(target)
    shutil.rmtree(folder / "backups", ignore_errors=True)


def run(rounds: int, seed: int) -> Counter[str]:
    """So many kills; what they fell on. Raises `Lost`."""
    chance, acknowledged, found = random.Random(seed), dict[str, int](), Counter[str]()
    with tempfile.TemporaryDirectory() as kept:
        folder = DataFolder(Path(kept) / "data").path
        for number in range(rounds):
            if number % 5 == 3:
                first_start_killed(chance)
                found["first starts"] += 1
            elif number % 5 == 4:
                command_killed(folder, acknowledged, chance)
                found["backups and restores"] += 1
            else:
                found["saves acknowledged"] += save_until_killed(folder, acknowledged, chance)
                check(folder, acknowledged)
                found["kills while saving"] += 1
        Server(folder, "serve").stop()
        left = {file.name for file in folder.iterdir()} - {"backups"}
        if left != {"plimbo.sqlite3"}:
            raise Lost(f"after the last stop there is {left}")
    return found


if __name__ == "__main__":
    rounds, seed = (int(given) for given in (sys.argv[1:] + ["500", "1"][len(sys.argv) - 1 :])[:2])
    print(f"{rounds} rounds: {dict(run(rounds, seed))}, nothing lost")
