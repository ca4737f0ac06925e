"""The command line: what is set up here, what is handed to the installed program."""

import argparse
import os
import sys

from judicum.launch import bench, check, host, install, serve
from judicum.launch.places import PYTHON, ROOT
from judicum.launch.steps import Trouble, in_words

CORE_COMMANDS = {
    "measure": "measure bead photos, one JSON object a line",
    "card": "write a scale card as PDF",
    "plan": "setup cards from coupons on standard input (JSON or JSON Lines)",
    "check": "what was set, beside its card, from standard input (JSON or JSON Lines)",
    "explain": "why a bead looks as it does: causes ranked by evidence, from standard input (JSON or JSON Lines)",
    "forecast": "how a student's record on a coupon goes on, from standard input (JSON or JSON Lines)",
    "bench-forecast": "simulated classes and how well the forecast foresees them",
    "rota": "who welds where and when, from standard input (JSON or JSON Lines)",
    "bench-rota": "drawn sessions, planned and checked: how many are placed, how fast",
    "bench-causes": "welders with one hidden habit each, drawn, measured and explained: how often it is found",
    "bench-photo": "draw the fixed set of photos, measure it, print how well and how fast",
}


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="./judicum", description="Assign, log, measure and mark practice coupons.")
    commands = parser.add_subparsers(dest="command", required=True, metavar="COMMAND")
    for name, about in (("demo", "start with the demo course"), ("start", "start without demo data")):
        starting = commands.add_parser(name, help=about)
        starting.add_argument("--port", type=int, help="web port; the first free one from 8000 on by default")
        starting.add_argument("--host", default="127.0.0.1", help="address to listen on (default: this machine only)")
        starting.add_argument("--reset", action="store_true", help="remove all data first")
        if name == "start":
            starting.add_argument("--owner", metavar="NAME", help="login name of the first workshop's owner")
    alone = commands.add_parser("web", help="only the web server, against a database and a store elsewhere")
    alone.add_argument("--port", type=int, default=serve.FIRST_PORT)
    alone.add_argument("--host", default="127.0.0.1", help="address to listen on (default: this machine only)")
    alone = commands.add_parser("worker", help="only workers, against a database and a store elsewhere")
    alone.add_argument("--count", type=int, help="how many; one a core by default, at most four")
    more = commands.add_parser("workshop", help="make one more workshop, with its owner")
    more.add_argument("name", help="what it is called")
    more.add_argument("--owner", metavar="NAME", required=True, help="login name of its owner")
    out = commands.add_parser("export", help="write a course's archive")
    out.add_argument("what", choices=["course", "list"], help="a course, or the list of them with their numbers")
    out.add_argument("number", nargs="?", help="the course's number")
    out.add_argument("-o", dest="file", metavar="FILE", default="course.zip")
    into = commands.add_parser("import", help="bring a course's archive in")
    into.add_argument("file", metavar="FILE")
    into.add_argument("--workshop", metavar="NAME", default="", help="into which workshop, where there are several")
    kept = commands.add_parser("backup", help="write everything into one file, while it runs")
    kept.add_argument("-o", dest="file", metavar="FILE", default="judicum-backup.zip")
    back = commands.add_parser("restore", help="put a backup into an empty checkout")
    back.add_argument("file", metavar="FILE")
    commands.add_parser("check-data", help="find missing, altered or orphaned files, and rows that point nowhere")
    lost = commands.add_parser("recover", help="let somebody in again who has lost password and second factor")
    lost.add_argument("login", metavar="NAME", help="their login name")
    commands.add_parser("migrate", help="bring the database of several hosts up to date")
    commands.add_parser("stop", help="stop, or end what a killed start left behind")
    testing = commands.add_parser("test", help="lint, types, drift and all tests", add_help=False)
    testing.add_argument("arguments", nargs=argparse.REMAINDER, help="handed to pytest")
    commands.add_parser(
        "bench-workers", help="photos measured a minute by one worker and by two, database and queue included"
    )
    commands.add_parser(
        "bench-load", help="how fast pages are on 200,000 attempts, for one person and for fifty at once"
    )
    killing = commands.add_parser("bench-faults", help="kill parts of a running copy at random; nothing may be lost")
    killing.add_argument("--kills", type=int, default=100)
    fuzzing = commands.add_parser("bench-fuzz", help="odd calls of every address; each must be answered as described")
    fuzzing.add_argument("--calls", type=int, default=50_000)
    commands.add_parser("openapi", help="write web/openapi.yaml and the types made from it")
    for name, about in CORE_COMMANDS.items():
        commands.add_parser(name, help=about, add_help=False).add_argument("arguments", nargs=argparse.REMAINDER)
    return parser


def main() -> int:
    """Run one command; every foreseeable failure is one line and exit code 1."""
    # REMAINDER does not take options that come first; the core's own commands parse for themselves.
    if len(sys.argv) > 1 and sys.argv[1] in CORE_COMMANDS:
        return _guarded(lambda: _hand_over(sys.argv[1:]))
    if len(sys.argv) > 1 and sys.argv[1] == "test":
        return _guarded(lambda: check.test(sys.argv[2:]))
    asked = _parser().parse_args()
    return _guarded(lambda: _run(asked))


def _run(asked: argparse.Namespace) -> int:
    if asked.command in ("demo", "start"):
        return serve.serve(
            demo=asked.command == "demo",
            reset=asked.reset,
            port=asked.port,
            host=asked.host,
            username=getattr(asked, "owner", None),
        )
    if asked.command == "web":
        return host.serve_web(asked.host, asked.port)
    if asked.command == "worker":
        return host.serve_workers(asked.count)
    if asked.command == "workshop":
        return serve.account_command("workshop", asked.name, asked.owner)
    if asked.command == "export":
        return serve.archive_command(
            *(["export", asked.number or "", asked.file] if asked.what == "course" else ["list"])
        )
    if asked.command == "import":
        return serve.archive_command("import", asked.file, asked.workshop)
    if asked.command == "backup":
        return serve.archive_command("backup", asked.file)
    if asked.command == "restore":
        return serve.restore(asked.file)
    if asked.command == "check-data":
        return serve.archive_command("check-data")
    if asked.command == "recover":
        return serve.account_command("recover", asked.login, serve.own_address())
    if asked.command == "migrate":
        return host.migrate()
    if asked.command == "stop":
        return serve.stop()
    if asked.command == "bench-workers":
        return bench.bench_workers()
    if asked.command == "bench-fuzz":
        return bench.bench_fuzz(asked.calls)
    if asked.command == "bench-faults":
        return bench.bench_faults(asked.kills)
    if asked.command == "bench-load":
        return bench.bench_load()
    return check.write_openapi()


def _hand_over(arguments: list[str]) -> int:
    with install.only_one():
        install.python_packages()
    os.environ["PYTHONPATH"] = str(ROOT / "src")
    os.execv(PYTHON, [str(PYTHON), "-m", "judicum.cli", *arguments])


def _guarded(work) -> int:  # type: ignore[no-untyped-def]
    try:
        return int(work())
    except Trouble as trouble:
        print(f"judicum: {trouble}", file=sys.stderr)
    except KeyboardInterrupt:
        print("judicum: interrupted; run the command again to go on", file=sys.stderr)
        return 130
    except OSError as error:
        print(f"judicum: {in_words(error)}", file=sys.stderr)
    return 1
