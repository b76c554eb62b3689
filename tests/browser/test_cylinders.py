"""Cylinders at a glance: from a typed target to a kept pair; and two changes tried on together."""

import re
from collections.abc import Callable

from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Chain, open_setup
from tests.waiting import until


def opened(page: Page) -> None:
    page.get_by_role("tab", name="Cylinders", exact=True).click()
    expect(page.get_by_role("columnheader", name="0.700\u00a0in")).to_be_visible()


def test_from_a_typed_target_to_a_kept_pair_by_keyboard(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    opened(page)
    fitted = page.get_by_role("button", name="front 0.700\u00a0in, rear 13/16\u00a0in, fitted")
    expect(fitted).to_contain_text("can be used, rear first")
    expect(fitted).to_contain_text("411\u00a0N · 52.6\u00a0mm")
    target = page.get_by_label("Looking for")
    target.focus()
    page.keyboard.type("60 apples")
    page.keyboard.press("Enter")
    expect(page.get_by_text("says not what of: type 60 % by pressure")).to_be_visible()
    target.fill("60 % by pressure, bar centred")
    page.keyboard.press("Enter")
    # Areas of 7/8 and 15/16 in to 0.700 and 3/4 in: 61 and 61 %; the nearest is 13/16 in front, 1 in rear, 60.2 %.
    first = page.get_by_role("button", name="1. 13/16 F, 1 R")
    expect(first).to_be_visible()
    first.focus()
    page.keyboard.press("Enter")
    cell = page.get_by_role("button", name="front 13/16\u00a0in, rear 1\u00a0in, nearest 1")
    expect(cell).to_be_focused()
    expect(page.get_by_text("bar centred 60.2\u00a0% by pressure")).to_be_visible()
    page.keyboard.press("ArrowUp")
    expect(page.get_by_role("button", name="front 13/16\u00a0in, rear 15/16\u00a0in")).to_be_focused()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "1\u00a0in")
    expect(view.joint("Front cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")
    expect(view.verdict("lock_order")).to_contain_text("Front first, just")
    expect(page.get_by_role("button", name="front 13/16\u00a0in, rear 1\u00a0in, fitted")).to_be_visible()
    tried = page.get_by_role("tabpanel").get_by_role("status").filter(has_text="Trying: front 13/16")
    tried.get_by_role("button", name="undo it").press("Enter")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")
    cell.press("Enter")
    tried.get_by_role("button", name="keep").press("Enter")
    expect(tried).to_have_count(0)
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "1\u00a0in")


def test_a_push_is_looked_for_and_a_pair_tried_on_by_touch_with_the_bar_as_wanted(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit(has_touch=True)
    view = chain(page)
    opened(page)
    target = page.get_by_label("Looking for")
    target.tap()
    target.fill("300 N at lock")
    target.press("Enter")
    # A push is asked of pairs as they are run, and so they are shown.
    expect(page.get_by_label("bar set for each state")).to_be_checked()
    page.get_by_role("button", name=re.compile(r"^1\. ")).tap()
    cell = page.locator("td button[tabindex='0']")
    expect(cell).to_be_focused()
    expect(cell).to_contain_text("front first")
    push = float(re.findall(r"\d+", cell.locator(".second").text_content() or "")[0])
    assert abs(push - 300) < 15
    cell.tap()
    # The head says the state that is shown; this one is the heaviest.
    page.get_by_role("radio", name="Dry, fast", exact=True).check(force=True)
    expect(view.verdict("leg")).to_contain_text(f"{push:.0f}\u00a0N")
    expect(view.verdict("lock_order")).not_to_contain_text("Rear locks first")
    page.get_by_role("button", name="keep").tap()
    expect(page.get_by_role("button", name="undo it")).to_have_count(0)
    expect(view.verdict("leg")).to_contain_text(f"{push:.0f}\u00a0N")


def test_a_tandem_cylinder_is_laid_out_by_the_knees_of_its_valve(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Dunnock", "Valve taken out")
    page.get_by_role("tab", name="Cylinders", exact=True).click()
    expect(page.get_by_role("rowheader", name="no valve")).to_be_visible()
    expect(page.get_by_role("button", name="tandem 15/16\u00a0in, no valve, fitted")).to_be_visible()
    expect(page.get_by_label("bar set for each state")).to_have_count(0)
    page.get_by_role("button", name="tandem 15/16\u00a0in, knee 25.0\u00a0bar").click()
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")


def test_two_changes_are_tried_on_together_and_put_back(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Wren", "Long pedal life")
    view.verdict("leg").click()
    sheet = page.get_by_role("complementary", name="Leg")
    both = sheet.get_by_role("listitem").first
    expect(both).to_contain_text(
        "Front cylinder 1\u00a0in → 3/4\u00a0in and Rear cylinder 1 1/8\u00a0in → 15/16\u00a0in"
    )
    both.get_by_role("button", name=re.compile("^try")).click()
    expect(view.joint("Front cylinder")).to_have_attribute("aria-valuetext", "3/4\u00a0in")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "15/16\u00a0in")
    expect(view.verdict("leg")).to_contain_text("Pedal effort OK")
    sheet.get_by_role("button", name="undo it").click()
    expect(view.joint("Front cylinder")).to_have_attribute("aria-valuetext", "1\u00a0in")
    expect(view.joint("Rear cylinder")).to_have_attribute("aria-valuetext", "1 1/8\u00a0in")
    expect(view.verdict("leg")).to_contain_text("Too heavy")


def test_a_limit_is_set_for_this_car_where_the_verdict_is_explained(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    view = chain(page)
    open_setup(page, "Wren", "Endurance")
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")
    view.verdict("lock_order").click()
    sheet = page.get_by_role("complementary", name="Lock order")
    sheet.get_by_text("Limits, for this car").click()
    limit = sheet.get_by_label("Grip in the best state, watched under")
    limit.fill("99.9 %")
    limit.press("Enter")
    expect(view.verdict("lock_order")).to_contain_text("Too much front")
    expect(sheet).to_contain_text("99.9\u00a0% in the best state")
    sheet.get_by_role("button", name="Close").click()
    page.get_by_role("button", name="Undo").click()
    expect(view.verdict("lock_order")).to_contain_text("Front locks first")


def test_a_ghost_is_of_the_same_stop_when_its_speeds_change(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    """Metres of two stops from different speeds do not compare."""
    page = visit()
    view = chain(page)
    page.get_by_role("button", name="Compare with this").click()
    view.joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    page.get_by_role("link", name="Car").click()
    top = page.get_by_label("Top speed")
    top.fill("150 km/h")
    top.press("Enter")
    expect(page.get_by_text("longer than the ideal stop, from 150\u00a0km/h to 72\u00a0km/h")).to_be_visible()
    page.get_by_role("link", name="Chain").click()
    view.verdict("lock_order").click()
    stop = page.get_by_role("complementary", name="Lock order").locator("[data-headline='stop.distance']")
    was = stop.locator("i")
    expect(was).to_be_visible()

    def metres(of: Locator) -> float:
        return float(re.findall(r"\d+\.\d", of.text_content() or "")[0])

    # From 223 km/h it was twice as long; the ghost is judged again a moment after the setup.
    until(lambda: abs(metres(stop.locator("b")) - metres(was)) < 0.1 * metres(was), "metres of two different stops")
