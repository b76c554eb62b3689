"""Long jobs in the background, and their answers."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "job",
        sa.Column("id", sa.String(32), primary_key=True),
        sa.Column("kind", sa.String(16), nullable=False),
        sa.Column("about", sa.String(64), nullable=False),
        sa.Column("state", sa.String(16), nullable=False),
        sa.Column("asked_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("question", sa.String(64), nullable=False),
        sa.Column("answer", sa.JSON),
        sa.Column("trouble", sa.String(500), nullable=False),
    )
    op.create_index("job_by_about", "job", ["about"])


def downgrade() -> None:
    raise NotImplementedError("Plimbo goes forward only: a backup is the way back.")
