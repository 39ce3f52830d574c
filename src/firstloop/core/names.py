"""What people and classes are called: kept so that what looks the same is the same, and compared so
that two that cannot be told apart by eye are not taken for two without being asked about."""

import re
import unicodedata

_UNSEEN = re.compile(
    "[\u00ad\u034f\u115f\u1160\u17b4\u17b5\u180b-\u180f\u2800\u3164\ufe00-\ufe0f\uffa0"
    "\U000e0100-\U000e01ef]"
)
"""Fillers and selectors that show nothing by themselves; besides them every format character (Cf)
is left out: Unicode's Default_Ignorable_Code_Point."""

_SPACES = re.compile(r"\s+")

_LIKE = str.maketrans(
    "АВЕКМНОРСТУХІЈЅаеорсухіјѕһԁԛԝкΑΒΕΖΗΙΚΜΝΟΡΤΥΧαινορυχκıɑɡȷℓlI1|0",
    "ABEKMHOPCTYX1jSaeopcyxijshdqwkABEZH1KMNOPTYXaivopuxkiagj11111O",
)
"""Letters that look like others in a font for reading (after Unicode's confusables, UTS 39), and
what each is taken for: Cyrillic, Greek and rare Latin ones; each tall stroke for a 1."""


def cleaned(name: str) -> str:
    """A name as it is kept: full width and ligatures as plain letters (NFKC), nothing that is not
    seen, single spaces within and none around.

    >>> cleaned("Ｕｎａ\u200b"), cleaned("\u3164\u00ad"), cleaned(" Ana \u00a0 Bo ")
    ('Una', '', 'Ana Bo')
    """
    plain = unicodedata.normalize("NFKC", _UNSEEN.sub("", name))
    seen = "".join(sign for sign in plain if unicodedata.category(sign) != "Cf")
    return _SPACES.sub(" ", _UNSEEN.sub("", seen)).strip(" ")


def key_of(name: str) -> str:
    """What makes two names the same: neither case nor how they were typed parts them.

    >>> key_of("UNA") == key_of("u\u200bna")
    True
    """
    return unicodedata.normalize("NFC", cleaned(name).casefold())


def look_alike(one: str, other: str) -> bool:
    """Whether two different names look the same.

    >>> look_alike("Аna", "Ana"), look_alike("lan", "Ian"), look_alike("Ana", "Una")
    (True, True, False)
    >>> look_alike("ana", "Ana"), look_alike("Lia", "Ila"), look_alike("Lan", "Ian")
    (False, False, False)
    """
    return key_of(one) != key_of(other) and _seen(one) == _seen(other)


def _seen(name: str) -> str:
    return cleaned(name).translate(_LIKE).casefold()
