"""What the teacher writes on the board is kept in the lesson; a child's newest letters are found
without looking through the old ones."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"

NEWEST = "ix_attempt_pupil_id_letter_written_at"


def upgrade() -> None:
    with op.batch_alter_table("lesson") as table:
        table.add_column(sa.Column("written", sa.JSON(), server_default="{}", nullable=False))
    op.create_index(NEWEST, "attempt", ["pupil_id", "letter", "written_at"])
    op.drop_index("ix_attempt_pupil_id", "attempt")


def downgrade() -> None:
    op.create_index("ix_attempt_pupil_id", "attempt", ["pupil_id"])
    op.drop_index(NEWEST, "attempt")
    with op.batch_alter_table("lesson") as table:
        table.drop_column("written")
