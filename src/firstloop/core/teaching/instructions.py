"""What the class is told in a lesson: what it is for, what to write, what to do."""

from collections.abc import Mapping, Sequence

from firstloop.core.teaching.customs import AMOUNTS, RUBBING_OUT, USUAL, Called, Customs
from firstloop.core.teaching.free import picture_of
from firstloop.core.teaching.lesson import Lesson
from firstloop.core.teaching.steps import Shape, StepKind

A_LIST, AN_AIM = 40, 90
"""Letters of a list that is read out in one breath, and of one that is read once, as the aim."""


def by_sound(part: str, heard: Mapping[str, str], called: Called) -> str:
    """A letter as the class speaks of it; `heard` has for letters where their sound is heard.

    >>> heard = {"n": "the first sound of “nap”"}
    >>> [by_sound("n", heard, called) for called in Called]
    ['n', 'the first sound of “nap”', 'n, the first sound of “nap”']
    >>> by_sound("7", heard, Called.SOUND)
    '7'
    """
    if called is Called.NAME or part not in heard:
        return part
    return heard[part] if called is Called.SOUND else f"{part}, {heard[part]}"


def aim_of(shape: Shape, new: Sequence[str], habit: str = "", *, joins: bool = False) -> str:
    """What a lesson is for, as it is told to the class.

    >>> aim_of(Shape.LOOK_BACK, ["c", "a", "d"])
    'Today you will write c, a and d again, each one as well as your best.'
    >>> aim_of(Shape.SHORT, ["ca", "ad"], joins=True)
    'Today you will join ca and ad in one go, without a stop.'
    """
    what = listed(new, AN_AIM)
    match shape:
        case Shape.LOOK_BACK:
            each = "each one as well as your best" if len(new) > 1 else "as well as your best one"
            return f"Today you will write {what} again, {each}."
        case Shape.MEND:
            return f"Today you will {habit}, in {what}." if habit else ""
        case Shape.WORDS:
            return "Today you will write words with letters that you know."
        case _ if joins and all(len(part) > 1 for part in new):
            return f"Today you will join {what} in one go, without a stop."
        case _:
            return f"Today you will write {what}."


def listed(parts: Sequence[str], longest: int = A_LIST) -> str:
    """All of them, or where that would be no line any more the first and how many more.

    >>> listed(["n"]), listed("nmh"), listed(["yesterday"] * 5)
    ('n', 'n, m and h', 'yesterday and 4 more')
    """
    *most, last = parts or ("",)
    listed = f"{', '.join(most)} and {last}" if most else last
    return listed if len(listed) <= longest else f"{parts[0]} and {len(parts) - 1} more"


def prompts(  # noqa: PLR0911  # a line a kind
    lesson: Lesson, kind: StepKind, customs: Customs = USUAL
) -> tuple[str, ...]:
    """What the class is told to do in a step in which it works by itself.

    >>> from firstloop.core.teaching.lesson import plan
    >>> prompts(plan(["n"], 20), StepKind.CLOSE)[0]
    'Where does n start?'
    """
    match kind:
        case StepKind.OWN:
            with_help = ("Trace it on the dots.", "Finish it from its starting dot.")
            return (
                *(() if lesson.shape is Shape.LOOK_BACK else with_help),
                AMOUNTS[customs.own].told,
                "One went wrong? Cross it out, leave it, and write the next.",
            )
        case StepKind.WORDS:
            often = lesson.word_times
            times = (f"Write each one {often} times.",) if often > 1 else ()
            return (*times, RUBBING_OUT[customs.rubbing_out], *MARKS)
        case StepKind.PAUSE:
            return (
                "Pencils down. Shake your hands out, fingers wide and closed.",
                "If your hand hurts, stop and say so.",
            )
        case StepKind.DATE:
            return ("Write the date: capitals and digits touch their line.",)
        case StepKind.LOOK_BACK:
            return ("Write each one, and say its family.",)
        case StepKind.FREE:
            question = () if picture_of(lesson.prompt) else (lesson.prompt,)
            return (*question, "Write what you want to say.", "Spelling does not count today.")
        case StepKind.BEST:
            return ("Look at your row.", "Ring the one you like best.", "Tell your neighbour why.")
        case StepKind.CLOSE:
            return (
                *_asked_of_the_new(lesson),
                "Turn one of yours into a small drawing.",
                *([early] if (early := further_of(StepKind.WORDS, lesson.new)) else ()),
            )
        case StepKind.HOME:
            return ("A few minutes at home, no more.", "Trace, finish, then write your own.")
        case _:
            return ()


MARKS = (
    "A dot under each sound, a line under letters that are one sound.",
    "Right? Tick it.",
)
"""What children mark in their own words, told where they are to do it."""


def further_of(kind: StepKind, about: Sequence[str]) -> str:
    """What who is done early may do, while the others write; nothing where there is no more to it.

    >>> further_of(StepKind.OWN, ["n"])
    'Done early? Find more words with n: say one, write it, put it in a sentence.'
    >>> further_of(StepKind.DATE, ["n"])
    ''
    """
    match kind:
        case StepKind.OWN | StepKind.WORDS if about:
            words = f"Find more words with {listed(about)}"
            return f"Done early? {words}: say one, write it, put it in a sentence."
        case StepKind.OWN | StepKind.WORDS | StepKind.SENTENCE:
            return "Done early? Write a sentence of your own."
        case _:
            return ""


def _asked_of_the_new(lesson: Lesson) -> tuple[str, ...]:
    """What is asked once more of what is new; a lesson of words alone has nothing new."""
    if not lesson.new:
        return ("Which word was the hardest? Say how it is written.",)
    does = "does" if len(lesson.new) == 1 else "do"
    return (
        f"Where {does} {listed(lesson.new)} start?",
        "What does the pencil do first?",
    )
