"""Coupons of the course's own, and the library's beside them; and what was given of them."""

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from django.contrib.postgres.aggregates import ArrayAgg

from judicum.core.choices import CHOICES
from judicum.core.errors import InvalidValue, said
from judicum.core.fields import Text
from judicum.core.quantities import QUANTITIES
from judicum.core.sheets import Column, Day
from judicum.server.catalogue.coupons.actions.save_design import Words, save_design
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.coupons.queries import of_course
from judicum.server.exchange.sheets.base import Done, Sheet
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.models import Course
from judicum.server.record.attempts.actions.assign_coupon import assign_coupon
from judicum.words.catalogue import t
from judicum.words.units import date_words

Q = QUANTITIES
C = CHOICES
CODE = Text("coupon", 40)
COUPON_KEYS = ("metal", "joint", "thickness_mm", "position", "technique", "tube_od_mm", "target_width_mm", "finish")
COUPONS = (
    Column(CODE),
    Column(Text("title", 80), needed=True),
    Column(Text("purpose", 300)),
    Column(C["metal"], needed=True), Column(C["joint"], needed=True), Column(Q["thickness_mm"], needed=True),
    Column(Q["length_mm"]), Column(Q["target_width_mm"]), Column(C["position"]), Column(C["technique"]),
    Column(Q["tube_od_mm"]), Column(C["finish"]),
    Column(Text("usual_faults", 300)),
)  # fmt: skip
WORDS = ("title", "purpose", "usual_faults", "length_mm")


def newest(course: Course, code: str) -> Design | None:
    """The newest version of a coupon that the course can give."""
    return of_course(course.pk).filter(code=code).order_by("-version").first()


def coupon_rows(course: Course) -> Iterator[Sequence[Any]]:
    for design in of_course(course.pk).order_by("code", "-version").distinct("code"):
        yield [design.code, *(getattr(design, column.key) for column in COUPONS[1:])]


def put_coupon(user: User, course: Course, values: Mapping[str, Any]) -> Done:
    """A new coupon of the course's own, or its next version; one of the library that differs becomes the course's own.

    Raises:
        InvalidValue: a code that no coupon has, a field outside what is allowed.
    """
    code = values.get("coupon")
    base = newest(course, code) if code else None
    if code and base is None:
        raise InvalidValue("coupon", code, said("allowed-nothing-for-a-new-coupon-or"))
    given = {key: value for key, value in values.items() if value is not None and key != "coupon"}
    if base is not None and all(getattr(base, key) == value for key, value in given.items()):
        return Done("same", base.title)
    kept = {} if base is None else {key: getattr(base, key) for key in (*COUPON_KEYS, *WORDS)} | base.more
    whole = {key: value for key, value in {**kept, **given}.items() if value is not None}
    texts = {key: whole.pop(key) for key in WORDS if key in whole}
    made = save_design(user, course.pk, whole, Words(**{"purpose": "", **texts}), base.pk if base else None)
    own = base is not None and base.course_id is not None
    return Done("changed" if own else "made", t("done-coupon", title=made.title, version=made.version, code=made.code))


DUE = Day("due")
STUDENTS = Text("students", 4000)
GIVEN = (
    Column(CODE, needed=True),
    Column(DUE, needed=True),
    Column(Q["target_width_mm"]), Column(C["finish"]), Column(Q["good_in_a_row"]),
    Column(Text("scheme", 40)),
    Column(Q["pass_mark"]),
    Column(STUDENTS),
)  # fmt: skip
FIGURES = ("target_width_mm", "finish", "good_in_a_row", "scheme", "pass_mark")


def given_rows(course: Course) -> Iterator[Sequence[Any]]:
    names = ArrayAgg("attempts__student__username", distinct=True, order_by="attempts__student__username")
    rows = Assignment.objects.filter(course=course).select_related("design").annotate(names=names)
    for one in rows.order_by("created_at", "id"):
        people = " ".join(filter(None, one.names))
        yield [one.design.code, one.due_on.isoformat(), *(getattr(one, key) for key in FIGURES), people]


def put_given(user: User, course: Course, values: Mapping[str, Any]) -> Done:
    """A coupon given; one that is given already, to the same day, stays as it is.

    Raises:
        InvalidValue: no such coupon or student; figures other than those that were given. InvalidValues: outside limits.
    """
    design = newest(course, values["coupon"])
    if design is None:
        raise InvalidValue("coupon", values["coupon"], said("allowed-the-code-of-a-coupon-of"))
    given = {key: values[key] for key in FIGURES if values.get(key) is not None}
    there = Assignment.objects.filter(course=course, design__code=design.code, due_on=values["due"]).first()
    what = t("done-assigned", title=design.title, date=date_words(values["due"]))
    if there is not None:
        for key, value in given.items():
            if getattr(there, key) != value:
                raise InvalidValue(key, value, said("allowed-it-is-given-and-stays-as", there=getattr(there, key)))
        return Done("same", what)
    ids = None
    if values.get("students"):
        names = values["students"].split()
        known = dict(course.memberships.filter(user__username__in=names).values_list("user__username", "user_id"))
        unknown = [name for name in names if name not in known]
        if unknown:
            raise InvalidValue("students", " ".join(unknown), said("allowed-names-to-sign-in-with-of"))
        ids = list(known.values())
    usual = {"target_width_mm": design.target_width_mm, "finish": design.finish, "good_in_a_row": 3}
    assign_coupon(user, course.pk, design_id=design.pk, due_on=values["due"], student_ids=ids, **(usual | given))
    return Done("made", what)


COUPON_SHEET = Sheet("coupons", lambda course: COUPONS, coupon_rows, put_coupon)
GIVEN_SHEET = Sheet("assignments", lambda course: GIVEN, given_rows, put_given)
