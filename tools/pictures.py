"""Pictures as small palette PNGs; a file whose picture has not changed is left alone."""

import io
from pathlib import Path

from PIL import Image, ImageChops

MOST_BYTES = 80_000
# So many points of a picture may differ, each by less than this of 255.
MOST_SHADED, DARKEST_SHADE = 20, 48
# Numbers of colours that are tried, until the picture is small enough.
COLOURS = (256, 128, 64, 32, 16)


def stacked(pictures: list[bytes], paper: str = "#f9f6ef") -> bytes:
    """Pictures under each other, as one."""
    images = [Image.open(io.BytesIO(one)).convert("RGB") for one in pictures]
    whole = Image.new("RGB", (max(one.width for one in images), sum(one.height for one in images)), paper)
    top = 0
    for one in images:
        whole.paste(one, (0, top))
        top += one.height
    file = io.BytesIO()
    whole.save(file, "PNG")
    return file.getvalue()


def keep(picture: bytes, target: Path) -> bool:
    """Write a picture with as many colours as its size allows; whether the file changed.

    Raises `ValueError` where no number of colours makes it small enough.
    """
    image = Image.open(io.BytesIO(picture)).convert("RGB")
    for colours in COLOURS:
        reduced = image.quantize(colours, method=Image.Quantize.MEDIANCUT, dither=Image.Dither.NONE)
        file = io.BytesIO()
        reduced.save(file, "PNG", optimize=True)
        if len(file.getvalue()) <= MOST_BYTES:
            break
    else:
        raise ValueError(f"{target.name} is over {MOST_BYTES} bytes with {COLOURS[-1]} colours: show less in it")
    if target.exists() and same(Image.open(target).convert("RGB"), reduced.convert("RGB")):
        return False
    target.write_bytes(file.getvalue())
    return True


def same(one: Image.Image, other: Image.Image) -> bool:
    """Whether two pictures show the same: an edge may be drawn a shade lighter, a letter may not change."""
    if one.size != other.size:
        return False
    shades = ImageChops.difference(one, other).convert("L").histogram()
    return sum(shades[1:]) <= MOST_SHADED and not any(shades[DARKEST_SHADE:])
