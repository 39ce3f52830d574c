"""Evidence: what there is to judge by (ink, or an image of it), what was asked for, and how made-up
pupils write it."""
