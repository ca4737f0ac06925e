"""The command line: every command once, with its options and what carries it out."""

import argparse
import os
import sys
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

from judicum.launch import bench, check, dev, host, https, install, serve, upgrade, weights
from judicum.launch.core_commands import add_core_commands
from judicum.launch.places import PYTHON, ROOT
from judicum.launch.steps import Trouble, in_words


@dataclass(frozen=True)
class Command:
    """One command: name, what it does, what carries it out, its options; `verbatim` hands on whatever follows its name."""

    name: str
    about: str
    work: Callable[[argparse.Namespace], int]
    options: Callable[[argparse.ArgumentParser], object] = lambda parser: None
    verbatim: bool = False


def _web(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("--host", default="127.0.0.1", help="address to listen on (default: this machine only)")
    parser.add_argument("--port", type=int, default=serve.FIRST_PORT)


def _starting(parser: argparse.ArgumentParser) -> None:
    parser.add_argument(
        "--host", help="address to listen on (default: this machine only; with --https every address it has)"
    )
    parser.add_argument("--port", type=int, help="web port; the first free one from 8000 on by default")
    parser.add_argument(
        "--https", action="store_true", help="speak HTTPS, by an authority of the workshop that phones trust once"
    )
    parser.add_argument(
        "--certificate", type=Path, metavar="FILE", help="speak HTTPS with a certificate of one's own (PEM)"
    )
    parser.add_argument("--key", type=Path, metavar="FILE", help="its key")
    parser.add_argument(
        "--public-name",
        metavar="NAME",
        help="speak HTTPS under a public name, with certificates that renew themselves (ports 443 and 80)",
    )
    parser.add_argument("--reset", action="store_true", help="remove all data first")


def _serve(asked: argparse.Namespace, demo: bool) -> int:
    own = https.TlsOptions(asked.certificate, asked.key, asked.public_name)
    tls = own if asked.https or own != https.TlsOptions() else None
    port = asked.port or (443 if asked.public_name else None)
    how = serve.Start(
        demo=demo, reset=asked.reset, port=port, host=asked.host or ("0.0.0.0" if tls else "127.0.0.1"), https=tls
    )
    return serve.serve(how, username=None if demo else asked.owner)


def _starting_empty(parser: argparse.ArgumentParser) -> None:
    _starting(parser)
    parser.add_argument("--owner", metavar="NAME", help="login name of the first workshop's owner")


def _workshop(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("name", help="what it is called")
    parser.add_argument("--owner", metavar="NAME", required=True, help="login name of its owner")


def _restore(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--key", metavar="FILE", help="file that holds the key, where the backup is sealed")


def _upgrade(parser: argparse.ArgumentParser) -> None:
    parser.add_argument(
        "--to", metavar="COMMIT", help="a commit or tag of this checkout; without, the files as they lie here"
    )
    parser.add_argument("--go-on", action="store_true", help=argparse.SUPPRESS)


def _export(parser: argparse.ArgumentParser) -> None:
    parser.add_argument(
        "what",
        choices=["course", "list", "workshop", "labels"],
        help="a course, the list of them with their numbers, a whole workshop, or labelled pictures to teach from",
    )
    parser.add_argument("number", nargs="?", help="the course's number")
    parser.add_argument("-o", dest="file", metavar="FILE", help="course.zip, workshop.zip or labels.zip, unless said")
    parser.add_argument("--workshop", metavar="NAME", default="", help="which workshop, where there are several")


def _import(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("file", metavar="FILE")
    parser.add_argument("--workshop", metavar="NAME", default="", help="into which workshop, where there are several")


def _archive_export(asked: argparse.Namespace) -> int:
    if asked.what == "list":
        return serve.django_command("list_courses")
    if asked.what == "workshop":
        return serve.django_command("export_workshop", asked.file or "workshop.zip", asked.workshop)
    if asked.what == "labels":
        return serve.django_command("export_labels", asked.file or "labels.zip", asked.workshop)
    return serve.django_command("export_course", asked.number or "", asked.file or "course.zip")


def _weights(parser: argparse.ArgumentParser) -> None:
    what = parser.add_subparsers(dest="what", metavar="use|shipped")
    using = what.add_parser("use", help="measure with these")
    using.add_argument("folder", type=Path)
    using.add_argument("--name", required=True, help="what the engine is then called")
    shipped = what.add_parser("shipped", help="back to those that ship")
    # Said before the verb or behind it: the verb's own default would take back what stands before.
    for one, unsaid in ((parser, ""), (using, argparse.SUPPRESS), (shipped, argparse.SUPPRESS)):
        one.add_argument(
            "--workshop", metavar="NAME", default=unsaid, help="for this workshop alone; else the whole server"
        )


def _choose_weights(asked: argparse.Namespace) -> int:
    own = serve.weights_folder(asked.workshop)
    if asked.what == "use":
        return weights.use(asked.folder, asked.name, own)
    return weights.back(own) if asked.what == "shipped" else weights.show(own)


COMMANDS = (
    Command("demo", "start with the demo course", lambda a: _serve(a, demo=True), _starting),
    Command(
        "start", "start without demo data", lambda a: _serve(a, demo=False), _starting_empty,
    ),
    Command("stop", "stop, or end what a killed start left behind", lambda _: serve.stop()),
    Command("dev", "start for work on it: server and page reload what is changed, at one address", lambda a: dev.serve(a.port), lambda p: p.add_argument("--port", type=int, default=dev.PORT)),
    Command("manage", "one of Django's own commands, on this checkout's database", lambda _: dev.manage(sys.argv[2:]), verbatim=True),
    Command("lint", "format, lint, types and import rules of Python and page; drift", lambda _: check.lint()),
    Command("test", "everything; or core, server, page, browser, or paths of tests", lambda _: check.test(sys.argv[2:]), verbatim=True),
    Command("openapi", "write web/openapi.yaml and the types made from it", lambda _: check.write_openapi()),
    Command("web", "only the web server, against a database and a store elsewhere", lambda a: host.serve_web(a.host, a.port), _web),
    Command(
        "worker", "only workers, against a database and a store elsewhere", lambda a: host.serve_workers(a.count),
        lambda p: p.add_argument("--count", type=int, help="how many; one a core by default, at most four"),
    ),
    Command("migrate", "bring the database of several hosts up to date", lambda _: host.migrate()),
    Command("workshop", "make one more workshop, with its owner", lambda a: serve.django_command("add_workshop", a.name, a.owner), _workshop),
    Command(
        "recover", "let somebody in again who has lost password and second factor",
        lambda a: serve.django_command("recover_account", a.login, serve.own_address()),
        lambda p: p.add_argument("login", metavar="NAME", help="their login name"),
    ),
    Command("export", "write the archive of a course or of a whole workshop, or labelled pictures", _archive_export, _export),
    Command("weights", "measure with weights of one's own, or with those that ship; without more, which", _choose_weights, _weights),
    Command("import", "bring the archive of a course or a workshop in", lambda a: serve.django_command("import_course", a.file, a.workshop), _import),
    Command(
        "backup", "write everything into one file, while it runs", lambda a: serve.django_command("backup", a.file),
        lambda p: p.add_argument("-o", dest="file", metavar="FILE", default="judicum-backup.zip"),
    ),
    Command(
        "upgrade", "bring everything to a newer version: backup, stop, tables, check, start; or back where a step fails",
        lambda a: upgrade.go_on() if a.go_on else upgrade.upgrade(a.to), _upgrade,
    ),
    Command(
        "restore", "put a backup into an empty checkout", lambda a: serve.restore(a.file, a.key), _restore,
    ),
    Command("backup-key", "make the key without which nobody reads backups from now on", lambda _: serve.django_command("backup_key")),
    Command("install-service", "start with the machine, as a service of systemd under a user of its own", lambda _: serve.own_program("judicum.launch.service", sys.argv[2:]), verbatim=True),
    Command("doctor", "whether everything a server needs is well, and what to do", lambda _: serve.doctor()),
    Command("check-data", "find missing, altered or orphaned files, and rows that point nowhere", lambda _: serve.django_command("check_data")),
    Command("bench-workers", "photos measured a minute by one worker and by two, database and queue included", lambda _: bench.bench_workers()),
    Command("bench-load", "how fast pages are on 200,000 attempts, for one person and for fifty at once", lambda _: bench.bench_load()),
    Command(
        "bench-faults", "kill parts of a running copy at random; nothing may be lost", lambda a: bench.bench_faults(a.kills),
        lambda p: p.add_argument("--kills", type=int, default=100),
    ),
    Command(
        "bench-fuzz", "odd calls of every address; each must be answered as described", lambda a: bench.bench_fuzz(a.calls),
        lambda p: p.add_argument("--calls", type=int, default=50_000),
    ),
)  # fmt: skip


def main() -> int:
    """Run one command; every foreseeable failure is one line and exit code 1."""
    parser = argparse.ArgumentParser(prog="./judicum", description="Assign, log, measure and mark practice coupons.", allow_abbrev=False)  # fmt: skip
    parsers = parser.add_subparsers(dest="command", required=True, metavar="COMMAND")
    for command in COMMANDS:
        own = parsers.add_parser(command.name, help=command.about, add_help=not command.verbatim)
        command.options(own)
        own.set_defaults(registered=command)
    add_core_commands(parsers)
    asked, rest = parser.parse_known_args()
    found: Command | None = getattr(asked, "registered", None)
    if rest and not (found and found.verbatim):
        parser.error(f"unrecognized arguments: {' '.join(rest)}")
    return _guarded(lambda: found.work(asked) if found else _hand_over(sys.argv[1:]))


def _hand_over(arguments: list[str]) -> int:
    with install.only_one():
        install.python_packages()
    os.environ |= {
        "PYTHONPATH": str(ROOT / "src"),
        "PYDANTIC_DISABLE_PLUGINS": "1",  # looking for some reads every package there is
        **{k: v for k, v in weights.in_use().items() if k not in os.environ},
    }
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
