"""What a user does with builds, without the web: durable, revisioned, undoable."""

import threading

from gauge_well.core.systems import SYSTEMS
from gauge_well.services import builds, history, shelf
from gauge_well.services.errors import NotFound, Stale
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES
from gauge_well.store.session import make_engine
from tests.database import DatabaseCase
from tests.support import ROAD, changed


def edit(path: str, text: str | None, evidence: str | None = None) -> list[dict]:
    return [{"path": path, "text": text, "evidence": evidence, "tolerance": None}]


class Builds(DatabaseCase):
    def make(self, **paths: object) -> dict:
        return builds.create(self.engine, changed(ROAD, **paths))

    def test_made_and_read_back_by_another_connection(self) -> None:
        made = self.make()
        other = make_engine(self.url)
        try:
            found = builds.get(other, made["id"])
        finally:
            other.dispose()
        self.assertEqual((found["document"], found["revision"]), (made["document"], 1))
        self.assertEqual(found["report"]["state"], made["report"]["state"])

    def test_an_edit_is_kept_and_sized(self) -> None:
        made = self.make()
        after = builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "11 5/8 in", "taped"))
        self.assertEqual(after["revision"], 2)
        self.assertEqual(after["facts"]["cooling.core.depth"]["text"], "11 5/8 in")
        self.assertEqual(builds.get(self.engine, made["id"])["facts"]["cooling.core.depth"]["evidence"], "taped")

    def test_an_edit_that_changes_nothing_is_no_revision(self) -> None:
        made = self.make()
        after = builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "26 mm"))
        self.assertEqual(after["revision"], 1)

    def test_a_refused_edit_leaves_the_build(self) -> None:
        made = self.make()
        for text in ("12 psi", "90 m"):
            with self.assertRaises(SheetError):
                builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", text))
        with self.assertRaises(SheetError) as caught:
            builds.edit(self.engine, made["id"], 1, edit("engine.rated_power", "900 kW"))
        self.assertEqual(caught.exception.problems[0].field, "engine.rated_power")
        self.assertEqual(builds.get(self.engine, made["id"])["document"], made["document"])

    def test_edits_together_are_all_or_none(self) -> None:
        made = self.make()
        both = edit("name", "Other") + edit("machine.mass", "heavy")
        with self.assertRaises(SheetError):
            builds.edit(self.engine, made["id"], 1, both)
        self.assertEqual(builds.get(self.engine, made["id"])["name"], ROAD["name"])

    def test_a_stale_write_carries_both_versions(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("machine.mass", "1500 kg"))
        with self.assertRaises(Stale) as caught:
            builds.edit(self.engine, made["id"], 1, edit("machine.mass", "1600 kg"))
        self.assertEqual(caught.exception.current["facts"]["machine.mass"]["text"], "1500 kg")
        assert caught.exception.yours is not None
        self.assertEqual(caught.exception.yours["machine"]["mass"]["text"], "1600 kg")
        with self.assertRaises(Stale):
            builds.replace(self.engine, made["id"], 1, ROAD, "file")

    def test_two_windows_at_once(self) -> None:
        """Of ten writes made from one revision, one is taken and nine are told."""
        made = self.make()
        taken, told = [], []

        def write(i: int) -> None:
            try:
                taken.append(builds.edit(self.engine, made["id"], 1, edit("machine.mass", f"{1500 + i} kg")))
            except Stale as error:
                told.append(error)

        threads = [threading.Thread(target=write, args=(i,)) for i in range(10)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join(30)
        self.assertEqual((len(taken), len(told)), (1, 9))
        self.assertEqual(len(history.revisions(self.engine, made["id"])["revisions"]), 2)

    def test_history_and_bringing_back(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("machine.mass", "1500 kg"))
        back = builds.bring_back(self.engine, made["id"], 2, 1)
        self.assertEqual((back["revision"], back["document"]), (3, made["document"]))
        listed = history.revisions(self.engine, made["id"])["revisions"]
        self.assertEqual([r["revision"] for r in listed], [3, 2, 1])
        self.assertIn("machine.mass: 1500 kg", listed[1]["note"])
        with self.assertRaises(NotFound):
            builds.bring_back(self.engine, made["id"], 3, 77)

    def test_copy_rename_delete_and_undo(self) -> None:
        made = self.make()
        copied = builds.copy(self.engine, made["id"])
        self.assertEqual(copied["name"], f"{ROAD['name']} (copy)")
        self.assertNotEqual(copied["id"], made["id"])
        renamed = builds.edit(self.engine, copied["id"], 1, edit("name", "Second"))
        self.assertEqual((renamed["name"], builds.get(self.engine, made["id"])["name"]), ("Second", ROAD["name"]))
        builds.delete(self.engine, copied["id"], 2)
        with self.assertRaises(NotFound):
            builds.get(self.engine, copied["id"])
        self.assertNotIn(copied["id"], {c["id"] for c in shelf.shelf(self.engine)["builds"]})
        self.assertEqual(builds.undelete(self.engine, copied["id"])["name"], "Second")
        self.assertIn(copied["id"], {c["id"] for c in shelf.shelf(self.engine)["builds"]})

    def test_missing(self) -> None:
        for call in (
            lambda: builds.get(self.engine, "none"),
            lambda: builds.edit(self.engine, "none", 1, edit("name", "x")),
            lambda: builds.copy(self.engine, "none"),
            lambda: builds.delete(self.engine, "none", 1),
            lambda: builds.undelete(self.engine, "none"),
            lambda: history.revisions(self.engine, "none"),
        ):
            with self.assertRaises(NotFound):
                call()

    def test_unknown_facts_still_open(self) -> None:
        made = builds.create(self.engine, {"name": "Empty"})
        self.assertEqual(made["report"]["state"], "unknown")


class Demos(DatabaseCase):
    def test_loaded_once_and_left_alone(self) -> None:
        self.assertEqual(builds.load_demos(self.engine), list(NAMES))
        builds.edit(self.engine, NAMES[0], 1, edit("name", "Mine now"))
        builds.delete(self.engine, NAMES[1], 1)
        self.assertEqual(builds.load_demos(self.engine), [])
        cards = {c["id"]: c for c in shelf.shelf(self.engine)["builds"]}
        self.assertEqual(cards[NAMES[0]]["name"], "Mine now")
        self.assertNotIn(NAMES[1], cards)
        self.assertEqual(set(cards[NAMES[0]]["wells"]), {"engine", *SYSTEMS} - {"boat"})
