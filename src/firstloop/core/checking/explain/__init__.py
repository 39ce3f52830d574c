"""Explaining ink: in which way it was written, and which of it was which move of the letter."""
