"""What is kept: the desk, the baseline, copies, and the sheet beside the work."""

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Chain, left_open
from tests.conftest import DemoServer


def menu(page: Page, item: str) -> None:
    page.get_by_role("button", name="File", exact=True).click()
    page.get_by_role("menuitem", name=item).click()


def test_units_night_place_and_baseline_come_back(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], demo: DemoServer
) -> None:
    page = visit()
    page.keyboard.press("b")
    expect(page.get_by_role("button", name="Compared with: Sprint")).to_be_visible()
    chain(page).joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    page.get_by_role("button", name="Night").click()
    page.get_by_label("Units").click()
    page.get_by_role("option", name="Imperial").click()
    page.get_by_role("link", name="Car").click()
    expect(page.get_by_role("status").filter(has_text="revision 2")).to_contain_text("· saved")
    left_open(page, demo, place="car", units="imperial", dark=True)
    page.context.close()

    page = visit()
    expect(page).to_have_url(re.compile("/car$"))
    expect(page.locator("html.dark")).to_have_count(1)
    expect(page.get_by_label("Mass", exact=True)).to_have_value("1411")
    page.keyboard.press("2")
    expect(page.get_by_role("button", name="Compared with: Sprint")).to_be_visible()
    expect(chain(page).joint("Rear cylinder")).to_contain_text("was 13/16")


@pytest.mark.parametrize("place", ["Car", "Chain", "Heat"])
def test_the_place_that_lay_open_is_opened_again(visit: Callable[..., Page], demo: DemoServer, place: str) -> None:
    page = visit()
    page.get_by_role("link", name=place).click()
    left_open(page, demo, place=place.lower())
    page.context.close()
    expect(visit().get_by_role("link", name=place)).to_have_attribute("aria-current", "page")


def test_a_new_car_and_a_new_setup_from_the_present_ones(visit: Callable[..., Page], demo: DemoServer) -> None:
    page = visit()
    menu(page, "New setup from this one")
    expect(page.get_by_role("button", name="Done")).to_be_disabled()
    page.get_by_label("Name", exact=True).fill("Trial")
    page.keyboard.press("Enter")
    expect(page).to_have_title("Wren, Trial: Plimbo")
    menu(page, "New car from this one")
    page.get_by_label("Name", exact=True).fill("Second Wren")
    page.keyboard.press("Enter")
    expect(page).to_have_title("Second Wren, Trial: Plimbo")
    names = [one["name"] for one in page.request.get(f"{demo.url}/api/cars").json()]
    assert names == ["Wren", "Dunnock", "Pipit", "Second Wren"]
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name="Pipit").click()
    expect(page).to_have_title("Pipit, As built: Plimbo")
    expect(page.get_by_role("radio", name="Mud")).to_be_visible()


def test_choosing_what_is_open_does_not_stop_a_change_of_place(visit: Callable[..., Page]) -> None:
    page = visit()
    # The scripts of the place arrive late, as on a slow machine.
    page.route("**/HeatPlace*.js", lambda route: (page.wait_for_timeout(1500), route.continue_()))
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name="Wren").click()
    page.get_by_role("link", name="Heat", exact=True).click()
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Sprint", exact=True).click()
    expect(page).to_have_url(re.compile("/heat$"))


def test_every_computed_number_on_the_chain_opens_its_working(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    numbers = page.locator("main [data-headline]")
    headlines = sorted({numbers.nth(n).get_attribute("data-headline") or "" for n in range(numbers.count())})
    assert len(headlines) > 30
    for headline in headlines:
        chain(page).number(headline).click(force=True)
        expect(page.locator("[data-working] li").first).to_be_visible()
        shown = chain(page).number(headline).locator("b").inner_text()
        # In a table the unit stands in the head of the row.
        expect(page.locator("aside .headline strong")).to_contain_text(shown)
        page.keyboard.press("Escape")
        expect(page.locator("aside")).to_have_count(0)


def test_a_verdict_opens_its_reason_and_the_change_that_mends_it(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    chain(page).verdict("lock_order").click()
    sheet = page.get_by_role("complementary", name="Lock order")
    expect(sheet).to_contain_text(
        "the rear locks at 1.32\u00a0g, the front would hold to 1.41\u00a0g. The car can spin."
    )
    expect(sheet).to_contain_text("must")
    first = sheet.get_by_role("listitem").first
    expect(first).to_contain_text("Bar: 2\u00a0turns toward the front")
    expect(first).to_contain_text("front first by 0.11\u00a0g, foot −40\u00a0N")
    sheet.get_by_role("button", name=re.compile("^try")).first.click()
    expect(sheet).to_contain_text("Front first in every state.")
    sheet.get_by_role("button", name="undo it").click()
    expect(sheet).to_contain_text("The car can spin.")

    # The metres that it costs have their working too.
    sheet.get_by_role("button", name="that stop longer than ideal by").click()
    expect(page.locator("aside .headline strong")).to_have_text("0.8\u00a0m")
    expect(page.locator("[data-working]")).to_contain_text("∫ v dv / a(v) from")
    page.keyboard.press("Escape")
    # The heat of the sessions has its own place; the one stop is shown there too.
    chain(page).verdict("heat").click()
    page.get_by_role("tab", name="Summary").click()
    page.get_by_role("button", name="One stop from top speed").click()
    page.get_by_role("button", name="front disc heats by").click()
    expect(page.locator("[data-working] li").first).to_contain_text("Disc heats by, in one stop, front")


def test_states_can_be_added_changed_and_removed(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    page.keyboard.press("1")
    page.get_by_role("tablist", name="The car").get_by_role("tab", name="States").click()
    page.get_by_role("button", name="Add a state").click()
    page.get_by_label("State 9, name").fill("Ice")
    page.keyboard.press("Enter")
    page.get_by_label("Ice, own grip").fill("10")
    page.keyboard.press("Enter")
    page.get_by_role("radio", name="Ice").check(force=True)
    expect(page.locator("[data-headline=limit_deceleration] b")).to_have_text("0.40\u00a0g")
    page.get_by_label("Ice, load").select_option("As weighed")
    page.get_by_label("Ice, speed").fill("54")
    page.keyboard.press("Enter")
    expect(page.locator("[data-headline=limit_deceleration] b")).to_have_text("0.15\u00a0g")
    page.get_by_label("Ice, name").fill("Dry, slow")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Two states have the same name")
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Remove Ice").click()
    expect(page.get_by_role("radio", name="Ice")).to_have_count(0)
    expect(page.get_by_role("radio", name="Dry, slow", exact=True)).to_be_checked()
    page.get_by_role("tab", name="Tyres").click()
    grip = page.get_by_label("Tyre grip, rear")
    grip.fill("1.5")
    page.keyboard.press("Enter")
    expect(chain(page).verdict("lock_order")).to_contain_text("was rear locks first")
    page.get_by_role("button", name="Undo").click()
    expect(grip).to_have_value("1.30")
