"""The main job from start to end, as a preparer does it, with the keyboard; then the same by finger on a tablet."""

import json
import math
import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Page, Route, expect

from plimbo.core import assess, read_setup_file
from tests.browser.conftest import Chain, left_open
from tests.conftest import DemoServer, Server

SIGNS = {"π": "math.pi", "·": "*", "−": "-", "²": "**2", "½": "0.5", "√": "math.sqrt", "\u202f": ""}


def calculated(line: str) -> tuple[float, float]:
    """A line of working, `= 2 · 3 = 6`, by calculator: what its left side gives, and what it says."""
    left, right = line.strip().removeprefix("=").rsplit("=", 1)
    text = "".join(SIGNS.get(sign, sign) for sign in left)
    return float(eval(text, {"math": math})), float(right.replace("−", "-"))


def leading_number(text: str) -> float:
    found = re.search(r"[−\d.\u202f]+", text)
    assert found, text
    return float(found[0].replace("−", "-").replace("\u202f", ""))


def was_and_by(view: Chain, key: str) -> tuple[str, str]:
    """What a number was and by how much it moved: beside it, or in its row of the table of the axle."""
    row = view.page.get_by_role("row").filter(has=view.page.locator(f"[data-headline='{key}']"))
    ghost = (row if row.count() else view.number(key)).locator(".ghost").first
    was, by = ghost.inner_text().split()
    return was, by


def steps_the_rear_cylinder_up(page: Page, view: Chain) -> None:
    """One stock size up with the arrow key: numbers, drawing, chart and verdict move, the old values stay as ghosts."""
    headlines = ["rear.has.pressure", "rear.has.clamp", "rear.has.torque", "rear.has.brake_force", "force_share"]
    before = {key: leading_number(view.number(key).locator("b").inner_text()) for key in headlines}
    bore = page.locator("g.rear rect.body").first
    drawn = float(bore.get_attribute("height") or 0)

    view.joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "7/8\u00a0in")
    expect(view.joint("Rear cylinder")).to_contain_text("was 13/16")
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    expect(view.verdict("lock_order")).to_contain_text("was rear locks first")
    expect(page.get_by_role("img", name=re.compile("Dry, slow: the front locks first at 1.29"))).to_be_visible()
    for key, old in before.items():
        now = leading_number(view.number(key).locator("b").inner_text())
        assert now != old, key
        was, by = was_and_by(view, key)
        assert leading_number(was) == old
        assert abs(leading_number(by.replace("+", "")) - (now - old)) < 1.01, key
    assert float(bore.get_attribute("height") or 0) / drawn == pytest.approx(22.225 / 20.6375)
    expect(page.locator("g.rear rect.ghost")).to_have_attribute("height", str(drawn))


def follows_the_working_of_the_bias(page: Page, view: Chain) -> float:
    """Line by line with a calculator; gives the share that comes out."""
    view.number("force_share").focus()
    page.keyboard.press("Enter")
    expect(page.locator("[data-working] > li").first).to_contain_text("Front share by brake force")
    lines = page.locator("[data-working] .numbers").all_inner_texts()
    assert len(lines) > 12
    for line in lines:
        by_hand, answer = calculated(line)
        assert abs(by_hand - answer) <= 2e-6 * abs(answer), line
    share = calculated(lines[0])[1]
    assert abs(100 * share - leading_number(view.number("force_share").locator("b").inner_text())) < 0.05
    page.keyboard.press("Escape")
    expect(view.number("force_share")).to_be_focused()
    return share


def gives_it_a_name(page: Page) -> None:
    page.get_by_role("button", name="File", exact=True).focus()
    page.keyboard.press("Enter")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    name = page.get_by_label("Name", exact=True)
    expect(name).to_be_focused()
    name.fill("Sprint, rear 7/8")
    page.keyboard.press("Enter")
    expect(page).to_have_title("Wren, Sprint, rear 7/8: Plimbo")


def takes_it_home(page: Page, folder: Path) -> Path:
    page.get_by_role("button", name="File", exact=True).click()
    with page.expect_download() as download:
        page.get_by_role("menuitem", name="Export as a file").click()
    taken = folder / download.value.suggested_filename
    download.value.save_as(taken)
    assert taken.name == "wren-sprint-rear-7-8.plimbo.json"
    return taken


def another_plimbo_reads_it(page: Page, taken: Path, folder: Path) -> None:
    other = Server(folder / "another", "serve")
    try:
        elsewhere = page.context.new_page()
        elsewhere.goto(other.url)
        expect(elsewhere.get_by_text("No car yet.")).to_be_visible()
        elsewhere.get_by_label("Setup file").set_input_files(taken)
        expect(Chain(elsewhere).verdict("lock_order")).to_contain_text("Front locks first")
        expect(elsewhere).to_have_title("Wren, Sprint, rear 7/8: Plimbo")
        elsewhere.close()
    finally:
        other.stop()


def test_a_preparer_from_rear_first_to_a_file_taken_home(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], demo: DemoServer, tmp_path: Path
) -> None:
    page = visit()
    view = chain(page)
    # The Wren's chain is there, and at a glance the rear locks first in the dry.
    expect(page).to_have_title("Wren, Sprint: Plimbo")
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")
    expect(view.verdict("lock_order")).to_contain_text("Dry, slow, light")
    expect(view.verdict("lock_order")).to_contain_text("rear first in 82 of 100")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")
    expect(page.locator(".drawing svg circle").first).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("Dry, slow: the rear locks first at 1.32"))).to_be_visible()

    steps_the_rear_cylinder_up(page, view)
    share = follows_the_working_of_the_bias(page, view)
    gives_it_a_name(page)
    page.get_by_role("radio", name="Dry, fast", exact=True).focus()
    page.keyboard.press("Space")
    expect(page.get_by_role("status").filter(has_text="revision")).to_contain_text("· saved")
    left_open(page, demo, state="Dry, fast")
    shown = view.number("front.limit_load").locator("b").inner_text()

    # The browser is closed; a new one comes back to the same state.
    page.context.close()
    page = visit()
    view = chain(page)
    expect(page).to_have_title("Wren, Sprint, rear 7/8: Plimbo")
    expect(page.get_by_role("radio", name="Dry, fast", exact=True)).to_be_checked()
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "7/8\u00a0in")
    expect(view.number("front.limit_load").locator("b")).to_have_text(shown)

    taken = takes_it_home(page, tmp_path)
    read = read_setup_file(taken.read_bytes())
    assert read.setup.rear.master_cylinder.bore == 0.022225
    assert assess(read.car, read.setup).states[0].force_share == pytest.approx(share, abs=1e-6)
    another_plimbo_reads_it(page, taken, tmp_path)


def test_by_finger_on_a_tablet(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit(viewport={"width": 1024, "height": 768}, has_touch=True)
    view = chain(page)
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")

    bigger = page.get_by_role("button", name="Rear cylinder bigger")
    expect(bigger).to_be_hidden()
    view.joint("Rear cylinder").tap()
    expect(bigger).to_contain_text("7/8")
    box = bigger.bounding_box()
    assert box
    assert min(box["width"], box["height"]) >= 40, "too small for a finger"
    bigger.tap()
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    expect(view.joint("Rear cylinder")).to_contain_text("was 13/16")

    view.number("force_share").tap()
    expect(page.locator("[data-working] li").first).to_be_visible()
    page.get_by_role("button", name="Close").tap()
    expect(page.locator("[data-working]")).to_have_count(0)

    page.get_by_role("button", name="Undo").tap()
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")
    page.get_by_role("button", name=re.compile("^try")).first.tap()
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    page.get_by_role("button", name="undo it").tap()
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")

    page.get_by_role("link", name="Car").tap()
    expect(page.get_by_label("Mass", exact=True)).to_have_value("640")
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), "wider than the tablet"


def test_typing_any_unit_and_units_of_each_school(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)

    def typed(joint: str, text: str) -> str:
        view.joint(joint).focus()
        page.keyboard.press("Enter")
        entry = page.get_by_role("textbox", name=f"{joint}, type a size")
        entry.fill(text)
        page.keyboard.press("Enter")
        expect(entry).to_be_hidden()
        return view.joint(joint).get_attribute("aria-valuetext") or ""

    assert typed("Rear cylinder", "7/8in") == "7/8\u00a0in"
    assert typed("Rear cylinder", "19.05 mm") == "3/4\u00a0in"
    assert typed("Rear cylinder", "0.7 in") == "0.700\u00a0in"
    assert typed("Rear cylinder", "1 1/8") == "1 1/8\u00a0in"
    assert typed("Front pistons", "36 + 41.3 mm") == "36 + 41.3\u00a0mm"
    assert typed("Front disc", "11.2 in") == "284.5\u00a0mm"
    assert typed("Pedal ratio", "5,5") == "5.50\u00a0: 1"

    expect(view.number("front.has.pressure").locator("b")).to_contain_text("bar")
    page.get_by_label("Units").click()
    page.get_by_role("option", name="Imperial").click()
    expect(view.number("front.has.pressure").locator("b")).to_contain_text("psi")
    expect(view.joint("Front pistons")).to_have_attribute("aria-valuetext", "1.417 + 1.626\u00a0in")
    expect(page.get_by_label("The chain from foot to road")).to_contain_text("4 in, wheels")
    page.get_by_label("Units").click()
    page.get_by_role("option", name="Metric").click()
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", re.compile("28.5[78]\u00a0mm"))
    expect(page.get_by_label("The chain from foot to road")).to_contain_text("100 mm, wheels")


def test_undo_redo_baseline_and_states(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    pedal = view.joint("Pedal ratio")
    pedal.focus()
    for _ in range(5):
        page.keyboard.press("ArrowUp")
    expect(pedal).to_have_attribute("aria-valuetext", "6.25\u00a0: 1")
    page.keyboard.press("Shift+ArrowUp")
    expect(pedal).to_have_attribute("aria-valuetext", "7.00\u00a0: 1")
    for _ in range(6):
        page.keyboard.press("Control+z")
    expect(pedal).to_have_attribute("aria-valuetext", "5.00\u00a0: 1")
    expect(page.get_by_role("button", name="Undo")).to_be_disabled()
    page.keyboard.press("Control+Shift+z")
    expect(pedal).to_have_attribute("aria-valuetext", "5.25\u00a0: 1")

    # The baseline stays the ghost through many steps, and through a visit to another setup.
    page.keyboard.press("b")
    expect(page.get_by_role("button", name="Compared with: Sprint")).to_be_visible()
    pedal.focus()
    page.keyboard.press("ArrowUp")
    page.keyboard.press("ArrowUp")
    expect(pedal).to_contain_text("was 5.25")
    held: list[Route] = []

    def hold(route: Route) -> None:
        held.append(route)

    page.route("**/revisions/*", hold)
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Endurance").click()
    expect(pedal).to_have_attribute("aria-valuetext", "5.00\u00a0: 1")
    expect(pedal).to_contain_text("was 5.25")
    expect(view.verdict("lock_order")).to_contain_text("was rear locks first")
    # Lifted while its setup is still on its way, the mark stays lifted.
    pedal.focus()
    page.keyboard.press("b")
    expect(page.get_by_role("button", name="Compare with this", exact=True)).to_be_visible()
    with page.expect_response("**/api/assess"):
        held[0].continue_()
    expect(pedal).not_to_contain_text("was")
    page.keyboard.press("ArrowUp")
    expect(pedal).to_contain_text("was 5.00")

    page.get_by_role("radio", name="Wet, slow", exact=True).check(force=True)
    expect(page.get_by_role("img", name=re.compile("^Wet, slow: the front locks first"))).to_be_visible()


def test_chart_leaves_as_svg_png_and_csv(visit: Callable[..., Page], tmp_path: Path) -> None:
    page = visit()
    kept = {}
    for kind in ("SVG", "PNG", "CSV"):
        with page.expect_download() as download:
            page.get_by_role("button", name=kind, exact=True).click()
        path = tmp_path / f"chart.{kind}"
        download.value.save_as(path)
        kept[kind] = path.read_bytes()
    assert kept["SVG"].startswith(b"<svg")
    assert b"both front wheels, N" in kept["SVG"]
    assert kept["PNG"].startswith(b"\x89PNG")
    assert len(kept["PNG"]) > 20_000
    rows = kept["CSV"].decode().split("\r\n")
    assert rows[0] == "state,what,front N,rear N"
    assert any(row.startswith('"Dry, slow",first lock,') for row in rows)


def test_earlier_revisions_come_back(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    page.get_by_role("button", name="File", exact=True).click()
    page.get_by_role("menuitem", name="Keep this revision").click()
    page.get_by_label("Name", exact=True).fill("before the swap")
    page.get_by_label("Note").fill("as it ran in spring")
    page.keyboard.press("Enter")
    expect(page.get_by_role("status").filter(has_text="revision 2")).to_be_visible()
    view.joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    page.get_by_role("button", name="File", exact=True).click()
    page.get_by_role("menuitem", name="History").click()
    row = page.get_by_role("listitem").filter(has_text="before the swap")
    expect(row).to_contain_text("as it ran in spring")
    row.get_by_role("button", name="Bring back").click()
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")


def test_reading_a_file_in_the_browser(visit: Callable[..., Page], demo: DemoServer, tmp_path: Path) -> None:
    page = visit()
    desk = page.request.get(f"{demo.url}/api/desk").json()
    document = page.request.get(f"{demo.url}/api/setups/{desk['setup_id']}/file").json()
    document["setup"]["name"] = "From a friend"
    good, other, broken = (tmp_path / f"{name}.json" for name in ("good", "other", "broken"))
    good.write_text(json.dumps(document))
    other.write_text(json.dumps(document | {"format_version": 8}))
    broken.write_text('{"format": "plimbo-')

    picker = page.get_by_label("Setup file")
    picker.set_input_files(other)
    expect(page.get_by_role("alert")).to_contain_text("other.json: This file is of format version 8")
    picker.set_input_files(broken)
    expect(page.get_by_role("alert")).to_contain_text("broken.json: This is not JSON")
    picker.set_input_files(good)
    expect(page).to_have_title("Wren, From a friend: Plimbo")
    expect(page.get_by_role("alert")).to_have_count(0)
