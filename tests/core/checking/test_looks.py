"""How letters look, whoever made them however: pictures, other ways up, reading."""

from typing import Any

import numpy as np
import pytest

from firstloop.core.checking.check import check
from firstloop.core.checking.explain.explanation import explain
from firstloop.core.checking.explain.forms import forms_of
from firstloop.core.checking.explain.looks import looks_of
from firstloop.core.checking.explain.tidy import tidy
from firstloop.core.checking.letters.judge import read_as_limited as read
from firstloop.core.checking.measure.turned import faces_of, turned_by_shape
from firstloop.core.contract import Code
from firstloop.core.evidence.ink import Ink, Stroke
from firstloop.core.evidence.pupils import draw_pupil, write
from firstloop.core.evidence.task import Task
from firstloop.core.geometry.matching import Path
from firstloop.core.geometry.pictures import Look, Pictures
from firstloop.core.letters import HANDS, PLAIN, Letter, draw
from firstloop.core.letters.hands import GROUPS
from firstloop.core.letters.ruling import Ruling
from firstloop.core.letters.style import Style
from tests.letters import checked
from tests.sampling import IS_NIGHT

pytestmark = pytest.mark.measuring

RULING = Ruling()
MIRROR = np.array([-1.0, 1.0])
UNLIKE = "abdegjkpqszBEFJKLPR2347"
"""Letters that nobody takes for their mirror image: an O or a W in the mirror leans, and is made
the other way about; a C stands on its head."""


def plain(name: str) -> Letter:
    return draw(PLAIN.scripts[name], PLAIN.proportions, RULING)


def look_of(strokes: Any) -> Look:
    return Look.of(Path.of(list(strokes)))


def pictures(names: str) -> Pictures:
    return Pictures.of([looks_of(plain(name))[0] for name in names])


@pytest.mark.parametrize("hand", HANDS)
def test_every_letter_looks_like_itself_and_reads_as_itself(hand: str) -> None:
    own = HANDS[hand]
    for name in own.scripts:
        forms = forms_of(name, own, RULING)
        for form in forms:
            look = look_of(form.paths())
            cost = faces_of(forms, own.proportions.slant_deg).upright_cost(look)
            assert cost < 0.003, (name, cost)
            assert read(look, cost, forms[0], own, explained=True).letter == name


@pytest.mark.parametrize("name", list("aekmstx"))
def test_how_it_was_made_does_not_matter_to_how_it_looks(name: str) -> None:
    paths = plain(name).paths()
    backwards = [path[::-1] for path in reversed(paths)]
    every = pictures("aekmstx")
    there, back = every.costs(look_of(paths)), every.costs(look_of(backwards))
    # Points fall a little elsewhere when they are counted from the other end.
    assert np.allclose(there, back, atol=0.02)
    assert int(np.argmin(back)) == "aekmstx".index(name)


@pytest.mark.parametrize("shift", [-3.0, 0.7, 12.0, 10_000.0])
def test_where_it_stands_along_the_line_does_not_matter(shift: float) -> None:
    every = pictures("abcd")
    here = every.costs(look_of(plain("b").paths()))
    there = every.costs(look_of([path + np.array([shift, 0.0]) for path in plain("b").paths()]))
    assert np.allclose(here, there, atol=1e-3)


def test_what_is_of_no_interest_is_left_out_and_nothing_else_changes() -> None:
    every = pictures("abcdefghijklmnopqrstuvwxyz")
    look = look_of(plain("m").paths())
    whole = every.costs(look)
    for at_most in (0.0, 0.005, 0.02, 0.1):
        some = every.costs(look, at_most)
        near = whole <= at_most
        assert np.allclose(some[near], whole[near])
        assert (some[~near] > at_most).all()
    assert np.isfinite(every.costs(look, np.full(26, np.inf))).all()


def test_several_inks_at_once_differ_by_what_each_does_alone() -> None:
    every = pictures("abcdefghijklmnopqrstuvwxyz")
    looks = [look_of(plain(name).paths()) for name in "nbgtk"] * 4
    together = every.costs_of_each(looks)
    assert np.allclose(together, [every.costs(look) for look in looks], atol=1e-5)


@pytest.mark.parametrize("name", list("bdsz"))
def test_the_mirror_image_is_seen_as_that(name: str) -> None:
    forms = forms_of(name, PLAIN, RULING)
    faces = faces_of(forms, 0.0)
    found = turned_by_shape(faces, faces.costs(look_of([p * MIRROR for p in plain(name).paths()])))
    assert found is not None
    assert found[0].code is Code.MIRRORED


@pytest.mark.parametrize("name", ["o", "l", "x", "."])
def test_what_looks_the_same_in_the_mirror_is_not_seen_mirrored(name: str) -> None:
    faces = faces_of(forms_of(name, PLAIN, RULING), 0.0)
    assert Code.MIRRORED not in {way.code for way in faces.other_ways}


def test_a_letter_that_lies_well_is_looked_at_no_other_way_up() -> None:
    faces = faces_of(forms_of("b", PLAIN, RULING), 0.0)
    assert len(faces.costs(look_of(plain("b").paths()))) == 1
    assert len(faces.costs(look_of(plain("k").paths()))) == 1 + len(faces.other_ways)


@pytest.mark.parametrize(("asked", "made"), [("n", "h"), ("a", "d"), ("c", "o"), ("v", "w")])
def test_another_letter_is_read_as_what_it_is(asked: str, made: str) -> None:
    forms = forms_of(asked, PLAIN, RULING)
    look = look_of(plain(made).paths())
    reading = read(look, faces_of(forms, 0.0).upright_cost(look), forms[0], PLAIN, explained=True)
    assert reading.letter == made
    assert reading.margin > 0.012


def test_who_asked_for_a_letter_does_not_read_a_digit() -> None:
    forms = forms_of("o", PLAIN, RULING)
    look = look_of(plain("0").paths())
    cost = faces_of(forms, 0.0).upright_cost(look)
    assert read(look, cost, forms[0], PLAIN, explained=True).letter in ("o", "O", "0")
    small_o = look_of(plain("o").paths())
    zero = forms_of("0", PLAIN, RULING)
    assert (
        read(
            small_o, faces_of(zero, 0.0).upright_cost(small_o), zero[0], PLAIN, explained=True
        ).letter
        != "1"
    )


@pytest.mark.parametrize("hand", HANDS)
def test_the_very_model_some_other_way_up_is_told_as_that(hand: str) -> None:
    own = HANDS[hand]
    for name, script in own.scripts.items():
        letter = draw(script, own.proportions, RULING)
        faces = faces_of(forms_of(name, own, RULING), own.proportions.slant_deg)
        if name not in UNLIKE and not IS_NIGHT:
            continue
        for way in faces.other_ways:
            every = np.concatenate(letter.paths())
            middle = (every.min(axis=0) + every.max(axis=0)) / 2
            turned = [(path - middle) @ way.does + middle for path in letter.paths()]
            found = check(
                Ink(tuple(map(Stroke.of, turned))), Task(name), Style(own.name), RULING
            ).findings
            if name not in UNLIKE:
                continue  # what it is told as is a matter of how it was made
            assert found, (name, way.degrees)
            if way.code is Code.MIRRORED:
                assert found[0].code is Code.MIRRORED, name


@pytest.mark.parametrize("hand", ["plain", "joined"])
def test_what_lies_surely_on_a_letter_reads_as_no_other(hand: str) -> None:
    """Why reading may be spared: whatever small letter was made, if it lies surely on the one that
    was asked for, that is also the one that is read."""
    own = HANDS[hand]
    small = GROUPS["small"]
    rng = np.random.default_rng(31)
    sure = 0
    for made in small:
        ink = write(own.scripts[made], own, RULING, draw_pupil(rng), rng)
        for asked in small:
            forms = forms_of(asked, own, RULING)
            lines = tidy(ink, forms[0])
            explanation = explain(lines, forms)
            if not explanation.is_sure:
                continue
            sure += 1
            look = look_of(line for line in lines)
            cost = faces_of(forms, own.proportions.slant_deg).upright_cost(look)
            assert read(look, cost, forms[0], own, explained=True).letter == asked, (asked, made)
    assert sure > len(small) / 2  # of the letters that were made as they were asked for


@pytest.mark.parametrize("lean", [-24, 24])
@pytest.mark.parametrize("name", "bdkzFR")
def test_a_letter_in_the_mirror_that_leans_as_well_is_seen_to_be_in_the_mirror(
    name: str, lean: float
) -> None:
    shear = np.array([[1.0, 0.0], [np.tan(np.radians(lean)), 1.0]])
    ink = Ink(tuple(Stroke.of(path * MIRROR @ shear) for path in plain(name).paths()))
    codes = {finding.code for finding in checked(ink, name).findings}
    assert codes & {Code.MIRRORED, Code.READS_AS_OTHER}


@pytest.mark.parametrize("name", "ij")
def test_a_dot_is_over_its_stem_however_wide_the_tail_swings(name: str) -> None:
    def dot_place(stem_scale: float, aside: float) -> float:
        stem, dot = plain(name).paths()
        wide = np.where(stem[:, :1] < stem[0, 0], stem_scale, 1.0)
        stem = (stem - stem[0]) * np.hstack([wide, np.ones_like(wide)]) + stem[0]
        ink = Ink((Stroke.of(stem), Stroke.of(dot + np.array([aside, 0.0]))))
        found = [f.measure for f in checked(ink, name).findings if f.code is Code.DOT_PLACE]
        return found[0] if found else 0.0

    assert dot_place(2.0, 0.0) == 0.0
    assert abs(dot_place(1.0, 0.7) - dot_place(2.0, 0.7)) < 0.1
    assert dot_place(1.0, 0.7) > 0.6
