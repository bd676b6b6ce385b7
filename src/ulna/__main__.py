"""The command `ulna`, also as `python -m ulna`."""

from __future__ import annotations

import sys

from ulna.core.errors import UlnaError


def main() -> None:
    """Runs the command; what it cannot read is told in one line, with exit status 2."""
    try:
        match sys.argv[1:]:
            case ["cutplan", request] if not request.startswith("--"):  # at once, without the other commands
                from ulna.cli.cutplan import cutplan

                sys.exit(cutplan(request))
            case _:
                from ulna.cli.app import app

                app()
    except UlnaError as error:
        print(error.sentence, file=sys.stderr)
        sys.exit(2)
    except ValueError as error:
        if not hasattr(error, "errors"):  # what pydantic has to say of a document; nobody waits for its import
            raise
        first = error.errors()[0]
        print(f"{'.'.join(map(str, first['loc']))}: {first['msg']}", file=sys.stderr)
        sys.exit(2)
    except OSError as error:
        print(f"{error.filename}: {error.strerror}" if error.filename else error, file=sys.stderr)
        sys.exit(2)


if __name__ == "__main__":
    main()
