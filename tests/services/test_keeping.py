"""What is kept of builds: answers worked first, broken builds still opened, cards, the bin, history, merging, export."""

import io
import json
import zipfile
from datetime import UTC, datetime, timedelta
from typing import Any
from unittest import mock

from sqlalchemy import func, select, update

from gauge_well.core.systems import SYSTEMS
from gauge_well.services import builds, export, history, merging, shelf, sizing
from gauge_well.services.errors import NotFound, Refused, Stale
from gauge_well.sheet import FORMAT, SheetError, load
from gauge_well.sheet.demo import NAMES
from gauge_well.sheet.edit import Edit
from gauge_well.store.models import Build, Revision
from gauge_well.store.session import transaction
from tests.database import DatabaseCase
from tests.services.test_builds import edit
from tests.support import DATA, ROAD, changed


class KeepingCase(DatabaseCase):
    def make(self, **paths: object) -> dict[str, Any]:
        return builds.create(self.engine, changed(ROAD, **paths))

    def put(self, id: str, **columns: object) -> None:
        """Set columns of a build as another program, or another day, would have left them."""
        with transaction(self.engine) as session:
            session.execute(update(Build).where(Build.id == id).values(columns))

    def count(self) -> int:
        with transaction(self.engine) as session:
            return int(session.scalar(select(func.count()).select_from(Build)) or 0)

    def cards(self) -> dict[str, dict[str, Any]]:
        return {card["id"]: card for card in shelf.shelf(self.engine, limit=200)["builds"]}


class AnsweredBeforeKept(KeepingCase):
    def test_what_cannot_be_answered_is_not_kept(self) -> None:
        made = self.make()
        before = self.count()
        with mock.patch.object(sizing, "report_of", side_effect=ZeroDivisionError):
            for call in (
                lambda: builds.edit(self.engine, made["id"], 1, edit("machine.mass", "1500 kg")),
                lambda: builds.replace(self.engine, made["id"], 1, changed(ROAD, name="Other"), "file"),
                lambda: builds.create(self.engine, ROAD),
                lambda: builds.copy(self.engine, made["id"]),
            ):
                with self.assertRaises(ZeroDivisionError):
                    call()
        self.assertEqual(builds.get(self.engine, made["id"])["document"], made["document"])
        self.assertEqual(builds.get(self.engine, made["id"])["revision"], 1)
        self.assertEqual(self.count(), before)

    def test_a_build_that_does_not_stand_is_not_copied(self) -> None:
        made = self.make()
        self.put(made["id"], document=made["document"] | {"format": "gauge-well-build/9"})
        before = self.count()
        with self.assertRaises(SheetError):
            builds.copy(self.engine, made["id"])
        self.assertEqual(self.count(), before)


class Broken(KeepingCase):
    def test_a_newer_programs_build_is_opened_raw(self) -> None:
        made = self.make()
        newer = made["document"] | {"format": "gauge-well-build/9", "parts": [{"kind": "pump"}]}
        self.put(made["id"], document=newer)
        found = builds.get(self.engine, made["id"])
        self.assertEqual((found["document"], found["report"], found["facts"]), (newer, None, {}))
        self.assertEqual(found["problems"][0]["field"], "format")
        self.assertEqual(len(history.revisions(self.engine, made["id"])["revisions"]), 1)
        self.assertEqual(history.document_of(self.engine, made["id"], 1), made["document"])
        back = builds.bring_back(self.engine, made["id"], 1, 1)
        self.assertEqual(back["document"], made["document"])

    def test_one_that_todays_rules_refuse(self) -> None:
        made = self.make()
        refused = json.loads(json.dumps(made["document"]))
        next(p for p in refused["parts"] if p["id"] == "core")["facts"]["width"] = {"text": "90 m"}
        self.put(made["id"], document=refused, card=None)
        found = builds.get(self.engine, made["id"])
        self.assertEqual(found["problems"][0]["field"], "cooling.core.width")
        self.assertEqual(found["document"], refused)
        card = self.cards()[made["id"]]
        self.assertEqual((card["state"], card["name"]), ("unknown", ROAD["name"]))

    def test_one_the_program_fails_on_takes_nothing_with_it(self) -> None:
        made, sound = self.make(), self.make(name="Sound")
        self.put(made["id"], card=None)
        self.put(sound["id"], card=None)
        real = sizing.size_document

        def failing(document: dict[str, Any], *args: object, **more: object) -> dict[str, Any]:
            if document["name"] != "Sound":
                raise ZeroDivisionError
            return real(document, "none")

        with mock.patch.object(sizing, "size_document", failing), self.assertLogs("gauge_well.services", "ERROR"):
            cards = self.cards()
        self.assertIn("fails on this build", cards[made["id"]]["sentence"])
        self.assertIn("Holds", cards[sound["id"]]["sentence"])
        with (
            mock.patch.object(sizing, "report_of", side_effect=ZeroDivisionError),
            self.assertLogs("gauge_well.services"),
        ):
            found = builds.get(self.engine, made["id"])
        self.assertIn("fails on this build", found["problems"][0]["message"])
        self.assertEqual(found["document"], made["document"])


class Cards(KeepingCase):
    def test_kept_with_the_build_and_never_stale(self) -> None:
        made = self.make()
        with mock.patch.object(sizing, "size_document", side_effect=AssertionError("worked again")):
            card = self.cards()[made["id"]]
        self.assertEqual(card["sentence"], made["report"]["headline"]["sentence"])
        after = builds.edit(self.engine, made["id"], 1, edit("cooling.core.width", "200 mm"))
        self.assertNotEqual(after["report"]["headline"]["sentence"], card["sentence"])
        self.assertEqual(self.cards()[made["id"]]["sentence"], after["report"]["headline"]["sentence"])

    def test_wells_stand_in_the_order_of_work(self) -> None:
        made = self.make()
        for _ in range(2):
            wells = list(self.cards()[made["id"]]["wells"])
            self.assertEqual(wells, [id for id in ("engine", *SYSTEMS) if id in wells])
            self.assertEqual(set(wells), {"engine", *SYSTEMS} - {"boat"})
            self.put(made["id"], card_made="another")  # worked anew the second time

    def test_of_another_state_of_the_program_it_is_worked_again_once(self) -> None:
        made = self.make()
        wrong = {"sentence": "Old words.", "state": "holds", "wells": {}, "name": "", "notes": "", "kind": ""}
        self.put(made["id"], card=wrong, card_made="another")
        self.assertEqual(self.cards()[made["id"]]["sentence"], made["report"]["headline"]["sentence"])
        with mock.patch.object(sizing, "size_document", side_effect=AssertionError("worked again")):
            self.assertEqual(self.cards()[made["id"]]["state"], made["report"]["state"])

    def test_pages_hold_every_build_once(self) -> None:
        made = [self.make(name=f"Build {i}")["id"] for i in range(7)]
        seen: list[str] = []
        after = ""
        for _ in range(20):
            page = shelf.shelf(self.engine, after, 3)
            self.assertLessEqual(len(page["builds"]), 3)
            seen += [card["id"] for card in page["builds"]]
            after = page["more"]
            if not after:
                break
        self.assertEqual(len(seen), len(set(seen)))
        self.assertEqual(len(seen), page["count"])
        self.assertEqual(seen[:7], made[::-1])
        with self.assertRaises(Refused):
            shelf.shelf(self.engine, "yesterday")


class BinAndHistory(KeepingCase):
    def test_delete_needs_the_revision_that_was_seen(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("machine.mass", "1500 kg"))
        with self.assertRaises(Stale):
            builds.delete(self.engine, made["id"], 1)
        builds.delete(self.engine, made["id"], 2)
        self.assertIn(made["id"], [b["id"] for b in shelf.in_bin(self.engine)])
        self.assertEqual(builds.undelete(self.engine, made["id"])["revision"], 2)
        self.assertEqual(len(history.revisions(self.engine, made["id"])["revisions"]), 2)

    def test_emptied_after_thirty_days(self) -> None:
        old, fresh = self.make(), self.make()
        for made in (old, fresh):
            builds.delete(self.engine, made["id"], 1)
        for made, days in ((old, 31), (fresh, 29)):
            self.put(made["id"], deleted_at=datetime.now(UTC) - timedelta(days=days))
        self.assertEqual([b["id"] for b in shelf.in_bin(self.engine)], [fresh["id"]])
        self.assertEqual(shelf.empty_bin(self.engine), 1)
        with self.assertRaises(NotFound):
            builds.undelete(self.engine, old["id"])
        builds.undelete(self.engine, fresh["id"])

    def test_a_demo_that_left_the_bin_stays_away(self) -> None:
        builds.load_demos(self.engine)
        builds.delete(self.engine, NAMES[0], 1)
        self.put(NAMES[0], deleted_at=datetime.now(UTC) - timedelta(days=90))
        shelf.empty_bin(self.engine)
        self.assertNotIn(NAMES[0], builds.load_demos(self.engine))
        self.assertNotIn(NAMES[0], [b["id"] for b in shelf.in_bin(self.engine)])

    def test_compacted_by_rule(self) -> None:
        """Of 130 revisions over four days: the last fifty, older ones each day's last, the first and the named."""
        id = self.make()["id"]
        began = datetime(2026, 3, 1, 12, tzinfo=UTC)
        document = self.make()["document"]
        with transaction(self.engine) as session:
            first = session.get(Revision, (id, 1))
            assert first is not None
            first.created_at = began
            for number in range(2, 131):
                day = began + timedelta(days=(number - 1) // 20, minutes=number)
                session.add(Revision(build_id=id, revision=number, document=document, note="", created_at=day))
        history.name_revision(self.engine, id, 33, " First drive ")
        with transaction(self.engine) as session:
            history.compact(session, id, 130)
        listed = history.revisions(self.engine, id)
        kept = [r["revision"] for r in listed["revisions"]]
        self.assertEqual(kept[:50], list(range(130, 80, -1)))
        # Twenty a day, from the first: days end with revisions 20, 40, 60 and 80.
        self.assertEqual(kept[50:], [80, 60, 40, 33, 20, 1])
        self.assertEqual({r["revision"]: r["name"] for r in listed["revisions"]}[33], "First drive")
        self.assertIn("last 50", listed["rule"])
        with self.assertRaises(NotFound):
            history.document_of(self.engine, id, 50)

    def test_compacted_as_it_is_written(self) -> None:
        id = self.make()["id"]
        with mock.patch.object(history, "LAST_KEPT", 5):
            for number in range(1, 20):
                builds.edit(self.engine, id, number, edit("notes", f"note {number}"))
        kept = [r["revision"] for r in history.revisions(self.engine, id)["revisions"]]
        # Compacted at the tenth and the twentieth write, all of one day.
        self.assertEqual(kept, [20, 19, 18, 17, 16, 1])


class Merging(KeepingCase):
    def test_another_fact_is_taken_on_top(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("machine.mass", "1500 kg"))
        after = builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "40 mm"))
        self.assertEqual(after["revision"], 3)
        self.assertEqual(after["facts"]["machine.mass"]["text"], "1500 kg")
        self.assertEqual(after["facts"]["cooling.core.depth"]["text"], "40 mm")

    def test_an_old_edit_does_not_overwrite_a_newer_one(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "47 mm", "taped"))
        with self.assertRaises(Stale) as caught:
            builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "33 mm"))
        self.assertEqual(caught.exception.current["facts"]["cooling.core.depth"]["text"], "47 mm")
        self.assertEqual(builds.get(self.engine, made["id"])["facts"]["cooling.core.depth"]["text"], "47 mm")

    def test_what_leaves_it_as_it_stands_is_no_conflict(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "47 mm", "taped"))
        same = builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "47 mm", "taped"))
        self.assertEqual(same["revision"], 2)

    def test_a_duty_taken_out_meanwhile(self) -> None:
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("duties.grade", None))
        with self.assertRaises(Stale):
            builds.edit(self.engine, made["id"], 1, edit("duties.grade.grade", "9 %"))

    def test_units_changed_meanwhile_are_not_read_into_bare_numbers(self) -> None:
        """33 typed as millimetres must not become inches."""
        made = self.make()
        builds.edit(self.engine, made["id"], 1, edit("units.system", "imperial"))
        with self.assertRaises(Stale):
            builds.edit(self.engine, made["id"], 1, edit("cooling.core.depth", "33"))
        named = builds.edit(self.engine, made["id"], 1, edit("name", "Still"))
        self.assertEqual(named["name"], "Still")

    def test_a_revision_no_longer_kept(self) -> None:
        self.assertFalse(merging.apart([Edit("name", "x")], None, {"name": ""}))

    def test_what_stands_at_a_path(self) -> None:
        document = {
            "name": "n",
            "machine": {"mass": {"text": "1"}},
            "duties": [{"id": "a", "speed": 1}],
            "parts": [
                {"id": "c", "kind": "pump", "name": "C", "facts": {"flow": 3}, "keep": {"price": "4"}},
                {"id": "m", "kind": "pump", "role": "fuel.main", "facts": {"flow": 5}},
            ],
        }
        for path, found in (
            ("name", "n"),
            ("machine.mass", {"text": "1"}),
            ("machine.nothing", None),
            ("duties.a.speed", 1),
            ("duties.a", {"id": "a", "speed": 1}),
            ("duties.b.speed", None),
            ("parts.c.flow", 3),
            ("parts.c.name", "C"),
            ("parts.c.keep.price", "4"),
            ("parts.d", None),
            ("fuel.main.flow", 5),
            ("fuel.main", ["m"]),
            ("fuel.tank.volume", None),
        ):
            self.assertEqual(merging.standing(document, path), found, path)


class OfFormat1(KeepingCase):
    """A database of 0.4.0: its documents are carried up when they are read, and kept so when they are next written."""

    def old(self) -> str:
        made = self.make()
        document = json.loads((DATA / "format_1" / "quarry-mule.json").read_text())
        document["machine"] = load(document).document["machine"]  # as it was kept, with what was read
        self.put(made["id"], document=document, card=None)
        with self.engine.begin() as connection:
            connection.execute(
                update(Revision)
                .where(Revision.build_id == made["id"])
                .values(document=document, note="fuel.pump_flow: 1 L/h")
            )
        return str(made["id"])

    def test_read_edited_copied_and_brought_back(self) -> None:
        id = self.old()
        found = builds.get(self.engine, id)
        self.assertEqual((found["problems"], found["document"]["format"]), ([], FORMAT))
        self.assertEqual(found["report"]["state"], "short")
        self.assertEqual(self.cards()[id]["state"], "short")
        copied = builds.copy(self.engine, id)
        self.assertEqual(copied["document"]["parts"], found["document"]["parts"])
        after = builds.edit(self.engine, id, 1, edit("fuel.main.flow", "250 L/h"))
        self.assertEqual(after["document"]["format"], FORMAT)
        # Made on a revision of the old format, on a fact nobody touched since.
        merged = builds.edit(self.engine, id, 1, edit("machine.mass", "1300 kg"))
        self.assertEqual(merged["revision"], 3)
        with self.assertRaises(Stale):
            builds.edit(self.engine, id, 1, edit("fuel.main.flow", "300 L/h"))
        back = builds.bring_back(self.engine, id, 3, 1)
        self.assertEqual(back["facts"]["fuel.main.flow"], found["facts"]["fuel.main.flow"])

    def test_its_history_speaks_as_today(self) -> None:
        notes = [r["note"] for r in history.revisions(self.engine, self.old())["revisions"]]
        self.assertEqual(notes, ["fuel.main.flow: 1 L/h"])

    def test_what_changes_nothing_is_no_revision(self) -> None:
        id = self.old()
        now = builds.get(self.engine, id)["facts"]["fuel.main.flow"]
        again = builds.edit(self.engine, id, 1, edit("fuel.main.flow", now["text"], now["evidence"]))
        self.assertIn(again["revision"], (1, 2))
        self.assertEqual(again["facts"]["fuel.main.flow"], now)

    def test_two_windows_move_parts(self) -> None:
        made = self.make()
        spare = {"path": "parts.spare", "text": "pump", "action": "add"}
        builds.edit(self.engine, made["id"], 1, [spare, {"path": "parts.spare.flow", "text": "90 L/h"}])
        builds.edit(self.engine, made["id"], 2, [{"path": "fuel.main", "text": "spare", "action": "fit"}])
        with self.assertRaises(Stale):
            builds.edit(self.engine, made["id"], 2, [{"path": "fuel.main", "text": None, "action": "take"}])
        other = builds.edit(self.engine, made["id"], 2, [{"path": "parts.core", "action": "copy"}])
        self.assertEqual(other["revision"], 4)
        said = [r["note"] for r in history.revisions(self.engine, made["id"])["revisions"]]
        self.assertEqual(
            said[:3], ["parts.core: copied", "fuel.main: spare fitted", "parts.spare: one more and 1 more"]
        )


class Export(KeepingCase):
    def test_every_build_as_a_sheet(self) -> None:
        made = self.make(name="Ärger & Co. <1>")
        broken = self.make(name="Newer")
        self.put(broken["id"], document=broken["document"] | {"format": "gauge-well-build/9"})
        gone = self.make()
        builds.delete(self.engine, gone["id"], 1)
        content = export.all_builds(self.engine)
        self.assertEqual(content, export.all_builds(self.engine))
        archive = zipfile.ZipFile(io.BytesIO(content))
        index = json.loads(archive.read("builds.json"))
        files = {item["id"]: item["file"] for item in index["builds"]}
        self.assertNotIn(gone["id"], files)
        self.assertEqual(set(archive.namelist()), {"builds.json", *files.values()})
        self.assertEqual(json.loads(archive.read(files[made["id"]])), made["document"])
        self.assertEqual(json.loads(archive.read(files[broken["id"]]))["format"], "gauge-well-build/9")
        for name in files.values():
            self.assertRegex(name, r"^[a-z0-9-]+\.json$")
