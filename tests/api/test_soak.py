"""A small part of `make soak`: kills lose nothing, and no request is a server error, alone or among others."""

from tests.soak import fuzz, kills, mixed


def test_ten_kills_lose_nothing() -> None:
    found = kills.run(10, seed=7)
    assert found["kills while saving"] == 6
    assert found["saves acknowledged"] >= 6


def test_mutated_requests_are_no_server_errors() -> None:
    assert "no server error" in fuzz.run(300, seed=7)


def test_everything_at_once_breaks_nothing() -> None:
    assert "no server error" in mixed.run(15, seed=7)
