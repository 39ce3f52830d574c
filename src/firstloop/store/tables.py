"""All tables together: what migrations compare the record with."""

from firstloop.store import (
    attempts,
    classes,
    findings,
    handed_in,
    inks,
    judged_hands,
    judgements,
    lessons,
    own_hands,
    own_phrases,
    own_schemes,
    own_vocabulary,
    practice_days,
    pupils,
    school,
    standings,
    taught_joins,
    taught_letters,
    taught_words,
    texts,
)
from firstloop.store.base import Base

MODULES = (
    attempts,
    classes,
    findings,
    handed_in,
    inks,
    judged_hands,
    judgements,
    lessons,
    own_hands,
    own_phrases,
    own_schemes,
    own_vocabulary,
    practice_days,
    pupils,
    school,
    standings,
    taught_joins,
    taught_letters,
    taught_words,
    texts,
)

METADATA = Base.metadata
