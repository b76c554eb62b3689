"""A small part of `make soak`: kills at any moment lose nothing, and no mutated request is a server error."""

from tests.soak import fuzz, kills


def test_ten_kills_lose_nothing() -> None:
    found = kills.run(10, seed=7)
    assert found["kills while saving"] == 6
    assert found["saves acknowledged"] >= 6


def test_mutated_requests_are_no_server_errors() -> None:
    assert "no server error" in fuzz.run(300, seed=7)
