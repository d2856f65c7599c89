"""Cards over HTTP: one page each, the numbers of the core on it, and the same tables as CSV."""

import csv
import io
import math

import pytest
from pypdf import PageObject, PdfReader
from starlette.testclient import TestClient

from tests.api.test_api import refusal

CARDS = [
    ("pinhole.pdf?pinhole_id=pinhole-box&film_id=film-ostrel", ["Ostrel 400", "f/200", "1/125"]),
    ("reciprocity.pdf?film_id=film-corvane", ["Corvane 100", "metered", "16 s"]),
    ("bellows.pdf?lens_id=lens-150", ["150 mm", "30 mm", "1.44"]),
    ("target/bellows.pdf?lens_id=lens-300", ["300 mm telephoto", "0.7", "100 %"]),
    ("dial/zones.pdf?diameter_mm=50&stop_mm=8", ["VIII", "50 mm across"]),
]


@pytest.mark.parametrize(("path", "words"), CARDS)
def test_a_card_is_one_page_with_its_numbers(
    client: TestClient, path: str, words: list[str]
) -> None:
    """In the face that ships, and always the same bytes."""
    answer = client.get(f"/api/cards/{path}")
    assert answer.headers["content-type"] == "application/pdf"
    pages = PdfReader(io.BytesIO(answer.content)).pages
    assert len(pages) == 1
    assert faces(pages[0]) == {"AtkinsonHyperlegibleNext"}
    text = " ".join(pages[0].extract_text().split())
    for word in words:
        assert word in text
    assert "Never aim a meter at the sun" in text
    assert client.get(f"/api/cards/{path}").content == answer.content


def test_the_same_table_as_csv(client: TestClient) -> None:
    """Columns, thirteen rows, what it holds for; and no cell that becomes a formula."""
    answer = client.get("/api/cards/pinhole.csv?pinhole_id=pinhole-box&film_id=film-corvane")
    rows = list(csv.reader(io.StringIO(answer.content.decode("utf-8-sig"))))
    assert rows[0] == [
        *("meter at f/22", "uncorrected", "give"),
        *("metered_s", "uncorrected_s", "give_s"),
    ]
    (half,) = [row for row in rows if row[0] == "1/2"]
    assert half[:3] == ["1/2", "39 s", "2 min"]
    assert float(half[3]) == 0.5
    assert float(half[4]) == pytest.approx(39.06, rel=0.01)
    assert float(half[5]) == pytest.approx(120, rel=0.03)
    long = client.get("/api/cards/reciprocity.csv?film_id=film-corvane").content.decode("utf-8-sig")
    cells = [cell for row in csv.reader(io.StringIO(long)) for cell in row]
    assert "'+⅔" in cells
    assert not any(cell.startswith(("=", "+", "-", "@")) and not number(cell) for cell in cells)


def faces(page: PageObject) -> set[str]:
    """The families a page is set in."""
    fonts = page["/Resources"]["/Font"].values()  # type: ignore[index]
    named = (str(each.get_object()["/BaseFont"]) for each in fonts)
    return {each.partition("+")[2].partition("-")[0] for each in named}


def number(cell: str) -> bool:
    """A cell a spreadsheet takes for a number: no formula."""
    try:
        return math.isfinite(float(cell))
    except ValueError:
        return False


@pytest.mark.parametrize(
    ("path", "status", "field"),
    [
        ("pinhole.pdf?film_id=film-corvane", 422, "pinhole_id"),
        ("reciprocity.pdf", 422, "film_id"),
        ("reciprocity.csv?film_id=gone", 404, "film_id"),
        ("bellows.pdf?lens_id=", 422, "lens_id"),
        ("dial/zones.pdf?diameter_mm=5", 422, "diameter_mm"),
        ("dial/zones.pdf?diameter_mm=30&stop_mm=12", 422, "stop_mm"),
        ("dial/zones.pdf?diameter_mm=nan", 422, "diameter_mm"),
        ("dial/zones.pdf?diameter_mm=wide", 422, "diameter_mm"),
    ],
)
def test_cards_that_cannot_be_made(client: TestClient, path: str, status: int, field: str) -> None:
    """One sentence, at the field."""
    assert refusal(client.get(f"/api/cards/{path}"), status)["field"] == field


def test_a_film_without_a_law_has_no_card(client: TestClient) -> None:
    """It is said where to give it one."""
    film = {"id": "new", "name": "Unknown 50", "exposure_index": 50}
    client.put("/api/kit/films/new", json=film)
    error = refusal(client.get("/api/cards/reciprocity.pdf?film_id=new"), 422)
    assert "Unknown 50 has no reciprocity law yet" in error["message"]


def test_times_for_the_wall(client: TestClient) -> None:
    """Every recipe in use by the bath's warmth, in the darkroom's own minutes; PDF and CSV."""
    answer = client.get("/api/cards/wall/times.csv")
    rows = list(csv.reader(io.StringIO(answer.content.decode("utf-8-sig"))))
    assert rows[0][:2] == ["film, recipe", "18 °C"]
    assert rows[0][-1] == "27 °C"
    (trays,) = [row for row in rows if row[0] == "Corvane 100: Metol–hydroquinone 1+1, trays"]
    assert trays[rows[0].index("20 °C")] == "8:30"

    def n_minus_1(at_c: int) -> float:
        room = client.get(f"/api/darkroom?temperature_c={at_c}").json()["groups"]
        (group,) = [each for each in room if each["film_name"] == "Corvane 100" and each["n"] == -1]
        minutes: float = group["time"]["minutes"]
        return minutes

    share = n_minus_1(24) / n_minus_1(20)  # warmth asks as much of every N
    at_24 = trays[rows[0].index("24 °C")].split(":")
    assert int(at_24[0]) + int(at_24[1]) / 60 == pytest.approx(8.5 * share, rel=0.02)
    page = client.get("/api/cards/wall/times.pdf")
    text = " ".join(PdfReader(io.BytesIO(page.content)).pages[0].extract_text().split())
    for word in ("Developing times", "27 °C", "8:30", "Slanted: estimated"):
        assert word in text
