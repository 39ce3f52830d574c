"""Lessons, taught letters, the teacher's own words, and how the class writes dates."""

import sqlalchemy as sa
from alembic import op

revision = "0005"
down_revision = "0004"


def _of_class(*, key: bool = False) -> sa.Column[int]:
    return sa.Column("class_id", sa.Integer(), nullable=False, primary_key=key)


def _to_class(table: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        ["class_id"], ["school_class.id"], name=f"fk_{table}_class_id", ondelete="CASCADE"
    )


def upgrade() -> None:
    with op.batch_alter_table("school_class") as table:
        table.add_column(sa.Column("language", sa.JSON(), server_default="{}", nullable=False))
        table.add_column(
            sa.Column("lesson_minutes", sa.Integer(), server_default="20", nullable=False)
        )
    op.create_table(
        "taught_letter",
        _of_class(),
        sa.Column("letter", sa.String(), nullable=False),
        sa.Column("since", sa.Date(), nullable=False),
        _to_class("taught_letter"),
        sa.PrimaryKeyConstraint("class_id", "letter", name="pk_taught_letter"),
    )
    op.create_table(
        "own_word",
        _of_class(),
        sa.Column("noted", sa.String(), nullable=False),
        _to_class("own_word"),
        sa.PrimaryKeyConstraint("class_id", "noted", name="pk_own_word"),
    )
    op.create_table(
        "lesson",
        sa.Column("id", sa.Integer(), nullable=False),
        _of_class(),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("plan", sa.JSON(), nullable=False),
        sa.Column("at", sa.Integer(), server_default="0", nullable=False),
        sa.Column("given_at", sa.DateTime(), nullable=True),
        _to_class("lesson"),
        sa.PrimaryKeyConstraint("id", name="pk_lesson"),
    )
    op.create_index("ix_lesson_class_id_day", "lesson", ["class_id", "day"])


def downgrade() -> None:
    for name in ("lesson", "own_word", "taught_letter"):
        op.drop_table(name)
    with op.batch_alter_table("school_class") as table:
        for name in ("language", "lesson_minutes"):
            table.drop_column(name)
