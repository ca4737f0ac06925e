"""The line between a phone and the server, which a test may cut."""

import socket
import threading
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from typing import Literal

PIECE = 65_536
"""Bytes that are passed on at once."""
Mode = Literal["on", "off", "deaf"]


class Line:
    """Passes connections on to a port. `mode`: on; off (as without a signal); deaf: the server hears, and its answer is lost, as when it is killed once the change is stored."""

    def __init__(self, port: int) -> None:
        self.to = port
        self.mode: Mode = "on"
        self._open: set[socket.socket] = set()
        self._door = socket.create_server(("127.0.0.1", 0))
        self.port: int = self._door.getsockname()[1]
        threading.Thread(target=self._accept, daemon=True).start()

    def set(self, mode: Mode) -> None:
        """Change the mode; connections that are open break."""
        self.mode = mode
        for one in list(self._open):
            _end(one)

    def close(self) -> None:
        self._door.close()
        self.set("off")

    def _accept(self) -> None:
        with suppress(OSError):
            while True:
                phone, _ = self._door.accept()
                if self.mode == "off":
                    _end(phone)
                else:
                    threading.Thread(target=self._join, args=(phone,), daemon=True).start()

    def _join(self, phone: socket.socket) -> None:
        server = socket.create_connection(("127.0.0.1", self.to))
        self._open |= {phone, server}
        back = threading.Thread(target=self._answers, args=(server, phone), daemon=True)
        back.start()
        _pass(phone, server)
        back.join(5)
        self._open -= {phone, server}

    def _answers(self, server: socket.socket, phone: socket.socket) -> None:
        with suppress(OSError):
            while piece := server.recv(PIECE):
                if self.mode != "on":
                    break
                phone.sendall(piece)
        _end(phone)


def _pass(of: socket.socket, to: socket.socket) -> None:
    with suppress(OSError):
        while piece := of.recv(PIECE):
            to.sendall(piece)
    _end(to)


def _end(one: socket.socket) -> None:
    with suppress(OSError):
        one.shutdown(socket.SHUT_RDWR)
    one.close()


@contextmanager
def line_to(port: int) -> Iterator[Line]:
    """A line that is cut when the test is over."""
    line = Line(port)
    try:
        yield line
    finally:
        line.close()
