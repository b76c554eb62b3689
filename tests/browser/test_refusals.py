"""Bad input: a clear message at the field, nothing typed is lost, nothing half saved."""

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from plimbo.core import Car
from tests.browser.conftest import Chain
from tests.conftest import DemoServer
from tests.waiting import until


@pytest.mark.parametrize(
    ("field", "typed", "message"),
    [
        ("Mass", "-640", "Must be more than 50 kg."),
        ("Mass", "heavy", "Type a number"),
        ("Mass", "640 stone", "“stone” is not a unit for this. Use kg, lb."),
        ("Mass", "NaN", "Type a number"),
        ("Mass", "1e999", "not a finite number"),
        ("Front weight share", "0", "Must be more than 0 %."),
        ("Front weight share", "100", "Must be less than 100 %."),
        ("Hardest stop, down to", "300", "must end slower than it starts"),
        ("Foot force limit", "20 kg", "raise the limit or choose a lighter push"),
        ("Dry, slow, speed", "500 mph", "Must be at most 432 km/h."),
        ("Dry, fast, own grip", "0", "Must be at least 2 %."),
        ("Load sensitivity", "90", "Must be at most 50 %."),
        ("Air temperature", "-90", "Must be at least −53 °C."),
        ("Fuel aboard", "120", "Must be at most 100 %."),
    ],
)
def test_impossible_values_on_the_car(
    visit: Callable[..., Page], field: str, typed: str, message: str, demo: DemoServer
) -> None:
    page = visit()
    page.keyboard.press("1")
    tab = {"Dry": "States", "Load": "Tyres", "Air": "Air", "Fuel": "Loads"}.get(re.split("[ ,]", field)[0])
    if tab:
        page.get_by_role("tablist", name="The car").get_by_role("tab", name=tab).click()
    entry = page.get_by_label(field, exact=True).first
    before = entry.input_value()
    loads = page.locator("[data-headline='front.limit_load']").inner_text()
    entry.fill(typed)
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text(message)
    expect(entry).to_have_value(typed)
    expect(entry).to_have_attribute("aria-invalid", "true")
    assert page.locator("[data-headline='front.limit_load']").inner_text() == loads
    entry.focus()
    page.keyboard.press("Escape")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(entry).to_have_value(before)
    # The next value that is taken is the first that is saved.
    address = f"{demo.url}/api/cars/{page.request.get(f'{demo.url}/api/cars').json()[0]['id']}"
    kept = Car.model_validate(page.request.get(address).json()["car"])
    page.get_by_role("tablist", name="The car").get_by_role("tab", name="Weight, driver").click()
    page.get_by_label("Wheelbase", exact=True).fill("2.33 m")
    page.keyboard.press("Enter")
    until(lambda: page.request.get(address).json()["version"] > 1)
    stored = page.request.get(address).json()
    assert (stored["version"], Car.model_validate(stored["car"])) == (2, kept.patched({"wheelbase": 2.33}))


def test_unusual_values_are_taken_with_a_word(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    entry = page.get_by_label("Wheelbase", exact=True)
    entry.fill("4 m")
    page.keyboard.press("Enter")
    expect(entry).to_have_value("4000")
    expect(page.get_by_text("Outside the usual 1500 to 3100\u00a0mm.")).to_be_visible()
    expect(page.get_by_role("alert")).to_have_count(0)


def test_assumptions_carry_a_mark_until_confirmed(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    marks = page.get_by_role("button", name="assumed")
    expect(marks.first).to_be_visible()
    count = marks.count()
    page.locator(".field").filter(has_text="Foot force limit").get_by_role("button", name="assumed").click()
    expect(marks).to_have_count(count - 1)


def test_parts_that_do_not_go_together(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    pistons = view.joint("Rear pistons")
    pistons.focus()
    page.keyboard.press("4")
    page.get_by_role("textbox", name="Rear pistons, type a size").fill("38.1 + 38.1 + 38.1 mm")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").first).to_contain_text("side by side take 114.3 mm, more than the")
    page.keyboard.press("Escape")
    expect(pistons).to_have_attribute("aria-valuetext", "36 + 36\u00a0mm")

    cylinder = view.joint("Front cylinder")
    cylinder.focus()
    page.keyboard.press("0")
    entry = page.get_by_role("textbox", name="Front cylinder, type a size")
    expect(entry).to_have_value("0")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert").first).to_contain_text("Must be at least 0.157\u00a0in.")
    expect(entry).to_have_value("0")
    page.keyboard.press("Escape")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_all_sizes_of_a_part_can_be_changed(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    page = visit()
    view = chain(page)
    expect(view.verdict("heat")).to_contain_text("Front fluid begins to boil parked")
    view.joint("Front disc").focus()
    page.get_by_role("button", name="Front disc, all sizes").click()
    page.get_by_label("Disc material").select_option("carbon_carbon")
    expect(view.verdict("heat")).to_contain_text("was front fluid begins to boil parked")
    page.get_by_label("Ring mass, weighed").fill("2.1")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Ring mass, weighed")).to_have_value("2")
    page.get_by_label("Ring height").fill("150")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("reaches the middle of the disc")


def test_two_tabs_saving_the_same_setup(visit: Callable[..., Page], chain: Callable[[Page], Chain]) -> None:
    first, second = visit(), visit()
    chain(first).joint("Rear cylinder").focus()
    first.keyboard.press("ArrowUp")
    expect(first.get_by_role("status").filter(has_text="revision 2")).to_contain_text("saved")

    chain(second).joint("Pedal ratio").focus()
    second.keyboard.press("ArrowUp")
    dialog = second.get_by_role("dialog", name="Changed in another tab")
    expect(dialog).to_contain_text("Nothing of yours is lost")
    dialog.get_by_role("button", name="Keep mine as a new one").click()
    expect(second).to_have_title("Wren, Sprint (mine): Plimbo")
    expect(chain(second).joint("Pedal ratio")).to_have_attribute("aria-valuetext", "5.25\u00a0: 1")
    expect(chain(second).joint("Rear cylinder")).to_have_attribute("aria-valuetext", "13/16\u00a0in")
    first.reload()
    expect(chain(first).joint("Pedal ratio")).to_have_attribute("aria-valuetext", "5.00\u00a0: 1")
    expect(chain(first).joint("Rear cylinder")).to_have_attribute("aria-valuetext", "7/8\u00a0in")


@pytest.mark.parametrize(
    ("choice", "ratio", "bore"), [("Put mine on top", "5.25", "13/16"), ("Take the other", "5.00", "7/8")]
)
def test_two_tabs_other_choices(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], choice: str, ratio: str, bore: str
) -> None:
    first, second = visit(), visit()
    chain(first).joint("Rear cylinder").focus()
    first.keyboard.press("ArrowUp")
    expect(first.get_by_role("status").filter(has_text="revision 2")).to_contain_text("saved")
    chain(second).joint("Pedal ratio").focus()
    second.keyboard.press("ArrowUp")
    second.get_by_role("button", name=choice).click()
    expect(second.get_by_role("status").filter(has_text="revision")).to_contain_text("· saved")
    second.reload()
    expect(chain(second).joint("Pedal ratio")).to_have_attribute("aria-valuetext", f"{ratio}\u00a0: 1")
    expect(chain(second).joint("Rear cylinder")).to_have_attribute("aria-valuetext", f"{bore}\u00a0in")


@pytest.mark.parametrize("kind", ["car", "setup"])
def test_what_was_deleted_elsewhere_is_kept_anew_or_let_go(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], demo: DemoServer, kind: str
) -> None:
    kept, left = visit(), visit()
    wren = next(car for car in kept.request.get(f"{demo.url}/api/garage").json() if car["name"] == "Wren")
    sprint = next(setup for setup in wren["setups"] if setup["name"] == "Sprint")
    address = f"{demo.url}/api/{kind}s/{(wren if kind == 'car' else sprint)['id']}"
    assert kept.request.put(f"{address}/archived", data={"archived": True}).ok
    assert kept.request.delete(address).ok
    for page in (kept, left):
        chain(page).joint("Pedal ratio").focus()
        page.keyboard.press("ArrowUp")
        expect(page.get_by_role("dialog", name="Deleted in another tab")).to_contain_text("deleted for good elsewhere")
    kept.get_by_role("button", name="Keep mine as a new one").click()
    expect(kept).not_to_have_url(re.compile(sprint["id"]))
    kept.reload()
    expect(kept).to_have_title("Wren, Sprint: Plimbo")
    expect(chain(kept).joint("Pedal ratio")).to_have_attribute("aria-valuetext", "5.25\u00a0: 1")
    left.get_by_role("button", name="Let it go").click()
    expect(left).to_have_title("Garage: Plimbo")
    expect(left.get_by_role("region", name="Wren").get_by_role("listitem", name="Sprint")).to_have_count(1)
    left.goto(f"{demo.url}/{sprint['id']}/chain")
    expect(left.get_by_text("The setup of that address is not here. Was it deleted?")).to_be_visible()
    expect(left).to_have_title("Garage: Plimbo")


def test_a_server_that_is_gone_loses_nothing_typed(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], demo: DemoServer
) -> None:
    page = visit()
    demo.stop()
    chain(page).joint("Pedal ratio").focus()
    page.keyboard.press("6")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Plimbo's server does not answer")
    expect(page.get_by_role("textbox", name="Pedal ratio, type a size")).to_have_value("6")


def test_two_tabs_changing_the_same_car(visit: Callable[..., Page], demo: DemoServer) -> None:
    first, second = visit(), visit()
    wren = f"{demo.url}/api/cars/{first.request.get(f'{demo.url}/api/cars').json()[0]['id']}"
    for page, mass in ((first, "650"), (second, "660")):
        page.keyboard.press("1")
        page.get_by_label("Mass", exact=True).fill(mass)
        page.keyboard.press("Enter")
        if page is first:
            until(lambda: first.request.get(wren).json()["car"]["mass"] == 650)
    dialog = second.get_by_role("dialog", name="Changed in another tab")
    expect(dialog).to_contain_text("This car was saved elsewhere")
    dialog.get_by_role("button", name="Keep mine as a new one").click()
    expect(second).to_have_title("Wren (mine), Sprint: Plimbo")
    expect(second.get_by_label("Mass", exact=True)).to_have_value("660")
    listed = second.request.get(f"{demo.url}/api/cars").json()
    cars = [second.request.get(f"{demo.url}/api/cars/{one['id']}").json()["car"] for one in listed]
    kept = {car["name"]: car["mass"] for car in cars}
    assert (kept["Wren"], kept["Wren (mine)"]) == (650, 660)


def test_going_elsewhere_at_once_loses_neither_the_last_change_nor_a_conflict(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], demo: DemoServer
) -> None:
    page = visit()
    chain(page).joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    expect(chain(page).joint("Rear cylinder")).to_have_attribute("aria-valuetext", "7/8\u00a0in")
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Endurance").click()
    expect(page).to_have_title("Wren, Endurance: Plimbo")
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Sprint").click()
    expect(chain(page).joint("Rear cylinder")).to_have_attribute("aria-valuetext", "7/8\u00a0in")

    # Another tab saves this setup; here it is changed and left at once for another one.
    address = f"{demo.url}/api/setups/{page.url.split('/')[-2]}"
    stored = page.request.get(address).json()
    page.request.put(address, data={"version": stored["version"], "setup": stored["setup"]})
    page.evaluate(
        """async () => {
            const pedal = document.querySelector("[data-joint=pedal] [role=spinbutton]");
            pedal.dispatchEvent(new KeyboardEvent("keydown", { key: "ArrowUp", bubbles: true }));
            while (!pedal.getAttribute("aria-valuetext").startsWith("5.25")) await new Promise(requestAnimationFrame);
            history.back();
        }"""
    )
    page.get_by_role("button", name="Put mine on top").click()
    expect(page).to_have_title("Wren, Sprint: Plimbo")
    expect(chain(page).joint("Pedal ratio")).to_have_attribute("aria-valuetext", "5.25\u00a0: 1")
    expect(page.get_by_role("status").filter(has_text="revision")).to_contain_text("· saved")
    assert page.request.get(address).json()["setup"]["pedal"]["ratio"] == 5.25
