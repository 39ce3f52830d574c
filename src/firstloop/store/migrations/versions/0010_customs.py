"""How each line of a class's ruling looks, and what the class does in its own way in lessons."""

import sqlalchemy as sa
from alembic import op

revision = "0010"
down_revision = "0009"


def upgrade() -> None:
    for name in ("ruling_looks", "customs"):
        op.add_column(
            "school_class", sa.Column(name, sa.JSON(), server_default="{}", nullable=False)
        )
