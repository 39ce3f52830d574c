"""Show: letters to draw on the board."""

from fastapi import APIRouter

from firstloop.api.deps import Class
from firstloop.api.shared import LetterDrawing, letter_drawing
from firstloop.core.letterforms import draw, find_hand, find_script

router = APIRouter(prefix="/api/show", tags=["show"])


@router.get("/letters/{letter}")
def get_letter(school_class: Class, letter: str) -> LetterDrawing:
    """A letter in the class's hand, on the class's ruling, move by move."""
    hand = find_hand(school_class.hand)
    return letter_drawing(draw(find_script(letter, hand), hand, school_class.ruling))
