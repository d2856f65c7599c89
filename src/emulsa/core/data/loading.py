"""Lists for hands that cannot see: loading film, step by step. Common practice, no source."""

from typing import Literal

ListKey = Literal["holders", "reel", "tank", "hangers", "roll_120", "roll_135"]

LISTS: dict[ListKey, tuple[str, tuple[str, ...]]] = {
    "holders": (
        "Sheets into holders",
        (
            "Count the sheets and holders, and put them in the bag in the order they are loaded",
            "Brush holders and slides; run a finger along the light trap for grit",
            "No phone, watch or lamp in the bag; zips shut, hands in to the elbow",
            "Notch code upper right, emulsion towards you; the sheet under both rails",
            "Slide in with its light side out: unexposed",
            "Box shut, both lids, before a hand leaves the bag",
        ),
    ),
    "reel": (
        "Film onto a reel",
        (
            "Reel, core, tank, lid and scissors where each hand finds them; the reel bone dry",
            "Light out, door shut; no phone, no watch",
            "Cut the tongue off square and take its corners away",
            "Hold the film by its edges; under the clips, emulsion inwards as it is wound",
            "Turn to and fro; it slides without force, or take it off and begin again",
            "At its end cut the spool off, or tear the tape off; keep the spool for the camera",
            "Reel on the core, core in the tank",
            "Lid on until it locks; then light",
        ),
    ),
    "tank": (
        "Sheets into a tank",
        (
            "Tank, insert and lid where each hand finds them; the insert dry",
            "Light out, door shut; count the sheets you take",
            "Notch code upper right: the emulsion faces you and goes inwards",
            "One sheet to a slot; feel that none touches its neighbour",
            "Insert in the tank, lid on until it locks; box shut, both lids; then light",
        ),
    ),
    "hangers": (
        "Sheets into hangers",
        (
            "Hangers open and dry, in a row; baths in a row beside them, strictly one way",
            "Light out, door shut",
            "Notch code upper right, emulsion towards you; down the channels to the stop",
            "Clip shut; feel all four edges",
            "Hangers together in both hands, spaced by a finger, before they go in",
        ),
    ),
    "roll_120": (
        "120 into the camera",
        (
            "Out of the sun: your own shadow is enough",
            "The empty spool to the winding side; see that it turns",
            "Peel the band off and keep a thumb on the roll",
            "Paper to the take-up spool, its black side to the lens, straight",
            "Wind until the arrows meet the marks",
            "Back shut; wind on to 1; keep the window covered in the sun",
            "Write the film on the back",
        ),
    ),
    "roll_135": (
        "135 into the camera",
        (
            "Out of the sun; finger marks off the pressure plate",
            "Cartridge in; leader to the mark; perforations on the teeth, both sides",
            "Back shut; two blank frames",
            "The rewind knob turns while you wind: the film goes along",
            "Write the film on the back",
        ),
    ),
}
