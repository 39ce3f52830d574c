"""A good request of every operation there is: what hostile ones are made of, one thing wrong each.

Made for a record that `furnish` has put something of everything into."""

import base64
from dataclasses import dataclass
from typing import Any

from fastapi.testclient import TestClient

from firstloop.formats import ink_json
from tests import letters
from tests.teachers import PASSWORD

INK = ink_json.strokes_of(letters.good_n())
OWN_SCHEME = {"name": "Ours", "families": [{"name": "Sticks", "letters": ["l", "i"]}]}
ID = "018f0000-0000-7000-8000-00000000000"
STYLE = {
    "hand": "plain",
    "choices": {"y": "slanted"},
    "slant_deg": 2.0,
    "ruling": "four",
    "top": 1.9,
    "drop": -0.95,
    "looks": {"mid": "dashed"},
    "names": {"mid": "dotted line"},
    "x_height_mm": 8.0,
}


@dataclass(frozen=True)
class Good:
    """A request that is answered: method, path with its parameters, query, body."""

    method: str
    path: str
    at: dict[str, Any]
    query: dict[str, Any]
    body: Any = None

    @property
    def operation(self) -> str:
        return f"{self.method} {self.path}"


def good(operation: str, body: Any = None, /, *, query: Any = None, **at: Any) -> Good:
    method, path = operation.split(" ")
    return Good(method, path, at, query or {}, body)


def furnish(client: TestClient, scheme_file: str, hand_file: str) -> None:
    """Something of everything, each with id 1; the own hand is called "mine". Beside her class she
    has another, a colleague, and a helper."""
    for operation, body in (
        ("POST /api/classroom", {"name": "Second", "hand": "plain"}),
        ("PUT /api/school/open", {"class_id": 1}),
        ("POST /api/school/colleagues", {"name": "Mr Finch", "password": PASSWORD}),
        ("POST /api/school/colleagues", {"name": "Ms Wren", "password": PASSWORD}),
        ("POST /api/classroom/helpers", {"name": "Ms Wren"}),
        ("PUT /api/plan/style", {"hand": "joined"}),
        ("POST /api/write/attempts", ATTEMPT),
        ("POST /api/write/texts", TEXT),
        ("POST /api/plan/lessons", {"new": ["n"]}),
        ("POST /api/plan/schemes", {"like": "movement", "name": "Ours"}),
        ("POST /api/plan/files/hand", {"text": hand_file}),
        ("POST /api/plan/files/scheme", {"text": scheme_file}),
        ("PUT /api/plan/prompts/hen/sound", {"sound": SOUND}),
        ("POST /api/plan/own-words", {"noted": "(kn)oll"}),
        ("POST /api/plan/own-hands", {"name": "Heron", "base": "joined"}),
        ("POST /api/plan/own-hands/Heron/letters/n/samples", {"strokes": INK}),
        ("PUT /api/plan/taught", {"letters": list("ilnhmrae")}),
        ("POST /api/plan/own-sheets", OWN_SHEET),
        ("POST /api/grow/children/1/care/flags", {"kind": "presses"}),
        ("POST /api/grow/children/1/care/notes", {"text": "Likes the n."}),
    ):
        method, path = operation.split(" ")
        answer = client.request(method, path, json=body)
        assert answer.is_success, answer.text
    for at in range(1, BLIND_SET["size"]):  # just enough to choose a set from: all are in it
        more = ATTEMPT | {"id": f"018f0000-0000-7000-8000-0000000001{at:02}"}
        assert client.post("/api/write/attempts", json=more).is_success
    assert client.post("/api/check/sets", json=BLIND_SET).is_success


OWN_SHEET: dict[str, Any] = {
    "title": "hen",
    "rows": [
        {"text": "h", "mode": "trace"},
        {"text": "hen", "mode": "recall", "picture": "sun", "boxes": "sounds", "lines": 2},
    ],
    "paper": "A4",
    "strips": 1,
}
ATTEMPT = {"id": f"{ID}1", "pupil_id": 1, "letter": "n", "help": "copy", "strokes": INK}
TEXT = {
    "id": f"{ID}2",
    "pupil_id": 1,
    "kind": "word",
    "target": "nn",
    "help": "copy",
    "strokes": [
        {"points": [[x + 1.4 * place, y, ms, force] for x, y, ms, force in stroke["points"]]}
        for place in range(2)
        for stroke in INK
    ],
}
PAD_ATTEMPT = {
    "id": f"{ID}5",
    "target": "n",
    "kind": "letter",
    "help": "copy",
    "written_at": "2026-01-12T09:14:03.120Z",
    "struck": False,
    "strokes": INK,
}
CODE, PAD_TOKEN, PAD_DEVICE = "otter kite", "a pad's token", "a pad's device"
HERSELF = {"name": "Ms Reed", "password": PASSWORD}
SOUND = base64.b64encode(b"OggS" + b"\0" * 40).decode()
BLIND_SET: dict[str, Any] = {
    "name": "Autumn", "size": 20, "readers": [1]
}  # fmt: skip
SEEN = {"direction": "secure", "size": "nearly", "shape": "not_yet", "codes": ["open_gap"]}
JUDGED = {"direction": "nearly", "size": "secure", "note": "I saw it.\nTwice."}
SCHEME = {
    "name": "Ours",
    "families": [
        {"name": "Sticks", "why": "down", "letters": ["l", "i"], "exceptions": {"i": "a dot"}}
    ],
}
OWN_HAND, OWN_N = "/api/plan/own-hands/{name}", "/api/plan/own-hands/{name}/letters/{letter}"
N_SCRIPT = {"strokes": ["0,mid; drop 0,base; back 0,branch; arch .4,mid,E .7,.5,S .7,base"]}
WRITTEN = "/api/show/lessons/{lesson_id}/written/{kind}"
REQUESTS = (
    good("GET /api/session"),
    good("POST /api/account", HERSELF),
    good("POST /api/session", HERSELF),
    good("DELETE /api/session"),
    good("GET /api/check/paper"),
    good("POST /api/check/paper/photos", "no picture", query={"name": "IMG_2.jpg"}),
    good("DELETE /api/check/paper/photos"),
    good("GET /api/check/paper/pages/{page_id}", page_id=1),
    good("GET /api/check/paper/pages/{page_id}/picture", page_id=1),
    good("PUT /api/check/paper/pages/{page_id}/pupil", {"pupil_id": 1}, page_id=1),
    good(
        "PUT /api/check/paper/pages/{page_id}/cells/{row}/{cell}",
        {"state": "struck"},
        page_id=1,
        row=0,
        cell=0,
    ),
    good(
        "POST /api/check/paper/pages/{page_id}/rows",
        {"begin": {"x": 10, "y": 50}, "end": {"x": 90, "y": 50}, "x_height": 5, "target": "n"},
        page_id=1,
    ),
    good("DELETE /api/check/paper/pages/{page_id}/rows/{row}", page_id=1, row=0),
    good("POST /api/check/paper/pages/{page_id}/take", {"keep_picture": True}, page_id=1),
    good("DELETE /api/check/paper/pages/{page_id}", page_id=1),
    good("GET /api/plan/own-hands"),
    good("POST /api/plan/own-hands", {"name": "Reed", "base": "plain"}),
    good(f"GET {OWN_HAND}", name="Heron"),
    good(f"GET {OWN_HAND}/joins", name="Heron"),
    good(f"POST {OWN_HAND}/fitted", name="Heron"),
    good(f"POST {OWN_HAND}/words", {"word": "nn", "strokes": INK}, name="Heron"),
    good(f"GET {OWN_N}", name="Heron", letter="n"),
    good(f"POST {OWN_N}/samples", {"strokes": INK}, name="Heron", letter="n"),
    good(f"POST {OWN_N}/tried", {"strokes": INK}, name="Heron", letter="n"),
    good(f"POST {OWN_N}/mended", N_SCRIPT | {"mend": "start"}, name="Heron", letter="n"),
    good(f"PUT {OWN_N}", N_SCRIPT, name="Heron", letter="n"),
    good(f"DELETE {OWN_N}/samples/{{sample_id}}", name="Heron", letter="n", sample_id=1),
    good(f"DELETE {OWN_N}", name="Heron", letter="n"),
    good("GET /api/plan/files/font/{name}", query={"style": "dotted"}, name="plain"),
    good("GET /api/tiles"),
    good("GET /api/tiles/{name}", name="snail"),
    good("GET /api/school"),
    good("GET /api/school/classes"),
    good("PUT /api/school/open", {"class_id": 2}),
    good("PUT /api/school/zone", {"time_zone": "Europe/Lisbon"}),
    good("PUT /api/school/password", {"old": PASSWORD, "new": "two hens on a wall"}),
    good("POST /api/school/colleagues", {"name": "Mr Rail", "password": PASSWORD}),
    good("GET /api/classroom"),
    good("PUT /api/classroom", {"name": "Rush class"}),
    good("DELETE /api/classroom"),
    good("POST /api/classroom/demo"),
    good("POST /api/classroom/new-year", {"name": "Year 2", "pupils": [1]}),
    good("GET /api/classroom/staff"),
    good("PUT /api/classroom/teacher", {"name": "Mr Finch", "flags": True}),
    good("POST /api/classroom/helpers", {"name": "Mr Finch"}),
    good("DELETE /api/classroom/helpers/{account_id}", account_id=3),
    good("GET /api/classroom/pupils"),
    good("POST /api/classroom/tiles"),
    good("PUT /api/classroom/pupils/{pupil_id}/tile", {"tile": "snail"}, pupil_id=1),
    good("PUT /api/classroom/pupils/{pupil_id}/presence", {"presence": "left"}, pupil_id=1),
    good("PUT /api/classroom/pupils/{pupil_id}/class", {"class_id": 2}, pupil_id=1),
    good("GET /api/classroom/choices"),
    good("POST /api/classroom", {"name": "Ours", "hand": "plain", "children": [{"name": "Ada"}]}),
    good("POST /api/classroom/list", {"text": "Ada\nBo, left"}),
    good("POST /api/classroom/pupils", {"children": [{"name": "Ada", "handedness": "left"}]}),
    good("PUT /api/classroom/pupils/{pupil_id}", {"name": "Ada"}, pupil_id=1),
    good("PUT /api/classroom/stage", {"stage": "secure"}),
    good(
        "PUT /api/classroom/pupils/{pupil_id}/gets",
        {"lines": "larger", "fewer": True, "more_help": True, "model_side": "left"},
        pupil_id=1,
    ),
    good("DELETE /api/classroom/pupils/{pupil_id}", pupil_id=2),
    good("POST /api/classroom/copies"),
    good("GET /api/show/alphabet"),
    good("GET /api/show/letters/{letter}", letter="n"),
    good("GET /api/show/text", query={"text": "an inn", "other_hand": "true"}),
    good("GET /api/show/watch", query={"text": "inn"}),
    good(f"GET {WRITTEN}", query={"part": "n"}, lesson_id=1, kind="show"),
    good(f"PUT {WRITTEN}", {"strokes": INK}, query={"part": "n"}, lesson_id=1, kind="show"),
    good("PUT /api/show/lessons/{lesson_id}/place", {"at": "show", "part": "n"}, lesson_id=1),
    good("POST /api/show/lessons/{lesson_id}/onwards", lesson_id=1),
    good("POST /api/show/lessons/{lesson_id}/close", lesson_id=1),
    good("GET /api/show/drawing", query={"text": "inn", "animated": "true"}),
    good("GET /api/show/movement", query={"text": "in"}),
    good("POST /api/write/attempts", ATTEMPT | {"id": f"{ID}3"}),
    good("DELETE /api/write/attempts/{attempt_id}", attempt_id=1),
    good("POST /api/write/lesson-code", {"lesson": 1}),
    good("GET /api/write/pads"),
    good("GET /api/write/room"),
    good("DELETE /api/write/set-aside/{sent_as}", sent_as=f"{ID}7"),
    good("GET /api/write/live", query={"wait": "false"}),
    good("POST /api/write/call", {"what": "look", "lesson": 1, "pad": 1}),
    good("GET /api/write/tally", query={"letter": "n"}),
    good("POST /api/write/tally", {"pupil_id": 1, "letter": "n", "seen": "start_place"}),
    good("POST /api/write/nod", {"pads": [1], "lesson": 1}),
    good("POST /api/write/pads/{pad}/free", pad=1),
    good("DELETE /api/write/pads/{pad}", pad=1),
    good("DELETE /api/write/pads"),
    good("DELETE /api/write/lesson-code", query={"lesson": "1"}),
    good("POST /api/pad/join", {"code": CODE}),
    good("GET /api/pad/lesson"),
    good("POST /api/pad/pupil", {"pupil": 1, "opens_alone": True}),
    good("GET /api/pad/task"),
    good("GET /api/pad/prompts/{prompt_id}", query={"picture": "false"}, prompt_id=1),
    good("GET /api/pad/events", query={"wait": "false"}),
    good("POST /api/pad/attempts", PAD_ATTEMPT | {"id": f"{ID}6"}),
    good("POST /api/pad/best", {"attempt": f"{ID}5"}),
    good("POST /api/pad/leave"),
    good("GET /api/check/table", query={"pupil": "1", "newest": "true", "letter": "n"}),
    good("GET /api/check/codes"),
    good("GET /api/check/trust"),
    good("PUT /api/check/trust/{code}", {"in_full": True}, code="start_place"),
    good("GET /api/check/judgements/{form}", query={"names": "true"}, form="csv"),
    good("GET /api/check/sets"),
    good("POST /api/check/sets", BLIND_SET),
    good("DELETE /api/check/sets/{set_id}", set_id=1),
    good("GET /api/blind/sets"),
    good("GET /api/blind/sets/{set_id}", set_id=1),
    good("PUT /api/blind/sets/{set_id}/letters/{attempt_id}", SEEN, set_id=1, attempt_id=1),
    good("GET /api/check/wall", query={"attempt": "1", "names": "false"}),
    good("GET /api/check/things", query={"attempt": "1", "text": "1"}),
    good("POST /api/check/words", {"words": [{"attempt_id": 1, "said": JUDGED}], "many": False}),
    good("GET /api/check/attempts/{attempt_id}/closer", attempt_id=1),
    good("GET /api/check/texts/{text_id}/words", text_id=1),
    good("GET /api/check/pupils/{pupil_id}/letters/{letter}/pair", pupil_id=1, letter="n"),
    good("POST /api/write/texts", TEXT | {"id": f"{ID}4"}),
    good("DELETE /api/write/texts/{text_id}", text_id=1),
    good("GET /api/grow/map", query={"day": "2026-03-02"}),
    good("GET /api/plan/lessons/{lesson_id}/sheet", query={"each": "true"}, lesson_id=1),
    good("GET /api/plan/lessons/{lesson_id}/sheet/pdf", query={"home": "true"}, lesson_id=1),
    good("GET /api/plan/lessons/{lesson_id}/sheet/pages/{page}", lesson_id=1, page=1),
    good("GET /api/plan/own-sheets"),
    good("POST /api/plan/own-sheets", OWN_SHEET),
    good("GET /api/plan/own-sheets/{sheet_id}", sheet_id=1),
    good("PUT /api/plan/own-sheets/{sheet_id}", OWN_SHEET, sheet_id=1),
    good("DELETE /api/plan/own-sheets/{sheet_id}", sheet_id=1),
    good("GET /api/plan/own-sheets/{sheet_id}/pages", query={"each": "true"}, sheet_id=1),
    good("GET /api/plan/own-sheets/{sheet_id}/pages/{page}", sheet_id=1, page=1),
    good("GET /api/plan/own-sheets/{sheet_id}/pdf", sheet_id=1),
    good("GET /api/grow/summary"),
    good("GET /api/school/map"),
    good("GET /api/grow/children/{pupil_id}", pupil_id=1),
    good(
        "GET /api/grow/children/{pupil_id}/report",
        query={"include": "stands", "format": "html"},
        pupil_id=1,
    ),
    good("GET /api/grow/children/{pupil_id}/archive", query={"flags": "true"}, pupil_id=1),
    good("GET /api/grow/care"),
    good("GET /api/grow/children/{pupil_id}/care", pupil_id=1),
    good("POST /api/grow/children/{pupil_id}/care/flags", {"kind": "avoids"}, pupil_id=1),
    good(
        "PUT /api/grow/care/flags/{flag_id}",
        {"look_again": "2026-12-24", "is_over": True},
        flag_id=1,
    ),
    good("DELETE /api/grow/care/flags/{flag_id}", flag_id=1),
    good("POST /api/grow/children/{pupil_id}/care/notes", {"text": "Rests often."}, pupil_id=1),
    good("PUT /api/grow/care/notes/{note_id}", {"text": "Rests less."}, note_id=1),
    good("DELETE /api/grow/care/notes/{note_id}", note_id=1),
    good("GET /api/grow/groups"),
    good("PUT /api/grow/apart", {"one_id": 1, "other_id": 2, "apart": True}),
    good("GET /api/plan/style"),
    good("PUT /api/plan/style", STYLE),
    good("POST /api/plan/preview", {"style": STYLE, "words": ["inn"]}),
    good("GET /api/plan/customs"),
    good(
        "PUT /api/plan/customs",
        {"own": "row", "rubbing_out": True, "largest_family": 5, "open_joins": True},
    ),
    good("GET /api/plan/joining"),
    good("PUT /api/plan/joining", {"stages": [["a", "n"], ["an"]]}),
    good("DELETE /api/plan/joining"),
    good("POST /api/plan/joining/taught", {"parts": ["a"], "taught": False}),
    good("GET /api/plan/letters/{letter}", letter="n", query={"habit": "retrace_gap"}),
    good("GET /api/plan/pairs/{pair}", pair="sh"),
    good("GET /api/plan/lessons"),
    good("GET /api/write/room/{lesson_id}/{pupil_id}", lesson_id=1, pupil_id=1),
    good("GET /api/plan/lessons/{lesson_id}", lesson_id=1),
    good("POST /api/plan/lessons/{lesson_id}/again", lesson_id=1),
    good(
        "PUT /api/plan/phrases",
        {"key": "drop", "letter": "n", "stroke": 0, "move": 0, "words": "slide down"},
    ),
    good("GET /api/plan/phrases", query={"new": "n"}),
    good("GET /api/plan/files/scheme/{key}", key="movement"),
    good("POST /api/plan/files/scheme", {"text": "…"}),
    good("GET /api/plan/files/hand/{name}", name="mine"),
    good("DELETE /api/plan/files/hand/{name}", name="mine"),
    good("POST /api/plan/files/hand", {"text": "…"}),
    good("GET /api/plan/files/schema/{name}", name="hand"),
    good("GET /api/plan/schemes"),
    good("PUT /api/plan/schemes", {"key": "1"}),
    good("POST /api/plan/schemes", {"like": "movement", "name": "Another"}),
    good("GET /api/plan/schemes/{key}", key="1"),
    good("PUT /api/plan/schemes/{key}", SCHEME, key="1"),
    good("DELETE /api/plan/schemes/{key}", key="1"),
    good("POST /api/plan/schemes/{key}/split", {"family": 0}, key="movement"),
    good("POST /api/plan/schemes/{key}/proposal", key="1"),
    good("GET /api/plan/families-of", query={"letter": "n"}),
    good("GET /api/plan/today"),
    good("GET /api/plan/lessons/proposal", query={"new": "n", "minutes": "10", "shape": "short"}),
    good("GET /api/plan/habits"),
    good("POST /api/plan/lessons", {"new": ["n"], "minutes": 10, "shape": "full"}),
    good(
        "POST /api/plan/lessons/{lesson_id}/changes",
        {"do": "time", "kind": "show", "minutes": 2.0},
        lesson_id=1,
    ),
    good("DELETE /api/plan/lessons/{lesson_id}", lesson_id=1),
    good("GET /api/plan/lessons/{lesson_id}/page", lesson_id=1),
    good("GET /api/plan/lessons/{lesson_id}/home", lesson_id=1),
    good(
        "PUT /api/plan/language",
        {"variety": "british", "ordinal": True, "stop": True, "minutes": 20},
    ),
    good("PUT /api/plan/taught", {"letters": ["n"], "words": ["inn"]}),
    good("GET /api/plan/picker", query={"new": "n", "untaught": "1"}),
    good("GET /api/plan/chain", query={"start": "hen", "length": "3", "all_letters": "true"}),
    good("GET /api/plan/chain/{end}", query={"start": "hen", "all_letters": "true"}, end="ten"),
    good("GET /api/plan/missing-pairs", query={"all_letters": "true"}),
    good("GET /api/plan/own-words"),
    good("POST /api/plan/own-words", {"noted": "r.e.n"}),
    good("DELETE /api/plan/own-words/{text}", text="knoll"),
    good("GET /api/plan/prompts"),
    good("PUT /api/plan/prompts/{text}/tile", {"tile": "fish"}, text="fish"),
    good("PUT /api/plan/prompts/{text}/sound", {"sound": SOUND}, text="hen"),
    good("GET /api/plan/prompts/{text}/sound", text="hen"),
    good("DELETE /api/plan/prompts/{text}/sound", text="hen"),
    good("GET /api/plan/sentences", query={"new": "n"}),
    good("POST /api/plan/sentences/look-over", {"text": "A hen ran."}),
)
