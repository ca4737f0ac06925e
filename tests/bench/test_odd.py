"""Whatever is in a picture, it is measured or refused, and the next one follows."""

import json
from pathlib import Path

import cv2
import numpy as np
import pytest

from judicum.bench import odd
from judicum.cli import main
from judicum.core.photo.decode import decode
from judicum.core.photo.measure import measure_photo
from judicum.core.photo.picture import Picture
from judicum.core.photo.refuse import CODES
from judicum.core.photo.scale import GivenScale, find_card

ONES = list(odd.odd_ones(2 * len(odd.KINDS)))


@pytest.mark.parametrize("one", ONES, ids=lambda one: f"{one.kind}, {'card' if one.carded else 'scale given'}")
def test_an_odd_picture_gets_an_answer(one: odd.Odd) -> None:
    assert odd.answer(one) in {"measured", *CODES}


def test_the_odd_pictures_are_of_every_kind_with_and_without_a_card_and_the_same_again() -> None:
    assert {(one.kind, one.carded) for one in ONES} == {
        (kind, carded) for kind in odd.KINDS for carded in (True, False)
    }
    assert ONES[6].jpeg() == ONES[6].jpeg()
    assert ONES[2].jpeg() != ONES[12].jpeg()


def test_the_card_is_still_found_around_an_odd_picture() -> None:
    carded = next(one for one in ONES if one.carded and one.kind == "stripes")
    scale = find_card(Picture(decode(carded.jpeg())))
    assert scale is not None and scale.kind == "window"


def test_a_scratch_is_no_bead() -> None:
    plate = np.full((700, 1000, 3), 150, np.uint8)
    cv2.line(plate, (60, 350), (940, 352), (30, 30, 30), 2, cv2.LINE_AA)
    _, data = cv2.imencode(".png", plate)
    refusal = measure_photo(data.tobytes(), given=GivenScale(0.1)).report.refusal
    assert refusal is not None and refusal.code == "no_bead"


def test_a_failing_picture_is_named_with_its_number(monkeypatch: pytest.MonkeyPatch) -> None:
    def fails(*_: object, **__: object) -> None:
        raise RuntimeError("an empty map")

    monkeypatch.setattr(odd, "measure_photo", fails)
    assert odd.answer(ONES[0]) == "ERROR 0: RuntimeError: an empty map"


def test_a_batch_goes_on_after_whatever_is_in_it(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    names = []
    for k, data in enumerate([b"", b"no picture", ONES[0].jpeg(), ONES[2].jpeg()[:900], ONES[4].jpeg()]):
        path = tmp_path / f"{k}.jpg"
        path.write_bytes(data)
        names.append(str(path))
    assert main(["measure", *names]) == 0
    response = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    assert [report["photo"] for report in response] == names
    assert [report["refusal"]["code"] for report in response] == [
        "unreadable",
        "unreadable",
        "no_scale",
        "unreadable",
        "no_scale",
    ]


def test_the_command_refuses_a_count_below_one(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["bench-photo", "--odd", "0"]) == 2
    assert "1 or more" in capsys.readouterr().err
