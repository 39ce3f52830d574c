"""The teacher's word on one thing that was written, and what it comes to beside the checker's.

She speaks of dimensions ("the shape is nearly there"), of findings ("no, it did start at the top")
or of both. What she says of one settles the other where she left it open: who says that the shape
is secure says that nothing found in the shape is so.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum
from typing import NamedTuple, TypeVar

from firstloop.core.checking.texts.catalogue import DIMENSION_OF
from firstloop.core.contract import Code, Dimension, Verdict


class Aspect(StrEnum):
    """What a text is judged by besides, as a whole."""

    SPACING = "spacing"
    LINE = "line"
    JOINS = "joins"


SHOWS_IN: dict[Code, Aspect] = {
    Code.WORD_GAP: Aspect.SPACING,
    Code.SPACING: Aspect.SPACING,
    Code.LINE_DRIFT: Aspect.LINE,
    Code.OFF_BASE: Aspect.LINE,
    Code.TAILS_UNEVEN: Aspect.LINE,
    Code.JOIN_BROKEN: Aspect.JOINS,
}
"""The findings of a text that an aspect of it is told by."""

About = TypeVar("About", Dimension, Aspect)


class OnFinding(StrEnum):
    """The teacher's word on one finding."""

    SO = "so"
    NOT_SO = "not_so"
    MISSED = "missed"
    """The checker did not see it; she does."""


class How(StrEnum):
    """How she came to her word; the checker's is trusted by what was judged blind first."""

    SEEN = "seen"
    """With the checker's word beside it."""
    MANY = "many"
    """In one press for many."""
    BLIND = "blind"
    """Without a word of anybody else's."""
    WITH_TEXT = "with_text"
    """Said of the text that a letter stands in: what she said of the letter itself waits under it.
    """


class Seen(NamedTuple):
    """A finding of the checker, as far as a word on it goes."""

    code: Code
    severity: Verdict


@dataclass(frozen=True, slots=True)
class Word:
    """What the teacher says. A dimension, aspect or finding that she does not speak of is left out;
    `say` is the advice in her own words; what is set aside is nobody's letter and counts nowhere.
    """

    verdicts: Mapping[Dimension, Verdict] = field(default_factory=dict)
    aspects: Mapping[Aspect, Verdict] = field(default_factory=dict)
    findings: Mapping[Code, OnFinding] = field(default_factory=dict)
    note: str = ""
    say: str = ""
    set_aside: bool = False
    how: How = How.SEEN


def settled(
    word: Word,
    checked: Mapping[Dimension, Verdict],
    seen: Iterable[Seen],
    aspects: Mapping[Aspect, Verdict] | None = None,
) -> Word:
    """The whole of a word: on every dimension that was seen (of a text: and aspect) and every
    finding of the checker, so that it stays hers whatever a later checker says.

    A finding she left open is so, unless she calls its dimension secure. A dimension or aspect she
    left open is as bad as the worst finding of it that is so or that she adds; where she
    contradicts none, it stands as the checker has it. What is set aside is unseen, and says nothing
    of any finding.

    >>> n = dict.fromkeys(Dimension, Verdict.SECURE) | {Dimension.DIRECTION: Verdict.NOT_YET}
    >>> begun_low = [Seen(Code.START_PLACE, Verdict.NOT_YET)]
    >>> no = settled(Word(findings={Code.START_PLACE: OnFinding.NOT_SO}), n, begun_low)
    >>> no.verdicts[Dimension.DIRECTION].value
    'secure'
    >>> settled(Word(), n, begun_low).findings[Code.START_PLACE].value
    'so'
    """
    if word.set_aside:
        aside = dict.fromkeys(Dimension, Verdict.UNSEEN)
        return replace(word, verdicts=aside, aspects={}, findings={})
    found: dict[Code, Verdict] = {}
    for code, severity in seen:  # a text may have one code at several places
        found[code] = Verdict.NOT_YET if severity is Verdict.NOT_YET else found.get(code, severity)
    findings = {code: _on_finding(code, word) for code in found}
    findings |= {
        code: said
        for code, said in word.findings.items()
        if code not in found and said is OnFinding.MISSED
    }
    return replace(
        word,
        verdicts=_verdicts(word.verdicts, checked, DIMENSION_OF, found, findings),
        aspects=_verdicts(word.aspects, aspects or {}, SHOWS_IN, found, findings),
        findings=findings,
    )


def _verdicts(
    said: Mapping[About, Verdict],
    checked: Mapping[About, Verdict],
    about: Mapping[Code, About],
    found: Mapping[Code, Verdict],
    findings: Mapping[Code, OnFinding],
) -> dict[About, Verdict]:
    """The verdicts that she holds of each dimension, or of each aspect; none of what is unseen."""
    verdicts = {}
    for name, verdict in checked.items():
        of_it = {code: word for code, word in findings.items() if about.get(code) is name}
        verdicts[name] = said.get(name, _verdict(verdict, found, of_it))
    return {name: v for name, v in verdicts.items() if v is not Verdict.UNSEEN}


def _on_finding(code: Code, word: Word) -> OnFinding:
    said = word.findings.get(code)
    if said is not None:
        return OnFinding.NOT_SO if said is OnFinding.NOT_SO else OnFinding.SO
    is_denied = word.verdicts.get(DIMENSION_OF[code]) is Verdict.SECURE
    return OnFinding.NOT_SO if is_denied else OnFinding.SO


def _verdict(
    checked: Verdict, found: Mapping[Code, Verdict], findings: Mapping[Code, OnFinding]
) -> Verdict:
    """What follows from her word on the findings of one dimension or aspect."""
    if all(said is OnFinding.SO for said in findings.values()):
        return checked
    if OnFinding.MISSED in findings.values():
        return Verdict.NOT_YET
    left = {found[code] for code, said in findings.items() if said is OnFinding.SO}
    return next((v for v in (Verdict.NOT_YET, Verdict.NEARLY) if v in left), Verdict.SECURE)


def blind(
    verdicts: Mapping[Dimension, Verdict], codes: Iterable[Code], seen: Iterable[Seen]
) -> Word:
    """A word by one who did not see the checker's: verdicts, and the codes she named.

    What the checker found is so where she named it, and not so where she calls its dimension
    secure; if she named something else in a dimension that she too finds wanting, she has not
    spoken of it.

    >>> all_well = dict.fromkeys(Dimension, Verdict.SECURE)
    >>> word = blind(all_well, [], [Seen(Code.SLANT, Verdict.NEARLY)])
    >>> word.findings[Code.SLANT].value, word.how.value
    ('not_so', 'blind')
    """
    named, found = set(codes), {code for code, _ in seen}
    findings = dict.fromkeys(found & named, OnFinding.SO)
    findings |= dict.fromkeys(named - found, OnFinding.MISSED)
    findings |= {
        code: OnFinding.NOT_SO
        for code in found - named
        if verdicts.get(DIMENSION_OF[code]) is Verdict.SECURE
    }
    return Word(verdicts=verdicts, findings=findings, how=How.BLIND)


def held(checked: Mapping[Dimension, Verdict], word: Word | None) -> dict[Dimension, Verdict]:
    """The verdicts that count: the teacher's word always wins over the checker."""
    return {**checked, **(word.verdicts if word else {})}


def aspects_seen(seen: Iterable[Seen], *, joins: bool) -> dict[Aspect, Verdict]:
    """How a text's spacing, line and joins stand by the checker: as its worst finding says. Joins
    are unseen in a hand that has none.

    >>> aspects_seen([Seen(Code.LINE_DRIFT, Verdict.NEARLY)], joins=False)[Aspect.LINE].value
    'nearly'
    >>> aspects_seen([], joins=False)[Aspect.JOINS].value
    'unseen'
    """
    found = dict.fromkeys(Aspect, Verdict.SECURE)
    for code, severity in seen:
        aspect = SHOWS_IN.get(code)
        if aspect is not None and found[aspect] is not Verdict.NOT_YET:
            found[aspect] = severity
    return found if joins else found | {Aspect.JOINS: Verdict.UNSEEN}
