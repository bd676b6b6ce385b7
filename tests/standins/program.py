"""A program that stands outside, in a thread as it would run on its own; switched on and off."""

from __future__ import annotations

import threading
import time
from collections.abc import Callable

import uvicorn
from fastapi import FastAPI


class Program:
    def __init__(self, make: Callable[[], FastAPI]) -> None:
        self.make, self.port = make, 0
        self.on()

    def on(self) -> None:
        self.server = uvicorn.Server(
            uvicorn.Config(self.make(), host="127.0.0.1", port=self.port, log_level="error")
        )
        self.thread = threading.Thread(target=self.server.run, daemon=True)
        self.thread.start()
        while not self.server.started:
            time.sleep(0.01)
        self.port = self.server.servers[0].sockets[0].getsockname()[1]

    def off(self) -> None:
        self.server.should_exit = True
        self.thread.join(20)

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"
