"""Negatives side by side: what differs and nothing else."""

import pytest

from emulsa.core.errors import OutOfRange, Unsound
from emulsa.core.logged.attachment import Attachment, NamedPlace, Scanned, scanned_text
from emulsa.core.logged.comparison import Facts, chosen, differences, matched
from emulsa.core.wire import decode


def test_what_is_the_same_is_not_said() -> None:
    """Only what is not the same for all is told, in the order of its making; what is other than
    with the first is marked, what nobody knows is said to be unknown."""
    film, lens = "Harle 200, EI 200", "150 mm"
    found = differences(
        [
            Facts(film=film, developer="stock", given="14 min, N", lens=lens, light="bracket −1"),
            Facts(film="Harle 200, EI 400", given="14 min, N", lens=lens, light="bracket −1"),
            Facts(film=film, developer="stock", given="9 min, N", lens=lens, light="bracket −1"),
        ]
    )
    assert [(each.name, each.values, each.other) for each in found] == [
        ("Film", (film, "Harle 200, EI 400", film), (False, True, False)),
        ("Developer", ("stock", "not known", "stock"), (False, True, False)),
        ("Developed", ("14 min, N", "14 min, N", "9 min, N"), (False, False, True)),
    ]
    assert differences([Facts(film=film)]) == ()
    assert differences([Facts(), Facts()]) == ()


def test_which_pictures_an_address_names() -> None:
    """One to six, each once, in their order."""
    assert chosen("b,a,b") == ("b", "a")
    assert chosen("a,b,c,d,e,f") == ("a", "b", "c", "d", "e", "f")
    for wrong in ("", ",", "a,b,c,d,e,f,g"):
        with pytest.raises(Unsound, match="One to 6 pictures"):
            chosen(wrong)


def test_greys_are_matched_to_the_first() -> None:
    """Levels times the gain are the first's at the place; what is black or not there is left."""
    greys = [100.0, 80.0, 0.0, None, 125.0]
    gains = matched(greys)
    assert gains == (1.0, 1.25, 1.0, 1.0, 0.8)
    assert matched([None, 80.0]) == matched([0.0, 80.0]) == (1.0, 1.0)


@pytest.mark.parametrize(
    ("scanned", "text"),
    [
        (Scanned(), ""),
        (
            Scanned(device="flatbed", per_inch=2400, inverted=True),
            "flatbed, 2,400 points an inch, inverted",
        ),
        (Scanned(raw=True, spotted=True, note="wet"), "raw, only spotted, wet"),
    ],
)
def test_how_a_scan_was_made(scanned: Scanned, text: str) -> None:
    assert scanned_text(scanned) == text


def test_places_have_names_of_their_own() -> None:
    """Two places of one name could not be told apart; one beyond the picture is not in it."""
    ridge = NamedPlace(name="ridge", x=0.2, y=0.3)
    with pytest.raises(Unsound, match="Each place needs a name"):
        Attachment(
            id="a",
            exposure_id="b",
            name="scan.png",
            media_type="image/png",
            bytes=1,
            width=1,
            height=1,
            digest="0" * 64,
            added_at="",
            places=(ridge, ridge),
        )
    with pytest.raises(OutOfRange):
        decode(NamedPlace, {"name": "ridge", "x": 1.2, "y": 0})
