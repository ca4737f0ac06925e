"""What people did beside sending photos: other views, an angle read, a correction by hand."""

import io
from collections.abc import Mapping
from dataclasses import asdict
from datetime import datetime, timedelta
from typing import Any
from urllib.parse import urlencode
from urllib.request import Request, urlopen

import numpy as np

from judicum.camera import Scene, View, take_photo, weld
from judicum.camera.plate import beads_of_amps, take_plate_photo
from judicum.camera.torch import take_torch_photo
from judicum.core.datalog import DataLog, read_data_log
from judicum.core.photo.measure import measure_all
from judicum.logger.draw import LoggedWeld, draw_log
from judicum.server.follow.trials.actions.change_trial import begin_trial, take_start, tap_beads
from judicum.server.follow.trials.queries import planned
from judicum.server.people.accounts.models import User
from judicum.server.read.trials import trials_of
from judicum.server.record.attempts.actions.attach_data_log import attach_data_log
from judicum.server.record.attempts.loggers import known_loggers, last_weld
from judicum.server.record.attempts.models import Attempt, Run
from judicum.server.record.photos.actions.correct_measurement import correct_measurement
from judicum.server.record.photos.actions.read_angle import read_angle
from judicum.server.record.photos.actions.send_photo import send_photo
from judicum.server.record.photos.actions.store_measurement import MeasuredBead, store_measurement
from judicum.server.record.photos.models import Measurement

TORCH_DEG = 77.0


def add_views(student: User, attempt: Attempt, at: datetime) -> None:
    """The back of the coupon, and the torch in place with its work angle read."""
    root = weld(
        np.random.default_rng(71), length_mm=80, width_mm=2.6, width_cv=0.06, pitch_mm=2.2, pitch_cv=0.1, wander_mm=0.1,
        bead_level=4, zone_level=5, rippled=False,
    )  # fmt: skip
    back = Scene(root, view=View(tilt_deg=4.0, turn_deg=-3.0), seed=71)
    send_photo(student, attempt.pk, take_photo(back).jpeg, "back.jpg", at, kind="back")
    torch = take_torch_photo(TORCH_DEG)
    sent = send_photo(student, attempt.pk, torch.jpeg, "torch.jpg", at + timedelta(minutes=1), kind="torch")
    read_angle(student, sent.pk, "work", torch.torch, torch.plate)


def add_machine_log(student: User, attempt: Attempt, pump_hz: float, pump_depth: float) -> None:
    """What the machine did in the first run, as the simulated logger wrote it down."""
    run = Run.objects.get(attempt=attempt, number=1)
    logged = {key: getattr(run, key) for key in ("arc_s", "current_a", "preflow_s", "downslope_s", "postflow_s")}
    known = {key: value for key, value in logged.items() if value is not None}
    weld = LoggedWeld(**known, pump_hz=pump_hz, pump_depth=pump_depth, seed=attempt.number)
    attach_data_log(student, attempt.pk, 1, _through_logger(weld), "booth.csv")


def _through_logger(weld: LoggedWeld) -> DataLog:
    """A weld as the demo's logger wrote it down, or as it would have where none is wired."""
    for name, address in known_loggers().items():
        with urlopen(Request(f"{address}/weld?{urlencode(asdict(weld))}", method="POST")):
            return last_weld(name)
    return read_data_log(io.StringIO(draw_log(weld)))


def add_trial(student: User, attempt: Attempt, asked: Mapping[str, Any], at: datetime) -> None:
    """A trial of amps on a practice plate: planned, welded, photographed, and its best setting taken."""
    trial = begin_trial(student, attempt.pk, asked)
    tap_beads(student, trial.pk, range(1, len(trial.values) + 1))
    plan = planned(trial)
    plate = beads_of_amps((line.at_mm, float(line.value)) for line in plan.lines)
    jpeg = take_plate_photo(plate, plan.bead_mm).jpeg
    photo = send_photo(student, attempt.pk, jpeg, "plate.jpg", at, measure=False, kind="trial", run=trial.number)
    made = Measurement.objects.create(photo=photo, requested_at=at)
    store_measurement(
        made.pk, [MeasuredBead.of(one) for one in measure_all(jpeg, "plate.jpg")], at + timedelta(minutes=1)
    )
    found = next(one.found for one in trials_of(student, attempt.pk).trials)
    if found is not None and found.best is not None:
        take_start(student, trial.pk, found.best, "student")


def correct_by_hand(instructor: User, attempt: Attempt) -> None:
    """A toe moved inward where the zone's dark edge had drawn it away."""
    measurement = Measurement.objects.get(photo__attempt=attempt, photo__kind="bead")
    bead = measurement.bead or {}
    middle = len(bead["s_mm"]) // 2
    step: dict[str, object] = {"step": "move_toe", "side": "right", "s_mm": bead["s_mm"][middle]}
    correct_measurement(instructor, measurement.pk, {**step, "n_mm": bead["right_n_mm"][middle] - 0.2})
