"""The address of every screen, for what all of them are to keep to."""

SCREENS = [
    "/plan/today",
    "/plan/families",
    "/plan/letters/n",
    "/plan/words",
    "/plan/hand",
    "/plan/joining",
    "/plan/ways",
    "/plan/class",
    "/show/n",
    "/write",
    "/write/tally",
    "/hand",
    "/write/n",
    "/write/text?kind=word&target=hen",
    "/check/n",
    "/check/text",
    "/grow",
    "/settings",
    "/new-class",
]
