"""A class's style: its alternatives, and proportions of its own."""

import sqlalchemy as sa
from alembic import op

revision = "0002"
down_revision = "0001"


def upgrade() -> None:
    with op.batch_alter_table("school_class") as table:
        table.add_column(sa.Column("choices", sa.JSON(), server_default="{}", nullable=False))
        for name in ("slant_deg", "width", "branch"):
            table.add_column(sa.Column(name, sa.Double(), nullable=True))


def downgrade() -> None:
    with op.batch_alter_table("school_class") as table:
        for name in ("choices", "slant_deg", "width", "branch"):
            table.drop_column(name)
