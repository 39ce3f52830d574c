"""Photographs and scans, in: one grey picture a page, upright as it was taken. Place, device and
whatever else a file says of itself are not looked at."""

import warnings
from collections.abc import Iterator
from io import BytesIO

import numpy as np
import numpy.typing as npt
from PIL import Image, ImageOps, UnidentifiedImageError

from firstloop.core.errors import FirstLoopError

Grey = npt.NDArray[np.uint8]

LARGEST_BYTES, MOST_POINTS, MOST_PAGES = 60_000_000, 60_000_000, 100
"""Of a file, of a picture, and pages of a file: a phone's largest photograph has 50 million points;
a class's scan sixty pages."""

SCANNED_AT = 300 / 72
"""Of a page of PDF: 300 dots an inch, as scanners make them."""

KINDS = ("JPEG", "PNG", "TIFF")

HEIF_BRANDS = (b"heic", b"heix", b"hevc", b"mif1", b"msf1")
"""By which a phone's own kind of file begins (ISO 23008-12), after four bytes and `ftyp`."""

LARGEST_KEPT = 2400
"""[px] The longer side of a photograph that is kept as it was taken: a notebook's page fills it, at
ten points to the millimetre."""

JPEG_QUALITY = 72
"""Of a page that is kept to be looked at: a pencil's line stays clear."""


class PictureError(FirstLoopError):
    """A file that holds no picture for us; the text says what is wrong and what to do."""


def pages_in(content: bytes) -> Iterator[Grey]:
    """The pages of a file, one after another; raises PictureError, for a page that cannot be read
    when it is come to."""
    if len(content) > LARGEST_BYTES:
        raise PictureError(f"it is larger than {LARGEST_BYTES // 10**6} MB; send fewer pages")
    if content.startswith(b"%PDF"):
        yield from _of_pdf(content)
    elif content[4:8] == b"ftyp" and content[8:12] in HEIF_BRANDS:
        from pillow_heif import register_heif_opener  # noqa: PLC0415  # few phones send it

        register_heif_opener()
        yield from _of_picture(content, ("HEIF",))
    else:
        yield from _of_picture(content, KINDS)


def shrunk(picture: Grey) -> Grey:
    """The picture, no larger than one that is kept may be."""
    most = max(picture.shape)
    if most <= LARGEST_KEPT:
        return picture
    rows, columns = (round(side * LARGEST_KEPT / most) for side in picture.shape)
    return np.asarray(Image.fromarray(picture).resize((columns, rows), Image.Resampling.BOX))


def as_jpeg(picture: Grey) -> bytes:
    """A grey picture to be kept: nothing of where and by what it was taken is in it."""
    file = BytesIO()
    Image.fromarray(picture).save(file, "JPEG", quality=JPEG_QUALITY)
    return file.getvalue()


def _of_pdf(content: bytes) -> Iterator[Grey]:
    import pypdfium2  # noqa: PLC0415  # slow to load, and few send PDF

    try:
        document = pypdfium2.PdfDocument(content)
    except pypdfium2.PdfiumError as fault:
        raise PictureError(f"it is no PDF that can be read ({fault}); save it anew") from fault
    try:
        if len(document) > MOST_PAGES:
            raise PictureError(f"it has {len(document)} pages; send at most {MOST_PAGES} at once")
        for page in document:
            width, height = (side * SCANNED_AT for side in page.get_size())
            _require_points(width * height)
            yield np.ascontiguousarray(page.render(scale=SCANNED_AT, grayscale=True).to_numpy())
    except pypdfium2.PdfiumError as fault:
        raise PictureError(f"a page of it cannot be read ({fault}); save it anew") from fault
    finally:
        document.close()


def _of_picture(content: bytes, kinds: tuple[str, ...]) -> Iterator[Grey]:
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(BytesIO(content), formats=kinds) as opened:
                frames = getattr(opened, "n_frames", 1)
                if frames > MOST_PAGES:
                    raise PictureError(f"it has {frames} pages; send at most {MOST_PAGES} at once")
                for frame in range(frames):
                    opened.seek(frame)
                    opened.draft("L", None)  # of a JPEG its light alone is decoded
                    _require_points(opened.width * opened.height)
                    upright = ImageOps.exif_transpose(opened)
                    yield np.array(upright.convert("L"))
    except UnidentifiedImageError as fault:
        raise PictureError("it is no picture; send JPEG, HEIC, PNG, TIFF or PDF") from fault
    except (Image.DecompressionBombError, Image.DecompressionBombWarning) as fault:
        raise PictureError("it would be far too large a picture; take it with fewer points") from (
            fault
        )
    except (OSError, SyntaxError, ValueError, EOFError) as fault:
        raise PictureError(f"it is cut short or damaged ({fault}); take it again") from fault


def _require_points(count: float) -> None:
    if count > MOST_POINTS:
        raise PictureError(
            f"it has {count / 1e6:.0f} million points; take it with at most "
            f"{MOST_POINTS // 10**6} million"
        )
