"""The small letters of the joined hands: led in from the base line, led out to the next.

In a word a letter gives up its flick, and the next one's lead-in begins where it stood: at the
turn on the base line, or after o r v w b at the dip below the mid line. Letters without a flick
(g j p q y without loops) are followed by a lift. Second strokes wait for the end of the word.
"""

JOINED = {
    "a": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S .44,base,E "
    ".88,.42,N; rise .88,mid; drop .88,.22 1.04,base,E; flick 1.26,.3,52",
    "b": "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,.28; scoop .36,base,E "
    ".8,.5,N .46,.96,W .2,.86,210; "
    "flick@-40 .7,.82,E .98,.96,32",
    "c": "-.3,base; lead-in@40 .46,mid,E .78,.88,-40; round@140 .46,mid,W 0,.5,S .5,base,E; "
    "flick .86,.26,48",
    "d": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S .44,base,E "
    ".88,.42,N; rise .88,top; drop .88,.22 1.04,base,E; flick 1.26,.3,52",
    "e": "-.34,base; lead-in@18 .8,.66,74; round .46,mid,W 0,.48,S .47,base,E; flick .84,.26,48",
    "f": "-.3,base; lead-in@30 .2,1.02,86 .2,1.5,N .42,top,E .62,1.72,-60; "
    "round@120 .42,top,W .2,1.5,S; drop .2,.22 .36,base,E; flick .58,.3,52 // 0,mid; cross .5,mid",
    "g": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S .44,base,E "
    ".88,.42,N; rise .88,mid; drop .88,-.5; hook .46,drop,W .04,-.72,130",
    "h": "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,base; back 0,branch; "
    "arch .4,mid,E .75,.56,S .75,.22 .91,base,E; flick 1.13,.3,52",
    "i": "-.42,base; lead-in@38 0,mid,62; drop 0,.22 .16,base,E; flick .38,.3,52 // "
    "0,1.45; dot .03,1.45",
    "j": "-.12,base; lead-in@38 .3,mid,62; drop .3,-.55; hook .02,drop,W -.22,-.78,125 // "
    ".3,1.45; dot .33,1.45",
    "k": "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,base; back 0,branch; "
    "wheel .3,mid,E .52,.78,S .26,.52,W .02,.48; slope@-8 .5,.16,-58 .66,base,E; "
    "flick .86,.28,50",
    "l": "-.42,base; lead-in@30 0,1.02,85 0,top; drop 0,.22 .16,base,E; flick .38,.3,52",
    "m": "-.42,base; lead-in@38 0,mid,62; drop 0,base; back 0,branch; arch .34,mid,E .63,.56,S "
    ".63,base; back .63,branch; arch .97,mid,E 1.26,.56,S 1.26,.22 1.42,base,E; "
    "flick 1.64,.3,52",
    "n": "-.42,base; lead-in@38 0,mid,62; drop 0,base; back 0,branch; "
    "arch .4,mid,E .75,.56,S .75,.22 .91,base,E; flick 1.13,.3,52",
    "o": "-.3,base; lead-in@40 .46,mid,E .78,.88,-40; round@140 .46,mid,W 0,.5,S .46,base,E "
    ".92,.5,N .54,.99,168; flick@-58 .82,.87,E 1.08,.97,32",
    "p": "-.42,base; lead-in@38 0,mid,62; drop 0,drop; back 0,branch; "
    "wheel .42,mid,E .88,.5,S .42,base,W 0,.2,125",
    "q": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S .44,base,E "
    ".88,.42,N; rise .88,mid; drop .88,drop",
    "r": "-.42,base; lead-in@38 0,mid,62; drop 0,base; back 0,branch; arm .34,mid,E .48,.94,-46; "
    "flick .68,.86,E .92,.96,32",
    "s": "-.3,base; lead-in@40 .38,mid,E .62,.87,-45; round@135 .38,mid,W .07,.76,S; "
    "slope .36,.51,-24 .69,.26,S; wheel .36,base,W .04,.12,140; curl@-40 .38,base,E; "
    "flick .8,.26,46",
    "t": "-.2,base; lead-in@30 .22,1.02,85 .22,1.5; drop .22,.22 .38,base,E; flick .6,.3,52 // "
    "0,mid; cross .48,mid",
    "u": "-.42,base; lead-in@38 0,mid,62; scoop 0,.44 .35,base,E .75,.4,N .75,mid; "
    "drop .75,.22 .91,base,E; flick 1.13,.3,52",
    "v": "-.42,base; lead-in@38 .04,mid,E; slope .15,.86,-68 .4,base; slope .74,mid; "
    "flick@-52 .96,.87,E 1.2,.97,32",
    "w": "-.42,base; lead-in@38 .04,mid,E; slope .14,.86,-72 .36,base; slope .62,mid; "
    "slope .88,base; slope 1.14,mid; flick@-52 1.36,.87,E 1.6,.97,32",
    "x": "-.42,base; lead-in@38 .03,mid,E; slope .15,.88,-56 .5,.28,-50 .8,base,E; "
    "flick 1.02,.28,50 // .7,mid; slope .02,base",
    "y": "-.42,base; lead-in@38 0,mid,62; scoop 0,.44 .35,base,E .75,.4,N .75,mid; "
    "drop .75,-.5; hook .37,drop,W -.02,-.72,130",
    "z": "-.42,base; lead-in@38 0,mid,58; cross .6,mid; slope 0,base; cross .5,base; "
    "flick .84,.26,46",
}

LOOPED = JOINED | {
    "b": "-.4,base; lead-in@32 .25,1.2,76; loop .14,top,W 0,1.5,S; drop 0,.28; "
    "scoop .36,base,E .8,.5,N .46,.96,W .2,.86,210; flick@-40 .7,.82,E .98,.96,32",
    "f": "-.4,base; lead-in@32 .25,1.2,76; loop .14,top,W 0,1.5,S; drop 0,-.55; "
    "loop .16,drop,E .32,-.58,N .06,base,148; cross .28,base; flick .54,.28,52",
    "g": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S .44,base,E "
    ".88,.42,N; rise .88,mid; drop .88,-.55; loop .68,drop,W .5,-.7,N .94,base,40; "
    "flick 1.24,.34,50",
    "h": "-.4,base; lead-in@32 .25,1.2,76; loop .14,top,W 0,1.5,S; drop 0,base; back 0,branch; "
    "arch .4,mid,E .75,.56,S .75,.22 .91,base,E; flick 1.13,.3,52",
    "j": "-.12,base; lead-in@38 .3,mid,62; drop .3,-.55; loop .1,drop,W -.08,-.7,N .36,base,40; "
    "flick .66,.34,50 // .3,1.45; dot .33,1.45",
    "k": "-.4,base; lead-in@32 .25,1.2,76; loop .14,top,W 0,1.5,S; drop 0,base; back 0,branch; "
    "wheel .3,mid,E .52,.78,S .26,.52,W .02,.48; slope@-8 .5,.16,-58 .66,base,E; "
    "flick .86,.28,50",
    "l": "-.4,base; lead-in@32 .25,1.2,76; loop .14,top,W 0,1.5,S; drop 0,.22 .16,base,E; "
    "flick .38,.3,52",
    "y": "-.42,base; lead-in@38 0,mid,62; scoop 0,.44 .35,base,E .75,.4,N .75,mid; "
    "drop .75,-.55; loop .55,drop,W .37,-.7,N .81,base,40; flick 1.11,.34,50",
    "q": "-.3,base; lead-in@40 .46,mid,E .88,.82,-48; round@132 .46,mid,W 0,.49,S .44,base,E "
    ".88,.42,N; rise .88,mid; drop .88,-.55; loop 1.04,drop,E 1.2,-.58,N .94,base,148; "
    "cross 1.16,base; flick 1.42,.28,52",
}
