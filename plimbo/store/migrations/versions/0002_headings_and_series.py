"""Any kind of record, headings for the lists, and a place for long series."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    # Rebuilt, since SQLite drops no constraint: the list of kinds was one.
    op.create_table(
        "record_anew",
        sa.Column("id", sa.String(32), primary_key=True),
        sa.Column("kind", sa.String(16), nullable=False),
        sa.Column("parent_id", sa.String(32), sa.ForeignKey("record.id")),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("heading", sa.String(200), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("removed_at", sa.DateTime(timezone=True)),
    )
    op.execute(
        "insert into record_anew select record.id, kind, parent_id, version,"
        " coalesce(json_extract(document, '$.name'), ''), created_at, removed_at"
        " from record join revision on revision.record_id = record.id and revision.number = record.version"
    )
    op.drop_table("record")
    op.rename_table("record_anew", "record")
    op.create_index("record_by_parent", "record", ["parent_id"])
    op.create_index("record_by_kind", "record", ["kind"])
    op.create_table(
        "series",
        sa.Column("record_id", sa.String(32), sa.ForeignKey("record.id"), primary_key=True),
        sa.Column("name", sa.String(80), primary_key=True),
        sa.Column("start", sa.Integer, primary_key=True),
        sa.Column("count", sa.Integer, nullable=False),
        sa.Column("samples", sa.LargeBinary, nullable=False),
    )
    for event in ("update", "delete"):
        op.execute(
            f"create trigger series_no_{event} before {event} on series"
            " begin select raise(abort, 'a series never changes'); end"
        )


def downgrade() -> None:
    raise NotImplementedError("Plimbo goes forward only: a backup is the way back.")
