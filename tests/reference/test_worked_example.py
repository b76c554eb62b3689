"""The worked example, to the digits given, through `assess`, the API and the command line."""

from typing import Any

import pytest

from plimbo.core import assess
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
