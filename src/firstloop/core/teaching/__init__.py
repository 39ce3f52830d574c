"""Teaching: families and their order, the lesson, what is due, how letters stand."""
