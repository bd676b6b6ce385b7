"""Things that are stuck on: what there is of each, how large it is, where it goes among others."""
