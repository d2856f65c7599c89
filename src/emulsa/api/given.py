"""An exposure that is handed in, as it was given out there."""

from __future__ import annotations

from typing import Any

from emulsa.core import wire


def as_given(request: dict[str, Any], answer: str) -> dict[str, Any]:
    """An exposure as it was given there, by its answer: another version of the rules, or a scene
    that changed meanwhile, makes no other time of it."""
    body = request.get("body")
    if not answer or not isinstance(body, dict):
        return request
    told = wire.parsed(answer)
    if isinstance(told, dict) and "given" in told:
        return {**request, "body": {"given": told["given"], **body}}
    frames = body.get("frames")
    if not isinstance(frames, list):
        return {**request, "body": _given(body, told)}
    if not isinstance(told, list) or len(frames) != len(told):
        return request
    given = [_given(*each) for each in zip(frames, told, strict=True)]
    return {**request, "body": {**body, "frames": given}}


def _given(asked: Any, told: Any) -> Any:
    if not isinstance(asked, dict) or not isinstance(told, dict):
        return asked
    if "scene_id" not in asked or asked.get("intervals"):  # no exposure, or one told by its clock
        return asked
    was = {"aperture": told.get("aperture"), "time": told.get("seconds")}
    return asked | {
        name: value for name, value in was.items() if value is not None and asked.get(name) is None
    }
