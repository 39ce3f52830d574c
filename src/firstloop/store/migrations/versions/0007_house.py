"""A house for what comes: ink in a table of its own; the exact hand that an attempt was judged by,
its source, kind and day; how letters stand and on which days they were written, kept up; a lesson
remembers its step by kind; own words for moves are called phrases.

What the rules were on this day is written out here in SQL, for a migration must not change when
they do.
"""

import json
from datetime import UTC, datetime
from typing import Any
from zoneinfo import ZoneInfo

import sqlalchemy as sa
from alembic import op
from tzlocal import get_localzone_name

revision = "0007"
down_revision = "0006"


def upgrade() -> None:
    connection = op.get_bind()
    zone = _make_tables(connection)
    _bring_attempts(connection, ZoneInfo(zone))
    _bring_lessons(connection)
    _count(connection)


def _make_tables(connection: sa.Connection) -> str:
    zone = get_localzone_name()
    op.create_table(
        "school",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("time_zone", sa.String(), nullable=False),
        sa.PrimaryKeyConstraint("id", name="pk_school"),
    )
    connection.execute(sa.text("INSERT INTO school VALUES (1, :zone)"), {"zone": zone})
    op.create_table(
        "judged_hand",
        sa.Column("id", sa.Integer(), nullable=False),
        sa.Column("class_id", sa.Integer(), nullable=False),
        sa.Column("style", sa.String(), nullable=False),
        sa.ForeignKeyConstraint(
            ["class_id"], ["school_class.id"], name="fk_judged_hand_class_id", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("id", name="pk_judged_hand"),
        sa.UniqueConstraint("class_id", "style", name="uq_judged_hand_class_id"),
    )
    op.create_table(
        "attempt_ink",
        sa.Column("attempt_id", sa.Integer(), nullable=False),
        sa.Column("strokes", sa.JSON(), nullable=False),
        sa.ForeignKeyConstraint(
            ["attempt_id"], ["attempt.id"], name="fk_attempt_ink_attempt_id", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("attempt_id", name="pk_attempt_ink"),
    )
    op.create_table(
        "standing",
        sa.Column("pupil_id", sa.Integer(), nullable=False),
        sa.Column("letter", sa.String(), nullable=False),
        sa.Column("dimension", sa.String(), nullable=False),
        sa.Column("verdict", sa.String(), nullable=False),
        sa.Column("rests_on", sa.Integer(), nullable=False),
        sa.Column("last", sa.DateTime(), nullable=False),
        sa.ForeignKeyConstraint(
            ["pupil_id"], ["pupil.id"], name="fk_standing_pupil_id", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("pupil_id", "letter", "dimension", name="pk_standing"),
    )
    op.create_table(
        "practice_day",
        sa.Column("class_id", sa.Integer(), nullable=False),
        sa.Column("letter", sa.String(), nullable=False),
        sa.Column("day", sa.Date(), nullable=False),
        sa.Column("attempts", sa.Integer(), nullable=False),
        sa.ForeignKeyConstraint(
            ["class_id"], ["school_class.id"], name="fk_practice_day_class_id", ondelete="CASCADE"
        ),
        sa.PrimaryKeyConstraint("class_id", "letter", "day", name="pk_practice_day"),
    )
    op.drop_index("ix_own_words_class_id_hand", "own_words")
    op.rename_table("own_words", "own_phrase")
    op.create_index("ix_own_phrase_class_id_hand", "own_phrase", ["class_id", "hand"])
    return zone


def _bring_attempts(connection: sa.Connection, zone: ZoneInfo) -> None:
    with op.batch_alter_table("attempt") as table:
        table.add_column(sa.Column("kind", sa.String(), server_default="letter", nullable=False))
        table.add_column(sa.Column("source", sa.String(), server_default="pen", nullable=False))
        table.add_column(sa.Column("hand_id", sa.Integer(), nullable=True))
        table.add_column(sa.Column("day", sa.Date(), nullable=True))
    classes = {row.id: row for row in connection.execute(sa.text("SELECT * FROM school_class"))}
    hands: dict[tuple[int, str], int] = {}
    found = connection.execute(
        sa.text(
            "SELECT a.id, a.hand, a.written_at, a.ink, p.class_id FROM attempt a "
            "JOIN pupil p ON p.id = a.pupil_id"
        )
    ).all()
    for row in found:
        place = (row.class_id, row.hand)
        if place not in hands:
            hands[place] = _keep_hand(connection, classes[row.class_id], row.hand)
        strokes = [_points(stroke, json.loads(row.ink)) for stroke in json.loads(row.ink)]
        written_at = datetime.fromisoformat(row.written_at).replace(tzinfo=UTC)
        connection.execute(
            sa.text("INSERT INTO attempt_ink VALUES (:id, :strokes)"),
            {"id": row.id, "strokes": json.dumps(strokes)},
        )
        connection.execute(
            sa.text("UPDATE attempt SET hand_id = :hand, day = :day WHERE id = :id"),
            {
                "id": row.id,
                "hand": hands[place],
                "day": written_at.astimezone(zone).date().isoformat(),
            },
        )
    with op.batch_alter_table("attempt") as table:
        table.alter_column("hand_id", existing_type=sa.Integer(), nullable=False)
        table.alter_column("day", existing_type=sa.Date(), nullable=False)
        table.create_foreign_key("fk_attempt_hand_id", "judged_hand", ["hand_id"], ["id"])
        table.drop_column("hand")
        table.drop_column("ink")
    op.create_index("ix_attempt_hand_id", "attempt", ["hand_id"])


def _keep_hand(connection: sa.Connection, school_class: Any, hand: str) -> int:
    """The hand that a class's attempts were judged by. In the class's own hand they were checked
    again, so far, with the alternatives that the class has now; in others with none."""
    own = school_class.hand == hand
    package = connection.scalar(
        sa.text("SELECT package FROM own_hand WHERE class_id = :id AND name = :hand"),
        {"id": school_class.id, "hand": hand},
    )
    style: dict[str, Any] = {
        "hand": hand,
        "choices": dict(sorted(json.loads(school_class.choices).items())) if own else {},
        **{
            name: getattr(school_class, name) if own else None
            for name in ("slant_deg", "width", "branch", "exit")
        },
    }
    if package is not None:
        style["own"] = json.loads(package)
    text = json.dumps(style, ensure_ascii=False, separators=(",", ":"))
    kept = connection.execute(
        sa.text("INSERT INTO judged_hand (class_id, style) VALUES (:id, :style) RETURNING id"),
        {"id": school_class.id, "style": text},
    )
    return int(kept.scalar_one())


def _points(stroke: dict[str, Any], strokes: list[dict[str, Any]]) -> dict[str, Any]:
    """A stroke of columns (x, y, t in seconds, f) as points [x, y, ms, force]."""
    began = next((one["t"][0] for one in strokes if one.get("t")), 0.0)
    count = len(stroke["x"])
    times = [round(1000 * (t - began)) for t in stroke["t"]] if stroke.get("t") else [None] * count
    forces = stroke.get("f") or [None] * count
    points = zip(stroke["x"], stroke["y"], times, forces, strict=True)
    return {"points": [list(point) for point in points]}


def _bring_lessons(connection: sa.Connection) -> None:
    with op.batch_alter_table("lesson") as table:
        table.add_column(sa.Column("step", sa.String(), nullable=True))
    for row in connection.execute(sa.text("SELECT id, plan, at, written FROM lesson")).all():
        steps = [s["kind"] for s in json.loads(row.plan)["steps"] if not s.get("skipped")]
        written = {
            kind: [_points(stroke, strokes) for stroke in strokes]
            for kind, strokes in json.loads(row.written).items()
        }
        step = steps[min(row.at, len(steps) - 1)] if steps and row.at else None
        connection.execute(
            sa.text("UPDATE lesson SET step = :step, written = :written WHERE id = :id"),
            {"id": row.id, "step": step, "written": json.dumps(written)},
        )
    with op.batch_alter_table("lesson") as table:
        table.drop_column("at")


def _count(connection: sa.Connection) -> None:
    """How letters stand (each dimension by the newest attempt that shows it), and practice days."""
    for dimension in ("direction", "size", "shape"):
        connection.execute(
            sa.text(
                f"""
                INSERT INTO standing (pupil_id, letter, dimension, verdict, rests_on, last)
                SELECT pupil_id, letter, '{dimension}', verdict, rests_on, written_at FROM (
                    SELECT a.pupil_id, a.letter, a.written_at,
                        coalesce(j.{dimension}, a.{dimension}) AS verdict,
                        count(*) OVER (PARTITION BY a.pupil_id, a.letter) AS rests_on,
                        row_number() OVER (
                            PARTITION BY a.pupil_id, a.letter ORDER BY a.written_at DESC, a.id DESC
                        ) AS newest
                    FROM attempt a LEFT JOIN judgement j ON j.attempt_id = a.id
                    WHERE coalesce(j.{dimension}, a.{dimension}) <> 'unseen'
                ) WHERE newest = 1
                """
            )
        )
    connection.execute(
        sa.text(
            """
            INSERT INTO practice_day (class_id, letter, day, attempts)
            SELECT p.class_id, a.letter, a.day, count(*) FROM attempt a
            JOIN pupil p ON p.id = a.pupil_id GROUP BY p.class_id, a.letter, a.day
            """
        )
    )


def downgrade() -> None:
    raise NotImplementedError("0007 cannot be undone; open a copy that was kept before it")
