"""A database of an earlier version, with data in it, migrates; and the schema is then the one that the code expects."""

import json
import sqlite3
from pathlib import Path
from shutil import copytree

import pytest
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import text
from sqlalchemy.exc import DatabaseError

from plimbo.core import Car, Circuit, Setup, assess, read_setup_file, write_setup_file
from plimbo.core.documents import OpeningPlace
from plimbo.core.quantities.choices import Choice
from plimbo.store import Archive, Database, NotArchived, NotFound, RecordKind, Records
from plimbo.store import database as database_file
from plimbo.store.database import BrokenReference, known_revisions
from plimbo.store.kinds import KindOfRecord
from plimbo.store.tables import Base, SeriesRow

EARLIER = Path(__file__).parent / "earlier"
KEPT = sorted(EARLIER.glob("*.sql"))


def laid_out(dump: Path, folder: Path) -> Database:
    """A database file as it was left by an earlier Plimbo."""
    path = folder / "plimbo.sqlite3"
    with sqlite3.connect(path) as connection:
        connection.executescript(dump.read_text())
    connection.close()
    return Database(path)


def test_migrations_lead_to_the_tables_of_the_code(database: Database) -> None:
    with database.engine.connect() as connection:
        assert compare_metadata(MigrationContext.configure(connection), Base.metadata) == []


def test_migrating_again_changes_nothing_and_the_version_is_the_newest(tmp_path: Path) -> None:
    database = Database(tmp_path / "deep" / "er" / "plimbo.sqlite3")
    for _ in range(2):
        database.migrate()
    with database.reading() as session:
        assert session.execute(text("select version_num from alembic_version")).scalar() == known_revisions()[-1]
        triggers = session.execute(text("select name from sqlite_master where type = 'trigger' order by name"))
        assert triggers.scalars().all() == [
            *("revision_no_delete", "revision_no_update", "series_no_delete", "series_no_update")
        ]
        assert session.execute(text("pragma foreign_keys")).scalar() == 1
    database.close()


@pytest.mark.parametrize("dump", KEPT, ids=lambda dump: dump.stem)
def test_a_kept_database_migrates_with_all_that_is_in_it(dump: Path, tmp_path: Path) -> None:
    database = laid_out(dump, tmp_path)
    with database.reading() as session:
        before = session.execute(text("select record_id, number, document from revision order by 1, 2")).all()
    database.migrate()
    with database.reading() as session:
        assert session.execute(text("select record_id, number, document from revision order by 1, 2")).all() == before
        assert session.execute(text("pragma foreign_key_check")).all() == []
        tables = session.execute(text("select count(*) from record where heading = ''"))
        assert tables.scalar() == 0
    records = Records(database)
    assert len(before) >= 2
    for car in records.headings(RecordKind.CAR):
        for setup in records.headings(RecordKind.SETUP, car.id):
            documents = records.get(RecordKind.CAR, car.id).document, records.get(RecordKind.SETUP, setup.id).document
            assert (documents[0]["name"], documents[1]["name"]) == (car.heading, setup.heading)
            assert assess(Car.model_validate(documents[0]), Setup.model_validate(documents[1])).verdicts
    with pytest.raises(DatabaseError, match="a revision never changes"), database.writing() as session:
        session.execute(text("delete from revision"))
    database.close()


def test_what_the_user_had_is_found_again(tmp_path: Path) -> None:
    database = laid_out(EARLIER / "five_places.sql", tmp_path)
    database.migrate()
    records = Records(database)
    cars = records.headings(RecordKind.CAR)
    assert [car.heading for car in cars] == ["Wren", "Dunnock", "Pipit"]
    assert records.get(RecordKind.CAR, cars[0].id).document["mass"] == 655
    setups = records.headings(RecordKind.SETUP, cars[0].id)
    assert [setup.heading for setup in setups] == [
        *("Sprint, second day", "Endurance", "Long pedal life", "Bar wound to the front")
    ]
    answer = records.revisions(RecordKind.SETUP, setups[0].id)
    assert [(one.number, one.name) for one in answer] == [(2, "before the rain"), (1, "")]
    assert records.desk()["dark"] is True
    assert records.save(RecordKind.CAR, cars[0].id, 2, {"name": "Wren II"}).version == 3
    assert records.headings(RecordKind.CAR)[0].heading == "Wren II"
    database.close()


NEW_KIND = '''
"""A table of its own for a new kind, and the records made anew with another column."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"


def upgrade() -> None:
    with op.batch_alter_table("record", recreate="always") as record:
        record.add_column(sa.Column("colour", sa.String(20), nullable=False, server_default="grey"))
    op.create_table("place", sa.Column("record_id", sa.String(32), sa.ForeignKey("record.id"), primary_key=True))
    {more}
'''


class MoreKinds(KindOfRecord):
    CAR = "car", Car
    SETUP = "setup", Setup, "car"
    LOG = "track log", Circuit, "setup"


def with_migration(more: str, folder: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    migrations = copytree(database_file.MIGRATIONS, folder / "migrations")
    (migrations / "versions" / "0005_places.py").write_text(NEW_KIND.format(more=more))
    monkeypatch.setattr(database_file, "MIGRATIONS", migrations)


def test_a_kind_is_added_by_a_migration_that_makes_the_records_anew(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    database = laid_out(EARLIER / "five_places.sql", tmp_path)
    with_migration("", tmp_path, monkeypatch)
    database.migrate()
    records = Records(database)
    monkeypatch.setattr("plimbo.store.rows.RecordKind", MoreKinds)
    setup = records.headings(RecordKind.SETUP)[0]
    added = records.add(MoreKinds.LOG, {"name": "Second session"}, setup.id)  # type: ignore[arg-type]
    with database.reading() as session:
        answer = session.execute(text("select heading, colour from record where kind = 'track log'")).all()
        assert answer == [("Second session", "grey")]
        assert session.execute(text("pragma foreign_key_check")).all() == []
    assert added.parent_id == setup.id
    with pytest.raises(NotFound):
        records.add(MoreKinds.LOG, {"name": "Nowhere"}, "0" * 32)  # type: ignore[arg-type]
    database.close()


def test_a_migration_that_leaves_a_reference_to_nothing_changes_nothing(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    database = laid_out(EARLIER / "five_places.sql", tmp_path)
    with_migration("op.execute(\"insert into place values ('nobody')\")", tmp_path, monkeypatch)
    with pytest.raises(BrokenReference, match="place, row 1, refers to no record"):
        database.migrate()
    with database.reading() as session:
        assert session.execute(text("select version_num from alembic_version")).scalar() == "0001"
        assert (
            session.execute(text("select count(*) from sqlite_master where name in ('place', 'series')")).scalar() == 0
        )
    database.close()


def test_a_file_of_the_first_format_is_read_as_one_of_this() -> None:
    read = read_setup_file((EARLIER / "first_slice.plimbo.json").read_bytes())
    assert (read.format_version, read.setup.radius_method) == (7, "uniform_wear")
    old = (EARLIER / "first_slice.plimbo.json").read_text().replace("uniform wear", "uniform pressure")
    assert read_setup_file(old).setup.radius_method == "uniform_pressure"


def test_a_file_of_the_second_format_brings_its_duct_as_a_run() -> None:
    text = (EARLIER / "duct_as_a_number.plimbo.json").read_text()
    assert '"duct_air": 0.014' in text
    read = read_setup_file(text)
    assert read.format_version == 7
    assert read.setup.front.cooling.duct.fitted
    assert {one.bore for one in read.setup.front.cooling.duct.pieces if one.kind == "hose"} == {0.063}
    assert not read.setup.rear.cooling.duct.fitted
    assert read.setup.rear.cooling.warmer_by == 10


def test_a_database_of_the_second_format_is_read(database: Database, monkeypatch: pytest.MonkeyPatch) -> None:
    kept = json.loads((EARLIER / "duct_as_a_number.plimbo.json").read_text())
    monkeypatch.setattr("plimbo.store.rows.FORMAT_VERSION", 2)
    records = Records(database)
    records.add_with_owners({RecordKind.CAR: kept["car"], RecordKind.SETUP: kept["setup"]})
    (stored,) = records.all(RecordKind.SETUP)
    assert stored.format_version == 2
    assert Setup.model_validate(stored.document) == read_setup_file(json.dumps(kept)).setup


def test_a_file_of_the_third_format_is_read(tmp_path: Path) -> None:
    """Made of what its database holds: a file has the same documents in it."""
    database = laid_out(EARLIER / "format_3.sql", tmp_path)
    database.migrate()
    (car,), (setup,) = (Records(database).all(kind) for kind in (RecordKind.CAR, RecordKind.SETUP))
    assert (car.format_version, setup.format_version) == (3, 3)
    file = {"format": "plimbo-setup", "format_version": 3, "car": car.document, "setup": setup.document}
    read = read_setup_file(json.dumps(file))
    assert (read.format_version, read.car.mass) == (7, 1362)
    assert read.setup == Setup.model_validate(setup.document)
    database.close()


def test_every_word_that_format_4_stored_is_read_as_the_key_that_stands_for_it() -> None:
    """Written down when format 4 was current. Keys are stored since: they stay, whatever the words become."""
    kinds = {kind.__name__: kind for kind in Choice.__subclasses__()}
    kept = json.loads((EARLIER / "words_of_format_4.json").read_text())
    assert sum(map(len, kept.values())) > 80
    for name, words in kept.items():
        assert {word: kinds[name](word).value for word in words} == words
        assert {key: kinds[name](key).value for key in words.values()} == {key: key for key in words.values()}
        with pytest.raises(ValueError, match="no such word"):
            kinds[name]("no such word")


def test_a_file_of_the_fourth_format_is_read_with_its_words() -> None:
    """In it no choice is what it would be by itself."""
    text = (EARLIER / "format_4.plimbo.json").read_text()
    for word in ('"bottom of the door"', '"residual-pressure valve"', '"braided PTFE"', '"both alike"'):
        assert word in text
    read = read_setup_file(text)
    brake, car = read.setup.rear, read.car
    assert brake.cooling.duct.opening.place is OpeningPlace.DOOR
    assert (brake.caliper.retention.value, brake.lines.hose.value) == ("residual", "braided")
    assert (car.driven_axle.value, car.kind.value, read.setup.split.value) == ("both", "buggy", "tandem")
    again = write_setup_file(car, read.setup)
    assert "bottom of the door" not in again
    assert read_setup_file(again) == read


def test_a_file_of_the_fifth_format_is_read_with_warm_tyres_and_judged_in_all_states() -> None:
    text = (EARLIER / "format_5.plimbo.json").read_text()
    assert json.loads(text)["format_version"] == 5
    read = read_setup_file(text)
    assert {(state.front_tyre_grip, state.rear_tyre_grip) for state in read.car.states} == {(None, None)}
    assert (read.setup.judged_in, read.car.front_tyre.size) == ((), "190/580 R13")
    assert read_setup_file(write_setup_file(read.car, read.setup)) == read


def test_a_file_of_the_sixth_format_is_read_with_usual_seals_and_lives() -> None:
    text = (EARLIER / "format_6.plimbo.json").read_text()
    assert json.loads(text)["format_version"] == 6
    read = read_setup_file(text)
    brake = read.setup.front
    assert (brake.caliper.seal_limit, brake.pad.retired_at, brake.pad.disc_factor) == (473.15, 0.003, 1.0)
    assert brake.disc.least_thickness is None
    assert {(one.race_stop_after, one.cool_down_laps, one.times_an_event) for one in read.car.sessions} == {(0, 0, 4)}
    assert read_setup_file(write_setup_file(read.car, read.setup)) == read


def test_a_database_of_the_fourth_format_holds_the_same_as_its_file(tmp_path: Path) -> None:
    database = laid_out(EARLIER / "format_4.sql", tmp_path)
    database.migrate()
    read = read_setup_file((EARLIER / "format_4.plimbo.json").read_text())
    (car,), (setup,) = (Records(database).all(kind) for kind in (RecordKind.CAR, RecordKind.SETUP))
    assert "two alike" in json.dumps(setup.document), "what is kept stays as it was written"
    assert (Car.model_validate(car.document), Setup.model_validate(setup.document)) == (read.car, read.setup)
    # Read in again, a setup joins its car, though its words are written otherwise now.
    now = {RecordKind.CAR: read.car.model_dump(mode="json"), RecordKind.SETUP: read.setup.model_dump(mode="json")}
    assert Records(database).add_with_owners(now).parent_id == car.id
    database.close()


def test_what_format_3_said_of_the_car_still_counts_for_its_setups(tmp_path: Path) -> None:
    """That the anti-lock system is kept was said of the car; and what was listed can be put away and deleted now."""
    database = laid_out(EARLIER / "format_3.sql", tmp_path)
    database.migrate()
    records, garage = Records(database), Archive(database)
    (kept_car,) = records.all(RecordKind.CAR)
    assert kept_car.document["original"]["anti_lock_kept"] is True
    (kept_setup,) = records.all(RecordKind.SETUP)
    car, setup = Car.model_validate(kept_car.document), Setup.model_validate(kept_setup.document)
    assert setup.keeps_anti_lock(car.original)
    assert "anti_lock" in {verdict.key for verdict in assess(car, setup, with_working=False).verdicts}
    assert (car.mass, car.unconfirmed, car.copied_from) == (1362, (), "")
    with pytest.raises(NotArchived):
        garage.delete(RecordKind.CAR, kept_car.id)
    garage.put_away(RecordKind.CAR, kept_car.id)
    garage.delete(RecordKind.CAR, kept_car.id)
    assert garage.entries(list(RecordKind)) == []
    database.close()


def test_a_series_beside_a_record_is_protected_and_goes_with_it(database: Database) -> None:
    """The table for the long series of a log stands ready; its rows belong to their record."""
    car = Records(database).add(RecordKind.CAR, {"name": "Wren"})
    with database.writing() as session:
        session.add(SeriesRow(record_id=car.id, name="speed", start=0, count=1, samples=bytes(8)))
    with pytest.raises(DatabaseError, match="a series never changes"), database.writing() as session:
        session.execute(text("update series set count = 0"))
    with pytest.raises(DatabaseError, match="a series never changes"), database.writing() as session:
        session.execute(text("delete from series"))
    archive = Archive(database)
    archive.put_away(RecordKind.CAR, car.id)
    archive.delete(RecordKind.CAR, car.id)
    with database.reading() as session:
        assert session.execute(text("select count(*) from series")).scalar() == 0
