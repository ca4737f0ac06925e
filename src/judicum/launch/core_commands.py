"""Options of the commands that go straight to the core: read here without anything installed, carried out by judicum.cli."""

import argparse


def add_core_commands(commands: "argparse._SubParsersAction[argparse.ArgumentParser]") -> None:
    """Add a parser for each of them to the command line's."""
    measuring = commands.add_parser("measure", help="measure bead photos, one JSON object a line")
    measuring.add_argument("photos", nargs="+", metavar="PHOTO", help="a photo, or a folder of photos")
    measuring.add_argument(
        "-o", "--output", metavar="FILE", help="add to this file and pass over the photos that it tells already"
    )
    measuring.add_argument(
        "--all", action="store_true", help="every bead of each photo, numbered from the card's top edge"
    )
    measuring.add_argument(
        "--other-light",
        metavar="PHOTO",
        help="the same bead with the lamp on its other side, part and card in their place: undercuts are read from both",
    )
    scale = measuring.add_mutually_exclusive_group()
    scale.add_argument(
        "--scale", type=float, metavar="MM_PER_PX", help="millimetres of one pixel, for a photo without a card"
    )
    scale.add_argument("--points", metavar="X1,Y1,X2,Y2,MM", help="two pixels of the photo and their distance in mm")
    card = commands.add_parser("card", help="write a scale card, or the target to check a phone by, as PDF")
    card.add_argument("kind", choices=("window", "strip", "long_strip", "target"))
    card.add_argument("-o", "--output", required=True, metavar="FILE")
    card.add_argument("--paper", choices=("a4", "letter"), default="a4")
    for name, does in (
        ("plan", "setup cards from coupons"),
        ("check", "what was set beside the card"),
        ("explain", "why beads look as they do, and the one thing to change"),
    ):
        reading = commands.add_parser(name, help=f"{does}, from standard input (JSON or JSON Lines)")
        reading.add_argument(
            "--units", choices=("metric", "us"), default="metric", help="of the sentences; figures are SI"
        )
    logs = commands.add_parser(
        "weld-log", help="what the machine did, from its data logs (CSV), one JSON object a line"
    )
    logs.add_argument("logs", nargs="+", metavar="FILE")
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
    commands.add_parser("foretell", help="what would come of settings, from standard input (JSON or JSON Lines)")
    laws = commands.add_parser("bench-foretell", help="simulated courses of other laws, and how well they are foretold")
    laws.add_argument("--courses", type=int, default=60, metavar="N", help="courses that are drawn")
    laws.add_argument("--seed", type=int, default=0, metavar="N", help="another seed of them (0 the fixed one)")
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
    welders.add_argument(
        "--evening", action="store_true", help="a third with two habits, a third copy the card into their log"
    )
    welders.add_argument("--seed", type=int, default=0, metavar="N", help="another seed of them (0 the fixed one)")
