"""Every choice of every field, on the demo builds in turns: none of them may fail what is worked of a build."""

import unittest

from gauge_well.core.errors import MissingFact
from gauge_well.core.run import remedy, runs
from gauge_well.core.run.sampling import draw
from gauge_well.core.run.sizing import outline
from gauge_well.services import sizing
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.sections import DUTY, SECTIONS

DRAWS = 16


def choices_of(document: dict, turn: int) -> list[tuple[str, str | None]]:
    """Every second of the choices that can be made in a document, and of taking each out; of the demo builds by their
    ``turn`` one tries what the next does not, so that each choice of a system is tried on two."""
    fields = [(f"{id}.{name}", spec) for id, section in SECTIONS.items() for name, spec in section.specs.items()]
    for duty in document["duties"]:
        fields += [(f"duties.{duty['id']}.{name}", spec) for name, spec in DUTY.specs.items()]
    every = [
        (path, choice) for path, spec in fields if spec.kind == "choice" for choice in (*(spec.choices or {}), None)
    ]
    return every[turn % 2 :: 2]


class EveryChoice(unittest.TestCase):
    """In process: drawn, and tried as a change of the build."""

    def test_sampled_and_explored(self) -> None:
        worked = 0
        for turn, name in enumerate(NAMES):
            kept = sizing.check(demo(name))[0].document
            case = sizing.check(kept)[1].case
            before = outline(case)
            runs.run(draw(case, DRAWS))
            for path, choice in choices_of(kept, turn):
                document = apply_edit(kept, Edit(path, choice))
                if document == kept:
                    continue
                with self.subTest(name, path=path, choice=choice):
                    try:
                        case = sizing.check(document)[1].case
                    except SheetError:
                        continue
                    try:
                        runs.run(draw(case, DRAWS))
                    except MissingFact:  # not enough is known of the engine any more
                        continue
                    after = outline(case)
                    remedy.weigh(before, after, [(path.split(".")[0], "")], False)
                    worked += 1
        self.assertGreater(worked, 400)
