"""The first start: what a truck's gauges should read, its faults worked, and the next check."""

from __future__ import annotations

from functools import partial

from benchmarks.timing import Line, median
from gauge_well.core.start.expected import expected
from gauge_well.core.start.faults import infer
from gauge_well.core.start.faults.cooling import COOLING
from gauge_well.core.start.setting import Setting
from gauge_well.services.sizing import check
from gauge_well.sheet.demo import demo

READ: infer.Readings = {"gauge": 385.15, "paper": "falls"}  # an engine that came to 112 degC idling
OPEN_TO = ("off", "idle")


def start() -> list[Line]:
    """The quarry truck, standing."""
    case, where = check(demo("quarry-mule"))[1].case, Setting()
    field = COOLING.foretell(case, where.air)

    def asked() -> object:
        belief = infer.believe(field, READ)
        return infer.next_checks(field, READ, belief, OPEN_TO)

    return [
        median("readings of a first start foretold", partial(expected, case, where)),
        median("its cooling worked with every fault", partial(COOLING.foretell, case, where.air)),
        median("the next check", asked, target=0.05),
    ]
