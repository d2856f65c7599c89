"""A scene begun away has at home what it had away: film, recipe, lens, aperture, meter, school."""

from pathlib import Path

import pytest

from emulsa.core.scene.record import FOLLOWED
from emulsa.store import carrying
from emulsa.store.folder import DATABASE
from tests.acts.conftest import Season
from tests.acts.doing import Hands, Request
from tests.acts.test_handing_in import acts_of, hand_in

DAY = "2026-01-17"


def scene(hands: Hands, id_: str) -> dict[str, object]:
    row = hands.db.execute("SELECT * FROM scene WHERE id = ?", [id_]).fetchone()
    return {name: row[name] for name in FOLLOWED}


@pytest.mark.parametrize(
    "request_",
    [
        Request("outings.begin", {"id": "outing-quarry"}, {}, {"id": "there", "title": "There"}),
        Request(
            "scenes.begin",
            body={"id": "there", "outing_id": "new", "day": DAY, "edits": []},
        ),
    ],
    ids=lambda each: each.name,
)
def test_home_begins_as_it_was_begun_there(
    season: Season, begun: Hands, tmp_path: Path, request_: Request
) -> None:
    """Home went on with another film and lens meanwhile; the scene from the device has its own, and
    one that is begun at home now follows what is latest here."""
    device = tmp_path / "device"
    device.mkdir()
    carrying.copy(begun.house.database, device / DATABASE, begun.moment(), "0")
    out = Hands(device)
    assert out.do(request_, key="away").ok
    there = scene(out, "there")
    here = {"id": "here", "title": "Here"}
    assert begun.do(Request("outings.begin", {"id": "outing-quarry"}, {}, here)).ok
    begun.db.execute(
        "UPDATE scene SET film_id = 'film-velm', recipe_id = 'recipe-velm-mq',"
        " pinhole_id = NULL, lens_id = 'lens-300', aperture = '\"16\"' WHERE id = 'here'"
    )
    assert [each["came"] for each in hand_in(begun, acts_of(out))] == ["done"]
    assert scene(begun, "there") == there
    assert there["film_id"] != "film-velm"
    assert [each["came"] for each in hand_in(begun, acts_of(out))] == ["known"]
    out.close()
