"""A kit club's service, simulated: `kits` is what it sells, `program` answers.

Any shop can stand in its place that publishes the same documents (see docs/kit-feed.md).
"""
