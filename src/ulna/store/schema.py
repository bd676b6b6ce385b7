"""The state of the tables: brought up to date at the start, refused where a later Ulna wrote them."""

from __future__ import annotations

from pathlib import Path

from sqlalchemy import Engine, inspect, text

from ulna.store.errors import TooNew

LATEST = "0001"
"""The newest migration; alembic takes a second to import and is left alone where this is what is there."""

KNOWN = ("0001",)


def current(engine: Engine) -> str | None:
    """The migration that a library stands at; nothing for an empty one."""
    if not inspect(engine).has_table("alembic_version"):
        return None
    with engine.connect() as connection:
        return connection.execute(text("SELECT version_num FROM alembic_version")).scalar()


def bring_up_to_date(engine: Engine) -> None:
    """Runs the migrations that are missing. Raises `TooNew`."""
    found = current(engine)
    if found == LATEST:
        return
    if found is not None and found not in KNOWN:
        raise TooNew(f"this library was written by a later Ulna (at {found}); update Ulna to open it")
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    with engine.connect() as connection:
        config.attributes["connection"] = connection
        command.upgrade(config, "head")
        connection.commit()
