"""Plan: the class's hand, its letters, its families; files of them; today's lesson; its words, and
how they are asked for."""

from firstloop.api.plan import (
    customs,
    files,
    joining,
    letters,
    prompts,
    schemes,
    style,
    today,
    words,
)

ROUTERS = (
    style.router,
    customs.router,
    joining.router,
    letters.router,
    files.router,
    schemes.router,
    today.router,
    words.router,
    prompts.router,
)
