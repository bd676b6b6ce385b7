"""`python -m ulna` is the command `ulna`."""

from ulna.cli import main

main()
