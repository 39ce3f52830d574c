"""Runs migrations on the connection that `Database` hands over."""

from alembic import context

from firstloop.store.tables import METADATA

context.configure(
    connection=context.config.attributes["connection"],
    target_metadata=METADATA,
    render_as_batch=True,  # SQLite cannot alter most things in place
)
with context.begin_transaction():
    context.run_migrations()
