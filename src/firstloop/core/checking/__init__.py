"""The checker: explain the ink by the ways children write the letter, then measure the pieces."""
