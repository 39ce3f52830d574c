"""The type that is printed: the interface's own, embedded, so that every name can be written."""

from functools import cache
from importlib.resources import as_file, files

from reportlab.pdfbase.pdfmetrics import registerFont, registerFontFamily
from reportlab.pdfbase.ttfonts import TTFont

REGULAR, BOLD = "AlegreyaSans-Regular", "AlegreyaSans-Bold"


@cache
def ready() -> None:
    """Makes the type known to the writer of PDF; once is enough."""
    for name in (REGULAR, BOLD):
        with as_file(files("firstloop.paper").joinpath(f"fonts/{name}.ttf")) as file:
            registerFont(TTFont(name, str(file)))
    registerFontFamily(REGULAR, normal=REGULAR, bold=BOLD, italic=REGULAR, boldItalic=BOLD)
