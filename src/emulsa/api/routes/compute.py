"""POST /api/compute/<operation>: the rules of the job, one route each."""

from __future__ import annotations

from fastapi import Request, Response

from emulsa.api.answers import Routes
from emulsa.api.bodies import documented
from emulsa.core import operations
from emulsa.core.data.bibliography import SOURCES
from emulsa.core.data.movement import MOVERS

router = Routes(prefix="/api/compute", tags=["compute"])


@router.get("/sources")
def sources() -> dict[str, str]:
    """The bibliography: what each source key of a ledger stands for."""
    return SOURCES


@router.get("/movers")
def movers() -> dict[str, float]:
    """Things that move, and their speeds across the view in mm/s, to begin with."""
    return MOVERS


def _add(operation: operations.Operation) -> None:
    async def compute(request: Request) -> Response:
        text = operations.answer_json(operation.name, await request.body())
        return Response(text, media_type="application/json")

    router.add_api_route(
        f"/{operation.name}",
        compute,
        methods=["POST"],
        name=operation.name,
        operation_id=f"compute_{operation.name}",
        summary=(operation.function.__doc__ or "").split("\n")[0],
        openapi_extra=documented(operation.request, operation.example, operation.answer),
    )


for each in operations.TABLE.values():
    _add(each)
