"""Run by Alembic; the connection comes from `Database.migrate`."""

from alembic import context

from plimbo.store.tables import Base

context.configure(
    connection=context.config.attributes["connection"], target_metadata=Base.metadata, render_as_batch=True
)
with context.begin_transaction():
    context.run_migrations()
