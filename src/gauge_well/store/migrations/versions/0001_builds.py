"""Builds and their revisions."""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = "0001"
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:
    op.create_table(
        "builds",
        sa.Column("id", sa.String(40), nullable=False),
        sa.Column("document", postgresql.JSONB(), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("updated_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.Column("deleted_at", sa.DateTime(timezone=True), nullable=True),
        sa.PrimaryKeyConstraint("id", name="pk_builds"),
    )
    op.create_index("ix_builds_kept", "builds", ["updated_at"], postgresql_where=sa.text("deleted_at IS NULL"))
    op.create_table(
        "revisions",
        sa.Column("build_id", sa.String(40), nullable=False),
        sa.Column("revision", sa.Integer(), nullable=False),
        sa.Column("document", postgresql.JSONB(), nullable=False),
        sa.Column("note", sa.String(200), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), server_default=sa.func.now(), nullable=False),
        sa.ForeignKeyConstraint(["build_id"], ["builds.id"], name="fk_revisions_build_id_builds", ondelete="CASCADE"),
        sa.PrimaryKeyConstraint("build_id", "revision", name="pk_revisions"),
    )


def downgrade() -> None:
    kept = op.get_bind().scalar(sa.text("SELECT count(*) FROM builds"))
    if kept:
        raise RuntimeError(f"{kept} builds would be lost: back them up and empty the table first.")
    op.drop_table("revisions")
    op.drop_table("builds")
