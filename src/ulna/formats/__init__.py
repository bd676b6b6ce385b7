"""Open formats in and out. Every format has `write` and, where it can be read, `read`."""
