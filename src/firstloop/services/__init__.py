"""What a request does: a unit of work over the record that says what happened. No web, no SQL.

Each takes the record and the class, does its reading, its computing and its writing, and returns
values; where it fails, nothing is kept.
"""
