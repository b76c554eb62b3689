"""Through the interface: an unreadable record blocks nothing, and a lost answer loses no work."""

import contextlib
import json
import re
import shlex
import sqlite3
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Page, Route, expect
from sqlalchemy import text
from typer.testing import CliRunner

from plimbo.cli import app
from plimbo.core import read_setup_file
from tests.browser.conftest import Chain, open_setup
from tests.browser.test_keeping import menu
from tests.conftest import DemoServer


def spoil(demo: DemoServer, heading: str) -> str:
    """As if a newer Plimbo had saved it; the id of the record."""
    with demo.database.writing() as session:
        found = session.execute(
            text("select id, version from record where heading = :heading"), {"heading": heading}
        ).one()
        session.execute(
            text(
                "insert into revision"
                " select record_id, number + 1, 99, json_set(document, '$.wind', 3), '', '', saved_at"
                " from revision where record_id = :id and number = :version"
            ),
            {"id": found.id, "version": found.version},
        )
        session.execute(text("update record set version = version + 1 where id = :id"), {"id": found.id})
    return str(found.id)


def choose(page: Page, what: str, option: str) -> None:
    page.get_by_label(what, exact=True).click()
    page.get_by_role("option", name=option).click()


def test_a_setup_that_cannot_be_read_is_listed_and_all_others_open(
    visit: Callable[..., Page], demo: DemoServer
) -> None:
    setup_id = spoil(demo, "Endurance")
    page = visit()
    choose(page, "Setup", "Endurance (cannot be opened)")
    dialog = page.get_by_role("dialog", name="It cannot be opened here")
    with page.expect_download() as taken:
        dialog.get_by_role("link", name="Take the raw file home").click()
    raw = json.loads(Path(taken.value.path()).read_text())
    assert (raw["format"], raw["format_version"], raw["document"]["wind"]) == ("plimbo-record", 99, 3)
    dialog.get_by_role("button", name="Close", exact=True).last.click()
    expect(page).to_have_title("Wren, Sprint: Plimbo")
    choose(page, "Setup", "As bought")
    expect(page).to_have_title("Wren, As bought: Plimbo")
    # By its address too: the reason is shown, and the address stays that of the page.
    page.goto(f"{demo.url}/{setup_id}/chain")
    expect(page.get_by_text("saved by a newer Plimbo, in format 99")).to_be_visible()
    expect(page.get_by_role("link", name="Take the raw file home")).to_be_visible()
    page.get_by_role("button", name="Open another").click()
    row = page.get_by_role("region", name="Wren").get_by_role("listitem", name="Endurance")
    expect(row).to_contain_text("Cannot be opened here")
    page.get_by_role("button", name="As bought, open").click()
    expect(page).to_have_title("Wren, As bought: Plimbo")


def test_setups_whose_car_is_missing_say_so(visit: Callable[..., Page], demo: DemoServer) -> None:
    # As a damaged file would have it: without the check of references that is on in Plimbo.
    with contextlib.closing(sqlite3.connect(demo.database.path)) as connection, connection:
        connection.execute("update record set parent_id = 'gone' where heading = 'Endurance'")
    page = visit()
    page.goto(f"{demo.url}/garage")
    section = page.get_by_role("region", name="Setups whose car is missing")
    row = section.get_by_role("listitem", name="Endurance")
    expect(row).to_contain_text("Cannot be opened here")
    expect(section.get_by_role("button", name=re.compile("the car"))).to_have_count(0)
    row.get_by_role("button", name="Archive").click()
    expect(section).to_have_count(0)


def test_the_address_stays_with_what_is_on_the_page(visit: Callable[..., Page], demo: DemoServer) -> None:
    page = visit()
    for name in ("Endurance", "As bought"):
        choose(page, "Setup", name)
        expect(page).to_have_title(f"Wren, {name}: Plimbo")
    address = page.url
    spoil(demo, "Endurance")
    page.go_back()
    expect(page.get_by_role("status").filter(has_text="cannot be opened here")).to_be_visible()
    expect(page).to_have_url(address)
    expect(page).to_have_title("Wren, As bought: Plimbo")


def test_a_car_that_cannot_be_read_stands_in_nobodys_way(visit: Callable[..., Page], demo: DemoServer) -> None:
    spoil(demo, "Dunnock")
    page = visit()
    page.get_by_role("combobox", name="Car").click()
    page.get_by_role("option", name="Dunnock (cannot be opened)").click()
    page.get_by_role("dialog", name="It cannot be opened here").get_by_role("button", name="Close").last.click()
    open_setup(page, "Pipit", "As built")


def refused_file(demo: DemoServer, page: Page, folder: Path) -> Path:
    """A file that the documents take and the model does not: lift carries the front before the driver brakes."""
    listed = page.request.get(f"{demo.url}/api/desk").json()["setup_id"]
    file = page.request.get(f"{demo.url}/api/setups/{listed}/file").json()
    file["car"] |= {"name": "Kite", "front_lift_area": -1.0}
    for place in (1, 3):
        file["car"]["states"][place]["speed"] = 115.0
    path = folder / "kite.plimbo.json"
    path.write_text(json.dumps(file))
    assert read_setup_file(path.read_bytes()).car.name == "Kite"
    return path


def test_a_file_that_the_model_refuses_is_mended_on_the_bench(
    visit: Callable[..., Page], demo: DemoServer, tmp_path: Path, chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    path = refused_file(demo, page, tmp_path)
    page.get_by_label("Setup file").set_input_files(path)
    expect(page.get_by_role("heading", name="Correct these values first")).to_be_visible()
    expect(page.get_by_role("alert").first).to_contain_text("lift carries the whole front axle")
    expect(page).to_have_title(re.compile("^Kite, "))
    page.reload()
    expect(page.get_by_role("heading", name="Correct these values first")).to_be_visible()
    # A first step that is not enough is kept; the next one mends it.
    for state, last in (("Dry, fast", False), ("Dry, fast, light", True)):
        speed = page.get_by_label(f"Speed, {state}", exact=True)
        speed.fill("200 km/h")
        speed.press("Enter")
        if not last:
            expect(page.get_by_role("alert").first).to_contain_text("Dry, fast, light")
            expect(page.get_by_role("status").filter(has_text="revision")).to_contain_text("· saved")
    expect(page.get_by_role("region", name="Verdicts")).to_be_visible()
    expect(chain(page).joint("Rear cylinder")).to_be_visible()
    expect(page.get_by_role("status").filter(has_text="car revision 3")).to_contain_text("· saved")
    page.reload()
    expect(page.get_by_role("region", name="Verdicts")).to_be_visible()


def test_a_save_whose_answer_was_lost_is_no_conflict(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    lost = []

    def lose(route: Route) -> None:
        """The server is there for the save and gone for the answer."""
        if route.request.method == "PUT" and not lost:
            lost.append(route.fetch().status)
            route.abort()
        else:
            route.continue_()

    page.route("**/api/setups/*", lose)
    rear = chain(page).joint("Rear cylinder")
    rear.focus()
    page.keyboard.press("ArrowUp")
    word = page.get_by_role("status").filter(has_text="revision")
    expect(word).to_contain_text("Nothing you typed is lost")
    assert lost == [200]
    # More work on top, then both are saved: the lost one is known again by its content.
    page.keyboard.press("ArrowUp")
    expect(word).to_contain_text("revision 3 · saved")
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_the_server_gone_in_the_middle_of_a_save_and_back(
    visit: Callable[..., Page], chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    page.route("**/api/setups/*", lambda route: route.abort() if route.request.method == "PUT" else route.continue_())
    chain(page).joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    word = page.get_by_role("status").filter(has_text="revision")
    expect(word).to_contain_text("not saved: Plimbo's server does not answer")
    page.unroute("**/api/setups/*")
    page.get_by_role("button", name="Save again").click()
    expect(word).to_contain_text("revision 2 · saved")
    page.reload()
    expect(chain(page).joint("Rear cylinder")).to_contain_text("7/8")


def test_a_backup_made_from_the_interface_is_brought_back(
    visit: Callable[..., Page], demo: DemoServer, chain: Callable[[Page], Chain]
) -> None:
    page = visit()
    menu(page, "Make a backup of everything")
    notice = page.get_by_role("status").filter(has_text="Backup made")
    expect(notice).to_be_visible()
    command = re.search(r"then: plimbo (restore .*\.sqlite3 --data \S+)", notice.inner_text())
    assert command is not None
    notice.get_by_role("button", name="Close").click()
    chain(page).joint("Rear cylinder").focus()
    page.keyboard.press("ArrowUp")
    expect(page.get_by_role("status").filter(has_text="revision 2")).to_contain_text("· saved")
    demo.stop()
    # Word for word as it says.
    answer = CliRunner().invoke(app, shlex.split(command[1]))
    assert answer.exit_code == 0, answer.output
    again = DemoServer(demo.database.path.parent)
    try:
        desk = page.request.get(f"{again.url}/api/desk").json()
        assert page.request.get(f"{again.url}/api/setups/{desk['setup_id']}").json()["version"] == 1
    finally:
        again.stop()
