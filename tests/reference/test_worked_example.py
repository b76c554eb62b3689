"""The worked example, to the digits given, through `assess`, the API and the command line."""

import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.core import Car, Setup, assess, write_setup_file
from tests import w1

G = 9.80665
BAR = 1e5


def check(answer: dict[str, Any], expected: dict[str, Any]) -> None:
    """Compare one state's answer, as JSON, with the hand model: half a unit in the last digit given."""
    for index, end in enumerate(("front", "rear")):
        has = answer[end]["has"]
        assert has["pressure"] / BAR == pytest.approx(expected["pressure"][index], abs=0.0005)
        assert has["clamp"] == pytest.approx(expected["clamp"][index], abs=0.05)
        assert has["torque"] == pytest.approx(expected["torque"][index], abs=0.005)
        assert has["brake_force"] == pytest.approx(expected["force"][index], abs=0.05)
        assert answer[end]["lock_deceleration"] / G == pytest.approx(expected["z"][index], abs=0.00005)
    assert answer["pressure_share"] == pytest.approx(expected["shares"][0], abs=0.000005)
    assert answer["force_share"] == pytest.approx(expected["shares"][1], abs=0.000005)
    assert answer["ideal_share"] == pytest.approx(expected["ideal"], abs=0.000005)
    assert answer["first"] == expected["first"]
    assert answer["first_foot_force"] == pytest.approx(expected["foot"], abs=0.05)
    assert answer["efficiency"] == pytest.approx(expected["efficiency"], abs=0.00005)


@pytest.mark.parametrize("case", w1.CASES)
def test_through_assess(case: str) -> None:
    setup, state, expected = w1.CASES[case]
    check(assess(w1.CAR, setup, [state]).model_dump(mode="json")["states"][0], expected)


@pytest.mark.parametrize("case", w1.CASES)
def test_through_the_api(case: str, client: TestClient) -> None:
    setup, state, expected = w1.CASES[case]
    question = {
        "car": w1.CAR.model_dump(mode="json"),
        "setup": setup.model_dump(mode="json"),
        "states": [state.model_dump(mode="json")],
    }
    check(client.post("/api/assess", json=question).raise_for_status().json()["states"][0], expected)


@pytest.mark.parametrize("case", w1.CASES)
def test_through_the_command_line(case: str, w1_file: Callable[[Car, Setup], Path]) -> None:
    setup, state, expected = w1.CASES[case]
    path = w1_file(w1.CAR.model_copy(update={"states": (state,)}), setup)
    answered = CliRunner().invoke(app, ["assess", str(path), "--json"])
    assert answered.exit_code in (0, 1, 2), answered.output
    check(json.loads(answered.output)["states"][0], expected)


def test_the_table_says_the_same_in_words(w1_file: Callable[[Car, Setup], Path]) -> None:
    path = w1_file(w1.CAR.model_copy(update={"states": (w1.STATIC,)}), w1.SETUP)
    answered = CliRunner(env={"COLUMNS": "120"}).invoke(app, ["assess", str(path), "--all", "--units", "metric"]).output
    for words in (
        "Rear locks first",
        "1.19 g",
        "38.3 bar",
        "9488 N",
        "1008 N·m",
        "254 N",
        "60.6 %",
        "65.7 %",
        "91.4 %",
    ):
        assert words in answered, words


def test_the_command_line_tells_what_is_wrong_with_a_file(tmp_path: Path) -> None:
    def answered(text: str) -> str:
        path = tmp_path / "file.json"
        path.write_text(text)
        result = CliRunner().invoke(app, ["assess", str(path)])
        assert result.exit_code == 3
        return result.output

    assert "This is not JSON" in answered("{")
    spoilt = write_setup_file(w1.CAR, w1.SETUP).replace('"mass": 640.0', '"mass": -1')
    assert "car.mass: Must be more than 50 kg." in answered(spoilt)
