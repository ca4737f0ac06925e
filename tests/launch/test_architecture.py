"""The page on the architecture."""

from judicum.launch.architecture import PAGE, page


def test_the_page_shows_the_code_as_it_stands() -> None:
    assert PAGE.read_text() == page(), "./judicum openapi"


def test_no_arrow_goes_up() -> None:
    lines = page().splitlines()
    floors = [line.split("[")[0].strip() for line in lines if line.startswith("  ") and "[" in line]
    arrows = [line.split(" --> ") for line in lines if " --> " in line]
    assert len(arrows) > len(floors)
    assert all(floors.index(above.strip()) < floors.index(below) for above, below in arrows)
