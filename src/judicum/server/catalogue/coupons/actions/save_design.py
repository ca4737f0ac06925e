"""Saving a coupon of the course's own from the builder."""

from collections.abc import Mapping
from dataclasses import dataclass

from django.db import transaction
from django.db.models import Max
from django.utils.text import slugify

from judicum.core.errors import InvalidValue, said
from judicum.core.fields import Fields
from judicum.core.quantities import QUANTITIES
from judicum.core.setup import plan_card, read_coupon
from judicum.server.catalogue.coupons.models import Design
from judicum.server.catalogue.coupons.queries import of_course
from judicum.server.people.accounts.models import User
from judicum.server.people.courses.queries import staff_of

OWN_COLUMNS = ("metal", "joint", "thickness_mm", "position", "technique", "tube_od_mm", "target_width_mm", "finish")
NOT_KEPT = ("gauge", "gauge_table", "form", "pedal_school", "start_school")
"""Gauge is kept as millimetres; form follows the joint; the schools are the course's."""
LENGTH = Fields("a coupon", (QUANTITIES["length_mm"],))


@dataclass(frozen=True)
class Words:
    """What a design is called and what is said of it."""

    title: str
    purpose: str
    usual_faults: str = ""
    length_mm: float = 90.0


@transaction.atomic
def save_design(
    user: User, course_id: int, coupon: Mapping[str, object], words: Words, base_id: int | None = None
) -> Design:
    """Save a coupon as a new design, or as the next version of one of the course's own.

    Args:
        coupon: the setup card's input (docs/setup-card.md).
        base_id: the design it was made from; a version of the course's own gets the next number,
            the library's stays as it is and the course gets a copy.

    Raises:
        NotFound, NotAllowed: not a course one teaches. InvalidValue: a field that is not allowed.
    """
    course = staff_of(user, course_id).course
    read = read_coupon(coupon)
    card = plan_card(coupon)
    title = words.title.strip()
    if not title:
        raise InvalidValue("title", words.title, said("allowed-a-name-of-1-to-80"))
    LENGTH.check({"length_mm": words.length_mm})
    base = of_course(course_id).filter(pk=base_id).first() if base_id is not None else None
    if base_id is not None and base is None:
        raise InvalidValue("base", base_id, said("allowed-a-design-of-this-course-or"))
    own = base is not None and base.course_id is not None
    code = base.code if base and own else _free_code(course.pk, title)
    version = (Design.objects.filter(code=code).aggregate(last=Max("version"))["last"] or 0) + 1
    return Design.objects.create(
        course=course,
        code=code,
        version=version,
        title=title,
        purpose=words.purpose.strip() or title,
        usual_faults=words.usual_faults.strip(),
        length_mm=words.length_mm,
        joint=read.joint,
        metal=read.metal_name,
        position=read.position,
        technique=read.technique,
        tube_od_mm=read.tube_od_mm,
        thickness_mm=round(read.thickness_mm, 3),
        target_width_mm=read.target_width_mm or card.bead.width_mm.aim,
        finish=read.finish,
        more={k: v for k, v in coupon.items() if v is not None and k not in (*OWN_COLUMNS, *NOT_KEPT)},
    )


def _free_code(course_id: int, title: str) -> str:
    stem = f"c{course_id}-{slugify(title)[:24] or 'coupon'}"
    taken = set(Design.objects.filter(code__startswith=stem).values_list("code", flat=True))
    return next(code for k in range(len(taken) + 1) if (code := stem if k == 0 else f"{stem}-{k + 1}") not in taken)
