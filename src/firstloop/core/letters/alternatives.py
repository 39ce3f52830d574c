"""Accepted alternatives: other good ways to write a letter. A class picks one and keeps to it.

For each letter the first name is the one that the hand's own script goes by.
"""

from collections.abc import Iterable

PRINT = {
    "k": {
        "straight legs": None,
        "looped": "0,top; drop 0,base; back 0,branch; wheel .3,mid,E .52,.78,S .26,.52,W .02,.48; "
        "slope .62,base",
    },
    "q": {
        "straight tail": None,
        "flicked tail": ".88,.8; round@125 .46,mid,W 0,.49,S .44,base,E .88,.42,N; rise .88,mid; "
        "drop .88,-.72; curl 1.03,drop,E 1.2,-.72,50",
    },
    "t": {
        "curved foot": None,
        "straight foot": ".22,1.5; drop .22,base // 0,mid; cross .46,mid",
        "tall, curved foot": ".22,1.76; drop .22,.28; curl .44,base,E .6,.08,35 // 0,mid; "
        "cross .48,mid",
        "tall, straight foot": ".22,1.76; drop .22,base // 0,mid; cross .46,mid",
    },
    "v": {
        "pointed": None,
        "rounded": "0,mid; slope .25,.09; curl .37,base,E .49,.09,74; slope .74,mid",
    },
    "w": {
        "pointed": None,
        "rounded": "0,mid; scoop 0,.4 .27,base,E .54,.4,N .54,mid; "
        "scoop .54,.4 .81,base,E 1.08,.4,N 1.08,mid",
    },
    "y": {
        "scooped": None,
        "slanted": "0,mid; slope .38,base // .76,mid; slope .02,drop",
    },
    "z": {
        "plain": None,
        "barred": "0,mid; cross .66,mid; slope 0,base; cross .7,base // .14,.52; cross .54,.52",
    },
}

SHARED = {
    "E": {
        "middle bar shorter": None,
        "bars equal": "0,top; drop 0,base // 0,top; cross .84,top // 0,1; cross .84,1 // 0,base; "
        "cross .84,base",
    },
    "I": {
        "plain": None,
        "barred": ".32,top; drop .32,base // 0,top; cross .64,top // 0,base; cross .64,base",
    },
    "1": {
        "straight": None,
        "flagged": "0,1.52; slope .3,top; drop .3,base",
        "footed": "0,1.52; slope .3,top; drop .3,base // 0,base; cross .6,base",
    },
    "4": {
        "open": None,
        "closed": ".66,top; slope 0,.6; cross .94,.6 // .66,top; drop .66,base",
    },
    "7": {
        "plain": None,
        "barred": "0,top; cross .84,top; slope .26,base // .22,1; cross .76,1",
    },
    "8": {
        "left first": None,
        "right first": ".1,1.52; round@72 .45,top,E .8,1.46,S; slope .44,1.01,-144 0,.5,S; "
        "wheel .45,base,E .9,.5,N; slope .44,1.01,142 .1,1.52,92",
    },
    "9": {
        "straight stem": None,
        "curved stem": ".84,1.46; round@104 .44,top,W .02,1.4,S .41,.92,E .84,1.34,N; "
        "rise .84,1.5; drop .84,.58; hook .42,base,W .05,.26,122",
    },
}

_SCOOPED_LEAD = "-.42,base; lead-in@38 0,mid,62; "
JOINED = {
    "k": {
        "looped": None,
        "straight legs": "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,base; back 0,branch; "
        "slope@45 .46,mid; slope .06,.46; slope .44,.16 .62,base,E; flick .84,.28,50",
    },
    "p": {
        "no exit": None,
        "with an exit": "-.42,base; lead-in@38 0,mid,62; drop 0,drop; back 0,branch; "
        "wheel .42,mid,E .88,.5,S .42,base,W 0,.2,125; curl@-50 .42,base,E; flick 1.04,.3,46",
    },
    "q": {
        "straight tail": None,
        "flicked tail": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S "
        ".44,base,E .88,.42,N; rise .88,mid; drop .88,-.72; curl 1.03,drop,E 1.2,-.72,50",
    },
    "t": {
        "half way": None,
        "tall": "-.2,base; lead-in@30 .22,1.02,85 .22,1.76; drop .22,.22 .38,base,E; "
        "flick .6,.3,52 // 0,mid; cross .48,mid",
    },
    "v": {
        "pointed": None,
        "rounded": _SCOOPED_LEAD + "slope .23,.09; curl .35,base,E .47,.09,75; slope .7,mid; "
        "flick@-52 .92,.87,E 1.16,.97,32",
    },
    "w": {
        "pointed": None,
        "rounded": _SCOOPED_LEAD + "scoop 0,.4 .27,base,E .54,.4,N .54,mid; "
        "scoop .54,.4 .81,base,E 1.08,.4,N 1.08,mid; flick@-52 1.3,.87,E 1.54,.97,32",
    },
    "y": {
        "scooped": None,
        "slanted": _SCOOPED_LEAD + "slope .34,base; slope .7,mid; slope .02,drop",
    },
    "z": {
        "plain": None,
        "barred": "-.42,base; lead-in@38 0,mid,58; cross .6,mid; slope 0,base; cross .5,base; "
        "flick .84,.26,46 // .12,.52; cross .5,.52",
    },
}

TAUGHT_APART = {
    "8": (("left first",), ("right first",)),
    "E": (("middle bar shorter",), ("bars equal",)),
    "p": (("no exit",), ("with an exit",)),
    "t": (
        ("curved foot", "straight foot", "half way"),
        ("tall, curved foot", "tall, straight foot", "tall"),
    ),
}
"""Of these only the ways that stand with the one a class has chosen are good writing. Begun to the
right, an 8 is the usual slip of a child that was taught to go left; and where schools differ, a
child is to write as its own does."""


def accepted_with(letter: str, chosen: str, names: Iterable[str]) -> tuple[str, ...]:
    """Of the ways of a letter, by name, those that are good writing where `chosen` is taught.

    >>> accepted_with("t", "tall, curved foot", ["curved foot", "tall, straight foot"])
    ('tall, straight foot',)
    >>> accepted_with("k", "looped", ["straight legs"])
    ('straight legs',)
    """
    if letter not in TAUGHT_APART:
        return tuple(names)
    together = next((group for group in TAUGHT_APART[letter] if chosen in group), (chosen,))
    return tuple(name for name in names if name in together)


TAILS = ("f", "g", "j", "y")
"""In both joined hands these may have a loop or not; the other hand's script is the alternative."""
