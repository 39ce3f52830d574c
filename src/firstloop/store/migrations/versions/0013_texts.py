"""Rows, words and sentences are kept whole, and each of their letters as an attempt."""

import sqlalchemy as sa
from alembic import op

revision = "0013"
down_revision = "0012"


def upgrade() -> None:
    op.create_table(
        "written_text",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "pupil_id",
            sa.Integer(),
            sa.ForeignKey("pupil.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("target", sa.String(), nullable=False),
        sa.Column("source", sa.String(), nullable=False),
        sa.Column("help", sa.String(), nullable=False),
        sa.Column("hand_id", sa.Integer(), sa.ForeignKey("judged_hand.id"), nullable=False),
        sa.Column("stage", sa.String(), nullable=False),
        sa.Column("may_stand_open", sa.Boolean(), nullable=False),
        sa.Column("open_pairs", sa.JSON(), nullable=False),
        sa.Column("ruling_top", sa.Double(), nullable=False),
        sa.Column("ruling_drop", sa.Double(), nullable=False),
        sa.Column("written_at", sa.DateTime(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("checker", sa.String(), nullable=False),
        sa.Column("answer", sa.JSON(), nullable=False),
        sa.Column("strokes", sa.JSON(), nullable=False),
        sa.Column("judgement", sa.JSON(), nullable=True),
    )
    op.create_index("ix_written_text_hand_id", "written_text", ["hand_id"])
    op.create_index(
        "ix_written_text_pupil_id_written_at", "written_text", ["pupil_id", "written_at"]
    )
    with op.batch_alter_table("attempt") as attempt:
        attempt.add_column(sa.Column("text_id", sa.Integer(), nullable=True))
        attempt.add_column(sa.Column("place", sa.Integer(), nullable=True))
        attempt.create_foreign_key(
            "fk_attempt_text_id", "written_text", ["text_id"], ["id"], ondelete="CASCADE"
        )
        attempt.create_index("ix_attempt_text_id", ["text_id"])
