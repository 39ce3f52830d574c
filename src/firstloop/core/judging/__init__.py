"""The teacher's word on what was written, what it comes to, and how far the checker agrees."""
