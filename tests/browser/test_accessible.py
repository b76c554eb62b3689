"""axe-core finds nothing serious on any place, by day or by night; and the picture stays whole for odd cars."""

from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Chain, open_setup
from tests.conftest import DemoServer

AXE = Path(__file__).parents[2] / "web/node_modules/axe-core/axe.min.js"


def findings(page: Page, contrast_only: bool = False) -> list[str]:
    """What axe still finds once the page is at rest; by night only the colours differ."""
    if not page.evaluate("'axe' in window"):
        page.evaluate(AXE.read_text())
    rules = {"runOnly": ["color-contrast"]} if contrast_only else {}
    faults: list[str] = []
    for _ in range(20):
        found = page.evaluate("options => axe.run(options)", {"resultTypes": ["violations"]} | rules)
        faults = [
            f"{one['id']}: {node['target']}"
            for one in found["violations"]
            if one["impact"] in ("serious", "critical")
            for node in one["nodes"]
        ]
        if not faults:
            break
        page.wait_for_timeout(250)
    return faults


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
@pytest.mark.parametrize("place", ["Car", "Chain"])
def test_no_serious_findings(
    visit: Callable[..., Page], chain: Callable[[Page], Chain], place: str, dark: bool
) -> None:
    page = visit()
    if dark:
        page.get_by_role("button", name="Night").click()
    page.get_by_role("link", name=place).click()
    expect(page.get_by_role("link", name=place)).to_have_attribute("aria-current", "page")
    assert findings(page) == []
    if place == "Chain":
        chain(page).number("front.has.pressure").click()
        expect(page.locator("[data-working] li").first).to_be_visible()
        assert findings(page) == []


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
def test_no_serious_findings_where_one_begins(visit: Callable[..., Page], dark: bool) -> None:
    """The garage with its archive, a new car, its steps, the history, keys and words."""
    page = visit()
    if dark:
        page.get_by_role("button", name="Night").click()
    page.keyboard.press("0")
    wren = page.get_by_role("region", name="Wren")
    wren.get_by_role("listitem", name="As bought").get_by_role("button", name="Archive").click()
    expect(page.get_by_role("region", name="Archive")).to_be_visible()
    expect(wren.get_by_role("img", name="wrong").first).to_be_visible()
    assert findings(page) == []
    page.get_by_role("button", name="Delete for good… As bought").click()
    expect(page.get_by_role("dialog", name="Delete for good?")).to_be_visible()
    assert findings(page) == []
    page.get_by_role("button", name="Keep it").click()
    page.get_by_role("button", name="New car").click()
    expect(page.get_by_label("Kind of car")).to_be_visible()
    assert findings(page) == []
    page.get_by_role("button", name="Begin").click()
    for title in ("Weight", "Tyres, air, engine", "Pedal and cylinders", "Calipers, discs, pads", "Circuits and ducts"):
        expect(page.get_by_role("heading", name=title)).to_be_visible()
        # What is pale is still of the step before.
        expect(page.locator("main ul.stale")).to_have_count(0)
        assert findings(page, contrast_only=dark) == [], title
        page.get_by_role("button", name="Next").or_(page.get_by_role("button", name="Done")).click()
    page.evaluate("document.activeElement.blur()")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys and words")).to_be_visible()
    # So are the changes that still stand in the chain behind it.
    expect(page.locator("main ul.stale")).to_have_count(0)
    assert findings(page) == []


LOOKS = ["At a glance", "Brake force", "Over speed", "A stop", "Grip used", "How sure"]
PANELS = ["Weight, driver", "Loads", "Tyres", "Air", "States"]


def open_tab(page: Page, of: str, name: str) -> None:
    page.get_by_role("tablist", name=of).get_by_role("tab", name=name, exact=True).click()
    page.wait_for_timeout(120)


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
def test_no_serious_findings_behind_any_tab_of_the_car(visit: Callable[..., Page], dark: bool) -> None:
    page = visit()
    if dark:
        page.get_by_role("button", name="Night").click()
    page.get_by_role("link", name="Car").click()
    for name in LOOKS:
        open_tab(page, "What follows", name)
        assert findings(page, contrast_only=dark) == [], name
    for name in PANELS:
        open_tab(page, "The car", name)
        assert findings(page, contrast_only=dark) == [], name
    open_tab(page, "The car", "Weight, driver")
    page.get_by_role("button", name="Weigh it, step by step").click()
    for step in ("1 On the level", "2 Rear raised", "3 Take over"):
        page.get_by_role("button", name=step).click()
        assert findings(page, contrast_only=dark) == [], step


CHAIN = [
    "Balance",
    "Cylinders",
    "Pressures",
    "Travel",
    "Circuit failed",
    "Valve card",
    "Original parts",
    "Part details",
]


@pytest.mark.parametrize("dark", [False, True], ids=["day", "night"])
def test_no_serious_findings_behind_any_tab_of_the_chain(visit: Callable[..., Page], dark: bool) -> None:
    page = visit()
    if dark:
        page.get_by_role("button", name="Night").click()
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name="Dunnock").click()
    expect(page.get_by_role("spinbutton", name="Tandem cylinder")).to_be_visible()
    # The draws of the car before are pale until those of this one are there.
    expect(page.locator(".stale")).to_have_count(0)
    for name in CHAIN:
        open_tab(page, "What follows", name)
        page.wait_for_timeout(300)
        # What is still asked for is pale until it is there.
        expect(page.locator(".stale")).to_have_count(0)
        assert findings(page, contrast_only=dark) == [], name
    open_tab(page, "What follows", "Valve card")
    page.emulate_media(media="print")
    expect(page.locator("[data-card]")).to_be_visible()
    assert findings(page, contrast_only=dark) == []


def test_nothing_behind_the_tabs_of_the_chain_runs_out_at_the_side_of_a_small_screen(
    visit: Callable[..., Page],
) -> None:
    page = visit(viewport={"width": 1024, "height": 768})
    open_setup(page, "Dunnock", "Big front brakes")
    open_tab(page, "What follows", "Pressures")
    for valve in ("lever", "screw"):
        page.get_by_role("combobox", name="Rear valve").select_option(valve)
        shown = "Valve knee" if valve == "screw" else "Lever positions"
        expect(page.get_by_role("textbox", name=shown, exact=True)).to_be_visible()
        assert cut_at_the_side(page) == [], valve
    for name in CHAIN:
        open_tab(page, "What follows", name)
        page.wait_for_timeout(300)
        assert cut_at_the_side(page) == [], name


def cut_at_the_side(page: Page) -> list[str]:
    """What can be scrolled sideways."""
    found: list[str] = page.evaluate(
        """() => [...document.querySelectorAll("main *")].filter((box) =>
            ["auto", "scroll"].includes(getComputedStyle(box).overflowX) && box.scrollWidth > box.clientWidth + 1
        ).map((box) => box.outerHTML.slice(0, 90))"""
    )
    return found


ODD: dict[str, dict[str, Any]] = {
    "350 kg on 12 in rims": {"mass": 350, "wheelbase": 1.7, "cg_height": 0.3, "top_speed": 40},
    "1 900 kg, nose-heavy": {"mass": 1900, "wheelbase": 3.0, "cg_height": 0.6, "front_share": 0.65},
    "tail-heavy with big wings": {"front_share": 0.34, "front_lift_area": 2.5, "rear_lift_area": 4.0, "top_speed": 90},
    "tall and short": {"cg_height": 1.0, "wheelbase": 1.5},
    "everything fitted": {"mass": 1500, "front_share": 0.6, "original": {"anti_lock": True}},
    "gravel, load-sensitive, engine braking": {
        "states": [{"name": "Gravel", "track": "gravel", "speed": 20}],
        "engine_braking": 800,
        "front_share": 0.38,
        "drag_area": 1.2,
        "drag_height": 0.9,
    },
}


@pytest.mark.parametrize("name", ODD)
def test_odd_cars_leave_the_picture_whole(visit: Callable[..., Page], demo: DemoServer, name: str) -> None:
    page = visit()
    desk = page.request.get(f"{demo.url}/api/desk").json()
    document = page.request.get(f"{demo.url}/api/setups/{desk['setup_id']}/file").json()
    document["car"] |= ODD[name]
    if name.startswith("350"):
        for end in ("front", "rear"):
            document["car"][f"{end}_tyre"]["loaded_radius"] = 0.23
            document["setup"][end]["disc"] |= {"outer_diameter": 0.2, "material": "carbon_carbon", "thickness": 0.016}
    if name.startswith("everything"):
        document["setup"] |= {
            "split": "tandem",
            "booster": {"fitted": True},
            "valve": {"kind": "lever"},
            "handbrake": {"fitted": True},
            "pedal": {"ratio": 5, "pad_length": 0.3, "rod_length": 0.07, "mounting": "hung"},
        }
    if name.startswith("gravel"):
        for end in ("front", "rear"):
            document["car"][f"{end}_tyre"]["load_sensitivity"] = 0.15
    added = page.request.post(f"{demo.url}/api/setups/files", data=document)
    assert added.status == 201, added.text()
    for place in ("chain", "car"):
        page.goto(f"{demo.url}/{added.json()['id']}/{place}")
        expect(page.get_by_role("region", name="Verdicts").get_by_role("button").first).to_be_visible()
        page.wait_for_timeout(300)
        card = "Valve card" if name.startswith("everything") else "Bar card"
        looks = {"car": LOOKS, "chain": [look.replace("Valve card", card) for look in CHAIN]}[place]
        for width, height in ((1280, 800), (1024, 768)):
            page.set_viewport_size({"width": width, "height": height})
            page.wait_for_timeout(300)
            picture_is_whole(
                page, looks if (place == "car") == (width < 1280) else [], PANELS if place == "car" else ()
            )


def picture_is_whole(page: Page, looks: Sequence[str], panels: Sequence[str]) -> None:
    """Nothing is cut, no number is none, and every shape stands inside its drawing, behind each of these tabs."""
    for look in looks:
        open_tab(page, "What follows", look)
        assert "NaN" not in page.locator("main").inner_html(), look
        assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), look
    for panel in panels:
        open_tab(page, "The car", panel)
        # Nothing is cut off at the side of a panel.
        assert page.evaluate(
            "(() => { const box = document.querySelector('.panels .p-tabpanels');"
            " return box.scrollWidth <= box.clientWidth + 1; })()"
        ), panel
    assert page.evaluate("document.documentElement.scrollWidth <= innerWidth")
    assert "NaN" not in page.locator("body").inner_text()
    assert "NaN" not in page.locator("main").inner_html()
    # Every shape of the drawing stands inside it.
    outside = page.evaluate(
        """() => [...document.querySelectorAll("main section svg")].flatMap((svg) => {
            const frame = svg.getBoundingClientRect();
            return [...svg.querySelectorAll("circle, rect, path, text")].filter((shape) => {
                const box = shape.getBoundingClientRect();
                return box.width && (box.left < frame.left - 2 || box.right > frame.right + 2 ||
                    box.top < frame.top - 2 || box.bottom > frame.bottom + 2);
            }).map((shape) => shape.outerHTML.slice(0, 90));
        })"""
    )
    assert outside == []
