"""What is foretold in whole arrays is what the loops come to before an attempt."""

import numpy as np
import pytest
from scripts.growing.schools import TUNED_ON, school

from firstloop.core.progress.following import follow
from firstloop.core.progress.foretelling import letters_on
from firstloop.core.progress.model import attempts_of, nothing_held, rules_for


@pytest.mark.parametrize("model", ["habits", "letters"])
def test_an_attempt_turns_what_was_foretold_into_what_is_held(model: str) -> None:
    evidence = school(model, 9, 1, TUNED_ON).evidence
    rules, held = rules_for(evidence.letters), nothing_held(len(evidence.letters))
    for at in range(60):
        letter, day = int(evidence.letter[at]), float(evidence.days[at])
        foretold = letters_on(held, rules, day)[letter]
        follow(held, attempts_of(evidence, at, at + 1), rules)
        for dimension, seen in enumerate(evidence.seen[at].tolist()):
            if seen < 0:
                continue
            said = rules.said[evidence.help[at], int(evidence.judged[at])]
            doubt = evidence.doubt[at, dimension] if seen == 0 else 0.0
            likely = (1.0 - doubt) * said[seen] + doubt * said[1]
            shares = foretold[dimension] * likely
            assert np.allclose(held.stands[letter, dimension], shares / shares.sum(), atol=1e-12)
