"""The made-up class: children, habits and four weeks of letters, the same at every making."""
