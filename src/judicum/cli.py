"""Commands that need neither database nor server: straight to the core."""

import argparse
import json
import os
import sys
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

from judicum.core.errors import InvalidValue, JudicumError
from judicum.words.units import METRIC, US

UNITS = {"metric": METRIC, "us": US}


def main(arguments: Sequence[str] | None = None) -> int:
    """Run one command; bad input is a one-line error and exit code 2."""
    parser = argparse.ArgumentParser(prog="./judicum", allow_abbrev=False)
    commands = parser.add_subparsers(dest="command", required=True)
    measuring = commands.add_parser("measure", help="measure bead photos, one JSON object a line")
    measuring.add_argument("photos", nargs="+", metavar="PHOTO")
    measuring.add_argument(
        "--all", action="store_true", help="every bead of each photo, numbered from the card's top edge"
    )
    scale = measuring.add_mutually_exclusive_group()
    scale.add_argument(
        "--scale", type=float, metavar="MM_PER_PX", help="millimetres of one pixel, for a photo without a card"
    )
    scale.add_argument("--points", metavar="X1,Y1,X2,Y2,MM", help="two pixels of the photo and their distance in mm")
    card = commands.add_parser("card", help="write a scale card as PDF")
    card.add_argument("kind", choices=("window", "strip"))
    card.add_argument("-o", "--output", required=True, metavar="FILE")
    card.add_argument("--paper", choices=("a4", "letter"), default="a4")
    for name, does in (
        ("plan", "setup cards from coupons"),
        ("check", "what was set beside the card"),
        ("explain", "why beads look as they do, and the one thing to change"),
    ):
        reading = commands.add_parser(name, help=f"{does}, from standard input (JSON or JSON Lines)")
        reading.add_argument("--units", choices=tuple(UNITS), default="metric", help="of the sentences; figures are SI")
    bench = commands.add_parser("bench-photo", help="draw the fixed set of photos, measure it, print how well")
    bench.add_argument("--share", type=float, default=1.0, metavar="0..1", help="only this share of each kind")
    bench.add_argument("--seed", type=int, default=0, metavar="N", help="another seed of the set (0 the fixed one)")
    bench.add_argument("--odd", type=int, metavar="N", help="instead measure N odd pictures and count the answers")
    bench.add_argument(
        "--perturb",
        action="store_true",
        help="instead move every constant of the measuring by a fifth: what it changes",
    )
    commands.add_parser("forecast", help="how a record goes on, from standard input (JSON or JSON Lines)")
    commands.add_parser("rota", help="who welds where and when, from standard input (JSON or JSON Lines)")
    sessions = commands.add_parser(
        "bench-rota", help="drawn sessions, planned and checked: how many are placed, how fast"
    )
    sessions.add_argument("--each", type=int, default=3, metavar="N", help="sessions of each kind")
    sessions.add_argument("--seed", type=int, default=0, metavar="N", help="another seed of them (0 the fixed one)")
    classes = commands.add_parser("bench-forecast", help="simulated classes and how well they are foreseen")
    classes.add_argument("--cases", type=int, default=1000, metavar="N", help="questions that are asked")
    classes.add_argument("--seed", type=int, default=0, metavar="N", help="another seed of them (0 the fixed one)")
    welders = commands.add_parser("bench-causes", help="welders with one hidden habit each: how often it is found")
    welders.add_argument("--each", type=int, default=3, metavar="N", help="welders of each habit")
    welders.add_argument("--seed", type=int, default=0, metavar="N", help="another seed of them (0 the fixed one)")
    asked = parser.parse_args(arguments)
    work = {
        "measure": _measure,
        "card": _card,
        "plan": _plan,
        "check": _check,
        "explain": _explain,
        "bench-photo": _bench,
        "bench-causes": _bench_causes,
        "forecast": _forecast,
        "bench-forecast": _bench_forecast,
        "rota": _rota,
        "bench-rota": _bench_rota,
    }
    try:
        return work[asked.command](asked)
    except JudicumError as error:
        print(f"judicum {asked.command}: {' '.join(str(error).split())}", file=sys.stderr)
    except BrokenPipeError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    except OSError as error:
        print(f"judicum {asked.command}: {error.filename}: {error.strerror}", file=sys.stderr)
    return 2


def _measure(asked: argparse.Namespace) -> int:
    from judicum.core.photo.measure import measure_all
    from judicum.words.photo import report_in_words

    given = _given_scale(asked)
    code = 0
    for name in asked.photos:
        try:
            data = Path(name).read_bytes()
        except OSError as error:
            print(f"judicum measure: {name}: {error.strerror}", file=sys.stderr)
            code = 2
            continue
        beads = measure_all(data, name, given)
        for bead in sorted(beads, key=lambda bead: bead.report.bead_number or 0) if asked.all else beads[:1]:
            print(json.dumps(report_in_words(bead)), flush=True)
    return code


def _given_scale(asked: argparse.Namespace):  # type: ignore[no-untyped-def]
    from judicum.core.photo.scale import GivenScale

    if asked.scale is not None:
        return GivenScale.checked(asked.scale)
    if asked.points is None:
        return None
    try:
        x1, y1, x2, y2, length = (float(part) for part in asked.points.split(","))
    except ValueError as error:
        raise InvalidValue("--points", asked.points, "five figures: x1,y1,x2,y2,mm") from error
    return GivenScale.from_points((x1, y1), (x2, y2), length)


def _plan(asked: argparse.Namespace) -> int:
    from judicum.core.setup import plan_card
    from judicum.words import setup

    units = UNITS[asked.units]
    return _each(lambda given: setup.card_in_words(plan_card(given), units).model_dump())


def _check(asked: argparse.Namespace) -> int:
    from judicum.core.setup import check_setup
    from judicum.words import setup

    units = UNITS[asked.units]
    return _each(lambda given: setup.check_in_words(check_setup(given), units).model_dump())


def _explain(asked: argparse.Namespace) -> int:
    from judicum.core.causes import explain
    from judicum.words import causes

    units = UNITS[asked.units]
    return _each(lambda given: causes.explained(explain(given), units))


def _each(work: Callable[[Any], dict[str, Any]]) -> int:
    """Answer every JSON object of standard input with one line; nothing is printed if any is refused."""
    answers = [json.dumps(work(given)) for given in read_objects(sys.stdin.read())]
    print("\n".join(answers))
    return 0


def read_objects(text: str) -> list[Any]:
    """JSON values that follow one another, on one line or on many. Raises InvalidValue."""
    decoder = json.JSONDecoder(parse_constant=_no_constant)
    found: list[Any] = []
    at = 0
    while (at := _skip_space(text, at)) < len(text):
        try:
            value, at = decoder.raw_decode(text, at)
        except (ValueError, RecursionError) as error:
            line = text.count("\n", 0, at) + 1
            raise InvalidValue("input", text[at : at + 30], f"JSON objects (line {line}: {error})") from error
        found.append(value)
    if not found:
        raise InvalidValue("input", "", "at least one JSON object")
    return found


def _skip_space(text: str, at: int) -> int:
    while at < len(text) and text[at].isspace():
        at += 1
    return at


def _no_constant(name: str) -> float:
    raise ValueError(f"{name} is no JSON")


def _forecast(asked: argparse.Namespace) -> int:
    from judicum.core.progress import forecast

    return _each(lambda given: forecast(given).as_json())


def _rota(asked: argparse.Namespace) -> int:
    from judicum.core.planning.rota import rota

    return _each(lambda given: rota(given).as_json())


def _bench_rota(asked: argparse.Namespace) -> int:
    from judicum.bench.rotas import bench

    if asked.each < 1:
        raise InvalidValue("--each", asked.each, "at least 1")
    print(bench(asked.each, asked.seed))
    return 0


def _bench_forecast(asked: argparse.Namespace) -> int:
    from judicum.bench.classes import bench

    if asked.cases < 1:
        raise InvalidValue("--cases", asked.cases, "at least 1")
    print(bench(asked.cases, asked.seed))
    return 0


def _bench_causes(asked: argparse.Namespace) -> int:
    from judicum.bench.causes import bench

    if asked.each < 1:
        raise InvalidValue("--each", asked.each, "at least 1")
    print(bench(asked.each, asked.seed))
    return 0


def _bench(asked: argparse.Namespace) -> int:
    if asked.odd is not None:
        from judicum.bench.odd import odd_table

        if asked.odd < 1:
            raise InvalidValue("odd", asked.odd, "1 or more")
        print(odd_table(asked.odd))
        return 0
    from judicum.bench.run import bench  # draws photos: slow to import, and only needed here

    if not 0 < asked.share <= 1:
        raise InvalidValue("share", asked.share, "more than 0, at most 1")
    if asked.seed < 0:
        raise InvalidValue("seed", asked.seed, "0 or more")
    if asked.perturb:
        from judicum.bench.perturb import perturb_table

        print(perturb_table(asked.share))
        return 0
    print(bench(asked.share, asked.seed))
    return 0


def _card(asked: argparse.Namespace) -> int:
    from judicum.core.photo.printing import card_pdf

    Path(asked.output).write_bytes(card_pdf(asked.kind, asked.paper))
    return 0


if __name__ == "__main__":
    sys.exit(main())
