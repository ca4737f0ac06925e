import io
import struct

import cv2
import numpy as np
import pytest
from PIL import Image, ImageCms

from judicum.core.errors import UnreadablePicture
from judicum.core.photo.decode import decode, encode_jpeg
from judicum.core.photo.picture_file import sniff_format


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
    with pytest.raises(UnreadablePicture, match="millions=60"):
        decode(data)


def test_what_is_served_carries_no_metadata() -> None:
    exif = Image.Exif()
    exif[271] = "a maker"
    served = encode_jpeg(decode(file_of(picture(), "JPEG", exif=exif)))
    with Image.open(io.BytesIO(served)) as image:
        assert not image.getexif()


def test_of_several_pictures_in_one_file_the_first_counts() -> None:
    pair = [picture(), picture("L").convert("RGB")]
    for kind in ("MPO", "PNG"):
        data = file_of(pair[0], kind, save_all=True, append_images=pair[1:])
        assert sniff_format(data) in ("image/jpeg", "image/png")
        assert abs(int(decode(data)[20, 10, 2]) - 200) < 25


@pytest.mark.parametrize("kind", ["GIF", "WEBP", "TIFF", "BMP"])
def test_other_kinds_of_picture_are_refused_in_words(kind: str) -> None:
    with pytest.raises(UnreadablePicture, match="no-jpeg-png"):
        decode(file_of(picture(), kind))


def wide_profile() -> bytes:
    """A colour profile with the wide primaries that many phones use (SMPTE RP 431, adapted to D50) and the sRGB curve."""
    data = bytearray(ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes())
    primaries = {
        b"rXYZ": (0.51512, 0.24120, -0.00105),
        b"gXYZ": (0.29198, 0.69225, 0.04189),
        b"bXYZ": (0.15710, 0.06657, 0.78407),
    }
    for k in range(struct.unpack(">I", data[128:132])[0]):
        name, at, _ = struct.unpack(">4sII", data[132 + 12 * k : 144 + 12 * k])
        if name in primaries:
            data[at + 8 : at + 20] = struct.pack(">3i", *(round(v * 65536) for v in primaries[name]))
    return bytes(data).replace("sRGB built-in".encode("utf-16-be"), "wide built-in".encode("utf-16-be"))


def test_colours_are_brought_into_srgb_from_another_profile() -> None:
    wide = ImageCms.ImageCmsProfile(io.BytesIO(wide_profile()))
    shown = ImageCms.profileToProfile(picture(), ImageCms.createProfile("sRGB"), wide)
    assert shown is not None
    data = file_of(shown, "JPEG", quality=95, icc_profile=wide_profile())
    assert np.abs(decode(data)[20, 10].astype(int) - (20, 40, 200)).max() < 8
    plain = file_of(shown, "JPEG", quality=95)
    assert np.abs(decode(plain)[20, 10].astype(int) - (20, 40, 200)).max() > 12


def test_a_profile_that_is_none_changes_nothing() -> None:
    data = file_of(picture(), "JPEG", icc_profile=b"not a profile at all" * 20)
    assert abs(int(decode(data)[20, 10, 2]) - 200) < 25


def test_an_orientation_that_is_none_leaves_the_picture_as_it_is() -> None:
    exif = Image.Exif()
    exif[0x0112] = 99
    for kind in ("JPEG", "PNG"):
        assert decode(file_of(picture(), kind, exif=exif)).shape == (40, 60, 3)
    broken = file_of(picture(), "JPEG", exif=b"Exif\0\0MM\0*\xff\xff\xff\xff")
    assert decode(broken).shape == (40, 60, 3)


def test_a_sixteen_bit_picture_keeps_its_colours() -> None:
    deep = (np.asarray(picture())[..., ::-1].astype(np.uint16) << 8) + 128
    done, data = cv2.imencode(".png", deep)
    assert done
    assert np.abs(decode(data.tobytes())[20, 10].astype(int) - (20, 40, 200)).max() < 3


def test_a_file_disguised_as_another_is_taken_for_what_it_is() -> None:
    assert sniff_format(file_of(picture(), "PNG")) == "image/png"
    with pytest.raises(UnreadablePicture):
        decode(b"\xff\xd8\xff\xe0" + file_of(picture(), "GIF"))
