import io
import json
from pathlib import Path

import pytest

from judicum.cli import main
from judicum.core.photo.report import TWO_LIGHTS
from tests.core.photo.two_lights import pairs
from tests.drawn import bead_photo


def test_measure_prints_one_object_a_photo_and_a_refused_one_is_no_failure(
    tmp_path: Path, capsys: pytest.CaptureFixture[str]
) -> None:
    good, bad = tmp_path / "good.jpg", tmp_path / "bad.jpg"
    good.write_bytes(bead_photo().jpeg)
    bad.write_bytes(b"nothing")
    assert main(["measure", str(good), str(bad)]) == 0
    first, second = (json.loads(line) for line in capsys.readouterr().out.splitlines())
    assert first["photo"] == str(good)
    assert first["bead"]["length_mm"] > 70
    assert second["refusal"]["code"] == "unreadable"


def test_a_missing_photo_is_one_line_and_exit_2(capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["measure", "/nowhere/bead.jpg"]) == 2
    said = capsys.readouterr()
    assert said.out == ""
    assert said.err == "judicum measure: /nowhere/bead.jpg: No such file or directory\n"


@pytest.mark.parametrize("points", ["1,2,3", "a,b,c,d,e", "0,0,900,0,-5"])
def test_points_of_no_sense_are_one_line_and_exit_2(points: str, capsys: pytest.CaptureFixture[str]) -> None:
    assert main(["measure", "x.jpg", "--points", points]) == 2
    said = capsys.readouterr()
    assert said.out == ""
    assert said.err.count("\n") == 1
    assert "points" in said.err


@pytest.mark.parametrize(
    ("given", "field"), [(["--share", "0"], "share"), (["--share", "1.5"], "share"), (["--seed", "-1"], "seed")]
)
def test_a_benchmark_of_no_sense_is_one_line_and_exit_2(
    given: list[str], field: str, capsys: pytest.CaptureFixture[str]
) -> None:
    assert main(["bench-photo", *given]) == 2
    said = capsys.readouterr()
    assert said.out == ""
    assert said.err.startswith("judicum bench-photo:")
    assert field in said.err
    assert given[1] in said.err


def test_a_card_is_written(tmp_path: Path) -> None:
    out = tmp_path / "card.pdf"
    assert main(["card", "window", "-o", str(out)]) == 0
    assert out.read_bytes().startswith(b"%PDF")


def feed(monkeypatch: pytest.MonkeyPatch, text: str) -> None:
    monkeypatch.setattr("sys.stdin", io.StringIO(text))


def test_plan_answers_every_object_with_a_line(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    coupon = '{"metal": "304L",\n "joint": "tee", "thickness_mm": 2.0}'
    feed(monkeypatch, f"{coupon}\n\n{coupon} {coupon}\n")
    assert main(["plan"]) == 0
    lines = [json.loads(line) for line in capsys.readouterr().out.splitlines()]
    assert len(lines) == 3
    assert lines[0]["polarity"] == "DCEN"


@pytest.mark.parametrize(
    ("command", "text", "field"),
    [
        ("plan", "", "input"),
        ("plan", "{", "input"),
        ("plan", "[" * 100_000, "input"),
        ("plan", '{"metal": "304L", "joint": "tee", "thickness_mm": NaN}', "input"),
        ("plan", "[1]", "coupon"),
        ("plan", '{"metal": "304L", "joint": "tee", "thickness_mm": 2} {"metal": "x"}', "joint"),
        ("explain", "{", "input"),
        ("explain", '{"coupon": {"metal": "304L", "joint": "tee", "thickness_mm": 2}}', "measurement"),
        ("explain", '{"coupon": {"metal": "304L", "joint": "tee"}, "measurement": null}', "thickness_mm"),
        ("check", '{"coupon": {}, "used": {}}', "metal"),
        ("check", '{"coupon": {"metal": "304L", "joint": "tee", "thickness_mm": 2}}', "used"),
    ],
)
def test_bad_input_is_one_line_exit_2_and_nothing_printed(
    command: str, text: str, field: str, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    feed(monkeypatch, text)
    assert main([command]) == 2
    said = capsys.readouterr()
    assert said.out == ""
    assert said.err.count("\n") == 1
    assert said.err.startswith(f"judicum {command}: {field}")


def test_undercuts_are_read_from_two_photos_of_one_bead(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    pair = next(one for one in pairs(41, 4) if one.shows == "groove")
    first, second = tmp_path / "first.jpg", tmp_path / "second.jpg"
    for path, photo in zip((first, second), pair.photos, strict=True):
        path.write_bytes(photo)
    assert main(["measure", str(first), "--other-light", str(second)]) == 0
    report = json.loads(capsys.readouterr().out)
    assert TWO_LIGHTS in report["quality"]["warnings"]
    assert [one["kind"] for one in report["defects"]].count("undercut") == 1
    assert main(["measure", str(first), str(second), "--other-light", str(second)]) == 2
    assert "--other-light" in capsys.readouterr().err
    assert main(["measure", str(first), "--other-light", str(tmp_path / "none.jpg")]) == 2
    assert "none.jpg" in capsys.readouterr().err


def test_a_folder_is_measured_on_all_cores_and_gone_on_with(tmp_path: Path) -> None:
    photos, results = tmp_path / "photos", tmp_path / "results.jsonl"
    photos.mkdir()
    for k in range(5):
        (photos / f"bead-{k}.jpg").write_bytes(b"no picture")
    (photos / "notes.txt").write_text("not a photo")
    assert main(["measure", str(photos), "-o", str(results)]) == 0
    whole = results.read_text()
    assert [json.loads(line)["photo"] for line in whole.splitlines()] == [
        str(photos / f"bead-{k}.jpg") for k in range(5)
    ]
    results.write_text(whole[: whole.index("\n", 300) + 40])  # stopped while a line was written
    assert main(["measure", str(photos), "-o", str(results)]) == 0
    assert results.read_text() == whole


def test_another_sort_of_file_is_not_written_into(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    notes = tmp_path / "notes.txt"
    notes.write_text("Grind the tungsten\nOrder argon")
    assert main(["measure", "bead.jpg", "-o", str(notes)]) == 2
    assert "--output" in capsys.readouterr().err
    assert notes.read_text() == "Grind the tungsten\nOrder argon"
