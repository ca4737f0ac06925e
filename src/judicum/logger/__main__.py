"""`python -m judicum.logger PORT`: a simulated data logger on loopback, until it is ended.

`POST /weld?current_a=60&arc_s=30&…` welds and writes it down; `GET /last` gives the log of the last weld as CSV, 404 before the first. What
may be said of a weld are the fields of `judicum.logger.draw.LoggedWeld`.
"""

import sys
from dataclasses import fields
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from typing import Any
from urllib.parse import parse_qsl, urlsplit

from judicum.logger.draw import LoggedWeld, draw_log

NUMBERS = {one.name: int if one.name == "seed" else float for one in fields(LoggedWeld)}
MAX_S = 600.0
"""s of arc, gas or slope: a longer one is no run."""
MAX_RATE_HZ = 5000.0


class Logger(BaseHTTPRequestHandler):
    last: bytes | None = None
    """What was welded last, as CSV."""

    def do_POST(self) -> None:
        asked = urlsplit(self.path)
        try:
            given: dict[str, Any] = {key: NUMBERS[key](value) for key, value in parse_qsl(asked.query)}
            weld = LoggedWeld(**given)
            within = max(weld.arc_s, weld.preflow_s, weld.postflow_s) <= MAX_S and 10 <= weld.rate_hz <= MAX_RATE_HZ
        except (KeyError, ValueError):
            within = False
        if asked.path != "/weld" or not within:
            self.send_error(400, "POST /weld with fields of a weld")
            return
        type(self).last = draw_log(weld).encode()
        self.send_response(204)
        self.end_headers()

    def do_GET(self) -> None:
        if self.path != "/last" or self.last is None:
            self.send_error(404, "GET /last once something was welded")
            return
        self.send_response(200)
        self.send_header("Content-Type", "text/csv; charset=utf-8")
        self.send_header("Content-Length", str(len(self.last)))
        self.end_headers()
        self.wfile.write(self.last)

    def log_message(self, *_: object) -> None:
        """Quiet: whoever asks knows what they asked."""


def main() -> None:
    ThreadingHTTPServer(("127.0.0.1", int(sys.argv[1])), Logger).serve_forever()


if __name__ == "__main__":
    main()
