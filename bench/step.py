"""Key to last repaint on the Chain, headless Chromium, first load and server start: `python -m bench.step`.

Each step presses an arrow key: on the rear cylinder of a car with a bar, then on the rear pistons of a car with it all
on (tandem, booster, valve, anti-lock, tyres with load sensitivity). Its time ends at the frame after the last change of
the drawing, the numbers or the chart's canvas; four frames without a change must follow.

Everything is also given as a ratio to the yardstick and as the time at the fast clock. If the host takes processor time
away, the slowest runs measure the host; runs without stolen time are reported separately.
"""

import gzip
import os
import re
import statistics
import tempfile
import time
from collections.abc import Callable
from pathlib import Path
from typing import NamedTuple

from playwright.sync_api import Browser, Page, sync_playwright

from bench.yardstick import FAST_CLOCK, stolen, yardstick
from tests.browser.conftest import FLAGS, open_setup
from tests.conftest import Server

STEP_BUDGET, LOAD_BUDGET, START_BUDGET, SLIDE_BUDGET = 0.060, 1.2, 1.5, 0.150
STEPS, LOADS = 200, 7
WINDOW_SETTLES = 2000
# The full browser that people use, not the headless shell of the tests.
BROWSER = "/usr/bin/chromium"
STEP = """
async ([of, key]) => {
  const joint = document.querySelector(`[data-joint='${of}'] [role=spinbutton]`);
  joint.focus();
  const before = joint.getAttribute("aria-valuetext");
  let last = 0;
  const note = () => { last = performance.now(); };
  const watch = new MutationObserver(note);
  const all = { subtree: true, childList: true, attributes: true, characterData: true };
  watch.observe(document.querySelector("main"), all);
  const stroke = CanvasRenderingContext2D.prototype.stroke;
  CanvasRenderingContext2D.prototype.stroke = function (...path) { note(); return stroke.apply(this, path); };
  const frame = () => new Promise((resolve) => requestAnimationFrame(() => resolve(performance.now())));
  const start = performance.now();
  joint.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true }));
  let painted = start, quiet = 0;
  while (quiet < 4) {
    const now = await frame();
    const moved = joint.getAttribute("aria-valuetext") !== before;
    if (!moved || last > painted) { quiet = 0; painted = now; } else { quiet += 1; }
  }
  watch.disconnect();
  CanvasRenderingContext2D.prototype.stroke = stroke;
  return painted - start;
}
"""


def paced() -> float:
    """The yardstick now, s."""
    return min(yardstick() for _ in range(50))


class Run(NamedTuple):
    """A time, the yardstick beside it, and the processor time that the host took meanwhile, s."""

    time: float
    beside: float
    stolen: float


def run(work: Callable[[], float]) -> Run:
    """One run of a function that returns its own time, s."""
    beside, before = paced(), stolen()
    return Run(work(), beside, stolen() - before)


def tell(what: str, runs: list[Run], budget: float, *, late: bool = False) -> None:
    """Judged by the median, or `late` by the 95th percentile.

    The yardstick of a run is the median of those near it: a single one varies as much as the run itself.
    """
    beside = [one.beside for one in runs]
    paces = [statistics.median(beside[max(0, at - 4) : at + 5]) for at in range(len(runs))]
    ratios = [one.time / pace for one, pace in zip(runs, paces, strict=True)]
    median, last = statistics.median(ratios), statistics.quantiles(ratios, n=20)[-1]
    calm = [ratio for one, ratio in zip(runs, ratios, strict=True) if one.stolen == 0]
    undisturbed = ""
    if late and len(calm) < len(runs):
        calmly = f"{1e3 * statistics.quantiles(calm, n=20)[-1] * FAST_CLOCK:.0f} ms" if len(calm) > 20 else "-"
        undisturbed = f", {calmly} in the {len(calm)} of {len(runs)} runs from which the host took nothing"
    print(
        f"{what}: median {1e3 * statistics.median(one.time for one in runs):.0f} ms as the machine is, {median:.0f}"
        f" yardsticks, {1e3 * median * FAST_CLOCK:.0f} ms at the fast clock; 95th percentile"
        f" {1e3 * last * FAST_CLOCK:.0f} ms{undisturbed}; budget {1e3 * budget:.0f} ms"
        f"{' at the 95th percentile' if late else ''}"
    )


def steps_timed(page: Page, car: str, setup: str, joint: str) -> None:
    """Up and down, the first few not counted."""
    page.wait_for_timeout(500)
    runs = []
    for n in range(STEPS + 5):
        key = "ArrowUp" if n % 2 else "ArrowDown"
        runs.append(run(lambda key=key: page.evaluate(STEP, [joint, key]) / 1e3))  # type: ignore[misc]
    tell(f"key to repaint, {car}, {setup}, {joint}, {STEPS} steps", runs[5:], STEP_BUDGET, late=True)


def started(folder: str) -> tuple[Server, float, float]:
    """A server on an existing database, the time to its first answer and the yardstick beside it, s."""
    beside, start = paced(), time.perf_counter()
    server = Server(Path(folder), "serve")
    return server, time.perf_counter() - start, beside


def loaded(browser: Browser, url: str) -> tuple[Page, float, float]:
    """The Chain, drawn, in a browser with an empty cache."""
    page = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
    # A new window still loads its own toolbars, on both cores.
    page.wait_for_timeout(WINDOW_SETTLES)
    beside, start = paced(), time.perf_counter()
    page.goto(url)
    page.locator("[data-joint='rear.master_cylinder']").wait_for()
    page.locator("figure canvas").wait_for()
    return page, time.perf_counter() - start, beside


SLIDE = """
async ([name, value]) => {
  const sliders = [...document.querySelectorAll("input[type=range]")];
  const slider = sliders.find((one) => one.labels[0]?.innerText.includes(name));
  let last = 0;
  const stroke = CanvasRenderingContext2D.prototype.stroke;
  const noted = function (...path) { last = performance.now(); return stroke.apply(this, path); };
  CanvasRenderingContext2D.prototype.stroke = noted;
  const frame = () => new Promise((resolve) => requestAnimationFrame(() => resolve(performance.now())));
  const start = performance.now();
  slider.value = value;
  slider.dispatchEvent(new InputEvent("input", { bubbles: true }));
  // The chart is drawn anew once the session has been driven.
  while (last === 0 && performance.now() - start < 5000) await frame();
  const painted = await frame();
  CanvasRenderingContext2D.prototype.stroke = stroke;
  return painted - start;
}
"""


def slides_timed(page: Page) -> None:
    """The pace of the first session of the car, back and forth."""
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Heat").click()
    page.get_by_role("slider", name="Cursor").wait_for(timeout=120_000)
    page.get_by_role("tab", name="How it is driven").click()
    runs = []
    for n in range(STEPS + 5):
        # Advice is simulated after a pause; here there is no long pause.
        page.wait_for_timeout(60)
        pace = str(0.95 + 0.01 * (n % 5))
        runs.append(run(lambda pace=pace: page.evaluate(SLIDE, ["Pace", pace]) / 1e3))  # type: ignore[misc]
    tell(f"slider to repaint, Wren, Fenbank, 10 laps, {STEPS} moves", runs[5:], SLIDE_BUDGET, late=True)


# As on a machine where Python may keep its compiled files.
os.environ.pop("PYTHONDONTWRITEBYTECODE", None)
with tempfile.TemporaryDirectory() as folder:
    Server(Path(folder), "demo").stop()
    starts = []
    for _ in range(LOADS):
        server, took, beside = started(folder)
        starts.append(Run(took, beside, 0.0))
        server.stop()
    tell("server start to first answer", starts, START_BUDGET)
    server, took, beside = started(folder)
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=BROWSER, args=FLAGS)
        # The browser has started by then.
        loaded(browser, server.url)[0].context.close()
        loads = []
        for _ in range(LOADS):
            page, took, beside = loaded(browser, server.url)
            loads.append(Run(took, beside, 0.0))
            page.context.close()
        tell("first load to the drawn Chain", loads, LOAD_BUDGET)
        page, took, beside = loaded(browser, server.url)
        assets = re.findall(r'/assets/[^"]+\.js', page.content())
        entries = page.evaluate("performance.getEntriesByType('resource').map((entry) => entry.name)")
        scripts = {name.removeprefix(server.url) for name in [*entries, *assets] if name.endswith(".js")}
        size = sum(len(gzip.compress(page.request.get(server.url + name).body(), 6)) for name in scripts)
        print(f"first-load script, compressed: {size / 1e3:.0f} kB, budget 350 kB")
        steps_timed(page, "Wren", "Sprint", "rear.master_cylinder")
        slides_timed(page)
        page.get_by_role("navigation", name="Places").get_by_role("link", name="Chain").click()
        open_setup(page, "Dunnock", "Big front brakes")
        steps_timed(page, "Dunnock", "Big front brakes", "rear.caliper")
        browser.close()
    server.stop()
