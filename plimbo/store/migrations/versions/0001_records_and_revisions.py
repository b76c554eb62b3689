"""Records, their revisions, and the desk."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "record",
        sa.Column("id", sa.String(32), primary_key=True),
        sa.Column("kind", sa.String(16), nullable=False),
        sa.Column("parent_id", sa.String(32), sa.ForeignKey("record.id")),
        sa.Column("version", sa.Integer, nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("removed_at", sa.DateTime(timezone=True)),
        sa.CheckConstraint("kind in ('car', 'setup')", name="known_kind"),
        sa.CheckConstraint("(kind = 'setup') = (parent_id is not null)", name="setup_has_car"),
    )
    op.create_index("record_by_parent", "record", ["parent_id"])
    op.create_table(
        "revision",
        sa.Column("record_id", sa.String(32), sa.ForeignKey("record.id"), primary_key=True),
        sa.Column("number", sa.Integer, primary_key=True),
        sa.Column("format_version", sa.Integer, nullable=False),
        sa.Column("document", sa.JSON, nullable=False),
        sa.Column("name", sa.String(80), nullable=False),
        sa.Column("note", sa.String(2000), nullable=False),
        sa.Column("saved_at", sa.DateTime(timezone=True), nullable=False),
    )
    for event in ("update", "delete"):
        op.execute(
            f"create trigger revision_no_{event} before {event} on revision"
            " begin select raise(abort, 'a revision never changes'); end"
        )
    op.create_table(
        "desk", sa.Column("id", sa.Integer, primary_key=True), sa.Column("content", sa.JSON, nullable=False)
    )


def downgrade() -> None:
    for table in ("desk", "revision", "record"):
        op.drop_table(table)
