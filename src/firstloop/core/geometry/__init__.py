"""Geometry: polylines, curves, even lines, matching along a path, likeness of pictures. It knows no
letters."""
