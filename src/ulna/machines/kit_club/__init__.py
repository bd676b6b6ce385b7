"""The kit club: the line to its feed."""
