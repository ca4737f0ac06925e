"""Counts the frames that headless Chromium draws while the red line moves along a bead's strip and tracks.

    PYTHONPATH=docs/screenshots var/venv/bin/python docs/examples/cursor.py http://127.0.0.1:8000

Needs a running demo; prints frames a second and the longest time between two.
"""

import sys
from itertools import pairwise

from take import LAPTOP, chromium, open_last_attempt, signed_in

COUNT_FRAMES = """() => {
  window.frames_at = [];
  const tick = (t) => { window.frames_at.push(t); requestAnimationFrame(tick); };
  requestAnimationFrame(tick);
}"""
SWEEPS, STEPS = 6, 120


def main(base: str) -> None:
    """Move the pointer to and fro over the strip and count."""
    with chromium() as browser:
        page = signed_in(browser, base, "ines", LAPTOP)
        open_last_attempt(page, "Dara Quill")
        line = page.get_by_role("slider", name="Place along the bead")
        line.focus()
        page.wait_for_load_state("networkidle")
        box = page.get_by_role("img", name="Bead straightened").bounding_box()
        assert box is not None
        left, right, y = box["x"] + 5, box["x"] + box["width"] - 5, box["y"] + box["height"] / 2
        page.mouse.move(left, y)
        page.evaluate(COUNT_FRAMES)
        seen = set()
        for k in range(SWEEPS):
            page.mouse.move(right if k % 2 == 0 else left, y, steps=STEPS)
            seen.add(line.get_attribute("aria-valuenow"))
        at = page.evaluate("window.frames_at")
        gaps = [b - a for a, b in pairwise(at)]
        seconds = (at[-1] - at[0]) / 1000
        stood = ", ".join(sorted(str(place) for place in seen))
        rate = len(gaps) / seconds
        sys.stdout.write(
            f"{rate:.0f} frames a second over {seconds:.1f} s, longest time between two {max(gaps):.0f} ms; the line stood at {stood}\n"
        )


if __name__ == "__main__":
    main(sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8000")
