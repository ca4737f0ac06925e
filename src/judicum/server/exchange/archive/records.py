"""The records of an archive, version 2: what each line of each table holds, what it means, in which unit, and what counts where a line
does not say it. Frozen: made from no model, so that no change of the program's own tables changes what an archive is.

A field may be added, with a default, and a code to those of a field; none is taken out, renamed or given another meaning within a version. Whoever reads keeps
aside what it does not know, and takes the default of what is not there.
"""

from collections.abc import Mapping
from copy import deepcopy
from dataclasses import dataclass
from typing import Any

NEEDED: Any = object()
"""Of a field without a default: a line without it is refused."""


@dataclass(frozen=True)
class Field:
    """One field of a record: `schema` is what JSON Schema says of its value, `default` what counts where it is absent."""

    name: str
    meaning: str
    schema: Mapping[str, Any]
    unit: str = ""
    default: Any = NEEDED

    @property
    def described(self) -> dict[str, Any]:
        """Its JSON Schema, with meaning, unit and default."""
        words = f"{self.meaning}, {self.unit}" if self.unit else self.meaning
        default = {} if self.default is NEEDED else {"default": self.default}
        return {**self.schema, "description": f"{words[:1].upper()}{words[1:]}.", **default}


@dataclass(frozen=True)
class Record:
    """What one line of a table holds."""

    about: str
    own: tuple[Field, ...]
    numbered: bool = True

    @property
    def fields(self) -> tuple[Field, ...]:
        return (_ID, *self.own) if self.numbered else self.own

    def schema(self, name: str) -> dict[str, Any]:
        """JSON Schema of one line of `tables/NAME.jsonl`."""
        return {
            "$schema": "https://json-schema.org/draft/2020-12/schema",
            "title": name,
            "description": self.about,
            "type": "object",
            "properties": {one.name: one.described for one in self.fields},
            "required": [one.name for one in self.fields if one.default is NEEDED],
        }

    def filled(self, line: Mapping[str, Any]) -> dict[str, Any]:
        """A line with defaults for what it does not say, and nothing but what the record has."""
        return {one.name: line[one.name] if one.name in line else deepcopy(one.default) for one in self.fields}

    def unknown(self, line: Mapping[str, Any]) -> dict[str, Any]:
        """What of a line the record has no field for."""
        known = {one.name for one in self.fields}
        return {key: value for key, value in line.items() if key not in known}


def _kind(schema: Mapping[str, Any], null: bool) -> dict[str, Any]:
    made = dict(schema)
    if null:
        made["type"] = [made["type"], "null"]
        if "enum" in made:
            made["enum"] = [*made["enum"], None]
    return made


def _field(name: str, meaning: str, schema: Mapping[str, Any], null: bool, default: Any, unit: str = "") -> Field:
    return Field(name, meaning, _kind(schema, null), unit, None if null and default is NEEDED else default)


def number(name: str, meaning: str, unit: str = "", null: bool = False, default: Any = NEEDED) -> Field:
    return _field(name, meaning, {"type": "number"}, null, default, unit)


def whole(name: str, meaning: str, unit: str = "", null: bool = False, default: Any = NEEDED) -> Field:
    return _field(name, meaning, {"type": "integer"}, null, default, unit)


def text(name: str, meaning: str, most: int | None = None, null: bool = False, default: Any = NEEDED) -> Field:
    return _field(name, meaning, {"type": "string", **({"maxLength": most} if most else {})}, null, default)


def code(name: str, meaning: str, *codes: str, null: bool = False, default: Any = NEEDED) -> Field:
    return _field(name, meaning, {"type": "string", "enum": list(codes)}, null, default)


def yes(name: str, meaning: str, null: bool = False, default: Any = NEEDED) -> Field:
    return _field(name, meaning, {"type": "boolean"}, null, default)


def moment(name: str, meaning: str, null: bool = False, default: Any = NEEDED) -> Field:
    return _field(name, meaning, {"type": "string", "format": "date-time"}, null, default, "ISO 8601, UTC")


def day(name: str, meaning: str) -> Field:
    return Field(name, meaning, {"type": "string", "format": "date"}, "ISO 8601")


def of(name: str, table: str, meaning: str, null: bool = False) -> Field:
    """A reference: the number of a row of another table."""
    return _field(name, f"{meaning} (a row of {table})", {"type": "integer", "minimum": 1}, null, NEEDED)


def several(name: str, table: str, meaning: str) -> Field:
    items = {"type": "integer", "minimum": 1}
    return Field(name, f"{meaning} (rows of {table})", {"type": "array", "items": items}, default=[])


def file(name: str, meaning: str) -> Field:
    return Field(name, f"{meaning} (its name under files/, or nothing)", {"type": "string"}, default="")


def anything(name: str, meaning: str, unit: str = "", default: Any = NEEDED) -> Field:
    """A value of JSON as its meaning says."""
    return Field(name, meaning, {}, unit, default)


_ID = Field("id", "number of the row within this archive, from 1 on", {"type": "integer", "minimum": 1})
_KEY = Field("key", "the same on every server", {"type": "string", "format": "uuid"})
FINISH = ("warm", "bright", "show_colour")
JOINTS = (
    "bead_on_plate", "butt", "lap", "tee", "outside_corner", "edge", "tube_butt", "tube_sleeve", "tube_sleeve_bend", "tube_flange",
    "socket", "turntable",
)  # fmt: skip
STATES = (
    "assigned", "logged", "photographed", "measured", "marked", "returned", "photo_asked", "weld_again", "second_asked", "to_agree",
)  # fmt: skip
STEPS = (
    "open", "prepare", "log", "add_photo", "add_view", "read_angle", "measure", "refuse_photo", "measure_back", "measure_run", "try", "measure_trial", "correct", "choose_bead",
    "find", "judge_cause", "mark", "return", "ask_photo", "send_back", "take_back", "ask_second", "mark_second", "agree",
)  # fmt: skip
SCORES = "score by criterion, of 10; null where it does not apply"

RECORDS: dict[str, Record] = {
    "people": Record("Everybody whom a row names.", (
        _KEY,
        text("username", "login name", 60),
        text("display_name", "what others read", 80),
        code("length_unit", "lengths are shown in", "mm", "thou", default="mm"),
        code("flow_unit", "flows are shown in", "l_min", "cfh", default="l_min"),
        code("locale", "language they chose; nothing: their browser's", "en-GB", "en-US", "", default=""),
        yes("is_active", "may sign in", default=True),
        moment("removed_at", "when all that was theirs was removed", null=True),
    )),
    "course": Record("The course itself, in one row.", (
        _KEY,
        text("name", "what it is called", 120),
        moment("archived_at", "since when nothing of it changes", null=True),
        moment("created_at", "when it was made"),
        text("time_zone", "its clock, a name of the IANA database", 40, default="UTC"),
        number("width_factor", "by what the stated uncertainty of widths grows here", default=1.0),
        whole("calliper_share", "share of attempts that are asked for callipered widths by lot", "percent", default=0),
        whole("second_share", "share of marks that go to a blind second marker by lot", "percent", default=0),
        code("pedal_school", "what the pedal is set to: the welding current, or above it", "target", "ride", default="target"),
        code("start_school", "how a bead is begun", "quick", "settled", default="quick"),
        code("finish", "colour that is asked for unless a coupon says otherwise", *FINISH, default="warm"),
        code("unit_system", "units on what is printed", "metric", "us", default="metric"),
        code("sequence", "order in which coupons are learned", "stainless", "carbon", default="stainless"),
        code("purge_school", "when the back is purged", "always", "butts", "root", "never", default="always"),
        code("solvent", "what parts are wiped with", "acetone", "alcohol", default="acetone"),
        code("locale", "language of what is printed", "en-GB", "en-US", default="en-GB"),
        anything("fault_limits", "confidence from which a kind of fault is reported, by kind", default={}),
        anything("cup_flows", "flows that makers name for the cups of the stock, by cup number", "L/min", default={}),
        anything("methods", "further methods that were chosen, by their key", default={}),
    )),
    "schemes": Record("Marking schemes; those that ship have no course.", (
        of("course", "course", "its course", null=True),
        text("code", "by which coupons name it", 40),
        whole("version", "of the scheme, from 1"),
        anything("body", "title, pass mark (of 100), lines {criterion, weight, curve}, knock-outs"),
        of("created_by", "people", "who made it", null=True),
        moment("created_at", "when; 1970 for one that ships"),
    )),
    "designs": Record("Coupons; those of the library have no course.", (
        of("course", "course", "its course", null=True),
        text("code", "the same for all versions", 40),
        whole("version", "from 1"),
        text("title", "what it is called", 80),
        text("purpose", "what it teaches", 300, default=""),
        code("joint", "kind of joint", *JOINTS),
        text("metal", "metal, or a pair of them", 20),
        code("position", "how it is welded", "flat", "horizontal", "vertical_up", "overhead", default="flat"),
        code("technique", "how the wire is fed", "dab", "lay_wire", "walk_cup", "fuse", default="dab"),
        number("tube_od_mm", "outer diameter of a tube", "mm", null=True),
        number("thickness_mm", "thickness", "mm"),
        number("length_mm", "length of the bead", "mm"),
        number("target_width_mm", "width that is asked for", "mm"),
        code("finish", "colour that is asked for", *FINISH, default="warm"),
        text("usual_faults", "what usually goes wrong", 300, default=""),
        whole("stainless_step", "step in the sequence that begins with stainless", null=True),
        whole("carbon_step", "step in the sequence that begins with mild steel", null=True),
        anything("more", "further fields of a setup card's coupon, by their key", default={}),
    )),
    "memberships": Record("Who takes part, as what.", (
        of("course", "course", "the course"),
        of("user", "people", "who"),
        code("role", "as what", "instructor", "assistant", "student"),
        moment("joined_at", "since when"),
    )),
    "assignments": Record("Coupons that were given.", (
        of("course", "course", "to whom"),
        of("design", "designs", "which coupon"),
        number("target_width_mm", "width that is asked for", "mm"),
        code("finish", "colour that is asked for", *FINISH, default="warm"),
        whole("good_in_a_row", "so many in a row must pass", default=3),
        text("scheme", "code of the marking scheme", 40, default="training"),
        number("pass_mark", "own pass mark, null for the scheme's", "of 100", null=True),
        day("due_on", "the day it is due"),
        of("created_by", "people", "who gave it"),
        moment("created_at", "when"),
    )),
    "attempts": Record("Welded coupons.", (
        of("course", "course", "the course"),
        of("assignment", "assignments", "at which coupon"),
        of("student", "people", "by whom"),
        whole("number", "1 for the first at this coupon"),
        code("state", "how far it is", *STATES),
        whole("version", "grows with every change"),
        anything("prepared", "steps of preparation that were ticked, a list of codes", default=[]),
        anything("by_hand", "findings that no photo shows, by their key", "SI", default={}),
        text("answer", "why another photo or another weld is asked for", 300, default=""),
        moment("created_at", "when it was opened"),
        moment("updated_at", "when it last changed"),
        code("shown_state", "how far it is to the student, who knows nothing of a mark before its return", *STATES, null=True),
        whole("shown_version", "version to the student", null=True),
        moment("shown_at", "last change to the student", null=True),
    )),
    "runs": Record("What was set, done and noticed for one run.", (
        of("attempt", "attempts", "of which attempt"),
        whole("number", "1 for the first run"),
        number("current_a", "welding current", "A", null=True),
        number("machine_a", "what the machine is set to", "A", null=True),
        text("polarity", "AC or DC and which way", 8, null=True),
        number("cup", "cup, sixteenths of an inch inside", null=True),
        text("gas_part", "gas lens or collet body", 16, null=True),
        number("gas_l_min", "flow of gas", "L/min", null=True),
        number("stickout_mm", "electrode beyond the cup", "mm", null=True),
        text("electrode_kind", "sort of electrode", 20, null=True),
        number("electrode_mm", "diameter of the electrode", "mm", null=True),
        text("filler_alloy", "alloy of the wire", 16, null=True),
        number("filler_mm", "diameter of the wire", "mm", null=True),
        number("preflow_s", "gas before the arc", "s", null=True),
        number("downslope_s", "current fading out", "s", null=True),
        number("postflow_s", "gas after the arc", "s", null=True),
        number("work_angle_deg", "torch across the seam", "degrees", null=True),
        number("travel_angle_deg", "torch along the seam, pushing is positive", "degrees", null=True),
        number("travel_mm_s", "speed of travel", "mm/s", null=True),
        text("technique", "how the wire was fed", 16, null=True),
        whole("pass_number", "which pass", null=True),
        whole("torch", "size of the torch", null=True),
        number("start_current_a", "current at the start", "A", null=True),
        number("peak_a", "peak of the pulse", "A", null=True),
        number("background_a", "background of the pulse", "A", null=True),
        number("on_share", "share of time at the peak", "of 1", null=True),
        number("per_second", "pulses", "1/s", null=True),
        number("purge_l_min", "flow of the purge", "L/min", null=True),
        number("purge_wait_s", "purge before the arc", "s", null=True),
        number("arc_s", "time under the arc", "s", null=True),
        whole("dabs", "dabs of wire", null=True),
        anything("restarts_mm", "where it was begun anew, along the bead", "mm", default=[]),
        text("electrode_after", "what the electrode looked like", 12, null=True),
        text("rod_end", "what the end of the wire looked like", 12, null=True),
        text("arc", "how the arc behaved", 12, null=True),
        yes("puff_at_start", "a puff at the start", null=True),
        yes("draught", "a draught", null=True),
        yes("part_hot", "the part was still hot", null=True),
        text("prop", "what the hand was propped on", 12, null=True),
        text("grip", "how the torch was held", 12, null=True),
        text("feed", "how the wire came to the puddle", 12, null=True),
        number("arc_diameters", "length of the arc", "diameters of the electrode", null=True),
        number("cooled_s", "wait since the run before", "s", null=True),
        yes("brushed", "brushed since the run before", null=True),
        yes("purge_vent", "the purge had a way out", null=True),
        whole("tacks", "how many tacks", null=True),
        number("tack_a", "current of the tacks", "A", null=True),
        text("backing", "what was behind the seam", 12, null=True),
        number("backing_mm", "its thickness", "mm", null=True),
        text("note", "in the student's words", default=""),
        anything("measured", "keys of figures that were read off a photo", default=[]),
        anything("machine", "what the machine's data log says (docs/devices.md); null where there is none", "SI", default=None),
    )),
    "pictures": Record("Bytes of photos, each once, known by their hash.", (
        text("sha256", "SHA-256 of the original's bytes", 64),
        text("media_type", "of the original", 20),
        whole("bytes", "of the original"),
        whole("width_px", "width, upright", "pixels"),
        whole("height_px", "height, upright", "pixels"),
        file("original", "the picture without what it tells of people and places"),
        file("shown", "a smaller copy, upright, without metadata"),
    ), numbered=False),
    "photos": Record("Photos of attempts.", (
        of("attempt", "attempts", "of which attempt"),
        _field("picture", "its picture, by its hash; null where it is not kept (a row of pictures)",
            {"type": "string", "pattern": "^[0-9a-f]{64}$"}, True, NEEDED),
        anything("gone_px", "width and height of a picture that is not kept", "pixels", default=None),
        code("kind", "what it shows", "bead", "run", "back", "setup", "torch", "trial", "lamp", default="bead"),
        whole("run", "of a run's or a trial's photo: which one it shows", null=True),
        anything("angles", "torch angles that were read on it, by the run's field", "degrees", default={}),
        text("name", "what the file was called", 200, default=""),
        of("sent_by", "people", "who sent it"),
        moment("sent_at", "when"),
        text("request_id", "under which its way is logged", 64, default=""),
    )),
    "measurements": Record("What was measured of a photo.", (
        of("photo", "photos", "of which photo"),
        code("state", "how far it is", "waiting", "measuring", "done", "failed"),
        text("engine_version", "of what measured it", 20, default=""),
        anything("report", "the figures (docs/measuring.md); null where there are none", default=None),
        anything("overlay", "lines to draw over the picture", "pixels of the original", default=None),
        anything("bead", "the bead's own frame, to cut strips from", default=None),
        anything("scale_points", "two points and their distance [x1, y1, x2, y2, mm] where the scale was set by hand", default=None),
        of("requested_by", "people", "who asked for it; null: it was measured when it came", null=True),
        text("refusal_code", "why it was not measured; nothing where it was", 20, default=""),
        file("strip", "the bead straightened"),
        moment("requested_at", "since when it waits"),
        moment("finished_at", "when it was done", null=True),
        of("chosen", "beads", "the bead that counts, of several; null: the one that was found first", null=True),
    )),
    "beads": Record("Each of several beads in a photo.", (
        of("measurement", "measurements", "of which measurement"),
        whole("number", "from one side of the plate to the other"),
        anything("report", "its figures"),
        anything("overlay", "lines to draw", "pixels of the original"),
        anything("bead", "its own frame"),
        file("strip", "the bead straightened"),
    )),
    "corrections": Record("Steps by hand over a result.", (
        of("measurement", "measurements", "of which measurement"),
        anything("step", "what was done, with its points", "mm along and across the bead"),
        anything("report", "the figures after it"),
        anything("overlay", "lines to draw after it", default=None),
        file("strip", "the bead straightened anew"),
        of("by", "people", "by whom"),
        moment("at", "when"),
        of("undone_by", "people", "who took it back", null=True),
        moment("undone_at", "when it was taken back", null=True),
    )),
    "events": Record("The log of each attempt; `measurement` and `photo` in its data are rows of those tables.", (
        of("attempt", "attempts", "of which attempt"),
        of("actor", "people", "who; null: the program", null=True),
        moment("at", "when"),
        code("kind", "what was done", *STEPS),
        anything("data", "from and to which state, and what else was done", default={}),
    )),
    "figures": Record("What counts of an attempt's photos.", (
        of("attempt", "attempts", "of which attempt"),
        of("measurement", "measurements", "read off which measurement"),
        text("engine_version", "of what measured it", 20, default=""),
        text("refusal_code", "why it was not measured; nothing where it was", 20, default=""),
        yes("corrected", "by hand", default=False),
        yes("has_strip", "there is a strip", default=False),
        text("strip_query", "which strip", 40, default=""),
        number("length_mm", "length of the bead", "mm", null=True),
        number("width_mean_mm", "its mean width", "mm", null=True),
        number("width_cv", "standard deviation of the width over its mean", null=True),
        number("pitch_cv", "standard deviation of the ripples' distance over its mean", null=True),
        whole("tint_level", "heat tint, 0 for none", null=True),
        text("tint_name", "its colour", 20, default=""),
        number("toe_waviness", "how far the toes stray, over the width", null=True),
        number("width_start_mm", "width a fifth along the bead", "mm", null=True),
        number("width_end_mm", "width near its end", "mm", null=True),
        whole("tint_zone", "heat tint of the zone beside it", null=True),
        number("zone_mm", "tinted width beside it, mean of both sides", "mm", null=True),
        number("grey_end_mm", "how much of its end is dull grey", "mm", null=True),
        anything("faults", "faults that were seen, each with kind and place", "mm along the bead", default=[]),
    )),
    "verdicts": Record("Causes confirmed or ruled out.", (
        of("attempt", "attempts", "of which attempt"),
        text("cause", "code of the cause", 30),
        yes("confirmed", "taken as what is to change; false: ruled out"),
        yes("beside", "confirmed as there beside what is to change", default=False),
        text("suggested", "code of the cause that stood first when this was said", 30, default=""),
        anything("change", "field to change, from and to", "SI", default={}),
        anything("symptoms", "how strong each symptom was", "of 1", default={}),
        text("done", "whether it was done in the next attempt", 8, default=""),
        text("gone", "whether the symptom has gone", 8, default=""),
        of("by", "people", "by whom"),
        moment("at", "when"),
    )),
    "marks": Record("Marks, as they stand.", (
        of("attempt", "attempts", "of which attempt"),
        of("measurement", "measurements", "what stood beside it; null: marked by eye", null=True),
        of("scheme", "schemes", "by which scheme"),
        anything("scores", SCORES),
        anything("not_applying", "criteria said not to apply", default=[]),
        anything("suggested", "what the figures suggested, by criterion", default={}),
        anything("readings", "every criterion's figure at that time", default={}),
        anything("knocked", "what knocks the coupon out", default=[]),
        anything("waived", "what of that was set aside", default=[]),
        anything("runs", "totals of runs that the next one covered, by their number", "of 100", default={}),
        number("total", "weighted sum", "of 100"),
        yes("passed", "whether it passed"),
        text("comment", "words to the student", default=""),
        text("next_change", "the one thing to change next", 300, default=""),
        of("marked_by", "people", "by whom"),
        moment("marked_at", "when"),
        moment("returned_at", "when the student got it; null: not yet", null=True),
    )),
    "second_marks": Record("Blind second marks.", (
        of("attempt", "attempts", "of which attempt"),
        of("asked_by", "people", "who asked for it; null: by lot", null=True),
        moment("asked_at", "when"),
        anything("first", "the first mark: scores, total, passed"),
        of("first_marker", "people", "who gave it"),
        anything("scores", SCORES, default={}),
        anything("not_applying", "criteria said not to apply", default=[]),
        number("total", "weighted sum", "of 100", null=True),
        yes("passed", "whether it passed", null=True),
        text("comment", "words of the second marker", default=""),
        of("marked_by", "people", "who marked second", null=True),
        moment("marked_at", "when", null=True),
        of("agreed_by", "people", "who put down what was agreed", null=True),
        moment("agreed_at", "when", null=True),
    )),
    "references": Record("Marks kept as a measure for markers.", (
        of("attempt", "attempts", "whose mark"),
        text("comment", "what it shows", 300),
        of("kept_by", "people", "by whom"),
        moment("kept_at", "since when"),
        moment("released_at", "until when", null=True),
    )),
    "self_tests": Record("Markers' own tests on references.", (
        of("course", "course", "the course"),
        of("user", "people", "whose"),
        anything("given", "scores, total and passed by the number of a reference", default={}),
        moment("started_at", "when it was begun"),
        moment("finished_at", "when it was done", null=True),
        several("references", "references", "on which beads"),
    )),
    "sessions": Record("When the course meets.", (
        of("course", "course", "the course"),
        day("date", "the day"),
        Field("start", "when it begins, by the course's clock", {"type": "string", "pattern": "^[0-2][0-9]:[0-5][0-9]"}, "HH:MM:SS"),
        whole("minutes", "how long", "min"),
    )),
    "booths": Record("Places to weld.", (
        of("course", "course", "the course"),
        text("name", "what stands on it", 40),
        anything("has", "what it has, a list of codes", default=[]),
        anything("machine", "what is known of its machine, by key; currents in A", default={}),
        text("broken", "what does not work there", 200, default=""),
        several("closed", "sessions", "when it is closed"),
    )),
    "booth_notes": Record("What did not work at a booth.", (
        of("booth", "booths", "where"),
        text("text", "in words", 200),
        moment("at", "since when"),
        of("by", "people", "who said so", null=True),
        moment("mended_at", "until when", null=True),
    )),
    "welded_at": Record("The booth of an attempt.", (
        of("attempt", "attempts", "of which attempt"),
        of("booth", "booths", "where"),
    )),
    "trials": Record("Beads on a practice plate that differ in one figure.", (
        of("attempt", "attempts", "before which attempt"),
        whole("number", "its number in the attempt"),
        text("varied", "key of the figure that was varied", 20),
        anything("values", "what was set for line 1, 2, …", "SI"),
        number("blank_length_mm", "along which the lines stand side by side", "mm"),
        number("blank_width_mm", "along the beads", "mm"),
        anything("welded", "numbers of the lines that were welded", default=[]),
        anything("counted", "number of the photo's bead by line, where a person said it", default=None),
        moment("made_at", "when it was planned"),
    )),
    "start_values": Record("Settings that a coupon is started with, found in trials.", (
        of("assignment", "assignments", "at which coupon"),
        text("key", "of the figure", 20),
        anything("value", "the setting", "SI"),
        of("student", "people", "whose own; null: a booth's or the class's", null=True),
        of("booth", "booths", "of which booth", null=True),
        of("trial", "trials", "where it was found", null=True),
        yes("foretold", "foretold, not found in a trial", default=False),
        of("by", "people", "who took it"),
        moment("at", "when"),
    )),
    "callipers": Record("Widths of beads by callipers.", (
        of("attempt", "attempts", "of which attempt"),
        number("s_mm", "where along the bead", "mm"),
        number("width_mm", "the width", "mm"),
        of("by", "people", "who took it"),
        moment("at", "when"),
    )),
    "attendance": Record("Who was away or there.", (
        of("session", "sessions", "when"),
        of("user", "people", "who"),
        yes("there", "there; false: said to be away"),
        moment("at", "when it was noted"),
    )),
    "slots": Record("Who stands where.", (
        of("session", "sessions", "when"),
        of("booth", "booths", "where"),
        of("assignment", "assignments", "with which coupon"),
        of("student", "people", "who"),
        whole("start", "after the session's beginning", "min"),
        whole("minutes", "how long", "min"),
        yes("kept", "placed by hand", default=False),
    )),
    "stock_items": Record("Sorts of stock.", (
        of("course", "course", "whose"),
        code("kind", "what it is", "blank", "wire", "electrode", "cup", "gas", "sheet", "bar"),
        text("name", "what it is called", 60),
        text("supplier", "from whom", 60, default=""),
        number("price", "of one unit, in the school's money", null=True),
        whole("lead_days", "from order to delivery", "days", null=True),
        number("low_at", "so little is low", null=True),
        anything("spec", "sizes and alloy by the kind's fields", "SI", default={}),
    )),
    "stock_moves": Record("What came, went, was counted.", (
        of("item", "stock_items", "of what"),
        moment("at", "when"),
        code("kind", "how", "counted", "delivered", "thrown", "opened"),
        number("amount", "in the unit of its kind"),
        text("note", "in words", 200, default=""),
        of("by", "people", "by whom", null=True),
    )),
    "stock_uses": Record("What attempts took.", (
        of("attempt", "attempts", "which attempt"),
        of("course", "course", "the course"),
        moment("at", "when"),
        number("gas_l", "gas", "L at 1 bar", default=0.0),
        number("wire_m", "wire", "m", default=0.0),
        text("wire_alloy", "its alloy", 16, default=""),
        number("wire_mm", "its diameter", "mm", null=True),
        whole("blanks", "blanks", default=0),
    )),
    "bottles": Record("Bottles of gas.", (
        of("course", "course", "whose"),
        of("item", "stock_items", "of which gas", null=True),
        text("name", "what stands on it", 40),
        number("size_l", "water volume", "L"),
        text("gauge", "the wired gauge on it", 40, default=""),
        moment("opened_at", "since when"),
        moment("closed_at", "until when", null=True),
    )),
    "gauge_readings": Record("Looks at their gauges.", (
        of("bottle", "bottles", "of which bottle"),
        moment("at", "when"),
        number("bar", "pressure", "bar"),
        number("temperature_c", "temperature", "°C", null=True),
        number("off_bar", "standard uncertainty", "bar", default=5.0),
        code("how", "how it was read", "typed", "photo", "wired", default="typed"),
        of("by", "people", "by whom", null=True),
    )),
}  # fmt: skip
"""By table, each after those it points to."""
