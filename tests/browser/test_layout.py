"""Nothing lies over anything else and nothing is cut: every tab of every place, on a desk, a tablet and a phone."""

from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Chain, open_setup
from tests.browser.layout import layout_faults
from tests.browser.test_keeping import menu
from tests.conftest import DemoServer

SIZES = {"desk": (1280, 800), "tablet": (1024, 768), "phone": (390, 844)}
WIDTHS = pytest.mark.parametrize("size", list(SIZES))


def sized(size: str) -> dict[str, object]:
    width, height = SIZES[size]
    return {"viewport": {"width": width, "height": height}}


def laid_out_well(page: Page, where: str) -> None:
    """Soon: what is still on its way may move things."""
    faults: list[str] = []
    for _ in range(60):
        faults = layout_faults(page)
        if not faults:
            return
        page.wait_for_timeout(250)
    raise AssertionError(f"{where}: " + "; ".join(faults))


def go_to(page: Page, place: str) -> None:
    page.evaluate("document.activeElement.blur()")
    page.keyboard.press({"Garage": "0", "Car": "1", "Chain": "2", "Heat": "3", "Air": "4", "Plan": "5"}[place])
    expect(page.get_by_role("link", name=place, exact=True)).to_have_attribute("aria-current", "page")


def every_tab(page: Page, where: str) -> None:
    lists = page.get_by_role("main").get_by_role("tablist")
    for one in range(lists.count()):
        for tab in lists.nth(one).get_by_role("tab").all():
            tab.click()
            expect(tab).to_have_attribute("aria-selected", "true")
            laid_out_well(page, f"{where}, {tab.inner_text()}")


@WIDTHS
@pytest.mark.parametrize(("car", "setup"), [("Wren", "Sprint"), ("Dunnock", "Big fronts, rear matched")])
def test_every_tab_of_every_place(visit: Callable[..., Page], size: str, car: str, setup: str) -> None:
    page = visit(**sized(size))
    open_setup(page, car, setup)
    for place in ("Chain", "Car", "Heat", "Air"):
        go_to(page, place)
        expect(page.get_by_role("main").get_by_role("tab").first).to_be_visible()
        every_tab(page, place)
    go_to(page, "Garage")
    expect(page.get_by_role("region", name="Pipit")).to_be_visible()
    laid_out_well(page, "Garage")


def test_a_window_made_narrower_and_wider(visit: Callable[..., Page]) -> None:
    page = visit(**sized("desk"))
    open_setup(page, "Wren", "Sprint")
    for place in ("Chain", "Car", "Heat", "Air"):
        go_to(page, place)
        if place in {"Chain", "Heat"}:
            expect(page.locator("main figure canvas").first).to_be_visible()
        laid_out_well(page, place)
        for size in ("tablet", "phone", "desk"):
            width, height = SIZES[size]
            page.set_viewport_size({"width": width, "height": height})
            laid_out_well(page, f"{place}, then {size}")


@WIDTHS
def test_a_new_car_step_by_step(visit_empty: Callable[..., Page], size: str) -> None:
    page = visit_empty(**sized(size))
    laid_out_well(page, "empty garage")
    page.get_by_role("button", name="New car").click()
    expect(page.get_by_label("Kind of car")).to_be_visible()
    laid_out_well(page, "new car")
    page.get_by_role("button", name="Begin").click()
    for title in ("Weight", "Tyres, air, engine", "Pedal and cylinders", "Calipers, discs, pads", "Circuits and ducts"):
        expect(page.get_by_role("heading", name=title)).to_be_visible()
        laid_out_well(page, title)
        if title != "Circuits and ducts":
            page.get_by_role("button", name="Next").click()
    go_to(page, "Chain")
    expect(page.get_by_role("region", name="The chain from foot to road")).to_be_visible()
    laid_out_well(page, "the chain of a new car")


@WIDTHS
def test_names_as_long_as_they_may_be(visit: Callable[..., Page], demo: DemoServer, size: str) -> None:
    long, unbroken = "Blue saloon of the two brothers, as it came from the hill climb in autumn, wet"[:80], "M" * 80
    page = visit(**sized(size))
    wren = next(car for car in page.request.get(f"{demo.url}/api/garage").json() if car["name"] == "Wren")
    address = f"{demo.url}/api/cars/{wren['id']}"
    car = page.request.get(address).json()["car"]
    car["name"] = long
    for number, one in enumerate([*car["states"], *car["sessions"]]):
        one["name"] = f"Cold, wet and windy {number:02}"
    assert page.request.put(address, data={"version": wren["version"], "car": car}).ok
    go_to(page, "Garage")
    page.get_by_role("button", name="Rename Sprint").click()
    page.keyboard.type(unbroken)
    page.keyboard.press("Enter")
    page.get_by_role("button", name=f"{unbroken}, open").click()
    expect(page).to_have_title(f"{long}, {unbroken}: Plimbo")
    page.get_by_role("button", name="Compare with this").click()
    expect(page.get_by_role("button", name=f"Compared with: {unbroken}")).to_be_visible()
    for place in ("Chain", "Heat", "Air", "Garage"):
        go_to(page, place)
        laid_out_well(page, place)


_COVERED = """
() => {
  const open = [...document.querySelectorAll('.steps')].find((one) => one.offsetParent !== null);
  const bar = open?.getBoundingClientRect();
  if (!bar) return ['no bar'];
  return [...document.querySelectorAll('main [data-headline]')]
    .filter((one) => {
      const box = one.getBoundingClientRect();
      return box.width && Math.min(box.right, bar.right) - Math.max(box.left, bar.left) > 2 &&
        Math.min(box.bottom, bar.bottom) - Math.max(box.top, bar.top) > 3;
    })
    .map((one) => one.dataset.headline);
}
"""


@pytest.mark.parametrize("size", ["desk", "tablet"])
def test_the_steps_of_a_joint_cover_none_of_the_numbers_that_move(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], size: str
) -> None:
    page = visit(**sized(size))
    for joint in (
        "Pedal ratio",
        "Balance bar",
        "Front cylinder",
        "Rear cylinder",
        "Front pistons",
        "Rear disc",
        "Front pad μ",
    ):
        chain(page).joint(joint).focus()
        assert page.evaluate(_COVERED) == [], joint
        laid_out_well(page, joint)


@pytest.mark.parametrize("size", ["desk", "tablet"])
def test_with_ghosts_with_bar_and_valve_and_with_what_is_refused(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], size: str
) -> None:
    page = visit(**sized(size))
    view = chain(page)
    # A bar set, and ghosts of a step beside every number.
    view.joint("Balance bar").focus()
    for _ in range(6):
        page.keyboard.press("ArrowUp")
    view.joint("Rear cylinder").focus()
    page.keyboard.press("Shift+ArrowUp")
    expect(view.joint("Rear cylinder")).to_contain_text("was")
    laid_out_well(page, "a step open over the drawing")
    page.evaluate("document.activeElement.blur()")
    laid_out_well(page, "ghosts")
    go_to(page, "Car")
    laid_out_well(page, "ghosts in the car")
    field = page.locator("[data-path='car.mass']")
    field.fill("9 t")
    field.press("Enter")
    expect(page.get_by_role("alert").first).to_be_visible()
    laid_out_well(page, "a refusal at its field")
    field.press("Escape")
    # A valve beside the bar.
    go_to(page, "Chain")
    page.get_by_role("tab", name="Part details").click()
    page.get_by_label("Rear valve").select_option("screw")
    expect(view.joint("Valve knee")).to_be_visible()
    laid_out_well(page, "bar and valve")
    # The working beside what it explains, from either side.
    for headline in ("rod_force", "rear.has.torque"):
        view.number(headline).click()
        sheet, number = page.get_by_role("complementary"), view.number(headline)
        expect(sheet).to_be_visible()
        beside, box = sheet.bounding_box(), number.bounding_box()
        assert beside
        assert box
        assert box["x"] + box["width"] <= beside["x"] or beside["x"] + beside["width"] <= box["x"], headline
        page.get_by_role("button", name="Close").click()
    menu(page, "History")
    expect(page.get_by_role("dialog", name="History").get_by_role("listitem").first).to_be_visible()
    laid_out_well(page, "history")


def test_it_is_seen_where_words_lie_over_each_other_or_are_cut(visit: Callable[..., Page]) -> None:
    """The test of the test."""
    page = visit()
    laid_out_well(page, "as it is")
    page.evaluate("document.querySelector('[data-verdict=leg] .word').style.marginLeft = '-12rem'")
    assert any("lies over" in fault for fault in layout_faults(page))
    page.reload()
    expect(page.get_by_role("region", name="Verdicts")).to_be_visible()
    narrow = "width: 3rem; overflow: hidden; white-space: nowrap"
    page.evaluate(f"document.querySelector('[data-verdict=leg]').style.cssText = '{narrow}'")
    assert any(fault.startswith("cut at the side") for fault in layout_faults(page))
    page.evaluate("document.querySelector('main').style.minWidth = '200vw'")
    assert any("px wide in a window" in fault for fault in layout_faults(page))


MORE_PLACES = """() => {
  const rail = document.querySelector("nav[aria-label=Places]");
  const last = [...rail.querySelectorAll("a")].at(-1);
  for (const name of ["Fit", "Packages", "Works", "Track log"]) {
    const more = last.cloneNode(true);
    more.classList.remove("here");
    more.firstChild.textContent = `${name} `;
    rail.append(more);
  }
  return rail.querySelectorAll("a").length;
}"""


@WIDTHS
def test_the_rail_takes_ten_places(visit: Callable[..., Page], size: str) -> None:
    """On a phone it is drawn along; every place stays large enough for a finger, and the page as wide as the screen."""
    page = visit(**sized(size))
    rail = page.get_by_role("navigation", name="Places")
    assert page.evaluate(MORE_PLACES) == 10
    for link in rail.locator("a").all():
        link.scroll_into_view_if_needed()
        box = link.bounding_box()
        assert box is not None
        assert box["width"] >= 40
        assert box["height"] >= 40
        assert 0 <= box["x"] <= SIZES[size][0] - box["width"] + 1
    assert page.evaluate("document.documentElement.scrollWidth") <= SIZES[size][0]
