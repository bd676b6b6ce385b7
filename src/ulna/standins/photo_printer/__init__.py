"""A photo printer, simulated, and the line to it.

Any printer can stand in its place that answers the same few requests (see docs/photo-printer.md): `line` is how
Ulna asks, `program` answers, `machine` does the work, `words` is what both understand.
"""
