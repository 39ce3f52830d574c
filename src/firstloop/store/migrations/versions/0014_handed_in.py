"""What was handed in is known by its sender's id, so that sending it twice keeps it once."""

import sqlalchemy as sa
from alembic import op

revision = "0014"
down_revision = "0013"


def upgrade() -> None:
    op.create_table(
        "handed_in",
        sa.Column("id", sa.String(), primary_key=True),
        sa.Column(
            "pupil_id",
            sa.Integer(),
            sa.ForeignKey("pupil.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("digest", sa.String(), nullable=False),
        sa.Column(
            "attempt_id",
            sa.Integer(),
            sa.ForeignKey("attempt.id", ondelete="SET NULL"),
            nullable=True,
        ),
        sa.Column(
            "text_id",
            sa.Integer(),
            sa.ForeignKey("written_text.id", ondelete="SET NULL"),
            nullable=True,
        ),
    )
    for column in ("pupil_id", "attempt_id", "text_id"):
        op.create_index(f"ix_handed_in_{column}", "handed_in", [column])
