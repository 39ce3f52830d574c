"""The rules of the job: letters as movements, and what a child's ink says about them.

Pure functions over frozen values and numpy arrays. No web, database, files, clock or chance:
whatever is random comes in as a seeded generator, whatever is dated comes in as a date.

Frame everywhere in here: unit u = x-height, y grows upwards, base line at 0, mid line at 1.
"""
