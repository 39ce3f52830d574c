"""Saying what was measured: from where on it matters, and in which words."""
