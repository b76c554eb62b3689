"""Help stands in the form of the field that has the focus; words explain themselves; what is the car's says so."""

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.conftest import Chain, left_open, open_setup
from tests.conftest import DemoServer


def test_each_form_has_the_help_of_its_own_field(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    page.keyboard.press("1")
    # Under the field that has the focus, and nowhere else.
    help_shown = page.locator("[data-help]:not(.away)")
    page.get_by_label("Wheelbase").focus()
    expect(help_shown).to_contain_text("Front hub to rear hub")
    expect(page.locator(".field", has=page.get_by_label("Wheelbase")).locator("[data-help]")).to_be_visible()
    # By pointer it comes when the press is over: nothing moves under it.
    box = page.get_by_label("Registered for the road")
    box.click()
    expect(box).to_be_checked()
    expect(help_shown).to_contain_text("limits for road cars")
    # Another form shows no help for that field.
    page.evaluate("document.activeElement.blur()")
    page.keyboard.press("2")
    page.get_by_role("tab", name="Part details").click()
    expect(help_shown).to_have_count(0)
    page.get_by_label("Bar length").focus()
    expect(help_shown).to_contain_text("Between the centres of the two clevises")
    # Nor does the sheet of a part, which has its own.
    view = chain(page)
    view.joint("Front pistons").focus()
    page.keyboard.press("Space")
    sheet = page.get_by_role("complementary", name="Front pistons")
    expect(sheet.locator("[data-help]:not(.away)")).to_have_count(0)
    sheet.get_by_label("Pad gap").focus()
    expect(sheet.locator("[data-help]:not(.away)")).to_contain_text("roll-back")
    page.keyboard.press("Escape")
    expect(sheet).to_have_count(0)


def test_numbers_say_whose_they_are_and_when(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    view = chain(visit())
    for headline, words in (
        ("front.has.clamp", "of each caliper, at the design effort"),
        ("front.has.torque", "of each wheel, at the design effort"),
        ("front.has.brake_force", "both wheels, at the design effort"),
        ("front.lock_foot_force", "at which this axle locks"),
        ("needed_ratio", "would just lock the first axle"),
    ):
        expect(view.number(headline)).to_have_attribute("title", re.compile(words))
    for axle in ("front", "rear"):
        heads = view.page.locator(f"[data-axle-table={axle}]").get_by_role("rowheader")
        for whose in ("clamp, caliper N", "torque, wheel N·m", "force, axle N"):
            expect(heads.filter(has_text=whose)).to_be_visible()


def test_the_caution_is_one_line_that_stands_out_until_it_is_read(visit: Callable[..., Page], demo: DemoServer) -> None:
    page = visit()
    caution = page.get_by_role("region", name="Fixes").locator(".caution")
    expect(caution).to_contain_text("Estimates, not a design approval.")
    caution.get_by_role("button", name="read the cautions").click()
    expect(page.get_by_role("dialog")).to_contain_text("A competent person inspects hydraulics")
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)
    left_open(page, demo, caution_read=True)
    page.reload()
    expect(caution.get_by_role("button", name="cautions", exact=True)).to_be_visible()


def test_the_matrix_uses_the_names_that_were_given(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    page.get_by_role("tab", name="States").click()
    name = page.locator("[data-path='car.states.0.name']")
    name.fill("Friday test")
    name.press("Enter")
    cell = page.get_by_role("main").get_by_role("button", name=re.compile("Friday test")).first
    expect(cell).to_contain_text("Friday test")
    expect(page.get_by_text("Friday test", exact=True).first).to_be_visible()


def test_a_bar_is_offered_with_the_booster_off_and_can_be_left(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    open_setup(page, "Dunnock", "Stock")
    page.get_by_role("tab", name="Part details").click()
    split = page.get_by_label("Brake circuits split by")
    split.select_option("bar")
    # It does not snap back: the choice stands, with what is in its way and what makes room.
    expect(split).to_have_value("bar")
    expect(page.get_by_role("alert")).to_contain_text("A booster pushes one rod")
    page.get_by_role("button", name="Leave it as it was").click()
    expect(split).to_have_value("tandem")
    expect(page.get_by_role("alert")).to_have_count(0)
    split.select_option("bar")
    page.get_by_role("button", name="Fit the bar and take the booster off").click()
    expect(chain(page).joint("Balance bar")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(chain(page).joint("Booster gain")).to_be_visible()


def test_limits_and_sessions_say_that_they_are_the_cars(visit: Callable[..., Page]) -> None:
    page = visit()
    page.locator("[data-verdict=leg]").click()
    sheet = page.get_by_role("complementary", name="Leg")
    sheet.get_by_text("Limits, for this car").click()
    expect(sheet).to_contain_text("a change counts for all its setups: Sprint, As bought")
    page.keyboard.press("Escape")
    page.keyboard.press("1")
    expect(page.get_by_role("main")).to_contain_text("a change counts for all its setups: Sprint, As bought")
