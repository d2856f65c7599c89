"""The page decides nothing: what of the job's rules and writing could creep into it is looked for.

Each pattern is what such a rule looked like when it stood there; a file that may hold it says why.
"""

import re
from pathlib import Path

import pytest

PAGE = Path(__file__).parents[2] / "web" / "src"

# what is forbidden, and where it is right: pixels, wall clocks, sizes of files, fields of one's own
FORBIDDEN: dict[str, tuple[str, set[str]]] = {
    "a decimal comma is read by the core": (r"""replace\(\s*["'/],["'/]""", set()),
    "a number is written by the core": (
        r"\.toFixed\(|\.toPrecision\(",
        {
            "shared/measures.ts",  # a kept number in a field, by the digits the core tells
            "components/typedNumber.ts",  # a kept number in a field, to be typed over
            "components/heldTo.ts",  # digits of no meaning while something is dragged
            "clock/state.ts",  # a running clock, between two answers
            "shared/carry/HomeSheet.tsx",  # megabytes
            "features/log/Attachments.tsx",  # megabytes
            "features/outing/HereButton.tsx",  # what the device said of where it is
        },
    ),
    "stops, times and curves are reckoned by the core": (
        r"Math\.(log|log2|log10|pow|exp|cbrt)\(|\w \*\* ",
        {"features/looking/look.ts"},  # tiles halve from size to size, a wheel's notches multiply
    ),
    "lengths and volumes are made by the core": (
        r"_m[ml]\b[^=;]*[*/] ?1_?000|[*/] ?(25\.4|29\.57\d*)\b|\b1e8\b",
        set(),
    ),
    "what is put away is known in one place": (
        r"!\s*\w+(\.\w+)*\.archived",
        {
            "shared/offered.ts",
            "features/film/StockPart.tsx",  # shown or hidden in its own list
            "features/film/StockSheet.tsx",  # archive and bring back
            "features/kit/KitRoom.tsx",  # shown or hidden in its own list
            "features/kit/RecordSheet.tsx",  # archive and bring back
        },
    ),
    "zones have one list of names": (r"""["']VIII["']""", {"shared/zones.ts"}),
    "fractions of a zone are written by the core": (
        r"[½⅓⅔]",
        {
            "features/scene/BracketSheet.tsx",  # the steps that are offered
            "features/scene/ExposeSheet.tsx",  # the shares that are offered
            "shared/keypad/Keypad.tsx",  # the keys
            "features/kit/DataSheet.tsx",  # an example to paste
        },
    ),
    "the first of a list is nobody's usual one": (r"\b(tanks|lines|bottles)\[0\]", set()),
    "what was done is worded by the core": (r"""reason: ["']\w""", set()),
}


def _files() -> list[Path]:
    found = [each for each in PAGE.rglob("*.ts*") if "service" not in each.relative_to(PAGE).parts]
    assert len(found) > 200
    return found


def _code(text: str) -> str:
    """A file without its comments."""
    text = re.sub(r"/\*.*?\*/", "", text, flags=re.DOTALL)
    return re.sub(r"(?m)(^|\s)//.*$", "", text)


@pytest.mark.parametrize("rule", FORBIDDEN)
def test_the_page_holds_no_rule(rule: str) -> None:
    pattern, allowed = FORBIDDEN[rule]
    found = {
        f"{each.relative_to(PAGE)}: {line.strip()}"
        for each in _files()
        if str(each.relative_to(PAGE)) not in allowed
        for line in _code(each.read_text(encoding="utf-8")).splitlines()
        if re.search(pattern, line)
    }
    assert found == set()


@pytest.mark.parametrize("rule", FORBIDDEN)
def test_what_is_allowed_is_there(rule: str) -> None:
    """An exception that is not needed any more is taken back."""
    pattern, allowed = FORBIDDEN[rule]
    for name in allowed:
        assert re.search(pattern, _code((PAGE / name).read_text(encoding="utf-8"))), name


# What no screen says: the glossary's other words, and what `wording.md` takes out.
NEVER = (
    "dome",
    "presoak",
    "used up",
    "school",
    "Not yet",
    "Put right",
    "anew",
    "otherwise",
    "Kept in the",
    "went two ways",
    "No holders, ",
    "Take what is kept",
    "Your way",
    "not written 1:n",
    "It moves",
    "Earlier / Later",
    "highlights give out",
    "waits for densities",
)
SAID = re.compile(r'"([A-Z][^"{}<>]{2,}?)"|>\s*([A-Z][^<>{}]{2,}?)\s*<')


def test_no_screen_says_what_the_glossary_forbids() -> None:
    """Labels and sentences of the page, as they stand in it; comments and names are no words."""
    found = {
        f"{each.relative_to(PAGE)}: {text.strip()}"
        for each in _files()
        for pair in SAID.findall(_code(each.read_text(encoding="utf-8")))
        for text in pair
        if any(re.search(rf"\b{re.escape(word)}\b", text) for word in NEVER)
    }
    assert found == set()
