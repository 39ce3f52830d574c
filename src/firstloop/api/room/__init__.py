"""Write, for the teacher: opening a lesson to pads, the room as it writes, the tally; a router a
part."""

from firstloop.api.room import lesson_pads, live, now, tally

ROUTERS = (lesson_pads.router, now.router, live.router, tally.router)
