"""Plan: the class's hand, its letters, its families; hands and schemes in and out as files."""

from firstloop.api.plan import files, letters, schemes, style

ROUTERS = (style.router, letters.router, files.router, schemes.router)
