"""The car on its scales and the demand on it, as a preparer does it on the place Car."""

import re
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Chain
from tests.conftest import DemoServer
from tests.waiting import until


def tab(page: Page, name: str, of: str = "The car") -> None:
    page.get_by_role("tablist", name=of).get_by_role("tab", name=name, exact=True).click()


def look(page: Page, name: str) -> None:
    tab(page, name, "What follows")


def type_in(page: Page, label: str, text: str) -> Locator:
    entry = page.get_by_label(label, exact=True).first
    entry.fill(text)
    page.keyboard.press("Enter")
    return entry


def number(page: Page, headline: str) -> Locator:
    return page.locator(f"main [data-headline='{headline}'] b").first


def test_the_guided_weighing_from_scales_to_a_new_ideal_share(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    page.keyboard.press("1")
    expect(number(page, "ideal_share")).to_have_text("65.6\u00a0%")
    page.get_by_role("button", name="Weigh it, step by step").click()
    # On the level: four corners, with their balance left to right and across.
    for label, reading in (("Front left", "150"), ("Front right", "154"), ("Rear left", "170"), ("Rear right", "166")):
        type_in(page, label, reading)
    expect(number(page, "measurements/weighing.front_share")).to_have_text("47.5\u00a0%")
    expect(number(page, "measurements/weighing.cross_share")).to_have_text("50.6\u00a0%")
    page.get_by_role("button", name="Next").click()
    # The rear raised, the drawing tilts; the height comes with what scales and tape leave open, and the advice.
    expect(page.get_by_text("never on a jack")).to_be_visible()
    type_in(page, "Front axle, rear raised", "308.9")
    type_in(page, "Rear axle, rear raised", "331.1")
    type_in(page, "Rear raised by", "400")
    expect(number(page, "measurements/weighing.cg_height")).to_have_text("390.8\u00a0mm")
    expect(number(page, "measurements/weighing.cg_error")).to_have_text("20.8\u00a0mm")
    expect(page.get_by_role("status").filter(has_text="Known to ±20.8\u00a0mm only")).to_contain_text(
        "Raise the rear by"
    )
    expect(page.get_by_role("img", name="The car on its scales, to scale")).to_contain_text("400\u00a0mm")
    page.locator("main [data-headline='measurements/weighing.cg_height']").click()
    expect(page.locator("[data-working]")).to_contain_text("Centre of gravity over the hub line")
    page.keyboard.press("Escape")
    # Taken over: the car has the new numbers, the ideal share moves and keeps its ghost.
    page.get_by_role("button", name="3 Take over").click()
    expect(page.get_by_text("370\u00a0mm → 390.8\u00a0mm")).to_be_visible()
    page.get_by_role("button", name="Take over the weighing").click()
    expect(page.get_by_label("Height of the centre of gravity")).to_have_value("390.8")
    expect(page.get_by_label("Front weight share")).to_have_value("47.5")
    # By hand: 0.475 + 1.30 · 390.8/2320 = 0.694, less what the wings shift at 54 km/h.
    expect(number(page, "ideal_share")).to_have_text("69.2\u00a0%")
    expect(page.locator("main [data-headline=ideal_share] .ghost")).to_contain_text("65.6")
    expect(chain(page).verdict("lock_order")).to_contain_text("Rear locks first")
    page.get_by_role("button", name="Undo").click()
    expect(number(page, "ideal_share")).to_have_text("65.6\u00a0%")


@pytest.mark.parametrize(
    ("label", "text", "answer"),
    [
        ("Rear axle, rear raised", "330", "Raised, the scales show 623.5\u00a0kg in all, on the level 640.0\u00a0kg"),
        ("Rear raised by", "2.4 m", "A lift of 2400\u00a0mm is beyond the wheelbase of 2320\u00a0mm"),
        ("Front axle, rear raised", "280", "The front must gain when the rear goes up"),
        ("Each scale reads to", "-1", "Must be at least 0.0\u00a0kg."),
    ],
)
def test_mistakes_at_the_scales_are_told_in_plain_words(
    visit: Callable[..., Page], label: str, text: str, answer: str
) -> None:
    page = visit()
    page.keyboard.press("1")
    page.get_by_role("button", name="Weigh it, step by step").click()
    page.get_by_role("button", name="2 Rear raised").click()
    entry = type_in(page, label, text)
    expect(page.get_by_role("alert").first).to_contain_text(answer)
    expect(entry).to_have_attribute("aria-invalid", "true")
    page.get_by_role("button", name="3 Take over").click()
    if "Each scale" not in label:  # the reason for no height is shown here too, and only mass and balance are offered
        expect(page.get_by_role("alert").filter(has_text=answer)).to_have_count(1)
        expect(page.locator("main").get_by_text("Height of the centre of gravity")).to_have_count(0)


@pytest.mark.parametrize(
    ("text", "answer"),
    [
        ("195/50 R99", "A rim of 99 in is not made"),
        ("wide ones", "is not a tyre size. Type it as it stands on the sidewall"),
        ("180/300 R13", "does not go on a 13 in rim"),
    ],
)
def test_the_radius_of_a_size_that_is_nonsense(visit: Callable[..., Page], text: str, answer: str) -> None:
    page = visit()
    page.keyboard.press("1")
    tab(page, "Tyres")
    entry = type_in(page, "Size", text)
    expect(page.get_by_role("alert")).to_contain_text(answer)
    expect(entry).to_have_value(text)
    expect(page.get_by_label("Loaded radius, front")).to_have_value("283")
    type_in(page, "Size", "195/50 R15")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(number(page, "measurements/front_tyre.free_radius")).to_have_text("288\u00a0mm")
    page.get_by_role("button", name="Take over the radius").click()
    expect(page.get_by_label("Loaded radius, front")).to_have_value("281")


def test_a_cell_of_the_matrix_opens_its_state_and_an_empty_one_declares_it(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    page.keyboard.press("1")
    worst = page.get_by_role("button", name=re.compile("^Dry, slow, light: rear"))
    expect(worst).to_contain_text("worst order")
    expect(worst).to_contain_text("97.2\u00a0%")
    worst.click()
    expect(page.get_by_role("radio", name="Dry, slow, light")).to_be_checked()
    expect(worst).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_text("Last lap: 600\u00a0kg, 45.1\u00a0% front, CG 374.6\u00a0mm high")).to_be_visible()
    # The same on the Chain, with the keyboard.
    page.keyboard.press("2")
    limit = chain(page).number("front.limit_load").locator("b").inner_text()
    cell = page.get_by_role("button", name=re.compile("^Wet, fast *front"))
    cell.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("radio", name="Wet, fast", exact=True)).to_be_checked()
    expect(chain(page).number("front.limit_load").locator("b")).not_to_have_text(limit)
    # A removed state leaves its cell, which can declare it again.
    page.keyboard.press("1")
    tab(page, "States")
    page.get_by_role("button", name="Remove Wet, fast, light").click()
    empty = page.get_by_role("button", name=re.compile("declare wet, Last lap, at 198"))
    empty.click()
    expect(empty).to_have_count(0)
    expect(page.get_by_role("radio", name="Wet, 198\u00a0km/h, last lap")).to_have_count(1)
    page.get_by_role("button", name=re.compile("last lap: front")).click()
    expect(page.get_by_role("radio", name="Wet, 198\u00a0km/h, last lap")).to_be_checked()


def test_loads_are_added_filled_renamed_and_used(visit: Callable[..., Page], demo: DemoServer) -> None:
    page = visit()
    page.keyboard.press("1")
    tab(page, "Loads")
    page.get_by_role("button", name="Add an item").click()
    item = page.get_by_role("region", name="Ballast")
    item.get_by_label("Mass, all of it").fill("30")
    page.keyboard.press("Enter")
    item.get_by_label("On the scales").fill("0")
    page.keyboard.press("Enter")
    load = page.get_by_role("region", name="Last lap")
    expect(load.get_by_label("Ballast aboard")).to_have_value("100")
    # 640 − 39.6 + 30 kg.
    expect(number(page, "measurements/loads.1.mass")).to_have_text("630\u00a0kg")
    name = page.get_by_label("Name of load 1")
    name.fill("As weighed")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Two loads have the same name")
    name.fill("End of stint")
    page.keyboard.press("Enter")
    expect(page.get_by_role("alert")).to_have_count(0)
    page.get_by_role("radio", name="Dry, slow, light").check(force=True)
    expect(page.get_by_text("End of stint: 630\u00a0kg")).to_be_visible()
    expect(page.get_by_role("button", name="Remove load End of stint")).to_be_disabled()
    wren = page.request.get(f"{demo.url}/api/cars").json()[0]["id"]

    def kept() -> dict[str, Any]:
        return page.request.get(f"{demo.url}/api/cars/{wren}").json()["car"]

    until(lambda: [state["load"] for state in kept()["states"]].count("End of stint") == 4)
    assert kept()["loading"]["states"][0]["shares"] == [1, 0.1, 1]


def test_a_stop_from_any_speed_to_any_speed(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    look(page, "A stop")
    distance = number(page, "survey/stop.distance")
    expect(distance).to_have_text("28.9\u00a0m")
    type_in(page, "Stop from", "200")
    type_in(page, "down to", "60 mph")
    expect(distance).not_to_have_text("28.9\u00a0m")
    expect(page.locator("main [data-headline='survey/stop.distance'] .ghost")).to_be_visible()
    page.locator("main [data-headline='survey/stop.time']").click()
    expect(page.locator("[data-working] li").first).to_contain_text("∫ dv / a(v) from")
    page.keyboard.press("Escape")
    type_in(page, "down to", "250")
    expect(page.get_by_role("alert")).to_contain_text("The stop must end slower than it starts.")


def test_grip_used_against_the_limits_for_road_cars(visit: Callable[..., Page], tmp_path: Path) -> None:
    page = visit()
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name="Dunnock").click()
    expect(page).to_have_title("Dunnock, Stock: Plimbo")
    page.get_by_role("link", name="Car").click()
    look(page, "Grip used")
    words = page.locator("[data-road-limits]")
    expect(words).to_contain_text("within the road-car limits")
    expect(page.get_by_text("This car is registered for the road")).to_be_visible()
    # Without its valve the rear goes first below 0.8 g.
    page.get_by_label("Setup", exact=True).click()
    page.get_by_role("option", name="Valve taken out").click()
    expect(words).to_contain_text("outside the road-car limits. From 0.")
    expect(words).to_contain_text("the rear needs more grip than the front")
    expect(page.get_by_role("img", name=re.compile("outside the road-car limits"))).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("button", name="CSV").click()
    download.value.save_as(tmp_path / "grip.csv")
    assert (tmp_path / "grip.csv").read_text().splitlines()[0] == "load,braking rate g,front,rear"


def test_estimate_uncertainty_and_what_to_measure_next(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    page.keyboard.press("1")
    look(page, "How sure")
    page.get_by_role("radio", name="Dry, slow", exact=True).check(force=True)
    chances = page.get_by_role("region", name="Likely cars with the rear first").locator("[data-share]")
    expect(chances).to_have_count(8)
    expect(chances.first).to_have_text("77.1\u00a0%")
    expect(page.get_by_role("region", name="What to measure next")).to_contain_text("Next: Log the best deceleration")
    type_in(page, "Pad μ, ±", "0")
    expect(chances.first).not_to_have_text("77.1\u00a0%")
    expect(page.get_by_role("region", name="What to measure next")).to_contain_text("Next: Log the best deceleration")
    type_in(page, "Tyre grip, ±", "0")
    type_in(page, "Front against rear, ±", "0")
    type_in(page, "CG height, ±", "0")
    expect(chances.first).to_have_text("100\u00a0%")
    expect(chain(page).verdict("lock_order")).to_contain_text("rear first in 100 of 100")


def test_the_lock_order_s_sheet_says_estimate_uncertainty_it_is_in_every_state(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    chain(page).verdict("lock_order").click()
    sheet = page.get_by_role("complementary", name="Lock order")
    shares = sheet.locator("[data-share]")
    expect(shares).to_have_count(8 + 5)
    expect(shares.first).to_have_text("77.1\u00a0%")
    expect(sheet).to_contain_text("Next: Log the best deceleration")
    sheet.get_by_role("button", name="Wet, slow", exact=True).click()
    expect(page.get_by_role("radio", name="Wet, slow", exact=True)).to_be_checked()
    # Another cylinder, another answer, once the hand rests.
    sheet.get_by_role("button", name=re.compile("^try")).first.click()
    expect(shares.first).to_have_text("7.7\u00a0%")


def test_the_matrix_names_the_worst_of_each_matter(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    for state, words in (
        ("Dry, slow, light", "worst order"),
        ("Dry, fast", "hardest push"),
        ("Wet, fast", "least grip used"),
    ):
        expect(page.get_by_role("button", name=re.compile(f"^{state}: "))).to_contain_text(words)


def test_grip_and_areas_are_taken_from_what_was_logged(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    tab(page, "Tyres")
    found = number(page, "measurements/logged.front_friction")
    before = found.inner_text()
    type_in(page, "Best deceleration", "1.9")
    expect(found).not_to_have_text(before)
    page.get_by_role("region", name="Grip from the log").get_by_role("button", name="Take over the grip").click()
    expect(page.get_by_label("Tyre grip, front")).to_have_value(found.inner_text())
    tab(page, "Air")
    type_in(page, "Downforce, front", "100 kg")
    expect(number(page, "measurements/downforce.front_lift_area")).to_have_text("0.66\u00a0m²")
    page.get_by_role("button", name="Take over the areas").click()
    expect(page.get_by_label("Front downforce, ClA")).to_have_value("0.66")
    type_in(page, "Air temperature", "86 F")
    expect(page.get_by_label("Air temperature")).to_have_value("30")


def test_the_side_view_moves_with_the_state(visit: Callable[..., Page]) -> None:
    page = visit()
    page.keyboard.press("1")
    view = page.get_by_role("region", name="Side view with axle loads")
    arrows = view.locator("svg .front .arrow")
    expect(arrows).to_have_count(1)  # at 54 km/h only what the brakes do is long enough to draw
    standing = number(page, "front.standing_load").inner_text()
    page.get_by_role("radio", name="Dry, fast, light").check(force=True)
    expect(arrows).to_have_count(2)
    expect(view.locator("svg .drag")).to_have_count(1)
    assert number(page, "front.standing_load").inner_text() != standing
    heights = [float(bar.get_attribute("height") or 0) for bar in view.locator("svg .front .load").all()]
    loads = [number(page, f"front.{name}").inner_text() for name in ("standing_load", "load", "limit_load")]
    newtons = [float(re.sub(r"[^\d.]", "", load)) for load in loads]
    assert [height / heights[0] for height in heights] == pytest.approx([one / newtons[0] for one in newtons], rel=1e-3)
