"""The cutting machine: the words it understands, the line to it, and the file that says what it is to do."""
