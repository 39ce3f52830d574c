"""The check of what stands on paper where one letter or text was to be written: whether it was
struck out, whether the child chose it as its best, and what there is to say of it."""

from dataclasses import dataclass
from enum import StrEnum

import numpy as np

from firstloop.core.checking.check import check
from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.checking.letters.setting import Setting
from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.checking.measure.turned import Faces, faces_of
from firstloop.core.checking.say.findings import MarkKind, Result, TextResult
from firstloop.core.checking.texts.alphabet import whole_alphabet
from firstloop.core.checking.texts.check import check_seen_text
from firstloop.core.checking.texts.seen_marks import (
    set_aside_marks,
    without_marks,
    without_strikes,
)
from firstloop.core.checking.texts.traces import Trace
from firstloop.core.evidence.image import SeenInk
from firstloop.core.evidence.task import Kind, Task
from firstloop.core.geometry import polyline
from firstloop.core.geometry.crossings import loops_in
from firstloop.core.geometry.even import Lines, evenly
from firstloop.core.geometry.matching import Path
from firstloop.core.geometry.pictures import Look
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style

LOOKS_FINE = 0.04
"""[u²] What looks so like the letter has nothing drawn over or round it."""

BETTER_WITHOUT = 0.7
"""[share] A letter is struck out if without the line over it, it costs less than that share of what
it costs with it: the bar of a t does not."""

MORE_INK, IN_LOOPS, DENSER, FILLS = 1.35, 2, 1.2, 0.5
"""[ratio, loops, ratio, share] What is scribbled over has so much more ink than a letter of its
size and closes so many loops; or it has more ink by the third and blackens that share of its box.
"""

A_LETTER = 0.065
"""[u²] Ink that is so like some letter is that letter, however much of it there is."""


class CellState(StrEnum):
    """What is in a cell."""

    WRITTEN = "written"
    EMPTY = "empty"
    STRUCK = "struck"
    UNREADABLE = "unreadable"


@dataclass(frozen=True, slots=True, eq=False)
class OnPaper:
    """What stands in a cell, whether it was chosen as the best, its own ink without marks, and what
    there is to say of it; nothing of what is struck out."""

    state: CellState
    chosen: bool
    ink: SeenInk
    result: Result | TextResult | None


def check_on_paper(ink: SeenInk, task: Task, style: Style, ruling: Ruling) -> OnPaper:
    """What there is to say of the ink of a cell; raises as `check` and `check_text`."""
    if task.kind is not Kind.LETTER:
        return _text(ink, task, style, ruling)
    looks = _Looks.of(task, style, ruling)
    whole = looks.cost(ink)
    if whole < LOOKS_FINE:
        return OnPaper(CellState.WRITTEN, False, ink, check(ink, task, style, ruling))
    without = min(without_marks(ink), key=looks.cost, default=ink)
    chosen = looks.cost(without) < BETTER_WITHOUT * whole
    writing = without if chosen else ink
    if looks.is_struck(writing):
        return OnPaper(CellState.STRUCK, chosen, writing, None)
    return OnPaper(CellState.WRITTEN, chosen, writing, check(writing, task, style, ruling))


def _text(ink: SeenInk, task: Task, style: Style, ruling: Ruling) -> OnPaper:
    found = set_aside_marks(ink)
    if found.struck and found.writing is None:
        return OnPaper(CellState.STRUCK, chosen=False, ink=ink, result=None)
    result = check_seen_text(ink, task, style, ruling)
    chosen = any(mark.kind in (MarkKind.RING, MarkKind.TICK) for mark in result.marks)
    return OnPaper(CellState.WRITTEN, chosen, found.writing or ink, result)


@dataclass(frozen=True, slots=True, eq=False)
class _Looks:
    """How a letter looks, how much ink (u) it has at most, and how large (u) it is across then."""

    faces: Faces
    setting: Setting
    length: float
    across: float

    @classmethod
    def of(cls, task: Task, style: Style, ruling: Ruling) -> "_Looks":
        setting = Setting.of(task, style, ruling)
        forms = forms_of(task.target, setting.hand, STANDARD)
        lengths = [sum(polyline.length(path) for path in form.paths()) for form in forms]
        sides = np.ptp(np.concatenate(forms[int(np.argmax(lengths))].paths()), axis=0)
        faces = faces_of(forms, setting.hand.proportions.slant_deg)
        return cls(faces, setting, max(lengths), float(np.hypot(*sides)))

    def cost(self, ink: SeenInk) -> float:
        """u² by which ink differs from the letter."""
        return self.faces.upright_cost(Look.of(Path.of_trace(self._on_standard(ink))))

    def _on_standard(self, ink: SeenInk) -> Lines:
        return tuple(evenly(self.setting.onto.points(line)) for line in ink.lines)

    def is_struck(self, ink: SeenInk) -> bool:
        """Whether a line or a scribble goes over it."""
        whole = self.cost(ink)
        without = [self.cost(rest) for rest in without_strikes(ink)]
        if min(without, default=whole) < BETTER_WITHOUT * whole:
            return True
        return self._is_scribbled(ink) and not self._is_some_letter(ink)

    def _is_scribbled(self, ink: SeenInk) -> bool:
        wide, high = np.ptp(np.concatenate(ink.lines), axis=0)
        more = ink.length / (self.length * float(np.hypot(wide, high)) / self.across)
        wide, high = wide + ink.width, high + ink.width
        blackened = ink.length * ink.width / (wide * high)
        loops = sum(loops_in(part, ink.width) for part in ink.parts)
        return bool(
            (more > MORE_INK and loops >= IN_LOOPS) or (more > DENSER and blackened > FILLS)
        )

    def _is_some_letter(self, ink: SeenInk) -> bool:
        traces = [Trace.of(at, line) for at, line in enumerate(self._on_standard(ink))]
        return float(whole_alphabet(self.setting.hand).costs([traces]).min()) < A_LETTER
