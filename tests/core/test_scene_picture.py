"""A scene's picture as its meter: readings that lie in it, places read off it, and what is said."""

from dataclasses import replace
from typing import Any

import pytest

from emulsa.core.advice import Advice
from emulsa.core.corrections.bellows import ByMagnification
from emulsa.core.corrections.filters import Filter
from emulsa.core.errors import Impossible
from emulsa.core.kit.printing import PaperFilter
from emulsa.core.light.meters import EvReading, PhotoReading
from emulsa.core.light.srgb import encoded
from emulsa.core.picture.area import LIGHT_118
from emulsa.core.picture.axis import index
from emulsa.core.picture.metering import (
    Metering,
    PictureExposure,
    Spot,
    as_typed,
    metering_of,
)
from emulsa.core.picture.settings import PictureSettings
from emulsa.core.picture.spotted import PhotoRing, TileCell, Tiles
from emulsa.core.rendering.negative import net_density
from emulsa.core.rendering.own_film import DevelopedPrints, OwnFilm
from emulsa.core.rendering.paper import Paper
from emulsa.core.rendering.previewed import Shares
from emulsa.core.scene.changes import Drop, PutAt, Read
from emulsa.core.scene.edits import edited
from emulsa.core.scene.metered import meters, names, picture_meter, reread, without_spots
from emulsa.core.scene.printed import as_paper, negative_of_picture, shares_text
from emulsa.core.scene.printed import taken as taken_by
from emulsa.core.scene.record import Pin, Scene, SceneKit, ScenePicture, SceneReading, revisit
from emulsa.core.scene.seeing import PictureSeen, SeeingAsked
from emulsa.core.scene.seen import picture_seen
from emulsa.demo.bag import FILTERS, METER, PINHOLE
from emulsa.demo.prints import PAPER

AT = "2026-01-17T12:00:00Z"
EXPOSED = PictureExposure(time_s=1 / 125, aperture=8, iso=200)
METERING = Metering(settings=EXPOSED, view_deg=66)
PICTURE = ScenePicture(metering=METERING, aspect=1.5)
KIT = SceneKit(picture=PICTURE)
RED = next(each for each in FILTERS if each.id == "filter-red")


def with_flare(share: float) -> SceneKit:
    return replace(KIT, picture=replace(PICTURE, metering=replace(METERING, flare_share=share)))


def level(stops: float) -> int:
    """The level of so many stops over 118."""
    return round(255 * encoded(LIGHT_118 * 2**stops))


def spot(stops: float, x: float = 0.5, y: float = 0.5) -> Spot:
    counts = [0] * 256
    counts[level(stops)] = 40
    return Spot(x=x, y=y, radius=0.01, counts=tuple(counts))


def taken(id_: str, ev: float, at: Spot | None = None, label: str = "") -> SceneReading:
    return SceneReading(id=id_, label=label or id_, reading=EvReading(ev=ev), spot=at)


def scene(*readings: SceneReading) -> Scene:
    return Scene(id="s", outing_id="o", title="t", readings=readings)


def seen(of: Scene, kit: SceneKit = KIT, **asked: Any) -> PictureSeen:
    found = picture_seen(of, kit, SeeingAsked(**asked), (taken_by("now", of, kit),))
    assert found is not None
    return found


SHADE, FROST = taken("shade", 9, spot(-3)), taken("frost", 13, spot(1))


def test_a_scene_without_a_picture_has_none() -> None:
    assert picture_meter(scene(SHADE), SceneKit()) is None
    assert picture_seen(scene(SHADE), SceneKit(), SeeingAsked(), ()) is None


def test_what_is_read_off_follows_the_readings() -> None:
    """A place half way between two readings; a reading corrected by a stop takes it along, and one
    more draws it to itself. To four digits, so that home and away write the same."""
    place = SceneReading(
        id="bank", label="bank", reading=PhotoReading(ev100=0, sigma_stops=9), spot=spot(-1)
    )
    first = reread(scene(SHADE, FROST, place), KIT).readings[2].reading
    assert isinstance(first, PhotoReading)
    assert first.ev100 == pytest.approx(11, abs=0.1)
    assert 0.1 < first.sigma_stops < 0.6
    assert first.ev100 == round(first.ev100, 4)
    higher = scene(replace(SHADE, reading=EvReading(ev=10)), taken("frost", 14, spot(1)), place)
    second = reread(higher, KIT).readings[2].reading
    assert isinstance(second, PhotoReading)
    assert second.ev100 == pytest.approx(first.ev100 + 1, abs=1e-3)
    surer = reread(scene(SHADE, FROST, taken("bark", 11, spot(-1)), place), KIT).readings[3].reading
    assert isinstance(surer, PhotoReading)
    assert surer.sigma_stops < first.sigma_stops


def test_only_spots_of_the_subject_make_it_a_meter() -> None:
    incident = replace(taken("dome", 12, spot(0)), incident=True)
    off = replace(SHADE, id="off", reading=PhotoReading(ev100=9, sigma_stops=1))
    assert [meters(each) for each in (SHADE, taken("x", 9), incident, off)] == [
        True,
        False,
        False,
        False,
    ]
    request = picture_meter(scene(SHADE, taken("x", 9), incident, off), KIT)
    assert request is not None
    assert [each.id for each in request.points] == ["shade"]


def test_the_picture_saw_the_light_without_the_filters() -> None:
    """What was read through them is given back to the light; a graduated filter is no matter of the
    picture's."""
    red = next(each for each in FILTERS if each.id == "filter-red")
    through = replace(SHADE, through=True)
    kit = replace(KIT, filters=(red,))
    sky = replace(red, filter=Filter(stops=2, type="graduated"))
    held = replace(KIT, filters=(sky,))
    plain = picture_meter(scene(replace(SHADE, graduated=True)), held)
    filtered = picture_meter(scene(through), kit)
    assert plain is not None
    assert filtered is not None
    assert plain.points[0].ev100 == 9
    assert filtered.points[0].ev100 == 12


def test_names_are_told_apart() -> None:
    told = names(scene(taken("a", 9, label="wall"), taken("b", 9, label="wall")))
    assert told == {"a": "wall", "b": "wall (2)"}


def test_how_it_is_known_is_said() -> None:
    """By so many readings; by its settings, and then what would be better; or not at all, and why.
    Settings of 1/125 at f/8, ISO 200: level 118 is EV 12.3."""
    by_two = seen(scene(SHADE, FROST))
    assert by_two.known
    assert (by_two.says, by_two.asks) == ("by 2 spot readings, ± ½", "")
    settings = seen(scene(), probe=spot(0))
    assert settings.says == "by its settings alone, ± ½"
    assert settings.asks == "Touch a place you read with the meter, and type what it says."
    assert settings.advice == ()
    assert settings.probe is not None
    assert settings.probe.text == "EV 12⅓ ± ½"
    assert settings.probe.zone_text == ""  # nothing is placed yet
    bare = replace(KIT, picture=replace(PICTURE, metering=Metering()))
    unknown = seen(scene(taken("x", 9)), bare)
    assert (unknown.known, unknown.says) == (False, "not known yet")
    assert unknown.asks.startswith("Its file does not say how it was exposed. Touch a place")
    assert unknown.radius > 0
    clipped = seen(scene(taken("sky", 15, spot(4))), bare)
    assert "clipped" in clipped.asks


def test_places_are_told_in_words() -> None:
    """Where they fall, what they would be without themselves, and where the picture ends."""
    shown = seen(
        replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3)), probe=spot(4), tables="x"
    )
    shade, frost = shown.places
    assert (shade.text, shade.zone_text, shade.meters) == ("EV 9 ± ⅓", "III", True)
    assert (frost.zone_text, frost.without_text) == ("VII", "")
    assert shown.probe is not None
    assert shown.probe.text.startswith("at least EV ")
    assert shown.probe.clipped
    wrong = taken("wrong", 16, spot(-1))
    doubted = seen(scene(SHADE, FROST, taken("bark", 11, spot(-1.2)), wrong))
    told = next(each for each in doubted.places if each.id == "wrong")
    assert told.without_text.startswith("EV 11")
    assert any(each.text.startswith("Wrong would be EV 11") for each in doubted.advice)
    black = seen(scene(SHADE, FROST), probe=Spot(x=0, y=0, radius=0.01, counts=(9, *[0] * 255)))
    assert black.probe is not None
    assert (black.probe.text, black.probe.reading) == ("black in the picture", None)


def test_tables_are_sent_once() -> None:
    first = seen(scene(SHADE, FROST))
    assert first.look_up is not None
    again = seen(scene(SHADE, FROST), tables=first.tables)
    assert (again.tables, again.look_up) == (first.tables, None)
    other = seen(scene(SHADE, replace(FROST, reading=EvReading(ev=14))), tables=first.tables)
    assert other.look_up is not None
    assert other.tables != first.tables


def test_the_circle_is_the_meter_s() -> None:
    """One degree of a picture that sees 66: tan ½° / (2 tan 33°). A dome sees no place of it."""
    assert seen(scene(SHADE)).radius == pytest.approx(0.00672, abs=1e-5)
    wider = replace(KIT, meter=replace(METER, spot_deg=5))
    assert seen(scene(SHADE), wider).radius == pytest.approx(0.0336, abs=1e-4)
    dome = replace(KIT, meter=replace(METER, spot_deg=180))
    assert seen(scene(SHADE), dome).radius == pytest.approx(0.00672, abs=1e-5)


def ring(**levels: int) -> PhotoRing:
    counts = [0] * 256
    for stops, many in levels.items():
        counts[level(float(stops.removeprefix("s").replace("_", "-")))] += many
    return PhotoRing(rho2=0.1, counts=tuple(counts))


def test_what_falls_where() -> None:
    """Half of it as dark as the shade on III, half as light as the frost on VII."""
    placed = replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3))
    shown = seen(placed, rings=(ring(s_3=50, s1=50),))
    said = {each.text: each.share_text for each in shown.falling}
    assert said == {
        "0–I, black": "0 %",
        "II–III, dark with texture": "50 %",
        "IV–VI, middle": "0 %",
        "VII–VIII, light with texture": "50 %",
        "IX–X, white": "0 %",
    }
    assert [round(each.zone) for each in shown.fringe] == [3, 7]
    assert shown.prints[0].says == "full texture in 100 % of it"


def test_the_print_follows_what_is_planned() -> None:
    """Its N, its error, its paper; other ways beside it, and one that cannot be worked out says
    so."""
    placed = replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3))
    softer = replace(placed, n=-2.0)
    ways = (
        taken_by("now", placed, KIT),
        taken_by("softer", softer, KIT),
        taken_by("over", placed, KIT, 1.0),
        taken_by("nothing", scene(), KIT),
    )
    found = picture_seen(placed, KIT, SeeingAsked(), ways)
    assert found is not None
    now, soft, over, nothing = found.prints
    assert [each.id for each in found.prints] == ["now", "softer", "over", "nothing"]
    assert (now.n_text, soft.n_text) == ("N", "N−2")
    assert now.placed_text == "shadow on III"
    assert max(soft.grey) <= max(now.grey)
    assert sum(soft.grey) != sum(now.grey)
    assert all(b >= a for a, b in zip(now.grey, over.grey, strict=True))
    assert over.grey != now.grey
    assert nothing.problem.startswith("Type a reading to begin")
    assert nothing.grey == ()


def test_its_print_is_seen_on_one_s_own_paper() -> None:
    """A soft paper holds more; what it is seen on is said, and so is a filter."""
    placed = replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3))
    soft = replace(PAPER, name="Sleet soft", filters=(PaperFilter(label="00", range=1.6),))
    plain = seen(placed).prints[0]
    softer = seen(placed, replace(KIT, picture=replace(PICTURE, paper=soft))).prints[0]
    assert softer.mark.count(2) > plain.mark.count(2)
    assert (plain.by_text, softer.by_text) == ("normal paper", "Sleet soft")
    rings = (ring(s1=90, s_3=10),)
    red = replace(KIT, filters=(RED,))
    assert seen(placed, red, rings=rings).prints[0].by_text == (
        "normal paper, flare 1 %, red filter"
    )
    assert seen(placed, with_flare(0.0), rings=rings).prints[0].by_text == "normal paper, no flare"
    tested = OwnFilm(
        title="Velm",
        ei=100,
        developments=(DevelopedPrints(n=0, prints=tuple(0.9 * zone for zone in range(12))),),
    )
    by_test = seen(replace(placed, n=0.0), replace(KIT, own_film=tested)).prints[0]
    assert by_test.by_text == "normal paper, your own film test"


def test_each_way_is_seen_through_its_own_filter() -> None:
    """One like the picture's needs no tables; another's are those of a picture seen through it."""
    placed = replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3))
    red = replace(KIT, filters=(RED,))
    ways = (taken_by("now", placed, KIT), taken_by("red", placed, red))
    found = picture_seen(placed, KIT, SeeingAsked(), ways)
    through = picture_seen(placed, red, SeeingAsked(), ways)
    assert found is not None
    assert through is not None
    assert [each.look_up is None for each in found.prints] == [True, False]
    assert [each.look_up is None for each in through.prints] == [False, True]
    assert found.prints[1].look_up == through.look_up
    assert through.prints[0].look_up == found.look_up


def test_what_a_level_of_the_picture_is_on_the_negative() -> None:
    """A reading on III has the net density of Zone III on a normal negative, the other as many
    zones above as it is lighter (the table of `negative`); two stops more make it denser; without a
    picture, or without readings, nothing is told."""
    placed = replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3), n=0.0)
    way = taken_by("now", placed, KIT)
    nets = negative_of_picture(placed, KIT, way)
    assert nets is not None
    assert len(nets) == 256
    assert nets[level(-3)] == pytest.approx(net_density(3), abs=0.02)
    assert nets[level(1)] == pytest.approx(net_density(7), abs=0.02)
    more = negative_of_picture(placed, KIT, taken_by("more", placed, KIT, 2.0))
    assert more is not None
    assert more[level(-3)] == pytest.approx(net_density(5), abs=0.02)
    off = replace(way, error_stops=1.0)  # as it was really given
    over = negative_of_picture(placed, KIT, off)
    assert over is not None
    assert over[level(-3)] == pytest.approx(net_density(4), abs=0.02)
    assert negative_of_picture(placed, SceneKit(), way) is None
    assert negative_of_picture(scene(), KIT, taken_by("now", scene(), KIT)) is None


def test_flare_is_a_share_of_the_whole_picture_s_light() -> None:
    """A tenth of a light picture lies on its shadows, and none where nothing was counted."""
    placed = replace(scene(SHADE, FROST), pin=Pin(reading="shade", zone=3))
    rings = (ring(s1=90, s_3=10),)
    clean, lit = (
        seen(placed, with_flare(share), rings=rings).prints[0].grey for share in (0.0, 0.1)
    )
    dark = index(9)
    assert lit[dark] > clean[dark] + 5
    assert lit[index(14)] == clean[index(14)]
    assert seen(placed, with_flare(0.1)).prints[0].grey == clean


def test_a_lens_blurs_what_is_focused_by_its_aperture_alone() -> None:
    """Diffraction, 2.44·λ·N(1 + m) (Airy): twice from f/22 to f/45, and again at 1 : 1."""
    wide, small, close = (
        seen(replace(scene(SHADE, FROST), aperture=aperture, focus=focus), drawn_width=4_000).blur
        for aperture, focus in (("22", None), ("45", None), ("45", ByMagnification(m=1)))
    )
    assert wide is not None
    assert small is not None
    assert close is not None
    assert wide.blur_mm == pytest.approx(2.44 * 550e-6 * 2**4.5)
    assert (small.blur_mm, close.blur_mm) == pytest.approx((2 * wide.blur_mm, 4 * wide.blur_mm))


def test_a_hole_blurs_it_and_a_contrast_filter_is_seen() -> None:
    hole = replace(KIT, pinhole=PINHOLE, format_mm=(120, 95))
    blurred = seen(scene(SHADE, FROST), hole, drawn_width=800)
    assert blurred.blur is not None
    assert blurred.blur.sigma == pytest.approx(blurred.blur.blur_mm / 4 / 120 * 800)
    plain, filtered = (
        seen(scene(SHADE, FROST)),
        seen(scene(SHADE, FROST), replace(KIT, filters=(RED,))),
    )
    assert plain.look_up is not None
    assert filtered.look_up is not None
    assert filtered.look_up.red[200] > 3 * plain.look_up.red[200]


def test_places_worth_reading_are_proposed() -> None:
    cells = [TileCell(level=level(-3), spread=6.0)] * 12 + [
        TileCell(level=level(1), spread=14.0)
    ] * 12
    shown = seen(scene(SHADE, FROST), tiles=Tiles(columns=6, rows=4, cells=tuple(cells), wanted=1))
    dark, bright = shown.proposed
    assert (dark.dark, bright.dark) == (True, False)
    assert dark.text.startswith("EV 9")
    assert bright.text.startswith("EV 13")
    assert bright.y > dark.y


def test_readings_are_put_into_the_picture_and_taken_off() -> None:
    bare = scene(taken("shade", 9))
    put = edited(bare, (PutAt(id="shade", spot=spot(-3)),), AT)
    assert put.readings[0].spot == spot(-3)
    assert edited(put, (PutAt(id="shade", spot=None),), AT) == bare
    # taken again it stays where it lies; read anew elsewhere it goes there
    again = edited(put, (Read(id="shade", reading=EvReading(ev=8)),), AT)
    assert again.readings[0].spot == spot(-3)
    moved = edited(put, (Read(id="shade", reading=EvReading(ev=8), spot=spot(0)),), AT)
    assert moved.readings[0].spot == spot(0)
    assert edited(put, (Drop(id="shade"),), AT).readings == ()


def test_what_cannot_lie_in_it() -> None:
    off = SceneReading(id="p", reading=PhotoReading(ev100=9, sigma_stops=1), spot=spot(0))
    with pytest.raises(Impossible, match="This was read off the picture"):
        edited(scene(off), (PutAt(id="p", spot=None),), AT)
    dome = replace(taken("dome", 12), incident=True)
    with pytest.raises(Impossible, match="This reads the light, not a place"):
        edited(scene(dome), (PutAt(id="dome", spot=spot(0)),), AT)


def test_a_picture_stays_with_the_scene_it_is_of() -> None:
    """Gone back to, readings keep their figures and lie nowhere; a picture taken away leaves what
    was read off it."""
    off = SceneReading(id="p", reading=PhotoReading(ev100=9, sigma_stops=1), spot=spot(0))
    with_both = scene(SHADE, off)
    again = revisit(with_both, "new", "other")
    assert [each.spot for each in again.readings] == [None, None]
    assert [each.reading for each in without_spots(with_both).readings] == [
        SHADE.reading,
        off.reading,
    ]
    assert reread(without_spots(with_both), KIT) == without_spots(with_both)


def test_a_paper_prints_through_its_most_normal_filter() -> None:
    assert as_paper(None) == Paper()
    told = as_paper(PAPER)
    nearest = min(PAPER.filters, key=lambda each: abs(each.range - 1.05))
    assert (told.range, told.dmax, told.dmin) == (nearest.range, PAPER.dmax, PAPER.dmin)


def test_what_a_file_says_is_what_one_types() -> None:
    """A fraction while it is one; nothing where it is not known."""
    told = PictureSettings(
        time_s=1 / 955,
        aperture=1.8,
        iso=50,
        ev100=None,
        bias_stops=None,
        focal_35mm_mm=26,
        view_deg=69.390307,
        zoom=None,
        orientation=6,
        turned=True,
        taken="2026:01:17 09:08:00",
        missing=(),
        advice=(),
    )
    known = metering_of(told)
    assert known.turned
    assert known.view_deg == 69.4
    typed = as_typed(known)
    assert (typed.time, typed.aperture, typed.iso, typed.view) == ("1/955", "1.8", "50", "69.4")
    assert metering_of(replace(told, iso=None)).settings is None
    doubts = tuple(
        Advice(code=code, severity="note", text=code)
        for code in ("flash-fired", "settings-missing")
    )
    assert metering_of(replace(told, advice=doubts)).doubts == ("flash-fired",)
    long = as_typed(Metering(settings=replace(EXPOSED, time_s=2.5), offset_stops=-0.3))
    assert (long.time, long.offset) == ("2.5", "−0.3")


def test_what_is_lost_is_said_with_where() -> None:
    lost = Shares(
        shadows_lost=0.004,
        shadows_some=0,
        full=0.976,
        highlights_some=0,
        highlights_lost=0.02,
    )
    assert shares_text(lost) == (
        "full texture in 98 % of it; without any (striped), 2 % in the highlights"
    )
