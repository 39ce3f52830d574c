"""The check of what is longer than one letter: rows, words, phrases, sentences, free writing."""
