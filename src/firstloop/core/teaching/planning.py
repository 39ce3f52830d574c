"""What to teach next, and a lesson on it, from what is taught, due and shaky."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from firstloop.core.contract import Code
from firstloop.core.teaching.customs import Called
from firstloop.core.teaching.due import Due
from firstloop.core.teaching.families import LESSON_SIZE, Scheme
from firstloop.core.teaching.habits import HABITS
from firstloop.core.teaching.instructions import aim_of, by_sound
from firstloop.core.teaching.lesson import A_PAIR, MOST_NEW, Lesson, plan
from firstloop.core.teaching.steps import Shape, SlipsAt
from firstloop.core.vocabulary.picker import Where, pick
from firstloop.core.vocabulary.sentences import things_counted, writable_sentences
from firstloop.core.vocabulary.sounds import Word, bundled, seldom

LOOK_BACK_LETTERS = 4
"""A row of a few letters, each named: more is a page."""

WORDS_IN_A_LESSON = 4
"""Two to four words; fewer where there are no more."""

SHORT = 5
"""[letters] First words with a letter are no longer, while there are such."""

PAIRS = ("sh", "ch", "th", "ng", "ck", "qu", "ee", "oo", "ai", "ar", "or", "ow", "oi", "er")
"""Pairs of letters for one sound, in the order they are usually met."""


@dataclass(frozen=True, slots=True)
class Next:
    """Something to teach next: a letter or a pair, and why."""

    new: tuple[str, ...]
    why: str


def what_next(
    scheme: Scheme, taught: Iterable[str], largest: int = LESSON_SIZE
) -> tuple[Next, ...]:
    """What could be taught next, the likeliest first: the scheme's next letter, the next family's,
    all that is left of the first family, as many as one lesson takes at most, and a pair whose
    letters are all taught.

    >>> from firstloop.core.teaching.families import Family
    >>> two = Scheme("s", (Family("Down", ("l", "i"), ""), Family("Round", ("c",), "")))
    >>> [(one.new, one.why) for one in what_next(two, "l")]
    [(('i',), 'next in Down'), (('c',), 'begins Round')]
    >>> what_next(two, "")[2].new
    ('l', 'i')
    """
    known = set(taught)
    found: list[Next] = []
    together: list[Next] = []
    for family in scheme.families:
        left = [letter for letter in family.letters if letter not in known]
        if left:
            begun = len(left) < len(family.letters)
            found.append(Next((left[0],), f"{'next in' if begun else 'begins'} {family.name}"))
            if len(found) == 1 < len(left):
                some = tuple(left[: min(largest, MOST_NEW)])
                together.append(Next(some, f"{family.name}, in one lesson"))
    pairs = [Next((pair,), "a pair of taught letters") for pair in PAIRS if set(pair) <= known]
    return (*found[:2], *together, *pairs[:2])


def propose(
    new: Sequence[str],
    minutes: int,
    *,
    taught: Iterable[str],
    due: Sequence[Due],
    own_words: Sequence[Word] = (),
    shape: Shape = Shape.FULL,
    habit: Code | None = None,
    joins: bool = False,
    taught_words: Iterable[str] = (),
    slips: SlipsAt = SlipsAt.AFTER,
    date_text: str = "",
    called: Called = Called.NAME,
) -> Lesson:
    """A lesson with its matter filled in: what is due to look back on, words with the letters of
    the lesson in several places, a sentence of taught letters, an aim; raises LessonError. A lesson
    of words takes them from all that is taught. `habit` is what a lesson that mends one is about;
    `joins` whether the hand joins, so that pairs are joins. The date, if it is told, waits until a
    capital or digit of it is taught.

    >>> due = [Due("t", 2, 0.0, ""), Due("n", 1, 0.0, "")]
    >>> lesson = propose(["n"], 20, taught="iatps", due=due)
    >>> lesson.look_back, lesson.words[:2], lesson.aim
    (('t',), ('nap', 'snap'), 'Today you will write n.')
    >>> propose([], 10, taught="iatpsn", due=due, shape=Shape.WORDS).words[:2]
    ('tip', 'snap')
    """
    letters = {letter for part in new for letter in part}
    known = {*taught, *letters}
    if shape is Shape.LOOK_BACK:
        look_back = [letter for letter in new if len(letter) == 1]
    else:
        look_back = [one.letter for one in due if one.letter not in letters][:LOOK_BACK_LETTERS]
    about = letters or {one.letter for one in due if len(one.letter) == 1} or known
    pairs = {part.lower() for part in new if 1 < len(part) <= A_PAIR}
    sentences = writable_sentences(known, pairs or about, taught_words)
    # A capital is met in the words of its small letter.
    each: list[Sequence[str]] = [[part.lower()] for part in new] or [sorted(about)]
    words = _words(each, known, own_words)
    whole = tuple(part for part in new if len(part) > A_PAIR)
    counted = things_counted(new, known)
    spoken = [by_sound(part, _heard(new, known, own_words), called) for part in new]
    return plan(
        new,
        minutes,
        look_back=look_back,
        words=(*whole, *(word for word in words if word not in whole))[:MOST_NEW],
        sentence=counted or (sentences[0] if sentences else ""),
        shape=shape,
        aim=aim_of(shape, spoken, HABITS.get(habit, "") if habit else "", joins=joins),
        habit=habit,
        slips=slips,
        dated=not date_text or _is_taught_in_part(date_text, known),
    )


def _heard(new: Sequence[str], known: set[str], own: Sequence[Word]) -> dict[str, str]:
    """For each letter or pair where its usual sound is heard, first or last in a word, if it is."""
    heard = {}
    for part in new:
        picked = pick([part.lower()], known, own)
        for where, name in ((Where.FIRST, "first"), (Where.LAST, "last")):
            words = [one.word.text for one in picked[where] if one.usual]
            if words:
                heard[part] = f"the {name} sound of “{words[0]}”"
                break
    return heard


def _is_taught_in_part(date_text: str, known: set[str]) -> bool:
    """Whether a date can be begun: some capital or digit of it is taught."""
    return any((x.isupper() or x.isdigit()) and x in known for x in date_text)


def _of_one(parts: Sequence[str], known: set[str], own: Sequence[Word]) -> list[str]:
    """Words for a letter or pair, or for any of several, from each place in turn."""
    picked = pick(parts, known, own)
    mine = {word.text for word in own}
    usual = any(one.usual for row in picked.values() for one in row)
    rows = [
        [one.word.text for one in picked[where] if one.usual or not usual or one.word.text in mine]
        for where in Where
    ]
    # A short word at the start is better than a long one elsewhere.
    short = [
        [text for text in row if text in mine or (len(text) <= SHORT and text not in seldom())]
        for row in rows
    ]
    return [*_in_turn(short), *_in_turn(rows)]


def _in_turn(rows: Sequence[Sequence[str]]) -> list[str]:
    longest = max(map(len, rows), default=0)
    return [row[at] for at in range(longest) for row in rows if at < len(row)]


def _words(new: Sequence[Sequence[str]], known: set[str], own: Sequence[Word]) -> tuple[str, ...]:
    """Words for what is new, in its usual sound where there are such, from each place: at the
    start, inside, at the end, doubled. Of several things new each has one of its own."""
    rows = [_of_one(parts, known, own) or _neighbours(parts, known, own) for parts in new]
    if len(rows) == 1:
        return tuple(dict.fromkeys(rows[0]))[:WORDS_IN_A_LESSON]
    taken: list[str] = []
    for row in rows:
        taken += [text for text in row if text not in taken][:1]
    return tuple(taken)


def _neighbours(parts: Sequence[str], known: set[str], own: Sequence[Word]) -> list[str]:
    """Of pairs that are no sound (to be joined), words in which they are neighbours."""
    writable = [word.text for word in (*own, *bundled()) if word.letters <= known]
    pairs = [part for part in parts if len(part) > 1]
    return [text for text in writable if any(pair in text for pair in pairs)]
