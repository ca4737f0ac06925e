"""A picture file without what it tells of people and places: the pixels stay as they are, bit for bit, and so do the way up and the
colour profile, which measuring needs. Place, time, owner, camera and its serial number, thumbnails and further pictures go.

JPEG segments: ITU-T T.81, annex B; PNG chunks: ISO/IEC 15948; the item locations of HEIC: ISO/IEC 14496-12, 8.11.
"""

import struct
import zlib
from collections.abc import Iterator

from PIL import Image

from judicum.core.photo.picture_file import opened_picture, sniff_format

ORIENTATION = 0x0112
"""The EXIF tag of the way up."""
UPRIGHT = 1
_EOI = 0xD9
_SOS = 0xDA
_APP0 = 0xE0
_APP1 = 0xE1
_APP2 = 0xE2
_APP14 = 0xEE
_COM = 0xFE
"""JPEG markers: end of image, start of scan, application segments, comment."""
_BARE = {0x01, *range(0xD0, 0xD8)}
"""JPEG markers without a length: TEM, and the restarts inside a scan."""
_PNG_KEPT = (b"IHDR", b"PLTE", b"IDAT", b"IEND", b"tRNS", b"gAMA", b"cHRM", b"sRGB", b"iCCP", b"sBIT", b"bKGD", b"pHYs")
_EMPTY_TIFF = b"II*\x00\x08\x00\x00\x00" + bytes(6)
"""An EXIF block of no tags."""


def without_private(data: bytes) -> bytes:
    """The file without what it tells of people and places. A file that is clean already comes back as it is.

    Raises:
        UnreadablePicture: no picture.
    """
    kind = sniff_format(data)
    if kind == "image/heic":
        return _heic(data)
    with opened_picture(data) as image:
        way_up = _way_up(image)
    return _jpeg(data, way_up) if kind == "image/jpeg" else _png(data, way_up)


def _way_up(image: Image.Image) -> bytes | None:
    """EXIF that holds the way up alone; None where the picture is upright or does not say."""
    try:
        turned = image.getexif().get(ORIENTATION, UPRIGHT)
    except (OSError, ValueError, SyntaxError, struct.error):
        return None
    if turned == UPRIGHT or turned not in range(1, 9):
        return None
    exif = Image.Exif()
    exif[ORIENTATION] = turned
    return exif.tobytes()


def _jpeg(data: bytes, way_up: bytes | None) -> bytes:
    parts = [b"\xff\xd8"]
    if way_up:
        parts.append(struct.pack(">BBH", 0xFF, _APP1, len(way_up) + 2) + way_up)
    at = 2
    while (at := data.find(b"\xff", at)) >= 0 and at + 4 <= len(data):
        marker = data[at + 1]
        if marker == _EOI:
            break
        if marker in _BARE or marker in (0x00, 0xFF):
            at += 1 if marker == 0xFF else 2
            continue
        end = at + 2 + int.from_bytes(data[at + 2 : at + 4], "big")
        if _kept(marker, data[at + 4 : at + 16]):
            parts.append(data[at:end])
        at = end
        if marker == _SOS:
            at = _end_of_scan(data, at)
            parts.append(data[end:at])
    return b"".join([*parts, b"\xff\xd9"])


def _kept(marker: int, begins: bytes) -> bool:
    if marker == _APP2:
        return begins.startswith(b"ICC_PROFILE\x00")
    return marker in (_APP0, _APP14) or not (_APP0 <= marker <= 0xEF or marker == _COM)


def _end_of_scan(data: bytes, at: int) -> int:
    """Where the next marker stands behind a scan; inside one a byte FF is followed by 00, or is a restart."""
    while (at := data.find(b"\xff", at)) >= 0:
        follows = data[at + 1 : at + 2]
        if follows and follows != b"\x00" and follows[0] not in _BARE and follows != b"\xff":
            return at
        at += 1
    return len(data)


def _png(data: bytes, way_up: bytes | None) -> bytes:
    parts = [data[:8]]
    at = 8
    while at + 12 <= len(data):
        size, name = struct.unpack(">I4s", data[at : at + 8])
        if name in _PNG_KEPT:
            parts.append(data[at : at + 12 + size])
        if name == b"IHDR" and way_up:
            block = b"eXIf" + way_up.removeprefix(b"Exif\x00\x00")
            parts.append(struct.pack(">I", len(block) - 4) + block + struct.pack(">I", zlib.crc32(block)))
        at += 12 + size
        if name == b"IEND":
            break
    return b"".join(parts)


def _heic(data: bytes) -> bytes:
    """Metadata items written over where they lie: everything else keeps its place. The way up is a property of the image."""
    made = bytearray(data)
    for name, start, end in _boxes(data, 0, len(data)):
        if name == b"uuid":
            made[start:end] = bytes(end - start)
        if name == b"meta":
            for kind, begins, ends in _items(data, start, end):
                fill = bytes(4) + _EMPTY_TIFF if kind == b"Exif" else b""
                made[begins:ends] = fill[: ends - begins].ljust(ends - begins, b"\x00" if fill else b" ")
    return bytes(made)


def _boxes(data: bytes, start: int, end: int) -> Iterator[tuple[bytes, int, int]]:
    """Boxes one after another: name, where the body begins, where it ends."""
    while start + 8 <= end:
        size, name = struct.unpack(">I4s", data[start : start + 8])
        head = 8
        if size == 1:
            size, head = int.from_bytes(data[start + 8 : start + 16], "big"), 16
        stop = end if size == 0 else start + size
        if (size not in (0,) and size < head) or stop > end:
            return
        yield name, start + head, stop
        start = stop


def _items(data: bytes, start: int, end: int) -> Iterator[tuple[bytes, int, int]]:
    """Where the bytes of every metadata item lie in the file: its kind, begin and end."""
    inner = {name: (begins, ends) for name, begins, ends in _boxes(data, start + 4, end)}
    if b"iinf" not in inner or b"iloc" not in inner:
        return
    kinds = dict(_kinds(data, *inner[b"iinf"]))
    within = inner.get(b"idat", (0, 0))[0]
    for item, in_idat, begins, size in _places(data, *inner[b"iloc"]):
        if kinds.get(item) in (b"Exif", b"mime", b"uri "):
            begins += within if in_idat else 0
            yield kinds[item], begins, min(begins + size, len(data))


def _kinds(data: bytes, start: int, end: int) -> Iterator[tuple[int, bytes]]:
    for name, begins, _ in _boxes(data, start + (6 if data[start] == 0 else 8), end):
        if name == b"infe" and data[begins] >= 2:
            wide = 2 if data[begins] == 2 else 4
            item = int.from_bytes(data[begins + 4 : begins + 4 + wide], "big")
            yield item, data[begins + 6 + wide : begins + 10 + wide]


def _places(data: bytes, start: int, end: int) -> Iterator[tuple[int, bool, int, int]]:
    """Extents of `iloc`: the item's number, whether its offset counts from `idat`, the offset and the length."""
    version, at = data[start], start + 6
    offset_size, length_size = data[start + 4] >> 4, data[start + 4] & 15
    base_size, index_size = data[start + 5] >> 4, data[start + 5] & 15 if version else 0

    def number(size: int) -> int:
        nonlocal at
        at += size
        return int.from_bytes(data[at - size : at], "big")

    for _ in range(number(2 if version < 2 else 4)):
        item = number(2 if version < 2 else 4)
        method = number(2) & 15 if version else 0
        number(2)
        base = number(base_size)
        for _ in range(number(2)):
            if at >= end:
                return
            number(index_size)
            begins = base + number(offset_size)
            yield item, method == 1, begins, number(length_size)
