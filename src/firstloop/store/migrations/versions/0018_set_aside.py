"""What a pad was refused for good, until it is let go; and with which hand a child wrote then."""

import sqlalchemy as sa
from alembic import op

revision = "0018"
down_revision = "0017"


def _of(name: str, table: str, ondelete: str, *, nullable: bool = False) -> sa.Column:
    key = sa.ForeignKey(f"{table}.id", ondelete=ondelete)
    return sa.Column(name, sa.Integer(), key, nullable=nullable)


def upgrade() -> None:
    op.create_table(
        "set_aside",
        sa.Column("id", sa.String(), primary_key=True),
        _of("class_id", "school_class", "CASCADE"),
        _of("pad_id", "pad", "CASCADE"),
        _of("pupil_id", "pupil", "CASCADE"),
        sa.Column("kind", sa.String(), nullable=False),
        sa.Column("target", sa.String(), nullable=False),
        sa.Column("why", sa.String(), nullable=False),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("let_go_at", sa.DateTime(), nullable=True),
    )
    for column in ("class_id", "pad_id", "pupil_id"):
        op.create_index(f"ix_set_aside_{column}", "set_aside", [column])
    for table in ("attempt", "written_text"):
        op.add_column(table, sa.Column("handedness", sa.String(), nullable=True))
