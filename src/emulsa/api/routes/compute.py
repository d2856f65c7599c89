"""POST /api/compute/<operation>: the rules of the job, one route each."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from emulsa.api.route import Asked
from emulsa.api.routing import Routes
from emulsa.core import operations, wire
from emulsa.core.data.bibliography import SOURCES
from emulsa.core.data.movement import MOVERS

routes = Routes("compute", "/api/compute")


@routes.question("/sources")
def sources() -> dict[str, str]:
    """The bibliography: what each source key of a ledger stands for."""
    return SOURCES


@routes.question("/movers")
def movers() -> dict[str, float]:
    """Things that move, and their speeds across the view in mm/s, to begin with."""
    return MOVERS


def _computing(operation: operations.Operation) -> Callable[..., Any]:
    def compute(asked: Asked) -> Any:
        return operation.function(wire.loads(operation.request, asked.body))

    return compute


for each in operations.TABLE.values():
    routes.add(
        "question",
        "POST",
        f"/{each.name}",
        _computing(each),
        name=f"compute.{each.name}",
        operation=each,
    )
