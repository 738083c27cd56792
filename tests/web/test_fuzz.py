"""A quarter of a minute of calls at random from a fixed seed, held against the OpenAPI document."""

import logging

from tests.database import SHELF
from tests.fuzzing.calls import for_seconds
from tests.web.test_api import ApiCase

SECONDS, SEED = 15.0, 12


class Calls(ApiCase):
    template_kind = SHELF

    def test_no_answer_but_those_documented(self) -> None:
        logging.getLogger("gauge_well").setLevel(logging.CRITICAL)
        self.addCleanup(logging.getLogger("gauge_well").setLevel, logging.NOTSET)
        tally = for_seconds(self.app, self.engine, SECONDS, SEED)
        self.assertEqual(tally.faults[:3], [], tally.told())
        # What is called goes deep: reports are worked, writes taken and refused.
        for status in (200, 201, 404, 422):
            self.assertGreater(tally.statuses[status], 0, tally.told())
