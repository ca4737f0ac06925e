import io

import numpy as np
import pytest
from PIL import Image

from judicum.core.errors import UnreadablePicture
from judicum.core.photo.decode import decode, encode_jpeg, sniff_format


def picture(mode: str = "RGB", size: tuple[int, int] = (60, 40)) -> Image.Image:
    rows = np.zeros((size[1], size[0], 3), np.uint8)
    rows[:, : size[0] // 2] = (200, 40, 20)
    return Image.fromarray(rows).convert(mode)


def file_of(image: Image.Image, kind: str, **options: object) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **options)
    return out.getvalue()


@pytest.mark.parametrize(("kind", "media_type"), [("JPEG", "image/jpeg"), ("PNG", "image/png"), ("HEIF", "image/heic")])
def test_a_picture_is_known_by_its_content(kind: str, media_type: str) -> None:
    data = file_of(picture(), kind)
    assert sniff_format(data) == media_type
    blue, green, red = decode(data)[20, 10].astype(int)
    assert abs(red - 200) < 25
    assert abs(green - 40) < 25
    assert abs(blue - 20) < 25


@pytest.mark.parametrize("kind", ["JPEG", "PNG"])
def test_exif_orientation_is_applied(kind: str) -> None:
    exif = Image.Exif()
    exif[274] = 6  # turned a quarter: the left half comes to lie on top
    upright = decode(file_of(picture(), kind, exif=exif))
    assert upright.shape[:2] == (60, 40)
    assert upright[10, 20, 2] > 150
    assert upright[50, 20, 2] < 60


@pytest.mark.parametrize("mode", ["L", "CMYK", "RGBA", "P", "1", "I;16"])
def test_other_colour_modes_become_three_channels(mode: str) -> None:
    image = picture("L" if mode == "I;16" else mode)
    if mode == "I;16":
        image = Image.fromarray(np.asarray(image, np.uint16) * 256)
    kind = "JPEG" if mode == "CMYK" else "PNG"
    assert decode(file_of(image, kind)).shape == (40, 60, 3)


@pytest.mark.parametrize("data", [b"", b"not a picture", b"\xff\xd8\xff\xe0 half a header", b"GIF89a" + b"\0" * 40])
def test_what_is_no_picture_is_refused(data: bytes) -> None:
    with pytest.raises(UnreadablePicture):
        decode(data)


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "HEIF"])
def test_a_file_cut_short_is_refused(kind: str) -> None:
    noise = Image.fromarray(np.random.default_rng(1).integers(0, 255, (200, 300, 3), dtype=np.uint8))
    data = file_of(noise, kind)
    with pytest.raises(UnreadablePicture):
        decode(data[: len(data) // 2])


def test_a_bomb_is_refused_by_its_header_alone() -> None:
    data = file_of(Image.new("1", (30000, 30000)), "PNG")
    with pytest.raises(UnreadablePicture, match="60 million"):
        decode(data)


def test_what_is_served_carries_no_metadata() -> None:
    exif = Image.Exif()
    exif[271] = "a maker"
    served = encode_jpeg(decode(file_of(picture(), "JPEG", exif=exif)))
    with Image.open(io.BytesIO(served)) as image:
        assert not image.getexif()
