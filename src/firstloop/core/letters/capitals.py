"""Capitals, digits and marks. All hands share them; capitals do not join."""

CAPITALS = {
    "A": ".6,top; slope 0,base // .6,top; slope 1.2,base // .2,.62; cross 1,.62",
    "B": "0,top; drop 0,base // 0,top; wheel .4,top .8,1.47,S .4,1.03,W 0,1.03; "
    "wheel@E .42,1.03 .94,.52,S .42,base,W 0,base",
    "C": "1.12,1.52; round@120 .64,top,W 0,.95,S .64,base,E 1.14,.38,52",
    "D": "0,top; drop 0,base // 0,top; wheel .36,top 1.12,.95,S .36,base,W 0,base",
    "E": "0,top; drop 0,base // 0,top; cross .84,top // 0,1; cross .7,1 // 0,base; cross .86,base",
    "F": "0,top; drop 0,base // 0,top; cross .84,top // 0,1; cross .7,1",
    "G": "1.12,1.52; round@120 .64,top,W 0,.95,S .64,base,E 1.16,.5,N; rise 1.16,.84; cross .7,.84",
    "H": "0,top; drop 0,base // 1.06,top; drop 1.06,base // 0,1; cross 1.06,1",
    "I": "0,top; drop 0,base",
    "J": ".66,top; drop .66,.5; hook .34,base,W 0,.4,105",
    "K": "0,top; drop 0,base // .94,top; slope .03,.86; slope 1,base",
    "L": "0,top; drop 0,base; cross .84,base",
    "M": "0,top; drop 0,base // 0,top; slope .66,.4; slope 1.32,top; drop 1.32,base",
    "N": "0,top; drop 0,base // 0,top; slope 1.1,base; rise 1.1,top",
    "O": ".7,top; round@W 0,.95,S .67,base,E 1.34,.95,N .7,top,W",
    "P": "0,top; drop 0,base // 0,top; wheel .42,top .9,1.42,S .42,.94,W 0,.94",
    "Q": ".7,top; round@W 0,.95,S .67,base,E 1.34,.95,N .7,top,W // .84,.46; slope 1.34,base",
    "R": "0,top; drop 0,base // 0,top; wheel .42,top .9,1.42,S .42,.94,W .02,.94; "
    "slope@E .36,.94; slope 1,base",
    "S": ".92,1.55; round@122 .5,top,W .08,1.44,S; slope .5,.98,-24 .96,.49,S; "
    "wheel .48,base,W 0,.36,125",
    "T": ".55,top; drop .55,base // 0,top; cross 1.1,top",
    "U": "0,top; scoop 0,.56 .53,base,E 1.06,.56,N 1.06,top",
    "V": "0,top; slope .58,base; slope 1.16,top",
    "W": "0,top; slope .42,base; slope .84,top; slope 1.26,base; slope 1.68,top",
    "X": "0,top; slope 1.08,base // 1.08,top; slope 0,base",
    "Y": "0,top; slope .54,.94 // 1.08,top; slope .54,.94; drop .54,base",
    "Z": "0,top; cross 1,top; slope 0,base; cross 1.04,base",
}

DIGITS = {
    "0": ".5,top; round@W 0,.95,S .46,base,E .92,.95,N .5,top,W",
    "1": "0,top; drop 0,base",
    "2": ".03,1.5; wheel@68 .43,top,E .83,1.42,S .56,.78,-128; slope 0,base; cross .9,base",
    "3": ".05,1.58; wheel@58 .41,top,E .78,1.46,S .36,1.02,W; "
    "wheel@E .86,.51,S .41,base,W 0,.34,122",
    "4": ".52,top; slope 0,.6; cross .94,.6 // .68,1.3; drop .68,base",
    "5": ".12,top; drop .08,1.08; wheel@42 .44,1.22,E .88,.62,S .42,base,W 0,.28,135 // "
    ".12,top; cross .78,top",
    "6": ".72,top; round@212 0,.6,S .44,base,E .87,.53,N .45,1.04,W .01,.68,252",
    "7": "0,top; cross .84,top; slope .26,base",
    "8": ".8,1.52; round@108 .45,top,W .1,1.46,S; slope .46,1.01,-36 .9,.5,S; "
    "wheel .45,base,W 0,.5,N; slope .46,1.01,38 .8,1.52,88",
    "9": ".84,1.46; round@104 .44,top,W .02,1.4,S .41,.92,E .84,1.34,N; "
    "rise .84,1.5; drop .84,base",
}

MARKS = {
    ".": "0,.04; dot .03,.04",
    ",": ".06,.06; slope -.06,-.24",
    "!": "0,top; drop 0,.42 // 0,.04; dot .03,.04",
    "?": ".02,1.5; wheel@70 .38,top,E .74,1.46,S .42,.98,-130 .34,.72,S; drop .34,.42 // "
    ".34,.04; dot .37,.04",
    "-": "0,.5; cross .46,.5",
    "'": ".04,top; slope 0,1.5",
}
