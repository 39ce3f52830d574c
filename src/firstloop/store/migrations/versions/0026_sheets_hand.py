"""How a class wrote when a sheet was printed: by that it is read back, whatever it writes then."""

import sqlalchemy as sa
from alembic import op

revision = "0026"
down_revision = "0025"


def upgrade() -> None:
    with op.batch_alter_table("printed_sheet") as table:
        table.add_column(sa.Column("hand_id", sa.Integer(), nullable=True))
        table.create_foreign_key("fk_printed_sheet_hand_id", "judged_hand", ["hand_id"], ["id"])
