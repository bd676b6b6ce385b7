"""A cutting machine, simulated.

Any machine can stand in its place that answers the same few requests (see docs/cutting-machine.md): `program` answers,
`machine` does the work, `reading` takes its files, `way` is the order in which it goes along the lines.
"""
