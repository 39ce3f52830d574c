"""What a child gets otherwise than its class; what its teacher saw in it and noted; lessons of
groups, which run side by side."""

import sqlalchemy as sa
from alembic import op

revision = "0023"
down_revision = "0022"


def upgrade() -> None:
    op.add_column("pupil", sa.Column("gets", sa.JSON(), nullable=False, server_default="{}"))
    op.add_column("lesson", sa.Column("group", sa.JSON(), nullable=True))
    of_pupil = ("pupil.id",)
    op.create_table(
        "care_flag",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "pupil_id", sa.Integer(), sa.ForeignKey(*of_pupil, ondelete="CASCADE"), nullable=False
        ),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("since", sa.Date(), nullable=False),
        sa.Column("look_again", sa.Date(), nullable=False),
        sa.Column("done", sa.Date(), nullable=True),
    )
    op.create_table(
        "pupil_note",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "pupil_id", sa.Integer(), sa.ForeignKey(*of_pupil, ondelete="CASCADE"), nullable=False
        ),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("text", sa.String(), nullable=False),
    )
    op.create_index("ix_care_flag_pupil_id", "care_flag", ["pupil_id"])
    op.create_index("ix_pupil_note_pupil_id", "pupil_note", ["pupil_id"])
