"""The build sheet: a versioned document of facts."""

from gauge_well.sheet.document import FORMAT, BuildDocument
from gauge_well.sheet.errors import Problem, SheetError
from gauge_well.sheet.reading import Sheet, load
from gauge_well.sheet.resolve import Resolved, resolve

__all__ = ["FORMAT", "BuildDocument", "Problem", "Resolved", "Sheet", "SheetError", "load", "resolve"]
