"""Photographs of a build's facts, parts and tasks."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "photographs",
        sa.Column("id", sa.String(20), nullable=False),
        sa.Column("build_id", sa.String(40), nullable=False),
        sa.Column("subject", sa.String(100), nullable=False),
        sa.Column("note", sa.String(200), nullable=False),
        sa.Column("width", sa.Integer(), nullable=False),
        sa.Column("height", sa.Integer(), nullable=False),
        sa.Column("content", sa.LargeBinary(), nullable=False),
        sa.Column("small", sa.LargeBinary(), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.ForeignKeyConstraint(["build_id"], ["builds.id"], name="fk_photographs_build_id_builds", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("id", name="pk_photographs"),
    )
    op.create_index("ix_photographs_build", "photographs", ["build_id", "created_at"])


def downgrade() -> None:
    op.drop_table("photographs")
