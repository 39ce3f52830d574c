"""Sentences to write: which are made of taught letters, and what a teacher's own one lacks."""

import re
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from functools import lru_cache

from firstloop.core.vocabulary.language import Language

SENTENCES = """
Tip it into a tin. It is in a tin. Nip in at six, Tim. A pin sits in it. Pat it, Nan. Is it an ant?
Ten ants sit in a nest. I am at the top. Pam spins a tin. Not in a sack, Tom! Can Ann nap in a tent?
The dog ran to a pond. I dig in the sand. Can a goat hop? Get the pan, Tom. Pam lost a red sock. It
is hot in the tent. The hen sits on ten eggs. A fox hid in the den. Ned can mend a net. I slept
until ten. Mum has a big bag. Run to the gate and back! He led the pony up the hill. Who had the
mug? This bus is full. A rat can run. Up comes the sun. Let us hop and run. She fed the fish. I wish
I had a ship. The king has a gold ring. We sing a song at the end. A moth sat on the lamp. Can you
see the moon? Where does the owl sleep? A goat is on the boat. Look at the rain! We need a bigger
tent. The queen has a quick horse. Jump over the log. A duck swims in the pond. Do chicks like corn?
I like my new bike. Hush, a snail is asleep. We made a cake for tea. The bees buzz in the hedge. Is
it time to go? My kite is up in the air. Watch the frog jump! A snake slid under a stone. I can hear
the wind. Put the cups in the box. How small that lamb is! The robin has a nest. The tractor stopped
at the gate. Frost is on the grass. We looked at the stars. It was a long way to the sea. The cook
has a wooden spoon. Bring me a brush and a comb. Six foxes ran past. The zebra drinks at the lake.
Zip up your jacket. The moonlight shone on the snow. A hedgehog crept out of the leaves. What a big
puddle! The baker sells fresh bread. We planted seeds in the garden. The clown has yellow shoes. My
friend lives next door. Sip it, Pat. Stop at the pond, Dad. Pip can nap in the sun. Did a dog dig it
up? Did it rain? Dad is at the dam. The goat ate a dock leaf. She sang to the lamb. He has a quiz
book. The train went over the bridge. Did the kitten catch its tail? Please may I have the jam? Why
is the sky so red? Listen, somebody is at the door! Our boat leaks. Fetch the ladder quickly! When
will the plums be ripe? I am in it, Tim. Dad and I nap. Did Pam add it? Dig in, Sid. Is a pig damp?
Stop it, Tom. A dog is on a mat. Can a cat dig? A cat is in a cot. Ask Kim to skip. I can pick a
sock. Get a pen, Ken. Ten kids sit on a deck. A pup dug in mud. Tuck it in, Mum. Drop it, Rod. A red
drum is on a desk. He hid her hat. Is that pot hot? Bob rubs his chin. A bug is on the bench. Off he
ran! Fit the fan on the bench. Lift the lamp. A little bell fell. Let the lid drop. Drive the van up
the hill. Never give up! We will swim. Wipe the wet window. How low can we go? Mix it in the box.
Fix the next six. Yes, you may play. Yell if you can see it. Zoe fed the zebra. A lizard ran on the
path. Zip up the bag, Liz. Jan has a jug of jam. Just join in, Jim. Be quick and quiet. Is the quilt
soft? Did the queen quit? Lit lamps hang in a hall. All of us call out. A tall lad lit it. Tilt it
till it tips. Nan and I hunt. I hum in a hut. Mum, I am ill. Run in, all of you! A bat hung in a
barn. Put it in a pot. A lamb ran up a hill. Add a dot. A good dog sees food. A cat had a good jog.
Load a lot of coal. I do a lot. A dad had a doll. Cut it, cook it and eat it! Fold it in half. A
goat at a gate got a coat. Look, a duck! Good food is hot. A fox got a cold foot. Some geese need a
rest. See, a seed! Ann can mend a net. A mouse ran across a room. Our mum runs a race. One swan swam
to us. Wear a warm vest in snow. We saw seven waves. Six cars race on. A van was at our cave. No zoo
is as nice as ours. Six men mix cement. A vixen was in a cave. A quiet queen is quite quick. Quack,
said the duck. The puppy yaps at the yak. Happy boys hop by. Jog to the jetty and jump in. Keep the
key by the kettle. Kick the ball back to Kit. A jolly dog jogs. Why is my jelly yellow? Give the pig
a fig. Gran grins at the goose. Get the eggs, Meg. Pat the pony on its back. A pilot pops up. Can
you spot the spider? Stop and look left! Tell Ted the time. Start at ten past two. The red robin is
at rest. Rub the lamp, rub it! A rich king has rings. Both the boys blow bubbles. Do bats bite? Her
hair is in a bun. How high can you hop? Five frogs jump off a leaf. Is the puff of fluff soft? Cold
feet need socks. Come and count the cups. We had nuts and plums. A duck ran up. Under the mud is a
bug. When will we win? The wet dog will shake. Wind the wool up well. Vets help pets. I have seven
velvet gloves. Did you save a wave for me? Mix six eggs. The fox naps in a box. Is it exactly six? A
buzz came from the hive. Lazy lizards doze. Has the prize gone? My zip is stuck! Meg has a red
hammer. Ed made room for me. Pam raced a sheep. Bob had a sore arm. A dog raced a frog. He had good
food. His hat has a hole. Mum has a warm hut. Six ants sat on a stone. A cup is on its side. Put us
on a bus, Mum.
"""
"""Our own, from the first letters to the last, for children of five to eight. Statements,
questions, requests and calls, so that all three end marks are met."""

PHRASES = """
in a tin, a pin, at ten, an ant, tap a tin, in a pit, a tin pan, ten nets, a red tent, on the sand,
in the den, at the top, a big dog, up the hill, a fast bus, hop and run, in the mud, a red hen,
wet socks, six eggs, a hot bun, cut the bread, under a log, a long song, with a thud, on a ship,
fish and chips, a green frog, by the pond, in the rain, a loud owl, down the lane, a kind queen,
behind the shed, over the bridge, two quick foxes, a yellow kite, through the leaves, next to me,
all day long, before tea, a jug of milk, my best friend, at the seaside, a very small zebra
"""
"""Our own: a few words that belong together and are no sentence."""


class Lack(StrEnum):
    """What a sentence lacks."""

    NO_WORDS = "no_words"
    CAPITAL = "capital"
    CAPITAL_I = "capital_i"
    STOP = "stop"
    SPACES = "spaces"
    UNTAUGHT = "untaught"
    PHRASE = "phrase"


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
    (5, ['phrase', 'capital_i', 'spaces'])
    >>> [note.lack.value for note in look_over("The cat sat", "theacs").notes]
    ['stop']
    >>> look_over("A cat sat!", "acst").notes
    ()
    """
    language = language or Language()
    words = tuple(re.findall(r"[A-Za-z][A-Za-z'-]*", text))
    if not words:
        return Looked(text, (), (Note(Lack.NO_WORDS, "There are no words in it yet."),))
    notes = []
    if is_phrase(text):
        stop = language.stop_name
        what = f"A phrase. For a sentence, begin with a capital and end with a {stop}, ! or ?"
        notes.append(Note(Lack.PHRASE, what))
    elif not words[0][0].isupper():
        notes.append(Note(Lack.CAPITAL, f"Begin with a capital: {words[0].capitalize()}."))
    if any(word == "i" or word.startswith("i'") for word in words):
        notes.append(Note(Lack.CAPITAL_I, "The word I is always a capital."))
    if text.rstrip()[-1] not in ENDS and not is_phrase(text):
        notes.append(Note(Lack.STOP, f"End with a {language.stop_name}, ! or ?"))
    if re.search(r"\s{2,}", text.strip()) or text != text.strip() or re.search(r"\s[.,!?]", text):
        notes.append(Note(Lack.SPACES, "One finger's space between words, none before a stop."))
    known = set(taught)
    lacking = sorted({x for word in words for x in word.lower() if x.isalpha()} - known)
    if lacking:
        notes.append(Note(Lack.UNTAUGHT, f"Not taught yet: {', '.join(lacking)}."))
    return Looked(text, words, tuple(notes))


ENDS = ".!?"


def is_phrase(text: str) -> bool:
    """Whether some words are no sentence and do not mean to be one: no capital, no end mark.

    >>> is_phrase("in the sun"), is_phrase("In the sun"), is_phrase("Is it hot?"), is_phrase("")
    (True, False, False, False)
    >>> is_phrase("7 pens")
    True
    """
    text = text.strip()
    return (text[:1].islower() or text[:1].isdigit()) and text[-1:] not in ENDS


COUNTED = (
    "ants tins pins pans hats cats dogs eggs hens pigs nets pens cups tents buns nuts maps frogs "
    "ducks stars bells drums boats"
)
"""Things that a class sees and counts, the shortest to write first."""


def things_counted(new: Iterable[str], taught: Iterable[str]) -> str:
    """Of digits that are new the first, with things that can be written; nothing where none is new.

    >>> things_counted(["7"], "satpin"), things_counted(["1"], "satpin"), things_counted("n", "an")
    ('7 ants', '1 ant', '')
    """
    known = set(taught)
    digit = next((part for part in new if part.isdigit()), "")
    things = (thing for thing in COUNTED.split() if set(thing) <= known)
    thing = next(things, "")
    if not digit or not thing:
        return ""
    return f"{digit} {thing.removesuffix('s') if digit == '1' else thing}"


@lru_cache(maxsize=1)
def bundled_phrases() -> tuple[str, ...]:
    """The phrases that come with the program."""
    return tuple(phrase.strip() for phrase in PHRASES.replace("\n", " ").split(","))


@lru_cache(maxsize=1)
def bundled_sentences() -> tuple[str, ...]:
    """The sentences that come with the program."""
    return tuple(re.findall(r"[^.!?]+[.!?]", SENTENCES.replace("\n", " ").strip()))


def writable_sentences(
    taught: Iterable[str], new: Iterable[str] = (), words: Iterable[str] = ()
) -> tuple[str, ...]:
    """The bundled sentences of taught letters, and of words that are taught as they stand; those
    with something new (letters, pairs) first, then the shorter.

    >>> writable_sentences("sitna", words=["the"])
    ('Is it an ant?', 'It is in a tin.')
    """
    return _writable(bundled_sentences(), taught, new, words)


def writable_phrases(
    taught: Iterable[str], new: Iterable[str] = (), words: Iterable[str] = ()
) -> tuple[str, ...]:
    """The bundled phrases, as the sentences."""
    return _writable(bundled_phrases(), taught, new, words)


def _writable(
    texts: Iterable[str], taught: Iterable[str], new: Iterable[str], words: Iterable[str]
) -> tuple[str, ...]:
    known, wanted, whole = set(taught), set(new), {word.lower() for word in words}
    letters = {
        text.strip(): {
            x
            for word in re.findall(r"[a-z'-]+", text.lower())
            if word not in whole
            for x in word
            if x.isalpha()
        }
        for text in texts
    }
    fitting = [text for text, used in letters.items() if used <= known]

    def has_it(text: str) -> bool:
        """A pair counts where its letters stand together, a letter in what is read letter by
        letter."""
        return any(x in (text.lower() if len(x) > 1 else letters[text]) for x in wanted)

    return tuple(sorted(fitting, key=lambda text: (not has_it(text), len(text.split()), text)))
