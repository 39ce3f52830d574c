"""Recordings and pictures that a word or a letter is asked for with."""

import sqlalchemy as sa
from alembic import op

revision = "0016"
down_revision = "0015"


def upgrade() -> None:
    op.create_table(
        "prompt",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "class_id",
            sa.Integer(),
            sa.ForeignKey("school_class.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("text", sa.String(), nullable=False),
        sa.Column("tile", sa.String(), nullable=True),
        sa.Column("sound", sa.LargeBinary(), nullable=True),
        sa.UniqueConstraint("class_id", "text"),
    )
