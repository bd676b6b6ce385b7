"""The photo printer: the words it understands, and the line to it."""
