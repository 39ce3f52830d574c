"""A hand learnt from files of its teacher's ink: what can be read, what was understood."""

from collections.abc import Iterable
from dataclasses import dataclass

from firstloop.core.errors import Data, FirstLoopError
from firstloop.core.letters import Hand
from firstloop.core.letters.moves import notate_stroke
from firstloop.core.letters.phrases import move_words, start_words
from firstloop.core.own_hand.learn import Learnt, LearntHand, learn
from firstloop.core.own_hand.sample import Sample, sampled
from firstloop.formats import inkml
from firstloop.services.checking_files import InkSource


@dataclass(frozen=True, slots=True, eq=False)
class FromFiles:
    """What was learnt, and what kept files from being read: their names, and why."""

    learnt: LearntHand
    unread: tuple[tuple[str, str], ...]


def learn_from(sources: Iterable[InkSource], base: Hand, name: str) -> FromFiles:
    """The hand of some ink files; those that cannot be read are named, the others count."""
    samples, unread = list[Sample](), list[tuple[str, str]]()
    for source in sources:
        try:
            samples.append(_sample(source, base))
        except FirstLoopError as error:
            unread.append((source.name, str(error)))
    return FromFiles(learn(samples, base, name), tuple(unread))


def _sample(source: InkSource, base: Hand) -> Sample:
    if source.error is not None:
        raise inkml.InkmlError(source.error)
    file = inkml.read(source.data)
    if file.target is None:
        raise inkml.InkmlError(
            'nothing says which letter it is; add <annotation type="target"> to the file'
        )
    if len(file.target) == 1:
        file.ink.require_a_letter()
        if file.target not in base.scripts:
            raise inkml.InkmlError(f'"{file.target}" is no letter, digit or mark of ours')
    else:
        file.ink.require_a_text()
    return sampled(file.target, source.name, file.ink, file.ruling)


def as_data(one: Learnt) -> Data:
    """What was understood of a letter, as the hand contract has it."""
    return {
        "letter": one.letter,
        "samples": one.samples,
        "left_out": one.left_out,
        "form": one.form,
        "strokes": [notate_stroke(stroke) for stroke in one.script.strokes],
        "off_mean_u": None if one.off is None else round(one.off.mean, 4),
        "off_max_u": None if one.off is None else round(one.off.most, 4),
        "phrase": spoken(one),
        "problems": [
            {"code": problem.code.value, "file": problem.sample, "say": problem.say}
            for problem in one.problems
        ],
    }


def spoken(one: Learnt) -> list[str]:
    """The words of each move, the first of a stroke after where the stroke begins."""
    said = []
    starts, moves = start_words(one.script), move_words(one.script)
    for start, (first, *others) in zip(starts, moves, strict=True):
        said += [f"{start}: {first}", *others]
    return said
