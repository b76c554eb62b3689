"""The air of a duct through the real interface: shown, dragged, sized, taped and printed."""

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import open_setup
from tests.browser.test_accessible import findings
from tests.browser.test_heat import COMPILED, choose, heat, look
from tests.conftest import DemoServer


def air(page: Page, car: str = "Wren", setup: str = "Sprint") -> Locator:
    """Opens the place; the panel with the sizing."""
    open_setup(page, car, setup)
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Air").click()
    expect(page.get_by_role("heading", name="The run, nose to disc")).to_be_visible()
    return page.get_by_role("region", name="The smallest duct that holds")


def size(panel: Locator) -> None:
    panel.get_by_role("button", name=re.compile("Size")).click()
    expect(panel.get_by_role("button", name="Size again")).to_be_visible(timeout=COMPILED)


def through_the_vanes(page: Page) -> float:
    return float((page.locator("[data-vanes]").text_content() or "").split()[0])


def test_a_red_heat_is_turned_green_by_a_duct_and_its_tape_is_printed(visit: Callable[..., Page]) -> None:
    """From the advice in the head to the table for the truck."""
    page = visit()
    mending = heat(page)
    for session in ("Gorse Hill", "Tollgate"):
        choose(page, session)
        page.get_by_role("button", name="Remove session").click()
        expect(page.get_by_role("radio", name=re.compile(session))).to_have_count(0)
    choose(page, "Fenbank")
    look(page, "Parts")
    page.get_by_role("button", name="Fluid", exact=True).click()
    page.get_by_label("Fluid", exact=True).select_option("race")
    page.get_by_label("Water in it").fill("0")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="Air", exact=True).click()
    page.get_by_label("front, Duct fitted").uncheck()
    red = page.locator("[data-verdict=heat]")
    expect(red).to_contain_text("Front too hot for the pads")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Chain").click()
    red.click()
    expect(mending.get_by_role("heading")).to_have_text(re.compile("Front too hot for the pads"))
    mending.get_by_role("link", name="Size the duct on Air").click()
    panel = page.get_by_role("region", name="The smallest duct that holds")
    expect(page.get_by_text("No duct at the front.")).to_be_visible()
    size(panel)
    answer = panel.get_by_role("button", name=re.compile(r"^Try: .* duct$"))
    answer.click()
    expect(red).to_contain_text("Heat holds", timeout=60_000)
    expect(panel).to_contain_text("Trying")
    expect(panel.locator("tr.here")).to_contain_text("fitted")
    panel.get_by_role("button", name="keep").click()
    look(page, "Tape for the day")
    table = page.get_by_role("table", name=re.compile("Share of the opening taped"))
    expect(table.get_by_role("row", name=re.compile("Fenbank"))).to_contain_text("open;")
    with page.context.expect_page() as opened:
        page.get_by_role("link", name="Print it for the truck").click()
    paper = opened.value
    expect(paper.locator("[data-tape]")).to_contain_text("tape for the day")
    expect(paper.get_by_role("row", name=re.compile("Saltmarsh"))).to_be_visible(timeout=COMPILED)
    paper.emulate_media(media="print")
    expect(paper.get_by_role("button", name="Print")).to_be_hidden()


def test_a_hose_is_dragged_longer_and_stepped_by_key(visit: Callable[..., Page]) -> None:
    page = visit()
    air(page)
    hose = page.locator("[data-piece='2']")
    expect(hose).to_have_attribute("aria-valuetext", re.compile(r"63\smm, 0\.7\sm"))
    before = through_the_vanes(page)
    box = hose.bounding_box()
    assert box
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 + 120, box["y"] + box["height"] / 2, steps=6)
    page.mouse.up()
    expect(hose).not_to_have_attribute("aria-valuetext", re.compile(r", 0\.7\sm"))
    page.wait_for_function(
        "before => parseFloat(document.querySelector('[data-vanes]').textContent) < before", arg=before
    )
    page.keyboard.press("Control+z")
    expect(hose).to_have_attribute("aria-valuetext", re.compile(r"63\smm, 0\.7\sm"))
    hose.focus()
    page.keyboard.press("ArrowUp")
    expect(hose).to_have_attribute("aria-valuetext", re.compile(r"76\smm"))
    page.keyboard.press("ArrowLeft")
    expect(hose).to_have_attribute("aria-valuetext", re.compile(r"0\.[67]"))
    bend = page.locator("[data-piece='1']")
    bend.focus()
    page.keyboard.press("ArrowLeft")
    expect(bend).to_have_attribute("aria-valuetext", re.compile(r"75°"))
    # What it was stands behind it.
    expect(page.locator("main .ghost path").first).to_be_attached()


def test_each_piece_has_its_worth_and_is_tried_on_and_put_back(visit: Callable[..., Page]) -> None:
    page = visit()
    air(page)
    worths = page.get_by_role("listitem").filter(has_text="Smooth hose")
    expect(worths).to_contain_text("−", timeout=COMPILED)
    worths.get_by_role("button").click()
    look(page, "Pieces")
    expect(page.get_by_label("piece 1, Inside")).to_have_value("smooth")
    look(page, "What each piece is worth")
    expect(page.get_by_text("Driving each change")).to_have_count(0, timeout=60_000)
    expect(page.get_by_role("listitem").filter(has_text="Smooth hose")).to_have_count(0)


def test_too_much_duct_is_taped_on_the_fast_circuit(visit: Callable[..., Page]) -> None:
    page = visit()
    panel = air(page)
    size(panel)
    panel.get_by_role("button", name="try: 102 mm").click()
    look(page, "Tape for the day")
    row = page.get_by_role("row", name=re.compile("Saltmarsh"))
    expect(row).to_contain_text("tape 75 %", timeout=60_000)
    expect(page.get_by_role("row", name=re.compile("Tollgate"))).to_contain_text("open;")
    row.get_by_role("button", name=re.compile("set Saltmarsh")).click()
    expect(row.get_by_role("button")).to_have_count(0, timeout=60_000)
    choose_on_air(page, "Saltmarsh")
    expect(page.get_by_label("Taped now, Saltmarsh, 12 laps")).to_have_value("75")


def choose_on_air(page: Page, session: str) -> None:
    page.get_by_role("radio", name=re.compile(session)).check(force=True)


def test_a_sizing_survives_a_reload_and_can_be_left_off(visit: Callable[..., Page], demo: DemoServer) -> None:
    page = visit()
    panel = air(page)
    size(panel)
    word = panel.get_by_role("heading").first.inner_text()
    page.reload()
    expect(panel.get_by_role("heading").first).to_have_text(word)
    expect(panel.get_by_role("button", name="Size again")).to_be_visible()
    # A change of what is sized by makes it that of an earlier setup.
    look(page, "Pieces")
    page.get_by_label("end, Seal at the eye").fill("70 %")
    page.keyboard.press("Enter")
    expect(panel).to_contain_text("Of the setup as it was before")
    demo.config.app.state.jobs.kept.begin("duct", f"{page.url.split('/')[-2]} front", "x")
    page.reload()
    expect(panel.get_by_role("progressbar")).to_be_visible()
    panel.get_by_role("button", name="Stop").click()
    expect(panel.get_by_role("button", name="Size the duct")).to_be_visible()
    page.reload()
    expect(panel.get_by_role("button", name="Size the duct")).to_be_visible()


def test_bad_input_is_told_at_its_field_and_stays_typed(visit: Callable[..., Page]) -> None:
    page = visit()
    air(page)
    look(page, "Pieces")
    for label, typed, result in (
        ("end, Seal at the eye", "140 %", "at most 100"),
        ("opening, Area of the opening", "0", "at least"),
        ("piece 1, Length", "5.2", "longer than the car"),
        ("piece 1, Length", "40 m", "at most 6"),
    ):
        field = page.get_by_label(label)
        field.fill(typed)
        page.keyboard.press("Enter")
        expect(page.get_by_role("alert").filter(has_text=result)).to_be_visible()
        expect(field).to_have_value(typed)
        field.press("Escape")


def test_what_only_a_person_sees_is_ticked_and_kept_with_its_day(visit: Callable[..., Page]) -> None:
    page = visit()
    air(page)
    look(page, "Parts and checks")
    box = page.get_by_role("checkbox", name=re.compile("full lock"))
    box.check()
    expect(box.locator("..")).to_contain_text(re.compile(r"20\d\d-\d\d-\d\d"))
    expect(page.get_by_text("saved", exact=False).first).to_be_visible()
    expect(page.get_by_role("row", name=re.compile("Hose clamp"))).to_contain_text("4 ×")


def test_a_solid_disc_and_a_car_without_a_duct_say_so(visit: Callable[..., Page]) -> None:
    page = visit()
    panel = air(page, "Pipit", "As built")
    expect(page.get_by_text("A solid disc: only its faces are cooled.")).to_be_visible()
    size(panel)
    expect(panel.get_by_role("heading").first).to_have_text("No duct needed")
    page.get_by_role("button", name="Fit a duct").click()
    expect(page.get_by_text("no eye to feed", exact=False).first).to_be_visible()


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
def test_no_serious_findings_behind_any_tab(visit: Callable[..., Page], dark: bool) -> None:
    page = visit(viewport={"width": 1024, "height": 768})
    if dark:
        page.get_by_role("button", name="Night").click()
    panel = air(page)
    size(panel)
    for name in ("What each piece is worth", "Tape for the day", "Pieces", "Parts and checks"):
        look(page, name)
        assert findings(page, contrast_only=dark) == []
        wide = page.evaluate("[document.documentElement.scrollWidth, innerWidth]")
        assert wide[0] <= wide[1]


def test_the_whole_of_it_goes_by_key(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("4")
    panel = page.get_by_role("region", name="The smallest duct that holds")
    sizes = panel.get_by_role("button", name="Size the duct")
    sizes.focus()
    page.keyboard.press("Enter")
    expect(panel.get_by_role("button", name="Size again")).to_be_visible(timeout=COMPILED)
    answer = panel.get_by_role("button", name=re.compile(r"^Try: .* duct$"))
    answer.focus()
    page.keyboard.press("Enter")
    expect(panel).to_contain_text("Trying")
    panel.get_by_role("button", name="undo it").focus()
    page.keyboard.press("Enter")
    expect(panel.locator("tr.here")).to_contain_text("63 mm")
    page.get_by_role("radio", name="front", exact=True).focus()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_text("No duct at the rear.")).to_be_visible()
    page.get_by_role("button", name="Fit a duct").focus()
    page.keyboard.press("Enter")
    expect(page.locator("[data-piece='0']")).to_be_attached()
    expect(page.get_by_text("side of the body").first).to_be_visible()


def test_a_finger_drags_a_hose(visit: Callable[..., Page]) -> None:
    page = visit(viewport={"width": 1024, "height": 768}, has_touch=True)
    air(page)
    hose = page.locator("[data-piece='0']")
    box = hose.bounding_box()
    assert box
    assert box["height"] >= 24, "as big as a finger"
    at = {"x": box["x"] + box["width"] / 2, "y": box["y"] + box["height"] / 2}
    touch = page.context.new_cdp_session(page)
    touch.send("Input.dispatchTouchEvent", {"type": "touchStart", "touchPoints": [at]})
    for n in range(1, 6):
        moved = {"x": at["x"] + 12 * n, "y": at["y"]}
        touch.send("Input.dispatchTouchEvent", {"type": "touchMove", "touchPoints": [moved]})
    touch.send("Input.dispatchTouchEvent", {"type": "touchEnd", "touchPoints": []})
    expect(hose).not_to_have_attribute("aria-valuetext", re.compile(r", 0\.5\sm"))


def test_units_and_working_of_the_duct(visit: Callable[..., Page]) -> None:
    page = visit()
    air(page)
    page.locator("main [data-headline='air/vanes']").click()
    sheet = page.locator("[data-working]")
    expect(sheet).to_contain_text("Air through the vanes")
    expect(sheet).to_contain_text("Head of the turning vanes")
    page.keyboard.press("Escape")
    page.get_by_role("combobox", name="Units").click()
    page.get_by_role("option", name="Imperial").click()
    expect(page.locator("[data-vanes]")).to_contain_text("lb/min")
    expect(page.locator("[data-piece='0']")).to_have_attribute("aria-valuetext", re.compile(r"2\.48\sin"))


def test_costs_add_up_and_the_baseline_stands_behind(visit: Callable[..., Page]) -> None:
    page = visit()
    air(page)
    page.keyboard.press("b")
    look(page, "Pieces")
    page.get_by_label("piece 1, Cost").fill("25")
    page.keyboard.press("Enter")
    page.get_by_role("button", name="3 hose", exact=False).click()
    page.get_by_label("piece 3, Length").fill("1.1")
    page.keyboard.press("Enter")
    expect(page.locator("main .ghost path").first).to_be_attached()
    look(page, "Parts and checks")
    expect(page.get_by_role("row", name=re.compile("All that has a cost"))).to_contain_text("50.00")
    expect(page.get_by_role("row", name=re.compile(r"1\.10 m"))).to_contain_text("2 ×")
