"""The real interface in headless Chromium, against the real server with the demo data."""

import re
import shutil
from collections.abc import Callable, Iterator
from typing import Any
from urllib.parse import urlsplit

import pytest
from playwright.sync_api import Browser, BrowserContext, Locator, Page, Playwright, expect, sync_playwright

from tests.conftest import DemoServer
from tests.waiting import until

# The bare shell takes half the time of the whole browser.
CHROMIUM = shutil.which("chromium-headless-shell") or "/usr/bin/chromium"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking"]
expect.set_options(timeout=30_000)


def open_setup(page: Page, car: str, setup: str) -> None:
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name=car).click()
    expect(page).to_have_title(re.compile(f"^{car}, "))
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name=setup, exact=True).click()
    expect(page).to_have_title(f"{car}, {setup}: Plimbo")


@pytest.fixture(scope="session")
def playwright() -> Iterator[Playwright]:
    with sync_playwright() as playwright:
        yield playwright


@pytest.fixture(scope="session")
def browser(playwright: Playwright) -> Iterator[Browser]:
    browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
    yield browser
    browser.close()


@pytest.fixture
def visit(browser: Browser, demo: DemoServer) -> Iterator[Callable[..., Page]]:
    """Opens the application with the demo in a browser of its own, where a setup lies on the bench."""
    yield from visits(browser, demo, "Verdicts")


@pytest.fixture
def visit_empty(browser: Browser, empty: DemoServer) -> Iterator[Callable[..., Page]]:
    """Opens the application with nothing in it: the garage."""
    yield from visits(browser, empty, None)


@pytest.fixture
def visit_own(browser: Browser, empty: DemoServer) -> Iterator[Callable[..., Page]]:
    """Opens the application with what the test has put into it, where a setup lies on the bench."""
    yield from visits(browser, empty, "Verdicts")


def visits(browser: Browser, server: DemoServer, seen: str | None) -> Iterator[Callable[..., Page]]:
    """Afterwards nothing may have gone wrong or gone elsewhere."""
    contexts: list[BrowserContext] = []
    faults: list[str] = []
    hosts: set[str] = set()

    def open_page(path: str = "/", **options: Any) -> Page:
        # Nothing moves: what is measured or pressed stands where it will stay.
        manner = {"viewport": {"width": 1280, "height": 800}, "reduced_motion": "reduce"}
        context = browser.new_context(**(manner | options))
        context.set_default_timeout(30_000)
        contexts.append(context)
        page = context.new_page()
        page.on("pageerror", lambda error: faults.append(str(error)))
        page.on("console", lambda message: faults.append(message.text) if "Content Security" in message.text else None)
        page.on("request", lambda request: hosts.add(urlsplit(request.url).netloc))
        page.goto(server.url + path)
        there = page.get_by_role("region", name=seen) if seen else page.get_by_role("heading", name="Garage")
        expect(there).to_be_visible()
        return page

    yield open_page
    for context in contexts:
        context.close()
    assert faults == []
    assert {host for host in hosts if host} <= {f"127.0.0.1:{server.port}"}


def left_open(page: Page, server: DemoServer, **desk: str | bool) -> None:
    """Waits until the server knows that this is open."""
    until(lambda: desk.items() <= page.request.get(f"{server.url}/api/desk").json().items(), f"never left open: {desk}")


class Chain:
    """The Chain as a user finds it on the page."""

    def __init__(self, page: Page) -> None:
        self.page = page

    def joint(self, name: str) -> Locator:
        return self.page.get_by_role("spinbutton", name=name, exact=True)

    def number(self, headline: str) -> Locator:
        return self.page.locator(f"main [data-headline='{headline}']").first

    def verdict(self, key: str) -> Locator:
        return self.page.locator(f"[data-verdict={key}]")


@pytest.fixture
def chain() -> Callable[[Page], Chain]:
    return Chain
