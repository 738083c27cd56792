"""Every key cited stands in the bibliography, and every entry is cited."""

import re
import unittest

from gauge_well.core.sources import BIBLIOGRAPHY
from tests.support import ROOT

CORE = ROOT / "src" / "gauge_well" / "core"
KEY = re.compile(r"\b([a-z_]+[a-z](?:\d{4}|\d{3}|_j\d{4})|iso\d+|gri30|crane410|dippr_glycol|fuel_tables)\b")


class Sources(unittest.TestCase):
    def cited(self) -> set[str]:
        text = "\n".join(p.read_text() for p in CORE.rglob("*.py") if p.name != "sources.py")
        return set(KEY.findall(text))

    def test_no_unknown_key(self) -> None:
        self.assertEqual(self.cited() - set(BIBLIOGRAPHY), set())

    def test_no_unused_entry(self) -> None:
        text = "\n".join(p.read_text() for p in CORE.rglob("*.py") if p.name != "sources.py")
        self.assertEqual({key for key in BIBLIOGRAPHY if key not in text}, set())
