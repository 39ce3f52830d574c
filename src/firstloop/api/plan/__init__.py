"""Plan: the class's hand, its letters, its families; files of them; today's lesson; its words, and
how they are asked for."""

from firstloop.api.plan import (
    customs,
    earlier,
    files,
    fonts,
    joined_plan,
    letters,
    own_letters,
    own_sheets,
    prompts,
    schemes,
    sheets,
    style,
    today,
    words,
)

ROUTERS = (
    style.router,
    customs.router,
    joined_plan.router,
    letters.router,
    files.router,
    own_letters.router,
    fonts.router,
    schemes.router,
    today.router,
    earlier.router,
    sheets.router,
    own_sheets.router,
    words.router,
    prompts.router,
)
