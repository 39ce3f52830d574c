"""Sheets that were printed to be read back, photographs that wait, pages that were read."""

import sqlalchemy as sa
from alembic import op

revision = "0024"
down_revision = "0023"


def upgrade() -> None:
    def of(table: str, name: str, *, may_be_none: bool = False) -> sa.Column[int]:
        tie = sa.ForeignKey(f"{table}.id", ondelete="CASCADE")
        return sa.Column(name, sa.Integer(), tie, nullable=may_be_none)

    op.create_table(
        "printed_sheet",
        sa.Column("id", sa.Integer(), primary_key=True),
        of("school_class", "class_id"),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("digest", sa.String(), nullable=False),
        sa.Column("title", sa.String(), nullable=False),
        sa.Column("cells", sa.LargeBinary(), nullable=False),
        sa.Column("pupils", sa.JSON(), nullable=False),
        sa.UniqueConstraint("class_id", "name"),
    )
    op.create_table(
        "paper_photo",
        sa.Column("id", sa.Integer(), primary_key=True),
        of("school_class", "class_id"),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("came_at", sa.DateTime(), nullable=False),
        sa.Column("content", sa.LargeBinary(), nullable=False),
    )
    op.create_index("ix_paper_photo_class_id", "paper_photo", ["class_id"])
    op.create_table(
        "paper_page",
        sa.Column("id", sa.Integer(), primary_key=True),
        of("school_class", "class_id"),
        of("printed_sheet", "sheet_id", may_be_none=True),
        of("pupil", "pupil_id", may_be_none=True),
        sa.Column("file", sa.String(), nullable=False),
        sa.Column("page", sa.Integer(), nullable=True),
        sa.Column("came_at", sa.DateTime(), nullable=False),
        sa.Column("problems", sa.JSON(), nullable=False),
        sa.Column("cells", sa.JSON(), nullable=False),
        sa.Column("size_mm", sa.JSON(), nullable=True),
        sa.Column("picture", sa.LargeBinary(), nullable=True),
        sa.Column("kept_at", sa.DateTime(), nullable=True),
    )
    for column in ("class_id", "sheet_id", "pupil_id"):
        op.create_index(f"ix_paper_page_{column}", "paper_page", [column])
