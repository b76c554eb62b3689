"""The key: long enough, slow to guess, never in a cookie; deep links survive the log-in."""

import asyncio
import time
from collections.abc import Iterator
from pathlib import Path

import httpx
import pytest
from fastapi.testclient import TestClient
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.server import Access, create_app
from plimbo.server.access import COOKIE, GUESSES, LEAST_KEY, Guesses, cookies_of
from plimbo.store import Database
from tests.conftest import JSON, Server

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
    nonce, moment, seal = session.split(".")
    for spoilt in ("", "..", f"{nonce}.{moment[::-1]}.{seal}", f"{nonce}.{moment}.", f".{moment}.{seal}", "é.é.é"):
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
    assert cookies_of(f"a=1; {COOKIE}=x=y") == ["x=y"]


@pytest.mark.parametrize("stray", ["x", "a.b.c", '"quoted"', "é"])
def test_a_stray_cookie_of_the_same_name_hides_no_session(stray: str, client: TestClient) -> None:
    session = Access(key=KEY).new_session()
    for header in (f"{COOKIE}={stray}; {COOKIE}={session}", f"{COOKIE}={session}; {COOKIE}={stray}"):
        assert client.get("/api/cars", headers={"cookie": header.encode()}).status_code == 200


def guess_wrong(client: TestClient) -> None:
    for n in range(GUESSES):
        wrong = f"wrong-{n}"
        asked = client.get("/", params={"key": wrong}) if n % 2 else client.get("/", headers={"authorization": wrong})
        assert asked.status_code == 403


def test_after_five_wrong_keys_every_key_waits_and_sessions_do_not(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    """The right key is let in then; the time does not show which one is right."""
    monkeypatch.setattr("plimbo.server.access.WITHIN_SECONDS", 2)
    session = {"cookie": f"{COOKIE}={Access(key=KEY).new_session()}"}
    slept: list[float] = []
    sleep = asyncio.sleep

    async def noted(seconds: float) -> None:
        slept.append(seconds)
        await sleep(seconds)

    monkeypatch.setattr("plimbo.server.guard.asyncio.sleep", noted)
    for asked, status in (
        ({"params": {"key": KEY}}, 303),
        ({"headers": {"authorization": b"Bearer " + KEY.encode()}}, 200),
        ({"params": {"key": "wrong again"}}, 403),
    ):
        client.cookies.clear()
        guess_wrong(client)
        slept.clear()
        assert client.get("/api/cars", headers=session).status_code == 200
        assert max(slept, default=0) == 0
        answer = client.get("/api/cars", **asked)
        assert (answer.status_code, max(slept) > 0) == (status, True)


def test_only_so_many_keys_wait(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("plimbo.server.guard.WAITING", 0)
    guess_wrong(client)
    answer = client.get("/api/cars", params={"key": KEY})
    assert answer.status_code == 429
    assert 0 < int(answer.headers["retry-after"]) <= 61


@pytest.mark.parametrize("proxy", [False, True])
def test_only_a_proxy_that_was_named_may_name_the_visitor(tmp_path: Path, proxy: bool) -> None:
    """Else one visitor could guess for ever under other addresses."""
    server = Server(tmp_path, "serve", *(("--proxy", "127.0.0.1") if proxy else ()), key="a-key-of-many-letters")
    try:
        for n in range(GUESSES):
            wrong = {"authorization": "Bearer wrong", "x-forwarded-for": f"10.0.0.{n}"}
            assert httpx.get(f"{server.url}/api/cars", headers=wrong, timeout=60).status_code == 403
        another = {"authorization": "Bearer wrong", "x-forwarded-for": "10.0.0.99"}
        if proxy:
            assert httpx.get(f"{server.url}/api/cars", headers=another, timeout=60).status_code == 403
        else:
            with pytest.raises(httpx.ReadTimeout):
                httpx.get(f"{server.url}/api/cars", headers=another, timeout=3)
    finally:
        server.stop()


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
