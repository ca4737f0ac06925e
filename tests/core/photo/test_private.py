"""What a photo tells of people and places goes when it is kept; pixels, way up and colours stay."""

import io
from collections.abc import Callable
from contextlib import suppress

import numpy as np
import pytest
from PIL import Image, ImageCms, PngImagePlugin

from judicum.core.errors import UnreadablePicture
from judicum.core.photo.decode import decode
from judicum.core.photo.private import without_private

SECRETS = (
    b"Ilka Owner",
    b"SERIAL-4711",
    b"48;12;30",
    b"maker-note-secret",
    b"xmp-place",
    b"a comment of hers",
    b"thumbnail-secret",
)


def grain(height: int = 120, width: int = 200) -> Image.Image:
    return Image.fromarray(np.random.default_rng(1).integers(0, 255, (height, width, 3), np.uint8))


def telling(turned: int = 6) -> Image.Exif:
    """EXIF with a place, an owner, serial numbers and a maker's note."""
    exif = Image.Exif()
    exif[0x0112] = turned
    exif[0x013B] = "Ilka Owner"
    exif.get_ifd(0x8769).update({0xA431: "SERIAL-4711", 0x927C: b"maker-note-secret", 0xA430: "Ilka Owner"})
    exif.get_ifd(0x8825).update({1: "N", 2: (48.0, 12.0, 30.0), 29: "48;12;30"})
    return exif


def jpeg(**more: object) -> bytes:
    out = io.BytesIO()
    grain().save(out, "JPEG", exif=telling(), comment=b"a comment of hers", quality=92, xmp=b"<x>xmp-place</x>", **more)
    return out.getvalue()


def png() -> bytes:
    out, info = io.BytesIO(), PngImagePlugin.PngInfo()
    info.add_text("Author", "Ilka Owner")
    info.add_itxt("XML:com.adobe.xmp", "xmp-place")
    grain().save(out, "PNG", exif=telling(), pnginfo=info)
    return out.getvalue()


def heic() -> bytes:
    out = io.BytesIO()
    grain(128, 192).save(out, "HEIF", exif=telling(1), xmp=b"<x>xmp-place</x>", quality=90)
    return out.getvalue()


def several() -> bytes:
    """A photo with a second picture behind it, which has metadata of its own."""
    out = io.BytesIO()
    grain().save(out, "MPO", save_all=True, append_images=[grain(60, 80)], exif=telling())
    return out.getvalue() + b"thumbnail-secret"


@pytest.mark.parametrize("make", [jpeg, lambda: jpeg(progressive=True), png, heic, several], ids=["jpeg", "progressive", "png", "heic", "several"])  # fmt: skip
def test_nothing_private_stays_and_every_pixel_does(make: Callable[[], bytes]) -> None:
    data = make()
    assert any(secret in data for secret in SECRETS)
    clean = without_private(data)
    assert [secret for secret in SECRETS if secret in clean] == []
    assert np.array_equal(decode(clean), decode(data))
    with Image.open(io.BytesIO(clean)) as image:
        exif = image.getexif()
        assert not exif.get_ifd(0x8825)
        assert not exif.get_ifd(0x8769)
        assert set(exif) <= {0x0112}
    assert without_private(clean) == clean


def test_colours_are_told_as_before() -> None:
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("LAB")).tobytes()
    clean = without_private(jpeg(icc_profile=profile))
    with Image.open(io.BytesIO(clean)) as image:
        assert image.info["icc_profile"] == profile


@pytest.mark.parametrize("cut", [0.2, 0.5, 0.97])
@pytest.mark.parametrize("make", [jpeg, png, heic])
def test_a_file_cut_short_or_garbled_neither_hangs_nor_keeps_anything(make: Callable[[], bytes], cut: float) -> None:
    data = make()
    for odd in (data[: int(len(data) * cut)], data[: int(len(data) * cut)] + b"\xff\xd8\xff" * 50):
        with suppress(UnreadablePicture):
            assert b"Ilka Owner" not in without_private(odd)
