"""What the teacher writes on the board is kept in the lesson."""

import sqlalchemy as sa
from alembic import op

revision = "0006"
down_revision = "0005"


def upgrade() -> None:
    with op.batch_alter_table("lesson") as table:
        table.add_column(sa.Column("written", sa.JSON(), server_default="{}", nullable=False))


def downgrade() -> None:
    with op.batch_alter_table("lesson") as table:
        table.drop_column("written")
