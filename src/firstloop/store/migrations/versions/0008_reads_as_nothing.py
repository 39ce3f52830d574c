"""What fits no letter is read as nothing."""

import sqlalchemy as sa
from alembic import op

revision = "0008"
down_revision = "0007"


def upgrade() -> None:
    with op.batch_alter_table("attempt") as attempt:
        attempt.alter_column("reads_as", existing_type=sa.String(), nullable=True)
