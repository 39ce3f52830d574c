"""Teachers with accounts, whose each class is; children who are apart or have left, and their
pictures. The classes of a record without accounts wait for the first one."""

import sqlalchemy as sa
from alembic import op

revision = "0015"
down_revision = "0014"


def upgrade() -> None:
    op.create_table(
        "account",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("key", sa.String(), nullable=False, unique=True),
        sa.Column("password", sa.String(), nullable=True),
        sa.Column(
            "class_id",
            sa.Integer(),
            sa.ForeignKey("school_class.id", ondelete="SET NULL"),
            nullable=True,
        ),
    )
    op.create_table(
        "class_teacher",
        sa.Column("class_id", sa.Integer(), sa.ForeignKey("school_class.id", ondelete="CASCADE")),
        sa.Column("account_id", sa.Integer(), sa.ForeignKey("account.id", ondelete="CASCADE")),
        sa.Column("role", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("class_id", "account_id"),
        sa.CheckConstraint("role IN ('teacher', 'helper')", name="role"),
    )
    op.create_index("ix_class_teacher_account_id", "class_teacher", ["account_id"])
    op.create_table(
        "sign_in",
        sa.Column("token", sa.String(), primary_key=True),
        sa.Column(
            "account_id",
            sa.Integer(),
            sa.ForeignKey("account.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("until", sa.DateTime(), nullable=False),
    )
    op.create_index("ix_sign_in_account_id", "sign_in", ["account_id"])
    with op.batch_alter_table("school") as school:
        school.add_column(
            sa.Column("is_demo", sa.Boolean(), nullable=False, server_default=sa.false())
        )
    with op.batch_alter_table("school_class") as classes:
        classes.add_column(
            sa.Column("is_made_up", sa.Boolean(), nullable=False, server_default=sa.false())
        )
    with op.batch_alter_table("pupil") as pupils:
        pupils.add_column(sa.Column("tile", sa.String(), nullable=True))
        pupils.add_column(sa.Column("presence", sa.String(), nullable=False, server_default="here"))
        pupils.add_column(sa.Column("since", sa.Date(), nullable=True))
        pupils.create_check_constraint("presence", "presence IN ('here', 'apart', 'left')")
    _leave_to_the_first_account()


def _leave_to_the_first_account() -> None:
    """Nobody can sign in to an account without a password; the first teacher takes it over."""
    connection = op.get_bind()
    first = connection.scalar(sa.text("SELECT min(id) FROM school_class"))
    if first is None:
        return
    connection.execute(
        sa.text("INSERT INTO account (id, name, key, class_id) VALUES (1, '', '', :first)"),
        {"first": first},
    )
    connection.execute(
        sa.text(
            "INSERT INTO class_teacher (class_id, account_id, role) "
            "SELECT id, 1, 'teacher' FROM school_class"
        )
    )
