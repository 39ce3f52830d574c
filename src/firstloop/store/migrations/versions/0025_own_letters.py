"""Hands that are written here: what was written of their letters, and which stand."""

import sqlalchemy as sa
from alembic import op

revision = "0025"
down_revision = "0024"


def upgrade() -> None:
    op.add_column("own_hand", sa.Column("base", sa.String(), nullable=True))
    op.add_column("own_hand", sa.Column("stands", sa.JSON(), nullable=False, server_default="{}"))
    op.create_table(
        "own_sample",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "hand_id",
            sa.Integer(),
            sa.ForeignKey("own_hand.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("letter", sa.String(), nullable=False),
        sa.Column("strokes", sa.JSON(), nullable=False),
        sa.Column("top", sa.Double(), nullable=False),
        sa.Column("drop", sa.Double(), nullable=False),
    )
    op.create_index("ix_own_sample_hand_id_letter", "own_sample", ["hand_id", "letter"])
