"""The writing of a text, as it was made with a pen or as it is seen on paper: its feet, itself made
level, its pieces, and how one of them is judged."""

from dataclasses import dataclass, replace
from typing import Protocol

from firstloop.core.checking.letters.judge import Judgement
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.texts.joined_letter import judged_on_its_way
from firstloop.core.checking.texts.joined_pieces import joined_pieces
from firstloop.core.checking.texts.pieces import Laid, Piece, levelled
from firstloop.core.checking.texts.printed_pieces import free_pieces, printed_pieces, row_pieces
from firstloop.core.checking.texts.seen_text import (
    Part,
    cut_apart,
    feet_of,
    in_pieces,
    judged_as_seen,
    levelled_parts,
)
from firstloop.core.checking.texts.text_setting import Asked
from firstloop.core.checking.texts.traces import Traces
from firstloop.core.errors import UncheckedError
from firstloop.core.evidence.task import Kind


class Writing(Protocol):
    """What a text is written in."""

    @property
    def feet(self) -> Traces:
        """Lines in which its feet are where ink turns upwards."""

    def levelled(self, slope: float) -> "Writing":
        """The same, a line of feet that climbs by so much made level."""

    def pieces(self, asked: Asked) -> tuple[Laid, Asked]:
        """Its letters; and what was asked for, which of free writing is what it reads as."""

    def judge(self, piece: Piece, letter: str, setting: Setting) -> Judgement:
        """What there is to say of one of its letters."""


@dataclass(frozen=True, slots=True, eq=False)
class PenWriting:
    """Writing that was made with a pen, trace by trace."""

    traces: Traces

    @property
    def feet(self) -> Traces:
        """Where its traces turn."""
        return self.traces

    def levelled(self, slope: float) -> "PenWriting":
        """Each trace made level."""
        return PenWriting(levelled(self.traces, slope))

    def pieces(self, asked: Asked) -> tuple[Laid, Asked]:
        """Its traces, whole or in part."""
        if asked.task.kind is Kind.FREE:
            return _read_free(self.traces, asked)
        if asked.joined:
            return joined_pieces(self.traces, asked.target, asked.setting.hand), asked
        return _laid(self.traces, asked), asked

    @staticmethod
    def judge(piece: Piece, letter: str, setting: Setting) -> Judgement:
        """By how it was made."""
        return judged_on_its_way(piece, letter, setting)


@dataclass(frozen=True, slots=True, eq=False)
class PaperWriting:
    """Print on paper: what hangs together."""

    parts: tuple[Part, ...]

    @property
    def feet(self) -> Traces:
        """The lower edges."""
        return feet_of(self.parts)

    def levelled(self, slope: float) -> "PaperWriting":
        """Each part made level."""
        return PaperWriting(levelled_parts(self.parts, slope))

    def pieces(self, asked: Asked) -> tuple[Laid, Asked]:
        """Its parts; where letters are missing, what may be two that touch is cut apart."""
        parts = self.parts
        if asked.task.kind is Kind.FREE:
            laid, read = _read_free(_traces(parts), asked)
            return in_pieces(laid, parts), read
        laid = _laid(_traces(parts), asked)
        while laid.missing:
            cut = cut_apart(laid, parts, asked.letters, asked.setting.hand)
            again = _laid(_traces(cut), asked) if cut is not None else laid
            if cut is None or len(again.missing) >= len(laid.missing):
                break
            laid, parts = again, cut
        return in_pieces(laid, parts), asked

    @staticmethod
    def judge(piece: Piece, letter: str, setting: Setting) -> Judgement:
        """By how it looks."""
        return judged_as_seen(piece, letter, setting)


def _traces(parts: tuple[Part, ...]) -> Traces:
    return tuple(part.trace for part in parts)


def _laid(traces: Traces, asked: Asked) -> Laid:
    hand = asked.setting.hand
    if asked.is_row:
        return row_pieces(traces, asked.letters[0], hand)
    return printed_pieces(traces, asked.letters, hand)


def _read_free(traces: Traces, asked: Asked) -> tuple[Laid, Asked]:
    """Raises UncheckedError for a hand that joins."""
    if asked.setting.hand.joins:
        raise UncheckedError("free writing can be read in print only; say what was to be written")
    laid, read = free_pieces(traces, asked.setting.hand)
    return laid, replace(asked, target=read)
