"""A value not given is shown with the core's default: in every place, behind every tab."""

import re
from collections.abc import Callable
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from plimbo.core import Car, Session, Setup
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.units import UnitSystem, shown_sizes, unit_of
from plimbo.store import RecordKind, Records
from tests import w1
from tests.browser.settled import Settled
from tests.browser.test_layout import go_to
from tests.conftest import DemoServer

PLACES = ("Chain", "Car", "Heat", "Air")
CAR = w1.CAR.model_dump(mode="json", exclude_defaults=True)
SETUP = w1.SETUP.model_dump(mode="json", exclude_defaults=True)
LAP = {"name": "Lap", "sections": [{"length": 900.0}, {"length": 300.0, "radius": 40.0}]}
DRIVEN = CAR | {"name": "Driven", "sessions": [{"name": "Lap", "circuit": LAP}]}
DUCT = {"cooling": {"duct": {"fitted": True}}}
# Everything that may be fitted is, and nothing is said of it.
FITTED = SETUP | {
    "name": "Fitted",
    "split": "tandem",
    "booster": {"fitted": True},
    "valve": {"kind": "screw"},
    "handbrake": {"fitted": True},
    "front": SETUP["front"] | DUCT,
    "rear": SETUP["rear"] | DUCT,
}


def taken_for(bench: dict[str, Any], path: str) -> str:
    """What a field at this path shows, of the documents as the core has them."""
    *parents, last = path.split(".")
    owner: Any = bench
    for name in parents:
        owner = owner[name] if isinstance(owner, dict) else owner[int(name)] if name.isdigit() else getattr(owner, name)
    value = owner[int(last)] if last.isdigit() else getattr(owner, last)
    if value is None or isinstance(value, str | bool):
        return "" if value is None else str(value)
    dimension = field_metadata(owner, last)["dimension"]
    sizes = value if isinstance(value, tuple) else (value,)
    return (
        shown_sizes(sizes, dimension).removesuffix(unit_of(dimension, UnitSystem.METRIC).symbol).strip()
        if sizes
        else ""
    )


# Path and what is shown, of all fields at once: one by one they take a minute.
_SHOWN = """fields => fields.map(field => [
  field.dataset.path,
  field.type === 'checkbox' ? (field.checked ? 'True' : 'False')
    : field.type === 'range' ? field.getAttribute('aria-valuetext') ?? '' : field.value,
])"""


def plain(text: str) -> str:
    """Digits as they are read: the signs that group them differ."""
    return text.replace("\u202f", "").replace("\u00a0", "").replace(" ", "").removesuffix("%")


def compare(page: Page, bench: dict[str, Any], seen: set[str], within: str = "main ") -> None:
    for path, shown in page.locator(f"{within}[data-path]:visible").evaluate_all(_SHOWN):
        assert plain(shown) == plain(taken_for(bench, path)), path
        seen.add(path)


def every_tab(page: Page, settled: Settled, bench: dict[str, Any], seen: set[str]) -> None:
    settled()
    compare(page, bench, seen)
    lists = page.get_by_role("main").get_by_role("tablist")
    for one in range(lists.count()):
        for tab in lists.nth(one).get_by_role("tab").all():
            tab.click()
            expect(tab).to_have_attribute("aria-selected", "true")
            settled()
            compare(page, bench, seen)


@pytest.mark.parametrize(("car", "setup", "least"), [(CAR, SETUP, 225), (DRIVEN, FITTED, 240)], ids=["bare", "fitted"])
def test_every_field_of_documents_that_give_only_what_they_must(
    empty: DemoServer, visit_own: Callable[..., Page], car: dict[str, Any], setup: dict[str, Any], least: int
) -> None:
    records = Records(empty.database)
    owner = records.add(RecordKind.CAR, car)
    kept = records.add(RecordKind.SETUP, setup, owner.id)
    records.leave_desk({"setup_id": kept.id, "units": "metric"})
    bench = {"car": Car.model_validate(car), "setup": Setup.model_validate(setup)}
    page = visit_own()
    settled, seen = Settled(page), set[str]()
    for place in PLACES:
        go_to(page, place)
        every_tab(page, settled, bench, seen)
    # The steps of a new car, and the sheets with all sizes of a joint.
    page.goto(f"{empty.url}/{kept.id}/begin")
    steps = page.get_by_role("navigation", name="Steps").get_by_role("listitem").get_by_role("button")
    expect(steps.first).to_be_visible()
    for step in steps.all():
        step.click()
        expect(step).to_have_attribute("aria-current", "step")
        settled()
        compare(page, bench, seen)
    go_to(page, "Chain")
    joints = page.get_by_role("spinbutton")
    expect(joints.nth(6)).to_be_visible()
    for joint in joints.all():
        joint.focus()
        page.get_by_role("button", name=re.compile("all sizes of this part$")).click()
        expect(page.locator("aside [data-path]").first).to_be_visible()
        settled()
        compare(page, bench, seen, "aside ")
        page.keyboard.press("Escape")
        expect(page.locator("aside [data-path]")).to_have_count(0)
    assert len(seen) >= least


def test_a_new_session_is_shown_as_it_is_driven(empty: DemoServer, visit_own: Callable[..., Page]) -> None:
    records = Records(empty.database)
    owner = records.add(RecordKind.CAR, CAR)
    setup = records.add(RecordKind.SETUP, SETUP, owner.id)
    records.leave_desk({"setup_id": setup.id, "units": "metric"})
    page = visit_own()
    go_to(page, "Heat")
    page.get_by_role("button", name="Start from a sample circuit").click()
    page.get_by_role("tab", name="Laps and pace").click()
    pace = page.get_by_role("slider", name="Pace")
    expect(pace).to_have_attribute("aria-valuetext", "100\u00a0%")
    assert (pace.get_attribute("min"), pace.input_value()) == ("0.3", "1")
    # On a circuit a new session has a lap home.
    session = Session.model_validate({"name": "Sketched circuit", "circuit": LAP, "cool_down_laps": 1})
    bench = {"car": Car.model_validate(CAR | {"sessions": [session]}), "setup": Setup.model_validate(SETUP)}
    seen: set[str] = set()
    compare(page, bench, seen)
    assert {"car.sessions.0.pace", "car.sessions.0.fast_laps", "car.sessions.0.track"} <= seen
