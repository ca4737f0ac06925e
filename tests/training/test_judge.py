"""Weights of one's own: taken only where they are better and nowhere worse, used by name, and given back."""

import json
import subprocess
import sys
import zipfile
from importlib.resources import files
from pathlib import Path

import pytest

from judicum.core.photo.engine import SHIPPED, engine_version
from judicum.core.photo.weights import FOLDER, OF_WORKSHOPS, measuring_with, own_folder, weights
from judicum.launch import weights as launched
from judicum.launch.steps import Trouble
from tests.drawn import bead_photo
from training.judge import SetFigures, figures_of, taken
from training.labelled import entries_of, unpacked

BEFORE = SetFigures(0.100, 0.90, 0.95, 1.0)


@pytest.mark.parametrize(
    ("aside", "other", "is_taken"),
    [
        (SetFigures(0.080, 0.90, 0.95, 1.0), BEFORE, True),
        (SetFigures(0.100, 0.93, 0.95, 1.0), SetFigures(0.0995, 0.90, 0.95, 1.0), True),
        (BEFORE, BEFORE, False),
        (SetFigures(0.080, 0.90, 0.95, 1.0), SetFigures(0.102, 0.90, 0.95, 1.0), False),
        (SetFigures(0.080, 0.90, 0.95, 1.0), SetFigures(0.100, 0.90, 0.90, 1.0), False),
        (SetFigures(0.080, 0.85, 0.95, 1.0), BEFORE, False),
        (SetFigures(0.080, 0.90, 0.95, 0.9), BEFORE, False),
    ],
)
def test_weights_are_taken_where_they_are_better_and_nowhere_worse(
    aside: SetFigures, other: SetFigures, is_taken: bool
) -> None:
    assert taken((BEFORE, aside), [(BEFORE, other)]) is is_taken


@pytest.fixture
def labels(tmp_path: Path) -> Path:
    """A zip as it is exported: two pictures with what the engine says of them as their truth."""
    photo = tmp_path / "bead-00002.jpg"
    photo.write_bytes(bead_photo().jpeg)
    said = subprocess.run([sys.executable, "-m", "judicum.cli", "measure", str(photo)], capture_output=True, check=True)
    report = json.loads(said.stdout)
    truth = [
        {"name": f"bead-0000{k}.jpg", "must_refuse": None, "truth": {key: report[key] for key in ("bead", "profile", "ripple", "tint", "defects")}}
        for k in (1, 2)
    ]  # fmt: skip
    target = tmp_path / "labels.zip"
    with zipfile.ZipFile(target, "w") as archive:
        archive.writestr("truth.json", json.dumps(truth))
        for k in (1, 2):
            archive.write(photo, f"bead-0000{k}.jpg")
    return target


def test_an_exported_zip_is_read_by_parts_and_judged(labels: Path) -> None:
    with unpacked(labels) as folder:
        assert [one["name"] for one in entries_of(folder, "even")] == ["bead-00002.jpg"]
        found = figures_of(folder, "all", None)
    assert found == SetFigures(0.0, 1.0, 1.0, 1.0), "what the engine said is the truth here"


def test_own_weights_stand_before_those_that_ship_and_name_the_engine(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    own, of_one, given = tmp_path / "weights", tmp_path / OF_WORKSHOPS / "7", tmp_path / "given"
    monkeypatch.setattr(launched, "VAR", tmp_path)
    monkeypatch.setattr(launched, "OWN", own)
    given.mkdir()
    assert launched.in_use() == {}
    with pytest.raises(Trouble, match="holds none of locate"):
        launched.use(given, "mill1", own)
    (given / "axis.onnx").write_bytes(b"own")
    with pytest.raises(Trouble, match="small letters"):
        launched.use(given, "Mill 1", own)
    launched.use(given, "mill1", own)
    monkeypatch.setenv(FOLDER, launched.in_use()[FOLDER])
    assert (weights("axis", own_folder()), engine_version()) == (b"own", f"{SHIPPED}+mill1")
    ships = (files("judicum.core.photo") / "data" / "locate.onnx").read_bytes()
    assert weights("locate", own_folder()) == ships

    (given / "axis.onnx").write_bytes(b"one's")
    launched.use(given, "hall2", of_one)
    with measuring_with(of_one):
        assert (weights("axis", own_folder()), engine_version()) == (b"one's", f"{SHIPPED}+hall2")
    with measuring_with(of_one.with_name("8")):
        assert engine_version() == f"{SHIPPED}+mill1", "a workshop without any has the server's"
    capsys.readouterr()
    launched.back(of_one)
    assert "mill1 of the whole server (axis)" in capsys.readouterr().out
    launched.use(given, "hall3", of_one)
    launched.forget_workshops()
    assert not of_one.exists()
    launched.back(own)
    launched.show(own)
    assert (launched.in_use(), "the weights that ship" in capsys.readouterr().out) == ({}, True)
