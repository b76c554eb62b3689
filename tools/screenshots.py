"""Remakes docs/screenshots from the demo data, with a fixed clock: `make screenshots`, once after a piece of work.

A picture whose view has not changed is left alone.
"""

import datetime
import itertools
import re
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from plimbo.store import rows
from tests.browser.conftest import CHROMIUM, FLAGS
from tests.browser.settled import Settled
from tests.conftest import DemoServer
from tools.pictures import keep, stacked

TARGET = Path("docs/screenshots")
# What follows, below the drawing of the Chain.
TABS = ".below > :first-child"
MOMENT = datetime.datetime(2026, 5, 16, 9, 30, tzinfo=datetime.UTC)


class FixedDate(datetime.date):
    @classmethod
    def today(cls) -> "FixedDate":
        return cls(MOMENT.year, MOMENT.month, MOMENT.day)


def stop_the_clock() -> None:
    """Every module gets the same day; the time moves by milliseconds, since lists are ordered by it."""
    real, ticks = rows.now, itertools.count()
    for module in [one for name, one in sys.modules.items() if name.startswith("plimbo.")]:
        if getattr(module, "now", None) is real:
            module.now = lambda: MOMENT + datetime.timedelta(milliseconds=next(ticks))  # type: ignore[attr-defined]
        if getattr(module, "date", None) is datetime.date:
            module.date = FixedDate  # type: ignore[attr-defined]


class Camera:
    """Takes pictures of a page at rest."""

    def __init__(self, page: Page) -> None:
        self.page, self._settled = page, Settled(page)

    def rest(self) -> None:
        self._settled()
        self.page.wait_for_function("document.fonts.status === 'loaded' && !document.querySelector('.stale')")

    def _still(self, take: Callable[[], bytes]) -> bytes:
        """A picture that has come out the same twice."""
        before, now = b"", take()
        while now != before:
            self.page.wait_for_timeout(300)
            before, now = now, take()
        return now

    def shoot(self, name: str) -> None:
        self.rest()
        self.save(name, self._still(self.page.screenshot))

    def panel(self, selector: str) -> bytes:
        self.rest()
        return self._still(self.page.locator(selector).first.screenshot)

    def save(self, name: str, picture: bytes) -> None:
        changed = keep(picture, TARGET / f"{name}.png")
        print(f"{name}: {'changed' if changed else 'as it was'}")


def open_tab(page: Page, of: str, name: str) -> None:
    page.get_by_role("tablist", name=of).get_by_role("tab", name=name, exact=True).click()


def look(page: Page, name: str) -> None:
    open_tab(page, "What follows", name)


def open_setup(page: Page, setup: str, car: str | None = None) -> None:
    if car:
        page.get_by_role("combobox", name="Car", exact=True).click()
        page.get_by_role("option", name=car, exact=True).click()
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name=setup, exact=True).click()
    page.wait_for_function("name => document.title.includes(`, ${name}:`)", arg=setup)


def the_car(page: Page, camera: Camera) -> None:
    page.get_by_role("link", name="Car", exact=True).click()
    page.get_by_label("Mass", exact=True).wait_for()
    camera.shoot("car")
    below = ".picture > :last-child"
    page.get_by_role("button", name="Weigh it, step by step").click()
    page.get_by_role("button", name="2 Rear raised").click()
    panels = [camera.panel(".picture > .drawing-window > *")]
    page.get_by_role("button", name="Leave the weighing").click()
    page.get_by_role("radio", name="Dry, fast, light").check(force=True)
    for name in ("Over speed", "How sure", "A stop"):
        look(page, name)
        panels.append(camera.panel(below))
    open_setup(page, "Valve taken out", "Dunnock")
    look(page, "Grip used")
    page.locator("[data-road-limits]").wait_for()
    panels.append(camera.panel(below))
    camera.save("car-tabs", stacked(panels))


def the_chain(page: Page, camera: Camera, address: str) -> None:
    page.goto(address)
    camera.shoot("chain")
    page.get_by_role("radio", name="Dry, slow", exact=True).check(force=True)
    look(page, "Cylinders")
    page.get_by_label("Looking for").fill("60 % by pressure, bar centred")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="1. 13/16").click()
    panels = [camera.panel(TABS)]
    page.goto(address)
    open_setup(page, "Bar wound to the front")
    look(page, "Bar card")
    page.get_by_text("change sizes, not the bar").first.wait_for()
    camera.save("cylinders-card", stacked([*panels, camera.panel(TABS)]))
    open_setup(page, "Sprint")
    look(page, "Balance")
    page.get_by_role("spinbutton", name="Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    page.get_by_text("was rear locks first").wait_for()
    page.locator("main [data-headline=force_share]").click()
    page.locator("[data-working] li").first.wait_for()
    camera.shoot("working")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Undo").click()
    open_setup(page, "Stock", "Dunnock")
    panels = []
    for name in ("Pressures", "Travel", "Circuit failed"):
        look(page, name)
        panels.append(camera.panel(TABS))
    open_setup(page, "Big front brakes")
    look(page, "Original parts")
    page.get_by_role("region", name="Against the original").wait_for()
    camera.save("chain-tabs", stacked([*panels, camera.panel(TABS)]))


def the_sessions(page: Page, camera: Camera, address: str) -> None:
    page.goto(address)
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Heat").click()
    page.get_by_role("region", name="Fixes for the heat").get_by_role("listitem").first.wait_for()
    camera.shoot("heat")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Air").click()
    page.get_by_role("button", name="Size the duct").click()
    page.get_by_role("button", name="Size again").wait_for(timeout=120_000)
    page.get_by_role("listitem").filter(has_text="Smooth hose").wait_for(timeout=120_000)
    camera.shoot("air")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Plan").click()
    page.get_by_role("heading", name=re.compile("steps to a sound car")).wait_for(timeout=120_000)
    camera.shoot("plan")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Heat").click()
    page.get_by_role("button", name="Night").click()
    page.get_by_role("radio", name=re.compile("Tollgate")).check(force=True)
    page.locator("main .other").wait_for(state="detached")
    page.get_by_role("button", name="Fluid's worst minute").click()
    look(page, "Summary")
    page.get_by_text("Driving the changes…").wait_for(state="detached")
    camera.shoot("heat-night")
    page.get_by_role("button", name="Day").click()


def the_garage(page: Page, camera: Camera) -> None:
    page.get_by_role("link", name="Garage").click()
    page.locator("[role=status]", has_text="working it out").first.wait_for(state="detached", timeout=240_000)
    camera.shoot("garage")
    page.get_by_role("button", name="New car").click()
    page.get_by_label("What you call it").fill("Teal saloon")
    page.keyboard.press("Enter")
    page.get_by_role("heading", name="Weight").wait_for()
    for path, typed in (("mass", "1 180"), ("front_share", "54"), ("wheelbase", "2.57 m")):
        page.locator(f"[data-path='car.{path}']").fill(typed)
        page.locator(f"[data-path='car.{path}']").press("Enter")
    page.get_by_role("button", name="4 Calipers").click()
    page.get_by_role("region", name="Still to measure").get_by_role("listitem").first.wait_for()
    camera.shoot("new-car")


def main() -> None:
    stop_the_clock()
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = DemoServer(Path(folder))
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
        context = browser.new_context(
            viewport={"width": 1280, "height": 800}, reduced_motion="reduce", timezone_id="UTC", locale="en-GB"
        )
        context.set_default_timeout(120_000)
        page = context.new_page()
        page.clock.set_fixed_time(MOMENT)
        camera = Camera(page)
        page.goto(server.url)
        page.locator("[data-verdict=heat]", has_text="Heat ·").wait_for()
        address = page.url
        the_car(page, camera)
        the_chain(page, camera, address)
        the_sessions(page, camera, address)
        the_garage(page, camera)
        browser.close()
        server.stop()


if __name__ == "__main__":
    main()
