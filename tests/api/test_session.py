"""Behind her own door: who is not signed in gets nothing of the record, who is gets her own."""

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta

import pytest
from fastapi.testclient import TestClient

from firstloop.api.deps import CLASS_SHOWN, COOKIE, NAMES_ITS_CLASS
from firstloop.core.patience import FREE, LONGEST
from firstloop.core.staff import Role
from firstloop.services import classes
from firstloop.store import school, sign_ins, staff
from firstloop.store.database import Database
from firstloop.store.records import ClassRecord, NotInRecordError
from tests.api.good_requests import REQUESTS
from tests.api.hostile import url_of
from tests.apps import app_over
from tests.conftest import add_class
from tests.teachers import PASSWORD, showing, signed_in, signed_out, teacher_of

OPEN = (
    "GET /api/session", "POST /api/account", "POST /api/session", "DELETE /api/session",
    "GET /api/tiles", "GET /api/tiles/{name}", "POST /api/pad/join",
)  # fmt: skip
"""What is answered to who is not signed in."""

HERSELF = {"name": "Ms Reed", "password": PASSWORD}
AT_LAST = ("PUT /api/classroom/teacher", "DELETE /api/classroom")
OF_THE_CLASS = [
    one
    for one in sorted(REQUESTS, key=lambda one: one.operation in AT_LAST)
    if one.operation not in OPEN
    and not one.path.startswith(("/api/school", "/api/pad/", "/api/blind/"))
    and one.operation
    not in (
        "POST /api/classroom", "POST /api/classroom/demo", "POST /api/classroom/list",
        "GET /api/classroom/choices", "GET /api/plan/files/schema/{name}",
    )
]  # fmt: skip
HELPERS_MAY = (
    "POST /api/write/attempts", "POST /api/write/texts", "POST /api/plan/preview",
    "POST /api/plan/sentences/look-over", "POST /api/plan/schemes/{key}/proposal",
    "POST /api/write/tally", "POST /api/write/call",
)  # fmt: skip
ONLY_HERS = (
    "GET /api/grow/children/{pupil_id}/care", "GET /api/grow/children/{pupil_id}/archive",
)  # fmt: skip
"""What her teacher alone reads: what she saw in a child."""


@pytest.fixture
def nobody(database: Database, school_class: ClassRecord) -> Iterator[TestClient]:
    """A browser in which nobody is signed in, of a record that has a teacher and a class."""
    del school_class
    teacher_of(database)
    with signed_out(app_over(database)) as opened:
        yield opened


@pytest.fixture
def colleague(client: TestClient, database: Database) -> TestClient:
    """Mr Finch, with a class of his own."""
    add_class(database, teacher_of(database, "Mr Finch"), "Finch class", ("Ada", "Bo"))
    return signed_in(client.app, database, "Mr Finch")


def test_signed_out_no_route_answers_with_anything_of_the_record(nobody: TestClient) -> None:
    for good in REQUESTS:
        answer = nobody.request(good.method, url_of(good), json=good.body)
        if good.operation not in OPEN:
            assert answer.status_code == 401, good.operation
            title = "Not in the lesson" if "/pad/" in good.path else "Not signed in"
            assert answer.json()["title"] == title
            assert "www-authenticate" in answer.headers
        for told in ("Mila", "Jori", "Reed class"):
            assert told not in answer.text, good.operation


def test_another_teachers_class_is_reached_by_no_id(
    colleague: TestClient, client: TestClient
) -> None:
    """Her children are 1 and 2, her class 1; his are 3 and 4, and 2. He asks for all of hers."""
    hers = [client.get(page).json() for page in PAGES_OF_HERS]
    for good in OF_THE_CLASS:
        answer = colleague.request(good.method, url_of(good), json=good.body)
        for told in ("Mila", "Jori", "Reed class"):
            assert told not in answer.text, good.operation
        if "pupil_id" in good.at:
            assert answer.status_code == 404, good.operation
        assert [client.get(page).json() for page in PAGES_OF_HERS] == hers, good.operation
        if good.operation in ("DELETE /api/classroom", "POST /api/classroom/new-year"):
            assert colleague.put("/api/school/open", json={"class_id": 2}).status_code in (204, 404)


PAGES_OF_HERS = ("/api/classroom/pupils", "/api/plan/style", "/api/plan/today")


def test_a_class_of_another_is_not_opened(colleague: TestClient) -> None:
    assert colleague.put("/api/school/open", json={"class_id": 1}).status_code == 404
    assert colleague.get("/api/classroom").json()["name"] == "Finch class"
    moved = colleague.put("/api/classroom/pupils/3/class", json={"class_id": 1})
    assert moved.status_code == 404


def test_the_first_account_is_made_once_and_has_what_was_there(
    database: Database, school_class: ClassRecord
) -> None:
    with signed_out(app_over(database)) as client:
        new = {"state": "new", "name": None, "has_class": True}
        assert client.get("/api/session").json() == new
        made = client.post("/api/account", json=HERSELF)
        assert made.status_code == 201
        assert client.get("/api/classroom").status_code == 401
        assert client.post("/api/account", json=HERSELF | {"name": "Eve"}).status_code == 409
        signed = client.post("/api/session", json=HERSELF)
        assert signed.status_code == 204
        cookie = signed.headers["set-cookie"]
        assert all(part in cookie for part in ("HttpOnly", "SameSite=strict", "Path=/"))
        assert client.get("/api/classroom").json()["name"] == school_class.name
        assert client.get("/api/session").json()["name"] == "Ms Reed"


def test_over_tls_the_cookie_is_never_shown_without_it(nobody: TestClient) -> None:
    signed = nobody.post("https://localhost/api/session", json=HERSELF)
    assert "Secure" in signed.headers["set-cookie"]


@pytest.mark.parametrize(
    ("password", "words"),
    [("short", "body.password"), ("aaaaaaaaaaaa", "guessed first"), ("MS REEDS!", "guessed first")],
)
def test_a_password_that_would_be_guessed_is_not_taken(
    database: Database, password: str, words: str
) -> None:
    with signed_out(app_over(database)) as client:
        sent = {"name": "Ms Reeds!", "password": password}
        answer = client.post("/api/account", json=sent)
        assert answer.status_code == 422
        assert words in answer.json()["detail"]
        assert client.get("/api/session").json()["state"] == "new"


@pytest.mark.parametrize("name", ["Ms Reed", "Nobody"])
def test_a_wrong_password_is_refused_whoever_it_is(nobody: TestClient, name: str) -> None:
    answer = nobody.post("/api/session", json={"name": name, "password": "not this one"})
    assert answer.status_code == 401
    assert answer.json()["detail"].startswith("this name and this password")
    assert "set-cookie" not in answer.headers


def test_who_guesses_is_held_up_and_nobody_else(
    nobody: TestClient, client: TestClient, database: Database
) -> None:
    wrong = HERSELF | {"password": "not this one"}
    for _ in range(FREE):
        assert nobody.post("/api/session", json=wrong).status_code == 401
    held = nobody.post("/api/session", json=HERSELF)
    assert held.status_code == 429
    assert 0 < int(held.headers["retry-after"]) <= LONGEST.total_seconds()
    assert client.get("/api/classroom").status_code == 200
    elsewhere = TestClient(nobody.app, base_url="http://localhost", client=("192.168.1.21", 50_000))
    assert elsewhere.post("/api/session", json=HERSELF).status_code == 204
    del database


def test_signed_out_the_cookie_is_worth_nothing(client: TestClient) -> None:
    shown = client.cookies[COOKIE]
    assert client.delete("/api/session").status_code == 204
    client.cookies.set(COOKIE, shown)
    assert client.get("/api/classroom").status_code == 401


def test_after_a_day_the_password_is_asked_again(client: TestClient, database: Database) -> None:
    now = datetime.now(UTC)
    with database.session() as session:
        signed = session.query(sign_ins.SignIn).one()
        assert signed.until > now
        assert sign_ins.find(session, signed.token, now) is not None
        assert sign_ins.find(session, signed.token, now + timedelta(hours=13)) is None
        assert client.cookies[COOKIE] not in signed.token


def test_a_new_password_signs_out_her_other_browsers(
    client: TestClient, database: Database
) -> None:
    other = signed_in(client.app, database)
    wrong = {"old": "not this one", "new": "two hens on a wall"}
    assert client.put("/api/school/password", json=wrong).status_code == 401
    right = wrong | {"old": PASSWORD}
    assert client.put("/api/school/password", json=right).status_code == 204
    assert client.get("/api/classroom").status_code == 200
    assert other.get("/api/classroom").status_code == 401
    assert other.post("/api/session", json=HERSELF).status_code == 401
    again = HERSELF | {"password": "two hens on a wall"}
    assert other.post("/api/session", json=again).status_code == 204


def test_a_demonstration_signs_in_who_sits_at_the_machine(
    database: Database, school_class: ClassRecord
) -> None:
    with database.writing() as session:
        school.set_demo(session)
    app = app_over(database)
    here = TestClient(app, base_url="http://localhost", client=("127.0.0.1", 50_000))
    elsewhere = signed_out(app)
    first, again = (here.get("/api/session") for _ in range(2))
    assert first.json()["state"] == again.json()["state"] == "demo"
    assert COOKIE in first.headers["set-cookie"]
    assert "set-cookie" not in again.headers  # it is known by what it was shown
    assert here.get("/api/classroom").json()["name"] == school_class.name
    assert elsewhere.get("/api/session").json()["state"] == "new"
    assert elsewhere.get("/api/classroom").status_code == 401
    assert here.post("/api/account", json=HERSELF).status_code == 201
    assert here.get("/api/classroom").status_code == 401


def test_who_is_no_demonstration_signs_in_here_too(nobody: TestClient) -> None:
    here = TestClient(nobody.app, base_url="http://localhost", client=("127.0.0.1", 50_000))
    assert here.get("/api/classroom").status_code == 401


def test_a_helper_sees_and_hands_in_and_changes_nothing(
    client: TestClient, database: Database
) -> None:
    teacher_of(database, "Ms Wren")
    assert client.post("/api/classroom/helpers", json={"name": "ms wren"}).status_code == 201
    helper = signed_in(client.app, database, "Ms Wren")
    for good in OF_THE_CLASS:
        status = helper.request(good.method, url_of(good), json=good.body).status_code
        reads = good.method == "GET" and good.operation not in ONLY_HERS
        may = reads or good.operation in HELPERS_MAY
        assert (status != 403) == may, good.operation
        assert good.operation != "POST /api/write/attempts" or status == 201


def test_a_class_is_shared_and_handed_over(client: TestClient, database: Database) -> None:
    teacher_of(database, "Mr Finch")
    finch = signed_in(client.app, database, "Mr Finch")
    assert finch.get("/api/classroom").status_code == 404
    assert client.post("/api/classroom/helpers", json={"name": "Nobody"}).status_code == 404
    assert client.post("/api/classroom/helpers", json={"name": "Mr Finch"}).status_code == 201
    assert finch.get("/api/classroom").json()["name"] == "Reed class"
    people = client.get("/api/classroom/staff").json()
    assert [(one["name"], one["role"]) for one in people] == [
        ("Mr Finch", "helper"),
        ("Ms Reed", "teacher"),
    ]
    assert client.delete(f"/api/classroom/helpers/{people[1]['id']}").status_code == 403
    assert client.delete(f"/api/classroom/helpers/{people[0]['id']}").status_code == 204
    assert finch.get("/api/classroom").status_code == 404
    assert client.put("/api/classroom/teacher", json={"name": "Mr Finch"}).status_code == 204
    assert client.get("/api/classroom").status_code == 404
    assert finch.get("/api/classroom").json()["name"] == "Reed class"
    showing(finch, database, teacher_of(database, "Mr Finch"))
    assert finch.put("/api/classroom", json={"name": "Finch class"}).status_code == 200


def test_what_a_page_shows_is_what_is_changed(client: TestClient, database: Database) -> None:
    """She has the old class on one page and opens this year's on another."""
    add_class(database, teacher_of(database), "This year", ("Ada", "Bo"))
    assert client.put("/api/school/open", json={"class_id": 2}).status_code == 204
    for good in OF_THE_CLASS:
        answer = client.request(good.method, url_of(good), json=good.body)
        if good.method != "GET":
            assert answer.status_code == 409, good.operation
            assert answer.json()["title"] == "Another class is open"
    there = client.get("/api/school/classes").json()["classes"]
    assert [one["name"] for one in there] == ["Reed class", "This year"]
    assert [one["name"] for one in client.get("/api/classroom").json()["pupils"]] == ["Ada", "Bo"]
    showing(client, database, teacher_of(database))
    assert client.delete("/api/classroom").status_code == 200
    assert client.get("/api/classroom").json()["name"] == "Reed class"


def test_a_class_as_a_whole_is_only_changed_by_who_names_it(client: TestClient) -> None:
    del client.headers[CLASS_SHOWN]
    for good in OF_THE_CLASS:
        names = client.app.openapi()["paths"][good.path][good.method.lower()]["operationId"]  # type: ignore[attr-defined]
        if names in NAMES_ITS_CLASS:
            answer = client.request(good.method, url_of(good), json=good.body)
            assert answer.status_code == 428, good.operation
            assert CLASS_SHOWN in answer.json()["detail"]
    assert client.get("/api/classroom").json()["name"] == "Reed class"


def test_who_has_handed_her_class_over_meanwhile_does_nothing_to_it(
    client: TestClient, database: Database
) -> None:
    """What she asked for was let in while the class was hers, and is done when it is not."""
    hers, his = teacher_of(database), teacher_of(database, "Mr Finch")
    assert client.put("/api/classroom/teacher", json={"name": "Mr Finch"}).status_code == 204
    for late in (
        lambda: classes.remove(database, hers, 1),
        lambda: classes.rename(database, hers, 1, "Mine"),
        lambda: classes.new_year(database, hers, 1, "Mine", [1]),
        lambda: classes.hand_over(database, hers, 1, "Ms Reed", with_flags=False),
    ):
        with pytest.raises(NotInRecordError):
            late()
    with database.session() as session:
        assert staff.role_in(session, 1, his) is Role.TEACHER
