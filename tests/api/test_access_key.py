"""The key: long enough, slow to guess, never in a cookie; deep links survive the log-in."""

import time
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.server import Access, create_app
from plimbo.server.access import COOKIE, GUESSES, LEAST_KEY, Guesses, cookie_of
from plimbo.store import Database
from tests.conftest import JSON

KEY = "ключ-и-замок-на-двери"
HOST = "http://shop.test"


def visitor(database: Database, key: str = KEY) -> TestClient:
    application = create_app(database, Access(hosts=frozenset({"shop.test"}), key=key))
    return TestClient(application, base_url=HOST, follow_redirects=False, headers=JSON)


@pytest.fixture
def client(database: Database) -> Iterator[TestClient]:
    with visitor(database) as client:
        yield client


def test_a_deep_link_survives_the_key_and_the_cookie_is_no_key(client: TestClient) -> None:
    entered = client.get("/0123456789abcdef/chain", params={"key": KEY, "view": "travel"})
    assert (entered.status_code, entered.headers["location"]) == (303, "/0123456789abcdef/chain?view=travel")
    cookie = entered.headers["set-cookie"]
    assert "HttpOnly" in cookie
    assert "SameSite=lax" in cookie
    assert KEY not in cookie
    assert client.get("/api/cars").status_code == 200
    # The same session is as good for the next server with the key, and for none with another.
    session = client.cookies[COOKIE]
    assert Access(key=KEY).is_session(session)
    assert not Access(key="another-key-of-many-letters").is_session(session)


def test_a_way_out_through_the_key_leads_nowhere_else(client: TestClient) -> None:
    for path in ("//evil.test/", "/\\evil.test", "///evil.test"):
        client.cookies.clear()
        answer = client.get(HOST + path, params={"key": KEY})
        assert answer.status_code == 303
        assert answer.headers["location"].startswith("/")
        assert answer.headers["location"][1] not in "/\\"


def test_a_session_ends_and_cannot_be_made_up(monkeypatch: pytest.MonkeyPatch) -> None:
    access = Access(key=KEY)
    session = access.new_session()
    ends, nonce, seal = session.split(".")
    for spoilt in ("", "..", f"{int(ends) + 1}.{nonce}.{seal}", f"{ends}.{nonce}.", f".{nonce}.{seal}", "é.é.é"):
        assert not access.is_session(spoilt)
    later = time.time() + 31 * 24 * 3600
    monkeypatch.setattr(time, "time", lambda: later)
    assert not access.is_session(session)


def test_a_bearer_may_carry_the_key_in_any_script(client: TestClient) -> None:
    right = {"authorization": b"Bearer " + KEY.encode()}
    assert client.get("/api/cars", headers=right).status_code == 200
    assert client.get("/api/cars", headers={"authorization": "Bearer wrong"}).status_code == 403


@pytest.mark.parametrize("others", ["user@x=1", 'x={"a":1}', "a=b; =; ;;; \xff=\xfe", "plimbo_session", "x" * 5000])
def test_cookies_of_other_programs_are_nobodys_business(others: str, client: TestClient) -> None:
    session = Access(key=KEY).new_session()
    for header in (f"{others}; {COOKIE}={session}", f"{COOKIE}={session}; {others}"):
        answer = client.get("/api/cars", headers={"cookie": header.encode("latin-1")})
        assert answer.status_code == 200, header
    assert client.get("/api/cars", headers={"cookie": others.encode("latin-1")}).status_code == 403
    assert cookie_of(f"a=1; {COOKIE}=x=y") == "x=y"


def test_after_five_wrong_keys_an_address_waits_and_sessions_go_on(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    session = {"cookie": f"{COOKIE}={Access(key=KEY).new_session()}"}
    for n in range(GUESSES):
        wrong = f"wrong-{n}"
        asked = client.get("/", params={"key": wrong}) if n % 2 else client.get("/", headers={"authorization": wrong})
        assert asked.status_code == 403
    for attempt in ({"params": {"key": KEY}}, {"headers": {"authorization": b"Bearer " + KEY.encode()}}):
        answer = client.get("/api/cars", **attempt)
        assert answer.status_code == 429
        assert 0 < int(answer.headers["retry-after"]) <= 60
    assert client.get("/api/cars", headers=session).status_code == 200
    later = time.monotonic() + 61
    monkeypatch.setattr(time, "monotonic", lambda: later)
    assert client.get("/", params={"key": KEY}).status_code == 303


def test_guesses_are_counted_by_address_and_bounded() -> None:
    guesses = Guesses()
    for _ in range(GUESSES):
        guesses.note("first")
    assert guesses.wait("first") > 0
    assert guesses.wait("second") == 0
    for n in range(5000):
        guesses.note(f"address {n}")
    assert len(guesses._wrong) <= 1000


def test_a_browser_without_the_key_reads_a_page_and_a_program_a_problem(client: TestClient) -> None:
    page = client.get("/", headers={"accept": "text/html,*/*"})
    assert (page.status_code, "Key needed" in page.text) == (403, True)
    assert page.headers["content-type"].startswith("text/html")
    assert client.get("/api/cars").json()["title"] == "Key needed"


def test_a_short_key_keeps_nobody_out_and_is_refused(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    with pytest.raises(ValueError, match="at least 16 characters"):
        Access(key="x" * (LEAST_KEY - 1))
    monkeypatch.setenv("PLIMBO_ACCESS_KEY", "secret")
    result = CliRunner().invoke(app, ["serve", "--host", "0.0.0.0", "--data", str(tmp_path)])
    assert (result.exit_code, "plimbo key makes one" in result.output) == (2, True)
    monkeypatch.delenv("PLIMBO_ACCESS_KEY")
    result = CliRunner().invoke(app, ["serve", "--host", "0.0.0.0", "--data", str(tmp_path)])
    assert (result.exit_code, "Set PLIMBO_ACCESS_KEY" in result.output) == (2, True)


def test_plimbo_makes_a_key_that_is_long_and_new_each_time() -> None:
    keys = {CliRunner().invoke(app, ["key"]).output.strip() for _ in range(5)}
    assert len(keys) == 5
    assert all(len(key) >= 32 and key.isascii() for key in keys)
