"""A report on a child as one file that any browser opens and prints, without a network."""

from collections.abc import Iterator
from datetime import date
from html import escape
from pathlib import Path
from string import Template

from firstloop.core.evidence.ink import Ink
from firstloop.core.letters.ruling import Ruling
from firstloop.core.progress.report import Report, in_a_row, stands_in_words
from firstloop.core.vocabulary.language import Language, long_date
from firstloop.formats.svg import ink_on_lines

TEMPLATE = Path(__file__).parent / "templates" / "report.html"


def report_html(report: Report, ruling: Ruling, language: Language) -> str:
    """The report, the letters on the class's lines."""
    until = long_date(report.until, language)
    begun = f"{long_date(report.since, language)} to {until}" if report.since else until
    return Template(TEMPLATE.read_text(encoding="utf-8")).substitute(
        title=escape(f"{report.name}: letters"),
        name=escape(report.name),
        when=escape(f"{report.class_name}, {begun}"),
        parts="\n    ".join(_parts(report, ruling)),
    )


def _parts(report: Report, ruling: Ruling) -> Iterator[str]:
    told = list(stands_in_words(report.stands))
    if told:
        yield "<h2>How the letters stand</h2>"
        yield from (f"<p>{escape(one)}</p>" for one in told)
        yield (
            '<p class="small">For a letter written alone, from memory: direction, size and shape '
            "together.</p>"
        )
    if report.then_and_now:
        yield "<h2>Then and now</h2>"
        for pair in report.then_and_now:
            first = _figure(pair.first, pair.first_day, ruling, pair.letter)
            latest = _figure(pair.latest, pair.latest_day, ruling, pair.letter)
            yield f'<div class="pair">{first}{latest}</div>'
    if report.practise:
        yield "<h2>To practise, a few minutes a day</h2>"
        for one in report.practise:
            letters = f" ({in_a_row(one.letters)})" if len(one.letters) > 1 else ""
            yield f"<p><b>{escape(one.what + letters)}</b>. {escape(one.how)}</p>"
    for head, lines in (("Noted", report.notes), ("To know", report.flags)):
        if lines:
            yield f"<h2>{head}</h2>"
            yield from (f"<p>{escape(one)}</p>" for one in lines)


def _figure(ink: Ink, day: date, ruling: Ruling, letter: str) -> str:
    told = f"{day.day} {day:%B %Y}"
    drawing = ink_on_lines(ink, ruling, f"{letter}, {told}")
    return f"<figure>{drawing}<figcaption>{told}</figcaption></figure>"
