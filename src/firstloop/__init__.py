"""First Loop: letter formation for a handwriting teacher of 4- to 8-year-olds."""
