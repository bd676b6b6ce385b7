"""The command `ulna`."""
