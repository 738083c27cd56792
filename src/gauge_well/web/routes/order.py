"""The order of work."""

from __future__ import annotations

from datetime import date

from flask import Response, jsonify
from pydantic import Field

from gauge_well.services.models import SheetIn
from gauge_well.services.models_order import OptionsOut, OrderOut
from gauge_well.web import jobs
from gauge_well.web.api import Strict, answers, blueprint, plain

bp = blueprint("order")


class OrderRequest(Strict):
    """A sheet, and the day it is where it is asked."""

    sheet: SheetIn
    today: date = Field(description="2026-11-24")


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
