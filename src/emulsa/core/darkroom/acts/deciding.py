"""Deciding over the plan: another recipe or other minutes for film that waits."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from emulsa.core.development.choice import Choice
from emulsa.core.errors import Impossible
from emulsa.core.film.moves import Outcome
from emulsa.core.film.pieces import Piece, Weight, where_text
from emulsa.core.film.states import IS
from emulsa.core.kit.films import FilmRecipe
from emulsa.core.limits import Id, Length


@dataclass(frozen=True, kw_only=True, slots=True)
class Deciding:
    """What is decided over the development of these pieces, and how much they matter when runs are
    shared; ``weight`` empty leaves that as it is."""

    piece_ids: Annotated[tuple[Id, ...], Length("Pieces of film", 1, 500)]
    choice: Choice
    weight: Weight | None = None


def decide(deciding: Deciding, pieces: Sequence[Piece], recipe: FilmRecipe | None) -> Outcome:
    """Keep what is decided; an empty choice goes back to the plan."""
    kept = None if deciding.choice == Choice() else deciding.choice
    changed = []
    for piece in pieces:
        if piece.state != "exposed":
            raise Impossible(
                f"{where_text(piece)} {IS[piece.state]}; only film that waits is decided over.",
                field="piece_ids",
            )
        if recipe is not None and recipe.film_id != piece.film_id:
            raise Impossible(f"{recipe.name} is a recipe of another film.", field="recipe_id")
        weight = piece.weight if deciding.weight is None else deciding.weight
        wanted = replace(piece, choice=kept, weight=weight)
        if wanted != piece:
            changed.append(wanted)
    return Outcome(says="change development" if kept else "develop as planned", kept=tuple(changed))
