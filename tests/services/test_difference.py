"""An answer less what is held already, made whole again, is the whole answer."""

import json
from typing import Any

from gauge_well.services import builds
from tests.database import DatabaseCase
from tests.support import ROAD, changed

SHARED = ("since", "gone", "facts", "report")


def whole(answer: dict[str, Any], held: dict[str, Any]) -> dict[str, Any]:
    """As the page puts it together."""
    systems = {id: answer["report"]["systems"].get(id, block) for id, block in held["report"]["systems"].items()}
    rows = [
        row
        for id in systems
        for row in (answer if id in answer["report"]["systems"] else held)["report"]["rows"]
        if row["system"] == id
    ]
    kept = {path: fact for path, fact in held["facts"].items() if path not in answer["gone"]}
    return answer | {
        "since": None,
        "gone": [],
        "facts": kept | answer["facts"],
        "report": answer["report"] | {"systems": systems, "rows": rows},
    }


class Difference(DatabaseCase):
    def edited(self, held: dict[str, Any], path: str, text: str | None, **more: Any) -> dict[str, Any]:
        edits = [{"path": path, "text": text, "evidence": None, "tolerance": None}]
        return builds.edit(self.engine, held["id"], held["revision"], edits, more.get("holds", held["stands_on"]))

    def test_made_whole_it_is_what_a_fresh_reading_gives(self) -> None:
        held = builds.create(self.engine, ROAD)
        for path, text in (
            ("fuel.injectors.flow", "390 cc/min"),
            ("oil.cooler.into", "none"),
            ("oil.cooler.conductance", None),
            ("cooling.core.width", None),
            ("cooling.core.width", "620 mm"),
            ("engine.rated_power", "130 kW"),
            ("duties.grade.speed", "70 km/h"),
            ("units.power", "hp"),
        ):
            with self.subTest(path=path, text=text):
                answer = self.edited(held, path, text)
                self.assertEqual(answer["since"], held["stands_on"])
                held = whole(answer, held)
                fresh = builds.get(self.engine, held["id"])
                self.assertEqual(held["report"], fresh["report"])
                self.assertEqual(held["facts"], fresh["facts"])
                self.assertEqual(
                    {k: held[k] for k in held if k not in SHARED}, {k: fresh[k] for k in fresh if k not in SHARED}
                )

    def test_an_edit_that_one_system_reads_brings_that_one(self) -> None:
        held = builds.create(self.engine, ROAD)
        answer = self.edited(held, "fuel.injectors.flow", "390 cc/min")
        self.assertEqual(set(answer["report"]["systems"]), {"fuel"})
        self.assertEqual({row["system"] for row in answer["report"]["rows"]}, {"fuel"})
        self.assertEqual({path.split(".")[0] for path in answer["facts"]}, {"fuel"})
        self.assertLess(len(json.dumps(answer)), 0.4 * len(json.dumps(held)))

    def test_whole_where_it_is_not_the_difference_to_anything(self) -> None:
        held = builds.create(self.engine, ROAD)
        for holds in (None, "", "0" * 32, "no mark at all"):
            answer = self.edited(held, "fuel.injectors.flow", f"{390 + len(holds or '')} cc/min", holds=holds)
            self.assertIsNone(answer["since"])
            self.assertEqual(set(answer["report"]["systems"]), set(held["report"]["systems"]))
            held = answer

    def test_whole_where_other_systems_are_judged_or_nothing_is(self) -> None:
        held = builds.create(self.engine, changed(ROAD, machine__kind="road_car"))
        answer = self.edited(held, "machine.kind", "boat")
        self.assertIsNone(answer["since"])
        back = self.edited(answer, "machine.kind", "road_car")
        self.assertIsNone(back["since"])
        nothing = self.edited(back, "engine.displacement", None)
        self.assertIsNone(nothing["since"])
        self.assertEqual(nothing["report"]["systems"], {})
