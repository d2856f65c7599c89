"""Light, kinds of film, focus and shared tanks on the screen: drawn, said, and operated by keys."""

import re
from typing import Any

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import PHONE, Open, Service
from tests.browser.looks import violations

pytestmark = pytest.mark.browser


def kind_of(service: Service, id_: str, kind: str) -> None:
    """A film in the kit becomes one of a kind."""
    film = next(each for each in service.call("GET", "/api/kit")["films"] if each["id"] == id_)
    service.call("PUT", f"/api/kit/films/{id_}", {**film, "kind": kind})


def scene_of(service: Service, id_: str) -> Any:
    return service.call("GET", f"/api/scenes/{id_}")["scene"]


@pytest.mark.parametrize("size", [None, PHONE], ids=["wide", "phone"])
def test_the_day_has_its_sky(open_page: Open, size: Any) -> None:
    """Along the thread from night to night; a moment of it in words, moved by keys; the scenes the
    sun comes to; in no light an axe violation."""
    page = open_page("/outing", size) if size else open_page("/outing")
    day = page.get_by_role("slider", name="A time of the day")
    expect(day).to_have_attribute("aria-valuetext", re.compile(r"^\d+:\d0 (day|low sun) · sun S"))
    day.focus()
    page.keyboard.press("End")
    expect(day).to_have_attribute("aria-valuetext", re.compile("^0:00 night"))
    page.keyboard.press("Home")
    page.keyboard.press("PageUp")
    expect(day).to_have_attribute("aria-valuetext", re.compile("^1:00 night"))
    page.keyboard.press("ArrowLeft")
    expect(page.get_by_text(re.compile("^0:50 night"))).to_be_visible()
    section = page.get_by_role("region", name="Third outing, frost")
    expect(section).to_contain_text("faces SSE, 150°, over a skyline of 8°: sun ")
    expect(section).to_contain_text(re.compile(r"low sun \d+:\d\d to \d+:\d\d and \d+:\d\d to"))
    assert violations(page) == []


def test_a_place_is_typed_and_the_next_outing_may_take_it(
    open_page: Open, service: Service
) -> None:
    """Typed for one outing, taken over for the next, with its height; it is what the sky is asked
    for."""
    page = open_page("/outing")
    page.get_by_role("button", name="New outing").click()
    page.get_by_label("Title").fill("Moonrise")
    page.get_by_role("button", name="Same place as Third outing, frost").click()
    expect(page.get_by_label("Latitude, degrees")).to_have_value("54")
    page.get_by_label("Height above the sea, m").fill("410")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    outing = service.call("GET", "/api/outings")[0]["outing"]
    assert (outing["latitude"], outing["longitude"], outing["height_m"]) == (54, -3, 410)
    expect(page.get_by_role("slider", name="A time of the day").first).to_be_visible()


def test_film_without_n_has_no_handle(open_page: Open, service: Service) -> None:
    """The bridge says why; nothing is to be pulled, no highlight to be marked; the scene develops
    normal."""
    kind_of(service, "film-corvane", "reversal")
    page = open_page("/scene/scene-pool")
    expect(page.get_by_text("Develop normal")).to_be_visible()
    expect(page.get_by_text(re.compile("has no N")).first).to_be_visible()
    expect(page.get_by_role("slider", name=re.compile("print zone", re.I))).to_have_count(0)
    pins = page.get_by_role("slider")
    expect(pins.first).to_be_visible()
    pins.first.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_role("dialog")).to_be_visible()
    expect(page.get_by_label("Important highlight, print zone")).to_have_count(0)


def test_a_kind_is_told_and_its_usual_law_taken_over(open_page: Open, service: Service) -> None:
    """Facts of paper beside the form; its range and law only when they are asked for."""
    page = open_page("/kit")
    page.get_by_role("button", name=re.compile("^Velm 25")).click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("Kind").select_option("paper negative")
    expect(dialog).to_contain_text("over 4½ stops, III to VII½")
    expect(dialog).to_contain_text("Sees nothing behindorange, light red, red, deep red")
    expect(dialog.get_by_label("Holds texture from zone")).to_have_value("II")
    assert violations(page) == []
    dialog.get_by_role("button", name="Take its usual range and reciprocity").click()
    expect(dialog.get_by_label("Holds texture from zone")).to_have_value("III")
    dialog.get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    film = next(
        each for each in service.call("GET", "/api/kit")["films"] if each["id"] == "film-velm"
    )
    assert (film["kind"], film["textural_range"]) == ("paper_negative", [3, 7.5])
    assert film["law"]["exponent"] == 1.3
    assert film["provenance"]["law"] == "typical of paper negative film, no source"


@pytest.mark.parametrize("size", [None, PHONE], ids=["wide", "phone"])
def test_where_to_focus(open_page: Open, service: Service, size: Any) -> None:
    """Draws read off the scale are drawn while they are typed, and taken over: depth, focus and
    aperture of the scene."""
    page = open_page("/scene/scene-pool", size) if size else open_page("/scene/scene-pool")
    page.get_by_role("button", name="Focus and movements").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("What must be sharp").select_option("near and far on the focusing scale")
    dialog.get_by_label("Near past infinity, mm").fill("12")
    dialog.get_by_label("Far past infinity, mm").fill("8")
    drawn = dialog.get_by_role("img", name=re.compile("^On the focusing scale, past infinity: "))
    expect(drawn).to_have_attribute(
        "aria-label",
        "On the focusing scale, past infinity: far 8 mm, focus 10 mm, near 12 mm",
    )
    expect(dialog.get_by_role("img", name=re.compile("^By aperture: ")).first).to_be_visible()
    assert violations(page) == []
    dialog.get_by_role("button", name="Focus there, set f/36").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    scene = scene_of(service, "scene-pool")
    assert scene["aperture"] == "36"
    assert scene["depth"]["focus_spread_mm"] == pytest.approx(4)
    assert scene["focus"]["draw_mm"] == pytest.approx(9.975, abs=1e-3)


def test_a_tilt_and_a_rise_are_drawn_and_kept(open_page: Open, service: Service) -> None:
    """The wedge with its points, the corners with what they lose; set, they are in the sentence."""
    page = open_page("/scene/scene-pool")
    page.get_by_role("button", name="Focus and movements").click()
    dialog = page.get_by_role("dialog")
    dialog.get_by_label("The lens leans forward").select_option("by the hinge of its plane")
    dialog.get_by_label("Hinge below the lens, m").fill("1.5")
    dialog.get_by_label("Points that shall be sharp").fill("two")
    expect(dialog.get_by_text("write how far and how high in metres")).to_be_visible()
    dialog.get_by_label("Points that shall be sharp").fill("2 -1.4\n3 4")
    expect(dialog.get_by_role("img", name=re.compile("^Tilt 5.7°, hinge 1.5 m"))).to_be_visible()
    expect(dialog.get_by_text("2 soft")).to_be_visible()
    dialog.get_by_label("Rise, mm").fill("25")
    corners = dialog.get_by_role("img", name=re.compile("^Corners, upper left"))
    expect(corners).to_have_attribute("aria-label", re.compile("−⅔ stop, −⅔ stop, −⅓ stop"))
    dialog.get_by_role("button", name="Set", exact=True).click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(
        page.get_by_role("button", name=re.compile("hinge 1.5 m below the lens, rise 25 mm"))
    ).to_be_visible()
    moves = scene_of(service, "scene-pool")["movements"]
    assert (moves["hinge_mm"], moves["rise_mm"], moves["tilt_deg"]) == (1500, 25, None)


def test_a_little_light_before(open_page: Open, service: Service) -> None:
    """Chosen beside the film: said in the sentence, with the card that goes before."""
    page = open_page("/scene/scene-pool")
    page.get_by_role("button", name=re.compile("^Film: ")).click()
    page.get_by_label("A little light before").select_option("pre-exposed to II")
    expect(
        page.get_by_role("button", name=re.compile("^Film: .*pre-exposed to II"))
    ).to_be_visible()
    assert scene_of(service, "scene-pool")["pre_exposure_zone"] == 2
    expect(page.get_by_text(re.compile("even card, out of focus"))).to_be_visible()


def test_two_films_share_a_tank(open_page: Open, service: Service) -> None:
    """The other film is offered with what each gives up; its minutes stand in the field, and its
    sheet goes into the run."""
    recipes = {each["id"]: each for each in service.call("GET", "/api/kit")["recipes"]}
    corvane = recipes["recipe-corvane-mq"]["recipe"]
    for id_ in ("recipe-ostrel-mq",):
        own = recipes[id_]
        alike = {key: corvane[key] for key in ("developer", "dilution", "agitation", "colon")}
        points = [{"n": -1, "minutes": 6.9}, {"n": 0, "minutes": 8.4}]
        wanted = {**own["recipe"], **alike, "points": points, "temperature_c": 20}
        service.call("PUT", f"/api/kit/recipes/{id_}", {**own, "recipe": wanted})
    page = open_page("/darkroom")
    group = page.get_by_role("region", name="Corvane 100 N−1")
    group.get_by_role("button", name=re.compile("^Set up|^Run|run", re.I)).first.click()
    dialog = page.get_by_role("dialog")
    other = dialog.get_by_label("With it in the tank")
    expect(other).to_be_visible()
    label = other.locator("option").nth(1).inner_text()
    assert label.startswith("Ostrel 400 N−1, 1 piece: both ")
    other.select_option(label)
    expect(dialog.get_by_role("status")).to_contain_text("both 6 min")
    dialog.get_by_role("button", name=re.compile("^Add 3 sheets")).click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    (run,) = service.call("GET", "/api/darkroom")["runs"]
    assert {each["where"] for each in run["pieces"]} >= {"1A", "1B", "3A"}
