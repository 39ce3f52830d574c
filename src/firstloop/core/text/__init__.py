"""Text: letters joined into words, and specimens of a hand."""
