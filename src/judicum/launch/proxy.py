"""nginx before the application: it takes a request in whole, however slowly it comes, and only then holds a thread.

Limits on time and size stand here, once: a slow or silent sender costs a connection of nginx, of which there are
thousands, never one of the application's few threads.
"""

import json
import os
from collections.abc import Sequence
from pathlib import Path

from judicum.launch.https import Tls

MAX_BODY_MB = 5
"""A piece of an upload is at most 4 MB (`receive_upload.MAX_PIECE`), with its headers."""
HEADER_S = 10
"""Seconds for all headers."""
BODY_S = 20
"""Seconds between two reads of a body."""
ANSWER_S = 120
"""Seconds for the application's answer."""
IDLE_S = 30
"""Seconds for which a connection is kept open."""
MAX_CONNECTIONS = 4000
"""Connections in all."""
MAX_OF_ONE = 400
"""Connections of one address: a class of fifty behind one router has six each."""
OWN = {
    400: ("bad_request", "The request cannot be read."),
    405: ("method_not_allowed", "Nothing here is asked for in this way."),
    408: ("too_slow", "The request came too slowly; send it again."),
    413: ("too_large", f"The request is larger than {MAX_BODY_MB} MB."),
    414: ("too_long", "The address is too long."),
    431: ("too_long", "The headers are too long."),
    501: ("bad_request", "The request is coded in a way that is not known here."),
    502: ("not_there", "The server is starting or stopping; try again in a moment. Nothing you sent is lost."),
    503: ("busy", "There are too many connections from your address; try again in a moment."),
    504: ("too_slow", "The server did not answer in time; try again."),
    505: ("bad_request", "This version of HTTP is not known here."),
}
"""What nginx itself answers with, in the words of a problem."""
FORWARD = f"""      proxy_pass http://application;
      proxy_http_version 1.1;
      proxy_set_header Connection "";
      proxy_set_header Host $http_host;
      proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
      proxy_set_header X-Forwarded-Proto $spoken;
      proxy_set_header X-Request-Id $judicum_request_id;
      proxy_request_buffering on;
      proxy_connect_timeout 2s;
      proxy_read_timeout {ANSWER_S}s;
      proxy_next_upstream error;
      proxy_buffers 16 32k;
"""
"""How a request is handed to the application."""
REFUSED = "/.refused/"
"""Where these answers stand; nobody reaches them from outside."""


def configuration(
    listen: str, application: Sequence[str], folder: Path, metrics_from: Sequence[str] = (), tls: Tls | None = None
) -> str:
    """nginx's configuration: `listen` is host:port, `application` the same of each of its processes,
    `folder` is where its own files go. With `tls` the same port speaks both: what comes without it is led over, but for what a
    phone needs before it trusts this machine (settings.SECURE_REDIRECT_EXEMPT).

    `metrics_from` are addresses or networks, beside this machine, that may read the metrics.
    """
    # By address, not by name: a named location needs an address, and what is refused first of all has none yet.
    pages = "\n".join(
        f"    error_page {'431 494' if status == 431 else status} ={status} {REFUSED}{status};\n"
        f"    location = {REFUSED}{status} {{ internal; default_type application/problem+json; "
        f"return {status} '{_problem(status)}'; }}"
        for status in OWN
    )
    servers = " ".join(f"server {one} max_fails=0;" for one in application)
    watchers = " ".join(f"allow {address};" for address in ("127.0.0.1", "::1", *metrics_from))
    # As root its children stay root: they touch nothing but their own folder, which may lie below /root.
    user = "user root;" if os.geteuid() == 0 else ""
    return f"""{user}
daemon off;
worker_processes 1;
pid {folder}/nginx.pid;
error_log stderr warn;
events {{ worker_connections {MAX_CONNECTIONS}; }}
http {{
  access_log off;
  server_tokens off;
  client_body_temp_path {folder}/body;
  proxy_temp_path {folder}/answers;
  fastcgi_temp_path {folder}/unused; uwsgi_temp_path {folder}/unused; scgi_temp_path {folder}/unused;
  map $http_x_request_id $judicum_request_id {{ default $request_id; "~^[A-Za-z0-9-]{{8,64}}$" $http_x_request_id; }}
  map $http_x_forwarded_proto $spoken {{ default $scheme; https https; }}
  limit_conn_zone $binary_remote_addr zone=one:4m;
  gzip on; gzip_vary on; gzip_proxied any; gzip_comp_level 2; gzip_min_length 1000;
  gzip_types application/json application/problem+json;
  upstream application {{ least_conn; {servers} keepalive 16; }}
  server {{
    listen {listen}{" ssl http2" if tls else ""};
    {f"listen {listen.removesuffix('443')}80;" if tls and listen.endswith(":443") else ""}
{_tls(tls)}
    limit_conn one {MAX_OF_ONE};
    client_max_body_size {MAX_BODY_MB}m;
    client_header_timeout {HEADER_S}s;
    client_body_timeout {BODY_S}s;
    send_timeout {BODY_S}s;
    keepalive_timeout {IDLE_S}s;
    reset_timedout_connection on;
    lingering_timeout 2s;
    location / {{
{FORWARD}    }}
    location = /metrics {{
      {watchers} deny all;
      proxy_pass http://application; proxy_set_header Host $http_host; proxy_set_header X-Request-Id $judicum_request_id;
    }}
{pages}
  }}
}}
"""


def _tls(tls: Tls | None) -> str:
    if tls is None:
        return ""
    challenge = (
        f"location /.well-known/acme-challenge/ {{ root {tls.challenge}; default_type text/plain; }}"
        if tls.challenge
        else ""
    )
    return f"""    ssl_certificate {tls.certificate};
    ssl_certificate_key {tls.key};
    ssl_protocols TLSv1.2 TLSv1.3;
    ssl_session_cache shared:tls:2m;
    error_page 497 = @plain;
    location @plain {{
{FORWARD}    }}
    {challenge}"""


def _problem(status: int) -> str:
    code, detail = OWN[status]
    problem = {"type": f"urn:judicum:{code}", "title": code.replace("_", " "), "status": status, "code": code, "detail": detail, "errors": []}  # fmt: skip
    return json.dumps(problem)


def write(
    listen: str, application: Sequence[str], folder: Path, metrics_from: Sequence[str] = (), tls: Tls | None = None
) -> Path:
    """Write the configuration into the folder, which is made; its path."""
    folder.mkdir(parents=True, exist_ok=True)
    file = folder / "nginx.conf"
    file.write_text(configuration(listen, application, folder, metrics_from, tls))
    return file
