"""Documents of format 2 may be kept from here on; those of format 1 stay as they are and are carried up when read."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Nothing of the tables changes: a program that knows only format 1 finds a newer database, and says so."""


def downgrade() -> None:
    newer = sa.text(
        "SELECT (SELECT count(*) FROM builds WHERE document->>'format' <> 'gauge-well-build/1') + "
        "(SELECT count(*) FROM revisions WHERE document->>'format' <> 'gauge-well-build/1')"
    )
    count = op.get_bind().scalar(newer)
    if count:
        raise RuntimeError(
            f"{count} documents are of a newer format, which an older program cannot read: back them up."
        )
