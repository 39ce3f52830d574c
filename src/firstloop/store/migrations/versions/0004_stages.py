"""Stages: by which limits the letters of a class, or of one child, are checked."""

import sqlalchemy as sa
from alembic import op

revision = "0004"
down_revision = "0003"


def upgrade() -> None:
    for name in ("school_class", "attempt"):
        with op.batch_alter_table(name) as table:
            table.add_column(
                sa.Column("stage", sa.String(), server_default="developing", nullable=False)
            )
    with op.batch_alter_table("pupil") as table:
        table.add_column(sa.Column("stage", sa.String(), nullable=True))


def downgrade() -> None:
    for name in ("school_class", "attempt", "pupil"):
        with op.batch_alter_table(name) as table:
            table.drop_column("stage")
