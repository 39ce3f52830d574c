"""Progress: what all evidence of a child's letters comes to, how sure that is, and what is weak.

The model is told in docs/progress.md."""
