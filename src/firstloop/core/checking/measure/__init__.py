"""Measuring explained ink: numbers with their places, that as yet mean nothing."""
