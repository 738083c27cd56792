"""Every choice of every field, on the demo builds in turns, saved over HTTP: it is taken or refused with its field, and the
shelf still stands."""

from gauge_well.services import sizing
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.edit import Edit, apply_edit
from tests.services.test_every_choice import choices_of
from tests.web.test_api import ApiCase


class EveryChoice(ApiCase):
    def test_saved_and_on_the_shelf(self) -> None:
        for turn, name in enumerate(NAMES):
            made = self.client.post("/api/builds", json={"sheet": demo(name)}).get_json()
            url, revision = f"/api/builds/{made['id']}", made["revision"]
            kept = sizing.check(demo(name))[0].document
            for path, choice in choices_of(kept, turn):
                if apply_edit(kept, Edit(path, choice)) == kept:
                    continue
                edit = {"edits": [{"path": path, "text": choice}]}
                answer = self.client.patch(url, json=edit, headers={"If-Match": f'"{revision}"'})
                with self.subTest(name, path=path, choice=choice):
                    self.assertIn(answer.status_code, (200, 422), answer.text[:200])
                    if answer.status_code == 422:
                        self.assertTrue(answer.get_json()["problems"][0]["field"])
                        continue
                    revision = answer.get_json()["revision"]
            # The last state of each field but one is a choice never saved alone before: the card tells of them all.
            shelf = self.client.get("/api/builds").get_json()["builds"]
            self.assertIn(made["id"], [card["id"] for card in shelf])

    def test_the_maker_s_least_pressure_with_none_given(self) -> None:
        """One choice that nothing stands behind is unknown; every build can still be had."""
        for name in NAMES:
            made = self.client.post("/api/builds", json={"sheet": demo(name)}).get_json()
            url = f"/api/builds/{made['id']}"
            edits = {"edits": [{"path": "oil.pressure_school", "text": "maker"}, {"path": "oil.least_pressure"}]}
            edited = self.client.patch(url, json=edits, headers={"If-Match": '"1"'})
            self.assertEqual(edited.status_code, 200)
            unknown = edited.get_json()["report"]["systems"]["oil"]["unknown"]
            self.assertIn(["oil.least_pressure"], [u["missing"] for u in unknown if u["check"] == "oil_pressure"])
            for path in ("/api/builds", url):
                self.assertEqual(self.client.get(path).status_code, 200)
            drawn = self.client.post("/api/view/oil/pan", json={"sheet": edited.get_json()["document"]})
            self.assertEqual(drawn.status_code, 200)
