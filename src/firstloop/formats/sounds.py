"""Short recordings as browsers make them: kept as they came, once it is known what they are."""

from firstloop.core.errors import FirstLoopError

LARGEST_SOUND = 1_000_000
"""Bytes: a word is some 20,000; a minute at the bit rate of most browsers would not fit."""

_STARTS = (
    (0, b"\x1aE\xdf\xa3", "audio/webm"),
    (0, b"OggS", "audio/ogg"),
    (4, b"ftyp", "audio/mp4"),
)
_WAVE = b"RIFF", b"WAVE"


class SoundError(FirstLoopError):
    """Something that is no recording, or too long a one."""


def media_of(sound: bytes) -> str:
    """The media type of a recording, by its first bytes; raises SoundError.

    >>> media_of(b"OggS and more"), media_of(b"RIFF....WAVEfmt ")
    ('audio/ogg', 'audio/wav')
    >>> media_of(b"<svg/>")
    Traceback (most recent call last):
    firstloop.formats.sounds.SoundError: this is no recording (WebM, Ogg, MP4, WAV); make another
    """
    if len(sound) > LARGEST_SOUND:
        raise SoundError("the recording is too long; say one word, and stop")
    for at, start, media in _STARTS:
        if sound[at : at + len(start)] == start:
            return media
    if (sound[:4], sound[8:12]) == _WAVE:
        return "audio/wav"
    raise SoundError("this is no recording (WebM, Ogg, MP4, WAV); make another")
