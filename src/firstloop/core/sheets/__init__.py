"""Sheets of paper to write on: what is wished for, how it is laid out, what is drawn; in mm."""
