"""What is taught is kept by hand, print or joined; joins are taught too, and planned."""

import sqlalchemy as sa
from alembic import op

revision = "0011"
down_revision = "0010"

CLASS = "school_class.id"


def upgrade() -> None:
    op.rename_table("taught_letter", "taught_before")
    op.create_table(
        "taught_letter",
        _class_column(),
        sa.Column("letter", sa.String(), primary_key=True),
        sa.Column("joined", sa.Boolean(), primary_key=True),
        sa.Column("since", sa.Date(), nullable=False),
    )
    # Capitals and digits join in no hand; what a joined hand's class has been taught was joined.
    op.execute(
        """
        INSERT INTO taught_letter (class_id, letter, joined, since)
        SELECT t.class_id, t.letter,
               c.hand IN ('joined', 'looped') AND t.letter BETWEEN 'a' AND 'z', t.since
        FROM taught_before t JOIN school_class c ON c.id = t.class_id
        """
    )
    op.drop_table("taught_before")
    op.create_table(
        "taught_join",
        _class_column(),
        sa.Column("pair", sa.String(), primary_key=True),
        sa.Column("since", sa.Date(), nullable=False),
    )
    op.add_column("school_class", sa.Column("joining", sa.JSON(), nullable=True))


def _class_column() -> sa.Column[int]:
    return sa.Column(
        "class_id", sa.Integer(), sa.ForeignKey(CLASS, ondelete="CASCADE"), primary_key=True
    )
