"""A lesson's letter steps come round for several letters; what was written lately is found by its
time."""

import sqlalchemy as sa
from alembic import op

revision = "0009"
down_revision = "0008"


def upgrade() -> None:
    op.add_column("lesson", sa.Column("part", sa.String(), nullable=True))
    op.create_index("ix_attempt_written_at", "attempt", ["written_at"])
