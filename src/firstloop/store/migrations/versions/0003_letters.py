"""Rulings, exits, the school's own hands, schemes and words."""

import sqlalchemy as sa
from alembic import op

revision = "0003"
down_revision = "0002"


def _of_class() -> sa.Column[int]:
    return sa.Column("class_id", sa.Integer(), nullable=False)


def _to_class(table: str) -> sa.ForeignKeyConstraint:
    return sa.ForeignKeyConstraint(
        ["class_id"], ["school_class.id"], name=f"fk_{table}_class_id", ondelete="CASCADE"
    )


def upgrade() -> None:
    with op.batch_alter_table("school_class") as table:
        table.add_column(sa.Column("exit", sa.Double(), nullable=True))
        table.add_column(
            sa.Column("ruling_kind", sa.String(), server_default="four", nullable=False)
        )
        table.add_column(
            sa.Column("scheme", sa.String(), server_default="movement", nullable=False)
        )
    op.create_table(
        "own_hand",
        sa.Column("id", sa.Integer(), nullable=False),
        _of_class(),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("package", sa.String(), nullable=False),
        _to_class("own_hand"),
        sa.PrimaryKeyConstraint("id", name="pk_own_hand"),
        sa.UniqueConstraint("class_id", "name", name="uq_own_hand_class_id"),
    )
    op.create_table(
        "own_scheme",
        sa.Column("id", sa.Integer(), nullable=False),
        _of_class(),
        sa.Column("data", sa.JSON(), nullable=False),
        _to_class("own_scheme"),
        sa.PrimaryKeyConstraint("id", name="pk_own_scheme"),
    )
    op.create_index("ix_own_scheme_class_id", "own_scheme", ["class_id"])
    op.create_table(
        "own_words",
        sa.Column("id", sa.Integer(), nullable=False),
        _of_class(),
        sa.Column("hand", sa.String(), nullable=False),
        sa.Column("key", sa.String(), nullable=False),
        sa.Column("letter", sa.String(), nullable=True),
        sa.Column("stroke", sa.Integer(), nullable=True),
        sa.Column("move", sa.Integer(), nullable=True),
        sa.Column("words", sa.String(), nullable=False),
        _to_class("own_words"),
        sa.PrimaryKeyConstraint("id", name="pk_own_words"),
    )
    op.create_index("ix_own_words_class_id_hand", "own_words", ["class_id", "hand"])


def downgrade() -> None:
    for name in ("own_words", "own_scheme", "own_hand"):
        op.drop_table(name)
    with op.batch_alter_table("school_class") as table:
        for name in ("exit", "ruling_kind", "scheme"):
            table.drop_column(name)
