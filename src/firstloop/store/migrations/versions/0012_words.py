"""Whole words are taught as they stand."""

import sqlalchemy as sa
from alembic import op

revision = "0012"
down_revision = "0011"


def upgrade() -> None:
    op.create_table(
        "taught_word",
        sa.Column(
            "class_id",
            sa.Integer(),
            sa.ForeignKey("school_class.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("text", sa.String(), primary_key=True),
        sa.Column("since", sa.Date(), nullable=False),
    )
