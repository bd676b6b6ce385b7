"""The shelf: papers with both sides, what is printed on them, their colours, punches, and what they yield."""
