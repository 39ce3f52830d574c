"""Pads: the codes of lessons, the devices that are known, who sits at which, what happens; and of
what is handed in for which task of a lesson it was."""

import sqlalchemy as sa
from alembic import op

revision = "0017"
down_revision = "0016"


def _of(table: str, ondelete: str, *, nullable: bool = False) -> sa.Column:
    name = {"school_class": "class", "lesson_code": "code"}.get(table, table)
    return sa.Column(
        f"{name}_id",
        sa.Integer(),
        sa.ForeignKey(f"{table}.id", ondelete=ondelete),
        nullable=nullable,
    )


def upgrade() -> None:
    op.create_table(
        "lesson_code",
        sa.Column("id", sa.Integer(), primary_key=True),
        _of("school_class", "CASCADE"),
        _of("lesson", "SET NULL", nullable=True),
        sa.Column("code", sa.String(), nullable=False),
        sa.Column("opened_at", sa.DateTime(), nullable=False),
        sa.Column("ends_at", sa.DateTime(), nullable=False),
    )
    for column in ("class_id", "lesson_id", "ends_at"):
        op.create_index(f"ix_lesson_code_{column}", "lesson_code", [column])
    op.create_table(
        "pad",
        sa.Column("id", sa.Integer(), primary_key=True),
        _of("school_class", "CASCADE"),
        sa.Column("device", sa.String(), nullable=False),
        sa.Column("token", sa.String(), nullable=True),
        _of("lesson_code", "SET NULL", nullable=True),
        sa.Column("asked_at", sa.DateTime(), nullable=True),
        sa.Column("opens_alone", sa.Boolean(), nullable=True),
    )
    for column in ("class_id", "device", "token", "code_id"):
        op.create_index(f"ix_pad_{column}", "pad", [column])
    op.create_table(
        "pad_seat",
        sa.Column("id", sa.Integer(), primary_key=True),
        _of("pad", "CASCADE"),
        _of("pupil", "CASCADE"),
        _of("lesson_code", "CASCADE"),
        sa.Column("since", sa.DateTime(), nullable=False),
        sa.Column("until", sa.DateTime(), nullable=True),
    )
    for column in ("pad_id", "pupil_id", "code_id"):
        op.create_index(f"ix_pad_seat_{column}", "pad_seat", [column])
    with op.batch_alter_table("handed_in") as table:
        table.add_column(sa.Column("lesson_id", sa.Integer(), nullable=True))
        table.create_foreign_key(
            "fk_handed_in_lesson_id_lesson", "lesson", ["lesson_id"], ["id"], ondelete="SET NULL"
        )
        for name in ("kind", "target", "help"):
            table.add_column(sa.Column(name, sa.String(), nullable=True))
        for name in ("written_at", "came_at"):
            table.add_column(sa.Column(name, sa.DateTime(), nullable=True))
        table.add_column(sa.Column("is_best", sa.Boolean(), nullable=False, server_default="0"))
        table.add_column(sa.Column("is_struck", sa.Boolean(), nullable=False, server_default="0"))
        table.add_column(sa.Column("picture", sa.JSON(), nullable=False, server_default="[]"))
        table.add_column(sa.Column("struck", sa.JSON(none_as_null=True), nullable=True))
        table.create_index("ix_handed_in_lesson_id_pupil_id", ["lesson_id", "pupil_id"])
    op.create_table(
        "happening",
        sa.Column("id", sa.Integer(), primary_key=True),
        _of("school_class", "CASCADE"),
        sa.Column("at", sa.DateTime(), nullable=False),
        sa.Column("what", sa.String(), nullable=False),
        _of("lesson", "CASCADE", nullable=True),
        _of("lesson_code", "CASCADE", nullable=True),
        _of("pad", "CASCADE", nullable=True),
        sa.Column(
            "handed_in",
            sa.String(),
            sa.ForeignKey("handed_in.id", ondelete="CASCADE"),
            nullable=True,
        ),
        _of("attempt", "CASCADE", nullable=True),
        sa.Column("by", sa.String(), nullable=True),
        sqlite_autoincrement=True,
    )
    op.create_index("ix_happening_class_id_id", "happening", ["class_id", "id"])
