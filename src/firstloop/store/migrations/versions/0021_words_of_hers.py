"""A word on what was written has its author, may speak of single findings, be said of a text as
well, and is not the only one: several people's stand side by side, and one counts. What a text is,
at a glance, has a table of its own; a class counts how often each finding was said to be so."""

import sqlalchemy as sa
from alembic import op

revision = "0021"
down_revision = "0020"


def upgrade() -> None:
    connection = op.get_bind()
    old = connection.execute(sa.text("SELECT * FROM judgement")).mappings().all()
    of_texts = (
        connection.execute(
            sa.text(
                "SELECT id, json_extract(judgement, '$.made_at') AS made_at,"
                " json_extract(judgement, '$.verdicts.direction') AS direction,"
                " json_extract(judgement, '$.verdicts.size') AS size,"
                " json_extract(judgement, '$.verdicts.shape') AS shape,"
                " json_extract(judgement, '$.note') AS note"
                " FROM written_text WHERE judgement IS NOT NULL"
            )
        )
        .mappings()
        .all()
    )
    op.drop_table("judgement")
    _make_tables()
    _bring_words(connection, "attempt_id", [{**row, "about": row["attempt_id"]} for row in old])
    _bring_words(connection, "text_id", [{**row, "about": row["id"]} for row in of_texts])
    connection.execute(
        sa.text(
            "INSERT INTO text_seen (text_id, direction, size, shape, found)"
            " SELECT id, json_extract(answer, '$.verdict.direction'),"
            " json_extract(answer, '$.verdict.size'), json_extract(answer, '$.verdict.shape'),"
            " coalesce((SELECT json_group_array(json_array("
            "  json_extract(f.value, '$.code'), json_extract(f.value, '$.severity')))"
            "  FROM json_each(answer, '$.findings') f), '[]')"
            " FROM written_text"
        )
    )
    op.drop_column("written_text", "judgement")
    op.create_index("ix_attempt_pupil_id_day_letter", "attempt", ["pupil_id", "day", "letter"])
    op.create_index("ix_written_text_pupil_id_day", "written_text", ["pupil_id", "day"])


def _make_tables() -> None:
    op.create_table(
        "blind_set",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "class_id",
            sa.Integer(),
            sa.ForeignKey("school_class.id", ondelete="CASCADE"),
            nullable=False,
        ),
        sa.Column("name", sa.String(), nullable=False),
        sa.Column("made_at", sa.DateTime(), nullable=False),
    )
    op.create_index("ix_blind_set_class_id", "blind_set", ["class_id"])
    op.create_table(
        "blind_letter",
        sa.Column(
            "set_id",
            sa.Integer(),
            sa.ForeignKey("blind_set.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column(
            "attempt_id",
            sa.Integer(),
            sa.ForeignKey("attempt.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("place", sa.Integer(), nullable=False),
    )
    op.create_index("ix_blind_letter_attempt_id", "blind_letter", ["attempt_id"])
    op.create_table(
        "blind_reader",
        sa.Column(
            "set_id",
            sa.Integer(),
            sa.ForeignKey("blind_set.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column(
            "account_id",
            sa.Integer(),
            sa.ForeignKey("account.id", ondelete="CASCADE"),
            primary_key=True,
        ),
    )
    op.create_index("ix_blind_reader_account_id", "blind_reader", ["account_id"])
    op.create_table(
        "judgement",
        sa.Column("id", sa.Integer(), primary_key=True),
        sa.Column(
            "attempt_id",
            sa.Integer(),
            sa.ForeignKey("attempt.id", ondelete="CASCADE"),
            nullable=True,
        ),
        sa.Column(
            "text_id",
            sa.Integer(),
            sa.ForeignKey("written_text.id", ondelete="CASCADE"),
            nullable=True,
        ),
        sa.Column(
            "account_id",
            sa.Integer(),
            sa.ForeignKey("account.id", ondelete="SET NULL"),
            nullable=True,
        ),
        sa.Column(
            "set_id",
            sa.Integer(),
            sa.ForeignKey("blind_set.id", ondelete="CASCADE"),
            nullable=True,
        ),
        sa.Column("is_teachers", sa.Boolean(), nullable=False),
        sa.Column("counts", sa.Boolean(), nullable=False),
        sa.Column("how", sa.String(), nullable=False),
        sa.Column("made_at", sa.DateTime(), nullable=False),
        *(
            sa.Column(name, sa.String(), nullable=True)
            for name in ("direction", "size", "shape", "spacing", "line", "joins")
        ),
        sa.Column("note", sa.String(), nullable=False),
        sa.Column("say", sa.String(), nullable=False),
        sa.Column("set_aside", sa.Boolean(), nullable=False),
        sa.CheckConstraint(
            "(attempt_id IS NULL) <> (text_id IS NULL)", name="ck_judgement_of_one_thing"
        ),
    )
    for column in ("attempt_id", "text_id", "account_id", "set_id"):
        op.create_index(f"ix_judgement_{column}", "judgement", [column])
    for column in ("attempt_id", "text_id"):
        op.create_index(
            f"ix_judgement_counts_{column}",
            "judgement",
            [column],
            unique=True,
            sqlite_where=sa.text("counts"),
        )
    op.create_table(
        "judged_finding",
        sa.Column(
            "judgement_id",
            sa.Integer(),
            sa.ForeignKey("judgement.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("code", sa.String(), primary_key=True),
        sa.Column("said", sa.String(), nullable=False),
    )
    op.create_table(
        "text_seen",
        sa.Column(
            "text_id",
            sa.Integer(),
            sa.ForeignKey("written_text.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("direction", sa.String(), nullable=False),
        sa.Column("size", sa.String(), nullable=False),
        sa.Column("shape", sa.String(), nullable=False),
        sa.Column("found", sa.JSON(), nullable=False),
    )
    op.create_table(
        "finding_trust",
        sa.Column(
            "class_id",
            sa.Integer(),
            sa.ForeignKey("school_class.id", ondelete="CASCADE"),
            primary_key=True,
        ),
        sa.Column("code", sa.String(), primary_key=True),
        sa.Column("so", sa.Integer(), nullable=False),
        sa.Column("not_so", sa.Integer(), nullable=False),
        sa.Column("counted_from", sa.DateTime(), nullable=True),
    )


def _bring_words(connection: sa.Connection, column: str, rows: list[dict]) -> None:
    """What was said so far was the teacher's, with the checker's word beside it; of findings she
    had not spoken."""
    for row in rows:
        connection.execute(
            sa.text(
                f"INSERT INTO judgement ({column}, is_teachers, counts, how, made_at, direction,"
                " size, shape, note, say, set_aside) VALUES (:about, 1, 1, 'seen', :made_at,"
                " :direction, :size, :shape, :note, '', 0)"
            ),
            {
                name: row[name]
                for name in ("about", "made_at", "direction", "size", "shape", "note")
            },
        )
