"""Every joint from foot to disc as it is really built, and the pedal under the foot, through the real interface."""

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Chain, open_setup


def look(page: Page, name: str) -> None:
    page.get_by_role("tablist", name="What follows").get_by_role("tab", name=name, exact=True).click()


def type_in(page: Page, label: str, text: str, within: Locator | None = None) -> Locator:
    entry = (within or page).get_by_label(label, exact=True).first
    entry.fill(text)
    page.keyboard.press("Enter")
    return entry


def figure(view: Chain, headline: str) -> float:
    text = view.number(headline).locator("b").inner_text()
    return float(re.sub(r"[^\d.\-]", "", text.replace("−", "-").replace("\u202f", "")))


def test_the_valve_knee_is_pulled_along_its_curve(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Stock")
    expect(page.locator("svg [data-tandem]")).to_be_visible()
    expect(page.locator("svg [data-booster]")).to_be_visible()
    expect(page.locator("svg [data-valve]")).to_be_visible()
    # The balance moves with the push: at first lock it is another than at the chosen one.
    expect(view.number("first_share")).to_contain_text("79.9\u00a0%")
    expect(view.number("force_share")).to_contain_text("80.1\u00a0%")
    look(page, "Pressures")
    expect(page.get_by_role("img", name=re.compile("the front locks first at 291"))).to_be_visible()
    before = figure(view, "rear.has.pressure")

    handle = page.get_by_role("slider", name="Valve knee on the curve")
    expect(handle).to_have_attribute("aria-valuetext", "30.0\u00a0bar")
    box = handle.bounding_box()
    assert box
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    # All goes with the knee as it is pulled.
    page.mouse.move(x + 20, y - 10)
    expect(handle).not_to_have_attribute("aria-valuetext", "30.0\u00a0bar")
    on_the_way = str(handle.get_attribute("aria-valuetext"))
    page.mouse.move(x + 40, y - 20)
    expect(handle).not_to_have_attribute("aria-valuetext", on_the_way)
    page.mouse.up()
    dragged = float(str(handle.get_attribute("aria-valuenow")))
    assert 35 < dragged < 70
    assert dragged % 0.5 == 0
    expect(view.joint("Valve knee")).to_contain_text("was 30.0")
    # Half a bar of knee more is 0.3 bar more behind a valve of slope 0.4.
    assert figure(view, "rear.has.pressure") == pytest.approx(before + 0.6 * (dragged - 30), abs=0.11)
    assert figure(view, "front.has.pressure") == pytest.approx(71.7, abs=0.05)
    # The whole pull is one step to undo.
    page.keyboard.press("Control+z")
    expect(view.joint("Valve knee")).to_have_attribute("aria-valuetext", "30.0\u00a0bar")
    page.keyboard.press("Control+Shift+z")
    expect(view.joint("Valve knee")).not_to_have_attribute("aria-valuetext", "30.0\u00a0bar")


def test_the_valve_is_typed_stepped_and_made_a_lever(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Stock")
    look(page, "Pressures")
    handle = page.get_by_role("slider", name="Valve knee on the curve")
    type_in(page, "Valve knee", "300 psi", page.get_by_role("region", name="Rear valve"))
    expect(view.joint("Valve knee")).to_have_attribute("aria-valuetext", "20.7\u00a0bar")
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    handle.focus()
    page.keyboard.press("ArrowUp")
    expect(view.joint("Valve knee")).to_have_attribute("aria-valuetext", "21.0\u00a0bar")
    type_in(page, "Valve knee", "-3", page.get_by_role("region", name="Rear valve"))
    expect(page.get_by_role("alert").first).to_contain_text("Must be")
    page.keyboard.press("Escape")
    page.get_by_role("combobox", name="Rear valve").select_option("lever")
    third = page.get_by_role("group", name="Lever stands in").get_by_role("button", name="3")
    third.click()
    expect(view.joint("Valve knee")).to_have_attribute("aria-valuetext", "26.0\u00a0bar")
    expect(third).to_have_attribute("aria-pressed", "true")
    panel = page.get_by_role("region", name="Rear valve")
    expect(panel.get_by_label("Valve knee", exact=True)).to_have_count(0)
    type_in(page, "Lever positions", "10 + 20 + 30", panel)
    expect(view.joint("Valve knee")).to_have_attribute("aria-valuetext", "30.0\u00a0bar")
    page.get_by_role("combobox", name="Rear valve").select_option("none")
    expect(view.joint("Valve knee")).to_have_count(0)
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")


def test_the_bar_is_turned_by_key_and_set_from_its_card(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    bar = view.joint("Balance bar")
    bar.focus()
    page.keyboard.press("ArrowUp")
    expect(bar).to_have_attribute("aria-valuetext", "1\u00a0turn to front")
    expect(page.get_by_text("1.3\u00a0mm off centre, 4\u00a0% of the way to its end")).to_be_visible()
    expect(view.verdict("lock_order")).to_contain_text("was rear locks first")
    look(page, "Bar card")
    rows = page.get_by_role("row")
    expect(rows.filter(has_text="Dry, slow, light")).to_contain_text("1½ front")
    expect(rows.filter(has_text="Wet, fast").first).to_contain_text("2¾ rear")
    stands = page.get_by_text("stands at +1")
    expect(stands).to_contain_text("recommended range 6.3\u00a0turns either way")
    page.get_by_role("button", name="set it for Wet, slow", exact=True).click()
    expect(bar).to_have_attribute("aria-valuetext", "2\u00a0turns to rear")
    page.get_by_role("button", name="Undo").click()
    expect(bar).to_have_attribute("aria-valuetext", "1\u00a0turn to front")


def test_a_wound_bar_is_told_from_a_wrong_size_and_the_advice_tried_on_and_put_back(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Wren", "Bar wound to the front")
    mending = page.get_by_role("region", name="Fixes")
    expect(view.verdict("lock_order")).to_contain_text("Sizes wrong, bar wound")
    expect(mending).to_contain_text(
        "the sizes are wrong, not the bar. With a 7/8\u00a0in rear cylinder it stands 0.2\u00a0turns"
    )
    advice = mending.get_by_role("listitem").first
    expect(advice).to_contain_text("Bar: 6\u00a0turns toward the rear and Rear cylinder 5/8\u00a0in → 13/16\u00a0in")
    advice.get_by_role("button", name=re.compile("^try")).click()
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")
    mending.get_by_role("button", name="undo it").click()
    expect(view.verdict("lock_order")).to_contain_text("Sizes wrong, bar wound")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "5/8\u00a0in")
    advice.get_by_role("button", name=re.compile("^try")).click()
    mending.get_by_role("button", name="keep").click()
    expect(mending.get_by_role("button", name="undo it")).to_have_count(0)
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")


def test_the_card_is_printed(visit: Callable[..., Page], tmp_path: Path) -> None:
    page = visit()
    open_setup(page, "Wren", "Bar wound to the front")
    look(page, "Bar card")
    expect(page.get_by_text("change sizes, not the bar").first).to_be_visible()
    # From where it is: the browser's own window for printing, and nothing else on the paper.
    page.evaluate("window.print = () => { window.printed = true }")
    page.get_by_role("button", name="Print the card").click()
    assert page.evaluate("window.printed")
    card = page.locator("[data-card]")
    expect(card).to_be_hidden()
    page.emulate_media(media="print")
    expect(page.get_by_role("region", name="Verdicts")).to_be_hidden()
    expect(card).to_contain_text("Bar wound to the front")
    expect(card.get_by_role("row")).to_have_count(9)
    expect(card.get_by_role("row").filter(has_text="Dry, slow, light")).to_contain_text(
        "8 front, outside the recommended range"
    )
    expect(card).to_contain_text("Stay within 6.3 turns either way of the centre")
    # With the sizes that it is for.
    for size in ("Front cylinder 0.700\u00a0in", "Rear cylinder 5/8\u00a0in", "Front pistons 38.1 + 41.3\u00a0mm"):
        expect(card).to_contain_text(size)
    expect(card.get_by_role("button", name="Print")).to_be_hidden()
    printed = page.pdf(path=tmp_path / "card.pdf", format="A5", landscape=True)
    assert printed.startswith(b"%PDF")
    assert printed.count(b"/Type /Page\n") + printed.count(b"/Type /Page ") <= 1, "one page"


def test_big_front_brakes_alone_and_the_rear_change_that_mends_them(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    """The stock setup is the baseline: its stop stays beside the new one as the ghost."""
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Stock")
    page.get_by_role("button", name="Compare with this").click()
    expect(page.get_by_role("button", name="Compared with: Stock")).to_be_visible()
    open_setup(page, "Dunnock", "Big front brakes")
    expect(view.verdict("lock_order")).to_contain_text("Too much front")
    view.verdict("lock_order").click()
    sheet = page.get_by_role("complementary", name="Lock order")
    stop = sheet.locator("[data-headline='stop.distance']")
    expect(stop).to_contain_text("127.3\u00a0m")
    expect(stop.locator("i")).to_contain_text("119.3")
    expect(stop.locator("i")).to_contain_text("+8")
    page.keyboard.press("Escape")
    mending = page.get_by_role("region", name="Fixes")
    mending.get_by_role("button", name="Lock order").click()
    rear = mending.get_by_role("listitem").filter(has_text="Rear disc")
    rear.get_by_role("button", name=re.compile("^try")).click()
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")


def test_a_difference_too_small_to_be_told_is_not_told(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Big front brakes")
    view.joint("Rear pistons").focus()
    page.keyboard.press("ArrowUp")
    expect(view.number("needed_ratio").locator("b")).to_contain_text("2.06")
    expect(view.number("needed_ratio").locator("i")).to_have_text("2.05")  # and no "+0.00" beside it


def test_original_parts_are_entered_and_an_anti_lock_failure_mended_by_matching_pistons(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Pipit", "Sound on gravel")
    expect(view.verdict("anti_lock")).to_have_count(0)
    look(page, "Original parts")
    page.get_by_label("Has a stock anti-lock system").check()
    expect(view.verdict("anti_lock")).to_contain_text("Originals not known")
    form = page.get_by_role("form", name="Original parts")
    for label, front, rear in (
        ("Original pistons, one side", "38.1 + 38.1", "31.8 + 31.8"),
        ("Original disc diameter", "238", "228"),
        ("Original pad friction", "0.4", "0.4"),
    ):
        for end, text in (("front", front), ("rear", rear)):
            type_in(page, f"{end}, {label}", text, form)
    expect(view.verdict("anti_lock")).to_contain_text("Off its tune")
    table = page.get_by_role("region", name="Against the original")
    expect(table.get_by_role("row").filter(has_text="front, piston area")).to_contain_text("−30.3\u00a0%")
    expect(table.get_by_role("row").filter(has_text="front, piston area")).to_contain_text("fail")
    expect(table.get_by_role("row").filter(has_text="rear, disc diameter")).to_contain_text("pass")
    # The pad is too low and short for the original pistons: nearest that fit is refused, so a bigger pad comes first.
    view.joint("Front pad μ").focus()
    page.get_by_role("button", name="Front pad μ, all sizes").click()
    part = page.get_by_role("complementary", name="Front pad μ")
    type_in(page, "Pad height", "40", part)
    type_in(page, "Pad length", "80", part)
    page.get_by_role("button", name="Close").click()
    table.get_by_role("button", name=re.compile(r"Fit at the front: 38.1 \+ 38.1")).click()
    expect(view.verdict("anti_lock")).to_contain_text("As tuned")
    expect(view.joint("Front pistons")).to_have_attribute("aria-valuetext", "38.1 + 38.1\u00a0mm")


def test_pedal_travel_its_parts_and_what_a_part_is_worth(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Stock")
    look(page, "Travel")
    expect(view.number("hydraulics/lock.pedal")).to_contain_text("77\u00a0mm")
    expect(
        page.get_by_role("img", name=re.compile("first lock: front, dead stroke: 4.8.mm; front, pad gap"))
    ).to_be_visible()
    worth = page.get_by_role("region", name="What an improvement is worth")
    hoses = worth.get_by_role("listitem").filter(has_text="Braided hoses, front")
    expect(hoses).to_contain_text("−12.5\u00a0mm")
    hoses.get_by_role("button", name=re.compile("^try")).click()
    expect(view.number("hydraulics/lock.pedal")).to_contain_text("64.5\u00a0mm")
    expect(view.number("hydraulics/lock.pedal").locator("i")).to_contain_text("−12.5")
    expect(worth.get_by_role("listitem").filter(has_text="Braided hoses, front")).to_have_count(0)
    view.number("hydraulics/lock.pedal").click()
    steps = page.locator("[data-working]")
    expect(steps).to_contain_text("Travel of the push rod")
    expect(steps).to_contain_text("Fluid for hoses that swell, front")
    page.keyboard.press("Escape")
    page.get_by_text("Firm or light pedal: the trade disagrees").click()
    expect(page.get_by_text("Light: low effort, long travel.")).to_be_visible()


def test_one_circuit_lost_against_the_road_rules(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Stock")
    look(page, "Circuit failed")
    rear = page.locator("[data-failure=rear]")
    expect(rear).to_contain_text("0.25\u00a0g")
    expect(rear).to_contain_text("met")
    expect(page.get_by_text("0.66\u00a0g with all working, 0.25\u00a0g with a failure")).to_be_visible()
    expect(page.locator("[data-failure=unboosted]")).to_contain_text("0.58\u00a0g")
    view.number("hydraulics/failures.rear.deceleration").click()
    expect(page.locator("[data-working]")).to_contain_text("Line pressure behind the valve")
    page.keyboard.press("Escape")
    # Less knee leaves the rear less than the rules ask.
    view.joint("Valve knee").focus()
    page.keyboard.press("Enter")
    entry = page.get_by_role("textbox", name="Valve knee, type a size")
    entry.fill("15 bar")
    page.keyboard.press("Enter")
    expect(rear).to_contain_text("missed")
    open_setup(page, "Wren", "Sprint")
    look(page, "Circuit failed")
    expect(
        page.get_by_text("The empty cylinder is at its bottom, so the bar shares as it is set").first
    ).to_be_visible()
    expect(page.get_by_text("road rules ask")).to_have_count(0)


def test_what_is_fitted_changes_the_drawing_and_what_does_not_go_together_is_said(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    look(page, "Part details")
    split = page.get_by_label("Brake circuits split by")
    split.select_option("tandem")
    expect(view.joint("Tandem cylinder")).to_be_visible()
    expect(view.joint("Balance bar")).to_have_count(0)
    expect(view.joint("Front cylinder")).to_have_count(0)
    page.get_by_label("Booster fitted").check()
    expect(view.joint("Booster gain")).to_have_attribute("aria-valuetext", "4.00\u00a0: 1")
    split.select_option("bar")
    expect(page.get_by_role("alert").first).to_contain_text("A booster pushes one rod")
    page.get_by_label("Booster fitted").uncheck()
    split.select_option("bar")
    expect(view.joint("Balance bar")).to_be_visible()
    # The cylinders that were taken off are still the same.
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")

    page.get_by_role("button", name="Pedal", exact=True).click()
    page.get_by_label("Pedal top- or floor-mounted").select_option("hung")
    type_in(page, "Pivot to foot pad", "260")
    type_in(page, "Pivot to push rod", "50")
    expect(view.joint("Pedal ratio")).to_have_attribute("aria-valuetext", "5.20\u00a0: 1")
    type_in(page, "Pivot to push rod", "255")
    expect(view.joint("Pedal ratio")).to_have_attribute("aria-valuetext", "1.02\u00a0: 1")
    type_in(page, "Pivot to push rod", "261")
    expect(page.get_by_role("alert").first).to_contain_text("measure both lengths again")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Front line").click()
    page.get_by_label("Pad retention").select_option("residual")
    expect(page.get_by_role("region", name="Remarks")).to_contain_text("drag and heat for a shorter pedal")
    page.get_by_role("button", name="Handbrake", exact=True).click()
    page.get_by_label("Hydraulic handbrake").check()
    expect(page.locator("[data-handbrake-answer]")).to_contain_text("locks the rear wheels here")
    expect(page.locator("svg [data-handbrake]")).to_be_visible()


def test_friction_over_temperature(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    view.joint("Front pad μ").focus()
    page.get_by_role("button", name="Front pad μ, all sizes").click()
    curve = page.get_by_role("region", name="Friction over temperature")
    expect(curve).to_contain_text("In use: 0.45, letter F")
    methods = page.get_by_role("region", name="Effective radius by each method")
    expect(methods.get_by_role("row").filter(has_text="uniform pressure")).to_contain_text("119.6\u00a0mm")
    page.get_by_role("button", name="Give a curve over temperature").click()
    methods.get_by_text("Pads front and rear: the trade disagrees").click()
    expect(methods).to_contain_text("A split of compounds moves the balance quickly.")
    page.get_by_label("Point 1, friction").fill("0.30")
    page.keyboard.press("Enter")
    expect(view.joint("Front pad μ")).not_to_have_attribute("aria-valuetext", "0.45")
    expect(view.joint("Front pad μ")).to_contain_text("was 0.45")
    type_in(page, "Disc temperature looked at", "600")
    expect(view.joint("Front pad μ")).to_have_attribute("aria-valuetext", "0.45")
    page.get_by_label("Point 2, at").fill("50")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").first).to_contain_text("from cold to hot")
    page.keyboard.press("Escape")
    # Stepping the friction stands in place of the curve; Escape has closed the sheet.
    view.joint("Front pad μ").focus()
    page.keyboard.press("ArrowUp")
    expect(view.joint("Front pad μ")).to_have_attribute("aria-valuetext", "0.46")


def test_cold_rear_tyres_stand_on_the_card_and_a_wet_setup_is_judged_wet(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    places = page.get_by_role("navigation", name="Places")
    # First laps: the chosen state with cold rear tyres.
    places.get_by_role("link", name="Car").click()
    page.get_by_role("tab", name="States", exact=True).click()
    page.get_by_role("button", name="Add “First laps, Dry, slow”, rear tyres cold").click()
    cold = page.get_by_role("region", name="First laps, Dry, slow")
    expect(cold.get_by_label("rear tyres")).to_have_value(re.compile("^80$"))
    places.get_by_role("link", name="Chain").click()
    expect(view.verdict("lock_order")).to_contain_text("Rear locks first")
    expect(page.get_by_text("Its rear tyres are cold: turn the bar forward for these laps")).to_be_visible()
    look(page, "Bar card")
    row = page.get_by_role("row").filter(has_text="First laps, Dry, slow")
    expect(row).to_contain_text("front")
    begin = page.get_by_role("tabpanel").get_by_text("“First laps, Dry, slow”: begin with the bar at")
    expect(begin).to_contain_text("as the tyres come in")
    # A wet setup: only the wet states are ticked.
    places.get_by_role("link", name="Car").click()
    page.get_by_role("tab", name="States", exact=True).click()
    for name in ("Dry, slow", "Dry, fast", "Dry, slow, light", "Dry, fast, light", "First laps, Dry, slow"):
        page.get_by_role("checkbox", name=f"“Sprint” is judged in it: {name}", exact=True).uncheck()
    looking = page.get_by_role("radiogroup", name="State looked at")
    expect(looking).to_contain_text("Judged in these only")
    expect(looking.get_by_role("radio")).to_have_count(4)
    for name in ("Wet, slow", "Wet, fast", "Wet, slow, light"):
        page.get_by_role("checkbox", name=f"“Sprint” is judged in it: {name}", exact=True).uncheck()
    expect(page.get_by_role("checkbox", name="“Sprint” is judged in it: Wet, fast, light")).to_be_disabled()
    page.get_by_role("button", name="Undo").click()
    expect(looking.get_by_role("radio")).to_have_count(2)
    expect(view.verdict("lock_order")).to_contain_text("Wet, slow, light")
    expect(page.get_by_role("status").filter(has_text="setup revision")).to_contain_text("· saved")
    places.get_by_role("link", name="Garage").click()
    row = page.get_by_role("region", name="Wren").get_by_role("listitem", name="Sprint", exact=True)
    expect(row).to_contain_text("judged in Wet, slow, light; Wet, fast, light only")
