"""The order of work."""

from __future__ import annotations

from datetime import date
from typing import Literal

from flask import Response, jsonify, request
from pydantic import BaseModel, Field

from gauge_well.services import catalogue
from gauge_well.services.catalogue import CatalogueOut, CataloguePart
from gauge_well.services.models import SheetIn
from gauge_well.services.models_order import OptionsOut, OrderOut
from gauge_well.services.shopping import ShopEvent
from gauge_well.sheet.work import FIRST_DAY, LAST_DAY
from gauge_well.web import jobs
from gauge_well.web.api import Strict, answers, blueprint, plain

bp = blueprint("order")


class OrderRequest(Strict):
    """A sheet, and the day it is where it is asked."""

    sheet: SheetIn
    today: date = Field(ge=FIRST_DAY, le=LAST_DAY, description="2026-11-24")


@bp.post("/order", responses=answers(OrderOut))
def order(body: OrderRequest) -> Response:
    """What can be done today, what holds the rest, when it ends, what it costs."""
    return jsonify(jobs.work("order", body.sheet, body.today))


@bp.post("/options", responses=answers(OptionsOut))
def options(body: OrderRequest) -> Response:
    """Engines that could be taken, side by side on this machine."""
    return jsonify(jobs.work("options", body.sheet, body.today))


@bp.post("/order.csv", responses={200: plain("text/csv", "Tasks")})
def tasks(body: OrderRequest) -> Response:
    """Tasks as CSV."""
    return Response(jobs.work("order_csv", body.sheet, body.today), mimetype="text/csv")


@bp.post("/order/things.csv", responses={200: plain("text/csv", "Parts and what else is bought")})
def things(body: OrderRequest) -> Response:
    """Parts and what else is bought as CSV."""
    return Response(jobs.work("things_csv", body.sheet, body.today), mimetype="text/csv")


@bp.post("/order.ics", responses={200: plain("text/calendar", "Tasks left at their likely times, and arrivals")})
def calendar(body: OrderRequest) -> Response:
    """Tasks left and arrivals as iCalendar."""
    return Response(jobs.work("order_ics", body.sheet, body.today), mimetype="text/calendar")


class CatalogueQuery(BaseModel):
    """How a catalogue is to be read."""

    kind: Literal["csv", "xlsx"]
    mapping: str = Field(
        default="", max_length=2000, description="What each column says, parted by semicolons; - leaves one out"
    )
    of_kind: str = Field(default="", max_length=40, description="Kind of every part, where no column says it")


@bp.post("/catalogue", responses=answers(CatalogueOut))
def catalogue_read(query: CatalogueQuery) -> Response:
    """A catalogue of parts from the bytes of a CSV or XLSX file, sent as they are."""
    return jsonify(jobs.work("catalogue", request.get_data(), query.kind, query.mapping, query.of_kind))


@bp.get("/catalogue/sample", responses={200: plain("text/csv", "A catalogue of invented parts")})
def catalogue_sample() -> Response:
    """The catalogue that ships."""
    return Response(catalogue.sample(), mimetype="text/csv")


class ShopRequest(Strict):
    """A sheet, parts of a catalogue, the places that are searched (empty: all that are filled)."""

    sheet: SheetIn
    parts: list[CataloguePart] = Field(max_length=600)
    places: list[str] = Field(default_factory=list, max_length=60)
    sure: bool = False


@bp.post("/shop", responses=answers(ShopEvent))
def shop(body: ShopRequest) -> Response:
    """The cheapest set of a catalogue's parts with which the wanted power holds: one event a line as it is worked."""
    return jobs.streamed("shop", body.sheet, [part.model_dump() for part in body.parts], body.places, body.sure)
