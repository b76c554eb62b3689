"""The plan through the real interface: step by step, tried on, kept, undone; pinned, stopped, by key and by touch."""

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import open_setup
from tests.browser.test_accessible import findings
from tests.browser.test_heat import COMPILED
from tests.browser.test_layout import laid_out_well

SOUND = re.compile("steps? to a sound car")


def plan(page: Page, car: str, setup: str) -> Locator:
    """Opens the place and waits for the plan; its steps."""
    open_setup(page, car, setup)
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Plan").click()
    expect(page.get_by_role("heading", name=SOUND)).to_be_visible(timeout=COMPILED)
    return page.get_by_role("button", name=re.compile("^try: step"))


def gravest(page: Page) -> Locator:
    return page.get_by_role("region", name="Verdicts").locator(".gravest")


@pytest.mark.parametrize(
    ("car", "setup", "worst"),
    [
        ("Wren", "Sprint", "Rear locks first"),
        ("Wren", "Long pedal life", "Rear locks first"),
        ("Dunnock", "Stock", "Front fluid boils parked"),
    ],
)
def test_a_red_car_becomes_sound_step_by_step(visit: Callable[..., Page], car: str, setup: str, worst: str) -> None:
    page = visit()
    steps = plan(page, car, setup)
    expect(gravest(page)).to_contain_text(worst)
    expect(gravest(page)).to_contain_text(SOUND)
    count = steps.count()
    assert 1 <= count <= 5
    undo = page.get_by_role("button", name="Undo")
    for step in range(1, count + 1):
        page.get_by_role("button", name=re.compile(f"^try: step {step},")).click()
        expect(page.get_by_text("on the bench", exact=True)).to_have_count(step)
        expect(page.get_by_role("region", name="Plan").get_by_text("Trying: ")).to_be_visible()
        page.get_by_role("button", name="keep", exact=True).click()
    expect(gravest(page)).to_contain_text(f"{count} of {count} steps on the bench")
    # Nothing is bad any more, once the sessions and the likely cars have been worked out.
    expect(page.locator("[data-verdict] .word.bad")).to_have_count(0, timeout=COMPILED)
    expect(gravest(page).locator(".word.bad")).to_have_count(0)
    for _ in range(count):
        undo.click()
    expect(page.get_by_text("on the bench", exact=True)).to_have_count(0)
    expect(gravest(page)).to_contain_text(worst, timeout=COMPILED)


def test_a_step_is_tried_on_and_put_back(visit: Callable[..., Page]) -> None:
    page = visit()
    steps = plan(page, "Wren", "Sprint")
    steps.first.click()
    expect(page.get_by_text("on the bench", exact=True)).to_have_count(1)
    page.get_by_role("button", name="undo it").click()
    expect(page.get_by_text("on the bench", exact=True)).to_have_count(0)
    expect(page.get_by_text("not saved")).to_have_count(0)


def test_a_pinned_part_stays_and_the_pin_is_remembered(visit: Callable[..., Page]) -> None:
    page = visit()
    plan(page, "Wren", "Long pedal life")
    table = page.get_by_role("table", name=re.compile("^The steps"))
    expect(table).to_contain_text("Front cylinder")
    pins = page.get_by_role("region", name="What may not be touched")
    pins.get_by_label("front cylinder").check()
    expect(page.get_by_role("button", name="Stop", exact=True)).to_be_visible()
    expect(page.get_by_role("button", name="Plan again")).to_be_visible(timeout=COMPILED)
    expect(page.get_by_role("table", name=re.compile("^The steps"))).not_to_contain_text("Front cylinder")
    page.reload()
    expect(page.get_by_role("button", name="Plan again")).to_be_visible(timeout=COMPILED)
    expect(pins.get_by_label("front cylinder")).to_be_checked()


def test_the_shops_own_hours_change_the_plan_of_least_work(visit: Callable[..., Page]) -> None:
    page = visit()
    plan(page, "Wren", "As bought")
    table = page.get_by_role("table", name=re.compile("^The steps"))
    expect(table).to_contain_text("Bar:")
    page.get_by_text("Hours of work at one axle").click()
    hours = page.get_by_label("Hours: settings")
    hours.fill("a while")
    hours.press("Enter")
    expect(page.get_by_text("Hours from 0 to 1000, such as 1.5.")).to_be_visible()
    expect(hours).to_have_value("a while")
    hours.fill("60")
    hours.press("Enter")
    expect(page.get_by_role("button", name="Plan again")).to_be_visible(timeout=COMPILED)
    expect(table).not_to_contain_text("Bar:")


def test_a_plan_shows_its_progress_and_can_be_stopped(visit: Callable[..., Page]) -> None:
    page = visit()
    open_setup(page, "Dunnock", "Valve taken out")
    page.get_by_role("navigation", name="Places").get_by_role("link", name="Plan").click()
    expect(page.get_by_role("progressbar", name="Changes simulated")).to_be_visible()
    page.get_by_role("button", name="Stop", exact=True).click()
    expect(page.get_by_role("progressbar", name="Changes simulated")).to_have_count(0)
    expect(page.get_by_role("button", name="Make a plan")).to_be_visible()


def test_a_plan_is_kept_as_a_new_setup_and_sessions_are_asked_for(visit: Callable[..., Page]) -> None:
    page = visit()
    plan(page, "Wren", "Sprint")
    page.get_by_role("button", name="Keep as a new setup…").click()
    dialog = page.get_by_role("dialog", name="Keep the plan as a new setup")
    dialog.get_by_label("Name").fill("")
    expect(dialog.get_by_role("status")).to_have_text("Give it a name.")
    dialog.get_by_label("Name").fill("Sprint, made sound")
    dialog.get_by_role("button", name="Keep it").click()
    expect(page).to_have_title("Wren, Sprint, made sound: Plimbo")
    expect(page.get_by_role("heading", name="Sound as it is")).to_be_visible(timeout=COMPILED)
    open_setup(page, "Wren", "Sprint")
    expect(gravest(page)).to_contain_text("Rear locks first", timeout=COMPILED)


def test_by_key_alone(visit: Callable[..., Page]) -> None:
    page = visit()
    open_setup(page, "Wren", "Sprint")
    page.evaluate("document.activeElement.blur()")
    page.keyboard.press("5")
    expect(page.get_by_role("heading", name=SOUND)).to_be_visible(timeout=COMPILED)
    step = page.get_by_role("button", name=re.compile("^try: step 1"))
    step.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("on the bench", exact=True)).to_have_count(1)
    page.keyboard.press("Control+z")
    expect(page.get_by_text("on the bench", exact=True)).to_have_count(0)


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
def test_no_serious_findings(visit: Callable[..., Page], dark: bool) -> None:
    page = visit()
    if dark:
        page.get_by_role("button", name="Night").click()
    plan(page, "Dunnock", "Stock")
    assert findings(page, contrast_only=dark) == []


@pytest.mark.parametrize("width", [390, 1024, 1280])
def test_nothing_is_cut_or_lies_over_another(visit: Callable[..., Page], width: int) -> None:
    page = visit(viewport={"width": width, "height": 844}, has_touch=width < 500)
    plan(page, "Dunnock", "Stock")
    laid_out_well(page, f"plan, {width}")
    if width < 500:
        page.get_by_role("button", name=re.compile("^try: step 1")).tap()
        expect(page.get_by_text("on the bench", exact=True)).to_have_count(1)
