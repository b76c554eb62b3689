"""Remakes docs/screenshots from the demo data: `make screenshots`."""

import base64
import json
import re
import tempfile
from pathlib import Path

from playwright.sync_api import Browser, FilePayload, Page, sync_playwright

from tests.browser.conftest import CHROMIUM, FLAGS
from tests.conftest import Server

TARGET = Path("docs/screenshots")


def shoot(page: Page, name: str) -> None:
    page.wait_for_timeout(700)
    page.screenshot(path=TARGET / f"{name}.png")


def panel(page: Page) -> bytes:
    """The panel below the drawing of the Chain."""
    page.wait_for_timeout(700)
    return page.locator(".below").screenshot()


def stack(browser: Browser, name: str, panels: list[bytes]) -> None:
    """Panels stacked in one picture."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    shown = "".join(f'<img src="data:image/png;base64,{base64.b64encode(one).decode()}">' for one in panels)
    page.set_content(f"<style>body {{ background: #f9f6ef; margin: 0 }} img {{ display: block }}</style>{shown}")
    page.screenshot(path=TARGET / f"{name}.png", full_page=True)
    page.close()


def open_tab(page: Page, of: str, name: str) -> None:
    page.get_by_role("tablist", name=of).get_by_role("tab", name=name, exact=True).click()


def look(page: Page, name: str) -> None:
    open_tab(page, "What follows", name)


with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
    server = Server(Path(folder), "demo")
    browser = playwright.chromium.launch(executable_path=CHROMIUM, args=FLAGS)
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.goto(server.url)
    page.locator("figure canvas").wait_for()
    page.locator("[data-verdict=heat]", has_text="Heat ·").wait_for(timeout=120_000)
    first = page.url
    shoot(page, "chain")
    page.get_by_role("link", name="Car", exact=True).click()
    page.get_by_label("Mass", exact=True).wait_for()
    shoot(page, "car")
    page.get_by_role("button", name="Weigh it, step by step").click()
    page.get_by_role("button", name="2 Rear raised").click()
    look(page, "Brake force")
    shoot(page, "weighing")
    page.get_by_role("button", name="Leave the weighing").click()
    page.get_by_role("radio", name="Dry, fast, light").check(force=True)
    open_tab(page, "The car", "Air")
    look(page, "Over speed")
    shoot(page, "over-speed")
    open_tab(page, "The car", "Tyres")
    look(page, "How sure")
    page.locator("main [data-share]").first.wait_for()
    shoot(page, "how-sure")
    open_tab(page, "The car", "Loads")
    look(page, "A stop")
    page.locator("main [data-headline='survey/stop.distance']").wait_for()
    shoot(page, "stop")
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name="Dunnock").click()
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Valve taken out").click()
    open_tab(page, "The car", "States")
    look(page, "Grip used")
    page.locator("[data-road-limits]").wait_for()
    shoot(page, "grip-used")
    page.get_by_role("link", name="Chain").click()
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Stock", exact=True).click()
    look(page, "Pressures")
    page.get_by_role("slider").wait_for()
    shoot(page, "pressures")
    look(page, "Travel")
    page.locator("main [data-headline='hydraulics/lock.pedal']").wait_for()
    panels = [panel(page)]
    look(page, "Circuit lost")
    page.locator("[data-failure=rear]").wait_for()
    panels.append(panel(page))
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Big front brakes", exact=True).click()
    look(page, "Original parts")
    page.get_by_role("region", name="Against the original").wait_for()
    panels.append(panel(page))
    stack(browser, "travel-circuit-original", panels)
    page.goto(first)
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Bar wound").click()
    look(page, "Bar card")
    page.get_by_text("change sizes, not the bar").first.wait_for()
    shoot(page, "bar-card")
    page.goto(first)
    page.get_by_role("radio", name="Dry, slow", exact=True).check(force=True)
    page.get_by_role("link", name="Chain").click()
    look(page, "Cylinders")
    page.get_by_label("Looking for").fill("60 % by pressure, bar centred")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="1. 13/16").click()
    shoot(page, "cylinders")
    look(page, "Balance")
    page.get_by_role("spinbutton", name="Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    page.get_by_text("was rear locks first").wait_for()
    shoot(page, "chain-stepped")
    page.locator("main [data-headline=force_share]").click()
    page.locator("[data-working] li").first.wait_for()
    shoot(page, "working")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Undo").click()
    page.goto(first)
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Heat").click()
    heat = page.get_by_role("region", name="What mends the heat")
    heat.get_by_role("listitem").first.wait_for()
    shoot(page, "heat")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Air").click()
    page.get_by_role("button", name="Size the duct").click()
    page.get_by_role("button", name="Size again").wait_for(timeout=120_000)
    page.get_by_role("listitem").filter(has_text="Smooth hose").wait_for(timeout=120_000)
    shoot(page, "air")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Heat").click()
    page.get_by_role("button", name="Night").click()
    page.get_by_role("radio", name=re.compile("Tollgate")).check(force=True)
    page.locator("main .other").wait_for(state="detached")
    page.get_by_role("button", name="As in the park").click()
    look(page, "In words")
    heat.get_by_text("Driving the changes…").wait_for(state="detached")
    shoot(page, "heat-night")
    page.get_by_role("button", name="Day").click()
    # The demo's first setup, with more lift at the front than the model holds for.
    file = page.request.get(f"{page.url.rsplit('/', 1)[0].replace(server.url, server.url + '/api/setups')}/file").json()
    file["car"] |= {"name": "Kite", "front_lift_area": -1.0}
    file["car"]["states"][1]["speed"] = 115.0
    content = FilePayload(name="kite.json", mimeType="application/json", buffer=json.dumps(file).encode())
    page.get_by_label("Setup file").set_input_files(content)
    page.get_by_role("heading", name="To be mended").wait_for()
    shoot(page, "to-be-mended")
    page.get_by_role("link", name="Garage").click()
    page.get_by_role("region", name="Kite").get_by_role("button", name="Archive the car").click()
    page.locator("[role=status]", has_text="working it out").first.wait_for(state="detached", timeout=240_000)
    shoot(page, "garage")
    page.get_by_role("button", name="New car").click()
    page.get_by_label("What you call it").fill("Teal saloon")
    page.keyboard.press("Enter")
    page.get_by_role("heading", name="Weight").wait_for()
    for path, typed in (("mass", "1 180"), ("front_share", "54"), ("wheelbase", "2.57 m")):
        page.locator(f"[data-path='car.{path}']").fill(typed)
        page.locator(f"[data-path='car.{path}']").press("Enter")
    page.get_by_role("button", name="4 Calipers").click()
    page.get_by_role("region", name="Still to measure").get_by_role("listitem").first.wait_for()
    shoot(page, "new-car")
    browser.close()
    server.stop()
