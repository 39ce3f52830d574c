"""What a child's pad may do, and nothing else: a router a part."""

from firstloop.api.pads import coming_in, handing_in, task

FOR_ANYBODY = (coming_in.open_router,)
"""Coming in: by a code, or by the teacher's nod."""

FOR_PADS = (coming_in.router, task.router, handing_in.router)
"""What a pad in a lesson may do; it is known by what it was given when it joined."""
