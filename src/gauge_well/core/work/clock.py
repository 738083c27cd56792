"""Working hours and the calendar: hours of work are not days, and paint dries while nobody works."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.typing import Array, Value
from gauge_well.core.work.said import Week

DAY = 24.0
EVENING, MORNING = 18.0, 9.0  # a short working day begins in the evening, a long one in the morning (common practice)
SHORT = 5.0  # h: up to so much is an evening
SATURDAY = 5
MOST_DAYS = 3660  # ten years: what is later is told as then


@dataclass(frozen=True)
class Clock:
    """Days from ``start``, each with its working hours; all times are calendar hours from that day's midnight.

    Raises
    ------
    CoreError
        ``no_hours`` where a whole week has none.
    """

    start: date
    week: Week

    def __post_init__(self) -> None:
        if self.week.weekday <= 0.0 and self.week.weekend <= 0.0:
            raise CoreError(
                "no_hours", "work.weekday", 0.0, "over nought on some day", "There are no working hours in the week."
            )

    @cached_property
    def _days(self) -> tuple[Array, Array, Array]:
        """Of each working day: when it begins and ends, and the hours worked by its end."""
        begins, ends = [], []
        for day in range(MOST_DAYS):
            weekend = (self.start + timedelta(days=day)).weekday() >= SATURDAY
            hours = self.week.weekend if weekend else self.week.weekday
            if hours > 0.0:
                begin = day * DAY + min(EVENING if hours <= SHORT else MORNING, DAY - hours)
                begins.append(begin)
                ends.append(begin + hours)
        first, last = np.array(begins), np.array(ends)
        return first, last, np.cumsum(last - first)

    def begun(self, at: Value) -> Array:
        """The first working time at or after a time."""
        begins, ends, _ = self._days
        day = np.minimum(np.searchsorted(ends, at, side="right"), len(ends) - 1)
        return np.maximum(at, begins[day])

    def worked(self, at: Value) -> Array:
        """Working hours done by a time."""
        begins, ends, total = self._days
        day = np.minimum(np.searchsorted(ends, at, side="right"), len(ends) - 1)
        return np.asarray(total[day] - (ends[day] - np.clip(at, begins[day], ends[day])))

    def done(self, worked: Value) -> Array:
        """The first time by which so many working hours are done: what just fills a day ends with it."""
        _, ends, total = self._days
        day = np.minimum(np.searchsorted(total, np.asarray(worked) - 1e-9, side="left"), len(ends) - 1)
        return np.asarray(ends[day] - (total[day] - worked))

    def after(self, at: Value, hours: Value) -> Array:
        """When work of so many hours, begun as soon as there are any from a time on, is done."""
        begun = self.begun(at)
        return np.where(np.asarray(hours) > 0.0, self.done(self.worked(begun) + hours), begun)

    def day(self, at: float) -> date:
        """The date of a time."""
        return self.start + timedelta(days=int(min(at, DAY * MOST_DAYS) // DAY))
