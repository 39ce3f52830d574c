"""Sentences to write: which are made of taught letters, and what a teacher's own one lacks."""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

from firstloop.core.vocabulary.language import Language

SENTENCES = """
Sit on a mat. Tip it in a tin. A cat sat on it. I can see a tin. It is a pin. Pat is in a tent.
Ten ants sit in a nest. The cat naps on a mat. I am at the top. Sam has a map. A man sits in the
sun. The dog ran to a pond. I dig in the sand. Can a cat hop? Get the pan, Tom. Pam got a red hat.
It is hot in the tent. The hen sits on ten eggs. A fox hid in the den. Ned can mend a net. I had a
nap. Mum has a big bag. We go to the park. He led the dog up the hill. The mug is on a mat. The
bus is red. A rat can run. The sun is up. Let us hop and run. She fed the fish. I wish I had a
ship. The king has a gold ring. We sing a song at the end. A moth sat on the lamp. Can you see the
moon? The owl is in the wood. A goat is on the boat. Look at the rain. We need a bigger tent. The
queen has a quick horse. Jump over the log. A duck swims in the pond. The chick pecks at the corn.
I like my new bike. The snail is on the leaf. We made a cake for tea. The bees buzz in the hedge.
Is it time to go? My kite is up in the air. The frog jumps into the mud. A snake slid under a
stone. I can hear the wind. Put the cups in the box. A lamb is in the shed. The robin has a nest.
The tractor stopped at the gate. Frost is on the grass. We looked at the stars. It was a long way
to the sea. The cook has a wooden spoon. Bring me a brush and a comb. Six foxes ran past. The
zebra drinks at the lake. Zip up your jacket. The moonlight shone on the snow. A hedgehog crept
out of the leaves. What a big puddle! The baker sells fresh bread. We planted seeds in the garden.
The clown has yellow shoes. My friend lives next door. Nan is in a tent. Tap it on the tin. Sip
it, Pat. A pan is on the mat. Pip can nap in the sun. Is a dog in? Did it rain? Dad is at the dam.
A cod can dip and go. The goat ate a dock leaf. She sang to the lamb. He has a quiz book. The
train went over the bridge. The kitten played with a ball of wool.
"""
"""Our own, from the first letters to the last; for children of five to eight."""


class Lack(StrEnum):
    """What a sentence lacks."""

    NO_WORDS = "no_words"
    CAPITAL = "capital"
    CAPITAL_I = "capital_i"
    STOP = "stop"
    SPACES = "spaces"
    UNTAUGHT = "untaught"


@dataclass(frozen=True, slots=True)
class Note:
    """Something that a sentence lacks, and what to say of it."""

    lack: Lack
    what: str


@dataclass(frozen=True, slots=True)
class Looked:
    """A sentence looked over: its words in order, and what it lacks."""

    text: str
    words: tuple[str, ...]
    notes: tuple[Note, ...]


def look_over(text: str, taught: Iterable[str], language: Language | None = None) -> Looked:
    """Counts the words of a sentence, and says what it lacks.

    >>> looked = look_over("the cat  and i sat", "theandicsu")
    >>> len(looked.words), [note.lack.value for note in looked.notes]
    (5, ['capital', 'capital_i', 'stop', 'spaces'])
    >>> look_over("A cat sat.", "acst").notes
    ()
    """
    language = language or Language()
    words = tuple(re.findall(r"[A-Za-z][A-Za-z'-]*", text))
    if not words:
        return Looked(text, (), (Note(Lack.NO_WORDS, "There are no words in it yet."),))
    notes = []
    if not words[0][0].isupper():
        notes.append(Note(Lack.CAPITAL, f"Begin with a capital: {words[0].capitalize()}."))
    if any(word == "i" or word.startswith("i'") for word in words):
        notes.append(Note(Lack.CAPITAL_I, "The word I is always a capital."))
    if text.rstrip()[-1] not in ".!?":
        notes.append(Note(Lack.STOP, f"End with a {language.stop_name}."))
    if re.search(r"\s{2,}", text.strip()) or text != text.strip() or re.search(r"\s[.,!?]", text):
        notes.append(Note(Lack.SPACES, "One finger's space between words, none before a stop."))
    known = set(taught)
    lacking = sorted({x for word in words for x in word.lower() if x.isalpha()} - known)
    if lacking:
        notes.append(Note(Lack.UNTAUGHT, f"Not taught yet: {', '.join(lacking)}."))
    return Looked(text, words, tuple(notes))


@lru_cache(maxsize=1)
def bundled_sentences() -> tuple[str, ...]:
    """The sentences that come with the program."""
    return tuple(re.findall(r"[^.!?]+[.!?]", SENTENCES.replace("\n", " ").strip()))


def writable_sentences(taught: Iterable[str], new: Iterable[str] = ()) -> tuple[str, ...]:
    """The bundled sentences of taught letters; those with something new first, then the shorter.

    >>> writable_sentences("sitonam")
    ('Sit on a mat.',)
    """
    known, wanted = set(taught), set(new)
    letters = {
        text.strip(): {x for x in text.lower() if x.isalpha()} for text in bundled_sentences()
    }
    fitting = [text for text, used in letters.items() if used <= known]
    return tuple(sorted(fitting, key=lambda t: (not wanted & letters[t], len(t.split()), t)))
