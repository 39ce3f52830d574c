"""Paper: what the program prints."""
