"""A photographer at work: one film, one scene, and everything that happens to the negative.

Every step goes through the service, as the page takes it. What a room says of the negative's
developing time is asked of each room in its own way (``minutes_everywhere``).
"""

import csv
import io
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from pypdf import PdfReader
from starlette.testclient import TestClient

from emulsa.server.app import Settings, create_app
from tests.conftest import HERE, OWN, Client
from tests.databases import lay

Json = dict[str, Any]
LENS = {"focal_length_mm": 150, "widest": "5.6", "smallest": "64", "shutter": {}}
TANK = {"id": "tank-bench", "name": "Bench tank", "holds": 12, "volume_ml": 1_000}
BATHS = [
    {"name": "Developer", "kind": "developer"},
    {"name": "Fixer", "kind": "fixer", "seconds": 300},
]


def done(answer: Any) -> Any:
    """What was answered; the test ends here if it was refused."""
    assert answer.status_code == 200, (answer.request.url, answer.text)
    return answer.json()


class Hand:
    """One pair of hands over a data folder."""

    def __init__(self, client: TestClient) -> None:
        self.client = client

    def get(self, path: str, **params: Any) -> Any:
        return done(self.client.get(path, params=params))

    def post(self, path: str, body: Json | None = None) -> Any:
        return done(self.client.post(path, json=body))

    def put(self, path: str, body: Json) -> Any:
        return done(self.client.put(path, json=body))

    def bench(self) -> None:
        """A lens, a tank and a line of baths."""
        self.put("/api/kit/lenses/lens", {"id": "lens", "name": "150 mm", "optics": LENS})
        self.put("/api/kit/tanks/tank-bench", TANK)
        self.put("/api/kit/lines/line-bench", {"id": "line-bench", "name": "Bench", "baths": BATHS})

    def film(self, recipe: Json, **more: Any) -> None:
        """A film of EI 100 without reciprocity failure unless told, and its one recipe."""
        film = {"exposure_index": 100, "law": {"kind": "none", "until_s": 9_000}, **more}
        self.put("/api/kit/films/film", {"id": "film", "name": "Own film", **film})
        self.put(
            "/api/kit/recipes/recipe",
            {"id": "recipe", "film_id": "film", "name": "Own", "recipe": recipe},
        )

    def scene(self, **more: Any) -> Any:
        """A scene on the film, metered as told."""
        self.put("/api/outings/outing", {"id": "outing", "title": "Day"})
        body = {"id": "scene", "title": "Scene"}
        self.post("/api/outings/outing/scenes", body)
        return self.put(
            "/api/scenes/scene",
            {**body, "outing_id": "outing", "film_id": "film", "lens_id": "lens", **more},
        )

    def sheet(self, number: int = 1) -> str:
        """A sheet of the film in a holder; the id of the piece."""
        self.put(f"/api/holders/holder-{number}", {"id": f"holder-{number}", "number": number})
        self.post(
            "/api/holders/load", {"id": f"load-{number}", "film_id": "film", "sides": f"{number}A"}
        )
        return next(
            side["piece_id"]
            for holder in self.get("/api/holders")
            for side in holder["sides"]
            if side["where"] == f"{number}A"
        )

    def roll(self, id_: str = "roll", **more: Any) -> Any:
        """A roll of four frames of the film in a camera."""
        self.put("/api/kit/cameras/camera", {"id": "camera", "name": "Roll camera"})
        body = {"id": id_, "film_id": "film", "format": "6x6", "frames": 4, "camera_id": "camera"}
        self.post("/api/rolls", {**body, **more})
        return self.roll_view(id_)

    def roll_view(self, id_: str = "roll") -> Any:
        return next(each for each in self.get("/api/rolls") if each["roll"]["id"] == id_)

    def frame(self, number: int, id_: str = "roll") -> str:
        """The piece that is a frame of a roll."""
        return next(
            each["piece_id"] for each in self.roll_view(id_)["frames"] if each["frame"] == number
        )

    def expose(self, piece_id: str, id_: str = "e", **more: Any) -> Any:
        return self.post(
            "/api/exposures", {"id": id_, "scene_id": "scene", "piece_id": piece_id, **more}
        )

    def solve(self) -> Any:
        """The scene worked out as the page draws it."""
        return self.post("/api/scenes/solve", {"scene": self.get("/api/scenes/scene")["scene"]})

    def group(self, **at: Any) -> Any:
        """The one group that waits in the Darkroom."""
        groups = self.get("/api/darkroom", **at)["groups"]
        assert len(groups) == 1, [each["n_text"] for each in groups]
        return groups[0]

    def run(self, group: Json, minutes: float, **more: Any) -> str:
        """The group's film put into a run, with the minutes its dialog was given."""
        run = {
            "id": "run",
            "name": "Evening",
            "recipe_id": group["recipe_id"],
            "n": group["n"],
            "minutes": minutes,
            "tank_id": "tank-bench",
            "line_id": "line-bench",
            **more,
        }
        pieces = [piece for sheet in group["sheets"] for piece in sheet["piece_ids"]]
        self.post("/api/darkroom/runs", {"run": run, "piece_ids": pieces})
        return str(run["id"])

    def evening(self, **more: Any) -> Any:
        """The evening planned for the film, in the bench tank."""
        kind = {"film_id": "film", "recipe_id": "recipe", "tank_id": "tank-bench"}
        return self.post("/api/evening", {"kinds": [kind], "line_id": "line-bench", **more})

    def weigh(self, piece_id: str, choice: Json | None = None, **more: Any) -> Any:
        """What the run's dialog and the choice's dialog show for a piece that waits."""
        return self.post(
            "/api/darkroom/weigh", {"piece_id": piece_id, "choice": choice or {}, **more}
        )


def minutes_everywhere(
    hand: Hand, piece_id: str, temperature_c: float, bottle_ids: tuple[str, ...] = ()
) -> Iterator[tuple[str, float]]:
    """Every room's answer to *how long does this negative develop?*, by the room's name.

    The film is put into a run by the minutes the run's dialog showed, so the rooms after it are
    asked for what was really carried there.
    """
    group = hand.group(temperature_c=temperature_c)
    if not bottle_ids:
        yield "Darkroom", group["time"]["minutes"]
    conditions = {"temperature_c": temperature_c, "bottle_ids": list(bottle_ids)}
    dialog = hand.weigh(piece_id, group["choice"], tank_id="tank-bench", **conditions)
    yield "run's dialog", dialog["minutes"]
    planned = hand.evening(**conditions)["runs"]
    assert len(planned) == 1
    yield "evening, the run", planned[0]["minutes"]
    yield "evening, the piece", planned[0]["pieces"][0]["minutes"]
    yield "evening, the clock", _developer(planned[0]["course"]["steps"])
    id_ = hand.run(group, dialog["minutes"], **conditions)
    open_run = next(each for each in hand.get("/api/darkroom")["runs"] if each["run"]["id"] == id_)
    yield "open run", open_run["run"]["minutes"]
    course = hand.get(f"/api/darkroom/runs/{id_}/course")
    yield "run's clock", _developer(course["process"]["steps"])
    table = list(csv.DictReader(io.StringIO(hand.client.get("/api/darkroom/runs/table.csv").text)))
    yield "table of runs", float(table[-1]["minutes"])
    story = hand.get(f"/api/log/{group['sheets'][0]['exposure_id']}")
    assert open_run["minutes_text"] in story["run_text"]
    assert open_run["minutes_text"] == dialog["minutes_text"]
    sheet = hand.client.get(f"/api/darkroom/runs/{id_}/sheet.pdf").content
    assert dialog["minutes_text"] in _text(sheet)


def _developer(steps: list[Json]) -> float:
    """Minutes from the developer's pour to the end of its drain, by the clock."""
    step = next(each for each in steps if each["kind"] == "developer")
    return float(step["end_s"] - step["start_s"]) / 60


def _text(pdf: bytes) -> str:
    return "\n".join(page.extract_text() for page in PdfReader(io.BytesIO(pdf)).pages)


def opened(folder: Path) -> TestClient:
    """The service over a folder, without its page and its caretaker."""
    settings = Settings(lay(folder), page=folder / "no-page", caretaker=False)
    return Client(create_app(settings), base_url=HERE, headers=OWN)
