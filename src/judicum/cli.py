"""Commands that need neither database nor server: straight to the core."""

import argparse
import json
import os
import sys
from collections.abc import Callable, Iterable, Sequence
from contextlib import ExitStack
from functools import partial
from multiprocessing import get_context
from pathlib import Path
from typing import TYPE_CHECKING, Any

from judicum.core.errors import InvalidValue, JudicumError, said
from judicum.launch.core_commands import add_core_commands
from judicum.launch.places import ONE_CORE

if TYPE_CHECKING:  # words are slow to import, and not every command speaks
    from judicum.words.units import Units

PHOTO_SUFFIXES = (".jpg", ".jpeg", ".png", ".heic", ".heif", ".mp4", ".mov")
FEW_PHOTOS = 4
"""Fewer are measured before processes of their own have started."""


def main(arguments: Sequence[str] | None = None) -> int:
    """Run one command; bad input is a one-line error and exit code 2."""
    parser = argparse.ArgumentParser(prog="./judicum", allow_abbrev=False)
    add_core_commands(parser.add_subparsers(dest="command", required=True))
    asked = parser.parse_args(arguments)
    work = {
        "measure": _measure,
        "card": _card,
        "plan": _plan,
        "check": _check,
        "explain": _explain,
        "weld-log": _weld_log,
        "bench-photo": _bench,
        "bench-causes": _bench_causes,
        "forecast": _forecast,
        "bench-forecast": _bench_forecast,
        "foretell": _foretell,
        "bench-foretell": _bench_foretell,
        "rota": _rota,
        "bench-rota": _bench_rota,
    }
    try:
        return work[asked.command](asked)
    except JudicumError as error:
        from judicum.words.problems import problem_sentence

        print(f"judicum {asked.command}: {' '.join(problem_sentence(error, by_key=True).split())}", file=sys.stderr)
    except BrokenPipeError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    except OSError as error:
        print(f"judicum {asked.command}: {error.filename}: {error.strerror}", file=sys.stderr)
    return 2


def _measure(asked: argparse.Namespace) -> int:
    given = _given_scale(asked)
    done = _photos_in(asked.output) if asked.output else set()
    names = [name for one in asked.photos for name in _photos_of(one) if name not in done]
    if asked.other_light and len(names) > 1:
        raise InvalidValue("--other-light", asked.other_light, said("allowed-other-light-of-one-photo"))
    other = Path(asked.other_light).read_bytes() if asked.other_light else None
    code = 0
    with ExitStack() as opened:
        out = opened.enter_context(Path(asked.output).open("a", encoding="utf-8")) if asked.output else sys.stdout
        work = partial(_measured, given=given, every=asked.all, other=other)
        for count, (name, found) in enumerate(_on_all_cores(work, names, opened), 1):
            if isinstance(found, str):
                print(f"judicum measure: {name}: {found}", file=sys.stderr)
                code = 2
            else:
                print("\n".join(found), file=out, flush=True)
            if asked.output and sys.stderr.isatty():
                print(f"\r{count} of {len(names)} photos", end="" if count < len(names) else "\n", file=sys.stderr)
    return code


def _photos_of(path: str) -> list[str]:
    """A photo, or those of a folder by their names."""
    folder = Path(path)
    if not folder.is_dir():
        return [path]
    return [str(one) for one in sorted(folder.iterdir()) if one.suffix.lower() in PHOTO_SUFFIXES]


def _photos_in(output: str) -> set[str]:
    """What a file of results tells already; a last line that was cut off while it was written is taken out.

    Raises InvalidValue where it is another sort of file: nothing is written into it.
    """
    path = Path(output)
    if not path.exists():
        return set()
    whole = [line for line in path.read_text(encoding="utf-8").splitlines(keepends=True) if line.endswith("\n")]
    try:
        done = {json.loads(line)["photo"] for line in whole}
    except (ValueError, KeyError, TypeError) as error:
        raise InvalidValue("--output", output, said("allowed-results-of-measure")) from error
    path.write_text("".join(whole), encoding="utf-8")
    return done


def _measured(name: str, given: Any, every: bool, other: bytes | None = None) -> tuple[str, list[str] | str]:
    """A photo's name, and its results as JSON lines; or why it cannot be read."""
    from judicum.core.photo.measure import measure_all
    from judicum.words.photo import report_in_words

    try:
        data = Path(name).read_bytes()
    except OSError as error:
        return name, error.strerror or str(error)
    beads = measure_all(data, name, given)
    if other is not None:
        from judicum.core.photo.relief import with_other_light

        beads = with_other_light(beads, other)
    shown = sorted(beads, key=lambda bead: bead.report.bead_number or 0) if every else beads[:1]
    return name, [json.dumps(report_in_words(bead)) for bead in shown]


def _on_all_cores(
    work: Callable[[str], tuple[str, list[str] | str]], names: list[str], opened: ExitStack
) -> Iterable[tuple[str, list[str] | str]]:
    """What comes of each name, in their order; several go to as many processes as there are cores, each on one core."""
    if len(names) < FEW_PHOTOS:
        return map(work, names)
    os.environ |= {**ONE_CORE, **os.environ}
    pool = opened.enter_context(get_context("spawn").Pool())
    return pool.imap(work, names)


def _weld_log(asked: argparse.Namespace) -> int:
    from dataclasses import asdict

    from judicum.core.datalog import figures_of, read_data_log

    for name in asked.logs:
        with Path(name).open(encoding="utf-8", errors="replace") as lines:
            found = figures_of(read_data_log(lines))
        print(json.dumps(asdict(found) if found else None), flush=True)
    return 0


def _given_scale(asked: argparse.Namespace):  # type: ignore[no-untyped-def]
    from judicum.core.photo.scale import GivenScale

    if asked.scale is not None:
        return GivenScale.checked(asked.scale)
    if asked.points is None:
        return None
    try:
        x1, y1, x2, y2, length = (float(part) for part in asked.points.split(","))
    except ValueError as error:
        raise InvalidValue("--points", asked.points, said("allowed-five-figures-x1-y1-x2-y2")) from error
    return GivenScale.from_points((x1, y1), (x2, y2), length)


def _units(asked: argparse.Namespace) -> "Units":
    from judicum.words.units import METRIC, US

    return US if asked.units == "us" else METRIC


def _plan(asked: argparse.Namespace) -> int:
    from judicum.core.setup import plan_card
    from judicum.words import setup

    units = _units(asked)
    return _each(lambda given: setup.card_in_words(plan_card(given), units).model_dump())


def _check(asked: argparse.Namespace) -> int:
    from judicum.core.setup import check_setup
    from judicum.words import setup

    units = _units(asked)
    return _each(lambda given: setup.check_in_words(check_setup(given), units).model_dump())


def _explain(asked: argparse.Namespace) -> int:
    from judicum.core.causes import explain
    from judicum.words import causes

    units = _units(asked)
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
            raise InvalidValue(
                "input", text[at : at + 30], said("allowed-json-objects-line", line=line, error=error)
            ) from error
        found.append(value)
    if not found:
        raise InvalidValue("input", "", said("allowed-at-least-one-json-object"))
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
        raise InvalidValue("--each", asked.each, said("allowed-at-least-1"))
    print(bench(asked.each, asked.seed))
    return 0


def _bench_forecast(asked: argparse.Namespace) -> int:
    from judicum.bench.classes import bench

    if asked.cases < 1:
        raise InvalidValue("--cases", asked.cases, said("allowed-at-least-1"))
    print(bench(asked.cases, asked.seed))
    return 0


def _foretell(asked: argparse.Namespace) -> int:
    from judicum.core.foretell import foretell

    return _each(foretell)


def _bench_foretell(asked: argparse.Namespace) -> int:
    from judicum.bench.foretell import bench

    if asked.courses < 1:
        raise InvalidValue("--courses", asked.courses, said("allowed-at-least-1"))
    print(bench(asked.courses, asked.seed))
    return 0


def _bench_causes(asked: argparse.Namespace) -> int:
    from judicum.bench.causes import bench

    if asked.each < 1:
        raise InvalidValue("--each", asked.each, said("allowed-at-least-1"))
    print(bench(asked.each, asked.seed, asked.evening))
    return 0


def _bench(asked: argparse.Namespace) -> int:
    if asked.odd is not None:
        from judicum.bench.odd import odd_table

        if asked.odd < 1:
            raise InvalidValue("odd", asked.odd, said("allowed-1-or-more"))
        print(odd_table(asked.odd))
        return 0
    from judicum.bench.run import bench  # draws photos: slow to import, and only needed here

    if not 0 < asked.share <= 1:
        raise InvalidValue("share", asked.share, said("allowed-more-than-0-at-most-1"))
    if asked.seed < 0:
        raise InvalidValue("seed", asked.seed, said("allowed-0-or-more"))
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
