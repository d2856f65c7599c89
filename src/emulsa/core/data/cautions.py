"""Cautions of the darkroom, at the step they belong to. Common practice, no source.

None of them takes the maker's place: the last line of every sheet says so.
"""

from __future__ import annotations

ALWAYS = "Gloves and eye protection, fresh air, no food containers; children and pets stay out."
MAKER = "Follow the maker's sheet and local rules, for waste too; this program advises."
POWDER = "Powders raise dust: pour slowly, close to the water, with a mask on."
HOT = "Hot mixing water scalds."
CAUTIONS: dict[str, str] = {
    "developer": "A drop of stop or fixer ruins a developer: mix it first, in its own vessels.",
    "stop": "Acid into water, never water into acid.",
    "hardener": "Hardened film washes out slowly: wash it twice as long. It holds acid: gloves.",
    "fixer": "Never beside the developer; off clothes, and out of drains where rules say so.",
    "two parts": "Each part has a syringe of its own; they never change places.",
    "poison": "This developer is poisonous through skin and breath: gloves at every step.",
    "thermometer": "Alcohol or digital thermometers; a broken mercury one poisons the room.",
}
# what a bath asks for while film is in it
MIND: dict[str, str] = {
    "presoak": "As warm as the developer. Coloured water is only the backing’s dye.",
    "developer": "Knock bubbles off when it is poured in; beat no air into it.",
    "stop": "No stronger than the maker says: strong acid blisters the emulsion.",
    "rinse": "As warm as the baths: a sudden cold one wrinkles the emulsion.",
    "wash": "As warm as the baths: a sudden cold one wrinkles the emulsion.",
    "wetting agent": "Stir it without foam, which dries to marks.",
    "dry": "Door closed: dust stays in wet emulsion.",
}
TRAY = "One sheet after another, every time the same way; corners scratch the one below."
TONER = (
    "Gloves and fresh air for every bath; selenium and other toners are poisonous through skin and"
    " breath, and are never mixed with acid. Makers' instructions hold before these figures."
)
POISONS = ("stain", "pyro")  # in a developer's name: what stains the gelatin harms the skin


def poisons(developer: str) -> bool:
    """Whether a developer's name says that it stains, and so harms the skin.

    >>> poisons("two-part staining developer"), poisons("metol developer")
    (True, False)
    """
    return any(each in developer.lower() for each in POISONS)


def of_run(developer: str) -> tuple[str, ...]:
    """What is said before a run begins, the maker's word last."""
    poison = (CAUTIONS["poison"],) if poisons(developer) else ()
    return (ALWAYS, *poison, CAUTIONS["thermometer"], MAKER)


def of_print() -> tuple[str, ...]:
    """What is said before a print goes into its baths."""
    return (ALWAYS, TONER, MAKER)
