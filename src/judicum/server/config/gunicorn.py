"""gunicorn's own settings; nginx stands before it and spreads requests over several of these."""

import gc
import sys

workers, threads = 1, 4
worker_class = "gthread"
timeout = 120
graceful_timeout = 5
"""Seconds for requests under way when it is asked to end; a phone whose piece is cut off sends it again."""
keepalive = 75
"""Seconds; longer than nginx keeps an idle connection, so that it never sends into one that is just closed."""
limit_request_line = 0
limit_request_field_size = 0
"""No limits of its own on an address and a header: nginx has them, and refuses in words."""
GC_AFTER = 20_000
"""Objects made before Python looks for ones to drop; a page of a list makes some thousands."""

SWITCH_S = 0.03
"""Seconds that a thread keeps Python's lock while another wants it: a page takes less, so one is finished after another
instead of four at a time four times as slowly."""


def post_fork(server: object, worker: object) -> None:
    """What is loaded stays for good: it is taken out of every later look for what can be dropped."""
    sys.setswitchinterval(SWITCH_S)
    gc.collect()
    gc.freeze()
    gc.set_threshold(GC_AFTER, 50, 100)
