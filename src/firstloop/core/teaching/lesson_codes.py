"""The code of a lesson: two short plain words that a child can be told, a teacher can read across a
room, and nobody spells in two ways."""

import re
from collections.abc import Callable, Collection

WORDS = tuple(
    """
    acorn apple arch arm badge ball band bank barn basil basket beach bead bean bear bed bee bell
    belt bench bird blue boat bone book boot bowl box branch bread brick brook broom brush bucket
    bulb bus butter button cabin cake calf camel candle cap car card castle cat chair chalk cheek
    cherry chick chin clay cliff clock cloud clover coat cobweb comb cook coral corn cot cotton
    crab crane cup curl dawn desk dish dog door dot dove drum duck dust eagle ear east egg elbow
    elm farm fence fern field fig finch finger fish flag flame flask flint floor fog forest fork
    fox frog fruit garden gate ginger glove goat gold goose grape grass green guitar hammer hand
    harp hat hedge hen hill honey hook horn house ice ink island ivy jacket jam jar jelly
    jug jungle kettle kite kitten ladder lake lamb lamp lark lawn leaf lemon lentil lily linen
    lion lizard log lunch map maple market mask meadow melon milk mint mirror mist mitten mole
    moon moss moth mouse mud mug music nest night north nut oak oat olive onion orange otter oven
    owl paint palm panda paper park parrot path peach pear pebble pen pencil pepper piano pillow
    pine pink planet plant plate plum pocket pond pony poppy potato puffin pumpkin puppy purple
    rabbit rain red ribbon ring river road robin rock roof rope rose rug salt sand scarf seal
    shed sheep shell ship shoe silver sky sled snail snow sock soup south spade spark spider
    spoon spring stamp star stone storm straw summer sun swan table tail tea tent thumb
    tiger toast torch towel tower train tray tree tulip tunnel turtle velvet violin wagon wall
    walnut water wave well west whale wheat wheel willow wind window wing winter wolf wood wool
    yarn yellow zebra
    """.split()  # noqa: SIM905  # a list to be read, not 301 lines
)  # fmt: skip

_NO_LETTER = re.compile(r"[^a-z]+")


def plain(code: str) -> str:
    """A code without what does not matter: capitals, and what joins its words.

    >>> plain("Otter-Kite"), plain(" otter  KITE "), plain("otterkite")
    ('otterkite', 'otterkite', 'otterkite')
    """
    return _NO_LETTER.sub("", code.casefold())


def new_code(choose: Callable[[tuple[str, ...]], str], taken: Collection[str] = ()) -> str:
    """Two different words, chosen by who calls; none of those that are taken, by whichever words
    they are made of.

    >>> drawn = iter(["sun", "flag", "sun", "sun", "owl"])
    >>> new_code(lambda _: next(drawn), ["sunflag"])
    'sun owl'
    """
    while True:
        first = choose(WORDS)
        second = choose(WORDS)
        while second == first:
            second = choose(WORDS)
        if plain(f"{first} {second}") not in taken:
            return f"{first} {second}"
