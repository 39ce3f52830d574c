"""The forms of a letter inside a text: joined letters without what leads in and out."""

from dataclasses import replace
from functools import lru_cache

from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.checking.measure.lines import STANDARD
from firstloop.core.letters import Hand, Letter, draw
from firstloop.core.letters.hands import PLAIN
from firstloop.core.letters.moves import MoveKind, Script, ScriptStroke


@lru_cache(maxsize=1024)
def forms_within(letter: str, hand: Hand, *, on_a_way: bool) -> tuple[Letter, ...]:
    """The accepted forms of a letter of a text, the class's own first; of one that is on the way of
    a joined word without what leads in and out, and also those of print, of which other joined
    hands are made. Raises UnknownLetterError.

    >>> from firstloop.core.letters import HANDS
    >>> inside = forms_within("n", HANDS["joined"], on_a_way=True)
    >>> [move.move.kind.value for move in inside[0].moves]
    ['drop', 'back', 'arch']
    """
    own = forms_of(letter, hand, STANDARD)
    if not on_a_way or not is_led(own[0].script):
        return own
    scripts = [_without_leads(form.script) for form in own]
    forms = [draw(script, hand.proportions, STANDARD) for script in scripts]
    return (*forms, *forms_of(letter, PLAIN, STANDARD))


def is_led(script: Script) -> bool:
    """Whether it begins with a lead-in."""
    return script.strokes[0].moves[0].kind is MoveKind.LEAD_IN


def _without_leads(script: Script) -> Script:
    main, *later = script.strokes
    lead_in, *moves = main.moves
    if moves[-1].kind is MoveKind.FLICK:
        moves = moves[:-1]
    return replace(script, strokes=(ScriptStroke(lead_in.end, tuple(moves)), *later))
