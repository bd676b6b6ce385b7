"""The list that a hand follows: from a plan of cuts to steps with their figures, what is done of it, what is left."""
