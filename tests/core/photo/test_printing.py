import io
import re

import pytest
from pypdf import PdfReader

from judicum.core.errors import InvalidValue
from judicum.core.photo.printing import card_pdf

MM = 72 / 25.4


@pytest.mark.parametrize("kind", ["window", "strip"])
@pytest.mark.parametrize(("paper", "size"), [("a4", (210, 297)), ("letter", (215.9, 279.4))])
def test_a_card_is_true_to_scale_on_both_papers(kind: str, paper: str, size: tuple[float, float]) -> None:
    page = PdfReader(io.BytesIO(card_pdf(kind, paper))).pages[0]
    assert float(page.mediabox.width) == pytest.approx(size[0] * MM, abs=0.5)
    assert float(page.mediabox.height) == pytest.approx(size[1] * MM, abs=0.5)
    content = page.get_contents()
    assert content is not None
    drawn = content.get_data().decode()
    boxes = [tuple(float(v) / MM for v in m) for m in re.findall(r"([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+) re", drawn)]
    width, height, markers, side = (170, 110, 6, 18) if kind == "window" else (100, 22, 2, 16)
    assert any(b[2] == pytest.approx(width, abs=0.01) and b[3] == pytest.approx(height, abs=0.01) for b in boxes)
    assert sum(b[2] == pytest.approx(side, abs=0.01) for b in boxes) == markers
    lines = re.findall(r"([\d.]+) ([\d.]+) m ([\d.]+) ([\d.]+) l", drawn)
    assert any((float(c) - float(a)) / MM == pytest.approx(100, abs=0.01) and b == d for a, b, c, d in lines)
    assert " Do" not in drawn  # vectors only, no picture
    assert "100 mm" in page.extract_text()


def test_an_unknown_card_or_paper_is_refused() -> None:
    with pytest.raises(InvalidValue, match="window, strip, long_strip, target"):
        card_pdf("round")
    with pytest.raises(InvalidValue, match="a4-or-letter"):
        card_pdf("strip", "a5")
