"""Where the strip of a measured bead is."""

from judicum.core.photo.strip_frame import HALF_HEIGHT_MM, OVERHANG_MM
from judicum.server.answers.photos import Strip


def strip_of(measurement_id: int, query: str, length_mm: float) -> Strip:
    """The strip of a measured bead: its address, and the stretch of the bead that it shows."""
    return Strip(
        url=f"/api/measurements/{measurement_id}/strip" + (f"?{query}" if query else ""),
        from_mm=-OVERHANG_MM,
        to_mm=length_mm + OVERHANG_MM,
        half_height_mm=HALF_HEIGHT_MM,
    )
