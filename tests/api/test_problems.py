"""Every kind of impossible value is refused in plain words, at its field, with the unit of its limit."""

from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from pydantic import ValidationError

from plimbo.core import SetupFile
from plimbo.core.quantities.refusals import field_errors
from plimbo.server import create_app
from plimbo.store import Database
from tests import w1

FILE = SetupFile(car=w1.CAR, setup=w1.SETUP).model_dump(mode="json")


def answer(path: str, value: Any) -> list[tuple[str, str]]:
    """Path and words of what is wrong when this value stands at a path of the file."""
    document = SetupFile.model_validate(FILE).model_dump(mode="json")
    *parents, last = path.split(".")
    place: Any = document
    for name in parents:
        place = place[int(name)] if name.isdigit() else place[name]
    if value is None and last in ("mass", "pedal"):
        del place[last]
    else:
        place[last] = value
    with pytest.raises(ValidationError) as refused:
        SetupFile.model_validate(document)
    return [(error.path, error.text()) for error in field_errors(refused.value.errors())]


@pytest.mark.parametrize(
    ("path", "value", "words"),
    [
        ("car.mass", 12, "Must be more than 50 kg."),
        ("car.mass", 90_000, "Must be at most 5000 kg."),
        ("car.mass", None, "Is missing."),
        ("car.mass", "640 kg", "Must be a number."),
        ("car.mass", [640], "Must be a number."),
        ("car.mass", float("inf"), "Must be a number that is not infinite."),
        ("car.front_share", 1, "Must be less than 100 %."),
        ("car.stop_to_speed", -1, "Must be at least 0 km/h."),
        ("car.states.2.speed", 130, "Must be at most 432 km/h."),
        ("car.states.2.name", "x" * 25, "Is too long."),
        ("car.states", [], "At least one is needed."),
        ("car.name", "", "Give it a name."),
        ("car.wings", 2, "Is not known here."),
        ("setup.pedal", None, "Is missing."),
        ("setup.front.caliper.pistons", [0.03] * 9, "Too many."),
        ("setup.front.caliper.mounting", "floating", "Choose one of the list."),
        ("setup.rear.disc.outer_diameter", 0.6, "Must be at most 500 mm."),
        ("setup.rear.disc.vane_gap", 0.03, "The vane gap leaves no cheeks: make it smaller than the disc's thickness."),
    ],
)
def test_in_plain_words(path: str, value: Any, words: str) -> None:
    assert (path, words) in answer(path, value)


def test_several_faults_are_told_together() -> None:
    document = SetupFile.model_validate(FILE).model_dump(mode="json")
    document["car"]["mass"] = -1
    document["setup"]["pedal"]["ratio"] = 0
    document["setup"]["rear"]["pad"]["friction"] = 9
    with pytest.raises(ValidationError) as refused:
        SetupFile.model_validate(document)
    paths = [error.path for error in field_errors(refused.value.errors())]
    assert paths == ["car.mass", "setup.pedal.ratio", "setup.rear.pad.friction"]


def test_the_interface_is_served_with_lasting_assets_and_a_fresh_page(database: Database, tmp_path: Path) -> None:
    web = tmp_path / "web"
    (web / "assets").mkdir(parents=True)
    (web / "assets" / "index-1.js").write_text("export {}")
    (web / "index.html").write_text('<meta name="csp-nonce" content="__NONCE__">')
    (tmp_path / "secret.txt").write_text("not for visitors")
    with TestClient(create_app(database, web=web), base_url="http://localhost") as client:
        asset = client.get("/assets/index-1.js")
        assert "immutable" in asset.headers["cache-control"]
        page = client.get("/any/chain")
        nonce = page.text.split('content="')[1].split('"')[0]
        assert f"'nonce-{nonce}'" in page.headers["content-security-policy"]
        assert page.headers["cache-control"] == "no-store"
        for path in ("/../secret.txt", "/..%2fsecret.txt", "/assets/..%2f..%2fsecret.txt"):
            assert "not for visitors" not in client.get(path).text
    with TestClient(create_app(database, web=tmp_path / "none"), base_url="http://localhost") as client:
        assert "not built yet" in client.get("/").text
