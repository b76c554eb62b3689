"""The schema in the migrations is the one that the code expects."""

from pathlib import Path

from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import text

from plimbo.store import Database
from plimbo.store.tables import Base


def test_migrations_lead_to_the_tables_of_the_code(database: Database) -> None:
    with database.engine.connect() as connection:
        assert compare_metadata(MigrationContext.configure(connection), Base.metadata) == []


def test_migrating_again_changes_nothing_and_the_version_is_the_newest(tmp_path: Path) -> None:
    database = Database(tmp_path / "deep" / "er" / "plimbo.sqlite3")
    for _ in range(2):
        database.migrate()
    with database.reading() as session:
        newest = max(path.name[:4] for path in Path("plimbo/store/migrations/versions").glob("0*.py"))
        assert session.execute(text("select version_num from alembic_version")).scalar() == newest
        triggers = session.execute(text("select name from sqlite_master where type = 'trigger' order by name"))
        assert triggers.scalars().all() == ["revision_no_delete", "revision_no_update"]
    database.close()
