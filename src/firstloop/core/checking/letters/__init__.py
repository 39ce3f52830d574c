"""The check of one letter: explained, measured and said."""
