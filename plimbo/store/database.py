"""The database file: opened safely, brought to the newest schema, backed up while in use."""

import sqlite3
from pathlib import Path
from typing import Any

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine, event
from sqlalchemy.orm import Session, sessionmaker

MIGRATIONS = Path(__file__).with_name("migrations")


class Database:
    """One SQLite file in WAL mode with foreign keys; a save that was acknowledged survives a crash."""

    def __init__(self, path: Path) -> None:
        path.parent.mkdir(parents=True, exist_ok=True)
        self.path = path
        self.engine = _engine(path)
        self._reading = sessionmaker(self.engine)
        self._writing = sessionmaker(self.engine.execution_options(writes=True), expire_on_commit=False)

    def migrate(self, revision: str = "head") -> None:
        """Bring the schema to a revision, the newest unless said otherwise."""
        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS))
        with self.engine.begin() as connection:
            config.attributes["connection"] = connection
            command.upgrade(config, revision)

    def reading(self) -> Session:
        """A session for looking."""
        return self._reading()

    def writing(self) -> Any:
        """A session in one transaction: committed at the end, or nothing at all."""
        return self._writing.begin()

    def backup(self, target: Path) -> None:
        """Copy the database while others use it, by SQLite's online backup."""
        target.parent.mkdir(parents=True, exist_ok=True)
        unfinished = target.with_name(target.name + ".part")
        with sqlite3.connect(self.path) as source, sqlite3.connect(unfinished) as copy:
            source.backup(copy)
        copy.close()
        source.close()
        unfinished.replace(target)

    def close(self) -> None:
        self.engine.dispose()


def _engine(path: Path) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": 15})

    @event.listens_for(engine, "connect")
    def prepare(connection: sqlite3.Connection, _record: object) -> None:
        # SQLAlchemy begins transactions itself, see `begin` below.
        connection.isolation_level = None
        for pragma in ("journal_mode = wal", "synchronous = full", "foreign_keys = on"):
            connection.execute(f"pragma {pragma}")

    @event.listens_for(engine, "begin")
    def begin(connection: Any) -> None:
        # A writer takes the lock at once: two of them queue up instead of failing half way.
        connection.exec_driver_sql("begin immediate" if connection.get_execution_options().get("writes") else "begin")

    return engine
