from judicum.core.choices import CHOICES
from judicum.core.setup import plan_card
from judicum.server.catalogue.coupons.library import library, load_library
from judicum.server.catalogue.coupons.models import Assignment, Design
from judicum.server.catalogue.coupons.queries import newest_designs
from judicum.server.catalogue.coupons.setup import coupon_of
from tests.people import Course


def test_the_library_covers_every_joint_position_and_technique() -> None:
    designs = library()
    assert len(designs) >= 24
    assert {d["joint"] for d in designs} == set(CHOICES["joint"].codes)
    assert {d.get("position", "flat") for d in designs} == set(CHOICES["position"].codes)
    assert {d.get("technique", "dab") for d in designs} == set(CHOICES["technique"].codes)
    assert all(d["purpose"] and d["usual_faults"] for d in designs)
    assert len({d["code"] for d in designs}) == len(designs)


def test_both_ladders_are_climbed_without_a_gap() -> None:
    for sequence in ("stainless_step", "carbon_step"):
        steps = sorted(d[sequence] for d in library() if d[sequence] is not None)
        assert steps == list(range(1, len(steps) + 1))
        assert len(steps) >= 24
    first = {d["code"]: d for d in library()}
    assert first["plate-bead-15"]["stainless_step"] == 1
    assert first["carbon-bead-20"]["carbon_step"] == 1


def test_every_design_has_a_card_that_stops_nobody(course: Course) -> None:
    for design in Design.objects.all():
        for finish in CHOICES["finish"].codes:
            assignment = Assignment(
                course=course.row, design=design, target_width_mm=design.target_width_mm, finish=finish
            )
            card = plan_card(coupon_of(assignment))
            assert [w for w in card.warnings if w.severity == "stop"] == [], design.code


def test_loading_again_changes_nothing_that_is_welded(course: Course) -> None:
    before = Design.objects.count()
    Design.objects.filter(code="butt-15").update(target_width_mm=9.9, usual_faults="other words")
    load_library()
    assert Design.objects.count() == before == newest_designs(course.row.pk).count()
    kept = Design.objects.get(code="butt-15")
    assert kept.target_width_mm == 9.9
    assert kept.usual_faults != "other words"
