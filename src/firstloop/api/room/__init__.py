"""Write, for the teacher: opening a lesson to pads, the room as it writes, the tally; a router a
part."""

from firstloop.api.room import live, now, pads, tally

ROUTERS = (pads.router, now.router, live.router, tally.router)
