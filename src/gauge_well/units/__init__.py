"""Kinds, units, reading typed quantities, converting, printing."""

from gauge_well.units.kinds import KINDS, Kind
from gauge_well.units.printing import show, unit_for
from gauge_well.units.reading import Reading, ReadingError, read
from gauge_well.units.table import UNITS, Unit

__all__ = ["KINDS", "UNITS", "Kind", "Reading", "ReadingError", "Unit", "read", "show", "unit_for"]
