"""The base of what is answered."""

from pydantic import BaseModel, ConfigDict


class Answer(BaseModel):
    """What is answered. How it is written out is worked out when it is first asked for: a server
    that starts in the middle of a lesson answers before it has gone through all that it could."""

    model_config = ConfigDict(defer_build=True)
