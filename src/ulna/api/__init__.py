"""The HTTP interface: thin routes over `household` and the core. Start with `app.create_app`."""
