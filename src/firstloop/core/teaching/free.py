"""What free writing begins with: a question, or a small picture."""

PICTURES = ("boat", "house", "tree", "fish", "kite", "snail")
"""By name; the interface draws them."""

A_PICTURE = "picture: "
"""What a prompt begins with that is a picture's name."""

QUESTIONS = (
    "What can you see from your window?",
    "What do you like to eat?",
    "Who lives in your house?",
    "Where would you go on a boat?",
    "What is in your bag?",
    "What did you do on Sunday?",
    "What makes you laugh?",
    "What can you hear just now?",
)


def prompts() -> tuple[str, ...]:
    """All that come with the program; a teacher may ask her own question.

    >>> prompts()[0]
    'picture: boat'
    """
    return (*(A_PICTURE + name for name in PICTURES), *QUESTIONS)


def picture_of(prompt: str) -> str | None:
    """The name of the picture that a prompt is, or None where it is a question.

    >>> picture_of("picture: kite"), picture_of("Who is there?"), picture_of("picture: moon")
    ('kite', None, None)
    """
    name = prompt.removeprefix(A_PICTURE)
    return name if prompt.startswith(A_PICTURE) and name in PICTURES else None
