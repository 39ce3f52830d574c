"""A longer secret beside the words of a lesson, wrong guesses and known devices, and how much each
pad has handed in."""

import sqlalchemy as sa
from alembic import op

revision = "0019"
down_revision = "0018"


def upgrade() -> None:
    op.add_column("lesson_code", sa.Column("secret", sa.String(), nullable=True))
    op.execute("UPDATE lesson_code SET secret = lower(hex(randomblob(16)))")
    op.create_table(
        "wrong_guess",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("place", sa.String(), nullable=False),
        sa.Column("thing", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
    )
    op.create_index("ix_wrong_guess_place", "wrong_guess", ["place", "at"])
    op.create_index("ix_wrong_guess_thing", "wrong_guess", ["thing", "at"])
    op.create_index("ix_wrong_guess_at", "wrong_guess", ["at"])
    op.create_table(
        "known_device",
        sa.Column("device", sa.String(), primary_key=True),
        sa.Column(
            "account_id",
            sa.Integer(),
            sa.ForeignKey("account.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("until", sa.DateTime(), nullable=False),
    )
    op.create_index("ix_known_device_account_id", "known_device", ["account_id"])
    op.create_table(
        "pad_load",
        sa.Column(
            "pad_id", sa.Integer(), sa.ForeignKey("pad.id", ondelete="CASCADE"), primary_key=True
        ),
        sa.Column(
            "code_id",
            sa.Integer(),
            sa.ForeignKey("lesson_code.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("letters", sa.Integer(), nullable=False),
        sa.Column("points", sa.Integer(), nullable=False),
        sa.Column("is_full", sa.Boolean(), nullable=False),
    )
    op.create_index("ix_pad_load_code_id", "pad_load", ["code_id"])
