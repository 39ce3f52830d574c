"""Whatever a child is called, its name can be printed."""

from io import BytesIO

import pypdfium2

from firstloop.core.letters.ruling import Ruling
from firstloop.paper.wall_page import OnTheWall, wall_page
from tests import letters

NAMES = ("Łucja", "Şule", "Žofie", "Åsa", "Çınar", "Őzse", "José")


def test_the_wall_has_every_name_as_it_is_written() -> None:
    page = wall_page([OnTheWall(name, letters.good_n()) for name in NAMES], Ruling())
    document = pypdfium2.PdfDocument(BytesIO(page))
    told = document[0].get_textpage().get_text_range()
    document.close()
    assert all(name in told for name in NAMES)
