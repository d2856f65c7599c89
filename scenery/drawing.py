"""A scene from its description: painted layer by layer, measured, and written as a field.

A point of the written picture is its exposure value in sixteen bits, red the upper eight of them
and green the lower: eleven bits the index of EV −8 + i/32, the five above them the number of the
named place it belongs to. A page can read that, where sixteen bits of grey come to it as eight.
Beside it lies a JSON file with what cannot be seen: title, places, light.
"""

from __future__ import annotations

import json
import tomllib
from pathlib import Path
from typing import Any

import numpy as np
from numpy.typing import NDArray

from scenery.canvas import COLUMNS, FINER, ROWS, Canvas
from scenery.fields import LOWEST_EV, MOST, STEPS_IN_A_STOP, module
from scenery.layers import read

INDEX_BITS = 11
MEAN_LOOKS, SMALL = 0.3, (240, 160)


def drawn(description: dict[str, Any], finer: int = FINER) -> Canvas:
    """The scene, painted."""
    canvas = Canvas.blank(description["seed"], finer)
    canvas.names.extend(description["places"])
    for layer in description["layer"]:
        read(layer).paint(canvas)
    if strange := set(canvas.names) - set(description["places"]):
        raise ValueError(f"{description['title']}: no such place: {', '.join(sorted(strange))}")
    return canvas


def packed(canvas: Canvas) -> NDArray[np.uint16]:
    """EV and place of each point in sixteen bits."""
    ev, place = canvas.gathered()
    index = np.clip(np.floor((ev - LOWEST_EV) * STEPS_IN_A_STOP + 0.5), 0, MOST)
    return (index.astype(np.uint16) | (place.astype(np.uint16) << INDEX_BITS)).astype(np.uint16)


def seen(canvas: Canvas) -> NDArray[np.uint8]:
    """The scene as it looks to an eye that is used to it."""
    ev, _ = canvas.gathered()
    light = MEAN_LOOKS * np.exp2(ev) / np.exp2(ev).mean()
    held = 1.12 * light / (1 + light / 0.9)
    shown = np.where(held <= 0.0031308, 12.92 * held, 1.055 * held ** (1 / 2.4) - 0.055)
    levels: NDArray[np.uint8] = np.clip(255 * shown + 0.5, 0, 255).astype(np.uint8)
    return levels


def told(description: dict[str, Any], canvas: Canvas) -> dict[str, Any]:
    """What is kept beside the field; each place with the EV of the mean light of its points."""
    ev, place = canvas.gathered()
    places = []
    for number, name in enumerate(canvas.names, start=1):
        here = place == number
        if not here.any():
            raise ValueError(f"{description['title']}: {name} is hidden by what lies before it")
        mean = float(np.log2(np.exp2(ev[here]).mean()))
        kept = dict(description["places"][name])
        x, y = kept.pop("x"), kept.pop("y")
        places.append({"name": name, "x": x, "y": y, "ev100": round(mean, 3), **kept})
    return {
        "title": description["title"],
        "brief": description["brief"],
        "columns": COLUMNS,
        "rows": ROWS,
        "light": description["light"],
        "places": places,
    }


def write(source: Path, target: Path, practice: Path) -> None:
    """Draw one described scene into ``target``: its points as a PNG, and what is told beside it;
    and into ``practice`` as a module of the core's data."""
    from PIL import Image

    description = tomllib.loads(source.read_text(encoding="utf-8"))
    canvas = drawn(description)
    points = packed(canvas)
    planes = (points >> 8, points & 255, np.zeros_like(points))
    apart = np.stack(planes, axis=-1).astype(np.uint8)
    picture = Image.frombytes("RGB", (COLUMNS, ROWS), apart.tobytes())
    picture.save(target / f"{source.stem}.png", optimize=True)
    small = Image.fromarray(seen(canvas)).resize(SMALL, Image.Resampling.LANCZOS)
    small.save(target / f"{source.stem}.jpg", quality=82)
    words = json.dumps(told(description, canvas), ensure_ascii=False, indent=1)
    (target / f"{source.stem}.json").write_text(words + "\n", encoding="utf-8")
    own = practice / f"{source.stem.replace('-', '_')}.py"
    own.write_text(module(source.stem, description, canvas), encoding="utf-8")
