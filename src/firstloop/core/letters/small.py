"""The small letters of print: plain, upright, without exits. Notation: see `core/moves.py`."""

SMALL = {
    "a": ".88,.8; round@125 .46,mid,W 0,.49,S .44,base,E .88,.42,N; rise .88,mid; drop .88,base",
    "b": "0,top; drop 0,base; back 0,branch; wheel .42,mid,E .88,.5,S .42,base,W 0,.2,125",
    "c": ".83,.8; round@125 .46,mid,W 0,.5,S .46,base,E .85,.2,48",
    "d": ".88,.8; round@125 .46,mid,W 0,.49,S .44,base,E .88,.42,N; rise .88,top; drop .88,base",
    "e": ".04,.53; cross .85,.53; round@N .45,mid,W 0,.5,S .46,base,E .83,.18,46",
    "f": ".64,1.7; round@120 .44,top,W .2,1.55,S; drop .2,base // 0,mid; cross .5,mid",
    "g": ".88,.8; round@125 .46,mid,W 0,.49,S .44,base,E .88,.42,N; rise .88,mid; "
    "drop .88,-.5; hook .46,drop,W .04,-.72,130",
    "h": "0,top; drop 0,base; back 0,branch; arch .4,mid,E .75,.56,S .75,base",
    "i": "0,mid; drop 0,base // 0,1.45; dot .03,1.45",
    "j": ".3,mid; drop .3,-.55; hook .02,drop,W -.22,-.78,125 // .3,1.45; dot .33,1.45",
    "k": "0,top; drop 0,base // .58,mid; slope .03,.4; slope .64,base",
    "l": "0,top; drop 0,base",
    "m": "0,mid; drop 0,base; back 0,branch; arch .34,mid,E .63,.56,S .63,base; "
    "back .63,branch; arch .97,mid,E 1.26,.56,S 1.26,base",
    "n": "0,mid; drop 0,base; back 0,branch; arch .4,mid,E .75,.56,S .75,base",
    "o": ".5,mid; round@W 0,.5,S .46,base,E .93,.5,N .5,mid,W",
    "p": "0,mid; drop 0,drop; back 0,branch; wheel .42,mid,E .88,.5,S .42,base,W 0,.2,125",
    "q": ".88,.8; round@125 .46,mid,W 0,.49,S .44,base,E .88,.42,N; rise .88,mid; drop .88,drop",
    "r": "0,mid; drop 0,base; back 0,branch; arm .37,mid,E .54,.9,-50",
    "s": ".68,.82; round@125 .38,mid,W .06,.76,S; slope .37,.51,-24 .71,.25,S; "
    "wheel .36,base,W .01,.18,130",
    "t": ".22,1.5; drop .22,.28; curl .44,base,E .6,.08,35 // 0,mid; cross .48,mid",
    "u": "0,mid; scoop 0,.44 .35,base,E .75,.4,N .75,mid; drop .75,base",
    "v": "0,mid; slope .36,base; slope .72,mid",
    "w": "0,mid; slope .27,base; slope .54,mid; slope .81,base; slope 1.08,mid",
    "x": "0,mid; slope .68,base // .68,mid; slope 0,base",
    "y": "0,mid; scoop 0,.44 .35,base,E .75,.4,N .75,mid; drop .75,-.5; "
    "hook .37,drop,W -.02,-.72,130",
    "z": "0,mid; cross .66,mid; slope 0,base; cross .7,base",
}
