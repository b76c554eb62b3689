"""Names by what counts as the same, so that one is found in its list without reading all of it."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("record", sa.Column("name_key", sa.String(200), nullable=False, server_default=""))
    connection = op.get_bind()
    # SQLite folds the case of ASCII only.
    for record_id, heading in connection.execute(sa.text("select id, heading from record")).all():
        values = {"id": record_id, "key": heading.casefold()}
        connection.execute(sa.text("update record set name_key = :key where id = :id"), values)
    op.create_index("record_by_name", "record", ["kind", "parent_id", "name_key"])


def downgrade() -> None:
    raise NotImplementedError("Plimbo goes forward only: a backup is the way back.")
