"""Vocabulary: words and their sounds, sentences, games with them, and how dates are written."""
