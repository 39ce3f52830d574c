"""How letters stand is estimated from all evidence; what is held of each child at the end of some
days is kept, and made anew where it is missing. Some children are not to be put into one group."""

import sqlalchemy as sa
from alembic import op

revision = "0022"
down_revision = "0021"


def upgrade() -> None:
    op.drop_table("standing")
    op.create_table(
        "progress_mark",
        sa.Column(
            "pupil_id",
            sa.Integer(),
            sa.ForeignKey("pupil.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("day", sa.Date(), primary_key=True),
        sa.Column("model", sa.String(), nullable=False),
        sa.Column("letters", sa.String(), nullable=False),
        sa.Column("held", sa.LargeBinary(), nullable=False),
    )
    op.create_table(
        "kept_apart",
        *(
            sa.Column(
                name,
                sa.Integer(),
                sa.ForeignKey("pupil.id", ondelete="CASCADE"),
                primary_key=True,
            )
            for name in ("one_id", "other_id")
        ),
        sa.CheckConstraint("one_id < other_id", name="in_order"),
    )
