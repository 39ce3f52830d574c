"""The record: SQLite through SQLAlchemy. Rows do not leave here; frozen values do."""
