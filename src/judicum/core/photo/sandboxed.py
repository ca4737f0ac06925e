"""Unpacking a picture that somebody sent, as a program of its own, within limits on memory and time: whatever is sent, the
process that asked is not harmed.

    python -m judicum.core.photo.sandboxed JOB

Standard input is one line of JSON, the job's arguments, and then the picture file. Standard output is one line of JSON and,
where the job makes one, a JPEG file.
"""

import dataclasses
import json
import resource
import sys
from collections.abc import Callable, Mapping
from typing import Any

import cv2

from judicum.core.errors import UnreadablePicture
from judicum.core.photo.bead import Bead
from judicum.core.photo.decode import decode, encode_jpeg
from judicum.core.photo.ingest import ingest
from judicum.core.photo.precheck import precheck_file
from judicum.core.photo.private import without_private
from judicum.core.photo.strip import cut_strip

MAX_MEMORY = 1600 << 20
"""Bytes of address space; a picture of 60 million pixels takes a third of it."""
MAX_CPU_S = 40
"""Seconds of one core; a picture of 60 million pixels takes four."""


def _ingest(data: bytes, given: Mapping[str, object]) -> tuple[Any, bytes]:
    made = dataclasses.asdict(ingest(data))
    original, shown = made.pop("original"), made.pop("shown")
    return {**made, "original_bytes": len(original)}, original + shown


def _precheck(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    return [dataclasses.asdict(one) for one in precheck_file(data, given["long_side_px"])], b""


def _cut_strip(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    return {}, encode_jpeg(cut_strip(decode(data), Bead.from_json(given["bead"])))


def _clean(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    return {}, without_private(data)


def _phone(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    from judicum.core.photo.phone import check_phone  # the engine takes its time to import, and only this job needs it

    found = check_phone(data)
    return {**dataclasses.asdict(found), "uncertainty_mm": found.uncertainty_mm}, b""


def _measure(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    from judicum.core.photo.measure import measure_photo, strip_file

    found = measure_photo(data)
    refusal = None if found.refusal is None else dataclasses.asdict(found.refusal)
    return {"report": found.report.as_json(), "refusal": refusal}, strip_file(found) or b""


def _tint_strip(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    from judicum.core.photo.tint_strip import encoded, flattened

    flat = flattened(data)
    return {"width_px": flat.shape[1], "height_px": flat.shape[0]}, encoded(flat)


def _tint_patches(data: bytes, given: Mapping[str, Any]) -> tuple[Any, bytes]:
    from judicum.core.photo.tint_strip import read_patches

    found = read_patches(decode(data), [(x, y) for x, y in given["places"]], given["levels"])
    return [dataclasses.asdict(one) for one in found], b""


JOBS: dict[str, Callable[[bytes, Mapping[str, Any]], tuple[Any, bytes]]] = {
    "ingest": _ingest,
    "precheck": _precheck,
    "cut_strip": _cut_strip,
    "clean": _clean,
    "phone": _phone,
    "measure": _measure,
    "tint_strip": _tint_strip,
    "tint_patches": _tint_patches,
}


def main() -> None:
    resource.setrlimit(resource.RLIMIT_AS, (MAX_MEMORY, MAX_MEMORY))
    resource.setrlimit(resource.RLIMIT_CPU, (MAX_CPU_S, MAX_CPU_S))
    cv2.setNumThreads(1)
    given = json.loads(sys.stdin.buffer.readline())
    out = sys.stdout.buffer
    try:
        made, file = JOBS[sys.argv[1]](sys.stdin.buffer.read(), given)
    except UnreadablePicture as error:
        out.write(json.dumps({"unreadable": [error.message.name, dict(error.message.variables)]}).encode() + b"\n")
        return
    out.write(json.dumps({"made": made}).encode() + b"\n" + file)


if __name__ == "__main__":
    main()
