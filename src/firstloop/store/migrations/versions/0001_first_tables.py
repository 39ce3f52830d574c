"""The first tables: class, pupil, attempt, finding, judgement."""

import sqlalchemy as sa
from alembic import op

revision = "0001"
down_revision = None


def upgrade() -> None:
    op.create_table(
        "school_class",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("hand", sa.String(), nullable=False),
        sa.Column("ruling_top", sa.Double(), nullable=False),
        sa.Column("ruling_drop", sa.Double(), nullable=False),
        sa.Column("x_height_mm", sa.Double(), nullable=False),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_school_class")),
    )
    op.create_table(
        "pupil",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("class_id", sa.Integer(), nullable=False),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("handedness", sa.String(), nullable=False),
        sa.CheckConstraint("handedness IN ('left', 'right')", name=op.f("ck_pupil_handedness")),
        sa.ForeignKeyConstraint(
            ["class_id"], ["school_class.id"], name=op.f("fk_pupil_class_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_pupil")),
        sa.UniqueConstraint("class_id", "name", name=op.f("uq_pupil_class_id")),
    )
    op.create_table(
        "attempt",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("pupil_id", sa.Integer(), nullable=False),
        sa.Column("letter", sa.String(), nullable=False),
        sa.Column("hand", sa.String(), nullable=False),
        sa.Column("ruling_top", sa.Double(), nullable=False),
        sa.Column("ruling_drop", sa.Double(), nullable=False),
        sa.Column("help", sa.String(), nullable=False),
        sa.Column("written_at", sa.DateTime(), nullable=False),
        sa.Column("ink", sa.JSON(), nullable=False),
        sa.Column("reads_as", sa.String(), nullable=False),
        sa.Column("way", sa.String(), nullable=False),
        sa.Column("direction", sa.String(), nullable=False),
        sa.Column("size", sa.String(), nullable=False),
        sa.Column("shape", sa.String(), nullable=False),
        sa.Column("say", sa.String(), nullable=False),
        sa.Column("checker", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(
            ["pupil_id"], ["pupil.id"], name=op.f("fk_attempt_pupil_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_attempt")),
    )
    with op.batch_alter_table("attempt", schema=None) as batch_op:
        batch_op.create_index(
            "ix_attempt_letter_written_at", ["letter", "written_at"], unique=False
        )
        batch_op.create_index(batch_op.f("ix_attempt_pupil_id"), ["pupil_id"], unique=False)

    op.create_table(
        "finding",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("attempt_id", sa.Integer(), nullable=False),
        sa.Column("position", sa.Integer(), nullable=False),
        sa.Column("code", sa.String(), nullable=False),
        sa.Column("severity", sa.String(), nullable=False),
        sa.Column("stroke", sa.Integer(), nullable=False),
        sa.Column("move", sa.Integer(), nullable=False),
        sa.Column("measure", sa.Double(), nullable=False),
        sa.Column("limit", sa.Double(), nullable=False),
        sa.Column("unit", sa.String(), nullable=False),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("say", sa.String(), nullable=False),
        sa.Column("other", sa.String(), nullable=True),
        sa.ForeignKeyConstraint(
            ["attempt_id"], ["attempt.id"], name=op.f("fk_finding_attempt_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name=op.f("pk_finding")),
    )
    with op.batch_alter_table("finding", schema=None) as batch_op:
        batch_op.create_index(batch_op.f("ix_finding_attempt_id"), ["attempt_id"], unique=False)
        batch_op.create_index(batch_op.f("ix_finding_code"), ["code"], unique=False)

    op.create_table(
        "judgement",
        sa.Column("attempt_id", sa.Integer(), nullable=False),
        sa.Column("made_at", sa.DateTime(), nullable=False),
        sa.Column("direction", sa.String(), nullable=True),
        sa.Column("size", sa.String(), nullable=True),
        sa.Column("shape", sa.String(), nullable=True),
        sa.Column("note", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(
            ["attempt_id"], ["attempt.id"], name=op.f("fk_judgement_attempt_id"), ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("attempt_id", name=op.f("pk_judgement")),
    )


def downgrade() -> None:
    op.drop_table("judgement")
    with op.batch_alter_table("finding", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_finding_code"))
        batch_op.drop_index(batch_op.f("ix_finding_attempt_id"))

    op.drop_table("finding")
    with op.batch_alter_table("attempt", schema=None) as batch_op:
        batch_op.drop_index(batch_op.f("ix_attempt_pupil_id"))
        batch_op.drop_index("ix_attempt_letter_written_at")

    op.drop_table("attempt")
    op.drop_table("pupil")
    op.drop_table("school_class")
