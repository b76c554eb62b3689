"""What is in the archive may be deleted for good; all else still never changes."""

from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    for table, what in (("revision", "a revision"), ("series", "a series")):
        op.execute(f"drop trigger {table}_no_delete")
        op.execute(
            f"create trigger {table}_no_delete before delete on {table}"
            " when (select removed_at from record where id = old.record_id) is null"
            f" begin select raise(abort, '{what} never changes'); end"
        )


def downgrade() -> None:
    raise NotImplementedError("Plimbo goes forward only: a backup is the way back.")
