"""The verdict kept with each revision."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("revisions", sa.Column("verdict", sa.String(500), nullable=True))


def downgrade() -> None:
    op.drop_column("revisions", "verdict")
