"""What a school calls the lines."""

import sqlalchemy as sa
from alembic import op

revision = "0020"
down_revision = "0019"


def upgrade() -> None:
    op.add_column(
        "school_class", sa.Column("line_names", sa.JSON(), nullable=False, server_default="{}")
    )
