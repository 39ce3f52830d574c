"""What a browser shows to be known by, and what is kept of it."""

import hashlib
import secrets

TOKEN_BYTES = 32


def new_token() -> str:
    """Something to show that nobody guesses."""
    return secrets.token_urlsafe(TOKEN_BYTES)


def digest_of(token: str) -> str:
    """What is kept of what a browser shows: whoever reads it cannot show it."""
    return hashlib.sha256(token.encode("utf-8", "replace")).hexdigest()
