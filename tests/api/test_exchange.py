"""In and out: CSV tried first and then all or none, the archive whole and without doubles."""

import csv
import errno
import io
import json
import time
import zipfile
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from starlette.testclient import TestClient

from emulsa.exchange.csv_table import plain, safe
from emulsa.exchange.logbook import columns, unknown_csv
from emulsa.server.app import Settings, create_app
from emulsa.store.folder import ATTACHMENTS
from tests.api.test_api import refusal
from tests.conftest import HERE, OWN, Client
from tests.databases import lay

Json = dict[str, Any]
GOOD = "exposed_at,film,aperture,time_s,scene,where,n,note\n"


def waited(client: TestClient, job: Json) -> Json:
    """A job, when it has ended."""
    for _ in range(600):
        job = client.get(f"/api/exchange/jobs/{job['id']}").json()
        if job["state"] not in ("waiting", "running"):
            return job
        time.sleep(0.02)
    raise AssertionError("the job never ended")


def hand_in(client: TestClient, text: str | bytes) -> Json:
    content = text.encode() if isinstance(text, str) else text
    answer = client.post("/api/exchange/csv", content=content)
    assert answer.status_code == 200, answer.text
    told: Json = answer.json()
    return told


def read(
    client: TestClient, file: Json, write: bool = False, partly: bool = False, **mapping: str
) -> Json:
    chosen = file["mapping"] | mapping
    body = {"id": file["id"], "mapping": chosen, "write": write, "partly": partly}
    answer = client.post("/api/exchange/csv/read", json=body)
    assert answer.status_code == 200, answer.text
    return waited(client, answer.json())


def rows_out(client: TestClient) -> list[Json]:
    text = client.get("/api/exchange/exposures.csv").content.decode("utf-8-sig")
    return list(csv.DictReader(io.StringIO(text)))


def archived(client: TestClient) -> bytes:
    job = waited(client, client.post("/api/exchange/archive").json())
    assert (job["state"], job["message"]) == ("done", "")
    content: bytes = client.get(f"/api/exchange/archive/{job['id']}.zip").content
    return content


def merged(client: TestClient, content: bytes) -> Json:
    return waited(client, client.post("/api/exchange/archive/merge", content=content).json())


@pytest.fixture
def elsewhere(tmp_path: Path) -> Iterator[TestClient]:
    """Another, empty house."""
    app = create_app(Settings(lay(tmp_path / "elsewhere"), caretaker=False))
    with Client(app, base_url=HERE, headers=OWN) as opened:
        yield opened


@given(st.text(max_size=30))
def test_cells_are_guarded_and_come_back(text: str) -> None:
    """Nothing begins a formula but a plain number, and every text comes back as it was."""
    cell = safe(text)
    assert plain(cell) == text
    if cell[:1] in ("=", "+", "-", "@", "\t", "\r"):
        assert cell[:1] in "+-"
        float(cell.replace(",", "."))


def test_no_cell_becomes_a_formula(client: TestClient) -> None:
    """What a user typed cannot run in a spreadsheet; it comes back without its guard."""
    scene = client.get("/api/scenes/scene-adit").json()["scene"]
    title = '=HYPERLINK("http://evil.example")'
    client.put("/api/scenes/scene-adit", json={**scene, "title": title})
    text = client.get("/api/exchange/exposures.csv").content.decode("utf-8-sig")
    cells = [cell for row in csv.reader(io.StringIO(text)) for cell in row]
    assert f"'{title}" in cells
    assert not [cell for cell in cells if cell.startswith(("=", "@"))]


def test_every_exposure_goes_out(client: TestClient) -> None:
    """One row each, under the columns that come in again; the file has a sensible name."""
    rows = rows_out(client)
    assert list(rows[0]) == [*columns.NAMES, *columns.ALSO_WRITTEN]
    assert len(rows) == client.get("/api/log").json()["total"]
    (telephoto,) = [row for row in rows if row["id"] == "exposure-4A"]
    assert (telephoto["where"], telephoto["aperture"], telephoto["n"]) == ("4A", "f/22", "1.0")
    assert telephoto["readings"] == (
        "wet sleepers 9⅓ III; dry-stone wall 10⅓ IV; fog above the drum 12⅓ VI"
    )
    assert (telephoto["minutes"], telephoto["judgement"]) == ("", "")
    (judged,) = [row for row in rows if row["id"] == "exposure-shed-A"]
    assert (judged["minutes"], judged["judgement"]) == ("6.5", "thin shadows, full highlights")
    name = client.get("/api/exchange/exposures.csv").headers["content-disposition"]
    assert "emulsa-exposures-20" in name


def test_a_number_that_may_be_a_dial_is_asked(client: TestClient) -> None:
    """60 is a minute or 1/60 s: refused with both ways to write it, unless the column says so."""
    head, row = "Date;Subject;Film;f-stop;{};Dev\r\n", "2024-05-01;Dial pit;Corvane 100;8;60;0\r\n"
    asked = read(client, hand_in(client, head.format("Shutter") + row))["result"]
    assert (asked["new"], asked["refused"]) == (0, 1)
    (refused,) = asked["refusals"]
    assert "1/60" in refused["message"]
    assert "60 s" in refused["message"]
    told = hand_in(client, head.format("Seconds") + row)
    assert read(client, told, write=True)["result"]["new"] == 1
    (line,) = client.get("/api/log?text=dial%20pit").json()["lines"]
    assert line["set_text"] == "f/8, 1 min"


def test_why_and_of_what_goes_out_and_comes_in(client: TestClient, elsewhere: TestClient) -> None:
    """Why the film was rated otherwise, and whose opening it was, are columns; what came in without
    a plan is called that, and nothing is said of how far off it was."""
    text = (
        "Date;Subject;Film;EI;rating_reason;f-stop;Shutter;share;share_of\r\n"
        "2024-05-01;Reason pit;Corvane 100;50;safety;22;1/2;0.25;scenes\r\n"
    )
    assert read(client, hand_in(client, text), write=True)["result"]["new"] == 1
    (row,) = [each for each in rows_out(client) if each["scene"] == "Reason pit"]
    assert (row["rating_reason"], row["share"], row["share_of"]) == ("safety", "0.25", "scenes")
    story = client.get(f"/api/log/{row['id']}").json()
    assert story["planned_text"] == "brought in without a plan"
    assert story["rating_text"] == "EI 50: for safety"
    assert story["exposure"]["off_text"] == ""


def test_a_foreign_notebook(client: TestClient) -> None:
    """Semicolons, commas in numbers, other names for the columns; guessed or said."""
    file = hand_in(
        client,
        "Date;Subject;Emulsion;f-stop;Shutter;Dev;Remarks\r\n"
        '2024-05-01;Old pit;Corvane 100;22;1/2;-1;"cold; windy"\r\n'
        "2024-05-01T10:30;Old pit;Corvane 100;22;2:10;0,5;\r\n",
    )
    assert file["mapping"]["film"] == "Emulsion"
    tried = read(client, file)["result"]
    assert (tried["rows"], tried["new"], tried["refused"]) == (2, 2, 0)
    before = client.get("/api/log").json()["total"]
    assert read(client, file, write=True)["state"] == "done"
    lines = client.get("/api/log?text=old%20pit").json()["lines"]
    assert [(each["set_text"], each["n_text"]) for each in lines] == [
        ("f/22, 1/2 s", "N−1"),
        ("f/22, 2 min 10 s", "N+½"),
    ]
    days = [each["outing"]["day"] for each in client.get("/api/outings").json()]
    assert "2024-05-01" in days
    assert lines[0]["note"] == "cold; windy"
    assert lines[0]["state"] == "developed"
    client.post("/api/undo")
    assert client.get("/api/log").json()["total"] == before
    assert "2024-05-01" not in [each["outing"]["day"] for each in client.get("/api/outings").json()]


def test_sheets_alike_are_not_one(client: TestClient) -> None:
    """Rows with the same words are exposures of their own; the file brought in again adds none."""
    rows = GOOD + 3 * "2024-05-01,Corvane 100,32,1/2,Pit,,,\n"
    assert read(client, hand_in(client, rows), write=True)["result"]["new"] == 3
    again = read(client, hand_in(client, rows))["result"]
    assert (again["new"], again["known"]) == (0, 3)


def test_good_rows_go_in_while_bad_ones_are_mended(client: TestClient) -> None:
    """The bad ones come back as a file with what is wrong with each; mended, that file goes in."""
    text = (
        GOOD
        + "2024-05-01,Corvane 100,32,1/2,Mending pit,1A,N-1,\n"
        + "31.2.2024,Corvane 100,wide,1/2,Mending pit,1B,N,=1+1\n"
        + "2.5.2024,Corvane 100,32,1,Mending pit,2A,N+1,\n"
    )
    file = hand_in(client, text)
    tried = read(client, file)["result"]
    assert (tried["new"], tried["refused"]) == (2, 1)
    assert [(each["line"], each["column"]) for each in tried["refusals"]] == [
        (3, "exposed_at"),
        (3, "aperture"),
    ]
    wrote = read(client, file, write=True, partly=True)
    assert (wrote["state"], wrote["result"]["new"]) == ("done", 2)
    lines = client.get("/api/log?text=mending").json()["lines"]
    assert [(each["n_text"], each["where"]) for each in lines] == [("N+1", "2A"), ("N−1", "1A")]
    answer = client.get(f"/api/exchange/csv/{wrote['id']}/refused.csv")
    back = answer.content.decode("utf-8-sig")
    (bad,) = csv.DictReader(io.StringIO(back))
    assert (bad["where"], bad["note"]) == ("1B", "'=1+1")
    assert "exposed_at: “31.2.2024” is not a day" in bad["what is wrong"]
    assert "aperture: “wide”" in bad["what is wrong"]
    mended = hand_in(client, back.replace("31.2.2024", "3.5.2024").replace("wide", "22"))
    assert read(client, mended, write=True)["result"]["new"] == 1
    refusal(client.get("/api/exchange/csv/none/refused.csv"), 404)
    client.post("/api/undo")
    client.post("/api/undo")
    assert client.get("/api/log?text=mending").json()["lines"] == []


@pytest.mark.parametrize(
    ("row", "column", "says"),
    [
        ("May,Corvane 100,32,1/2,Pit,,,", "exposed_at", "2026-01-17"),
        ("2024-02-30,Corvane 100,32,1/2,Pit,,,", "exposed_at", "2024-02-30"),
        ("2024-05-01,Nobody's 9,32,1/2,Pit,,,", "film", "Nobody's 9"),
        ("2024-05-01,Corvane 100,f/0,1/2,Pit,,,", "aperture", "0"),
        ("2024-05-01,Corvane 100,32,soon,Pit,,,", "time_s", "soon"),
        ("2024-05-01,Corvane 100,32,-1,Pit,,,", "time_s", "−1"),
        ("2024-05-01,Corvane 100,32,1,Pit,,9,", "n", "between"),
        ("2024-05-01,Corvane 100,32,1,Pit,1A,,", "where", ""),
        ("2024-05-01,,32,1,Pit,,,", "film", ""),
    ],
)
def test_every_bad_row_is_named(client: TestClient, row: str, column: str, says: str) -> None:
    """Line, column and reason; a good row beside it does not come in without it."""
    good = "2024-05-01,Corvane 100,32,1/2,Pit,,,\n"
    file = hand_in(client, GOOD + good + row + "\n")
    tried = read(client, file)["result"]
    if column == "where":  # a label is what a notebook says, no place on today's board
        assert tried["refused"] == 0
        return
    (refused,) = tried["refusals"]
    assert (refused["line"], refused["column"]) == (3, column)
    assert says in refused["message"]
    before = client.get("/api/log").json()["total"]
    wrote = read(client, file, write=True)
    assert wrote["state"] == "failed"
    assert "Line 3" in wrote["message"]
    assert client.get("/api/log").json()["total"] == before
    assert client.get("/api/journal").json()["undo"] is None


@pytest.mark.parametrize(
    ("content", "says"),
    [
        (b"", "empty"),
        (b"\xff\xfe\x00a", "UTF-8"),
        (b"one line without columns", ""),
        (b'a,b\n"never closed', ""),
        (b"\x00\x01\x02", ""),
    ],
)
def test_what_is_no_csv(client: TestClient, content: bytes, says: str) -> None:
    """Refused with a sentence, at once or when it is tried."""
    answer = client.post("/api/exchange/csv", content=content)
    if answer.status_code == 200:
        job = client.post("/api/exchange/csv/read", json={"id": answer.json()["id"]})
        ended = waited(client, job.json())
        assert ended["state"] == "failed" or ended["result"]["new"] == 0
    else:
        assert says in refusal(answer, 422)["message"]


@pytest.mark.parametrize(
    ("lens", "pinhole", "filters", "column", "says"),
    [
        ("150 mm", "0.3 mm at 60 mm", "", "pinhole", "A lens and a pinhole at once"),
        ("", "Nobody's tin", "", "pinhole", "“Nobody's tin” is not in the kit"),
        ("150 mm", "", "Deep red;Mauve", "filters", "“Mauve” is not in the kit"),
        ("150 mm", "", "Deep red", "", ""),
        ("", "0.3 MM AT 60 MM", "", "", ""),
    ],
)
def test_kit_by_its_names(
    client: TestClient, lens: str, pinhole: str, filters: str, column: str, says: str
) -> None:
    """Whatever its capitals, a name is the kit's or it is refused."""
    head = "exposed_at,film,aperture,time_s,lens,pinhole,filters\n"
    row = f"2024-05-01,Corvane 100,32,1,{lens},{pinhole},{filters}\n"
    told = read(client, hand_in(client, head + row))["result"]
    assert (told["new"], told["refused"]) == ((0, 1) if says else (1, 0))
    assert [(each["column"], says in each["message"]) for each in told["refusals"]] == (
        [(column, True)] if says else []
    )


def test_as_many_rows_as_are_taken(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    """One more is refused before any is looked at."""
    monkeypatch.setattr(unknown_csv, "MOST_ROWS", 2)
    rows = "2024-05-01,Corvane 100,32,1,Pit,,,\n"
    assert read(client, hand_in(client, GOOD + 2 * rows))["result"]["new"] == 2
    job = read(client, hand_in(client, GOOD + 3 * rows))
    assert job["state"] == "failed"
    assert "at most 2 at once" in job["message"]


def test_columns_must_be_there_and_once(client: TestClient) -> None:
    """A needed column that is not said, and one column said twice, are refused by name."""
    file = hand_in(client, GOOD + "2024-05-01,Corvane 100,32,1,Pit,,,\n")
    lacks = read(client, {**file, "mapping": {"film": "film"}})
    assert lacks["state"] == "failed"
    assert "exposed" in lacks["message"]
    gone = read(client, file, film="none")
    assert gone["state"] == "failed"
    for none in ("gone", "../x"):  # no id becomes a path
        assert refusal(client.post("/api/exchange/csv/read", json={"id": none}), 404)


def test_csv_out_and_in_is_a_fixed_point(client: TestClient, elsewhere: TestClient) -> None:
    """Out of one house into an empty one and out again: the same file; in again adds nothing."""
    text = client.get("/api/exchange/exposures.csv").content
    without = {"lens": "", "pinhole": "", "filters": ""}  # an empty kit has none to name
    own = {*without, *columns.ALSO_WRITTEN}  # nor plans, runs or judgements
    job = read(elsewhere, hand_in(elsewhere, text), write=True, **without)
    assert (job["state"], job["message"]) == ("done", "")
    assert job["result"]["new"] == len(rows_out(client))
    films = {each["name"] for each in elsewhere.get("/api/kit").json()["films"]}
    assert films == {"Corvane 100", "Harle 200", "Ostrel 400"}

    def told(house: TestClient) -> list[Json]:
        return [{k: v for k, v in row.items() if k not in own} for row in rows_out(house)]

    assert told(elsewhere) == told(client)
    again = read(
        elsewhere, hand_in(elsewhere, elsewhere.get("/api/exchange/exposures.csv").content)
    )
    assert (again["result"]["new"], again["result"]["refused"]) == (0, 0)
    assert again["result"]["known"] == len(rows_out(client))


def test_the_archive_is_a_fixed_point(client: TestClient, elsewhere: TestClient) -> None:
    """Everything, pictures too, into an empty house and out again: the same rows and bytes."""
    first = archived(client)
    job = merged(elsewhere, first)
    assert (job["state"], job["message"]) == ("done", "")
    second = archived(elsewhere)
    with zipfile.ZipFile(io.BytesIO(first)) as one, zipfile.ZipFile(io.BytesIO(second)) as two:
        assert one.namelist() == two.namelist()
        for name in one.namelist():
            assert one.read(name) == two.read(name), name
        manifest = json.loads(one.read("manifest.json"))
    assert (manifest["format"], manifest["version"]) == ("emulsa-archive", 3)
    for path in (
        "/api/log",
        "/api/holders",
        "/api/rolls",
        "/api/stock",
        "/api/log/exposure-shed-A",
    ):
        assert elsewhere.get(path).json() == client.get(path).json()
    assert (
        elsewhere.get("/api/attachments/scan-shed").content
        == client.get("/api/attachments/scan-shed").content
    )
    again = merged(elsewhere, first)["result"]
    assert again["added"] == 0
    assert again["known"] == job["result"]["added"]


def test_an_archive_gives_way_to_what_is_here(client: TestClient, elsewhere: TestClient) -> None:
    """Another's holder 1 gets a free number; what has the same identity stays as it is here."""
    elsewhere.put("/api/holders/mine", json={"id": "mine", "number": 1, "note": "mine"})
    elsewhere.put("/api/outings/outing-quarry", json={"id": "outing-quarry", "title": "Mine"})
    job = merged(elsewhere, archived(client))
    assert (job["state"], job["message"]) == ("done", "")
    assert "Holder 1 is now 7" in " ".join(job["result"]["said"])
    numbers = [each["holder"]["number"] for each in elsewhere.get("/api/holders").json()]
    assert len(numbers) == len(set(numbers)) == 7
    titles = [each["outing"]["title"] for each in elsewhere.get("/api/outings").json()]
    assert "Mine" in titles
    elsewhere.post("/api/undo")
    assert len(elsewhere.get("/api/holders").json()) == 1


# What is done to a file in the archive, by its name; None leaves the file out.
HARM: dict[str, tuple[str, Callable[[bytes], bytes | None]]] = {
    "no manifest": ("manifest.json", lambda _: None),
    "newer": ("manifest.json", lambda data: data.replace(b'"version": 3', b'"version": 4')),
    "other": ("manifest.json", lambda data: data.replace(b'"format": "', b'"format": "not-')),
    "no row": ("tables/film.jsonl", lambda _: b'["a list"]\n'),
    "foreign row": ("tables/film.jsonl", lambda data: data.replace(b'"name"', b'"name) --"')),
    "no table": ("tables/lens.jsonl", lambda _: None),
    "orphans": ("tables/scene.jsonl", lambda _: b""),
    "picture": ("attachments/", lambda data: data[:-1] + b"x"),
}


def harmed(good: bytes, harm: str) -> bytes:
    if harm == "text":
        return b"not an archive"
    if harm == "cut":
        return good[: len(good) // 2]
    return rewritten(good, HARM[harm])


def rewritten(archive: bytes, *changes: tuple[str, Callable[[bytes], bytes | None]]) -> bytes:
    """An archive with some of its files written anew, or left out."""
    file = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(archive)) as source, zipfile.ZipFile(file, "w") as target:
        for name in source.namelist():
            data: bytes | None = source.read(name)
            for begins, change in changes:
                if data is not None and name.startswith(begins):
                    data = change(data)
            if data is not None:
                target.writestr(name, data)
    return file.getvalue()


def as_version_two(archive: bytes) -> bytes:
    """An archive as the second version wrote it: strips and tries within their print, a shape in
    every plan that has it."""
    with zipfile.ZipFile(io.BytesIO(archive)) as source:
        prints, strips, tries, shapes = (
            [json.loads(each) for each in source.read(f"tables/{name}.jsonl").splitlines()]
            for name in ("print", "print_strip", "print_try", "print_shape")
        )
    drawn = {each["id"]: json.loads(each["shape"]) for each in shapes}

    def whole(plan: str, names: str) -> Any:
        told = json.loads(plan)
        for area, name in zip(told["areas"], json.loads(names), strict=True):
            area["shape"] = drawn.get(name)
        return told

    for each in prints:
        own = [made for made in tries if made["print_id"] == each["id"]]
        each["plan"] = json.dumps(whole(each["plan"], each.pop("shapes")))
        each["tries"] = json.dumps(
            [
                {
                    **{name: made[name] for name in ("number", "at", "says", "next_time", "hangs")},
                    "plan": whole(made["plan"], made["shapes"]),
                    "marks": json.loads(made["marks"]),
                    "final": bool(made["final"]),
                }
                for made in own
            ]
        )
        each["strips"] = json.dumps(
            [
                {**kept, "print_id": None, "strip": json.loads(kept["strip"])}
                for kept in strips
                if kept["print_id"] == each["id"]
            ]
        )

    def counted(manifest: bytes) -> bytes:
        told = json.loads(manifest) | {"version": 2}
        for name in ("print_strip", "print_try", "print_shape"):
            del told["tables"][name]
        return json.dumps(told).encode()

    return rewritten(
        archive,
        ("manifest.json", counted),
        ("tables/print_", lambda _: None),
        ("tables/print.", lambda _: b"\n".join(json.dumps(each).encode() for each in prints)),
    )


def test_prints_of_an_older_archive_come_whole(client: TestClient, elsewhere: TestClient) -> None:
    """With their strips, their tries in their order and every shape, as they are here."""
    assert merged(elsewhere, as_version_two(archived(client)))["state"] == "done"
    there, here = (each.get("/api/prints/print-shed").json() for each in (elsewhere, client))
    assert there["print"] == here["print"]
    assert there["strips"] == here["strips"]
    assert len(there["tries"]) == 4
    for one, other in zip(there["tries"], here["tries"], strict=True):
        assert (one["number"], one["changed"]) == (other["number"], other["changed"])
        assert one["notes"]["marks"] == other["notes"]["marks"]
    again = elsewhere.post("/api/prints/print-shed/again", json={"id": "print-shed:4"})
    assert again.json()["says"] == "print 4 of Cutting shed, saw beds again"


def test_an_older_archive_keeps_what_its_words_meant(
    client: TestClient, elsewhere: TestClient
) -> None:
    """Before there was a word beyond it, *full* was full or more; a focus nobody had said was
    kept as infinity, and an opening of several as an exposure of its own."""

    def older(line: bytes) -> bytes:
        return line.replace(b'"shadow": "heavy"', b'"shadow": "full"')

    def unsaid(table: bytes) -> bytes:
        rows = [json.loads(each) for each in table.splitlines()]
        for row in rows:
            row["focus"] = '{"kind":"infinity"}'
        return b"".join(json.dumps(each).encode() + b"\n" for each in rows)

    def shared(table: bytes) -> bytes:
        rows = [json.loads(each) for each in table.splitlines()]
        for row in rows:
            del row["share_of"]
            row["share"] = 0.5
        return b"".join(json.dumps(each).encode() + b"\n" for each in rows)

    piece = client.get("/api/log/exposure-shed-A").json()["exposure"]["piece_id"]
    judged = {"id": piece, "shadow": "heavy", "highlight": "full"}
    base = client.get("/api/log/exposure-shed-A").json()["judgement_version"]
    client.put(f"/api/darkroom/judgements/{piece}?base={base}", json=judged).raise_for_status()
    archive = rewritten(
        as_version_two(archived(client)),
        ("manifest.json", lambda data: data.replace(b'"version": 2', b'"version": 1')),
        ("tables/judgement.jsonl", older),
        ("tables/scene.jsonl", unsaid),
        ("tables/exposure.jsonl", shared),
    )
    assert merged(elsewhere, archive)["state"] == "done"
    story = elsewhere.get("/api/log/exposure-shed-A").json()
    assert story["judgement"]["shadow"] == "at_least_full"
    scene = elsewhere.get(f"/api/scenes/{story['scene']['id']}").json()
    assert scene["scene"]["focus"] is None
    rows = rows_out(elsewhere)
    assert {each["share_of"] for each in rows} == {"scenes"}


@pytest.mark.parametrize("harm", ["text", "cut", *HARM])
def test_an_archive_that_cannot_be_trusted(
    client: TestClient, elsewhere: TestClient, harm: str
) -> None:
    """Refused with a sentence; nothing of it is kept."""
    content = harmed(archived(client), harm)
    job = merged(elsewhere, content)
    assert job["state"] == "failed", job
    assert job["message"]
    assert elsewhere.get("/api/kit").json()["films"] == []
    assert elsewhere.get("/api/journal").json()["undo"] is None


def test_a_missing_picture_does_not_refuse_the_rest(
    client: TestClient, elsewhere: TestClient, folder: Path
) -> None:
    """Out or in it is named; its record comes, and its file from a backup later."""
    digest = client.get("/api/log/exposure-shed-A").json()["attachments"][0]["digest"]
    (folder / ATTACHMENTS / f"{digest}.png").unlink()
    job = waited(client, client.post("/api/exchange/archive").json())
    name = client.get("/api/log/exposure-shed-A").json()["attachments"][0]["name"]
    assert job["result"]["lost"] == [name]
    content = client.get(f"/api/exchange/archive/{job['id']}.zip").content
    told = merged(elsewhere, content)
    assert told["state"] == "done", told["message"]
    assert any(f"{name} is not in the archive" in each for each in told["result"]["said"])
    assert elsewhere.get("/api/log").json() == client.get("/api/log").json()
    assert (
        "restore it from a backup"
        in refusal(elsewhere.get("/api/attachments/scan-shed"), 404)["message"]
    )


def test_places_are_points(client: TestClient) -> None:
    """GeoJSON of RFC 7946: longitude first; outings without coordinates are left out."""
    outing = client.get("/api/outings").json()[0]["outing"]
    place = {**outing, "latitude": 54.5, "longitude": -3.25}
    client.put("/api/outings/outing-quarry", json=place)
    answer = client.get("/api/exchange/places.geojson")
    assert answer.headers["content-type"].startswith("application/geo+json")
    (feature,) = answer.json()["features"]
    assert answer.json()["type"] == "FeatureCollection"
    assert feature["geometry"] == {"type": "Point", "coordinates": [-3.25, 54.5]}
    assert feature["properties"]["title"] == "Third outing, frost"


def test_long_work_is_stopped(client: TestClient) -> None:
    """A stopped import leaves nothing; other work waits for its turn, and can be stopped there."""
    rows = "".join(f"2024-05-01,Corvane 100,32,1,Pit {n},,,\n" for n in range(20_000))
    before = client.get("/api/log").json()["total"]
    file = hand_in(client, GOOD + rows)
    body = {"id": file["id"], "mapping": file["mapping"], "write": True}
    job = client.post("/api/exchange/csv/read", json=body).json()
    second = client.post("/api/exchange/csv/read", json=body)
    client.delete(f"/api/exchange/jobs/{job['id']}")
    ended = waited(client, job)
    assert second.json()["state"] == "waiting"
    client.delete(f"/api/exchange/jobs/{second.json()['id']}")
    assert waited(client, second.json())["state"] == "cancelled"
    assert ended["state"] == "cancelled"
    assert client.get("/api/log").json()["total"] == before
    assert refusal(client.get("/api/exchange/jobs/none"), 404)
    assert refusal(client.get("/api/exchange/archive/none.zip"), 404)


def test_on_a_full_disk(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    """A file that is handed in, an archive, a copy to carry: each says so, nothing is unforeseen."""

    def full(*_: object, **__: object) -> None:
        raise OSError(errno.ENOSPC, "No space left on device")

    for name, asked in (
        ("pathlib.Path.open", lambda: client.post("/api/exchange/csv", content=GOOD.encode())),
        ("zipfile.ZipFile.writestr", lambda: archive_job(client)),
        ("emulsa.store.carrying.copy", lambda: client.get("/api/carry/copy")),
    ):
        with monkeypatch.context() as there:
            there.setattr(name, full)
            answer = asked()
        said = answer.json()
        message = said["message"] if "state" in said else said["error"]["message"]
        assert message.startswith("The disk is full"), (name, said)
    assert client.get("/api/carry/copy").status_code == 200


def archive_job(client: TestClient) -> Any:
    job = client.post("/api/exchange/archive").json()
    waited(client, job)
    return client.get(f"/api/exchange/jobs/{job['id']}")


def test_few_archives_are_kept(client: TestClient, folder: Path) -> None:
    """Asked for again and again, the latest can be fetched, and older ones take no room."""
    jobs = [waited(client, client.post("/api/exchange/archive").json()) for _ in range(7)]
    assert len(list((folder / "exchange").glob("*.zip"))) == 5
    last = client.get(f"/api/exchange/archive/{jobs[-1]['id']}.zip")
    assert last.status_code == 200
    assert client.get(f"/api/exchange/archive/{jobs[0]['id']}.zip").status_code == 404
