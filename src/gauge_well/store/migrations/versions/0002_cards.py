"""The shelf's card kept with its build; names of revisions."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "0002"
down_revision = "0001"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.add_column("builds", sa.Column("card", postgresql.JSONB(), nullable=True))
    op.add_column("builds", sa.Column("card_made", sa.String(20), nullable=True))
    op.add_column("revisions", sa.Column("name", sa.String(80), nullable=True))
    op.drop_index("ix_builds_kept", table_name="builds")
    op.create_index("ix_builds_shelf", "builds", ["updated_at", "id"], postgresql_where=sa.text("deleted_at IS NULL"))


def downgrade() -> None:
    named = op.get_bind().scalar(sa.text("SELECT count(*) FROM revisions WHERE name IS NOT NULL"))
    if named:
        raise RuntimeError(f"{named} names of revisions would be lost: back them up and take them off first.")
    op.drop_index("ix_builds_shelf", table_name="builds")
    op.create_index("ix_builds_kept", "builds", ["updated_at"], postgresql_where=sa.text("deleted_at IS NULL"))
    op.drop_column("revisions", "name")
    op.drop_column("builds", "card_made")
    op.drop_column("builds", "card")
