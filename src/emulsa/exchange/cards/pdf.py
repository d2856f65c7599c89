"""A card as a PDF page."""

from __future__ import annotations

from functools import cache
from pathlib import Path
from typing import Any

from emulsa.core import wire

FOLDER = Path(__file__).parent


@cache
def _fonts() -> Any:
    # The compiler is loaded when the first card is asked for: most days nobody prints.
    import typst

    return typst.Fonts(include_system_fonts=False, font_paths=[FOLDER / "fonts"])


def render(template: str, data: object) -> bytes:
    """The PDF of a template beside this file, with ``data`` as its JSON; always the same bytes."""
    import typst

    page: bytes = typst.compile(
        FOLDER / f"{template}.typ",
        root=FOLDER,
        font_paths=_fonts(),
        format="pdf",
        sys_inputs={"data": wire.dumps(data)},
        timestamp=0,
    )
    return page
