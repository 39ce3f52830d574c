"""InkML (W3C) in and out: one attempt a file, in the form the check contract fixes.

Reading turns the page's y round and scales to u, once; nothing further in asks which way is up.
"""

from dataclasses import dataclass
from xml.etree.ElementTree import Element, ParseError, SubElement, indent, tostring

import defusedxml.ElementTree as SafeElementTree
import numpy as np
from defusedxml import DefusedXmlException

from firstloop.core.errors import FirstLoopError
from firstloop.core.evidence.ink import (
    MAX_STROKES,
    MAX_TEXT_POINTS,
    MAX_TEXT_STROKES,
    Ink,
    Stroke,
    require_no_more,
)
from firstloop.core.evidence.task import Handedness, Kind
from firstloop.core.geometry.polyline import FloatArray
from firstloop.core.letters.ruling import Line, Ruling

NAMESPACE = "http://www.w3.org/2003/InkML"
MILLISECONDS = 1000.0

MAX_BYTES, MAX_ELEMENTS, MAX_ATTRIBUTES = 20_000_000, 10_000, 64_000
"""Of a file, its elements, and the characters of one element's attributes: beyond them it is no
ink, and is not read to its end."""


class InkmlError(FirstLoopError):
    """A file that is no ink for us; the text says what is wrong and where."""


@dataclass(frozen=True, slots=True, eq=False)
class InkFile:
    """What an ink file holds: the ink in u, its ruling, and what was asked for, where it says."""

    ink: Ink
    ruling: Ruling
    target: str | None = None
    kind: Kind | None = None
    hand: str | None = None
    handedness: Handedness | None = None
    may_stand_open: bool = False
    """Whether its joins are optional."""


def read(data: bytes) -> InkFile:
    """Reads one InkML document; raises InkmlError or InkError saying what is wrong and where."""
    root = _parse(data)
    target, kind = _annotation(root, "target"), _kind(_annotation(root, "kind"))
    if kind is None and target is not None:
        kind = Kind.of(target)
    lines = _ruling_lines(root)
    x_height = lines[Line.BASE] - lines[Line.MID]
    channels = _channels(root)
    tables = _tables(root, channels, a_letter=kind in (Kind.LETTER, None))
    left = min(float(table[:, channels.index("X")].min()) for table in tables)
    strokes = tuple(_stroke(table, channels, left, lines[Line.BASE], x_height) for table in tables)
    return InkFile(
        ink=Ink(strokes),
        ruling=Ruling.from_page(lines, x_height=x_height),
        target=target,
        kind=kind,
        hand=_annotation(root, "hand"),
        handedness=_handedness(_annotation(root, "handedness")),
        may_stand_open=_optional(_annotation(root, "joins")),
    )


def _tables(root: Element, channels: list[str], *, a_letter: bool) -> list[FloatArray]:
    """The samples of each trace; (n, channels). No more are read than there can be."""
    traces = list(root.iter(f"{{{NAMESPACE}}}trace"))
    if not traces:
        raise InkmlError("there is no <trace>; write one for each time the pen was down")
    count = sum((trace.text or "").count(",") + 1 for trace in traces)
    strokes = MAX_STROKES if a_letter else MAX_TEXT_STROKES
    require_no_more(len(traces), count, strokes, MAX_TEXT_POINTS)
    return [_samples(trace.text or "", at, channels) for at, trace in enumerate(traces)]


def _parse(data: bytes) -> Element:
    if not data.strip():
        raise InkmlError("the file is empty; it should hold an InkML document")
    if len(data) > MAX_BYTES:
        raise InkmlError(too_large())
    if data.count(b"<") > 2 * MAX_ELEMENTS:  # each is opened and closed; parsed, they fill memory
        raise InkmlError(f"the file has more than {MAX_ELEMENTS:,} elements; no ink has")
    try:
        root: Element = SafeElementTree.fromstring(data)
    except ParseError as fault:
        line, column = fault.position
        raise InkmlError(f"not XML: line {line}, column {column + 1}: {fault.msg}") from fault
    except DefusedXmlException as fault:
        raise InkmlError("the XML defines entities; write it without a DTD") from fault
    except (LookupError, ValueError) as fault:
        raise InkmlError("not XML: its encoding is not known; write UTF-8") from fault
    if root.tag != f"{{{NAMESPACE}}}ink":
        raise InkmlError(f'the root is <{root.tag:.80}>; it should be <ink xmlns="{NAMESPACE}">')
    for element in root.iter():
        if sum(map(len, element.attrib.values())) > MAX_ATTRIBUTES:
            raise InkmlError(f"the attributes of an element are longer than {MAX_ATTRIBUTES:,}")
    return root


def too_large() -> str:
    """What is said of a file that is not even read."""
    return f"the file is larger than {MAX_BYTES // 1_000_000} MB; no ink is"


def _annotation(root: Element, kind: str) -> str | None:
    for annotation in root.iter(f"{{{NAMESPACE}}}annotation"):
        if annotation.get("type") == kind:
            return (annotation.text or "").strip() or None
    return None


def _handedness(text: str | None) -> Handedness | None:
    if text is not None and text not in Handedness.__members__.values():
        raise InkmlError(f'handedness is "{text:.40}"; write left or right, or leave it out')
    return None if text is None else Handedness(text)


def _optional(text: str | None) -> bool:
    if text not in ("required", "optional", None):
        raise InkmlError(f'joins is "{text:.40}"; write required or optional, or leave it out')
    return text == "optional"


def _kind(text: str | None) -> Kind | None:
    if text is not None and text not in Kind.__members__.values():
        known = ", ".join(sorted(Kind))
        raise InkmlError(f'kind is "{text:.40}"; write one of {known}, or leave it out')
    return None if text is None else Kind(text)


def _ruling_lines(root: Element) -> dict[Line, float]:
    lines = {}
    for line in root.iter(f"{{{NAMESPACE}}}line"):
        name, y = line.get("name", ""), line.get("y", "")
        if name in Line.__members__.values():
            lines[Line(name)] = _number(y, f'ruling line "{name}": y')
    missing = [line.value for line in (Line.BASE, Line.MID) if line not in lines]
    if missing:
        named = " and ".join(missing)
        raise InkmlError(f"the ruling has no {named} line; size cannot be judged without it")
    if lines[Line.BASE] <= lines[Line.MID]:
        raise InkmlError(
            f"the base line (y {lines[Line.BASE]:g}) is not below the mid line "
            f"(y {lines[Line.MID]:g}); y grows downwards"
        )
    return lines


def _number(text: str, where: str) -> float:
    try:
        value = float(text)
    except ValueError:
        value = float("nan")
    if not np.isfinite(value):
        raise InkmlError(f'{where} is "{text:.40}"; write a number')
    return value


def _channels(root: Element) -> list[str]:
    names = [channel.get("name", "") for channel in root.iter(f"{{{NAMESPACE}}}channel")]
    if not names:
        return ["X", "Y"]
    if "X" not in names or "Y" not in names:
        named = " ".join(names)
        raise InkmlError(f"the trace format has channels {named:.80}; it needs X and Y")
    return names


def _samples(text: str, trace: int, channels: list[str]) -> FloatArray:
    """All samples of a trace; (n, channels). The quick way first, the careful one to explain."""
    rows = [row.split() for row in text.split(",")]
    if rows == [[]]:
        raise InkmlError(f"trace {trace} is empty; a pen-down has at least one sample")
    try:
        table = np.array(rows, dtype=np.float64)
    except ValueError:
        table = np.empty((0, 0))
    if table.shape != (len(rows), len(channels)) or not np.isfinite(table).all():
        raise _sample_error(rows, trace, channels)
    return table


def _sample_error(rows: list[list[str]], trace: int, channels: list[str]) -> InkmlError:
    for at, row in enumerate(rows):
        where = f"trace {trace}, sample {at}"
        if len(row) != len(channels):
            return InkmlError(
                f"{where} has {len(row)} numbers; the trace format names {len(channels)} channels"
            )
        for name, text in zip(channels, row, strict=True):
            try:
                _number(text, f"{where}: {name}")
            except InkmlError as fault:
                return fault
    raise AssertionError("a faulty trace without a faulty sample")


def _stroke(
    table: FloatArray, channels: list[str], left: float, base: float, x_height: float
) -> Stroke:
    def channel(name: str) -> FloatArray | None:
        return table[:, channels.index(name)] if name in channels else None

    x, y, t = table[:, channels.index("X")], table[:, channels.index("Y")], channel("T")
    with np.errstate(over="ignore"):  # what is too large is told by Stroke
        points = np.column_stack([(x - left) / x_height, (base - y) / x_height])
    return Stroke.of(points, None if t is None else t / MILLISECONDS, channel("F"))


def write(file: InkFile, *, x_height_mm: float = 8.0) -> bytes:
    """The attempt as an InkML document in mm, the top line at y 0."""
    root = Element("ink", {"xmlns": NAMESPACE})
    for kind in ("target", "kind", "hand", "handedness"):
        value = getattr(file, kind)
        if value:
            SubElement(root, "annotation", {"type": kind}).text = value
    if file.may_stand_open:
        SubElement(root, "annotation", {"type": "joins"}).text = "optional"
    ruling = SubElement(root, "annotationXML", {"type": "ruling"})
    for line in Line:
        y = (file.ruling.top - file.ruling.height(line)) * x_height_mm
        SubElement(ruling, "line", {"name": line.value, "y": f"{y:.4g}"})
    timed = all(stroke.times is not None for stroke in file.ink.strokes)
    trace_format = SubElement(root, "traceFormat")
    for name in ("X", "Y"):
        SubElement(trace_format, "channel", {"name": name, "type": "decimal", "units": "mm"})
    if timed:
        SubElement(trace_format, "channel", {"name": "T", "type": "integer", "units": "ms"})
    for stroke in file.ink.strokes:
        SubElement(root, "trace").text = _trace_text(stroke, file.ruling.top, x_height_mm, timed)
    indent(root)
    return b'<?xml version="1.0" encoding="UTF-8"?>\n' + tostring(root) + b"\n"


def _trace_text(stroke: Stroke, top: float, x_height_mm: float, timed: bool) -> str:
    page = np.column_stack([stroke.points[:, 0], top - stroke.points[:, 1]]) * x_height_mm
    texts = [f"{x:.3f} {y:.3f}" for x, y in page]
    if timed and stroke.times is not None:
        texts = [
            f"{text} {round(time_s * MILLISECONDS)}"
            for text, time_s in zip(texts, stroke.times, strict=True)
        ]
    return ", ".join(texts)
