"""From a picture of a sheet to what was written in its cells: arrays in, values out; no files."""
