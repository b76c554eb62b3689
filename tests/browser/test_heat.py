"""The heat of a session through the real interface: set, driven, found wrong, and mended."""

import json
import re
import sys
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

from plimbo.core import write_setup_file
from plimbo.core.working import compiled_code
from plimbo.server.compilation import Compilation
from tests import w1
from tests.browser.conftest import Chain, open_setup
from tests.browser.test_accessible import findings
from tests.conftest import DemoServer
from tests.waiting import until

# The first session of a machine compiles, where nothing has before.
COMPILED = 120_000


def look(page: Page, name: str) -> None:
    page.get_by_role("tablist", name="What follows").get_by_role("tab", name=name, exact=True).click()


def heat(page: Page, car: str = "Wren", setup: str = "Sprint") -> Locator:
    """Opens the place; what mends it."""
    open_setup(page, car, setup)
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Heat").click()
    expect(page.get_by_role("slider", name="Cursor")).to_be_visible(timeout=COMPILED)
    return page.get_by_role("region", name="Fixes for the heat")


def choose(page: Page, session: str) -> None:
    page.get_by_role("radio", name=re.compile(session)).check(force=True)
    expect(page.locator("main .other")).to_have_count(0)


def run_circuit(mending: Locator) -> None:
    """The changes have been driven too."""
    expect(mending.get_by_text("Driving the changes…")).to_have_count(0, timeout=60_000)


def slide(page: Page, name: str, value: float) -> None:
    page.get_by_role("slider", name=name).fill(str(value))


def test_three_readings_against_their_limits_come_first_and_every_red_is_shown(visit: Callable[..., Page]) -> None:
    page = visit()
    mending = heat(page, "Dunnock", "Stock")
    readings = page.get_by_role("list", name="Readings").get_by_role("listitem")
    expect(readings).to_have_count(3)
    for reading, number, word, limit in (
        ("Fluid at the pistons", r"303\s°C", "Front fluid boils parked", "boils at 218"),
        ("Front discs", r"85\d\s°C", "Front too hot for the pads", "pads bite 50"),
        ("Rear discs", r"63\d\s°C", "Rear too hot for the pads", "450"),
    ):
        row = readings.filter(has_text=reading)
        expect(row.locator(".number")).to_have_text(re.compile(number))
        expect(row).to_contain_text(word)
        expect(row).to_contain_text(limit)
        expect(mending.get_by_role("heading", name=word)).to_be_visible()


def test_the_chart_of_the_session_has_a_height_on_a_phone(visit: Callable[..., Page]) -> None:
    page = visit(viewport={"width": 390, "height": 844})
    heat(page)
    chart = page.locator(".box .chart").bounding_box()
    assert chart
    assert chart["height"] > 200


def test_fade_is_found_and_mended_by_another_pad_and_put_back(visit: Callable[..., Page]) -> None:
    page = visit()
    mending = heat(page)
    # With hotter pads the fluid boils on Tollgate: they are not offered while that is driven.
    choose(page, "Tollgate")
    page.get_by_role("button", name="Remove session").click()
    expect(page.get_by_role("radio", name=re.compile("Tollgate"))).to_have_count(0)
    choose(page, "Fenbank")
    look(page, "Parts")
    page.get_by_role("button", name="Air", exact=True).click()
    page.get_by_label("front, Duct fitted").uncheck()
    expect(mending.get_by_role("heading")).to_have_text(re.compile("Front too hot for the pads"))
    expect(page.locator("[data-verdict=heat]")).to_contain_text(re.compile("Front too hot for the pads|pads stay cold"))
    run_circuit(mending)
    pads = mending.get_by_role("listitem").filter(has_text=re.compile("pads.*endurance"))
    expect(pads.first).to_contain_text("fades from 780")
    pads.first.get_by_role("button").click()
    expect(mending.get_by_role("heading")).not_to_have_text(re.compile("too hot"))
    look(page, "Parts")
    page.get_by_role("button", name="Pads", exact=True).click()
    expect(page.get_by_label("front, Compound class")).to_have_value("endurance")
    mending.get_by_role("button", name="undo it").click()
    expect(page.get_by_label("front, Compound class")).to_have_value("sprint")
    expect(mending.get_by_role("heading")).to_have_text(re.compile("Front too hot for the pads"))


def fluid_of_tollgate(page: Page) -> tuple[Locator, Locator]:
    """What mends the heat there, and the field with the water in the fluid."""
    mending = heat(page)
    choose(page, "Tollgate")
    look(page, "Parts")
    page.get_by_role("button", name="Fluid", exact=True).click()
    return mending, page.get_by_label("Water in it")


def test_boiling_in_the_park_is_mended_by_fluid_and_then_by_a_cool_down_lap(visit: Callable[..., Page]) -> None:
    page = visit()
    mending, water = fluid_of_tollgate(page)
    water.fill("3.7 %")
    page.keyboard.press("Enter")
    expect(mending.get_by_role("heading")).to_contain_text("Front fluid boils parked")
    run_circuit(mending)
    mending.get_by_role("button", name="try: Fresh DOT 4").click()
    expect(mending).not_to_contain_text("boils parked")
    page.keyboard.press("Control+z")
    expect(mending.get_by_role("heading")).to_contain_text("Front fluid boils parked")
    # With less water in it, cool-down laps are enough: as many as are said to be needed.
    water.fill("1.5 %")
    page.keyboard.press("Enter")
    expect(mending).to_contain_text("fluid begins to boil parked")
    look(page, "Summary")
    laps = page.locator("dt", has_text="Cool-down laps needed").locator("+ dd")
    expect(laps).to_contain_text(re.compile(r"^\s*[12], or the fluid boils"))
    needed = int(laps.inner_text().strip()[0])
    look(page, "Laps and pace")
    slide(page, "Cool-down laps", needed)
    expect(mending).not_to_contain_text("to boil parked")
    look(page, "Summary")
    expect(laps).to_contain_text(str(needed))


def test_the_cursor_goes_by_key_by_pointer_and_to_the_moments_that_matter(visit: Callable[..., Page]) -> None:
    page = visit()
    heat(page)
    choose(page, "Fenbank")
    cursor = page.get_by_role("slider", name="Cursor")
    section = page.get_by_role("region", name="front corner at the cursor")
    inboard = section.get_by_role("row", name="inboard")
    page.get_by_role("button", name="Hottest disc").click()
    expect(cursor).to_have_attribute("aria-valuetext", re.compile("lap 10"))
    hottest = inboard.inner_text()
    page.get_by_role("button", name="Fluid's worst minute").click()
    expect(cursor).to_have_attribute("aria-valuetext", re.compile("parked"))
    expect(inboard).not_to_have_text(hottest)
    cursor.focus()
    page.keyboard.press("Home")
    expect(inboard).to_contain_text("18")
    box = page.locator("main figure .chart").bounding_box()
    assert box
    page.mouse.click(box["x"] + 0.5 * box["width"], box["y"] + 0.3 * box["height"])
    expect(cursor).to_have_attribute("aria-valuetext", re.compile(r"1[345]:\d\d min"))
    page.get_by_role("combobox", name="Show").select_option("lap 3")
    page.keyboard.press("Tab")
    look(page, "Corners")
    page.get_by_role("button", name="Willow").click()
    expect(cursor).to_have_attribute("aria-valuetext", re.compile("lap 10"))
    section.get_by_text("rear", exact=True).click()
    expect(page.get_by_role("region", name="rear corner at the cursor")).to_be_visible()


def test_a_slider_moves_all_and_is_one_step_to_undo(visit: Callable[..., Page]) -> None:
    page = visit()
    heat(page)
    choose(page, "Saltmarsh")
    look(page, "Summary")
    peak = page.get_by_role("row", name="Disc surface, hottest").get_by_role("cell").first
    before = peak.inner_text()
    look(page, "Laps and pace")
    pace = page.get_by_role("slider", name="Pace")
    pace.focus()
    for _ in range(5):
        page.keyboard.press("ArrowLeft")
    expect(pace).to_have_attribute("aria-valuetext", "95\u00a0%")
    look(page, "Summary")
    expect(peak).not_to_have_text(before)
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+z")
    expect(peak).to_have_text(before)


def test_a_run_is_kept_as_a_ghost_and_the_session_goes_home_as_csv(visit: Callable[..., Page], tmp_path: Path) -> None:
    page = visit()
    heat(page)
    choose(page, "Gorse Hill")
    page.get_by_role("button", name="Keep for comparison").click()
    expect(page.get_by_text("1: Sprint: sprint pads")).to_be_visible()
    with page.expect_download() as waiting:
        page.get_by_role("button", name="CSV").click()
    target = tmp_path / "session.csv"
    waiting.value.save_as(target)
    lines = target.read_text().splitlines()
    assert lines[0].startswith("time s,front surface °C")
    assert len(lines) > 200
    assert len({line.count(",") for line in lines}) == 1
    page.get_by_role("button", name="Remove comparison 1").click()
    expect(page.get_by_text("1: Sprint: sprint pads")).to_have_count(0)


def made_lap(path: Path) -> Path:
    rows, time, speed = ["time [s];speed [km/h]"], 0.0, 42.0
    for seconds, slope in ((6, 1.8), (2.2, -10), (8, 2.4), (1.6, -9), (9, 1.9), (2.4, -10), (8, 1.7)):
        for _ in range(round(seconds * 20)):
            rows.append(f"{time:.2f};{speed * 3.6:.2f}".replace(".", ","))
            time, speed = time + 0.05, max(8.0, speed + slope / 20)
    rows[200] = "10,00;--"
    path.write_text("\n".join(rows))
    return path


def test_a_lap_is_read_in_with_one_bad_row_and_a_zone_corrected(
    visit: Callable[..., Page], demo: DemoServer, tmp_path: Path
) -> None:
    page = visit()
    heat(page)
    page.get_by_role("button", name="New session…").click()
    page.get_by_label("CSV of one lap").set_input_files(made_lap(tmp_path / "Morning lap.csv"))
    expect(page.get_by_text("One row cannot be read.")).to_be_visible()
    uploads = demo.database.path.parent / "uploads"
    assert len(list(uploads.iterdir())) == 1
    expect(page.get_by_text("Row 201: “--” is no number.")).to_be_visible()
    page.get_by_role("button", name="Leave these rows out").click()
    expect(page.get_by_text("3 braking zones found.")).to_be_visible()
    page.get_by_role("button", name="Use it; zones can be corrected then").click()
    expect(page.get_by_role("radio", name=re.compile("Morning lap"))).to_be_checked()
    # What was sent is let go once it has been used.
    until(lambda: not list(uploads.iterdir()), "the upload is still there")
    look(page, "Race circuit")
    speed = page.get_by_label("row 1, down to")
    speed.fill("200")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Braking must end slower than it begins")
    expect(speed).to_have_value("200")
    speed.fill("70")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Braking must end slower")).to_have_count(0)
    look(page, "Corners")
    expect(page.get_by_role("row", name=re.compile("T1"))).to_contain_text("→ 70")


def test_a_circuit_is_sketched_from_nothing_and_kept_for_others(visit: Callable[..., Page]) -> None:
    page = visit()
    heat(page, "Pipit", "As built")
    page.get_by_role("button", name="New session…").click()
    page.get_by_role("region", name="A race circuit of your own").get_by_label("Called").fill("Old airfield")
    page.get_by_role("button", name="Start from a sample circuit").press("Enter")
    expect(page.get_by_role("radio", name=re.compile("Old airfield"))).to_be_checked()
    # It can be edited there, and the keyboard focus is there.
    expect(page.get_by_role("tab", name="Race circuit", exact=True)).to_be_focused()
    rows = page.get_by_role("form", name="Race circuit").get_by_role("row")
    expect(rows).to_have_count(11)
    # A value not given is shown with its default, not as unknown.
    look(page, "Laps and pace")
    expect(page.get_by_label("Out-laps")).to_have_value("1")
    look(page, "Race circuit")
    length = page.get_by_label("row 1, Length")
    length.fill("600")
    page.keyboard.press("Enter")
    page.get_by_label("row 2, Called").fill("Hangar")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Remove row 10").click()
    expect(rows).to_have_count(10)
    page.get_by_role("button", name="Keep on the list of race circuits").click()
    expect(page.get_by_text("“Old airfield” is on the list now.")).to_be_visible()
    look(page, "Corners")
    expect(page.get_by_role("row", name=re.compile("Hangar"))).to_be_visible()
    page.get_by_role("button", name="Remove session").click()
    expect(page.get_by_role("radio", name=re.compile("Old airfield"))).to_have_count(0)
    page.get_by_role("button", name="New session…").click()
    expect(page.get_by_role("button", name="Old airfield", exact=True)).to_be_visible()


def test_what_a_formula_gives_opens_its_working(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    heat(page)
    look(page, "Summary")
    chain(page).number("heat/front.crack").click()
    steps = page.locator("[data-working] li")
    expect(steps.first).to_be_visible()
    expect(page.locator("[data-working]")).to_contain_text("Crack ratio")
    expect(page.locator("[data-working]")).to_contain_text("Timoshenko")
    page.keyboard.press("Escape")
    look(page, "What it depends on")
    expect(page.get_by_role("row", name=re.compile("Engine power"))).to_be_visible(timeout=60_000)


TABS = ["Corners", "Summary", "Laps and pace", "Parts", "Race circuit", "What it depends on"]


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
def test_no_serious_findings_behind_any_tab_of_the_heat(visit: Callable[..., Page], dark: bool) -> None:
    page = visit()
    if dark:
        page.get_by_role("button", name="Night").click()
    mending = heat(page)
    run_circuit(mending)
    expect(page.locator(".stale")).to_have_count(0)
    for name in TABS:
        look(page, name)
        assert findings(page, contrast_only=dark) == [], name
    page.get_by_role("button", name="New session…").click()
    expect(page.get_by_role("button", name="Fenbank")).to_be_visible()
    assert findings(page, contrast_only=dark) == []


@pytest.mark.parametrize(("width", "height"), [(1280, 800), (1024, 768)])
def test_nothing_is_cut_at_the_side(visit: Callable[..., Page], width: int, height: int) -> None:
    page = visit(viewport={"width": width, "height": height})
    mending = heat(page)
    run_circuit(mending)
    for name in TABS:
        look(page, name)
        page.wait_for_timeout(120)
        over = page.evaluate(
            """() => [...document.querySelectorAll("main *")].filter((one) => {
                const style = getComputedStyle(one);
                if (one.closest("svg, .away") || style.visibility === "hidden" || !one.clientWidth) return false;
                const box = one.getBoundingClientRect();
                return box.right > innerWidth + 1 || box.left < 0;
            }).map((one) => one.className || one.tagName)"""
        )
        assert over == [], (name, over)


def test_a_car_whose_engine_nobody_has_given_is_not_green_and_says_what_to_give(visit: Callable[..., Page]) -> None:
    page = visit()
    heat(page, "Pipit", "Sound on gravel")
    look(page, "Laps and pace")
    power = page.get_by_label("Power at the wheels").first
    power.fill("")
    page.keyboard.press("Enter")
    answer = page.get_by_role("alert").filter(has_text="A lap of corners and straights needs the power at the wheels")
    expect(answer).to_be_visible()
    tile = page.locator("[data-verdict=heat]")
    expect(tile).to_contain_text("Not worked out")
    answer.get_by_label("Power at the wheels").fill("80 kW")
    page.keyboard.press("Enter")
    expect(tile).to_contain_text("Heat holds")
    expect(page.get_by_role("slider", name="Cursor")).to_be_visible()


def test_a_day_is_typed_and_an_impossible_one_told_at_its_field(visit: Callable[..., Page]) -> None:
    page = visit()
    mending, water = fluid_of_tollgate(page)
    water.fill("")
    page.keyboard.press("Enter")
    filled = page.get_by_label("Filled on")
    filled.fill("last spring")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Must be a day, year first: 2026-03-28.")).to_be_visible()
    expect(filled).to_have_value("last spring")
    filled.fill("2020-03-28")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Must be a day")).to_have_count(0)
    expect(mending).to_contain_text("with 8\u00a0% water, by its age, it boils")
    filled.fill("")
    page.keyboard.press("Enter")
    expect(mending).to_contain_text("with 1.5\u00a0% water, taken to be a year old, it boils")


def test_the_first_session_of_a_car_of_ones_own_is_sketched_and_asks_for_the_power(
    visit: Callable[..., Page], demo: DemoServer
) -> None:
    page = visit()
    document = json.loads(write_setup_file(w1.CAR, w1.SETUP))
    added = page.request.post(f"{demo.url}/api/setups/files", data=document)
    page.goto(f"{demo.url}/{added.json()['id']}/heat")
    page.get_by_role("button", name="Start from a sample circuit").press("Enter")
    expect(page.get_by_role("tab", name="Race circuit", exact=True)).to_be_focused()
    answer = page.get_by_role("alert")
    expect(answer).to_contain_text("A lap of corners and straights needs the power at the wheels")
    expect(answer).not_to_contain_text("car.power")
    answer.get_by_label("Power at the wheels").fill("95 kW")
    page.keyboard.press("Enter")
    expect(page.locator("[data-verdict=heat]")).to_contain_text("Front too hot for the pads")
    run_circuit(page.get_by_role("region", name="Fixes for the heat"))
    expect(page.get_by_role("alert")).to_have_count(0)


def test_while_the_simulation_is_compiled_that_is_said_and_the_chain_works(
    visit: Callable[..., Page],
    chain: Callable[[Page], Chain],
    demo: DemoServer,
    tmp_path: Path,
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    monkeypatch.setattr(compiled_code, "is_complete", lambda: False)
    done = tmp_path / "done"
    waits = "import pathlib, sys, time\nwhile not pathlib.Path(sys.argv[1]).exists(): time.sleep(0.05)"
    demo.app.state.compilation = Compilation((sys.executable, "-c", waits, str(done)))
    page = visit()
    why = page.get_by_role("status").filter(has_text="The simulation of heat is being compiled")
    expect(why).to_be_visible()
    chain(page).joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    expect(chain(page).joint("Rear cylinder")).to_have_attribute("aria-valuetext", "7/8\u00a0in")
    page.keyboard.press("3")
    expect(why).to_be_visible()
    done.touch()
    expect(why).to_have_count(0, timeout=60_000)
    expect(page.locator("[data-verdict=heat]")).to_contain_text("Heat ·", timeout=60_000)
    expect(page.locator("main figure canvas").first).to_be_visible()


def test_a_probe_reading_is_told_taken_over_and_moves_the_heat(visit: Callable[..., Page]) -> None:
    page = visit()
    heat(page)
    choose(page, "Fenbank")
    look(page, "Summary")
    row = page.get_by_role("row", name=re.compile("Disc surface, hottest"))
    before = row.get_by_role("cell").first.inner_text()
    look(page, "Measured")
    form = page.get_by_role("form", name="Measured after this session")
    form.get_by_label("Probe shows").fill("hot")
    form.get_by_role("button").click()
    expect(form.get_by_role("alert")).to_contain_text("Type a number")
    expect(form.get_by_label("Probe shows")).to_have_value("hot")
    form.get_by_label("Probe shows").fill("430")
    form.get_by_label("After the car stood").fill("2")
    form.get_by_role("button").click()
    answer = page.get_by_role("status", name="What it says")
    expect(answer.get_by_role("heading")).to_contain_text("Less air than taken", timeout=COMPILED)
    expect(answer).to_contain_text(re.compile(r"Cooling factor, front\s*1\.00 →"))
    expect(answer).to_contain_text(re.compile("by this reading"))
    expect(answer.get_by_role("row")).to_have_count(1 + 4)
    answer.get_by_role("button", name="Take over the front factor").click()
    expect(answer).to_contain_text("Taken over")
    look(page, "Summary")
    expect(row.get_by_role("cell").first).not_to_have_text(before)
    page.get_by_role("button", name=re.compile("^Undo")).click()
    expect(row.get_by_role("cell").first).to_have_text(before)


def logger_file() -> str:
    """Session lines, units behind the names, m:ss, and two laps of other paces."""
    lines = ["Session;Heron, afternoon", "Logger;any", "", "Lap;Lap Time;Ground Speed (km/h)"]
    for lap, pace in ((1, 0.97), (2, 1.0)):
        time, speed = 0.0, 40.0
        for seconds, slope in ((6.0, 2.0), (2.2, -10.0), (7.0, 3.0), (1.6, -9.0), (9.0, 2.2), (2.4, -11.0), (7.0, 2.6)):
            for _ in range(round(seconds * 20)):
                shown = f"{int(time // 60)}:{time % 60:05.2f};{speed * pace * 3.6:.2f}"
                lines.append(f"{lap};{shown}".replace(".", ","))
                speed, time = speed + slope / 20, time + 1 / 20 / pace
    return "\n".join(lines)


def test_a_loggers_file_with_session_lines_and_two_laps_is_read(visit: Callable[..., Page], tmp_path: Path) -> None:
    file = tmp_path / "heron.csv"
    file.write_text(logger_file())
    page = visit()
    heat(page)
    page.get_by_role("button", name=re.compile("New session")).click()
    new = page.get_by_role("region", name="New session")
    new.get_by_label("CSV of one lap").set_input_files(file)
    lap = new.get_by_label("Lap of the file")
    expect(lap).to_have_value("2")
    expect(lap.get_by_role("option")).to_contain_text(["1: 0:36", "2: 0:35", "mean"])
    expect(new.get_by_text("3 braking zones found.")).to_be_visible()
    lap.select_option("1")
    expect(new.get_by_text("3 braking zones found.")).to_be_visible()
    new.get_by_role("button", name=re.compile("^Use it")).click()
    expect(page.get_by_role("slider", name="Cursor")).to_be_visible(timeout=COMPILED)
    look(page, "Laps and pace")
    expect(page.get_by_role("slider", name="Cool-down laps")).to_have_value("1")
    page.get_by_label("Fast laps in minutes").fill("12")
    page.get_by_label("Fast laps in minutes").press("Enter")
    expect(page.get_by_role("slider", name="Fast laps")).to_have_value(re.compile("^(19|20|21)$"))
